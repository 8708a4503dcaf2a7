import { givenOut } from '../../core/handout/copy';
import { anyAsksSpelling, countAll, LookFor, rekeyed } from '../../core/lookfors/all';
import type { Result } from '../../core/lookfors/kind';
import type { Sheet } from '../../core/schema/sheet';
import { isSpelt, lookUp } from '../commands/spelling';
import { facesNow, pictureNow } from '../drawing/resources';

/** What the hand-out screen does with look-fors. It is fetched later: the rest of the form does not wait for it. */

/** A look-for that was kept before there was so much to set; its title may still be empty. */
function completed(kept: LookFor): LookFor {
  const read = LookFor.safeParse({ ...kept, title: kept.title || '…' });
  return read.success ? { ...read.data, title: kept.title } : kept;
}

/** Those of the draft with the keys of the sheet as it is now. */
export const prepared = (lookFors: readonly LookFor[], sheet: Sheet): LookFor[] =>
  rekeyed(lookFors.map(completed), sheet);

/** What a look-for counts on the teacher's own sheet, and on the sheet as students get it. */
export type Tried = { own: Result; given: Result };

/** Where spelling is asked for, the words of the sheet are looked up. False where there is nothing to look up. */
export async function spelt(lookFors: readonly LookFor[], sheet: Sheet): Promise<boolean> {
  if (!anyAsksSpelling(lookFors)) return false;
  for (const page of sheet.pages) await lookUp(page);
  return true;
}

/** Each look-for, tried on both. @param known the words of the sheet have been looked up */
export function tried(lookFors: readonly LookFor[], sheet: Sheet, studentName: string, known: boolean): Tried[] {
  const handedOut = givenOut(sheet);
  const faces = facesNow() ?? undefined;
  const context = { handedOut, studentName, pictures: pictureNow, faces, isWord: known ? isSpelt : undefined };
  const given = countAll(lookFors, handedOut, context);
  return countAll(lookFors, sheet, context).map((own, i) => ({ own, given: given[i] }));
}
