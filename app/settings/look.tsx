import { kindOf } from '../../core/items/all';
import type { Item, Outline, Paint, Sheet } from '../../core/schema/sheet';
import { shared } from '../../core/text/common';
import { PaintField } from '../colour/paint-field';
import { setEach } from '../commands/set-values';
import { copyLook, giveLook } from '../commands/looks';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import { NumberField } from '../fields/number-field';
import { Toggle } from '../fields/toggle';
import { Row } from '../parts/row';
import { fieldsOf } from './kinds';
import { EffectFields, OutlineFields } from './look-fields';

/** How things look: colours, which several kinds have in common, then what one kind alone has. */

type Setting = 'fill' | 'outline' | 'corner';
type Having = { fill: Paint | null; outline: Outline | null; corner: number };

/** Those of the items whose kind has a setting. */
const having = <K extends Setting>(items: readonly Item[], setting: K) =>
  items.filter((item) => (kindOf(item).look as readonly string[]).includes(setting)) as (Item & Pick<Having, K>)[];

const lookCopied = (editor: Editor) => editor.copiedLook !== null;

export function LookFields({ editor, items, sheet }: { editor: Editor; items: readonly Item[]; sheet: Sheet }) {
  const { palette } = sheet;
  const [{ kind }] = items;
  const Own = items.every((item) => item.kind === kind) ? fieldsOf(kind) : null;
  const filled = having(items, 'fill');
  const outlined = having(items, 'outline');
  const cornered = having(items, 'corner');
  const copied = useEditor(editor, lookCopied);
  const put = <K extends Setting>(name: string, setting: K, become: (now: Having[K]) => Having[K]) =>
    setEach(
      editor,
      name,
      (item) => ({ [setting]: become((item as unknown as Having)[setting]) }),
      having(items, setting).map(({ id }) => id),
    );
  return (
    <>
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
          // A line can't do without.
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
      {Own && <Own editor={editor} items={items} palette={palette} />}
      <EffectFields editor={editor} items={items} palette={palette} />
      <Row label="look">
        <Toggle label="Copy this look (Ctrl+Alt+C)" onClick={() => copyLook(editor)}>
          copy
        </Toggle>
        <Toggle label="Apply the copied look (Ctrl+Alt+V)" disabled={!copied} onClick={() => giveLook(editor)}>
          apply
        </Toggle>
      </Row>
    </>
  );
}
