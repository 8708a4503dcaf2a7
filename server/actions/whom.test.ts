import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { refusalOf, why } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import type { Database } from '../database/connection';
import { copiesOf, copyOfStudent, documentAccess, nextOpening, trayOf } from '../stores/copies';
import { addClass, addStudent } from '../stores/classes';
import { groupsOf } from '../stores/groups';
import { binnedHandouts, changeHandout } from '../stores/handout-life';
import { handoutById, progressOf } from '../stores/handouts';
import { addPerson } from '../stores/people';
import { createSheet } from '../stores/sheets';
import { handOutView } from '../views/hand-out-view';
import { addStudentsTo, moveStudentFor } from './classes';
import { doOnDesk } from './desk';
import { removeGroupFor, setGroupFor, SettingGroup } from './groups';
import { doWithCopy } from './hand-in';
import { HandingOut, handOut, TryingOut, tryOut } from './hand-out';
import { saveWork } from './save-changes';
import { copyView } from '../views/copy-view';
import { page, picture as pictureItem, plain, sheet, text } from '../../core/schema/defaults';
import type { Sheet } from '../../core/schema/sheet';
import { lookFor } from '../../core/lookfors/all';
import { sheetToUseAgain } from './handout-life';

/** To whom something is handed out, from when on, once more, and into the bin. */

