import { givenOut } from '../../core/handout/copy';
import { countAll, LookFor, rekeyed } from '../../core/lookfors/all';
import type { Result } from '../../core/lookfors/kind';
import type { Sheet } from '../../core/schema/sheet';
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

/** Each look-for, tried on both. */
export function tried(lookFors: readonly LookFor[], sheet: Sheet, studentName: string): Tried[] {
  const handedOut = givenOut(sheet);
  const context = { handedOut, studentName, pictures: pictureNow, faces: facesNow() ?? undefined };
  const given = countAll(lookFors, handedOut, context);
  return countAll(lookFors, sheet, context).map((own, i) => ({ own, given: given[i] }));
}
