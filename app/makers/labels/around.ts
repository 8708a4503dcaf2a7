import { beginLabels } from '../../../core/makers/labels/begin';
import { DRAWING } from '../../../core/schema/recipes/labels';
import { withinMargins } from '../../../core/placement/on-page';
import { boxOf } from '../../../core/items/hit';
import { within } from '../../../core/items/measures';
import { group } from '../../../core/schema/defaults';
import { markOf } from '../../../core/sheet/made';
import type { FramedItem, Item } from '../../../core/schema/sheet';
import { isFramed } from '../../../core/schema/sheet';
import type { MakerState } from '../../../core/schema/recipes/recipes';
import { pictureNow } from '../../drawing/resources';
import { groupChosen } from '../../commands/arrange';
import type { Editor } from '../../document/editor';
import { selected } from '../../document/editor';
import { all, newId } from '../../commands/steps';
import { spotsIn } from './beginning';

/** Labels around something on the sheet: a picture, or a drawing. */

/** Room for labels beside a drawing, and above and below it, in points. */
const BESIDE = 130;
const ABOVE = 14;

/** The selection as one item at the top level of the page. Several are grouped. */
function chosenThing(editor: Editor): FramedItem | null {
  if (editor.selectedItems.length > 1) groupChosen(editor);
  const { chosen } = editor;
  return chosen && isFramed(chosen) && editor.page.items.includes(chosen) ? chosen : null;
}

/** An item that is not rotated: a rotated one is put into a group. */
function upright(editor: Editor, thing: FramedItem): FramedItem {
  if (thing.angle === 0) return thing;
  const box = boxOf(editor.page, thing, pictureNow);
  const inside = { ...thing, x: thing.x - box.x, y: thing.y - box.y };
  return group({ id: newId(), ...box, touch: thing.touch, items: [inside] });
}

export async function labelAround(editor: Editor): Promise<void> {
  const thing = chosenThing(editor);
  if (!thing)
    return editor.say(
      'Choose what is to be labelled first: a picture, or the shapes and strokes of a drawing.',
      selected(1),
    );
  if (thing.kind === 'group' && thing.maker)
    return editor.say('This is made from a recipe. Choose a picture or a drawing.');
  const { page, sheet } = editor;
  const drawn = upright(editor, thing);
  const room = withinMargins(page);
  const width = Math.min(room.width, drawn.width + 2 * BESIDE);
  const height = Math.min(room.height, drawn.height + 2 * ABOVE);
  const x = within(drawn.x + drawn.width / 2 - width / 2, page.margin, page.width - page.margin - width);
  const y = within(drawn.y + drawn.height / 2 - height / 2, page.margin, page.height - page.margin - height);
  const shown = thing.kind === 'picture' ? thing.picture : null;
  const begun = shown
    ? beginLabels(sheet.palette, shown, await spotsIn(shown))
    : { ...beginLabels(sheet.palette), drawing: { ratio: drawn.width / drawn.height } };
  const drawing = { ...drawn, x: drawn.x - x, y: drawn.y - y };
  const made = group({
    id: newId(),
    x,
    y,
    width,
    height,
    touch: thing.touch,
    maker: { kind: 'labels', recipe: begun, seed: 1, parts: [] } as unknown as MakerState,
    items: shown ? [] : [{ ...drawing, made: markOf(drawing, DRAWING, (id) => id) } as Item],
  });
  const at = page.items.indexOf(thing);
  const spot = { page: page.id, group: null, behind: at > 0 ? page.items[at - 1].id : null };
  editor.put({ tab: 'make' });
  const step = all([
    { kind: 'remove', id: thing.id },
    { kind: 'insert', spot, item: made },
  ]);
  if (!editor.make('Label a drawing', step)) return;
  editor.select([made.id]);
  editor.making?.begin(made.id);
}
