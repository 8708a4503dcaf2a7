import { DRAWN } from '../../core/schema/defaults';
import { countOf, countShare } from '../../core/geometry/shapes/pen';
import { FARTHEST, OUTLINES, valuesOf } from '../../core/geometry/shapes/shapes';
import { kindOf } from '../../core/items/all';
import type { InkItem, Item, Outline, Plate, Shadow, ShapeItem, TextItem } from '../../core/schema/sheet';
import { inCommon, shared } from '../../core/text/common';
import type { Editor } from '../document/editor';
import { Swatches } from '../colour/swatches';
import { setEach, setValues } from '../commands/set-values';
import { NumberField, PercentField } from '../fields/number-field';
import { Toggle } from '../fields/toggle';
import { Pair, Row } from '../parts/row';
import { Choice } from '../fields/choice';
import { SHAPE_OPTIONS } from './shape-options';

/** Settings of outlines, shapes, pen strokes, plates and shadows. */

type OutlineProps = {
  /** Those of all that are chosen: at least one. */
  outlines: readonly (Outline | null)[];
  palette: readonly string[];
  none: boolean;
  label?: string;
  /** Gets a function from each outline to its new one. */
  onChange: (become: (now: Outline | null) => Outline | null) => void;
};

const OUTLINE: Outline = { colour: DRAWN.line, width: 1.25, dash: 'solid' };

export function OutlineFields({ outlines, palette, none, label = 'outline', onChange }: OutlineProps) {
  const drawn = outlines.filter((one) => one !== null);
  const outline = drawn.length > 0 ? inCommon(drawn) : null;
  const put = (patch: Partial<Outline>) => onChange((now) => ({ ...OUTLINE, ...now, ...patch }));
  return (
    <>
      <Swatches
        label={label}
        value={shared(outlines.map((one) => one?.colour ?? null))}
        palette={palette}
        none={none ? `No ${label}` : undefined}
        onChange={(colour) => (colour === null ? onChange(() => null) : put({ colour }))}
      />
      {outline && (
        <Row label="">
          <NumberField
            bare
            label="weight"
            value={outline.width}
            suffix="pt"
            min={0.1}
            max={100}
            onChange={(width) => put({ width })}
          />
          {(['solid', 'dashed', 'dotted'] as const).map((dash) => (
            <Toggle key={dash} on={outline.dash === dash} label={`Outline: ${dash}`} onClick={() => put({ dash })}>
              <svg width="22" height="6" aria-hidden="true">
                <line
                  x1="2"
                  x2="20"
                  y1="3"
                  y2="3"
                  stroke="currentColor"
                  strokeWidth="2.2"
                  strokeLinecap={dash === 'dotted' ? 'round' : 'butt'}
                  strokeDasharray={dash === 'dashed' ? '5 3.5' : dash === 'dotted' ? '0.1 4.4' : undefined}
                />
              </svg>
            </Toggle>
          ))}
        </Row>
      )}
    </>
  );
}

export function ShapeFields({ editor, items }: { editor: Editor; items: readonly ShapeItem[] }) {
  const name = shared(items.map((item) => item.shape));
  const values = name && shared(items.map((item) => valuesOf(item.shape, item.adjust)));
  const { counted, reached } = name ? OUTLINES[name] : {};
  return (
    <>
      <Choice
        row="shape"
        label="Shape"
        value={name}
        placeholder="Mixed"
        showSearch={{ optionFilterProp: 'label' }}
        onChange={(shape) => setValues(editor, 'Shape', { shape, adjust: [] })}
        options={SHAPE_OPTIONS}
      />
      {values && values.length > 0 && (
        <Row label="form">
          {values.map((value, i) => {
            const put = (next: number) => setValues(editor, 'Form', { adjust: values.with(i, next) });
            if (counted?.at === i)
              return (
                <NumberField
                  key={i}
                  label={counted.name}
                  value={countOf(counted, value)}
                  min={counted.least}
                  max={counted.most}
                  onChange={(count) => put(countShare(counted, Math.round(count)))}
                />
              );
            const [least, most] = reached ? [-FARTHEST, FARTHEST] : [0, 1];
            return (
              <PercentField
                key={i}
                bare
                label={`form ${i + 1}`}
                share={value}
                least={least}
                most={most}
                onChange={put}
              />
            );
          })}
        </Row>
      )}
    </>
  );
}

type InkProps = { editor: Editor; items: readonly InkItem[]; palette: readonly string[] };

