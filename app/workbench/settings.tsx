import { Input, Select, Segmented, Slider } from 'antd';
import { FACES, faceById } from '../../core/text/catalogue';
import { fullFormat, fullStyle, roleOf } from '../../core/text/style';
import { bodyText } from '../../core/sheet/body';
import { roleIds, solid } from '../../core/sheet/make';
import { itemName, shapeName } from '../../core/sheet/name';
import type {
  Item,
  LineItem,
  Outline,
  Paint,
  PictureItem,
  Sheet,
  ShapeItem,
  TextItem,
  WrittenItem,
} from '../../core/sheet/schema';
import { isFramed, isWritten, SHAPES } from '../../core/sheet/schema';
import { pictureNow } from '../sheet/resources';
import type { Bench } from './bench';
import { addLabel, formatWords, groupChosen, reorder, setValues, styleWords, ungroupChosen } from './commands';
import { LengthField, NumberField, Row, Swatches, Toggle } from './fields';
import { AlignDrawing, ListDrawing, VerticalDrawing } from './glyphs';

/** The settings of what is chosen, in its margin card. */

const hexOf = (paint: Paint | null) => (paint?.kind === 'solid' ? paint.colour : (paint?.stops[0].colour ?? null));

function PlaceFields({ bench, item, unit }: { bench: Bench; item: Item; unit: Sheet['unit'] }) {
  if (!isFramed(item)) return null;
  const set = (name: string, key: string) => (value: number) => setValues(bench, name, { [key]: value });
  return (
    <div className="typed-pair">
      <LengthField label="across" value={item.x} unit={unit} onChange={set('Move', 'x')} />
      <LengthField label="down" value={item.y} unit={unit} onChange={set('Move', 'y')} />
      {item.kind !== 'group' && (
        <>
          <LengthField label="wide" value={item.width} unit={unit} min={2} onChange={set('Resize', 'width')} />
          <LengthField label="high" value={item.height} unit={unit} min={2} onChange={set('Resize', 'height')} />
        </>
      )}
      <NumberField label="turn" value={item.angle} suffix="°" min={-360} max={360} onChange={set('Turn', 'angle')} />
      <NumberField
        label="opaque"
        value={Math.round(item.opacity * 100)}
        suffix="%"
        min={0}
        max={100}
        onChange={(value) => setValues(bench, 'Opacity', { opacity: value / 100 })}
      />
    </div>
  );
}

