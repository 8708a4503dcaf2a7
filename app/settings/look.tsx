import { kindOf } from '../../core/items/all';
import type { Item, Outline, Paint, Sheet } from '../../core/schema/sheet';
import { shared } from '../../core/text/common';
import { PaintField } from '../colour/colour-field';
import { setEach } from '../commands/commands';
import { copyLook, giveLook } from '../commands/looks';
import type { Bench } from '../document/bench';
import { useBench } from '../document/bench';
import { NumberField, Row, Toggle } from '../fields/fields';
import { fieldsOf } from './kinds';
import { EffectFields, OutlineFields } from './look-fields';

/** How things look: what one kind alone has, then what several kinds have in common, set for those that have it. */

type Setting = 'fill' | 'outline' | 'corner';
type Having = { fill: Paint | null; outline: Outline | null; corner: number };

/** Those of the items whose kind has a setting. */
const having = <K extends Setting>(items: readonly Item[], setting: K) =>
  items.filter((item) => (kindOf(item).look as readonly string[]).includes(setting)) as (Item & Pick<Having, K>)[];

const lookCopied = (bench: Bench) => bench.copiedLook !== null;

export function LookFields({ bench, items, sheet }: { bench: Bench; items: readonly Item[]; sheet: Sheet }) {
  const { palette } = sheet;
  const [{ kind }] = items;
  const Own = items.every((item) => item.kind === kind) ? fieldsOf(kind) : null;
  const filled = having(items, 'fill');
  const outlined = having(items, 'outline');
  const cornered = having(items, 'corner');
  const copied = useBench(bench, lookCopied);
  const put = <K extends Setting>(name: string, setting: K, become: (now: Having[K]) => Having[K]) =>
    setEach(
      bench,
      name,
      (item) => ({ [setting]: become((item as unknown as Having)[setting]) }),
      having(items, setting).map(({ id }) => id),
    );
  return (
    <>
      {Own && <Own bench={bench} items={items} palette={palette} />}
      {filled.length > 0 && (
        <PaintField
          hint
          label="fill"
          paint={shared(filled.map(({ fill }) => fill))}
          palette={palette}
          onChange={(fill) => put('Fill', 'fill', () => fill)}
        />
      )}
      {outlined.length > 0 && (
        <OutlineFields
          outlines={outlined.map(({ outline }) => outline)}
          palette={palette}
          // A line without one would be nothing.
          none={outlined.length === filled.length}
          onChange={(become) => put('Outline', 'outline', become)}
        />
      )}
      {cornered.length === items.length && (
        <Row label="corner">
          <NumberField
            bare
            label="corner"
            value={shared(cornered.map(({ corner }) => corner)) ?? null}
            suffix="pt"
            min={0}
            max={500}
            onChange={(corner) => put('Corner', 'corner', () => corner)}
          />
        </Row>
      )}
      <EffectFields bench={bench} items={items} palette={palette} />
      <Row label="look">
        <Toggle label="Copy this look (Ctrl+Alt+C)" onClick={() => copyLook(bench)}>
          copy
        </Toggle>
        <Toggle label="Apply the copied look (Ctrl+Alt+V)" disabled={!copied} onClick={() => giveLook(bench)}>
          apply
        </Toggle>
      </Row>
    </>
  );
}
