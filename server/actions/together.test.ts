import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import type { Change } from '../../core/changes/change';
import { lookFor } from '../../core/lookfors/all';
import { page, plain, sheet, text } from '../../core/schema/defaults';
import type { TextItem } from '../../core/schema/sheet';
import { find } from '../../core/sheet/tree';
import { bodyText } from '../../core/text/body';
import type { Database } from '../database/connection';
import { Live } from '../services/live';
import { addStudent } from '../stores/classes';
import { copiesOf, documentAccess, trayOf } from '../stores/copies';
import { loadDocument } from '../stores/documents';
import { createSheet } from '../stores/sheets';
import { copyView } from '../views/copy-view';
import { readingView } from '../views/reading-view';
import { mergeStudentsFor, moveStudentFor } from './classes';
import { doWithCopy } from './hand-in';
import { HandingOut, handOut } from './hand-out';
import type { News } from './live';
import { mayFollow, tellHere } from './live';
import { saveWork } from './save-changes';

/** Group work: two to five students on one copy, each of whom sees what the others do. */

const base = sheet({
  title: 'Reef',
  pages: [
    page({
      id: 'p',
      items: [
        text({ id: 'name', role: 'name', touch: 'fill' }),
        text({ id: 'left', y: 60, touch: 'fill' }),
        text({ id: 'right', y: 120, touch: 'fill' }),
      ],
    }),
  ],
});

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let teacher: { id: string; schoolId: string; name: string };
  let sheetId: string;
  let other: string;
  const students: Record<string, string> = {};
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    const { schoolId, teacherId } = school;
    teacher = { id: teacherId, schoolId, name: 'T' };
    for (const name of ['Ada', 'Ben', 'Cai', 'Dee', 'Eli', 'Flo', 'Gus', 'Hal'])
      students[name] = await school.student(name);
    const owned = { schoolId, ownerId: teacherId, purpose: 'blank' as const, sheet: base };
    sheetId = await createSheet(db, owned);
    other = await createSheet(db, owned);
    await group('moss-group01', 'Moss', ['Ada', 'Ben', 'Cai']);
    await group('fern-group01', 'Fern', ['Dee', 'Eli']);
  });
  afterAll(() => db.close());

  const group = (id: string, name: string, who: string[]) =>
    school.group(
      id,
      name,
      who.map((one) => students[one]),
    );
  const out = async (given: Partial<HandingOut> = {}) =>
    (await handOut(school.means, teacher, sheetId, school.asked({ again: true, together: true, ...given })))[0];
  const only = (...groups: string[]) => ({ only: { [school.classId]: { groups, students: [] } } });
  const names = async (id: string) => (await copiesOf(db, id)).map(({ studentName }) => studentName);
  const copyOf = async (id: string, who: string) =>
    (await copiesOf(db, id)).find(({ studentName }) => studentName.split(' & ').includes(who))!;
  const person = (who: string) => ({ id: students[who], name: who, schoolId: school.schoolId });
  const typed = (id: string, words: string): Change => ({ kind: 'splice', id, at: 0, remove: 0, insert: plain(words) });
  let batches = 0;
  const save = (who: string, documentId: string, from: number, ...changes: Change[]) =>
    saveWork(school.means, person(who), documentId, { base: from, batch: `batch-${++batches}`, changes });

  test('each group has one copy, who is in none works alone', async () => {
    expect(await names(await out())).toEqual(['Ada & Ben & Cai', 'Dee & Eli', 'Flo', 'Gus', 'Hal']);
    expect(await names(await out(only('fern-group01')))).toEqual(['Dee & Eli']);
    // Without that, everybody has their own.
    expect(await names(await out({ ...only('fern-group01'), together: false }))).toEqual(['Dee', 'Eli']);
  });

  test('a version chosen by hand for a group is what its copy has, whoever of the group it was kept under', async () => {
    const teams = [
      ['Ada', 'Ben', 'Cai'].map((who) => students[who]).sort()[0],
      ['Dee', 'Eli'].map((who) => students[who]).sort()[0],
    ];
    const [moss, fern] = teams;
    const deal = { seed: 1, groups: {}, students: { [moss]: 1, [fern]: 1 } };
    const id = await out({
      ...only('moss-group01', 'fern-group01'),
      versions: { from: { kind: 'sheets', ids: [other] }, deal },
    });
    expect((await copiesOf(db, id)).map(({ version }) => version)).toEqual([1, 1]);
  });

  test('all of a group have it in their tray, see who else works on it, and nobody else reaches it', async () => {
    const id = await out(only('moss-group01'));
    const { id: copyId, documentId } = await copyOf(id, 'Ada');
    for (const who of ['Ada', 'Ben', 'Cai']) {
      const entry = (await trayOf(db, students[who])).find((one) => one.id === copyId)!;
      expect(entry.mates).toEqual(['Ada', 'Ben', 'Cai'].filter((name) => name !== who));
      const view = await copyView(school.means, person(who), copyId);
      expect(view.damage === null && view.mates).toEqual(entry.mates);
    }
    expect(await why(copyView(school.means, person('Dee'), copyId))).toMatch(/^404/);
    expect(await why(mayFollow(db, person('Dee'), documentId))).toMatch(/^404/);
    expect(await why(save('Dee', documentId, 0, typed('left', 'x')))).toMatch(/^404/);
    const here = { window: 'window1', page: 'p', items: [] };
    expect(await why(tellHere(db, person('Dee'), documentId, here))).toMatch(/^404/);
  });

  test('work of all meets on it, each change with its author; what was done without a network is merged', async () => {
    const id = await out({ ...only('moss-group01'), lookFors: [lookFor({ kind: 'name', id: 'n', item: 'name' })] });
    const { id: copyId, documentId } = await copyOf(id, 'Ada');
    expect(await save('Ada', documentId, 0, typed('left', 'coral'))).toMatchObject({ outcome: 'saved', seq: 1 });
    // Ben was offline, and builds on what he knew: he is told what he lacks, and sends his on top of it.
    const late = await save('Ben', documentId, 0, typed('right', 'crab'));
    expect(late).toMatchObject({ outcome: 'behind', seq: 1 });
    await save('Ben', documentId, 1, typed('right', 'crab'));
    await save('Cai', documentId, 2, typed('name', 'Ada, Ben'));
    const { sheet: now } = (await loadDocument(db, documentId))!;
    expect(['left', 'right'].map((item) => bodyText((find(now, item)!.item as TextItem).body))).toEqual([
      'coral',
      'crab',
    ]);
    const piece = { handoutId: id, copyId };
    const read = await readingView(school.means, teacher, piece, 0);
    expect(read.shares).toEqual(['Ada', 'Ben', 'Cai'].map((name) => ({ name, changes: 1 })));
    // The names of all three are looked for.
    expect(read.results[0]).toMatchObject({ held: false, got: 2, need: 3 });
    const told = await save('Cai', documentId, 3, typed('name', 'Cai '));
    expect(told.outcome === 'saved' && told.results?.[0]).toMatchObject({ held: true, got: 3 });
  });

  test('it is handed in once, for all of them', async () => {
    const id = await out(only('moss-group01'));
    const { id: copyId, documentId } = await copyOf(id, 'Ada');
    await save('Ben', documentId, 0, typed('left', 'x'));
    const seq = 1;
    const both = await Promise.allSettled(
      ['Ada', 'Ben'].map((who) => doWithCopy(school.means, person(who), copyId, { do: 'hand-in', seq })),
    );
    expect(both.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    expect((await copyOf(id, 'Cai')).go).toBe(1);
    expect(await why(save('Cai', documentId, 1, typed('right', 'late')))).toMatch(/^409 This copy is handed in/);
    await doWithCopy(school.means, person('Cai'), copyId, { do: 'take-back' });
    expect(await save('Cai', documentId, 1, typed('right', 'late'))).toMatchObject({ outcome: 'saved' });
  });

  test('what one does and where they are is heard by who has it open, also in another process', async () => {
    const id = await out(only('fern-group01'));
    const { documentId } = await copyOf(id, 'Dee');
    const live = new Live(db);
    const heard: News[] = [];
    let wake = () => {};
    const leave = live.follow(documentId, (news) => {
      heard.push(news);
      wake();
    });
    const until = async (count: number) => {
      while (heard.length < count) await new Promise<void>((resolve) => (wake = resolve));
    };
    // A server takes a moment until it listens.
    const knock = setInterval(
      () => void tellHere(db, person('Dee'), documentId, { window: 'knock1', page: 'p', items: [] }),
      50,
    );
    await until(1);
    clearInterval(knock);
    const before = heard.length;
    await save('Eli', documentId, 0, typed('left', 'x'));
    await until(before + 1);
    expect(heard.find(({ kind }) => kind === 'changes')).toMatchObject({ documentId, kind: 'changes', seq: 1 });
    await tellHere(db, person('Eli'), documentId, { window: 'window2', page: 'p', items: ['left'] });
    await until(before + 2);
    expect(heard).toContainEqual({
      documentId,
      kind: 'here',
      personId: students.Eli,
      name: 'Eli',
      here: { window: 'window2', page: 'p', items: ['left'] },
    });
    leave();
    live.close();
  });

  test('who joins the group joins its copy, up to five; the next has one of their own', async () => {
    const id = await out(only('fern-group01'));
    await group('fern-group01', 'Fern', ['Dee', 'Eli', 'Flo', 'Gus', 'Hal']);
    expect(await names(id)).toEqual(['Dee & Eli & Flo & Gus & Hal']);
    const ivy = await addStudent(db, { schoolId: school.schoolId, classId: school.classId, name: 'Ivy' });
    students.Ivy = ivy;
    await group('fern-group01', 'Fern', ['Dee', 'Eli', 'Flo', 'Gus', 'Hal', 'Ivy']);
    expect(await names(id)).toEqual(['Dee & Eli & Flo & Gus & Hal', 'Ivy']);
    expect(await why(out(only('fern-group01')))).toMatch(/^422 Fern has 6 students: at most 5/);
    await group('fern-group01', 'Fern', ['Dee', 'Eli']);
  });

  test('who leaves the class leaves what nobody has begun, and the others go on with it', async () => {
    const [fresh, begun] = [await out(only('moss-group01')), await out(only('moss-group01'))];
    const { documentId } = await copyOf(begun, 'Ada');
    await save('Ben', documentId, 0, typed('left', 'x'));
    await moveStudentFor(school.means, teacher, { classId: school.classId, student: students.Ada, to: '' });
    expect(await names(fresh)).toEqual(['Ben & Cai']);
    expect(await names(begun)).toEqual(['Ada & Ben & Cai']);
    expect(await documentAccess(db, students.Ada, documentId)).not.toBeNull();
    // Two that become one are named once.
    await mergeStudentsFor(school.means, teacher, {
      classId: school.classId,
      student: students.Ben,
      other: students.Cai,
    });
    expect(await names(fresh)).toEqual(['Ben']);
    expect(await names(begun)).toEqual(['Ada & Ben']);
  });

  test('a group of a class without groups, and somebody in two of them, are refused in words', async () => {
    await group('reed-group01', 'Reed', ['Eli', 'Flo']);
    expect(await why(out(only('fern-group01', 'reed-group01')))).toMatch(/^422 Eli is in Fern and Reed/);
    expect(await names(await out(only('reed-group01')))).toEqual(['Eli & Flo']);
  });
});
