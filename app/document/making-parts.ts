import { sameParts, unpackedParts } from '../../core/makers/parts';
import { Recent } from '../../core/values/recent';
import type { GroupItem, Item } from '../../core/schema/sheet';
import type { MakeTask } from '../../workers/makers';
import type { Watch } from './helpers';
import { makers } from './helpers';

/** Asks the worker of makers, with only what it does not have yet. */

/** What the worker gave last, by group: which answer that was, and its parts. */
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
  // A worker that was started anew knows nothing of what the one before it made.
  const got = first.lost ? await make(wanted) : first;
  if (got.lost) throw new Error('the worker could not be asked');
  const items = unpackedParts(got.parts, group.items);
  last.set(group.id, { answer: got.answer, parts: items });
  return { group: { ...got.group, items }, notes: got.notes };
}
