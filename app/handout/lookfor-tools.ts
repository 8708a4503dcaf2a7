import { givenOut } from '../../core/handout/copy';
import { anyAsksSpelling, countAll, LookFor, rekeyed } from '../../core/lookfors/all';
import type { Result } from '../../core/lookfors/kind';
import type { TriedOn } from '../../server/actions/try-on';
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

type TriedWith = {
  name: string;
  /** The words of what it is tried on have been looked up. */
  known: boolean;
  /** A piece or an example, instead of the teacher's own sheet. */
  other: TriedOn | null;
};

/** Each look-for, tried on both. */
export function tried(lookFors: readonly LookFor[], sheet: Sheet, { name, known, other }: TriedWith): Tried[] {
  const handedOut = givenOut(sheet);
  const faces = facesNow() ?? undefined;
  const kit = { pictures: pictureNow, faces, isWord: known ? isSpelt : undefined };
  const context = { handedOut, studentName: name, ...kit };
  const given = countAll(lookFors, handedOut, context);
  const own = other
    ? countAll(lookFors, other.sheet, { handedOut: other.handedOut, studentName: other.name, ...kit })
    : countAll(lookFors, sheet, context);
  return own.map((one, i) => ({ own: one, given: given[i] }));
}
