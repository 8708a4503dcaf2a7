import { Segmented } from 'antd';
import { solid } from '../../core/sheet/make';
import { itemName } from '../../core/sheet/name';
import type { Item, Paint, Sheet } from '../../core/sheet/schema';
import { isFramed, isWritten } from '../../core/sheet/schema';
import { groupChosen, reorder, ungroupChosen } from './arrange';
import type { Bench } from './bench';
import { setValues } from './commands';
import { LengthField, NumberField, Row, Swatches, Toggle } from './fields';
import { LineFields, OutlineFields, PictureFields, ShapeFields } from './look-fields';
import { TouchFields } from './touch-fields';
import { RoleField, WordsFields } from './words-fields';

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
    ink: 'pen stroke',
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