function WordsFields({ bench, item, sheet }: { bench: Bench; item: WrittenItem; sheet: Sheet }) {
  const role = roleOf(sheet, item.role ?? (item.kind === 'shape' ? 'label' : 'body'));
  const first = item.body.find((p) => p.runs.length > 0);
  const style = { ...fullStyle(role, first?.runs[0]?.style ?? {}), ...bench.editing?.typing };
  const format = fullFormat(role, item.body[0].format);
  const { files } = faceById(style.font);
  return (
    <>
      <Row label="face">
        <Select
          size="small"
          aria-label="Face"
          value={style.font}
          style={{ flex: 1, minWidth: 100, marginRight: 6 }}
          popupMatchSelectWidth={220}
          onChange={(font) => styleWords(bench, 'Face', { font })}
          options={FACES.map((face) => ({
            value: face.id,
            label: face.early ? `${face.name} · early reader` : face.name,
          }))}
        />
        <NumberField
          bare
          label="size"
          value={style.size}
          suffix="pt"
          min={4}
          max={600}
          onChange={(size) => styleWords(bench, 'Size', { size })}
        />
      </Row>
      <Row label="words">
        <Toggle
          on={style.bold}
          label="Bold (Ctrl+B)"
          disabled={!files.bold}
          onClick={() => styleWords(bench, 'Bold', { bold: !style.bold })}
        >
          <b>b</b>
        </Toggle>
        <Toggle
          on={style.italic}
          label="Italic (Ctrl+I)"
          disabled={!files.italic}
          onClick={() => styleWords(bench, 'Italic', { italic: !style.italic })}
        >
          <i>i</i>
        </Toggle>
        <Toggle
          on={style.underline}
          label="Underline (Ctrl+U)"
          onClick={() => styleWords(bench, 'Underline', { underline: !style.underline })}
        >
          <u>u</u>
        </Toggle>
        <span style={{ width: 4 }} />
        {(['left', 'centre', 'right', 'justify'] as const).map((align) => (
          <Toggle
            key={align}
            on={format.align === align}
            label={`Align: ${align}`}
            onClick={() => formatWords(bench, 'Align', { align })}
          >
            <AlignDrawing align={align} />
          </Toggle>
        ))}
      </Row>
      <Row label="list">
        {(['bullet', 'number', 'letter'] as const).map((list) => (
          <Toggle
            key={list}
            on={format.list === list}
            label={`List: ${list}`}
            onClick={() => formatWords(bench, 'List', { list: format.list === list ? null : list })}
          >
            <ListDrawing list={list} />
          </Toggle>
        ))}
        <span style={{ width: 4 }} />
        {(['top', 'middle', 'bottom'] as const).map((vertical) => (
          <Toggle
            key={vertical}
            on={item.vertical === vertical}
            label={`Words at the ${vertical}`}
            onClick={() => setValues(bench, 'Stand', { vertical })}
          >
            <VerticalDrawing vertical={vertical} />
          </Toggle>
        ))}
      </Row>
      <Swatches
        label="colour"
        value={style.colour}
        palette={sheet.palette}
        onChange={(colour) => styleWords(bench, 'Colour of words', { colour: colour ?? '#2a2820' })}
      />
      <details className="more">
        <summary>spacing and fit</summary>
        <div className="typed-pair">
          <NumberField
            label="lines"
            value={format.lineSpacing}
            suffix="×"
            min={0.5}
            max={5}
            onChange={(lineSpacing) => formatWords(bench, 'Line spacing', { lineSpacing })}
          />
          <NumberField
            label="letters"
            value={style.letterSpacing}
            suffix="pt"
            min={-20}
            max={200}
            onChange={(letterSpacing) => styleWords(bench, 'Letter spacing', { letterSpacing })}
          />
          <NumberField
            label="inside"
            value={item.padding}
            suffix="pt"
            min={0}
            max={200}
            onChange={(padding) => setValues(bench, 'Padding', { padding })}
          />
          {item.kind === 'text' && (
            <NumberField
              label="corner"
              value={item.corner}
              suffix="pt"
              min={0}
              max={500}
              onChange={(corner) => setValues(bench, 'Corner', { corner })}
            />
          )}
        </div>
        {item.kind === 'text' && (
          <Row label="fit">
            <Segmented
              size="small"
              aria-label="How the words fit"
              value={item.fit}
              onChange={(fit) => setValues(bench, 'Fit', { fit })}
              options={[
                { value: 'grow', label: 'box grows' },
                { value: 'shrink', label: 'words shrink' },
                { value: 'keep', label: 'neither' },
              ]}
            />
          </Row>
        )}
      </details>
    </>
  );
}

function RoleField({ bench, item, sheet }: { bench: Bench; item: TextItem; sheet: Sheet }) {
  return (
    <Row label="role">
      <Select
        size="small"
        aria-label="Role"
        value={item.role ?? 'body'}
        style={{ flex: 1 }}
        onChange={(role) => setValues(bench, 'Role', { role })}
        options={roleIds(sheet.roles).map((value) => ({ value, label: sheet.roles[value].name }))}
      />
    </Row>
  );
}

