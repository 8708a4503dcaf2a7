import equal from 'fast-deep-equal';
import { z } from 'zod';
import { correction } from '../../core/handout/correct';
import { givenOut } from '../../core/handout/copy';
import { veiled } from '../../core/handout/veil';
import { rekeyed } from '../../core/lookfors/all';
import type { Sheet } from '../../core/schema/sheet';
import { isBare } from '../../core/sheet/tree';
import { Turn } from '../process/turn';
import type { OpenCopy } from '../stores/corrections';
import { correctHandout, openCopies, setCorrections, sheetBefore } from '../stores/corrections';
import { loadDocument, saveChanges } from '../stores/documents';
import type { Handout } from '../stores/handouts';
import { asVersion, handoutById } from '../stores/handouts';
import type { Person } from '../stores/people';
import type { Database } from '../database/connection';
import { fullHandout } from './class-rights';
import { announce } from './live';
import type { Means, Workshop } from './means';
import { ownSheet, whole } from './opened';
import { missing, Refused } from './refused';
import { versionsNow } from './versions';

/** The teacher mends a sheet that is handed out already, and sends the correction. */

export const Correcting = z.object({
  /** The numbers of changes of the teacher's sheets that were looked at, the handout's own first: `12` or `12,5`. */
  seq: z
    .string()
    .regex(/^\d{1,9}(,\d{1,9}){0,7}$/)
    .transform((all) => all.split(',').map(Number)),
});

/** The sheets that a handout was made from, one for each version, as they are now. @throws Refused where it is gone or can't be read */
export async function sheetsNow(means: Workshop, person: Pick<Person, 'id'>, handout: Handout) {
  if (handout.sheetId === null) throw new Refused(404, 'The sheet of this handout is no longer there.');
  const { documentId } = await ownSheet(means.db, person.id, handout.sheetId);
  return versionsNow(means, person, handout, await whole(means.db, documentId));
}

/** A handout that the teacher may change, and that can be read. @throws Refused */
export const ownHandout = async ({ db }: Means, person: Pick<Person, 'id'>, id: string): Promise<Handout> => {
  const handout = await fullHandout(db, person, id);
  if (handout.damage) throw missing();
  return handout;
};

/**
 * Sends the correction: copies that lie with their students take it, what is handed in stays as it is.
 * @returns how many copies took it
 * @throws Refused where it is not theirs, the sheet changed meanwhile, or nothing differs
 */
export async function sendCorrection(
  means: Workshop,
  person: Pick<Person, 'id'>,
  handoutId: string,
  { seq }: z.infer<typeof Correcting>,
): Promise<number> {
  const { db } = means;
  const handout = await ownHandout(means, person, handoutId);
  const { sheets, seqs } = await sheetsNow(means, person, handout);
  if (!equal(seqs, seq))
    throw new Refused(409, 'The sheet was changed meanwhile. Look at what would change once more.');
  if (sheets.some((sheet, n) => !equal(sheetOfVersion(handout, n), sheet))) {
    if (sheets.some(isBare)) throw new Refused(422, 'The sheet is empty now. Put something on it before you send it.');
    const to = { sheets, lookFors: rekeyed(handout.lookFors, sheets[0]) };
    if (!(await db.transaction((tx) => correctHandout(tx, handout.id, handout.corrections, to))))
      throw new Refused(409, 'Another correction was sent meanwhile. Look at what would change once more.');
  }
  const corrected = (await handoutById(db, handout.id))!;
  return broughtUpToDate(means, corrected, await openCopies(db, handout.id));
}

export const sheetOfVersion = (handout: Handout, number: number): Sheet => asVersion(handout, number).sheet;

/** How often it is tried while a student goes on writing. */
const ATTEMPTS = 8;

type Stage = { before: Sheet; after: Sheet };

/** Gives open copies the corrections that they lack. @returns how many lacked any and have them now */
export async function broughtUpToDate(means: Means, handout: Handout, copies: readonly OpenCopy[]): Promise<number> {
  if (handout.damage) return 0;
  const { db, pictures } = means;
  const lacking = copies.filter(({ corrections }) => corrections < handout.corrections);
  const stages = new Map<string, Stage | null>();
  const turn = new Turn();
  let took = 0;
  for (const copy of lacking) {
    // Most of a class have the same.
    const key = `${copy.version} ${copy.corrections}`;
    let stage = stages.get(key);
    if (stage === undefined) {
      const old = await sheetBefore(db, handout.id, copy);
      const { given } = asVersion(handout, copy.version);
      stage = old ? { before: veiled(givenOut(old), pictures), after: veiled(given, pictures) } : null;
      stages.set(key, stage);
    }
    if (stage && (await correctCopy(db, handout, copy, stage))) took++;
    await turn.end();
  }
  return took;
}

async function correctCopy(db: Database, handout: Handout, copy: OpenCopy, { before, after }: Stage): Promise<boolean> {
  const batch = `correction-${handout.corrections}-${copy.id}`;
  for (let attempt = 0; attempt < ATTEMPTS; attempt++) {
    const document = await loadDocument(db, copy.documentId).catch(() => undefined);
    // A damaged copy is mended first, and takes the correction when it is opened.
    if (!document) return false;
    const change = correction(before, after, document.sheet);
    if (change) {
      const save = { documentId: copy.documentId, authorId: handout.teacherId, base: document.seq, batch };
      const { outcome } = await saveChanges(db, { ...save, changes: [change] }, () => null);
      if (outcome === 'behind') continue;
      if (outcome !== 'saved') return false;
      const { documentId } = copy;
      await announce(db, { documentId, handoutId: handout.id, kind: 'changes', seq: document.seq + 1 });
    }
    await setCorrections(db, copy.id, handout.corrections);
    return true;
  }
  return false;
}
