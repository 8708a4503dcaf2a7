import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { refusalOf } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import type { Database } from '../database/connection';
import { migrate } from '../database/migrate';
import { classesOf, membersOf } from '../stores/classes';
import { loadDocument, saveChanges } from '../stores/documents';
import { addPerson } from '../stores/people';
import { createSheet, sheetOf } from '../stores/sheets';
import { openSession, personOf } from '../stores/sign-in';
import {
  addClassFor,
  AddingStudents,
  addStudentsTo,
  makeCardsFor,
  MovingStudent,
  moveStudentFor,
  renameClassFor,
} from './classes';
import {
  chooseOwnSecret,
  classOfCode,
  classToJoin,
  enterAsStudent,
  enterAsTeacher,
  enterDemo,
  enterFirst,
  FirstSchool,
} from './come-in';
import { doWithHistory, historyFor, mendDocument } from './history';

/** Coming in, classes, and the history of a sheet, without anything of HTTP. */

const why = async (work: Promise<unknown>): Promise<string> => (await refusalOf(work)).message;
const from = (address: string) => ({ address, device: null });

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let teacher: { id: string; schoolId: string; role: 'teacher' };
  let stranger: typeof teacher;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    const { schoolId } = school;
    teacher = { id: school.teacherId, schoolId, role: 'teacher' };
    const strangerId = await addPerson(db, { schoolId, role: 'teacher', name: 'S', email: 's@school.example' });
    stranger = { id: strangerId, schoolId, role: 'teacher' };
  });
  afterAll(() => db.close());

  describe('coming in', () => {
    test('a teacher needs the right password, and is told to wait after too many wrong ones', async () => {
      const { schoolId } = school;
      const password = 'a heron in the reeds';
      await addPerson(db, { schoolId, role: 'teacher', name: 'Odd', email: 'odd@school.example', secret: password });
      const enter = (typed: string) => enterAsTeacher(db, { email: ' Odd@school.example', password: typed }, from('1'));
      expect(await why(enter('a heron'))).toMatch(/don’t match/);
      expect((await enter(password)).person).toMatchObject({ name: 'Odd', role: 'teacher' });
      for (let i = 0; i < 6; i++) await why(enter('no'));
      expect(await why(enter(password))).toMatch(/Too many tries. Try again in \d+ (seconds|minutes)/);
    });
    test('a school is begun once, by its first teacher', async () => {
      const given = FirstSchool.parse({ school: 'S', name: 'N', email: 'n@n.example', password: 'ten letters' });
      expect(await why(enterFirst(db, given))).toMatch(/set up here already/);
      const empty = await open();
      await migrate(empty);
      expect((await enterFirst(empty, given)).person).toMatchObject({ name: 'N', role: 'teacher' });
      await empty.close();
    });
    test('the doors of the demo are shut outside it, and lead only to whom they name', async () => {
      const maren = await addPerson(db, {
        schoolId: school.schoolId,
        role: 'teacher',
        name: 'Maren',
        email: 'maren@samphire.example',
      });
      expect((await enterDemo({ db, demo: true }, { person: 'Maren' })).person.id).toBe(maren);
      expect(await why(enterDemo({ db, demo: true }, { person: 'T' }))).toMatch(/without a password/);
      expect(await why(enterDemo({ db, demo: false }, { person: 'Maren' }))).toMatch(/not a demo/);
    });
    test('a student comes in with a card once, and chooses pictures of their own', async () => {
      const ada = await school.student('Ada');
      expect(await why(classOfCode(db, { code: 'NOPE' }, from('2')))).toMatch(/no class with the code “NOPE”/);
      expect(await classToJoin(db, 'NOPE', from('2'))).toBeNull();
      const { code } = await classOfCode(db, { code: ' abcde' }, from('2'));
      const { members } = (await classToJoin(db, code, from('2')))!;
      const student = members.find(({ name }) => name === 'Ada')!.ref;
      const { cards } = await makeCardsFor(db, teacher, { classId: school.classId, student: ada });
      const secret = cards[0].pictures.join(' ');
      const entered = await enterAsStudent(db, { code, student, secret }, from('2'));
      expect(entered).toMatchObject({ person: { id: ada }, mustChoose: true });
      expect(await why(enterAsStudent(db, { code, student, secret }, from('2')))).toMatch(/not your pictures/);
      const { token } = await openSession(db, ada, 'student', true);
      const [own, other] = ['owl frog snail', 'frog owl snail'];
      const choose = (first: string, again: string, mustChoose = true) =>
        chooseOwnSecret(db, { id: ada, mustChoose }, token, { first, secret: again });
      expect(await why(choose(own, other))).toMatch(/in a different order/);
      expect(await why(choose(own, own, false))).toMatch(/already/);
      await choose(own, own);
      expect((await personOf(db, token))?.mustChoose).toBe(false);
      expect(await enterAsStudent(db, { code, student, secret: own }, from('2'))).toMatchObject({ mustChoose: false });
    });
    test('codes that lead nowhere count, and after many it takes a while', async () => {
      const guess = () => classOfCode(db, { code: 'WRONG' }, from('guesser'));
      for (let i = 0; i < 60; i++) await why(guess());
      expect(await why(guess())).toMatch(/Too many codes/);
      expect(await why(classOfCode(db, { code: 'ABCDE' }, from('guesser')))).toMatch(/Too many codes/);
      expect((await classOfCode(db, { code: 'ABCDE' }, from('3'))).name).toBe('Curlew');
    });
  });

  describe('classes', () => {
    test('get students by name, once each; nobody else adds to them or makes cards for them', async () => {
      const classId = await addClassFor(db, teacher, { name: 'Dunlin' });
      const { names } = AddingStudents.parse({ classId, names: ' 1. Élodie\n\n2. Ben \n3. Ben' });
      expect(names).toEqual(['Élodie', 'Ben', 'Ben']);
      expect(await addStudentsTo(school.means, teacher, { classId, names })).toEqual({
        added: ['Élodie', 'Ben'],
        there: ['Ben'],
      });
      const own = (await classesOf(db, teacher.id)).map(({ name }) => name);
      expect(own).toContain('Dunlin');
      expect(await why(addStudentsTo(school.means, stranger, { classId, names: ['X'] }))).toMatch(/nothing here/);
      expect(await why(makeCardsFor(db, stranger, { classId, student: 'without' }))).toMatch(/nothing here/);
      expect(await membersOf(db, classId)).toHaveLength(2);
    });
    test('are renamed by their teacher only, and two of them are not called alike', async () => {
      const classId = await addClassFor(db, teacher, { name: 'Sanderling' });
      await addClassFor(db, teacher, { name: 'Whimbrel' });
      expect(await why(renameClassFor(db, stranger, { classId, name: 'Mine' }))).toMatch(/nothing here/);
      expect(await why(renameClassFor(db, teacher, { classId, name: ' whimbrel ' }))).toMatch(/“ whimbrel ” already/);
      await renameClassFor(db, teacher, { classId, name: 'SANDERLING' });
      await renameClassFor(db, teacher, { classId, name: 'Sanderling B' });
      expect((await classesOf(db, teacher.id)).find(({ id }) => id === classId)).toMatchObject({
        name: 'Sanderling B',
      });
    });
    test('a student moves to another class: begun work stays, what was not begun goes, and the new class’s handouts come', async () => {
      const { means } = school;
      const name = 'Mo Verity';
      const studentId = await school.student(name);
      const [begun, untouched] = [await school.handOut(sampleSheet()), await school.handOut(sampleSheet())];
      const mine = await school.copy(begun, studentId);
      await school.save(mine, 0, [{ kind: 'sheet-set', values: { title: 'begun' } }]);
      const other = await addClassFor(db, teacher, { name: 'Turnstone' });
      const move = (given: Record<string, string>, who = teacher) =>
        moveStudentFor(means, who, MovingStudent.parse({ classId: school.classId, student: studentId, ...given }));
      expect(await why(move({ to: other }, stranger))).toMatch(/nothing here/);
      expect(await why(move({ to: 'elsewhere' }))).toMatch(/nothing here/);
      await addStudentsTo(means, teacher, { classId: other, names: ['mo  verity'] });
      expect(await why(move({ to: other }))).toMatch(/Somebody called Mo Verity is in Turnstone already/);
      const [twin] = await membersOf(db, other);
      await moveStudentFor(means, teacher, MovingStudent.parse({ classId: other, student: twin.id }));
      const { token } = await openSession(db, studentId, 'student');
      expect(await move({ to: other })).toEqual({ name, to: 'Turnstone' });
      expect((await membersOf(db, other)).map(({ id }) => id)).toEqual([studentId]);
      expect((await membersOf(db, school.classId)).map(({ id }) => id)).not.toContain(studentId);
      expect(await school.copy(begun, studentId)).toMatchObject({ state: 'under-way' });
      expect(await school.copy(untouched, studentId)).toBeUndefined();
      // Still in a class, they stay signed in; in none they are signed out.
      expect(await personOf(db, token)).not.toBeNull();
      expect(await why(move({}))).toMatch(/nothing here/);
      await moveStudentFor(means, teacher, MovingStudent.parse({ classId: other, student: studentId }));
      expect((await personOf(db, token)) ?? null).toBeNull();
      expect(await school.copy(begun, studentId)).toMatchObject({ state: 'under-way' });
    });
    test('a class whose students all have pictures needs no cards', async () => {
      const classId = await addClassFor(db, teacher, { name: 'Empty' });
      expect(await why(makeCardsFor(db, teacher, { classId, student: 'without' }))).toMatch(/already/);
    });
  });

  describe('the history of a sheet', () => {
    let sheetId: string;
    let documentId: string;
    beforeAll(async () => {
      const { schoolId } = school;
      sheetId = await createSheet(db, { schoolId, ownerId: teacher.id, purpose: 'blank', sheet: sampleSheet() });
      ({ documentId } = (await sheetOf(db, teacher.id, sheetId))!);
      const changes = [{ kind: 'sheet-set' as const, values: { title: 'Later' } }];
      await saveChanges(db, { documentId, authorId: teacher.id, batch: 'b1', base: 0, changes }, () => null);
    });
    const titleOf = async (id: string) => {
      const found = (await sheetOf(db, teacher.id, id))!;
      return (await loadDocument(db, found.documentId))!.sheet.title;
    };
    test('names moments and makes copies of any state, for its owner only', async () => {
      const named = await doWithHistory(db, teacher, sheetId, { do: 'name', seq: 0, name: 'bare' });
      expect(named).toMatchObject({ moments: [{ name: 'bare', seq: 0 }] });
      expect(await historyFor(db, teacher, sheetId)).toMatchObject({ from: 0, moments: [{ name: 'bare' }] });
      const made = await doWithHistory(db, teacher, sheetId, { do: 'copy', seq: 1 });
      expect('sheetId' in made && (await titleOf(made.sheetId))).toBe('Later, copy');
      expect(await why(doWithHistory(db, teacher, sheetId, { do: 'copy', seq: 9 }))).toMatch(/no longer be opened/);
      expect(await why(historyFor(db, stranger, sheetId))).toMatch(/nothing here/);
      expect(await why(doWithHistory(db, stranger, sheetId, { do: 'copy', seq: 0 }))).toMatch(/nothing here/);
      const moments = 'moments' in named ? named.moments : [];
      expect(await doWithHistory(db, teacher, sheetId, { do: 'drop', id: moments[0].id })).toEqual({ moments: [] });
    });
    test('a damaged sheet goes on from its last readable state, for its owner', async () => {
      const broken = JSON.stringify({ kind: 'unheard-of' });
      await db.query('update document_change set change = $2::jsonb where document_id = $1', [documentId, broken]);
      await db.query('update document set seq = 2 where id = $1', [documentId]);
      expect(await why(mendDocument(db, stranger, documentId))).toMatch(/nothing here/);
      await mendDocument(db, teacher, documentId);
      expect(await titleOf(sheetId)).toBe(sampleSheet().title);
    });
  });
});
