import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { ownPicture } from '../../tests/support/own';
import { saidAfter } from '../../core/review/said';
import { saidNote, stampSaid } from '../../tests/support/said';
import { sampleSheet } from '../../tests/support/sheets';
import { keyOf } from '../../core/handout/copy';
import { refusal } from '../../core/handout/permission';
import type { Change } from '../../core/changes/change';
import { plain, shape } from '../../core/schema/defaults';
import type { Database } from '../database/connection';
import { StartProblem } from '../database/connection';
import { migrate, shippedMigrations } from '../database/migrate';
import { addClass, addStudent, classByCode, classesOf, membersOf } from './classes';
import { copiesOf, copyForTeacher, copyOfStudent, documentAccess, trayOf } from './copies';
import { goesOf, handIn, returnGo, takeBack } from './goes';
import { changesSince, createDocument, loadDocument, saveChanges } from './documents';
import { addMoment, dropMoment, historyOf, momentsOf, MOST_MOMENTS, sheetAt } from './history';
import { addLateCopies, createHandout } from './handing-out';
import { handoutOf, progressOf } from './handouts';
import { addPerson, addSchool } from './people';
import {
  drawnPicture,
  drawnPictures,
  changeShelf,
  keepCleared,
  keepPicture,
  shownPicture,
  knownPictures,
  shelfOf,
  pictureFile,
  pictureFiles,
  putAway,
} from './pictures';
import { byName } from '../database/by-name';
import { allSaidOn, inkOf, notesOf, rulingsOf, saidCounts, sayOn, settleNote } from './reviews';
import { openPictures } from '../art/shipped';
import { createSheet, sheetOf, sheetsOf } from './sheets';

const free = () => null;
const move = (x: number): Change => ({ kind: 'set', id: 'box', values: { x } });
const typed = (words: string): Change => ({ kind: 'splice', id: 'words', at: 0, remove: 0, insert: plain(words) });

