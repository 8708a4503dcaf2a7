import { z } from 'zod';
import { broughtItems, Change, singles } from '../../core/changes/change';
import { usableOf } from '../../core/handout/laid-out';
import { mostOf } from '../../core/handout/limits';
import { refusal } from '../../core/handout/permission';
import { veiledChange } from '../../core/handout/veil';
import type { ToldResult } from '../../core/lookfors/checks';
import type { Pictures } from '../../core/pictures/picture';
import type { Item, Sheet } from '../../core/schema/sheet';
import type { Database } from '../database/connection';
import { report } from '../process/report';
import type { CopyState } from '../../core/handout/state';
import { isOpen } from '../../core/handout/state';
import type { DocumentAccess } from '../stores/copies';
import { filesOf } from '../stores/brought';
import { documentAccess } from '../stores/copies';
import type { LoggedChange } from '../stores/documents';
import { changesSince, Damaged, loadDocument, saveChanges } from '../stores/documents';
import type { Handout } from '../stores/handouts';
import { asVersion, handoutById } from '../stores/handouts';
import type { Person } from '../stores/people';
import { toldOn } from './check-answers';
import { countedOnCopy, countingOf } from './counting';
import type { Means } from './means';
import { picturesThere } from './means';
import { announce } from './live';
import { missing, Refused } from './refused';

/** Saving changes to a sheet or a copy, and fetching others' changes. */

/** More than the program ever sends at once; `saver.ts` sends some hundreds. */
const MOST_CHANGES = 2000;
export const Saving = z.strictObject({
  base: z.number().int().min(0),
  batch: z.string().regex(/^[\w-]{6,40}$/),
  changes: z.array(z.unknown()).min(1).max(MOST_CHANGES),
});

/** How many single changes a change contains. */
const countOf = (change: Change): number =>
  change.kind === 'all' ? change.changes.reduce((sum, one) => sum + countOf(one), 0) : 1;
/** The largest request. */
const MOST_SINGLE = 20_000;

/** Others' changes since a number. @throws Refused where the document is not theirs */
export async function changesFor(
  means: Means,
  person: Pick<Person, 'id'>,
  documentId: string,
  since: number,
): Promise<{ seq: number; missed: LoggedChange[]; results?: (ToldResult | null)[] }> {
  const { db, pictures } = means;
  const access = await documentAccess(db, person.id, documentId);
  if (!access) throw missing();
  const missed = await changesSince(db, documentId, since);
  const told = {
    seq: missed.at(-1)?.seq ?? since,
    missed: await forReader(db, access, documentId, missed, pictures),
  };
  if (access.kind === 'sheet' || missed.length === 0) return told;
  const [handout, document] = [await handoutOn(db, access), await loadDocument(db, documentId)];
  if (!handout || !document) return told;
  const { copyId, names } = access;
  return { ...told, results: await resultsAfter(means, handout, copyId, names, document) };
}

/** The handout of a copy, in the copy's version. */
async function handoutOn(db: Database, access: DocumentAccess): Promise<Handout | undefined> {
  const handout = access.kind === 'copy' ? await handoutById(db, access.handoutId) : undefined;
  return handout && access.kind === 'copy' ? asVersion(handout, access.version) : undefined;
}

/** Logged changes as this person may see them. */
async function forReader(
  db: Database,
  access: DocumentAccess,
  documentId: string,
  missed: LoggedChange[],
  pictures: Pictures,
): Promise<LoggedChange[]> {
  if (access.kind === 'sheet' || missed.length === 0) return missed;
  const document = await loadDocument(db, documentId);
  if (!document) return [];
  return missed.map((entry) => ({ ...entry, change: veiledChange(document.sheet, entry.change, pictures) }));
}

/** The changes of a batch, or the first that can't be read or is too much: it is set aside, and the others go on. */
function readChanges(given: unknown[]): { ok: true; changes: Change[] } | { ok: false; index: number; reason: string } {
  const changes: Change[] = [];
  for (const [index, one] of given.entries()) {
    const read = Change.safeParse(one);
    if (!read.success) {
      const [issue] = read.error.issues;
      return {
        ok: false,
        index,
        reason: `it can’t be read (${issue.path.join('.') || 'all of it'}: ${issue.message}).`,
      };
    }
    if (countOf(read.data) > MOST_SINGLE)
      return { ok: false, index, reason: 'it does too much at once. Do it in two steps.' };
    changes.push(read.data);
  }
  return { ok: true, changes };
}

