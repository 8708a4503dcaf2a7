import equal from 'fast-deep-equal';
import { z } from 'zod';
import { correction } from '../../core/handout/correct';
import { givenOut } from '../../core/handout/copy';
import { veiled } from '../../core/handout/veil';
import { rekeyed } from '../../core/lookfors/all';
import { Turn } from '../process/turn';
import type { OpenCopy } from '../stores/corrections';
import { correctHandout, openCopies, setCorrections, sheetBefore } from '../stores/corrections';
import { loadDocument, saveChanges } from '../stores/documents';
import type { Handout } from '../stores/handouts';
import { handoutById, handoutOf } from '../stores/handouts';
import type { Person } from '../stores/people';
import type { Means } from './means';
import { ownSheet, whole } from './opened';
import { missing, Refused } from './refused';

/** The teacher mends a sheet that is handed out already, and sends the correction. */

export const Correcting = z.object({
  /** The number of changes of the teacher's sheet that was looked at. */
  seq: z.coerce.number().int().min(0),
});

/** The sheet that a handout was made from, as it is now. @throws Refused where it is gone or can't be read */
export async function sheetNow({ db }: Means, person: Pick<Person, 'id'>, handout: Handout) {
  if (handout.sheetId === null) throw new Refused(404, 'The sheet of this handout is no longer there.');
  const { documentId } = await ownSheet(db, person.id, handout.sheetId);
  return whole(db, documentId);
}

/** A handout of the teacher's own that can be read. @throws Refused */
export const ownHandout = async ({ db }: Means, person: Pick<Person, 'id'>, id: string): Promise<Handout> => {
  const handout = await handoutOf(db, person.id, id);
  if (!handout || handout.damage) throw missing();
  return handout;
};

/**
 * Sends the correction: copies that lie with their students take it, what is handed in stays as it is.
 * @returns how many copies took it
 * @throws Refused where it is not theirs, the sheet changed meanwhile, or nothing differs
 */
export async function sendCorrection(
  means: Means,
  person: Pick<Person, 'id'>,
  handoutId: string,
  { seq }: z.infer<typeof Correcting>,
): Promise<number> {
  const { db, pictures } = means;
  const handout = await ownHandout(means, person, handoutId);
  const { sheet, seq: now } = await sheetNow(means, person, handout);
  if (now !== seq) throw new Refused(409, 'The sheet was changed meanwhile. Look at what would change once more.');
  if (!equal(handout.sheet, sheet)) {
    if (sheet.pages.every((page) => page.items.length === 0))
      throw new Refused(422, 'The sheet is empty now. Put something on it before you send it.');
    const to = { sheet, lookFors: rekeyed(handout.lookFors, sheet) };
    if (!(await db.transaction((tx) => correctHandout(tx, handout.id, handout.corrections, to))))
      throw new Refused(409, 'Another correction was sent meanwhile. Look at what would change once more.');
  }
  const corrected = (await handoutById(db, handout.id))!;
  let took = 0;
  const turn = new Turn();
  for (const copy of await openCopies(db, handout.id)) {
    if (await broughtUpToDate({ db, pictures }, corrected, copy, person.id)) took++;
    await turn.end();
  }
  return took;
}

/** How often it is tried while a student goes on writing. */
const ATTEMPTS = 8;

/** Gives an open copy the corrections that it lacks. @returns whether it lacked any */
export async function broughtUpToDate(
  { db, pictures }: Means,
  handout: Handout,
  copy: OpenCopy,
  authorId: string,
): Promise<boolean> {
  if (copy.corrections >= handout.corrections || handout.damage) return false;
  const old = await sheetBefore(db, handout.id, copy.corrections);
  if (!old) return false;
  const [before, after] = [veiled(givenOut(old), pictures), veiled(handout.given, pictures)];
  for (let attempt = 0; attempt < ATTEMPTS; attempt++) {
    const document = await loadDocument(db, copy.documentId).catch(() => undefined);
    // A damaged copy is mended first, and takes the correction when it is opened.
    if (!document) return false;
    const change = correction(before, after, document.sheet);
    const batch = `correction-${handout.corrections}-${copy.id}`;
    const save = { documentId: copy.documentId, authorId, base: document.seq, batch, changes: change ? [change] : [] };
    const saved = change ? await saveChanges(db, save, () => null) : null;
    if (saved?.outcome === 'behind') continue;
    if (saved && saved.outcome !== 'saved') return false;
    await setCorrections(db, copy.id, handout.corrections);
    return true;
  }
  return false;
}