describe.each(DATABASES)('on the %s database', (_, open) => {
  const pictures = openPictures();
  let db: Database;
  let ids: { school: string; teacher: string; colleague: string; class: string; ada: string; ben: string };

  beforeAll(async () => {
    db = await open();
    await migrate(db);
    const school = await addSchool(db, 'School');
    const teacher = await addPerson(db, {
      schoolId: school,
      role: 'teacher',
      name: 'T',
      email: 'T@school.example',
      secret: 'right horse',
    });
    const colleague = await addPerson(db, {
      schoolId: school,
      role: 'teacher',
      name: 'C',
      email: 'c@school.example',
      secret: 'other',
    });
    const classId = await addClass(db, { schoolId: school, teacherId: teacher, name: 'Curlew', code: 'ABCDE' });
    const ada = await addStudent(db, { schoolId: school, classId, name: 'Ada' });
    const ben = await addStudent(db, { schoolId: school, classId, name: 'Ben' });
    ids = { school, teacher, colleague, class: classId, ada, ben };
  });
  afterAll(() => db.close());

  const newDocument = () => createDocument(db, ids.school, sampleSheet());
  const save = (documentId: string, base: number, changes: Change[], batch = `batch-${Math.random()}`) =>
    saveChanges(db, { documentId, authorId: ids.teacher, base, batch, changes }, free);

  describe('own pictures', () => {
    const ID = `own/${'ab'.repeat(16)}`;
    const given = (name = 'square') => ({
      drawn: ownPicture(ID, { name }),
      colours: ['red' as const],
      pixels: {
        type: 'image/jpeg' as const,
        image: Buffer.from([0xff, 0xd8, 0, 1]),
        screen: null,
        lines: Buffer.from([0x89, 0x50]),
      },
      leftOut: [],
    });
    const OFFERED = {
      id: ID,
      name: 'square',
      width: 400,
      height: 200,
      colours: ['red'],
      section: '',
      credit: '',
      shared: false,
      by: null,
    };
    test('are kept with their files, and seen by their school only', async () => {
      const owner = { schoolId: ids.school, ownerId: ids.teacher };
      expect(await keepPicture(db, owner, given())).toEqual(OFFERED);
      const kept = (await pictureFile(db, ids.school, ID, 'image'))!;
      expect([...kept.bytes]).toEqual([0xff, 0xd8, 0, 1]);
      expect(kept).toMatchObject({ type: 'image/jpeg' });
      expect(await drawnPicture(db, ids.school, ID)).toEqual(ownPicture(ID));
      const lines = (await pictureFile(db, ids.school, ID, 'lines'))!;
      expect([lines.type, ...lines.bytes]).toEqual(['image/png', 0x89, 0x50]);
      const elsewhere = await addSchool(db, 'Elsewhere');
      expect(await drawnPicture(db, elsewhere, ID)).toBeUndefined();
      for (const file of ['image', 'lines'] as const)
        expect(await pictureFile(db, elsewhere, ID, file)).toBeUndefined();
      expect(await knownPictures(db, ids.school, [ID, 'own/none'])).toEqual(new Set([ID]));
      expect(await knownPictures(db, elsewhere, [ID])).toEqual(new Set());
      expect(await knownPictures(db, ids.school, [])).toEqual(new Set());
      const { drawn, files } = await pictureFiles(db, [ID, 'own/none']);
      expect(drawn).toEqual(await drawnPictures(db, [ID]));
      expect([...files].map(([asset, bytes]) => [asset, bytes.length])).toEqual([
        [`${ID}.jpg`, 4],
        [`${ID}-lines.png`, 2],
      ]);
    });
    test('are offered to who brought them until they are put away, and again when they are brought again', async () => {
      const owner = { schoolId: ids.school, ownerId: ids.teacher };
      await keepPicture(db, owner, given());
      expect((await shelfOf(db, ids.teacher)).map(({ id }) => id)).toEqual([ID]);
      expect(await shelfOf(db, ids.colleague)).toEqual([]);
      expect(await putAway(db, ids.colleague, ID)).toBe(false);
      expect(await putAway(db, ids.teacher, ID)).toBe(true);
      expect(await shelfOf(db, ids.teacher)).toEqual([]);
      expect(await drawnPicture(db, ids.school, ID)).toBeDefined();
      await keepPicture(db, owner, given('a better name'));
      expect(await shelfOf(db, ids.teacher)).toEqual([{ ...OFFERED, name: 'a better name' }]);
    });
  });

  describe('a shelf', () => {
    const ID = `own/${'cd'.repeat(16)}`;
    const kept = {
      drawn: ownPicture(ID, { name: 'wader' }),
      colours: ['brown' as const],
      pixels: {
        type: 'image/jpeg' as const,
        image: Buffer.from([1]),
        screen: Buffer.from([2]),
        lines: Buffer.from([3]),
      },
      leftOut: [],
    };
    test('is tidied by its owner only; what is said of a picture stays when it is brought again', async () => {
      const owner = { schoolId: ids.school, ownerId: ids.teacher };
      await keepPicture(db, owner, kept);
      const said = { name: 'Curlew', section: 'Birds', credit: 'Photo: the class' };
      expect(await changeShelf(db, ids.colleague, [ID], said)).toEqual([]);
      expect(await changeShelf(db, ids.teacher, [ID], said)).toMatchObject([{ ...said, shared: false, by: null }]);
      expect(await drawnPicture(db, ids.school, ID)).toMatchObject({ name: 'Curlew', credit: 'Photo: the class' });
      expect(await keepPicture(db, owner, kept)).toMatchObject({ name: 'wader', section: 'Birds' });
      expect(await drawnPicture(db, ids.school, ID)).toMatchObject({ name: 'wader', credit: 'Photo: the class' });
      const screen = (await pictureFile(db, ids.school, ID, 'screen'))!;
      expect([screen.type, ...screen.bytes]).toEqual(['image/jpeg', 2]);
    });
    test('is seen by who teaches a class with its owner, as far as it is shared', async () => {
      const seen = async () => (await shelfOf(db, ids.colleague)).filter(({ id }) => id === ID);
      await changeShelf(db, ids.teacher, [ID], { shared: true });
      expect(await seen()).toEqual([]);
      await db.query('insert into class_teacher (class_id, person_id, rights) values ($1, $2, $3)', [
        ids.class,
        ids.colleague,
        'read',
      ]);
      expect(await seen()).toMatchObject([{ id: ID, shared: true, by: expect.any(String) }]);
      await changeShelf(db, ids.teacher, [ID], { shared: false });
      expect(await seen()).toEqual([]);
      await db.query('delete from class_teacher where class_id = $1 and person_id = $2', [ids.class, ids.colleague]);
    });
    test('has drawings, which are kept as their shapes alone', async () => {
      const { raster: _, ...drawn } = ownPicture(`own/${'ef'.repeat(16)}`);
      await keepPicture(db, { schoolId: ids.school, ownerId: ids.teacher }, { ...kept, drawn, pixels: null });
      expect(await pictureFile(db, ids.school, drawn.id, 'image')).toBeUndefined();
      expect(await shownPicture(db, ids.school, drawn.id)).toBeUndefined();
      expect([...(await pictureFiles(db, [drawn.id])).files]).toEqual([]);
    });
    test('pictures without their backgrounds are there with their files, for their school only', async () => {
      const drawn = {
        ...ownPicture(`${ID}-0123456789abcdef`),
        raster: {
          ...ownPicture(ID).raster!,
          whole: { asset: `${ID}-0123456789abcdef.png`, small: '', screen: `${ID}-0123456789abcdef-screen.png` },
        },
      };
      const recipe = { border: true, spots: [], tolerance: 0.2, soft: 0, strokes: [] };
      await keepCleared(
        db,
        { schoolId: ids.school, pictureId: ID, recipe },
        { drawn, mask: Buffer.from([7]), screen: Buffer.from([8]), lines: Buffer.from([9]) },
      );
      const elsewhere = await addSchool(db, 'Far');
      expect(await drawnPicture(db, elsewhere, drawn.id)).toBeUndefined();
      expect(await pictureFile(db, elsewhere, drawn.id, 'image')).toBeUndefined();
      expect(await drawnPicture(db, ids.school, drawn.id)).toMatchObject({ id: drawn.id });
      expect([...(await pictureFile(db, ids.school, drawn.id, 'image'))!.bytes]).toEqual([8]);
      const { files, masks } = await pictureFiles(db, [ID, drawn.id]);
      expect([...files.get(drawn.raster.whole.asset)!]).toEqual([8]);
      expect(masks!.get(drawn.raster.whole.asset)).toMatchObject({ of: `${ID}.jpg` });
      expect((await drawnPictures(db, [drawn.id])).map(({ id }) => id)).toEqual([drawn.id]);
    });
  });

  describe('migrations', () => {
    test('run once', async () => {
      await migrate(db);
      expect(await db.query('select number from migration')).toHaveLength(shippedMigrations().length);
    });
    test('refuse a database that is newer than the program', async () => {
      await db.query(`insert into migration (number, name) values (999, 'from the future')`);
      await expect(migrate(db)).rejects.toThrow(StartProblem);
      await expect(migrate(db)).rejects.toThrow(/newer version/);
      await db.query('delete from migration where number = 999');
    });
  });

  describe('documents', () => {
    test('give back what was saved, after a cold start too', async () => {
      const id = await newDocument();
      expect(await save(id, 0, [move(7), typed('hello ')])).toMatchObject({ outcome: 'saved', seq: 2 });
      const warm = await loadDocument(db, id);
      const cold = await loadDocument({ ...db }, id);
      expect(cold).toEqual(warm);
      expect(warm!.sheet.pages[0].items.find((item) => item.id === 'box')).toMatchObject({ x: 7 });
    });
    test('tell who comes late what was missed, and change nothing', async () => {
      const id = await newDocument();
      await save(id, 0, [move(1)], 'first');
      const late = await save(id, 0, [typed('x')], 'second');
      expect(late).toMatchObject({ outcome: 'behind', seq: 1, missed: [{ seq: 1, batch: 'first', change: move(1) }] });
      expect((await loadDocument(db, id))!.seq).toBe(1);
    });
    test('find a batch that was sent twice by its name', async () => {
      const id = await newDocument();
      await save(id, 0, [move(1)], 'twice');
      const again = await save(id, 0, [move(1)], 'twice');
      expect(again.outcome === 'behind' && again.missed.map((entry) => entry.batch)).toEqual(['twice']);
      expect(await changesSince(db, id, 0)).toHaveLength(1);
    });
    test('refuse a whole batch for one change, with its number and the reason', async () => {
      const id = await newDocument();
      const bad: Change = { kind: 'remove', id: 'nobody' };
      expect(await save(id, 0, [move(1), bad])).toMatchObject({
        outcome: 'refused',
        index: 1,
        reason: expect.stringMatching(/no longer/),
      });
      expect(await changesSince(db, id, 0)).toEqual([]);
    });
    test('take a snapshot now and then, and load the same from it', async () => {
      const id = await newDocument();
      for (let i = 0; i < 3; i++)
        await save(
          id,
          i * 60,
          Array.from({ length: 60 }, (__, k) => move(i * 60 + k)),
        );
      const [{ snapshot_seq }] = await db.query<{ snapshot_seq: number }>(
        'select snapshot_seq from document where id = $1',
        [id],
      );
      expect(snapshot_seq).toBe(120);
      const cold = await loadDocument({ ...db }, id);
      expect(cold!.sheet.pages[0].items.find((item) => item.id === 'box')).toMatchObject({ x: 179 });
    });
    test('keep the order of two that save at the same time: one is told that it is behind', async () => {
      const id = await newDocument();
      const outcomes = await Promise.all([save(id, 0, [move(1)]), save(id, 0, [move(2)])]);
      expect(outcomes.map((o) => o.outcome).sort()).toEqual(['behind', 'saved']);
    });
    test('are not there when they are not there', async () => {
      expect(await loadDocument(db, 'nothing')).toBeUndefined();
      expect(await save('nothing', 0, [move(1)])).toMatchObject({ outcome: 'refused' });
    });
  });

  describe('classes', () => {
    test('are found by code in any case, and belong to their teacher', async () => {
      expect(await classByCode(db, ' abcde ')).toMatchObject({ name: 'Curlew', school: 'School' });
      expect(await classByCode(db, 'zzzzz')).toBeUndefined();
      expect(await classesOf(db, ids.colleague)).toEqual([]);
      expect(await classesOf(db, ids.teacher)).toMatchObject([{ name: 'Curlew', size: 2 }]);
      expect((await membersOf(db, ids.class)).map((m) => m.name)).toEqual(['Ada', 'Ben']);
    });
  });

  test('a sheet is its owner’s alone', async () => {
    const id = await createSheet(db, {
      schoolId: ids.school,
      ownerId: ids.teacher,
      purpose: 'diagram',
      sheet: sampleSheet(),
    });
    expect(await sheetOf(db, ids.teacher, id)).toBeDefined();
    expect(await sheetOf(db, ids.colleague, id)).toBeUndefined();
    expect((await sheetsOf(db, ids.teacher)).map((s) => s.id)).toContain(id);
  });

  describe('history', () => {
    let document: string;
    const author = () => ids.teacher;
    beforeAll(async () => {
      document = await createDocument(db, ids.school, sampleSheet());
      for (let batch = 0; batch < 5; batch++) {
        const changes = Array.from({ length: 60 }, (_, i) => move(batch * 60 + i + 1));
        await saveChanges(
          db,
          { documentId: document, authorId: author(), base: batch * 60, batch: `batch-${batch}`, changes },
          free,
        );
      }
    });
    const x = (sheet: Awaited<ReturnType<typeof sheetAt>>) => {
      const box = sheet?.pages[0].items.find((item) => item.id === 'box');
      return box?.kind === 'shape' && box.x;
    };
    test('any moment of it can be seen, from the first on', async () => {
      expect(await sheetAt(db, document, 0)).toEqual(sampleSheet());
      for (const seq of [1, 99, 120, 121, 250, 300]) expect(x(await sheetAt(db, document, seq))).toBe(seq);
      expect(await sheetAt(db, document, 301)).toBeUndefined();
    });
    test('is told as a first sheet and all that was done since', async () => {
      const history = await historyOf(db, document);
      expect(history).toMatchObject({ from: 0, moments: [] });
      expect(history?.log.map((entry) => entry.seq)).toEqual(Array.from({ length: 300 }, (_, i) => i + 1));
      expect(await historyOf(db, 'nowhere')).toBeUndefined();
    });
    test('its moments get names, and lose them', async () => {
      const named = await addMoment(db, {
        documentId: document,
        authorId: author(),
        seq: 120,
        name: 'before the colours',
      });
      expect(await momentsOf(db, document)).toMatchObject([{ seq: 120, name: 'before the colours' }]);
      if (named.ok) await dropMoment(db, document, named.id);
      expect(await momentsOf(db, document)).toEqual([]);
    });
    test('a moment that has not come yet is refused, and so is one too many', async () => {
      const moment = { documentId: document, authorId: author(), seq: 301, name: 'later' };
      expect(await addMoment(db, moment)).toMatchObject({ ok: false });
      for (let i = 0; i < MOST_MOMENTS; i++) await addMoment(db, { ...moment, seq: i });
      expect(await addMoment(db, { ...moment, seq: 3 })).toMatchObject({
        ok: false,
        reason: expect.stringMatching(/Drop one/),
      });
    });
  });

  describe('a handout', () => {
    let handout: string;
    const given = () => ({
      schoolId: ids.school,
      teacherId: ids.teacher,
      sheetId: null,
      classId: ids.class,
      title: 'Bird',
      brief: 'Name it',
      dueAt: null,
      sheet: sampleSheet(),
      lookFors: [
        {
          kind: 'labels' as const,
          id: 'l',
          title: 'labels',
          tell: 'filled' as const,
          spelling: 'near' as const,
          ...keyOf(sampleSheet())[0],
        },
      ],
      rubric: { rows: [] },
      supplies: ['shape' as const],
    });
    const copyOf = async (student: string) => (await copiesOf(db, handout)).find((copy) => copy.studentId === student)!;
    beforeAll(async () => {
      handout = await createHandout(db, given(), pictures);
    });

    test('gives each student a copy without the answers', async () => {
      const copies = await copiesOf(db, handout);
      expect(copies.map((copy) => [copy.studentName, copy.state])).toEqual([
        ['Ada', 'not-begun'],
        ['Ben', 'not-begun'],
      ]);
      const document = await loadDocument(db, copies[0].documentId);
      expect(JSON.stringify(document)).not.toContain('long neck');
      expect(JSON.stringify(await handoutOf(db, ids.teacher, handout))).toContain('long neck');
      expect(await handoutOf(db, ids.colleague, handout)).toBeUndefined();
    });
    test('reaches who joins later, once', async () => {
      const cleo = await addStudent(db, { schoolId: ids.school, classId: ids.class, name: 'Cleo' });
      await addLateCopies(db, cleo, pictures);
      await addLateCopies(db, cleo, pictures);
      expect(await trayOf(db, cleo)).toMatchObject([{ title: 'Bird', state: 'not-begun' }]);
    });
    test('is written to by its student only, and only where that is allowed', async () => {
      const copy = await copyOf(ids.ada);
      expect(await documentAccess(db, ids.ada, copy.documentId)).toMatchObject({ kind: 'copy', copyId: copy.id });
      expect(await documentAccess(db, ids.ben, copy.documentId)).toBeNull();
      expect(await documentAccess(db, ids.teacher, copy.documentId)).toBeNull();
      expect(await copyOfStudent(db, ids.ben, copy.id)).toBeUndefined();
      expect(await copyForTeacher(db, ids.colleague, copy.id)).toBeUndefined();
      const guard = (sheet: Parameters<typeof refusal>[0], change: Change) => refusal(sheet, change, ['shape']);
      const write = (change: Change) =>
        saveChanges(
          db,
          { documentId: copy.documentId, authorId: ids.ada, base: 0, batch: `b${Math.random()}`, changes: [change] },
          guard,
          copy.id,
        );
      expect(await write({ kind: 'set', id: 'bird', values: { x: 1 } })).toMatchObject({
        outcome: 'refused',
        reason: expect.stringMatching(/fixed/),
      });
      expect(
        await write({
          kind: 'insert',
          spot: { page: 'p1', group: null, behind: null },
          item: shape({ id: 'mine', touch: 'free' }),
        }),
      ).toMatchObject({ outcome: 'saved' });
      expect((await copyOf(ids.ada)).state).toBe('under-way');
    });
    test('is handed in once, taken back, and not any more once the teacher has begun', async () => {
      const copy = await copyOf(ids.ada);
      expect(await handIn(db, copy, 0)).toMatchObject({
        ok: false,
        reason: expect.stringMatching(/still on their way/),
      });
      expect(await handIn(db, copy, 1)).toEqual({ ok: true });
      expect(await handIn(db, copy, 1)).toMatchObject({ ok: false, reason: expect.stringMatching(/already/) });
      expect(await takeBack(db, copy.id)).toEqual({ ok: true });
      expect(await goesOf(db, copy.id)).toEqual([]);
      expect(await handIn(db, copy, 1)).toEqual({ ok: true });
      const [go] = await goesOf(db, copy.id);
      const look = saidNote('note-01', { item: 'label', x: null, y: null, body: 'look again' });
      const teacher = { copyId: copy.id, goId: go.id, authorId: ids.teacher };
      expect(await sayOn(db, { ...teacher, copyId: 'another' }, [look])).toBe(false);
      expect(await notesOf(db, [go.id])).toEqual([]);
      // Sent again because the answer was lost.
      const drawn = [stampSaid('stamp-01'), stampSaid('stamp-02', 200, 300)];
      for (let i = 0; i < 2; i++) expect(await sayOn(db, teacher, [look, ...drawn])).toBe(true);
      expect(await inkOf(db, [go.id])).toEqual(
        saidAfter(go.id, { notes: [], rulings: [], marks: {}, ink: [] }, drawn).ink,
      );
      expect(await saidCounts(db, [go.id])).toEqual([{ goId: go.id, count: 3 }]);
      expect(await sayOn(db, teacher, [{ do: 'rub-out', ink: 'stamp-01' }])).toBe(true);
      const said = await allSaidOn(db, [go.id]);
      expect(said(go.id)).toMatchObject({ notes: [{ id: 'note-01' }], rulings: [], ink: [{ id: 'stamp-02', x: 200 }] });
      expect(said('another')).toEqual({ notes: [], rulings: [], ink: [] });
      expect(await notesOf(db, [go.id])).toMatchObject([{ id: 'note-01', itemId: 'label', body: 'look again' }]);
      expect(await takeBack(db, copy.id)).toMatchObject({ ok: false, reason: expect.stringMatching(/begun to read/) });
    });
    test('comes back with notes, rulings and marks, and the next go keeps the first', async () => {
      const copy = await copyOf(ids.ada);
      const [go] = await goesOf(db, copy.id);
      const teacher = { copyId: copy.id, goId: go.id, authorId: ids.teacher };
      await sayOn(db, teacher, [
        { do: 'rule', lookFor: 'l', held: true },
        { do: 'rule', lookFor: 'l', held: false },
        { do: 'mark', row: 'row', level: 2 },
      ]);
      expect(await settleNote(db, ids.ada, (await notesOf(db, [go.id]))[0].id, true)).toEqual([]);
      expect(await returnGo(db, go.id, 'another-go')).toEqual({ ok: true });
      expect(await returnGo(db, go.id, 'done')).toMatchObject({ ok: false });
      expect(await sayOn(db, teacher, [saidNote('note-02', { body: 'too late' })])).toBe(false);
      const [note] = await notesOf(db, [go.id]);
      expect(await settleNote(db, ids.ben, note.id, true)).toEqual([]);
      expect(await settleNote(db, ids.ada, note.id, true)).toHaveLength(1);
      expect(await rulingsOf(db, [go.id])).toMatchObject([{ lookForId: 'l', held: false }]);
      expect(await handIn(db, copy, 1)).toEqual({ ok: true });
      // Marks stand until they are changed; when it was first handed in is not forgotten.
      expect((await goesOf(db, copy.id)).map((g) => [g.number, g.outcome, g.marks])).toEqual([
        [1, 'another-go', { row: 2 }],
        [2, null, { row: 2 }],
      ]);
      expect((await copyOf(ids.ada)).firstHandedInAt).toEqual(go.handedInAt);
      expect(await takeBack(db, copy.id)).toEqual({ ok: true });
      expect((await copyOf(ids.ada)).state).toBe('another-go');
    });
    test('a class is listed as people would: accents make no difference, numbers count', () => {
      const names = ['Zoë', 'Éva', 'Ena', 'Žofia', 'Team 10', 'Team 9', 'Ada'];
      expect(byName(names, (name) => name)).toEqual(['Ada', 'Ena', 'Éva', 'Team 9', 'Team 10', 'Zoë', 'Žofia']);
    });
    test('shows on the Desk how far it is', async () => {
      expect(await progressOf(db, ids.teacher)).toMatchObject([
        { title: 'Bird', className: 'Curlew', counts: { 'another-go': 1, 'not-begun': 2, done: 0 } },
      ]);
      expect(await progressOf(db, ids.colleague)).toEqual([]);
    });
  });
});