/** Pictures that a change brings in. */
function picturesIn(change: Change): string[] {
  const inItem = (item: Item): string[] =>
    item.kind === 'picture' ? [item.picture] : item.kind === 'group' ? item.items.flatMap(inItem) : [];
  return [...singles(change)].flatMap((one) =>
    one.kind === 'set' && typeof one.values.picture === 'string'
      ? [one.values.picture]
      : broughtItems(one).flatMap(inItem),
  );
}

/** Files whose pages a change brings in. */
const filesIn = (change: Change): string[] =>
  [...singles(change)].flatMap((one) => (one.kind === 'page-insert' ? (one.page.brought?.file ?? []) : []));

const SHUT: Partial<Record<CopyState, string>> = {
  done: 'This copy is done. It can be looked at, but not changed.',
};
const HANDED_IN = 'This copy is handed in. Take it back to change it.';
const MENDED = 'This sheet was damaged and has been put right meanwhile. Reload the page; what you did is kept here.';

const DAMAGED = 'This sheet is damaged and can’t be written to. Reload the page: it says what can be done.';

export type Saved =
  | { outcome: 'saved'; seq: number; results?: (ToldResult | null)[] }
  | { outcome: 'behind'; seq: number; missed: LoggedChange[] }
  | { outcome: 'refused'; index: number; reason: string };

/**
 * Saves a batch of changes as a whole, or tells which one was refused and why, or what others did before.
 * @throws Refused where the document is not theirs, is not open, or is damaged
 */
export async function saveWork(
  means: Means,
  person: Pick<Person, 'id' | 'name' | 'schoolId'>,
  documentId: string,
  given: z.infer<typeof Saving>,
): Promise<Saved> {
  const { db, pictures } = means;
  const access = await documentAccess(db, person.id, documentId);
  if (!access) throw missing();
  if (access.kind === 'copy' && !isOpen(access.state)) throw new Refused(409, SHUT[access.state] ?? HANDED_IN);
  const batch = readChanges(given.changes);
  if (!batch.ok) return { outcome: 'refused', index: batch.index, reason: batch.reason };
  // They have to be among those that ship, or that somebody of the school uploaded.
  const isThere = await picturesThere(means, person.schoolId, batch.changes.flatMap(picturesIn));
  const handout = await handoutOn(db, access);
  const most = handout && mostOf(handout.given, handout.limits);
  const usable = handout && usableOf(handout.given, handout.laidOut);
  const brings = batch.changes.some((change) => filesIn(change).length > 0);
  const files = brings && access.kind === 'copy' ? await filesOf(db, access.copyId) : [];
  const guard = (sheet: Sheet, change: Change) => {
    if (filesIn(change).some((id) => files.every((file) => file.id !== id)))
      return 'The file of this page is not there. Add it once more.';
    const picture = picturesIn(change).find((id) => !isThere(id));
    if (picture !== undefined) return `There is no picture called “${picture}”.`;
    return handout ? refusal(sheet, change, handout.supplies, most, usable) : null;
  };
  const save = { documentId, authorId: person.id, base: given.base, batch: given.batch, changes: batch.changes };
  const saved = await saveChanges(db, save, guard, access.kind === 'copy' ? access.copyId : null).catch(
    (error: unknown) => {
      if (error instanceof Damaged) throw new Refused(409, DAMAGED);
      throw error;
    },
  );
  switch (saved.outcome) {
    case 'saved': {
      const told = { outcome: 'saved' as const, seq: saved.seq };
      if (!handout || access.kind !== 'copy') return told;
      const { handoutId } = access;
      void announce(db, { documentId, handoutId, kind: 'changes', seq: saved.seq });
      const counted = { id: documentId, sheet: saved.sheet };
      return { ...told, results: await resultsAfter(means, handout, access.copyId, access.names, counted) };
    }
    case 'behind':
      return { ...saved, missed: await forReader(db, access, documentId, saved.missed, pictures) };
    case 'refused':
      return saved;
    case 'shut':
      throw new Refused(409, HANDED_IN);
    case 'mended':
      throw new Refused(409, MENDED);
  }
}

/**
 * Every save counts its look-fors again, for what a student may be told. What is saved is saved: should the counting fail, only
 * the counts are missing.
 */
async function resultsAfter(
  means: Means,
  handout: Handout,
  copyId: string,
  studentName: string,
  document: { id: string; sheet: Sheet },
) {
  try {
    const counting = await countingOf(means, handout);
    return await toldOn(means.db, handout, copyId, countedOnCopy(handout, document, studentName, counting));
  } catch (error) {
    report('counting look-fors', error);
    return undefined;
  }
}
