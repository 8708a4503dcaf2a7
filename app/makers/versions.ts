import { MakerState } from '../../core/makers/recipes';
import { needsOfRecipe } from '../../core/makers/needs';
import { packed } from '../../core/sheet/between';
import type { Change } from '../../core/sheet/change';
import type { GroupItem, Item, Page } from '../../core/sheet/schema';
import { find } from '../../core/sheet/tree';
import type { Bench } from '../workbench/bench';
import { copied } from '../workbench/clipboard';
import { askMade } from '../workbench/making-parts';
import { newId } from '../workbench/steps';

/** Many versions of a made thing, one on each page: behind its own page, with all else that is there. One step. */
export async function makeVersions(bench: Bench, groupId: string, count: number): Promise<void> {
  bench.making?.flush();
  const place = find(bench.sheet, groupId);
  const group = place?.item;
  if (!place || group?.kind !== 'group' || !group.maker || place.groups.length > 0)
    return bench.say('Take it out of its group first: versions are made of what stands on the page itself.');
  if (bench.sheet.pages.length + count - 1 > 200)
    return bench.say('A sheet holds at most 200 pages. Take some away first.');
  const { maker } = group;
  const { roles } = bench.sheet;
  const needs = needsOfRecipe(maker.recipe, roles);
  const before = bench.sheet;
  const pages: Page[] = [];
  for (let n = 1; n < count; n++) {
    const state = MakerState.parse({ ...maker, seed: (maker.seed + n) % 4_294_967_296 });
    const items = copied(place.page.items, { x: 0, y: 0 });
    const at = place.page.items.indexOf(group);
    const copy = items[at] as GroupItem;
    const bare = { ...copy, items: copy.items.filter((item) => item.made) };
    const answer = await askMade({ asked: { group: bare, state, forget: 'all' }, roles, ...needs });
    pages.push({ ...place.page, id: newId(), items: items.map((item): Item => (item === copy ? answer.group : item)) });
  }
  if (bench.sheet !== before) return bench.say('The sheet was changed meanwhile. Ask for the versions once more.');
  const changes = pages.map((page, i): Change => ({
    kind: 'page-insert',
    behind: i === 0 ? place.page.id : pages[i - 1].id,
    page,
  }));
  if (bench.make(`${count} versions`, packed(changes), 'made'))
    bench.say(`${count} versions: this page and the ${count - 1} after it.`);
}