export function InkFields({ editor, items, palette }: InkProps) {
  const ink = inCommon(items);
  return (
    <>
      <Swatches
        label="colour"
        value={ink.colour ?? undefined}
        palette={palette}
        onChange={(colour) => colour && setValues(editor, 'Colour', { colour })}
      />
      <Row label="pen">
        <NumberField
          bare
          label="weight"
          value={ink.weight}
          suffix="pt"
          min={0.3}
          max={120}
          onChange={(weight) => setValues(editor, 'Weight', { weight })}
        />
      </Row>
    </>
  );
}

const PLATE: Plate = { colour: DRAWN.paper, opacity: 0.9, spread: 4, corner: 4 };

type EffectProps<T> = { editor: Editor; items: readonly T[]; palette: readonly string[] };

/** Backing and shadow: each is switched on and off, and has settings only while something has it. */
export function EffectFields({ editor, items: all, palette }: EffectProps<Item>) {
  const items = all.filter((item) => kindOf(item).look.includes('shadow'));
  if (items.length === 0) return null;
  const ids = items.map(({ id }) => id);
  const texts = items.filter((item) => item.kind === 'text');
  const allText = texts.length === all.length;
  const plates = allText ? texts.map((text) => text.plate) : [];
  const shadows = items.map((item) => item.shadow);
  return (
    <>
      <Row label="effects">
        {allText && (
          <Toggle
            on={howMany(plates)}
            label="A backing behind the words only"
            onClick={() =>
              setEach(editor, 'Plate', (item) => ({
                plate: howMany(plates) === true || item.kind !== 'text' ? null : (item.plate ?? PLATE),
              }))
            }
          >
            backing
          </Toggle>
        )}
        <Toggle
          on={howMany(shadows)}
          label="A shadow"
          onClick={() =>
            setEach(
              editor,
              'Shadow',
              (item) => ({ shadow: howMany(shadows) === true ? null : (item.shadow ?? SHADOW) }),
              ids,
            )
          }
        >
          shadow
        </Toggle>
      </Row>
      <PlateFields editor={editor} items={texts.filter(({ plate }) => plate)} palette={palette} />
      <ShadowFields editor={editor} items={items.filter(({ shadow }) => shadow)} palette={palette} />
    </>
  );
}

/** Whether all have it, some or none. */
const howMany = (all: readonly unknown[]) =>
  all.every((one) => one !== null) ? true : all.some((one) => one !== null) ? ('mixed' as const) : false;

function PlateFields({ editor, items, palette }: EffectProps<TextItem>) {
  if (items.length === 0) return null;
  const plate = inCommon(items.map((item) => item.plate!));
  const put = (patch: Partial<Plate>) =>
    setEach(editor, 'Plate', (item) => (item.kind === 'text' ? { plate: { ...PLATE, ...item.plate, ...patch } } : {}));
  return (
    <>
      <Swatches
        label="backing"
        value={plate.colour ?? undefined}
        palette={palette}
        onChange={(hex) => hex && put({ colour: hex })}
      />
      <Pair>
        <NumberField
          label="padding"
          value={plate.spread}
          suffix="pt"
          min={0}
          max={60}
          onChange={(spread) => put({ spread })}
        />
        <PercentField label="opacity" share={plate.opacity} onChange={(opacity) => put({ opacity })} />
      </Pair>
    </>
  );
}

const SHADOW: Shadow = { dx: 3, dy: 4, blur: 6, colour: DRAWN.ink, opacity: 0.35 };

function ShadowFields({ editor, items, palette }: EffectProps<Item>) {
  if (items.length === 0) return null;
  const shadow = inCommon(items.map((item) => item.shadow!));
  const put = (patch: Partial<Shadow>) =>
    setEach(
      editor,
      'Shadow',
      (item) => ({ shadow: { ...SHADOW, ...item.shadow, ...patch } }),
      items.map(({ id }) => id),
    );
  const offset = (label: string, key: 'dx' | 'dy' | 'blur', min: number, max: number) => (
    <NumberField
      label={label}
      value={shadow[key]}
      suffix="pt"
      min={min}
      max={max}
      onChange={(value) => put({ [key]: value })}
    />
  );
  return (
    <>
      <Swatches
        label="shadow"
        value={shadow.colour ?? undefined}
        palette={palette}
        onChange={(hex) => hex && put({ colour: hex })}
      />
      <Pair>
        {offset('right', 'dx', -200, 200)}
        {offset('down', 'dy', -200, 200)}
        {offset('blur', 'blur', 0, 100)}
        <PercentField label="opacity" share={shadow.opacity} onChange={(opacity) => put({ opacity })} />
      </Pair>
    </>
  );
}
