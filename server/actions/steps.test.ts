import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { Change } from '../../core/changes/change';
import { begun, lookFor } from '../../core/lookfors/all';
import type { LookFor } from '../../core/lookfors/all';
import type { Step } from '../../core/lookfors/steps';
import { page, plain, shape, sheet, text } from '../../core/schema/defaults';
import { DATABASES } from '../../tests/support/databases';
import { refusalOf, why } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import type { Database } from '../database/connection';
import { copiesOf } from '../stores/copies';
import { returnGo } from '../stores/goes';
import { loadDocument } from '../stores/documents';
import { createSheet } from '../stores/sheets';
import { copyView } from '../views/copy-view';
import { handOutView } from '../views/hand-out-view';
import { doWithCopy } from './hand-in';
import { handOut, tryOut, TryingOut } from './hand-out';
import { changesFor, saveWork } from './save-changes';

/** Steps of a brief: what opens them, what does not, and that nothing is told of what is shut. */

const blank = (id: string, answer: string, x: number) =>
  text({ id, x, y: 100, touch: 'fill', blank: true, body: plain(answer) });
const sums = sheet({ title: 'Sums', pages: [page({ id: 'p', items: [blank('a', '12', 40), blank('b', '21', 160)] })] });
const answers = { ...(begun('answers', sums, 'sums') as LookFor), tell: 'result', tries: 2 } as LookFor;
const shapes = lookFor({ kind: 'items', id: 'shapes', item: 'shape', min: 1, title: 'A shape' });
const more = lookFor({ kind: 'items', id: 'more', item: 'shape', min: 3, title: 'The secret of three shapes' });
const judged = lookFor({ kind: 'teacher', id: 'neat', title: 'Neat' });
const step = (id: string, lookFors: string[]): Step => ({ id, text: `Do part ${id}.`, lookFors });
const steps = [step('one', ['shapes']), step('two', ['sums']), step('three', ['more', 'neat'])];

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let teacher: { id: string; schoolId: string; name: string };
  let ada: typeof teacher;
  let ben: typeof teacher;
  let sheetId: string;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    const { schoolId } = school;
    teacher = school.teacher;
    [ada, ben] = [await school.pupil('Ada'), await school.pupil('Ben')];
    await school.group('groupreef001', 'Reef', [ada.id, ben.id]);
    sheetId = await createSheet(db, { schoolId, ownerId: teacher.id, purpose: 'blank', sheet: sums });
  });
  afterAll(() => db.close());

  const means = () => school.means;
  const all = [shapes, answers, more, judged];
  async function out(given: Parameters<SmallSchool['asked']>[0] = {}) {
    const asked = school.asked({ lookFors: all, steps, supplies: ['shape'], again: true, ...given });
    const [handoutId] = await handOut(means(), teacher, sheetId, asked);
    return { handoutId, ...(await copiesOf(db, handoutId)).find(({ studentId }) => studentId === ada.id)! };
  }
  let batches = 0;
  async function save(documentId: string, changes: Change[], who = ada) {
    const { seq } = (await loadDocument(db, documentId))!;
    const saved = await saveWork(means(), who, documentId, { base: seq, batch: `steps-${++batches}`, changes });
    expect(saved.outcome).toBe('saved');
    return saved as Extract<typeof saved, { outcome: 'saved' }>;
  }
  const put = (id: string): Change => ({
    kind: 'insert',
    spot: { page: 'p', group: null, behind: null },
    item: shape({ id, touch: 'free', x: 50 * (id.charCodeAt(0) - 110), y: 300, width: 40, height: 40 }),
  });
  const write = (id: string, said: string): Change => ({ kind: 'splice', id, at: 0, remove: 0, insert: plain(said) });
  const seen = async (copyId: string, who = ada) => {
    const view = await copyView(means(), who, copyId);
    if (view.damage !== null) throw new Error('damaged');
    return view;
  };
  const check = async (copy: { id: string; documentId: string }) =>
    doWithCopy(means(), ada, copy.id, {
      do: 'check',
      lookFor: 'sums',
      asked: `asking-${String(++batches).padStart(5, '0')}`,
      seq: (await loadDocument(db, copy.documentId))!.seq,
    });

  test('of what is shut nothing is told: no words, no title, no count, no checking', async () => {
    const copy = await out();
    const view = await seen(copy.id);
    expect(view.steps).toEqual({ open: [steps[0]], of: 3 });
    expect(view.lookFors.map(({ title, shut }) => [title, shut])).toEqual([
      ['A shape', false],
      ['…', true],
      ['…', true],
      ['…', true],
    ]);
    expect(view.results.map((result) => result?.held)).toEqual([false, undefined, undefined, undefined]);
    expect(JSON.stringify(view)).not.toMatch(/part two|part three|secret of three|Neat/);
    expect(await why(check(copy))).toMatch(/^404/);
  });
  test('a save that meets the present step opens the next; what is undone closes nothing', async () => {
    const copy = await out();
    const { results } = await save(copy.documentId, [put('s')]);
    expect(results!.map((result) => result === null)).toEqual([false, false, true, true]);
    expect((await seen(copy.id)).steps.open).toHaveLength(2);
    await save(copy.documentId, [{ kind: 'remove', id: 's' }]);
    const view = await seen(copy.id);
    expect([view.steps.open.length, view.results[0]!.held]).toEqual([2, false]);
    expect((await copiesOf(db, copy.handoutId)).find(({ id }) => id === copy.id)!.openSteps).toBe(2);
  });
  test('right answers open nothing until they were found right on asking, so that a step gives no free try', async () => {
    const copy = await out();
    await save(copy.documentId, [put('s'), write('a', '12'), write('b', '21')]);
    expect((await seen(copy.id)).steps.open).toHaveLength(2);
    await save(copy.documentId, [{ kind: 'splice', id: 'b', at: 0, remove: 2, insert: plain('12') }]);
    await check(copy);
    expect((await seen(copy.id)).steps.open).toHaveLength(2);
    await save(copy.documentId, [{ kind: 'splice', id: 'b', at: 0, remove: 2, insert: plain('21') }]);
    expect((await seen(copy.id)).steps.open).toHaveLength(2);
    const told = await check(copy);
    expect(told!.map((result) => result?.held)).toEqual([true, true, false, null]);
    const view = await seen(copy.id);
    expect(view.steps.open).toEqual(steps);
    expect(view.lookFors[2].title).toBe('The secret of three shapes');
  });
  test('steps that are met already open together, and a piece that is done shows all', async () => {
    const copy = await out({ steps: [step('one', ['shapes']), step('two', ['more']), step('three', [])] });
    await save(copy.documentId, [put('s'), put('t'), put('u')]);
    expect((await seen(copy.id)).steps.open).toHaveLength(3);

    const other = await out();
    await doWithCopy(means(), ada, other.id, { do: 'hand-in', seq: 0 });
    expect((await seen(other.id)).steps.open).toHaveLength(1);
    const { goId } = (await copiesOf(db, other.handoutId)).find(({ id }) => id === other.id)!;
    await returnGo(db, goId!, 'done');
    const view = await seen(other.id);
    expect([view.steps.open.length, view.lookFors.some(({ shut }) => shut)]).toEqual([3, false]);
  });
  test('what one of a group meets opens the step for the other', async () => {
    const copy = await out({
      together: true,
      only: { [school.classId]: { groups: ['groupreef001'], students: [] } },
      steps: [step('one', ['shapes']), step('two', [])],
    });
    await save(copy.documentId, [put('s')], ben);
    const { results } = await changesFor(means(), ada, copy.documentId, 0);
    expect(results![0]!.held).toBe(true);
    expect((await seen(copy.id)).steps.open).toHaveLength(2);
  });
  test('a step that could never open is refused when it is handed out, and when it is tried', async () => {
    const bad = [step('one', ['neat']), step('two', [])];
    const asked = school.asked({ lookFors: all, steps: bad, again: true });
    expect(await refusalOf(handOut(means(), teacher, sheetId, asked))).toMatchObject({
      status: 422,
      field: 'steps',
      message: expect.stringMatching(/Step 2 would never open. “Neat” is ticked by you/),
    });
    const trial = TryingOut.parse({ title: 'T', brief: '', lookFors: all, rubric: { rows: [] }, supplies: [] });
    expect(await why(tryOut(means(), teacher, sheetId, { ...trial, steps: bad }))).toMatch(/^422 Step 2/);
    const copyId = await tryOut(means(), teacher, sheetId, { ...trial, steps });
    expect((await seen(copyId, teacher)).steps).toMatchObject({ of: 3 });
  });
  test('used again, the steps come along', async () => {
    const { handoutId } = await out();
    expect((await handOutView(db, teacher, sheetId, handoutId)).like!.steps).toEqual(steps);
  });
});
