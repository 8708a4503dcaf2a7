import { z } from 'zod';
import { isOwn } from '../../core/drawing/picture';
import { countAll, resultForStudent } from '../../core/lookfors/lookfor';
import { givenOut } from '../../core/handout/copy';
import { refusal } from '../../core/handout/touch';
import { Change } from '../../core/sheet/change';
import type { Item, Sheet } from '../../core/sheet/schema';
import { copyOfStudent, documentAccess, isOpen, markBegun } from '../../server/stores/copies';
import type { DocumentAccess } from '../../server/stores/copies';
import { changesSince, saveChanges } from '../../server/stores/documents';
import { knownPictures } from '../../server/stores/pictures';
import { missing, refuse, requirePerson } from '../who.server';
import type { Route } from './+types/changes';

const Save = z.strictObject({
  base: z.number().int().min(0),
  batch: z.string().regex(/^[\w-]{6,40}$/),
  changes: z.array(Change).min(1).max(2000),
});

const Since = z.coerce.number().int().min(0);

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  const { db } = context.services;
  if (!(await documentAccess(db, person.id, params.documentId))) throw missing();
  const since = Since.safeParse(new URL(request.url).searchParams.get('since') ?? '');
  if (!since.success) throw refuse(400, 'Say since which number.');
  const missed = await changesSince(db, params.documentId, since.data);
  return Response.json({ seq: missed.at(-1)?.seq ?? since.data, missed });
}

/** Pictures that a change brings in. */
function picturesIn(change: Change): string[] {
  const inItem = (item: Item): string[] =>
    item.kind === 'picture' ? [item.picture] : item.kind === 'group' ? item.items.flatMap(inItem) : [];
  if (change.kind === 'insert') return inItem(change.item);
  if (change.kind === 'set') return typeof change.values.picture === 'string' ? [change.values.picture] : [];
  if (change.kind === 'page-insert') return change.page.items.flatMap(inItem);
  return change.kind === 'all' ? change.changes.flatMap(picturesIn) : [];
}

export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requirePerson(request, context);
  const { db, shelf } = context.services;
  const access = await documentAccess(db, person.id, params.documentId);
  if (!access) throw missing();
  if (access.kind === 'copy' && !isOpen(access.state))
    throw refuse(
      409,
      access.state === 'done'
        ? 'This copy is done. It can be looked at, but not changed.'
        : 'This copy is handed in. Take it back to change it.',
    );
  const read = Save.safeParse(await request.json().catch(() => null));
  if (!read.success)
    throw refuse(
      400,
      `These changes could not be read (${read.error.issues[0].path.join('.')}: ${read.error.issues[0].message}). Reload the page and try again.`,
    );
  // They have to be among those that ship, or that somebody of the school brought along.
  const brought = read.data.changes.flatMap(picturesIn).filter(isOwn);
  const known = await knownPictures(db, person.schoolId, brought);
  const isThere = (id: string) => (isOwn(id) ? known.has(id) : shelf.resources.pictures(id) !== undefined);
  const guard = (sheet: Sheet, change: Change) => {
    const picture = picturesIn(change).find((id) => !isThere(id));
    if (picture !== undefined) return `There is no picture called “${picture}”.`;
    return access.kind === 'copy' ? refusal(sheet, change, access.supplies) : null;
  };
  const saved = await saveChanges(db, { documentId: params.documentId, authorId: person.id, ...read.data }, guard);
  if (saved.outcome === 'saved') {
    const results = await afterCopySave(context.services.db, access, person, saved.sheet);
    return Response.json({ outcome: 'saved', seq: saved.seq, ...(results && { results }) });
  }
  return Response.json(saved);
}

/** The first change begins a copy; every save counts its look-fors anew, for what a student may be told. */
async function afterCopySave(
  db: Parameters<typeof markBegun>[0],
  access: DocumentAccess,
  person: { id: string; name: string },
  sheet: Sheet,
) {
  if (access.kind !== 'copy') return null;
  if (access.state === 'not-begun') await markBegun(db, access.copyId);
  const copy = (await copyOfStudent(db, person.id, access.copyId))!;
  const results = countAll(copy.lookFors, sheet, { handedOut: givenOut(copy.handoutSheet), studentName: person.name });
  return results.map((result, i) => resultForStudent(copy.lookFors[i], result));
}
