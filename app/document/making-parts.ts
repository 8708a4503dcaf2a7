import type { Remake } from '../../core/makers/all';
import { sameParts, unpackedParts } from '../../core/makers/parts';
import { Recent } from '../../core/values/recent';
import type { Needs } from '../../core/sheet/needs';
import type { GroupItem, Item, Sheet } from '../../core/schema/sheet';
import type { Watch } from './helpers';
import { makers } from './helpers';

/** Asks the worker of makers, with only what it does not have yet. */

type Wanted = Needs & { asked: Remake; roles: Sheet['roles'] };

/** What the worker gave last, by group: which answer that was, and its parts. */
const last = new Recent<string, { answer: number; parts: readonly Item[] }>(12);

export async function askMade(wanted: Wanted, watch: Watch = {}): Promise<{ group: GroupItem; notes: string[] }> {
  const { group } = wanted.asked;
  const had = last.get(group.id);
  const known = had && sameParts(group.items, had.parts) ? had : null;
  const whole = { kind: 'make' as const, ...wanted };
  const short = { ...whole, asked: { ...wanted.asked, group: { ...group, items: [] } } };
  const first = await makers.ask<'make'>(known ? { ...short, base: known.answer } : whole, watch);
  // A worker that was started anew knows nothing of what the one before it made.
  const got = first.lost ? await makers.ask<'make'>(whole, watch) : first;
  if (got.lost) throw new Error('the worker could not be asked');
  const items = unpackedParts(got.parts, group.items);
  last.set(group.id, { answer: got.id, parts: items });
  return { group: { ...got.group, items }, notes: got.notes };
}
