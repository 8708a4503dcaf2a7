import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { refusalOf, why } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import type { Database } from '../database/connection';
import { classesOf, membersOf } from '../stores/classes';
import { copiesOf, isTeacherOfCopy, trayOf } from '../stores/copies';
import { begunByBoth } from '../stores/class-life';
import { progressOf } from '../stores/handouts';
import { addPerson, personById } from '../stores/people';
import { openSession, personOf } from '../stores/sign-in';
import { setClassTeacher, teachersIn } from '../stores/teachers';
import { readingView } from '../views/reading-view';
import { spreadView } from '../views/spread-view';
import {
  addRoster,
  addStudentsTo,
  archiveFor,
  changeCode,
  forgetFamiliesFor,
  makeCardsFor,
  mergeStudentsFor,
  moveStudentFor,
  renameClassFor,
  renameStudentFor,
  Roster,
  setFamilyFor,
} from './classes';
import { classToJoin, enterAsStudent, enterAsTeacher } from './come-in';
import { correctionView } from '../views/correction-view';
import { doOnDesk } from './desk';
import { setGroupFor } from './groups';
import { doWithCopy } from './hand-in';
import { handOut } from './hand-out';
import { doWithHandout } from './handout-life';
import { returnPiece, review } from './review';
import { chooseOwnPassword, doWithSchool, letIn, letOut, requireHead } from './teachers';

/** Who may do what: the teacher of a class, others who were let into it, and the head of a school. */

