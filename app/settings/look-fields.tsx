import { Select } from 'antd';
import { FAMILIES, valuesOf } from '../../core/geometry/shapes/shapes';
import { shapeName } from '../../core/items/name';
import type { InkItem, Item, Outline, Plate, Shadow, ShapeItem } from '../../core/schema/sheet';
import type { Bench } from '../document/bench';
import { Swatches } from '../colour/colour-field';
import { setValues } from '../commands/commands';
import { NumberField, PercentField, Row, Toggle } from '../fields/fields';

/** Settings of outlines, shapes, pen strokes, plates and shadows. */

type OutlineProps = {
  outline: Outline | null;
  palette: readonly string[];
  none: boolean;
  label?: string;
  onChange: (outline: Outline | null) => void;
};

export function OutlineFields({ outline, palette, none, label = 'outline', onChange }: OutlineProps) {
  const base = outline ?? { colour: '#5b5646', width: 1.25, dash: 'solid' as const };
  const put = (patch: Partial<Outline>) => onChange({ ...base, ...patch });
  return (
    <>
      <Swatches
        label={label}
        value={outline?.colour ?? null}
        palette={palette}
        none={none ? `No ${label}` : undefined}
        onChange={(colour) => (colour === null ? onChange(null) : put({ colour }))}
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

export function ShapeFields({ bench, item }: { bench: Bench; item: ShapeItem }) {
  const values = valuesOf(item.shape, item.adjust);
  return (
    <>
      <Row label="shape">
        <Select
          size="small"
          aria-label="Shape"
          value={item.shape}
          style={{ flex: 1 }}
          showSearch={{ optionFilterProp: 'label' }}
          onChange={(shape) => setValues(bench, 'Shape', { shape, adjust: [] })}
          options={FAMILIES.map(({ name, shapes }) => ({
            label: name,
            options: shapes.map((value) => ({ value, label: shapeName(value) })),
          }))}
        />
      </Row>
      {values.length > 0 && (
        <Row label="form">
          {values.map((value, i) => (
            <PercentField
              key={i}
              bare
              label={`form ${i + 1}`}
              share={value}
              onChange={(next) => setValues(bench, 'Form', { adjust: values.map((old, k) => (k === i ? next : old)) })}
            />
          ))}
        </Row>
      )}
    </>
  );
}

export function InkFields({ bench, item, palette }: { bench: Bench; item: InkItem; palette: readonly string[] }) {
  return (
    <>
      <Swatches
        label="colour"
        value={item.colour}
        palette={palette}
        onChange={(colour) => colour && setValues(bench, 'Colour', { colour })}
      />
      <Row label="pen">
        <NumberField
          bare
          label="weight"
          value={item.weight}
          suffix="pt"
          min={0.3}
          max={120}
          onChange={(weight) => setValues(bench, 'Weight', { weight })}
        />
      </Row>
    </>
  );
}

const PLATE: Plate = { colour: '#fffdf6', opacity: 0.9, spread: 4, corner: 4 };

/** Plate and shadow: each is switched on and off, and has settings only while it is on. */
export function EffectFields({ bench, item, palette }: { bench: Bench; item: Item; palette: readonly string[] }) {
  const text = item.kind === 'text' ? item : null;
  return (
    <>
      <Row label="effects">
        {text && (
          <Toggle
            on={text.plate !== null}
            label="A backing behind the words only"
            onClick={() => setValues(bench, 'Plate', { plate: text.plate ? null : PLATE })}
          >
            backing
          </Toggle>
        )}
        <Toggle
          on={item.shadow !== null}
          label="A shadow"
          onClick={() => setValues(bench, 'Shadow', { shadow: item.shadow ? null : SHADOW })}
        >
          shadow
        </Toggle>
      </Row>
      {text?.plate && <PlateFields bench={bench} plate={text.plate} palette={palette} />}
      {item.shadow && <ShadowFields bench={bench} shadow={item.shadow} palette={palette} />}
    </>
  );
}

function PlateFields({ bench, plate, palette }: { bench: Bench; plate: Plate; palette: readonly string[] }) {
  const put = (patch: Partial<Plate>) => setValues(bench, 'Plate', { plate: { ...plate, ...patch } });
  return (
    <>
      <Swatches
        label="backing"
        value={plate.colour}
        palette={palette}
        onChange={(hex) => hex && put({ colour: hex })}
      />
      <div className="typed-pair" style={{ marginTop: 6 }}>
        <NumberField
          label="padding"
          value={plate.spread}
          suffix="pt"
          min={0}
          max={60}
          onChange={(spread) => put({ spread })}
        />
        <PercentField label="opacity" share={plate.opacity} onChange={(opacity) => put({ opacity })} />
      </div>
    </>
  );
}

const SHADOW: Shadow = { dx: 3, dy: 4, blur: 6, colour: '#2a2820', opacity: 0.35 };

function ShadowFields({ bench, shadow, palette }: { bench: Bench; shadow: Shadow; palette: readonly string[] }) {
  const put = (patch: Partial<Shadow>) => setValues(bench, 'Shadow', { shadow: { ...shadow, ...patch } });
  return (
    <>
      <Swatches
        label="shadow"
        value={shadow.colour}
        palette={palette}
        onChange={(hex) => hex && put({ colour: hex })}
      />
      <div className="typed-pair" style={{ marginTop: 6 }}>
        <NumberField label="right" value={shadow.dx} suffix="pt" min={-200} max={200} onChange={(dx) => put({ dx })} />
        <NumberField label="down" value={shadow.dy} suffix="pt" min={-200} max={200} onChange={(dy) => put({ dy })} />
        <NumberField
          label="blur"
          value={shadow.blur}
          suffix="pt"
          min={0}
          max={100}
          onChange={(blur) => put({ blur })}
        />
        <PercentField label="opacity" share={shadow.opacity} onChange={(opacity) => put({ opacity })} />
      </div>
    </>
  );
}
