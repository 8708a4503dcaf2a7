import { bodyText } from '../../text/body';
import type { GroupItem, Item } from '../../schema/sheet';
import { isWritten } from '../../schema/sheet';
import type { MapRecipe } from '../../schema/recipes/map';

/**
 * A map with the words of its nodes as they are being typed and everything else unmoved: what can be shown before the
 * map is made again. Null if no word differs.
 */
export function typedAhead(group: GroupItem, { nodes }: Pick<MapRecipe, 'nodes'>): GroupItem | null {
  const words = new Map(nodes.map(({ id, text }) => [`n-${id}`, text]));
  let changed = false;
  const items = group.items.map((item): Item => {
    const typed = item.made ? words.get(item.made.part) : undefined;
    if (typed === undefined || !isWritten(item) || bodyText(item.body) === typed) return item;
    changed = true;
    const [{ format, runs }] = item.body;
    return { ...item, body: [{ format, runs: typed === '' ? [] : [{ text: typed, style: runs[0]?.style ?? {} }] }] };
  });
  return changed ? { ...group, items } : null;
}
