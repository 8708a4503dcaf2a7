import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import type { Change } from '../../core/changes/change';
import { begun, lookFor } from '../../core/lookfors/all';
import type { LookFor } from '../../core/lookfors/all';
import { page, plain, sheet, text } from '../../core/schema/defaults';
import { bodyText } from '../../core/text/body';
import { find } from '../../core/sheet/tree';
import type { TextItem } from '../../core/schema/sheet';
import type { Database } from '../database/connection';
import { copiesOf } from '../stores/copies';
import { goesOf, returnGo } from '../stores/goes';
import { loadDocument } from '../stores/documents';
import { closeHandout } from '../stores/handout-life';
import { createSheet } from '../stores/sheets';
import { copyView } from '../views/copy-view';
import { doWithCopy } from './hand-in';
import { handOut } from './hand-out';
import { saveWork } from './save-changes';

/** Asking whether answers are right: so often as the teacher lets a student, and counted exactly. */

const blank = (id: string, answer: string, x: number) =>
  text({ id, x, y: 100, touch: 'fill', blank: true, body: plain(answer) });
const sums = sheet({ title: 'Sums', pages: [page({ id: 'p', items: [blank('a', '12', 40), blank('b', '21', 160)] })] });
const answers = { ...(begun('answers', sums, 'sums') as LookFor), tell: 'result', tries: 2 } as LookFor;

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let teacher: { id: string; schoolId: string };
  let ada: { id: string; schoolId: string; name: string };
  let ben: { id: string; schoolId: string; name: string };
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    const { schoolId } = school;
    teacher = { id: school.teacherId, schoolId };
    ada = { id: await school.student('Ada'), schoolId, name: 'Ada' };
    ben = { id: await school.student('Ben'), schoolId, name: 'Ben' };
  });
  afterAll(() => db.close());

  const means = () => school.means;
  async function out(lookFors: LookFor[] = [answers]) {
    const { schoolId } = school;
    const sheetId = await createSheet(db, { schoolId, ownerId: teacher.id, purpose: 'blank', sheet: sums });
    const [handoutId] = await handOut(means(), teacher, sheetId, school.asked({ lookFors }));
    const copy = (await copiesOf(db, handoutId)).find(({ studentId }) => studentId === ada.id)!;
    return { handoutId, ...copy };
  }
  const seqOf = async (documentId: string) => (await loadDocument(db, documentId))!.seq;
  let batches = 0;
  async function write(documentId: string, id: string, said: string) {
    const document = (await loadDocument(db, documentId))!;
    const { body } = find(document.sheet, id)!.item as TextItem;
    const typed: Change = { kind: 'splice', id, at: 0, remove: bodyText(body).length, insert: plain(said) };
    const saved = await saveWork(means(), ada, documentId, {
      base: document.seq,
      batch: `check-${++batches}`,
      changes: [typed],
    });
    expect(saved.outcome).toBe('saved');
    return saved as Extract<typeof saved, { outcome: 'saved' }>;
  }
  let askings = 0;
  const nextName = () => `asking-${String(++askings).padStart(5, '0')}`;
  const ask = async (copy: { id: string; documentId: string }, asked = nextName(), who = ada) =>
    (await doWithCopy(means(), who, copy.id, {
      do: 'check',
      lookFor: 'sums',
      asked,
      seq: await seqOf(copy.documentId),
    }))![0]!;

  test('whether words can be read is counted with each save, with the faces of the school', async () => {
    const readable = lookFor({ kind: 'readable', id: 'read' });
    const copy = await out([readable]);
    expect((await write(copy.documentId, 'a', '12')).results).toMatchObject([{ id: 'read', held: true }]);
    const document = (await loadDocument(db, copy.documentId))!;
    const faint: Change = { kind: 'style', id: 'a', from: 0, to: 2, patch: { size: 5 } };
    const save = { base: document.seq, batch: 'faint', changes: [faint] };
    expect(await saveWork(means(), ada, copy.documentId, save)).toMatchObject({
      outcome: 'saved',
      results: [{ id: 'read', held: false, evidence: [{ said: '“12”: 5 pt large' }] }],
    });
  });

  test('before it is asked, a save tells what is filled in, and no answer is known', async () => {
    const copy = await out();
    await write(copy.documentId, 'a', '12');
    const { results } = await write(copy.documentId, 'b', '99');
    expect(results![0]).toMatchObject({ got: 2, need: 2, check: { left: 2, right: null } });
    expect(new Set(results![0]!.evidence.map(({ verdict }) => verdict))).toEqual(new Set(['near']));
  });

  test('each asking costs a try, and when none is left nothing more is told', async () => {
    const copy = await out();
    await write(copy.documentId, 'a', '12');
    expect(await ask(copy)).toMatchObject({ held: false, got: 1, check: { left: 1, right: 1 } });
    await write(copy.documentId, 'b', '99');
    const saved = await write(copy.documentId, 'b', '21');
    // Right now, but not asked about.
    expect(saved.results![0]).toMatchObject({ held: false, got: 1, check: { left: 1, changed: 1 } });
    await write(copy.documentId, 'b', '98');
    expect(await ask(copy)).toMatchObject({ got: 1, check: { left: 0 } });
    await write(copy.documentId, 'b', '21');
    expect(await why(ask(copy))).toMatch(/^422 You have used all your tries/);
    expect((await copyView(means(), ada, copy.id)) as { results: unknown }).toMatchObject({
      results: [{ held: false, got: 1, check: { left: 0, changed: 1 } }],
    });
  });

  test('asking again about the same answers, or the same asking sent twice, costs nothing', async () => {
    const copy = await out();
    await write(copy.documentId, 'a', '12');
    const name = nextName();
    expect((await ask(copy, name)).check).toMatchObject({ left: 1 });
    expect((await ask(copy)).check).toMatchObject({ left: 1 });
    await write(copy.documentId, 'b', '21');
    expect((await ask(copy, name)).check).toMatchObject({ left: 1, changed: 1 });
    expect(await ask(copy)).toMatchObject({ held: true, check: { left: 0 } });
  });

  test('two askings at the same moment use no more tries than there are', async () => {
    const copy = await out([{ ...answers, tries: 1 } as LookFor]);
    await write(copy.documentId, 'a', '12');
    const both = await Promise.allSettled([ask(copy), ask(copy)]);
    const left = both.flatMap((one) => (one.status === 'fulfilled' ? [one.value.check!.left] : []));
    expect(left.length).toBeGreaterThan(0);
    expect(new Set(left)).toEqual(new Set([0]));
  });

  test('after it came back for another go there are tries again', async () => {
    const copy = await out();
    await write(copy.documentId, 'a', '12');
    await ask(copy);
    await doWithCopy(means(), ada, copy.id, { do: 'hand-in', seq: await seqOf(copy.documentId) });
    expect(await why(ask(copy))).toMatch(/^422 This copy is not being worked on/);
    await returnGo(db, (await goesOf(db, copy.id)).at(-1)!.id, 'another-go');
    expect((await ask(copy)).check).toMatchObject({ left: 1 });
  });

  test('nobody checks another’s answers, what is not checked, what is not saved, or what has closed', async () => {
    const copy = await out();
    const { id, documentId, handoutId } = copy;
    expect(await why(ask(copy, nextName(), ben))).toMatch(/^404/);
    const wanted = { do: 'check' as const, lookFor: 'other', asked: nextName(), seq: 0 };
    expect(await why(doWithCopy(means(), ada, id, wanted))).toMatch(/^404/);
    expect(await why(doWithCopy(means(), ada, id, { ...wanted, lookFor: 'sums', seq: 7 }))).toMatch(/^422 Your newest/);
    const filled = await out([{ ...answers, tell: 'filled' }]);
    expect(await why(ask(filled))).toMatch(/^404/);
    await closeHandout(db, handoutId, new Date(Date.now() - 1000));
    expect(await why(ask({ id, documentId }))).toMatch(/^422 This copy is not being worked on/);
  });

  test('a look-for that contradicts itself is not handed out', async () => {
    const phrase = begun('phrase', sums, 'p') as LookFor;
    expect(await why(out([phrase]))).toMatch(/^422 “The words” can’t be counted. Type the words/);
  });
});
