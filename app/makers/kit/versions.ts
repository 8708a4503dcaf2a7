import { needsOfRecipe } from '../../../core/makers/kit/needs';
import { lookOf, MOST_ALIKE, stateAt } from '../../../core/makers/states';
import { letterOf } from '../../../core/values/letters';
import { between, packed } from '../../../core/changes/between';
import type { Change } from '../../../core/changes/change';
import type { GroupItem, Item, Page } from '../../../core/schema/sheet';
import { find, withItem } from '../../../core/sheet/tree';
import type { Editor } from '../../document/editor';
import { copied } from '../../commands/clipboard';
import { askMade } from '../../document/making-parts';
import { newId } from '../../commands/steps';

/** Versions of a made item, one on each page behind its own, with everything else on it. One step. */
export async function makeVersions(editor: Editor, groupId: string, count: number): Promise<void> {
  editor.making?.flush();
  const place = find(editor.sheet, groupId);
  const group = place?.item;
  if (!place || group?.kind !== 'group' || !group.maker || place.groups.length > 0)
    return editor.say('Take it out of its group first: versions are made of what stands on the page itself.');
  if (editor.sheet.pages.length + count - 1 > 200)
    return editor.say('A sheet holds at most 200 pages. Remove some first.');
  const { maker } = group;
  const { roles } = editor.sheet;
  const needs = needsOfRecipe(maker.recipe, roles);
  const before = editor.sheet;
  const pages: Page[] = [];
  // This page is the first of them.
  const first = (await askMade({ asked: { group, state: stateAt(maker, 0, letterOf(0)) }, roles, ...needs })).group;
  const looks = new Set([lookOf(first)]);
  for (let n = 1, alike = 0, offset = 0; n < count && alike < MOST_ALIKE;) {
    const items = copied(place.page.items, { x: 0, y: 0 });
    const at = place.page.items.indexOf(group);
    const copy = items[at] as GroupItem;
    const bare = { ...copy, items: copy.items.filter((item) => item.made) };
    const state = stateAt(maker, ++offset, letterOf(n));
    const answer = await askMade({ asked: { group: bare, state, forget: 'all' }, roles, ...needs });
    const look = lookOf(answer.group);
    if (looks.has(look)) {
      alike++;
      continue;
    }
    looks.add(look);
    [alike, n] = [0, n + 1];
    pages.push({ ...place.page, id: newId(), items: items.map((item): Item => (item === copy ? answer.group : item)) });
  }
  if (editor.sheet !== before) return editor.say('The sheet was changed meanwhile. Ask for the versions once more.');
  const changes: Change[] = [
    between(before, withItem(before, place, first)),
    ...pages.map((page, i): Change => ({
      kind: 'page-insert',
      behind: i === 0 ? place.page.id : pages[i - 1].id,
      page,
    })),
  ];
  const made = pages.length + 1;
  if (made === 1) return editor.say('There is only this one version: what is practised leaves nothing to vary.');
  if (!editor.make(`${made} versions`, packed(changes), 'made')) return;
  const all = `${made} versions: this page and the ${made - 1 === 1 ? 'one' : made - 1} after it.`;
  editor.say(made < count ? `${all} No more that differ were found.` : all);
}
