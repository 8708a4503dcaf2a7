import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import { page, sheet } from '../../core/schema/defaults';
import type { Database } from '../database/connection';
import { addClass, addStudent } from '../stores/classes';
import { copiesOf } from '../stores/copies';
import { goesOf } from '../stores/goes';
import { loadDocument } from '../stores/documents';
import { progressOf } from '../stores/handouts';
import { stampSaid } from '../../tests/support/said';
import { addPerson } from '../stores/people';
import { notesOf } from '../stores/reviews';
import { createSheet } from '../stores/sheets';
import { doWithCopy } from './hand-in';
import { handOut } from './hand-out';
import { returnPiece, review } from './review';
import { changesFor, saveWork } from './save-changes';
import { removePicture, uploadPictures } from './upload-picture';

/** What a person does, without anything of HTTP. */

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let teacher: { id: string; schoolId: string; name: string; role: 'teacher' };
  let stranger: typeof teacher;
  let ada: { id: string; schoolId: string; name: string };
  let otherClass: string;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    const { schoolId } = school;
    teacher = { id: school.teacherId, schoolId, name: 'T', role: 'teacher' };
    const strangerId = await addPerson(db, { schoolId, role: 'teacher', name: 'S', email: 's@school.example' });
    stranger = { id: strangerId, schoolId, name: 'S', role: 'teacher' };
    ada = { id: await school.student('Ada'), schoolId, name: 'Ada' };
    otherClass = await addClass(db, { schoolId, teacherId: teacher.id, name: 'Dunlin', code: 'FGHJK' });
    await addStudent(db, { schoolId, classId: otherClass, name: 'Ben' });
  });
  afterAll(() => db.close());

  const means = () => school.means;
  const newSheet = (document = sampleSheet()) =>
    createSheet(db, { schoolId: school.schoolId, ownerId: teacher.id, purpose: 'blank', sheet: document });
  const given = (classes: string[], ids: Record<string, string> = {}) =>
    school.asked({ classes, supplies: ['text'], ids });
  const out = async () => (await progressOf(db, teacher.id)).length;
  const adasCopy = async () => {
    const [handoutId] = await handOut(means(), teacher, await newSheet(), given([school.classId]));
    return { handoutId, ...(await copiesOf(db, handoutId)).find(({ studentId }) => studentId === ada.id)! };
  };

  describe('handing out', () => {
    test('to several classes gives each its handout, and every student a copy', async () => {
      const ids = await handOut(means(), teacher, await newSheet(), given([school.classId, otherClass]));
      const copies = await Promise.all(ids.map((id) => copiesOf(db, id)));
      expect(copies.map((list) => list.map(({ studentName }) => studentName))).toEqual([['Ada'], ['Ben']]);
    });
    test('reaches all classes or none: where the second fails, the first has nothing either', async () => {
      const before = await out();
      // An identity that the database refuses, for the second class only.
      const broken = { ...given([school.classId, otherClass]), ids: { [otherClass]: null as unknown as string } };
      await expect(handOut(means(), teacher, await newSheet(), broken)).rejects.toThrow();
      expect(await out()).toBe(before);
    });
    test('said twice because an answer was lost, it is done once', async () => {
      const sheetId = await newSheet();
      const twice = given([school.classId, otherClass], {
        [school.classId]: 'aaaaaaaaaaaa',
        [otherClass]: 'bbbbbbbbbbbb',
      });
      const first = await handOut(means(), teacher, sheetId, twice);
      const before = await out();
      expect(await handOut(means(), teacher, sheetId, twice)).toEqual(first);
      expect(await out()).toBe(before);
    });
    test('is refused in words: somebody else’s sheet, an empty one, a class with nobody, a due time that is past', async () => {
      const sheetId = await newSheet();
      const { schoolId } = school;
      expect(await why(handOut(means(), stranger, sheetId, given([school.classId])))).toMatch(/^404/);
      expect(await why(handOut(means(), teacher, sheetId, given(['nobody’s'])))).toMatch(/^404/);
      const empty = await newSheet(sheet({ title: 'Empty', pages: [page({ id: 'p' })] }));
      expect(await why(handOut(means(), teacher, empty, given([school.classId])))).toMatch(/^422 This sheet is empty/);
      const nobody = await addClass(db, { schoolId, teacherId: teacher.id, name: 'Eider', code: 'LMNPQ' });
      expect(await why(handOut(means(), teacher, sheetId, given([nobody])))).toMatch(/^422 Nobody is in Eider yet/);
      const late = { ...given([school.classId]), dueAt: '2020-01-01T00:00:00Z' };
      expect(await why(handOut(means(), teacher, sheetId, late))).toMatch(/^422 The due time is already past/);
    });
  });

  describe('saving', () => {
    const batch = (base: number, changes: unknown[], name = `batch-${Math.random()}`.slice(0, 30)) => ({
      base,
      batch: name,
      changes,
    });
    test('a student fills in what is open, and what is not is refused with the reason', async () => {
      const { documentId } = await adasCopy();
      const { sheet: copy, seq } = (await loadDocument(db, documentId))!;
      const blank = copy.pages[0].items.find((item) => item.touch === 'fill')!;
      const typed = {
        kind: 'splice',
        id: blank.id,
        at: 0,
        remove: 0,
        insert: [{ format: {}, runs: [{ text: 'wing', style: {} }] }],
      };
      const saved = await saveWork(means(), ada, documentId, batch(seq, [typed]));
      expect(saved).toMatchObject({ outcome: 'saved', seq: seq + 1 });
      expect((await changesFor(means(), ada, documentId, seq)).missed).toHaveLength(1);
      const page = { kind: 'page-set', id: copy.pages[0].id, values: { margin: 0 } };
      expect(await saveWork(means(), ada, documentId, batch(seq + 1, [page]))).toMatchObject({
        outcome: 'refused',
        index: 0,
      });
      expect(await saveWork(means(), ada, documentId, batch(seq + 1, [{ kind: 'set' }]))).toMatchObject({
        outcome: 'refused',
        reason: expect.stringMatching(/id/) as unknown,
      });
      expect(await why(saveWork(means(), stranger, documentId, batch(seq, [typed])))).toMatch(/^404/);
    });
  });

  describe('a piece', () => {
    test('goes in, is read and comes back, and each only where it stands so', async () => {
      const copy = await adasCopy();
      const piece = { handoutId: copy.handoutId, copyId: copy.id };
      const { seq } = (await loadDocument(db, copy.documentId))!;
      expect(await why(doWithCopy(means(), ada, copy.id, { do: 'take-back' }))).toMatch(
        /^422 This copy is not handed in/,
      );
      expect(await why(doWithCopy(means(), ada, copy.id, { do: 'hand-in', seq: seq + 1 }))).toMatch(
        /^422 Your newest changes/,
      );
      await doWithCopy(means(), ada, copy.id, { do: 'hand-in', seq });
      const [go] = await goesOf(db, copy.id);
      const note = {
        do: 'note',
        note: 'note-1',
        page: 'p1',
        item: null,
        x: 10,
        y: 10,
        body: 'Well seen.',
      } as const;
      const mark = { do: 'mark', row: 'none', level: 0 } as const;
      expect(await why(review(db, teacher, piece, { go: go.id, steps: [note, mark] }))).toMatch(/^400/);
      expect(await notesOf(db, [go.id])).toEqual([]);
      const stamps = (from: number, count: number) =>
        Array.from({ length: count }, (_, i) => stampSaid(`stamp-${from + i}`, i, i));
      for (const from of [0, 100, 200, 300, 400])
        await review(db, teacher, piece, { go: go.id, steps: stamps(from, 100) });
      expect(await why(review(db, teacher, piece, { go: go.id, steps: stamps(500, 1) }))).toMatch(
        /^422 A piece holds 500 strokes and stamps/,
      );
      expect(await why(review(db, stranger, piece, { go: go.id, steps: stamps(500, 1) }))).toMatch(/^404/);
      expect(await why(returnPiece(db, stranger, piece, { go: go.id, outcome: 'done' }))).toMatch(/^404/);
      expect(await returnPiece(db, teacher, piece, { go: go.id, outcome: 'another-go' })).toEqual({ next: null });
      expect(await why(returnPiece(db, teacher, piece, { go: go.id, outcome: 'done' }))).toMatch(/^422/);
      await doWithCopy(means(), ada, copy.id, { do: 'hand-in', seq });
      expect((await goesOf(db, copy.id)).map(({ number }) => number)).toEqual([1, 2]);
    });
  });

  describe('own pictures', () => {
    test('what is no picture is refused with the reason, and nobody removes somebody else’s', async () => {
      const readIn = () => Promise.resolve({ problem: 'This is no picture.' });
      const unpack = () => Promise.resolve(null);
      const file = { bytes: new Uint8Array(4), name: 'a.png' };
      expect(await why(uploadPictures({ db, readIn, unpack }, teacher, file))).toBe('422 This is no picture.');
      expect(await why(removePicture(db, stranger, `own/${'ab'.repeat(16)}`))).toMatch(/^404/);
    });
  });
});
