import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import type { Change } from '../../core/changes/change';
import { begun } from '../../core/lookfors/all';
import type { LookFor } from '../../core/lookfors/all';
import { page, plain, shape, sheet, text } from '../../core/schema/defaults';
import type { Item, TextItem } from '../../core/schema/sheet';
import { find } from '../../core/sheet/tree';
import { bodyText } from '../../core/text/body';
import type { Database } from '../database/connection';
import { copiesOf } from '../stores/copies';
import { goesOf, returnGo } from '../stores/goes';
import { loadDocument, saveChanges } from '../stores/documents';
import { handoutById } from '../stores/handouts';
import { addPerson } from '../stores/people';
import { createSheet, sheetOf } from '../stores/sheets';
import { copyView } from '../views/copy-view';
import { correctionView } from '../views/correction-view';
import { spreadView } from '../views/spread-view';
import { addStudentsTo } from './classes';
import { sendCorrection } from './correct';
import { doWithCopy } from './hand-in';
import { handOut } from './hand-out';

/** A correction after handing out: who takes it, what stays, and what students wrote. */

const box = (id: string, x: number, answer = '') =>
  text({ id, x, y: 100, touch: 'fill', blank: answer !== '', body: plain(answer) });
const worksheet = sheet({
  title: 'Sums',
  pages: [
    page({
      id: 'p',
      items: [
        text({ id: 'task', body: plain('Add the numbres.') }),
        box('a', 40, '12'),
        box('b', 160, '21'),
        box('own', 280),
      ],
    }),
  ],
});

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let teacher: { id: string; schoolId: string };
  let stranger: { id: string };
  const names = ['Ada', 'Ben', 'Cem'];
  const people = new Map<string, { id: string; name: string }>();
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    const { schoolId } = school;
    teacher = { id: school.teacherId, schoolId };
    stranger = { id: await addPerson(db, { schoolId, role: 'teacher', name: 'S', email: 's@school.example' }) };
    for (const name of names) people.set(name, { id: await school.student(name), name });
  });
  afterAll(() => db.close());

  const means = () => school.means;
  async function out() {
    const { schoolId } = school;
    const sheetId = await createSheet(db, { schoolId, ownerId: teacher.id, purpose: 'blank', sheet: worksheet });
    const lookFors = [begun('answers', worksheet, 'sums') as LookFor];
    const [handoutId] = await handOut(means(), teacher, sheetId, school.asked({ lookFors, supplies: ['shape'] }));
    const copies = new Map((await copiesOf(db, handoutId)).map((copy) => [copy.studentName, copy]));
    return { sheetId, handoutId, copies };
  }
  async function change(documentId: string, author: string, ...changes: Change[]) {
    const { seq } = (await loadDocument(db, documentId))!;
    const save = { documentId, authorId: author, base: seq, batch: `b-${Math.random()}`, changes };
    const saved = await saveChanges(db, save, () => null, null);
    expect(saved.outcome).toBe('saved');
  }
  const typed = (id: string, said: string, remove = 0): Change => ({
    kind: 'splice',
    id,
    at: 0,
    remove,
    insert: plain(said),
  });
  async function mend(sheetId: string, ...changes: Change[]) {
    const { documentId } = (await sheetOf(db, teacher.id, sheetId))!;
    await change(documentId, teacher.id, ...changes);
    return (await loadDocument(db, documentId))!.seq;
  }
  const mended = typed('task', 'Add the numbers.', 'Add the numbres.'.length);
  const wordsOn = async (documentId: string, id: string) => {
    const item: Item | undefined = find((await loadDocument(db, documentId))!.sheet, id)?.item;
    return item && bodyText((item as TextItem).body);
  };

  test('copies that lie with their students take it, with what they wrote; what is handed in stays, and says so', async () => {
    const { sheetId, handoutId, copies } = await out();
    const [ada, ben, cem] = names.map((name) => copies.get(name)!);
    await change(ada.documentId, ada.studentId, typed('own', 'mine'), {
      kind: 'insert',
      spot: { page: 'p', group: null, behind: null },
      item: shape({ id: 'drawn', touch: 'free', y: 400 }),
    });
    const seq0 = (await loadDocument(db, cem.documentId))!.seq;
    await doWithCopy(means(), people.get('Cem')!, cem.id, { do: 'hand-in', seq: seq0 });
    const seq = await mend(sheetId, mended, { kind: 'remove', id: 'own' }, { kind: 'set', id: 'a', values: { x: 60 } });

    const seen = await correctionView(means(), teacher, handoutId);
    expect(seen.counts).toEqual({ 'not-begun': 2, 'under-way': 0, 'handed-in': 1 });
    const [own] = seen.versions;
    expect(own.differences.map(({ kinds }) => kinds)).toEqual([['reworded'], ['moved'], ['removed']]);
    expect(own.kept.map(({ students }) => students)).toEqual([['Ada']]);
    expect((await spreadView(means(), teacher, handoutId)).handout.isChanged).toBe(true);

    expect(await sendCorrection(means(), teacher, handoutId, { seq: [seq] })).toBe(2);
    for (const { documentId } of [ada, ben]) expect(await wordsOn(documentId, 'task')).toBe('Add the numbers.');
    expect(await wordsOn(ada.documentId, 'own')).toBe('mine');
    expect(await wordsOn(ben.documentId, 'own')).toBeUndefined();
    expect(find((await loadDocument(db, ada.documentId))!.sheet, 'drawn')).toBeDefined();
    expect(await wordsOn(cem.documentId, 'task')).toBe('Add the numbres.');
    const spread = await spreadView(means(), teacher, handoutId);
    expect(spread.handout.isChanged).toBe(false);
    expect(spread.cards.filter(({ uncorrected }) => uncorrected).map(({ studentName }) => studentName)).toEqual([
      'Cem',
    ]);
    // Nobody has begun by it.
    expect((await copiesOf(db, handoutId)).find(({ studentName }) => studentName === 'Ben')!.state).toBe('not-begun');
  });

  test('one that comes back for another go takes it when it is opened', async () => {
    const { sheetId, handoutId, copies } = await out();
    const cem = copies.get('Cem')!;
    const { seq: seen } = (await loadDocument(db, cem.documentId))!;
    await doWithCopy(means(), people.get('Cem')!, cem.id, { do: 'hand-in', seq: seen });
    await sendCorrection(means(), teacher, handoutId, { seq: [await mend(sheetId, mended)] });
    await returnGo(db, (await goesOf(db, cem.id)).at(-1)!.id, 'another-go');
    await copyView(means(), people.get('Cem')!, cem.id);
    expect(await wordsOn(cem.documentId, 'task')).toBe('Add the numbers.');
  });

  test('the key is the new one, and never on a copy', async () => {
    const { sheetId, handoutId, copies } = await out();
    await sendCorrection(means(), teacher, handoutId, { seq: [await mend(sheetId, typed('a', '13', 2))] });
    const [answers] = (await handoutById(db, handoutId))!.lookFors as { expect: { words: string[] }[] }[] & LookFor[];
    expect((answers as unknown as { expect: { words: string[] }[] }).expect.map(({ words }) => words[0])).toEqual([
      '13',
      '21',
    ]);
    expect(JSON.stringify((await loadDocument(db, copies.get('Ada')!.documentId))!.sheet)).not.toMatch(/"1[23]"/);
  });

  test('sent again it changes nothing; two of them follow one another, and who joins late has both', async () => {
    const { sheetId, handoutId, copies } = await out();
    const seq = await mend(sheetId, mended);
    expect(await sendCorrection(means(), teacher, handoutId, { seq: [seq] })).toBe(copies.size);
    expect(await sendCorrection(means(), teacher, handoutId, { seq: [seq] })).toBe(0);
    const { documentId } = copies.get('Ada')!;
    await change(documentId, people.get('Ada')!.id, typed('own', 'mine'));
    await sendCorrection(means(), teacher, handoutId, {
      seq: [await mend(sheetId, { kind: 'set', id: 'own', values: { x: 300 } })],
    });
    expect(find((await loadDocument(db, documentId))!.sheet, 'own')!.item).toMatchObject({
      x: 300,
      body: plain('mine'),
    });
    await addStudentsTo(means(), teacher, { classId: school.classId, names: ['Late Joiner'] });
    const late = (await copiesOf(db, handoutId)).find(({ studentName }) => studentName === 'Late Joiner')!;
    expect(await wordsOn(late.documentId, 'task')).toBe('Add the numbers.');
    expect((await copiesOf(db, handoutId)).every(({ corrections }) => corrections === 2)).toBe(true);
  });

  test('a student who goes on writing meanwhile loses nothing', async () => {
    const { sheetId, handoutId, copies } = await out();
    const seq = await mend(sheetId, mended, { kind: 'set', id: 'own', values: { x: 300 } });
    const ada = copies.get('Ada')!;
    const writing = async () => {
      for (let i = 0; i < 12; i++) {
        const { seq: base } = (await loadDocument(db, ada.documentId))!;
        const save = {
          documentId: ada.documentId,
          authorId: ada.studentId,
          base,
          batch: `w-${i}`,
          changes: [typed('own', 'x')],
        };
        const saved = await saveChanges(db, save, () => null, ada.id);
        if (saved.outcome === 'behind') i--;
      }
    };
    await Promise.all([writing(), sendCorrection(means(), teacher, handoutId, { seq: [seq] })]);
    expect(await wordsOn(ada.documentId, 'own')).toBe('x'.repeat(12));
    expect(await wordsOn(ada.documentId, 'task')).toBe('Add the numbers.');
  });

  test('is refused in words: somebody else’s, a sheet that changed meanwhile, one that is gone or empty', async () => {
    const { sheetId, handoutId } = await out();
    expect(await why(correctionView(means(), stranger, handoutId))).toMatch(/^404/);
    expect(await why(sendCorrection(means(), stranger, handoutId, { seq: [0] }))).toMatch(/^404/);
    const seq = await mend(sheetId, mended);
    expect(await why(sendCorrection(means(), teacher, handoutId, { seq: [seq - 1] }))).toMatch(
      /^409 The sheet was changed/,
    );
    const empty = await mend(sheetId, ...['task', 'a', 'b', 'own'].map((id): Change => ({ kind: 'remove', id })));
    expect(await why(sendCorrection(means(), teacher, handoutId, { seq: [empty] }))).toMatch(/^422 The sheet is empty/);
    await db.query('update handout set sheet_id = null where id = $1', [handoutId]);
    expect(await why(correctionView(means(), teacher, handoutId))).toMatch(/^404 The sheet of this handout/);
  });
});