const HOUR = 3_600_000;
const inTime = (ms: number) => new Date(Date.now() + ms).toISOString();

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let teacher: { id: string; schoolId: string; name: string };
  const students: Record<string, string> = {};
  let sheetId: string;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    const { schoolId } = school;
    teacher = { id: school.teacherId, schoolId, name: 'T' };
    for (const name of ['Ada', 'Ben', 'Cai', 'Dee']) students[name] = await school.student(name);
    sheetId = await createSheet(db, { schoolId, ownerId: teacher.id, purpose: 'blank', sheet: sampleSheet() });
    await group('moss-group01', 'Moss', ['Ada', 'Ben']);
    await group('fern-group01', 'Fern', ['Ben', 'Cai']);
  });
  afterAll(() => db.close());

  const means = () => school.means;
  const group = (id: string, name: string, who: string[]) =>
    school.group(
      id,
      name,
      who.map((one) => students[one]),
    );
  const out = async (given: Partial<HandingOut> = {}) =>
    (await handOut(means(), teacher, sheetId, school.asked({ again: true, ...given })))[0];
  const only = (groups: string[], who: string[] = []) => ({
    only: { [school.classId]: { groups, students: who.map((one) => students[one]) } },
  });
  const have = async (id: string) => (await copiesOf(db, id)).map(({ studentName }) => studentName);
  const tray = async (who: string) => (await trayOf(db, students[who])).map(({ id }) => id);
  const copyOf = async (id: string, who: string) => (await copiesOf(db, id)).find((one) => one.studentName === who)!;

  test('the whole class, groups, and single students get it, each of them once', async () => {
    expect(await have(await out())).toEqual(['Ada', 'Ben', 'Cai', 'Dee']);
    expect(await have(await out(only(['moss-group01'])))).toEqual(['Ada', 'Ben']);
    expect(await have(await out(only(['moss-group01', 'fern-group01'])))).toEqual(['Ada', 'Ben', 'Cai']);
    expect(await have(await out(only([], ['Dee'])))).toEqual(['Dee']);
    expect(await have(await out(only(['moss-group01'], ['Ada', 'Dee'])))).toEqual(['Ada', 'Ben', 'Dee']);
  });

  test('to whom it went is told as groups are called now', async () => {
    const id = await out(only(['moss-group01', 'fern-group01']));
    expect((await handoutById(db, id))?.groups).toEqual(['Fern', 'Moss']);
    await group('fern-group01', 'Bracken', ['Ben', 'Cai']);
    expect((await handoutById(db, id))?.groups).toEqual(['Bracken', 'Moss']);
    await group('fern-group01', 'Fern', ['Ben', 'Cai']);
    expect((await progressOf(db, teacher.id)).find((one) => one.id === id)?.groups).toEqual(['Fern', 'Moss']);
    expect((await handoutById(db, await out(only([], ['Dee']))))?.groups).toEqual([]);
    expect((await handoutById(db, await out()))?.groups).toBeNull();
  });

  test('nobody, somebody of another class, and a group that is gone are refused', async () => {
    const { schoolId } = school;
    const elsewhere = await addClass(db, { schoolId, teacherId: teacher.id, name: 'Heron' });
    const stranger = await addStudent(db, { schoolId, classId: elsewhere, name: 'Zed' });
    students.Zed = stranger;
    expect(await why(out(only([])))).toMatch(/Choose who of Curlew/);
    expect(await why(out(only([], ['Zed'])))).toMatch(/changed meanwhile/);
    expect(await why(out(only(['none-group01'])))).toMatch(/changed meanwhile/);
  });

  test('who joins a group later gets what it was handed out; who leaves it keeps their copy', async () => {
    const moss = await out(only(['moss-group01']));
    const single = await out(only([], ['Ada']));
    await group('moss-group01', 'Moss', ['Ada', 'Dee']);
    expect(await have(moss)).toEqual(['Ada', 'Ben', 'Dee']);
    // A class that somebody joins gives what went to all of it, and nothing that went to some.
    const all = await out();
    await addStudentsTo(means(), teacher, { classId: school.classId, names: ['Eli'] });
    expect(await have(all)).toContain('Eli');
    expect(await have(moss)).not.toContain('Eli');
    expect(await have(single)).toEqual(['Ada']);
    await group('moss-group01', 'Moss', ['Ada', 'Ben']);
  });

  test('who leaves a class leaves its groups; a group that is removed leaves its copies', async () => {
    const { schoolId } = school;
    students.Fay = await school.student('Fay');
    await group('ivy-group-01', 'Ivy', ['Fay', 'Ada']);
    const id = await out(only(['ivy-group-01']));
    const other = await addClass(db, { schoolId, teacherId: teacher.id, name: 'Plover' });
    await moveStudentFor(means(), teacher, { classId: school.classId, student: students.Fay, to: other });
    const ivy = async () => (await groupsOf(db, [school.classId])).find((one) => one.name === 'Ivy');
    expect((await ivy())?.members).toEqual([students.Ada]);
    await removeGroupFor(db, teacher, { classId: school.classId, group: 'ivy-group-01' });
    expect(await ivy()).toBeUndefined();
    expect(await have(id)).toEqual(['Ada']);
    // It does not turn into one for the whole class.
    await addStudentsTo(means(), teacher, { classId: school.classId, names: ['Gus'] });
    expect(await have(id)).toEqual(['Ada']);
  });

  test('two groups of one name, an empty group, and a group of another’s class are refused', async () => {
    expect(await why(group('twin-group01', 'moss', ['Ada']))).toMatch(/group “moss” in this class already/);
    expect(
      SettingGroup.safeParse({ classId: 'c', group: 'twin-group01', name: 'X', members: '' }).error?.issues[0].message,
    ).toMatch(/Choose who/);
    const { schoolId } = school;
    const stranger = {
      id: await addPerson(db, { schoolId, role: 'teacher', name: 'S', email: 's@s.example' }),
      schoolId,
    };
    const wanted = { classId: school.classId, group: 'moss-group01', name: 'Mine', members: [students.Dee] };
    expect((await refusalOf(setGroupFor(means(), stranger, wanted))).status).toBe(404);
    expect(
      (await refusalOf(removeGroupFor(db, stranger, { classId: school.classId, group: 'moss-group01' }))).status,
    ).toBe(404);
  });

  test('before it opens students neither see nor reach it, and what they send is not taken', async () => {
    const id = await out({ opensAt: inTime(HOUR), dueAt: inTime(2 * HOUR) });
    const copy = await copyOf(id, 'Ada');
    expect(await tray('Ada')).not.toContain(copy.id);
    expect(+(await nextOpening(db, students.Ada))!).toBeGreaterThan(Date.now());
    expect(await copyOfStudent(db, students.Ada, copy.id)).toBeUndefined();
    expect(await documentAccess(db, students.Ada, copy.documentId)).toBeNull();
    const words = { title: 'Bird', brief: '', dueAt: null, closesAt: null, returnsAt: null };
    await changeHandout(db, id, { ...words, opensAt: new Date(Date.now() - 1000) });
    expect(await tray('Ada')).toContain(copy.id);
    expect(await copyOfStudent(db, students.Ada, copy.id)).toBeDefined();
    expect(await documentAccess(db, students.Ada, copy.documentId)).toMatchObject({ kind: 'copy' });
    expect(await nextOpening(db, students.Ada)).toBeNull();
  });

  test('who joins before it opens has a copy from then on', async () => {
    const id = await out({ opensAt: inTime(HOUR) });
    await addStudentsTo(means(), teacher, { classId: school.classId, names: ['Hal'] });
    expect(await have(id)).toContain('Hal');
  });

  test('it can’t be due or closed before it opens', async () => {
    expect(await why(out({ opensAt: inTime(2 * HOUR), dueAt: inTime(HOUR) }))).toMatch(/due before it opens/);
    expect(await why(out({ opensAt: inTime(2 * HOUR), closesAt: inTime(HOUR) }))).toMatch(/close before it opens/);
  });

  test('the same sheet to the same class again asks first, but the same handing out does not', async () => {
    const { schoolId } = school;
    const fresh = await addClass(db, { schoolId, teacherId: teacher.id, name: 'Dunlin' });
    await addStudent(db, { schoolId, classId: fresh, name: 'Ira' });
    const ids = { [fresh]: 'handed-out-1' };
    const to = { classes: [fresh], ids, again: false };
    expect(await out(to)).toBe('handed-out-1');
    expect(await out(to)).toBe('handed-out-1');
    expect((await progressOf(db, teacher.id)).filter(({ className }) => className === 'Dunlin')).toHaveLength(1);
    const refusal = await refusalOf(out({ ...to, ids: { [fresh]: 'handed-out-2' } }));
    expect([refusal.field, refusal.message]).toEqual(['again', expect.stringMatching(/Dunlin has this sheet already/)]);
    const view = await handOutView(db, teacher, sheetId);
    expect(view.classes.find(({ id }) => id === fresh)?.hadAt).toBeInstanceOf(Date);
    expect(await out({ ...to, ids: { [fresh]: 'handed-out-2' }, again: true })).toBe('handed-out-2');
    // What is in the bin does not count as handed out.
    for (const handoutId of ['handed-out-1', 'handed-out-2'])
      await doOnDesk(db, teacher, { do: 'bin-handout', handoutId });
    expect(await out({ ...to, ids: { [fresh]: 'handed-out-3' } })).toBe('handed-out-3');
  });

  test('a sheet can be meant for all who work on some copies', async () => {
    const id = await out({ ...only(['moss-group01'], ['Dee']), together: true });
    const copies = await copiesOf(db, id);
    const copyIds = copies.filter(({ studentName }) => studentName !== 'Dee').map((copy) => copy.id);
    const { meant } = await handOutView(db, teacher, sheetId, null, { handoutId: id, copyIds });
    expect(meant?.classId).toBe(school.classId);
    expect([...meant!.students].sort()).toEqual([students.Ada, students.Ben].sort());
    // Of a copy of another handout, or a handout that is not theirs, nothing is told.
    const other = await out();
    expect((await handOutView(db, teacher, sheetId, null, { handoutId: other, copyIds })).meant?.students).toEqual([]);
    const after = { handoutId: 'not theirs', copyIds };
    expect((await handOutView(db, teacher, sheetId, null, after)).meant).toBeNull();
  });

  test('several classes get it at once, or none of them', async () => {
    const { schoolId } = school;
    const two = await addClass(db, { schoolId, teacherId: teacher.id, name: 'Teal' });
    const before = (await progressOf(db, teacher.id)).length;
    expect(await why(out({ classes: [school.classId, two] }))).toMatch(/Nobody is in Teal/);
    expect(await progressOf(db, teacher.id)).toHaveLength(before);
    await addStudent(db, { schoolId, classId: two, name: 'Jo' });
    const some = { [school.classId]: { groups: ['moss-group01'], students: [] } };
    await out({ classes: [school.classId, two], only: some });
    const [a, b] = await progressOf(db, teacher.id);
    expect([a, b].map(({ className, groups }) => [className, groups]).sort()).toEqual([
      ['Curlew', ['Moss']],
      ['Teal', null],
    ]);
  });

  test('in the bin nobody sees it; restored, all is as it was; deleted, all of it is gone', async () => {
    const id = await out();
    const copy = await copyOf(id, 'Ada');
    await doOnDesk(db, teacher, { do: 'bin-handout', handoutId: id });
    const seen = async () => [
      (await tray('Ada')).includes(copy.id),
      (await copyOfStudent(db, students.Ada, copy.id)) !== undefined,
      (await documentAccess(db, students.Ada, copy.documentId)) !== null,
      (await progressOf(db, teacher.id)).some((one) => one.id === id),
    ];
    expect(await seen()).toEqual([false, false, false, false]);
    expect((await binnedHandouts(db, teacher.id))[0]).toMatchObject({
      id,
      title: 'Bird',
      className: 'Curlew',
      begun: 0,
    });
    await addStudentsTo(means(), teacher, { classId: school.classId, names: ['Kim'] });
    await doOnDesk(db, teacher, { do: 'restore-handout', handoutId: id });
    expect(await seen()).toEqual([true, true, true, true]);
    // Only what is in the bin is deleted.
    expect((await refusalOf(doOnDesk(db, teacher, { do: 'delete-handout', handoutId: id }))).status).toBe(404);
    await doOnDesk(db, teacher, { do: 'bin-handout', handoutId: id });
    const stranger = { id: students.Ada, schoolId: school.schoolId };
    expect((await refusalOf(doOnDesk(db, stranger, { do: 'delete-handout', handoutId: id }))).status).toBe(404);
    await doOnDesk(db, teacher, { do: 'delete-handout', handoutId: id });
    expect(await handoutById(db, id)).toBeUndefined();
    expect(await db.query('select 1 from document where id = $1', [copy.documentId])).toEqual([]);
    expect(await db.query('select 1 from copy where handout_id = $1', [id])).toEqual([]);
  });

  test('used again with its brief, from its sheet or, where that is gone, from what was handed out', async () => {
    const id = await out({ brief: 'Name the parts.', title: 'Parts' });
    expect(await sheetToUseAgain(db, teacher, id)).toBe(sheetId);
    const view = await handOutView(db, teacher, sheetId, id);
    expect(view.like).toMatchObject({ id, title: 'Parts', brief: 'Name the parts.' });
    const own = await createSheet(db, {
      schoolId: school.schoolId,
      ownerId: teacher.id,
      purpose: 'blank',
      sheet: sampleSheet(),
    });
    await db.query('update handout set sheet_id = $2 where id = $1', [id, own]);
    await doOnDesk(db, teacher, { do: 'bin', sheetId: own });
    const made = await sheetToUseAgain(db, teacher, id);
    expect(made).not.toBe(own);
    expect((await handOutView(db, teacher, made, id)).sheet.pages).toEqual(sampleSheet().pages);
    expect((await refusalOf(sheetToUseAgain(db, { id: students.Ada, schoolId: school.schoolId }, id))).status).toBe(
      404,
    );
    expect((await handOutView(db, teacher, sheetId, 'nothing')).like).toBeNull();
  });

  test('so many of a supply and no more, as the teacher says', async () => {
    const id = await out({ supplies: ['picture'], limits: { picture: 1 } });
    const copy = await copyOf(id, 'Ada');
    const view = await copyView(means(), { id: students.Ada, name: 'Ada' }, copy.id);
    expect(view).toMatchObject({ limits: { picture: 1 } });
    const add = (picture: string, base: number) =>
      saveWork(means(), { id: students.Ada, name: 'Ada', schoolId: school.schoolId }, copy.documentId, {
        base,
        batch: `add-${picture}`,
        changes: [
          {
            kind: 'insert',
            spot: { page: sampleSheet().pages[0].id, group: null, behind: null },
            item: pictureItem({ id: picture, picture: 'flat/owl', touch: 'free' }),
          },
        ],
      });
    expect(await add('one', 0)).toMatchObject({ outcome: 'saved' });
    expect(await add('two', 1)).toMatchObject({
      outcome: 'refused',
      reason: expect.stringMatching(/how many pictures/),
    });
  });

  test('an example lies beside the sheet as it was then, without its key; somebody else’s and an empty one are refused', async () => {
    const store = (made: Sheet, ownerId = teacher.id) =>
      createSheet(db, { schoolId: school.schoolId, ownerId, purpose: 'blank', sheet: made });
    const key = text({ id: 'key', role: 'key', body: plain('secret answer') });
    const filled = text({ id: 'filled', blank: true, touch: 'fill', body: plain('as it could be') });
    const shown = sheet({ title: 'Example', pages: [page({ id: 'p', items: [key, filled] })] });
    const example = await store(shown);
    const id = await out({ example });
    const copy = await copyOf(id, 'Ada');
    const view = await copyView(means(), { id: students.Ada, name: 'Ada' }, copy.id);
    expect(view.damage === null && view.example).toHaveLength(1);
    const stored = JSON.stringify((await handoutById(db, id))!.example);
    expect(stored).toContain('as it could be');
    expect(stored).not.toContain('secret answer');
    // The sheet may be thrown away: what was handed out has its own.
    await db.query('delete from sheet where id = $1', [example]);
    expect((await handoutById(db, id))!.example).not.toBeNull();
    const stranger = await addPerson(db, { schoolId: school.schoolId, role: 'teacher', name: 'X' });
    expect(await why(out({ example: await store(shown, stranger) }))).toMatch(/^404/);
    expect(await why(out({ example: await store(sheet({ title: 'Bare' })) }))).toMatch(/^422 The example is empty/);
  });

  test('tried out, a teacher has a copy as students get it, which counts, is handed in by nobody, and is thrown away', async () => {
    const given = TryingOut.parse({
      title: 'Bird',
      brief: 'Look.',
      lookFors: [lookFor({ kind: 'sample', id: 'a', title: 'Nothing left', tell: 'result' })],
      rubric: { rows: [] },
      supplies: ['text'],
    });
    const before = await progressOf(db, teacher.id);
    const first = await tryOut(means(), teacher, sheetId, given);
    const view = await copyView(means(), teacher, first);
    if (view.damage !== null) throw new Error('damaged');
    expect(view).toMatchObject({ trialOf: sheetId, state: 'not-begun', brief: 'Look.', supplies: ['text'] });
    expect(view.results).toHaveLength(1);
    const saving = { base: 0, batch: 'trial-batch', changes: [{ kind: 'set', id: 'box', values: { x: 5 } }] };
    await saveWork(means(), { ...teacher, name: 'T' }, view.documentId, saving);
    expect(await why(doWithCopy(means(), teacher, first, { do: 'hand-in', seq: 1 }))).toMatch(/only tried out/);
    // It is no handout: it shows nowhere, and nobody else can open it.
    expect(await progressOf(db, teacher.id)).toEqual(before);
    const student = { id: students.Ada, name: 'Ada' };
    expect((await refusalOf(copyView(means(), student, first))).status).toBe(404);
    const second = await tryOut(means(), teacher, sheetId, given);
    expect((await refusalOf(copyView(means(), teacher, first))).status).toBe(404);
    expect(await copyView(means(), teacher, second)).toMatchObject({ seq: 0 });
    expect(await db.query('select 1 from document where id = $1', [view.documentId])).toEqual([]);
    const stranger = { id: students.Ada, schoolId: school.schoolId };
    expect((await refusalOf(tryOut(means(), stranger, sheetId, given))).status).toBe(404);
  });
});
