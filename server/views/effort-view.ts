import { lookFor } from '../../core/lookfors/all';
import { seenHandout } from '../actions/class-rights';
import { countedOn, countingOf } from '../actions/counting';
import type { Means } from '../actions/means';
import { Turn } from '../process/turn';
import { copiesOf } from '../stores/copies';
import { newestGoes } from '../stores/goes';
import { asVersion } from '../stores/handouts';
import { timeAtWork } from '../stores/history';
import type { Person } from '../stores/people';

/** How long students worked on what they handed in, and how many words of their own they wrote. */

/** Whatever they wrote, wherever it stands; printed and copied words are not theirs. */
const ALL_WORDS = lookFor({ kind: 'words', id: 'all-words', title: 'all words', tell: 'after', item: null, min: 1 });

export type Effort = {
  id: string;
  /** Minutes of work; null where the log tells nothing. */
  minutes: number | null;
  words: number;
};

/** @throws Refused where it is not theirs */
export async function effortView(means: Means, person: Pick<Person, 'id'>, handoutId: string): Promise<Effort[]> {
  const { db } = means;
  const { handout } = await seenHandout(db, person, handoutId);
  const [copies, goes] = await Promise.all([copiesOf(db, handout.id), newestGoes(db, handout.id)]);
  const counting = await countingOf(means, handout);
  const times = await timeAtWork(
    db,
    copies.map(({ documentId }) => documentId),
  );
  const turn = new Turn();
  const out: Effort[] = [];
  for (const { id, studentName, version, documentId } of copies) {
    const go = goes.find(({ copyId }) => copyId === id);
    if (!go || go.damage) continue;
    await turn.end();
    const own = { ...asVersion(handout, version), lookFors: [ALL_WORDS] };
    const [{ got }] = countedOn(own, go.sheet, studentName, counting);
    const seconds = times.find((one) => one.documentId === documentId)?.seconds;
    out.push({ id, minutes: seconds === undefined ? null : Math.round(seconds / 60), words: got });
  }
  return out;
}
