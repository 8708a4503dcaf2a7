import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import type { Database } from '../database/connection';
import { loadDocument } from '../stores/documents';
import { foldersOf } from '../stores/folders';
import { addPerson } from '../stores/people';
import { BIN_DAYS, createSheet, forgetBinned, sheetOf, sheetsOf } from '../stores/sheets';
import type { OnDesk as Wanted } from './desk';
import { doOnDesk, OnDesk } from './desk';
import { Refused } from './refused';

/** What a teacher does on the Desk, without anything of HTTP. */

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let me: { id: string; schoolId: string };
  let other: typeof me;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    const { schoolId } = school;
    me = { id: school.teacherId, schoolId };
    other = { id: await addPerson(db, { schoolId, role: 'teacher', name: 'O', email: 'o@school.example' }), schoolId };
  });
  afterAll(() => db.close());

  const act = (wanted: Wanted, who = me) => doOnDesk(db, who, wanted);
  const refusal = async (work: Promise<unknown>) => {
    const error = await work.catch((problem: unknown) => problem);
    expect(error).toBeInstanceOf(Refused);
    return error as Refused;
  };
  const make = (title: string, ownerId = me.id) =>
    createSheet(db, { schoolId: me.schoolId, ownerId, purpose: 'poster', sheet: { ...sampleSheet(), title } });
  const listed = async (id: string) => (await sheetsOf(db, me.id)).find((sheet) => sheet.id === id);

  test('a sheet is begun in the folder that is open', async () => {
    const { folderId } = await act({ do: 'add-folder', name: 'Marsh' });
    const { sheetId } = await act({ do: 'begin', purpose: 'diagram', folderId: folderId! });
    expect(await listed(sheetId!)).toMatchObject({ purpose: 'diagram', folderId, binnedAt: null });
  });
  test('a copy has the same content, purpose and folder, and a name that says what it is', async () => {
    const { folderId } = await act({ do: 'add-folder', name: 'Copies' });
    const id = await make('Tide pools');
    await act({ do: 'put', sheetId: id, folderId: folderId! });
    const { sheetId } = await act({ do: 'copy', sheetId: id });
    expect(await listed(sheetId!)).toMatchObject({ title: 'Tide pools, copy', purpose: 'poster', folderId });
    const documentOf = async (sheet: string) => loadDocument(db, (await sheetOf(db, me.id, sheet))!.documentId);
    expect((await documentOf(sheetId!))?.sheet.pages).toEqual((await documentOf(id))?.sheet.pages);
  });
  test('folders are renamed and removed; their sheets stay', async () => {
    const { folderId } = await act({ do: 'add-folder', name: 'Spring' });
    const id = await make('Nests');
    await act({ do: 'put', sheetId: id, folderId: folderId! });
    await act({ do: 'rename-folder', folderId: folderId!, name: 'Summer' });
    expect(await foldersOf(db, me.id)).toContainEqual({ id: folderId, name: 'Summer' });
    // Its own name in other capitals is no other folder's.
    await act({ do: 'rename-folder', folderId: folderId!, name: 'SUMMER' });
    await act({ do: 'remove-folder', folderId: folderId! });
    expect(await listed(id)).toMatchObject({ title: 'Nests', folderId: null });
  });
  test('two folders can’t have one name, whatever its capitals', async () => {
    await act({ do: 'add-folder', name: 'Birds' });
    const { folderId } = await act({ do: 'add-folder', name: 'Fish' });
    for (const wanted of [
      { do: 'add-folder', name: 'BIRDS' },
      { do: 'rename-folder', folderId: folderId!, name: 'birds' },
    ] as const)
      expect(await refusal(act(wanted))).toMatchObject({ status: 422, field: 'name' });
    // Another teacher's folders are another matter.
    expect(await act({ do: 'add-folder', name: 'Birds' }, other)).toHaveProperty('folderId');
  });
  test('a sheet goes into the bin and comes back with its folder; only from there it is deleted', async () => {
    const { folderId } = await act({ do: 'add-folder', name: 'Kept' });
    const id = await make('Gulls');
    await act({ do: 'put', sheetId: id, folderId: folderId! });
    expect(await refusal(act({ do: 'delete', sheetId: id }))).toMatchObject({ status: 422 });
    await act({ do: 'bin', sheetId: id });
    expect((await listed(id))?.binnedAt).toBeInstanceOf(Date);
    await act({ do: 'restore', sheetId: id });
    expect(await listed(id)).toMatchObject({ binnedAt: null, folderId });
    await act({ do: 'bin', sheetId: id });
    const { documentId } = (await sheetOf(db, me.id, id))!;
    await act({ do: 'delete', sheetId: id });
    expect(await listed(id)).toBeUndefined();
    expect(await loadDocument(db, documentId)).toBeUndefined();
  });
  test('emptying the bin leaves everything outside of it, and other people’s bins', async () => {
    const [mine, binned, theirs] = [await make('Mine'), await make('Binned'), await make('Theirs', other.id)];
    await act({ do: 'bin', sheetId: binned });
    await act({ do: 'bin', sheetId: theirs }, other);
    await act({ do: 'empty-bin' });
    expect([await listed(mine), await listed(binned)]).toEqual([expect.anything(), undefined]);
    expect((await sheetsOf(db, other.id)).map(({ id }) => id)).toContain(theirs);
  });
  test('what was handed out stays when its sheet is deleted, and the bin forgets after its days', async () => {
    const id = await make('Handed out');
    const handoutId = await school.handOut(sampleSheet(), id);
    await act({ do: 'bin', sheetId: id });
    const age = (days: number) =>
      db.query('update sheet set binned_at = now() - make_interval(days => $2) where id = $1', [id, days]);
    await age(BIN_DAYS - 1);
    await forgetBinned(db);
    expect(await listed(id)).toBeDefined();
    await age(BIN_DAYS + 1);
    await forgetBinned(db);
    expect(await listed(id)).toBeUndefined();
    const [kept] = await db.query<{ sheet_id: null }>('select sheet_id from handout where id = $1', [handoutId]);
    expect(kept).toEqual({ sheet_id: null });
  });
  test('nobody touches what is another’s', async () => {
    const id = await make('Private');
    const { folderId } = await act({ do: 'add-folder', name: 'Private' });
    await act({ do: 'bin', sheetId: id });
    const tries: Wanted[] = [
      { do: 'copy', sheetId: id },
      { do: 'put', sheetId: id, folderId: null },
      { do: 'bin', sheetId: id },
      { do: 'restore', sheetId: id },
      { do: 'delete', sheetId: id },
      { do: 'begin', purpose: 'blank', folderId: folderId! },
      { do: 'rename-folder', folderId: folderId!, name: 'Mine now' },
    ];
    for (const wanted of tries) expect(await refusal(act(wanted, other))).toMatchObject({ status: 404 });
    const theirs = await make('Theirs', other.id);
    expect(await refusal(act({ do: 'put', sheetId: theirs, folderId: folderId! }, other))).toMatchObject({
      status: 404,
    });
    await act({ do: 'remove-folder', folderId: folderId! }, other);
    await act({ do: 'empty-bin' }, other);
    expect(await listed(id)).toMatchObject({ title: 'Private' });
    expect(await foldersOf(db, me.id)).toContainEqual({ id: folderId, name: 'Private' });
  });
  test.each<[string, object, RegExp]>([
    ['no name', { do: 'add-folder', name: '  ' }, /Type a name for the folder/],
    ['a name without end', { do: 'add-folder', name: 'x'.repeat(61) }, /at most 60/],
    ['an unknown beginning', { do: 'begin', purpose: 'rocket' }, /Choose what to begin/],
  ])('%s is refused', (_, given, words) => expect(OnDesk.safeParse(given).error?.issues[0].message).toMatch(words));
});
