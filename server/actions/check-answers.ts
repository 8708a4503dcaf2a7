import { isOpen } from '../../core/handout/state';
import { openSteps, shutBy, toldById } from '../../core/lookfors/step-open';
import { isClosed } from '../../core/handout/times';
import { isAsChecked, isChecked, told, triesOf } from '../../core/lookfors/checks';
import type { ToldResult } from '../../core/lookfors/checks';
import type { Result } from '../../core/lookfors/kind';
import type { Queries } from '../database/connection';
import { addCheck, checksOf } from '../stores/checks';
import type { CopyView } from '../stores/copies';
import { openStepsOf, setOpenSteps } from '../stores/copies';
import { timesOf } from '../stores/goes';
import type { Handout } from '../stores/handouts';
import { countedOnCopy, countingOf } from './counting';
import type { Means } from './means';
import { whole } from './opened';
import { missing, Refused } from './refused';

/** A student asks whether the answers of a look-for are right: so often as the teacher lets them, and not once more. */

/**
 * What a student is told of everything that is looked for, from what was counted now. Steps of the brief whose turn has come are
 * opened; of what belongs to steps that are shut nothing is told.
 */
export async function toldOn(
  db: Queries,
  { lookFors, steps }: Pick<Handout, 'lookFors' | 'steps'>,
  copyId: string,
  results: readonly Result[],
): Promise<(ToldResult | null)[]> {
  const checks = lookFors.some(isChecked) ? await checksOf(db, copyId) : new Map<string, never>();
  const all = results.map((result, i) => told(lookFors[i], result, checks.get(result.id)));
  if (steps.length === 0) return all;
  const before = await openStepsOf(db, copyId);
  const open = openSteps(steps, toldById(lookFors, all), before);
  if (open > before) await setOpenSteps(db, copyId, open);
  const shut = shutBy(steps, open);
  return all.map((one, i) => (shut.has(lookFors[i].id) ? null : one));
}

/** @throws Refused where it can't be checked, or no try is left */
export async function checkAnswers(
  means: Means,
  { id, documentId, studentName, state, openSteps: open, handout }: CopyView,
  { lookFor: lookForId, asked, seq }: { lookFor: string; asked: string; seq: number },
): Promise<(ToldResult | null)[]> {
  const { db } = means;
  const lookFor = handout.lookFors.find((one) => one.id === lookForId);
  const shut = shutBy(handout.steps, open);
  if (!lookFor || !isChecked(lookFor) || shut.has(lookForId)) throw missing();
  if (!isOpen(state) || isClosed(await timesOf(db, id), Date.now()))
    throw new Refused(422, 'This copy is not being worked on any more.');
  const document = await whole(db, documentId);
  if (document.seq !== seq)
    throw new Refused(422, 'Your newest changes are still on their way. Wait until it says “Saved”, then check again.');
  const counting = await countingOf(means, handout);
  const results = countedOnCopy(handout, { id: documentId, sheet: document.sheet }, studentName, counting);
  const result = results.find((one) => one.id === lookForId)!;
  const before = (await checksOf(db, id)).get(lookForId);
  // Asking again about the same answers costs nothing.
  if (!before || !isAsChecked(result, before)) {
    const counted = await addCheck(db, id, { lookForId, asked, result }, triesOf(lookFor));
    if (!counted && before?.asked !== asked)
      throw new Refused(422, 'You have used all your tries on these answers. Your teacher will look at them.');
  }
  return toldOn(db, handout, id, results);
}