const HOUR = 3_600_000;
const from = { address: '192.0.2.9', device: null };

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  type Someone = { id: string; schoolId: string };
  let own: Someone, full: Someone, reader: Someone, over: Someone, stranger: Someone;
  let ada: { id: string; name: string };
  let handoutId: string;
  let piece: { handoutId: string; copyId: string };
  let go: string;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    const { schoolId, classId } = school;
    const teacher = async (name: string) => ({
      id: await addPerson(db, { schoolId, role: 'teacher', name, email: `${name}@rights.example` }),
      schoolId,
    });
    own = { id: school.teacherId, schoolId };
    [full, reader, over, stranger] = [
      await teacher('Full'),
      await teacher('Reader'),
      await teacher('Over'),
      await teacher('Stranger'),
    ];
    await letIn(db, own, { classId, teacher: full.id, rights: 'full', until: null });
    await letIn(db, own, { classId, teacher: reader.id, rights: 'read', until: new Date(Date.now() + HOUR) });
    await setClassTeacher(db, { classId, personId: over.id, rights: 'full', endsAt: new Date(Date.now() - HOUR) });
    ada = { id: await school.student('Ada'), name: 'Ada' };
    handoutId = await school.handOut(sampleSheet());
    const copy = await school.copy(handoutId, ada.id);
    piece = { handoutId, copyId: copy.id };
    await doWithCopy(means(), ada, copy.id, { do: 'hand-in', seq: 0 });
    go = (await copiesOf(db, handoutId))[0].goId!;
  });
  afterAll(() => db.close());

  const means = () => school.means;
  const named = (...names: string[]) => names.map((name) => ({ name }));
  const statusOf = async (work: Promise<unknown>) => (await refusalOf(work)).status;
  const note = { do: 'note' as const, note: 'note-1', page: 'page1', item: null, x: 1, y: 1, body: 'Good.' };

  test('whoever teaches the class sees its work; nobody else does, nor who did until yesterday', async () => {
    for (const who of [own, full, reader]) {
      expect((await spreadView(means(), who, handoutId)).cards).toHaveLength(1);
      expect((await readingView(means(), who, piece, 0)).copy.studentName).toBe('Ada');
      expect((await progressOf(db, who.id)).map(({ id }) => id)).toEqual([handoutId]);
      expect((await classesOf(db, who.id)).map(({ name }) => name)).toEqual(['Curlew']);
    }
    for (const who of [over, stranger]) {
      expect(await statusOf(spreadView(means(), who, handoutId))).toBe(404);
      expect(await statusOf(readingView(means(), who, piece, 0))).toBe(404);
      expect(await progressOf(db, who.id)).toEqual([]);
      expect(await classesOf(db, who.id)).toEqual([]);
    }
  });

  /** Every kind of change to a class and its work. */
  const changes = (): [string, (who: Someone) => Promise<unknown>][] => {
    const { classId } = school;
    return [
      ['say', (who) => review(db, who, piece, { go, steps: [note] })],
      ['return', (who) => returnPiece(db, who, piece, { go, outcome: 'done' })],
      ['change', (who) => doWithHandout(db, who, handoutId, { do: 'put-away' })],
      ['extend', (who) => doWithHandout(db, who, handoutId, { do: 'extend', copies: [piece.copyId], to: null })],
      ['correct', (who) => correctionView(means(), who, handoutId)],
      ['bin', (who) => doOnDesk(db, who, { do: 'bin-handout', handoutId })],
      ['add', (who) => addStudentsTo(means(), who, { classId, names: ['Ben'] })],
      ['roster', (who) => addRoster(means(), who, [{ into: classId, name: 'Curlew', students: [{ name: 'Ben' }] }])],
      ['family', (who) => setFamilyFor(db, who, { classId, student: ada.id, family: ['a@x.example'] })],
      ['forget families', (who) => forgetFamiliesFor(db, who, { classId })],
      ['cards', (who) => makeCardsFor(db, who, { classId, student: 'all' })],
      ['rename', (who) => renameClassFor(db, who, { classId, name: 'Mine' })],
      ['move', (who) => moveStudentFor(means(), who, { classId, student: ada.id, to: '' })],
      ['rename student', (who) => renameStudentFor(db, who, { classId, student: ada.id, name: 'A' })],
      ['merge', (who) => mergeStudentsFor(means(), who, { classId, student: ada.id, other: ada.id })],
      ['code', (who) => changeCode(db, who, { classId, what: 'renew' })],
      ['archive', (who) => archiveFor(db, who, { classId, over: 'yes' })],
      ['group', (who) => setGroupFor(means(), who, { classId, group: 'g-0000000001', name: 'G', members: [ada.id] })],
      ['let in', (who) => letIn(db, who, { classId, teacher: stranger.id, rights: 'full', until: null })],
      ['let out', (who) => letOut(db, who, { classId, teacher: full.id })],
    ];
  };

  test('who may only read changes nothing, and is told so; a stranger is told nothing', async () => {
    for (const [name, change] of changes()) {
      expect([name, await statusOf(change(reader))]).toEqual([name, 403]);
      expect([name, await statusOf(change(stranger))]).toEqual([name, 404]);
      expect([name, await statusOf(change(over))]).toEqual([name, 404]);
    }
    expect((await classesOf(db, own.id))[0]).toMatchObject({ name: 'Curlew', size: 1, archivedAt: null });
    const document = (await copiesOf(db, handoutId))[0].documentId;
    expect(await isTeacherOfCopy(db, reader.id, document)).toBe(false);
    expect(await isTeacherOfCopy(db, full.id, document)).toBe(true);
    const wanted = school.asked();
    const begun = await doOnDesk(db, reader, { do: 'begin', purpose: 'worksheet', folderId: null });
    expect(await statusOf(handOut(means(), reader, begun.sheetId!, wanted))).toBe(404);
    const theirs = await doOnDesk(db, full, { do: 'begin', purpose: 'worksheet', folderId: null });
    const [made] = await handOut(means(), full, theirs.sheetId!, wanted);
    expect((await progressOf(db, own.id)).find(({ id }) => id === made)?.by).toBe('Full');
    await doOnDesk(db, own, { do: 'bin-handout', handoutId: made });
  });

  test('who was let in with full rights does all but give the class away', async () => {
    await review(db, full, piece, { go, steps: [note] });
    await returnPiece(db, full, piece, { go, outcome: 'another-go' });
    await doWithHandout(db, full, handoutId, { do: 'put-away' });
    await doWithHandout(db, full, handoutId, { do: 'bring-back' });
    expect((await readingView(means(), full, piece, 0)).mayChange).toBe(true);
    expect((await readingView(means(), reader, piece, 0)).mayChange).toBe(false);
    const { classId } = school;
    expect(await why(archiveFor(db, full, { classId, over: 'yes' }))).toMatch(/403 This is T’s class/);
    expect(await statusOf(letIn(db, full, { classId, teacher: stranger.id, rights: 'read', until: null }))).toBe(403);
    expect(await statusOf(letOut(db, full, { classId, teacher: reader.id }))).toBe(403);
  });

  test('a teacher of another school, oneself, and a time that is past are refused', async () => {
    const { classId } = school;
    expect(await statusOf(letIn(db, own, { classId, teacher: own.id, rights: 'full', until: null }))).toBe(404);
    expect(await statusOf(letIn(db, own, { classId, teacher: ada.id, rights: 'full', until: null }))).toBe(404);
    const until = new Date(Date.now() - HOUR);
    expect(await why(letIn(db, own, { classId, teacher: stranger.id, rights: 'full', until }))).toMatch(/already past/);
    await letIn(db, own, { classId, teacher: stranger.id, rights: 'read', until: null });
    expect(await classesOf(db, stranger.id)).toHaveLength(1);
    await letOut(db, own, { classId, teacher: stranger.id });
    expect(await classesOf(db, stranger.id)).toEqual([]);
  });

  describe('a class', () => {
    test('in the archive leaves Desk, trays and sign-in; brought back, all is there again', async () => {
      const { classId } = school;
      const { code } = (await classesOf(db, own.id))[0];
      await archiveFor(db, own, { classId, over: 'yes' });
      expect(await progressOf(db, own.id)).toEqual([]);
      expect(await trayOf(db, ada.id)).toEqual([]);
      expect(await classToJoin(db, code, from)).toBeNull();
      expect((await classesOf(db, own.id))[0].archivedAt).toBeInstanceOf(Date);
      await archiveFor(db, own, { classId, over: 'no' });
      expect(await progressOf(db, own.id)).toHaveLength(1);
      expect(await trayOf(db, ada.id)).toHaveLength(1);
      expect(await classToJoin(db, code, from)).not.toBeNull();
    });

    test('a closed code lets nobody in, with a new one the old leads nowhere', async () => {
      const { classId } = school;
      const { cards } = await makeCardsFor(db, own, { classId, student: 'all' });
      const old = await changeCode(db, own, { classId, what: 'close' });
      const come = async (code: string) =>
        enterAsStudent(db, { code, student: ref, secret: cards[0].pictures.join(' ') }, from);
      const ref = 'nobody';
      expect(await classToJoin(db, old, from)).toBeNull();
      expect(await why(come(old))).toMatch(/not your pictures/);
      await changeCode(db, own, { classId, what: 'open' });
      expect((await classToJoin(db, old, from))?.members.map(({ name }) => name)).toEqual(['Ada']);
      const fresh = await changeCode(db, own, { classId, what: 'renew' });
      expect(fresh).not.toBe(old);
      expect(await classToJoin(db, old, from)).toBeNull();
      expect(await classToJoin(db, fresh, from)).not.toBeNull();
    });

    test('a student is called something else, but not like another', async () => {
      const { classId } = school;
      await addStudentsTo(means(), own, { classId, names: ['Bo', 'Élodie', 'Zoë'] });
      const bo = (await membersOf(db, classId)).find(({ name }) => name === 'Bo')!;
      expect(await why(renameStudentFor(db, own, { classId, student: bo.id, name: 'ada' }))).toMatch(
        /called ada already/,
      );
      expect(await renameStudentFor(db, own, { classId, student: bo.id, name: 'Bodil' })).toBe('Bo');
      expect((await membersOf(db, classId)).map(({ name }) => name)).toEqual(['Ada', 'Bodil', 'Élodie', 'Zoë']);
    });

    test('two entries for one child become one, with the work of both', async () => {
      const { classId } = school;
      const [kept, gone] = [await school.student('Cy'), await school.student('Cyrus')];
      const [a, b, c] = [
        await school.handOut(sampleSheet()),
        await school.handOut(sampleSheet()),
        await school.handOut(sampleSheet()),
      ];
      const begin = async (handout: string, student: string) => {
        const copy = await school.copy(handout, student);
        await school.save(copy, 0, [{ kind: 'set', id: 'box', values: { x: 5 } }]);
        return copy.id;
      };
      const mine = await begin(a, kept);
      const theirs = await begin(b, gone);
      const { token } = await openSession(db, gone, 'student');
      expect(await begunByBoth(db, kept, gone)).toEqual([]);
      const merge = () => mergeStudentsFor(means(), own, { classId, student: kept, other: gone });
      const twice = await begin(c, kept);
      const other = await begin(c, gone);
      expect(await why(merge())).toMatch(/both begun “Bird”/);
      await db.query('delete from copy where id = $1', [other]);
      expect(await merge()).toEqual({ kept: 'Cy', gone: 'Cyrus' });
      const ids = (await trayOf(db, kept)).map(({ id }) => id);
      for (const id of [mine, theirs, twice]) expect(ids).toContain(id);
      expect(await trayOf(db, gone)).toEqual([]);
      expect((await membersOf(db, classId)).map(({ name }) => name)).not.toContain('Cyrus');
      expect(await personOf(db, token)).toBeUndefined();
      for (const handout of [a, b, c])
        expect((await copiesOf(db, handout)).filter(({ studentId }) => studentId === kept)).toHaveLength(1);
    });

    test('a list brings classes and students; sent twice it brings nothing twice', async () => {
      const roster = Roster.parse([
        { into: school.classId, name: 'Curlew', students: named('Ada', 'Dot') },
        { into: '', name: 'Snipe', students: named('Eve', 'Fin') },
      ]);
      expect(await addRoster(means(), own, roster)).toEqual({ classes: 1, added: 3, there: 1 });
      expect(await addRoster(means(), own, roster)).toEqual({ classes: 0, added: 0, there: 4 });
      // Late joiners have what the class was handed out.
      const dot = (await membersOf(db, school.classId)).find(({ name }) => name === 'Dot')!;
      expect((await trayOf(db, dot.id)).length).toBeGreaterThan(0);
      const many = (n: number) => named(...Array.from({ length: n }, (_, i) => `Name ${i}`));
      const problem = (classes: unknown) => Roster.safeParse(classes).error?.issues[0].message;
      expect(problem([{ into: '', name: 'X', students: many(401) }])).toMatch(/at most 400/);
      expect(problem(Array.from({ length: 6 }, () => ({ into: '', name: 'X', students: many(399) })))).toMatch(
        /2,000 names/,
      );
      expect(problem([])).toMatch(/at least one class/);
    });
  });

  describe('the head of a school', () => {
    const head = async () => {
      await db.query('update person set head = true where id = $1', [own.id]);
      return (await personById(db, own.id))!;
    };

    test('adds teachers, who come in once with what they are given and then choose a password', async () => {
      const made = await doWithSchool(db, await head(), { do: 'add', name: 'New', email: 'New@rights.example' });
      expect(made.password.split(' ')).toHaveLength(4);
      const enter = (password: string) => enterAsTeacher(db, { email: 'new@rights.example', password }, from);
      const entered = await enter(made.password);
      expect(entered).toMatchObject({ mustChoose: true, person: { name: 'New', role: 'teacher', head: false } });
      expect(await why(enter(made.password))).toMatch(/don’t match/);
      const { token } = await openSession(db, entered.person.id, 'teacher', true);
      const elsewhere = await openSession(db, entered.person.id, 'teacher', true);
      await chooseOwnPassword(db, { id: entered.person.id, mustChoose: true }, token, {
        password: 'a long new password',
        current: '',
      });
      expect((await enter('a long new password')).mustChoose).toBe(false);
      expect(await personOf(db, token)).toMatchObject({ mustChoose: false });
      expect(await personOf(db, elsewhere.token)).toBeUndefined();
      // From now on the one until now is asked for.
      const change = (current: string) =>
        chooseOwnPassword(db, { id: entered.person.id, mustChoose: false }, token, {
          password: 'another password',
          current,
        });
      expect(await why(change(made.password))).toMatch(/not your password until now/);
      await change('a long new password');
      expect((await enter('another password')).mustChoose).toBe(false);
    });

    test('sets a password anew, which ends the old one and every session', async () => {
      const someone = (await teachersIn(db, school.schoolId)).find(({ name }) => name === 'New')!;
      const { token } = await openSession(db, someone.id, 'teacher');
      const { password } = await doWithSchool(db, await head(), { do: 'reset', teacher: someone.id });
      expect(await personOf(db, token)).toBeUndefined();
      const enter = (typed: string) => enterAsTeacher(db, { email: someone.email, password: typed }, from);
      expect(await why(enter('another password'))).toMatch(/don’t match/);
      expect((await enter(password)).mustChoose).toBe(true);
    });

    test('nobody else does, an address is taken once, and another school’s teachers are not there', async () => {
      const boss = await head();
      const notHead = (await personById(db, full.id))!;
      expect(await statusOf(doWithSchool(db, notHead, { do: 'reset', teacher: own.id }))).toBe(403);
      expect(() => requireHead(notHead)).toThrow(/whoever looks after/);
      expect(await why(doWithSchool(db, boss, { do: 'add', name: 'X', email: 'FULL@rights.example' }))).toMatch(
        /registered with full@rights.example already/,
      );
      expect(await statusOf(doWithSchool(db, boss, { do: 'reset', teacher: ada.id }))).toBe(404);
      expect(await why(doWithSchool(db, boss, { do: 'reset', teacher: own.id }))).toMatch(/Your own password/);
    });
  });
});
