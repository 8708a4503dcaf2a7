import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import type { Change } from '../../core/changes/change';
import { find } from '../../core/sheet/tree';
import type { Database } from '../database/connection';
import type { ClassCopy } from './copies';
import { trayOf } from './copies';
import { goesOf, handIn } from './goes';
import { Damaged, loadDocument, loadDocuments, saveChanges } from './documents';
import { historyOf, sheetAt } from './history';
import { handoutOf } from './handouts';
import { lastReadable, mend } from './mending';
import { createSheet, sheetsOf } from './sheets';

const moved = (x: number): Change => ({ kind: 'set', id: 'box', values: { x } });
const NONSENSE = JSON.stringify({ kind: 'set', id: 'box', values: { x: 'far' }, what: 1 });

describe.each(DATABASES)('a document of the %s database that can’t be read', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let copies: ClassCopy[];
  let handout: string;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    const students = [await school.student('Ada'), await school.student('Ben'), await school.student('Cleo')];
    handout = await school.handOut(sampleSheet());
    copies = await Promise.all(students.map((id) => school.copy(handout, id)));
    for (const copy of copies) await school.save(copy, 0, [moved(10), moved(20), moved(30)]);
    await db.query('update document_change set change = $2::jsonb where document_id = $1 and seq = 3', [
      copies[0].documentId,
      NONSENSE,
    ]);
    // Nothing is remembered of a document by a process that has just begun.
    await db.query(`update document set seq = 4 where id = $1`, [copies[0].documentId]);
    await db.query(
      `insert into document_change (document_id, seq, batch, author_id, change) values ($1, 4, 'later-batch', $2, $3::jsonb)`,
      [copies[0].documentId, copies[0].studentId, JSON.stringify(moved(40))],
    );
  });
  afterAll(() => db.close());

  test('is told, and keeps no other from being shown', async () => {
    const [bad, good] = copies;
    await expect(loadDocument(db, bad.documentId)).rejects.toBeInstanceOf(Damaged);
    const all = await loadDocuments(
      db,
      copies.map(({ documentId }) => documentId),
    );
    expect(all.size).toBe(3);
    expect(all.get(bad.documentId)).toBeInstanceOf(Damaged);
    expect(all.get(good.documentId)).toMatchObject({ seq: 3 });
    expect((await trayOf(db, bad.studentId))[0].damage).toMatch(/can’t be read/);
    expect((await trayOf(db, good.studentId))[0].damage).toBeNull();
  });

  test('is not written to, nor handed in as something else', async () => {
    await expect(school.save(copies[0], 4, [moved(50)])).rejects.toBeInstanceOf(Damaged);
    await expect(handIn(db, copies[0], 4)).rejects.toBeInstanceOf(Damaged);
    expect(await goesOf(db, copies[0].id)).toEqual([]);
  });

  test('its history can be looked at as far as it can be read, and no further', async () => {
    const { documentId } = copies[0];
    expect(await historyOf(db, documentId)).toBeUndefined();
    expect(await sheetAt(db, documentId, 4)).toBeUndefined();
    expect(find((await sheetAt(db, documentId, 2))!, 'box')!.item).toMatchObject({ x: 20 });
  });

  test('offers its last readable state, and goes on from there with nothing thrown away', async () => {
    const { documentId } = copies[0];
    expect(await lastReadable(db, documentId)).toMatchObject({ seq: 2 });
    expect(await mend(db, documentId)).toBe(true);
    const { seq, sheet } = (await loadDocument(db, documentId))!;
    expect([seq, find(sheet, 'box')!.item]).toMatchObject([4, { x: 20 }]);
    expect((await trayOf(db, copies[0].studentId))[0].damage).toBeNull();
    const aside = await db.query('select seq from set_aside_change where document_id = $1 order by seq', [documentId]);
    expect(aside).toEqual([{ seq: 3 }, { seq: 4 }]);
    // A window that still builds on what was set aside is told so, rather than mixing the two.
    expect(await school.save(copies[0], 3, [moved(60)])).toEqual({ outcome: 'mended' });
    expect(await school.save(copies[0], 4, [moved(70)])).toMatchObject({ outcome: 'saved', seq: 5 });
    expect(await historyOf(db, documentId)).toMatchObject({ from: 4, log: [{ seq: 5 }] });
  });

  test('a piece whose sheet is damaged is taken from the log; where that fails, it says so', async () => {
    const [, ben, cleo] = copies;
    for (const copy of [ben, cleo]) expect(await handIn(db, copy, 3)).toEqual({ ok: true });
    await db.query(`update go set sheet = '{"version": 3}' where copy_id = any($1)`, [[ben.id, cleo.id]]);
    await db.query(`update document_snapshot set sheet = '{}' where document_id = $1`, [cleo.documentId]);
    const [fromLog] = await goesOf(db, ben.id);
    expect([fromLog.damage, find(fromLog.sheet, 'box')!.item]).toMatchObject([null, { x: 30 }]);
    const [lost] = await goesOf(db, cleo.id);
    expect(lost.damage).toMatch(/damaged/);
    expect(lost.sheet.pages).toHaveLength(1);
  });

  test('a handout whose sheet is damaged shows that, with its classes and copies', async () => {
    const other = await school.handOut(sampleSheet());
    await db.query(`update handout set sheet = '{"version": 99}', look_fors = $2::jsonb where id = $1`, [
      other,
      JSON.stringify({ version: 1, list: [{ kind: 'telepathy', id: 'x', title: 'What you think', tell: 'after' }] }),
    ]);
    expect(await handoutOf(db, school.teacherId, other)).toMatchObject({
      damage: expect.stringMatching(/newer version/),
      lookFors: [{ kind: 'unknown', title: 'What you think', was: 'telepathy' }],
    });
  });

  test('the Desk lists titles without reading a sheet, also as they change', async () => {
    const sheet = { ...sampleSheet(), title: 'First' };
    const id = await createSheet(db, {
      schoolId: school.schoolId,
      ownerId: school.teacherId,
      purpose: 'blank',
      sheet,
    });
    const [{ document_id }] = await db.query<{ document_id: string }>('select document_id from sheet where id = $1', [
      id,
    ]);
    const save = { documentId: document_id, authorId: school.teacherId, base: 0, batch: 'renamed' };
    await saveChanges(db, { ...save, changes: [{ kind: 'sheet-set', values: { title: 'Second' } }] }, () => null);
    expect((await sheetsOf(db, school.teacherId)).map(({ title }) => title)).toContain('Second');
    // So they are of the size and colour of their first page, as that changes.
    const [{ id: pageId }] = sheet.pages;
    const background = { kind: 'solid' as const, colour: '#123456', opacity: 1 };
    const turned: Change = { kind: 'page-set', id: pageId, values: { width: 300, height: 500, background } };
    await saveChanges(db, { ...save, base: save.base + 1, batch: 'turned', changes: [turned] }, () => null);
    const listed = (await sheetsOf(db, school.teacherId)).find(({ title }) => title === 'Second');
    expect(listed?.cover).toEqual({ width: 300, height: 500, ground: '#123456' });
  });
});
