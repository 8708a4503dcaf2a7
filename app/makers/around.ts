import { beginLabels } from '../../core/makers/labels/begin';
import { DRAWING } from '../../core/makers/labels/recipe';
import { group } from '../../core/sheet/make';
import { markOf } from '../../core/sheet/made';
import type { FramedItem, Item } from '../../core/sheet/schema';
import { isFramed } from '../../core/sheet/schema';
import type { MakerState } from '../../core/makers/recipes';
import { groupChosen } from '../workbench/arrange';
import type { Bench } from '../workbench/bench';
import { all, newId } from '../workbench/steps';
import { spotsIn } from './begin';

/** Labels around what stands on the sheet already: a picture, or what was drawn there. */

/** What labels need beside a drawing, and above and below it, in points. */
const BESIDE = 130;
const ABOVE = 14;

const within = (value: number, low: number, high: number) => Math.max(low, Math.min(high, value));

/** What is chosen as one upright thing at the top of the page; what are several is grouped. */
function chosenThing(bench: Bench): FramedItem | null {
  const { selectedItems } = bench;
  if (selectedItems.length > 1 || (bench.chosen && bench.chosen.kind !== 'picture' && !isUpright(bench.chosen)))
    groupChosen(bench);
  const { chosen } = bench;
  return chosen && isFramed(chosen) && bench.page.items.includes(chosen) ? chosen : null;
}

const isUpright = (item: Item) => isFramed(item) && item.angle === 0;

export async function labelAround(bench: Bench): Promise<void> {
  const thing = chosenThing(bench);
  if (!thing)
    return bench.say('Choose what is to be labelled first: a picture, or the shapes and strokes of a drawing.');
  if (thing.kind === 'group' && thing.maker)
    return bench.say('This is made from a recipe. Choose a picture or a drawing.');
  const { page, sheet } = bench;
  const room = { width: page.width - 2 * page.margin, height: page.height - 2 * page.margin };
  const width = Math.min(room.width, thing.width + 2 * BESIDE);
  const height = Math.min(room.height, thing.height + 2 * ABOVE);
  const x = within(thing.x + thing.width / 2 - width / 2, page.margin, page.width - page.margin - width);
  const y = within(thing.y + thing.height / 2 - height / 2, page.margin, page.height - page.margin - height);
  const shown = thing.kind === 'picture' ? thing.picture : null;
  const begun = shown
    ? beginLabels(sheet.palette, shown, await spotsIn(shown))
    : { ...beginLabels(sheet.palette), drawing: { ratio: thing.width / thing.height } };
  const drawing = { ...thing, x: thing.x - x, y: thing.y - y };
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
