import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { ReadStudent } from '../../core/formats/roster-file';
import { DATABASES } from '../../tests/support/databases';
import { refusalOf, why } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import type { Database } from '../database/connection';
import { listedIn, sourceOf } from '../stores/class-lists';
import { addClass, membersOf } from '../stores/classes';
import { goesOf, handIn } from '../stores/goes';
import { createHandout } from '../stores/handing-out';
import { addPerson } from '../stores/people';
import { rosterResults } from '../views/feedback-view';
import { addRoster, forgetFamiliesFor, mergeStudentsFor, moveStudentFor, setFamilyFor, SettingFamily } from './classes';
import { review } from './review';

/** What class lists say besides names: ids under which marks go back, and where letters go. */

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
  });
  afterAll(() => db.close());

  let number = 0;
  async function classOf(students: readonly ReadStudent[], id?: string) {
    const name = `Class ${number++}`;
    const { teacher } = school;
    const classId = await addClass(db, { schoolId: school.schoolId, teacherId: teacher.id, name });
    const read = (again: readonly ReadStudent[]) =>
      addRoster(school.means, teacher, [{ into: classId, name, id, students: [...again] }]);
    await read(students);
    const idOf = async (student: string) => (await membersOf(db, classId)).find((one) => one.name === student)!.id;
    const known = async (student: string) => {
      const personId = await idOf(student);
      const found = (await listedIn(db, classId)).find((one) => one.personId === personId);
      return found && { id: found.sourceId, family: found.family };
    };
    return { classId, name, read, known, idOf };
  }

  test('ids and addresses come with a list, and are added to students who are there; nothing is lost by a list without them', async () => {
    const { classId, read, known } = await classOf([
      { name: 'Ada' },
      { name: 'Ben', id: 'b1', family: ['b@x.example'] },
    ]);
    expect(await known('Ada')).toBeUndefined();
    expect(await known('Ben')).toEqual({ id: 'b1', family: ['b@x.example'] });
    expect(await sourceOf(db, classId)).toBeNull();
    expect(await read([{ name: 'ADA', id: 'a1', family: ['a@x.example'] }, { name: 'Ben' }])).toMatchObject({
      there: 2,
    });
    expect(await known('Ada')).toEqual({ id: 'a1', family: ['a@x.example'] });
    expect(await known('Ben')).toEqual({ id: 'b1', family: ['b@x.example'] });
    await read([{ name: 'Ben', id: 'b2', family: ['B@x.example', 'dad@x.example'] }]);
    expect(await known('Ben')).toEqual({ id: 'b2', family: ['b@x.example', 'dad@x.example'] });
  });

  test('a student has so many addresses at most', async () => {
    const many = (n: number) => Array.from({ length: n }, (_, i) => `a${i}@x.example`);
    const { read, known } = await classOf([{ name: 'Ada', family: many(4) }]);
    await read([{ name: 'Ada', family: many(6) }]);
    await read([{ name: 'Ada', family: ['late@x.example'] }]);
    expect((await known('Ada'))!.family).toEqual(many(6));
  });

  test('addresses are typed, refused where they are none, and deleted for one or for all', async () => {
    const { classId, known, idOf } = await classOf([{ name: 'Ada' }, { name: 'Ben', family: ['b@x.example'] }]);
    const student = await idOf('Ada');
    const typed = (family: string) => SettingFamily.safeParse({ classId, student, family });
    for (const wrong of ['nobody', 'a@x', 'a@x.example, b@@x.example']) expect(typed(wrong).success, wrong).toBe(false);
    expect(typed('').data!.family).toEqual([]);
    await setFamilyFor(db, school.teacher, typed('Mum <m@x.example>; d@x.example').data!);
    expect((await known('Ada'))!.family).toEqual(['d@x.example', 'm@x.example']);
    await setFamilyFor(db, school.teacher, typed('').data!);
    expect(await known('Ada')).toBeUndefined();
    await setFamilyFor(db, school.teacher, typed('m@x.example').data!);
    expect(await forgetFamiliesFor(db, school.teacher, { classId })).toBe(2);
    expect(await listedIn(db, classId)).toEqual([]);
  });

  test('two entries for one child share what was known of both; who leaves for good takes their addresses along', async () => {
    const { classId, known, idOf } = await classOf([
      { name: 'Ada', family: ['a@x.example'] },
      { name: 'Ada B', id: 'a7', family: ['a@x.example', 'b@x.example'] },
    ]);
    const [student, other] = [await idOf('Ada'), await idOf('Ada B')];
    await mergeStudentsFor(school.means, school.teacher, { classId, student, other });
    expect(await known('Ada')).toEqual({ id: 'a7', family: ['a@x.example', 'b@x.example'] });
    const { classId: to, known: there } = await classOf([]);
    await moveStudentFor(school.means, school.teacher, { classId, student, to });
    expect((await there('Ada'))!.family).toHaveLength(2);
    await moveStudentFor(school.means, school.teacher, { classId: to, student, to: '' });
    expect(await db.query('select 1 from family_address where person_id = any($1)', [[student, other]])).toEqual([]);
  });

  describe('marks that go back to where the list is from', () => {
    async function handedOut(students: readonly ReadStudent[], id?: string, points = 3) {
      const one = await classOf(students, id);
      const { schoolId, teacherId } = school;
      const handoutId = await createHandout(
        db,
        {
          ...{ schoolId, teacherId, classId: one.classId, sheetId: null, title: 'Bird', brief: '', dueAt: null },
          sheet: sampleSheet(),
          lookFors: [],
          rubric:
            points === 0
              ? { rows: [] }
              : { rows: [{ id: 'r', name: 'R', levels: [0, points].map((of) => ({ points: of, text: '' })) }] },
          supplies: [],
        },
        school.pictures,
      );
      const marked = async (student: string, level: number | null) => {
        const copy = await school.copy(handoutId, await one.idOf(student));
        await handIn(db, copy, 0);
        const [go] = await goesOf(db, copy.id);
        const steps = level === null ? [] : [{ do: 'mark' as const, row: 'r', level }];
        if (level !== null) await review(db, school.teacher, { handoutId, copyId: copy.id }, { go: go.id, steps });
      };
      const results = () => rosterResults(school.means, school.teacher, handoutId, [], 'UTC');
      return { ...one, handoutId, marked, results };
    }

    test('are told by the ids of the list; who has none is left out', async () => {
      const { marked, results } = await handedOut(
        [{ name: 'Ada', id: 'u1' }, { name: 'Ben' }, { name: 'Cai', id: 'u3' }, { name: 'Dot', id: 'u4' }],
        'c9',
      );
      await marked('Ada', 1);
      await marked('Ben', 1);
      await marked('Cai', null);
      const { files } = await results();
      const text = (name: string) => files.find((file) => file.name === name)!.text;
      expect(text('lineItems.csv')).toContain(',c9,');
      const told = text('results.csv')
        .trim()
        .split('\r\n')
        .slice(1)
        .map((line) => line.split(',').slice(4, 7));
      expect(told).toEqual([
        ['u1', 'fully graded', '3'],
        ['u3', 'submitted', ''],
        ['u4', 'not submitted', ''],
      ]);
    });

    test('are refused where the list gave no ids, where there are no points, and to strangers', async () => {
      const plain = await handedOut([{ name: 'Ada', id: 'u1' }]);
      expect(await why(plain.results())).toMatch(/^409 .*no ids/);
      const nobody = await handedOut([{ name: 'Ada' }], 'c1');
      await nobody.marked('Ada', 1);
      expect(await why(nobody.results())).toMatch(/^409 .*has an id/);
      const pointless = await handedOut([{ name: 'Ada', id: 'u1' }], 'c1', 0);
      expect(await why(pointless.results())).toMatch(/^409 .*brings points/);
      const { schoolId } = school;
      const id = await addPerson(db, { schoolId, role: 'teacher', name: 'S', email: 's@lists.example' });
      expect((await refusalOf(rosterResults(school.means, { id }, plain.handoutId, [], 'UTC'))).status).toBe(404);
    });
  });
});
