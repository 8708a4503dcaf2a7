import { sameParts, unpackedParts } from '../../core/makers/parts';
import { Recent } from '../../core/values/recent';
import type { GroupItem, Item } from '../../core/schema/sheet';
import type { MakeTask } from '../../workers/makers';
import type { Watch } from './helpers';
import { makers } from './helpers';

/** Asks the makers' worker, sending only what it doesn't have. */

/** The worker's last answer for each group, with its parts. */
const last = new Recent<string, { answer: number; parts: readonly Item[] }>(12);

export async function askMade(
  wanted: Omit<MakeTask, 'base'>,
  watch: Watch = {},
): Promise<{ group: GroupItem; notes: string[] }> {
  const { group } = wanted.asked;
  const had = last.get(group.id);
  const known = had && sameParts(group.items, had.parts) ? had : null;
  const short = { ...wanted, asked: { ...wanted.asked, group: { ...group, items: [] } } };
  const make = (task: MakeTask) => makers.ask((worker, { run, tell }) => worker.make(task, run, tell), watch);
  const first = await make(known ? { ...short, base: known.answer } : wanted);
  // A restarted worker doesn't have the earlier parts.
  const got = first.lost ? await make(wanted) : first;
  if (got.lost) throw new Error('the worker could not be asked');
  const items = unpackedParts(got.parts, group.items);
  last.set(group.id, { answer: got.answer, parts: items });
  return { group: { ...got.group, items }, notes: got.notes };
}
