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
import type { Bench } from '../../document/bench';
import { selected } from '../../document/bench';
import { all, newId } from '../../commands/steps';
import { spotsIn } from './beginning';

/** Labels around what stands on the sheet already: a picture, or what was drawn there. */

/** What labels need beside a drawing, and above and below it, in points. */
const BESIDE = 130;
const ABOVE = 14;

/** What is chosen as one thing at the top of the page; what are several is grouped. */
function chosenThing(bench: Bench): FramedItem | null {
  if (bench.selectedItems.length > 1) groupChosen(bench);
  const { chosen } = bench;
  return chosen && isFramed(chosen) && bench.page.items.includes(chosen) ? chosen : null;
}

/** A thing that stands upright: what is turned, in a group around it. */
function upright(bench: Bench, thing: FramedItem): FramedItem {
  if (thing.angle === 0) return thing;
  const box = boxOf(bench.page, thing, pictureNow);
  const inside = { ...thing, x: thing.x - box.x, y: thing.y - box.y };
  return group({ id: newId(), ...box, touch: thing.touch, items: [inside] });
}

export async function labelAround(bench: Bench): Promise<void> {
  const thing = chosenThing(bench);
  if (!thing)
    return bench.say(
      'Choose what is to be labelled first: a picture, or the shapes and strokes of a drawing.',
      selected(1),
    );
  if (thing.kind === 'group' && thing.maker)
    return bench.say('This is made from a recipe. Choose a picture or a drawing.');
  const { page, sheet } = bench;
  const drawn = upright(bench, thing);
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
  bench.put({ tab: 'make' });
  const step = all([
    { kind: 'remove', id: thing.id },
    { kind: 'insert', spot, item: made },
  ]);
  if (!bench.make('Label a drawing', step)) return;
  bench.select([made.id]);
  bench.making?.begin(made.id);
}
