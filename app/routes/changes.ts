import { z } from 'zod';
import { isOwn } from '../../core/pictures/picture';
import type { Pictures } from '../../core/pictures/picture';
import { resultForStudent } from '../../core/lookfors/all';
import { refusal } from '../../core/handout/permission';
import { veiledChange } from '../../core/handout/veil';
import { broughtItems, Change, singles } from '../../core/changes/change';
import type { Item, Sheet } from '../../core/schema/sheet';
import { countedOnCopy } from '../../server/actions/counting';
import type { Database } from '../../server/database/connection';
import { report } from '../../server/process/report';
import { documentAccess, isOpen } from '../../server/stores/copies';
import type { CopyState, DocumentAccess } from '../../server/stores/copies';
import { changesSince, Damaged, loadDocument, saveChanges } from '../../server/stores/documents';
import type { LoggedChange } from '../../server/stores/documents';
import type { Handout } from '../../server/stores/handouts';
import { handoutById } from '../../server/stores/handouts';
import { knownPictures } from '../../server/stores/pictures';
import { jsonOf } from '../form.server';
import { missing, refuse, requirePerson } from '../who.server';
import type { Route } from './+types/changes';

/** More than the program ever sends at once; `saver.ts` sends some hundreds. */
const MOST_CHANGES = 2000;
const Save = z.strictObject({
  base: z.number().int().min(0),
  batch: z.string().regex(/^[\w-]{6,40}$/),
  changes: z.array(z.unknown()).min(1).max(MOST_CHANGES),
});

const Since = z.coerce.number().int().min(0).max(2_000_000_000);

/** How many single changes there are in one: several that hold together count each. */
const countOf = (change: Change): number =>
  change.kind === 'all' ? change.changes.reduce((sum, one) => sum + countOf(one), 0) : 1;
/** What may be asked of the server at once. */
const MOST_SINGLE = 20_000;

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  const { db, shelf } = context.services;
  const access = await documentAccess(db, person.id, params.documentId);
  if (!access) throw missing();
  const since = Since.safeParse(new URL(request.url).searchParams.get('since') ?? '');
  if (!since.success) throw refuse(400, 'Say since which number.');
  const missed = await changesSince(db, params.documentId, since.data);
  const seq = missed.at(-1)?.seq ?? since.data;
  return Response.json({
    seq,
    missed: await forReader(db, access, params.documentId, missed, shelf.resources.pictures),
  });
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

const SHUT: Partial<Record<CopyState, string>> = {
  done: 'This copy is done. It can be looked at, but not changed.',
};
const HANDED_IN = 'This copy is handed in. Take it back to change it.';
const MENDED = 'This sheet was damaged and has been put right meanwhile. Reload the page; what you did is kept here.';

export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requirePerson(request, context);
  const { db, shelf } = context.services;
  const { pictures } = shelf.resources;
  const access = await documentAccess(db, person.id, params.documentId);
  if (!access) throw missing();
  if (access.kind === 'copy' && !isOpen(access.state)) throw refuse(409, SHUT[access.state] ?? HANDED_IN);
  const read = Save.safeParse(jsonOf(await request.text()));
  if (!read.success)
    throw refuse(
      400,
      `These changes could not be read (${read.error.issues[0].path.join('.')}: ${read.error.issues[0].message}). Reload the page and try again.`,
    );
  const batch = readChanges(read.data.changes);
  if (!batch.ok) return Response.json({ outcome: 'refused', index: batch.index, reason: batch.reason });
  // They have to be among those that ship, or that somebody of the school brought along.
  const brought = batch.changes.flatMap(picturesIn).filter(isOwn);
  const known = await knownPictures(db, person.schoolId, brought);
  const isThere = (id: string) => (isOwn(id) ? known.has(id) : pictures(id) !== undefined);
  const handout = access.kind === 'copy' ? await handoutById(db, access.handoutId) : undefined;
  const guard = (sheet: Sheet, change: Change) => {
    const picture = picturesIn(change).find((id) => !isThere(id));
    if (picture !== undefined) return `There is no picture called “${picture}”.`;
    return handout ? refusal(sheet, change, handout.supplies) : null;
  };
  const { base, batch: name } = read.data;
  const save = { documentId: params.documentId, authorId: person.id, base, batch: name, changes: batch.changes };
  const saved = await saveChanges(db, save, guard, access.kind === 'copy' ? access.copyId : null).catch(
    (error: unknown) => {
      if (error instanceof Damaged) throw refuse(409, DAMAGED);
      throw error;
    },
  );
  switch (saved.outcome) {
    case 'saved': {
      const told = { outcome: 'saved', seq: saved.seq };
      return Response.json(
        handout
          ? { ...told, results: resultsAfter(handout, params.documentId, person.name, saved.sheet, pictures) }
          : told,
      );
    }
    case 'behind':
      return Response.json({
        ...saved,
        missed: await forReader(db, access, params.documentId, saved.missed, pictures),
      });
    case 'refused':
      return Response.json(saved);
    case 'shut':
      throw refuse(409, HANDED_IN);
    case 'mended':
      throw refuse(409, MENDED);
  }
}

const DAMAGED = 'This sheet is damaged and can’t be written to. Reload the page: it says what can be done.';

/**
 * Every save counts its look-fors anew, for what a student may be told. What is saved is saved: should the counting fail, only
 * the counts are missing.
 */
function resultsAfter(handout: Handout, id: string, studentName: string, sheet: Sheet, pictures: Pictures) {
  try {
    const results = countedOnCopy(handout, { id, sheet }, studentName, pictures);
    return results.map((result, i) => resultForStudent(handout.lookFors[i], result));
  } catch (error) {
    report('counting look-fors', error);
    return undefined;
  }
}
