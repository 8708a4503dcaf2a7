import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import type { Database } from '../database/connection';
import { copiesOf, trayOf } from '../stores/copies';
import { returnGo } from '../stores/goes';
import { closeHandout } from '../stores/handout-life';
import { handoutById, progressOf } from '../stores/handouts';
import { addPerson } from '../stores/people';
import { copyView } from '../views/copy-view';
import { spreadView } from '../views/spread-view';
import { addStudentsTo } from './classes';
import { doWithCopy } from './hand-in';
import { doWithHandout, WithHandout } from './handout-life';

/** A handout after it went out: changed, closed, opened again, put away, with more time for one. */

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const inTime = (ms: number) => new Date(Date.now() + ms).toISOString();

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let teacher: { id: string };
  let stranger: { id: string };
  let ada: { id: string; name: string };
  let ben: { id: string; name: string };
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    teacher = { id: school.teacherId };
    const { schoolId } = school;
    stranger = { id: await addPerson(db, { schoolId, role: 'teacher', name: 'S', email: 's@school.example' }) };
    ada = { id: await school.student('Ada'), name: 'Ada' };
    ben = { id: await school.student('Ben'), name: 'Ben' };
  });
  afterAll(() => db.close());

  const means = () => school.means;
  const done = (handoutId: string, wanted: Record<string, string>, who = teacher) =>
    doWithHandout(db, who, handoutId, WithHandout.parse(wanted));
  const out = async () => {
    const id = await school.handOut(sampleSheet());
    const copyOf = (who: { id: string }) => school.copy(id, who.id);
    return { id, adas: await copyOf(ada), bens: await copyOf(ben) };
  };
  const change = (values: Record<string, string> = {}) => ({
    do: 'change',
    title: 'Bird',
    brief: '',
    dueAt: '',
    opensAt: '',
    closesAt: '',
    ...values,
  });
  const handIn = (who: typeof ada, copyId: string) => doWithCopy(means(), who, copyId, { do: 'hand-in', seq: 0 });
  const seen = async (who: typeof ada, copyId: string) => {
    const view = await copyView(means(), who, copyId);
    if (view.damage !== null) throw new Error('damaged');
    return view;
  };

  test('its name, brief and due time change for everybody at once', async () => {
    const { id, adas } = await out();
    const dueAt = inTime(2 * DAY);
    await done(id, change({ title: 'The heron', brief: 'Name each part.', dueAt }));
    expect(await handoutById(db, id)).toMatchObject({ title: 'The heron', brief: 'Name each part.' });
    expect((await trayOf(db, ada.id)).find((entry) => entry.id === adas.id)).toMatchObject({
      title: 'The heron',
      dueAt: new Date(dueAt),
    });
    expect(await seen(ada, adas.id)).toMatchObject({ brief: 'Name each part.', isClosed: false });
  });

  test('what is taken off late work is set, changed and given up later, and the rest of the rubric stays', async () => {
    const { id } = await out();
    const rows = [{ id: 'row', name: 'Care', levels: [0, 3].map((points) => ({ points, text: '' })) }];
    await db.query('update handout set rubric = $2::jsonb where id = $1', [id, JSON.stringify({ rows })]);
    const rubric = async () => (await handoutById(db, id))!.rubric;
    await done(id, change({ late: 'day', off: '1.5' }));
    expect(await rubric()).toEqual({ rows, late: { off: 1.5, each: 'day' } });
    await done(id, change({ title: 'From an older program' }));
    expect((await rubric()).late).toEqual({ off: 1.5, each: 'day' });
    await done(id, change({ late: 'once', off: '2' }));
    expect((await rubric()).late).toEqual({ off: 2, each: 'once' });
    await done(id, change({ late: 'nothing' }));
    expect(await rubric()).toEqual({ rows });
    expect(WithHandout.safeParse(change({ late: 'day', off: '0' })).success).toBe(false);
    expect(WithHandout.safeParse(change({ late: 'hourly' })).success).toBe(false);
  });

  test('a later due time counts pieces that were late as in time', async () => {
    const { id, adas } = await out();
    await done(id, change({ dueAt: inTime(-DAY) }));
    await handIn(ada, adas.id);
    const late = async () =>
      (await spreadView(means(), teacher, id)).cards.find(({ studentId }) => studentId === ada.id)!.late;
    expect(await late()).toBe(true);
    await done(id, change({ dueAt: inTime(HOUR) }));
    expect(await late()).toBe(false);
  });

  test('once closed, nothing is handed in or taken back, and what was handed in stays to be read', async () => {
    const { id, adas, bens } = await out();
    await handIn(ada, adas.id);
    await done(id, { do: 'close' });
    expect(await why(handIn(ben, bens.id))).toMatch(/^422 Handing in has closed/);
    expect(await why(doWithCopy(means(), ada, adas.id, { do: 'take-back' }))).toMatch(/^422 Handing in has closed/);
    expect(await seen(ben, bens.id)).toMatchObject({ isClosed: true });
    expect(await seen(ada, adas.id)).toMatchObject({ mayTakeBack: false, state: 'handed-in' });
    await done(id, { do: 'open' });
    await handIn(ben, bens.id);
    expect((await copiesOf(db, id)).map(({ state }) => state)).toEqual(['handed-in', 'handed-in']);
  });

  test('what comes back for another go after it closed can be handed in again', async () => {
    const { id, adas, bens } = await out();
    await handIn(ada, adas.id);
    await done(id, { do: 'close' });
    const [{ goId }] = await copiesOf(db, id);
    expect(await returnGo(db, goId!, 'another-go', new Date(Date.now() + 1000))).toEqual({ ok: true });
    expect(await seen(ada, adas.id)).toMatchObject({ isClosed: false, state: 'another-go' });
    await handIn(ada, adas.id);
    expect(await why(handIn(ben, bens.id))).toMatch(/closed/);
  });

  test('more time is for one student only, holds beyond the end, and is not late', async () => {
    const { id, adas, bens } = await out();
    await done(id, change({ dueAt: inTime(-2 * HOUR) }));
    await done(id, { do: 'extend', copies: bens.id, to: inTime(DAY) });
    await closeHandout(db, id, new Date(Date.now() - HOUR));
    expect(await why(handIn(ada, adas.id))).toMatch(/closed/);
    await handIn(ben, bens.id);
    const { cards } = await spreadView(means(), teacher, id);
    expect(cards.find(({ studentId }) => studentId === ben.id)).toMatchObject({ state: 'handed-in', late: false });
    await done(id, { do: 'extend', copies: bens.id, to: '' });
    expect((await spreadView(means(), teacher, id)).cards.find(({ studentId }) => studentId === ben.id)!.late).toBe(
      true,
    );
  });

  test('whoever joins the class has their copy at once', async () => {
    const { id } = await out();
    const who = { id: school.teacherId, schoolId: school.schoolId };
    await addStudentsTo(means(), who, { classId: school.classId, names: ['Zoe'] });
    expect((await copiesOf(db, id)).map(({ studentName }) => studentName)).toEqual(['Ada', 'Ben', 'Zoe']);
  });

  test('it is put away and brought back, and keeps everything', async () => {
    const { id, adas } = await out();
    await handIn(ada, adas.id);
    const listed = async () => (await progressOf(db, teacher.id)).find((one) => one.id === id)!;
    await done(id, { do: 'put-away' });
    expect((await listed()).putAwayAt).not.toBeNull();
    await done(id, { do: 'bring-back' });
    expect(await listed()).toMatchObject({ putAwayAt: null, counts: { 'handed-in': 1 } });
  });

  test('times that don’t fit, and whatever is somebody else’s, are refused in words', async () => {
    const { id, adas } = await out();
    const other = await out();
    expect(await why(done(id, change({ dueAt: inTime(DAY), closesAt: inTime(HOUR) })))).toMatch(
      /^422 It would close before it is due/,
    );
    await done(id, change({ dueAt: inTime(DAY) }));
    expect(await why(done(id, { do: 'extend', copies: adas.id, to: inTime(HOUR) }))).toMatch(/^422 That is no later/);
    expect(await why(done(id, { do: 'extend', copies: `${adas.id} ${other.adas.id}`, to: inTime(2 * DAY) }))).toMatch(
      /^404/,
    );
    for (const wanted of [change(), { do: 'close' }, { do: 'open' }, { do: 'put-away' }])
      expect(await why(done(id, wanted, stranger))).toMatch(/^404/);
    expect(WithHandout.safeParse(change({ dueAt: 'soon' })).success).toBe(false);
    expect(WithHandout.safeParse(change({ title: ' ' })).success).toBe(false);
  });
});