function OutlineFields({
  bench,
  outline,
  palette,
  none,
}: {
  bench: Bench;
  outline: Outline | null;
  palette: readonly string[];
  none: boolean;
}) {
  const base = outline ?? { colour: '#5b5646', width: 1.25, dash: 'solid' as const };
  const set = (patch: Partial<Outline>) => setValues(bench, 'Outline', { outline: { ...base, ...patch } });
  return (
    <>
      <Swatches
        label="outline"
        value={outline?.colour ?? null}
        palette={palette}
        none={none ? 'No outline' : undefined}
        onChange={(colour) => (colour === null ? setValues(bench, 'Outline', { outline: null }) : set({ colour }))}
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
            onChange={(width) => set({ width })}
          />
          {(['solid', 'dashed', 'dotted'] as const).map((dash) => (
            <Toggle key={dash} on={outline.dash === dash} label={`Outline: ${dash}`} onClick={() => set({ dash })}>
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

function ShapeFields({ bench, item }: { bench: Bench; item: ShapeItem }) {
  const adjusts = !['ellipse', 'triangle', 'diamond'].includes(item.shape);
  return (
    <>
      <Row label="shape">
        <Select
          size="small"
          aria-label="Shape"
          value={item.shape}
          style={{ flex: 1 }}
          onChange={(shape) => setValues(bench, 'Shape', { shape })}
          options={SHAPES.map((value) => ({ value, label: shapeName(value) }))}
        />
      </Row>
      {adjusts && (
        <Row label="form">
          <Slider
            style={{ flex: 1, margin: '4px 6px' }}
            min={0}
            max={100}
            value={Math.round(item.adjust * 100)}
            onChange={(value) => setValues(bench, 'Form', { adjust: value / 100 })}
            tooltip={{ open: false }}
            aria-label="Form"
          />
        </Row>
      )}
    </>
  );
}

function LineFields({ bench, item }: { bench: Bench; item: LineItem }) {
  const caps = [
    { value: 'none', label: 'bare' },
    { value: 'arrow', label: 'arrow' },
    { value: 'dot', label: 'dot' },
  ];
  return (
    <>
      <Row label="way">
        <Segmented
          size="small"
          aria-label="Way of the line"
          value={item.route}
          onChange={(route) => setValues(bench, 'Way of line', { route })}
          options={[
            { value: 'straight', label: 'straight' },
            { value: 'stepped', label: 'stepped' },
            { value: 'curved', label: 'curved' },
          ]}
        />
      </Row>
      <Row label="ends">
        <Select
          size="small"
          aria-label="Start"
          value={item.startCap}
          onChange={(startCap) => setValues(bench, 'Line end', { startCap })}
          options={caps}
          style={{ width: 84 }}
        />
        <Select
          size="small"
          aria-label="End"
          value={item.endCap}
          onChange={(endCap) => setValues(bench, 'Line end', { endCap })}
          options={caps}
          style={{ width: 84 }}
        />
      </Row>
      <p className="quiet">Drag an end to a box or a part of a diagram, and it holds on there.</p>
    </>
  );
}

function PictureFields({ bench, item }: { bench: Bench; item: PictureItem }) {
  const parts = pictureNow(item.picture)?.targets ?? [];
  return (
    <>
      <Row label="says">
        <Input
          key={item.id}
          size="small"
          aria-label="What the picture shows, for who can’t see it"
          defaultValue={item.alt}
          placeholder="what it shows"
          style={{ flex: 1 }}
          onBlur={(event) =>
            event.target.value !== item.alt &&
            setValues(bench, 'Description', { alt: event.target.value.slice(0, 1000) })
          }
        />
      </Row>
      {parts.length > 0 && bench.rights.kind === 'all' && (
        <>
          <p style={{ marginTop: 8 }}>Label a part:</p>
          <div className="chips">
            {parts.map((part) => (
              <button
                key={part.name}
                type="button"
                className="chip"
                onClick={() => addLabel(bench, item, part.name, true)}
              >
                {part.name}
              </button>
            ))}
          </div>
        </>
      )}
      {item.credit && <p className="quiet">{item.credit}</p>}
    </>
  );
}

/** Which part a label's line ends on. */
function blankNote(bench: Bench, item: TextItem): string | null {
  for (const line of bench.page.items)
    if (line.kind === 'line')
      for (const [near, far] of [
        [line.from, line.to],
        [line.to, line.from],
      ])
        if (near.item === item.id && far.target) return far.target;
  return null;
}

function TouchFields({ bench, item }: { bench: Bench; item: Item }) {
  const text = item.kind === 'text' ? item : null;
  const part = text && blankNote(bench, text);
  return (
    <>
      <hr className="field-split" />
      <Row label="students">
        <Segmented
          size="small"
          aria-label="What students may do with it"
          value={item.touch}
          onChange={(touch) => setValues(bench, 'What students may do', { touch })}
          options={[
            { value: 'fixed', label: 'only look' },
            { value: 'fill', label: 'fill in' },
            { value: 'free', label: 'change' },
          ]}
        />
      </Row>
      {text && (
        <Row label="blank">
          <Segmented
            size="small"
            aria-label="Given out empty"
            value={text.blank ? 'yes' : 'no'}
            onChange={(value) =>
              setValues(
                bench,
                'Blank',
                value === 'yes'
                  ? { blank: true, touch: text.touch === 'fixed' ? 'fill' : text.touch }
                  : { blank: false },
              )
            }
            options={[
              { value: 'no', label: 'given with its words' },
              { value: 'yes', label: 'given empty' },
            ]}
          />
        </Row>
      )}
      {text?.blank && (
        <Row label="or">
          <Input
            key={text.id}
            size="small"
            style={{ flex: 1 }}
            aria-label="Other words that count as right"
            placeholder="other right words, with commas"
            defaultValue={text.also.join(', ')}
            onBlur={(event) => {
              const also = event.target.value
                .split(',')
                .map((word) => word.trim().slice(0, 200))
                .filter(Boolean)
                .slice(0, 20);
              if (also.join() !== text.also.join()) setValues(bench, 'Right words', { also });
            }}
          />
        </Row>
      )}
      {text?.blank && (
        <p className="quiet">
          {part ? (
            <>
              Its line ends on <b>{part}</b>.{' '}
            </>
          ) : (
            'No line leads from it to a part of a diagram. '
          )}
          Students get it empty; “{bodyText(text.body).trim() || '…'}” is the answer.
        </p>
      )}
    </>
  );
}

export function ItemSettings({ bench, items, sheet }: { bench: Bench; items: Item[]; sheet: Sheet }) {
  const [item] = items;
  const one = items.length === 1;
  const teacher = bench.rights.kind === 'all';
  const filled = items.every((i) => i.kind === 'text' || i.kind === 'shape');
  const lines = items.every((i) => i.kind === 'line');
  const kinds: Record<Item['kind'], string> = {
    text: 'text',
    shape: 'shape',
    line: 'line',
    picture: 'picture',
    group: 'group',
  };
  return (
    <div className="settings">
      <h3>
        <span className="settings-name">{one ? itemName(item) : `${items.length} things`}</span>
        <small>{one ? kinds[item.kind] : 'together'}</small>
      </h3>
      {one && <PlaceFields bench={bench} item={item} unit={sheet.unit} />}
      {one && item.kind === 'shape' && <ShapeFields bench={bench} item={item} />}
      {one && item.kind === 'line' && <LineFields bench={bench} item={item} />}
      {one && item.kind === 'picture' && <PictureFields bench={bench} item={item} />}
      {one && item.kind === 'text' && teacher && <RoleField bench={bench} item={item} sheet={sheet} />}
      {isWritten(item) && items.every(isWritten) && <WordsFields bench={bench} item={item} sheet={sheet} />}
      {filled && isWritten(item) && (
        <Swatches
          label="fill"
          value={hexOf(item.fill)}
          palette={sheet.palette}
          none="No fill"
          onChange={(hex) => setValues(bench, 'Fill', { fill: hex === null ? null : solid(hex) })}
        />
      )}
      {filled && isWritten(item) && <OutlineFields bench={bench} outline={item.outline} palette={sheet.palette} none />}
      {lines && item.kind === 'line' && (
        <OutlineFields bench={bench} outline={item.outline} palette={sheet.palette} none={false} />
      )}
      <Row label="order">
        {one && (
          <>
            <Toggle on={false} label="Forward (Ctrl+])" onClick={() => reorder(bench, 1)}>
              forward
            </Toggle>
            <Toggle on={false} label="Back (Ctrl+[)" onClick={() => reorder(bench, -1)}>
              back
            </Toggle>
          </>
        )}
        {items.length > 1 && (
          <Toggle on={false} label="Group (Ctrl+G)" onClick={() => groupChosen(bench)}>
            group
          </Toggle>
        )}
        {one && item.kind === 'group' && (
          <Toggle on={false} label="Ungroup (Ctrl+Shift+G)" onClick={() => ungroupChosen(bench)}>
            ungroup
          </Toggle>
        )}
        {teacher && (
          <>
            <Toggle
              on={items.every((i) => i.locked)}
              label="Lock in place"
              onClick={() => setValues(bench, 'Lock', { locked: !items.every((i) => i.locked) })}
            >
              lock
            </Toggle>
            <Toggle
              on={items.every((i) => i.hidden)}
              label="Hide"
              onClick={() => setValues(bench, 'Hide', { hidden: !items.every((i) => i.hidden) })}
            >
              hide
            </Toggle>
          </>
        )}
      </Row>
      {one && teacher && <TouchFields bench={bench} item={item} />}
      {!one && teacher && (
        <Row label="students">
          <Segmented
            size="small"
            aria-label="What students may do with them"
            value={items.every((i) => i.touch === item.touch) ? item.touch : ''}
            onChange={(touch) => setValues(bench, 'What students may do', { touch })}
            options={[
              { value: 'fixed', label: 'only look' },
              { value: 'fill', label: 'fill in' },
              { value: 'free', label: 'change' },
            ]}
          />
        </Row>
      )}
    </div>
  );
}
