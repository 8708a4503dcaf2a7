import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { saidNote } from '../../tests/support/said';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import type { Database } from '../database/connection';
import { giveBackInTime } from '../services/giving-back';
import { copiesOf } from '../stores/copies';
import { goesOf, handIn, releaseHeld, takeBack } from '../stores/goes';
import { progressOf } from '../stores/handouts';
import { setHandoutBinned } from '../stores/handout-life';
import { copyView } from '../views/copy-view';
import { readingView } from '../views/reading-view';
import { spreadView } from '../views/spread-view';
import { doWithHandout, WithHandout } from './handout-life';
import { recallPiece, returnPiece, returnPieces, review } from './review';

/** What is returned before its time waits for it: still the teacher's to change, and back in one moment for all. */

const HOUR = 3_600_000;

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let pupils: Awaited<ReturnType<SmallSchool['pupil']>>[];
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    pupils = [await school.pupil('Ada'), await school.pupil('Ben'), await school.pupil('Cleo')];
  });
  afterAll(() => db.close());

  /** A handout of which all have handed in, and whose returns go out in an hour. */
  async function handedIn() {
    const handoutId = await school.handOut(sampleSheet());
    const { teacher, means } = school;
    for (const copy of await copiesOf(db, handoutId)) await handIn(db, copy, 0);
    const change = (returnsAt: Date | null) => {
      const asked = { do: 'change', title: 'Bird', brief: '', opensAt: '', dueAt: '', closesAt: '' };
      const to = WithHandout.parse({ ...asked, returnsAt: returnsAt?.toISOString() ?? '' });
      return doWithHandout(db, teacher, handoutId, to);
    };
    await change(new Date(Date.now() + HOUR));
    const copies = await copiesOf(db, handoutId);
    const give = (i: number, outcome: 'done' | 'another-go') =>
      returnPiece(db, teacher, { handoutId, copyId: copies[i].id }, { go: copies[i].goId!, outcome });
    const states = async () => (await copiesOf(db, handoutId)).map(({ state, heldFor }) => heldFor ?? state);
    const seen = (i: number) =>
      copyView(means, pupils[i], copies[i].id) as Promise<{ state: string; notes: unknown[] }>;
    const toRead = async () => (await progressOf(db, teacher.id)).find(({ id }) => id === handoutId)!;
    return { handoutId, copies, change, give, states, seen, toRead, teacher };
  }

  test('students see nothing of it until its time, and can’t take it back', async () => {
    const { handoutId, copies, give, seen, states, toRead, teacher } = await handedIn();
    expect(await give(0, 'done')).toEqual({ next: copies[1].id });
    expect(await seen(0)).toMatchObject({ state: 'handed-in', mayTakeBack: false });
    expect((await takeBack(db, copies[0].id)).ok).toBe(false);
    expect(await releaseHeld(db)).toEqual([]);
    expect(await toRead()).toMatchObject({ held: 1, waitingFirst: { copyId: copies[1].id } });
    const { cards } = await spreadView(school.means, teacher, handoutId);
    expect(cards.map(({ ready }) => ready !== null)).toEqual([false, true, true]);
    const view = await readingView(school.means, teacher, { handoutId, copyId: copies[0].id }, 0);
    expect(view).toMatchObject({ mayRecall: true, go: { heldFor: 'done', returnedAt: null } });
    const time = new Date(Date.now() + HOUR + 1000);
    expect(await releaseHeld(db, null, time)).toEqual([{ documentId: copies[0].documentId, handoutId }]);
    expect(await releaseHeld(db, null, time)).toEqual([]);
    expect(await states()).toEqual(['done', 'handed-in', 'handed-in']);
    expect(await seen(0)).toMatchObject({ state: 'done' });
  });

  test('until then a teacher says more on it, returns it otherwise, or keeps it', async () => {
    const { handoutId, copies, give, states, seen, change, teacher } = await handedIn();
    const piece = { handoutId, copyId: copies[0].id };
    await give(0, 'done');
    await review(db, teacher, piece, { go: copies[0].goId!, steps: [saidNote('late-note')] });
    await give(0, 'another-go');
    expect(await states()).toEqual(['another-go', 'handed-in', 'handed-in']);
    await give(1, 'done');
    await recallPiece(db, teacher, { handoutId, copyId: copies[1].id }, { word: '' });
    expect(await states()).toEqual(['another-go', 'handed-in', 'handed-in']);
    expect(await why(recallPiece(db, teacher, { handoutId, copyId: copies[1].id }, { word: '' }))).toMatch(/^422/);
    await change(null);
    expect(await states()).toEqual(['another-go', 'handed-in', 'handed-in']);
    expect(await seen(0)).toMatchObject({ state: 'another-go', notes: [{ id: 'late-note' }] });
    expect((await goesOf(db, copies[0].id))[0]).toMatchObject({ outcome: 'another-go', heldFor: null });
    // Nothing is held any more: what is returned now goes back now.
    await give(1, 'done');
    expect(await seen(1)).toMatchObject({ state: 'done' });
  });

  test('several at once wait as one does, each counted once; a later time keeps them waiting', async () => {
    const { handoutId, copies, states, change, teacher } = await handedIn();
    const pieces = copies.map(({ id, goId }) => `${id}:${goId}`);
    const back = await returnPieces(db, teacher, handoutId, { outcome: 'done', pieces: [...pieces, pieces[0]] });
    expect(back).toMatchObject({ returned: 3, left: [], until: expect.any(Date) as Date });
    await change(new Date(Date.now() + 2 * HOUR));
    await releaseHeld(db, null, new Date(Date.now() + 1.5 * HOUR));
    expect((await copiesOf(db, handoutId)).map(({ state }) => state)).toEqual(Array(3).fill('handed-in'));
    // In the bin nothing moves; it goes back once the handout is there again.
    await setHandoutBinned(db, handoutId, true);
    const time = new Date(Date.now() + 3 * HOUR);
    expect(await releaseHeld(db, handoutId, time)).toEqual([]);
    await setHandoutBinned(db, handoutId, false);
    expect(await releaseHeld(db, handoutId, time)).toHaveLength(3);
    expect(await states()).toEqual(['done', 'done', 'done']);
  });

  test('of many who look at once, one gives it back; and a program that runs looks by itself', async () => {
    const { copies, give, states, handoutId } = await handedIn();
    await give(0, 'done');
    const time = new Date(Date.now() + 2 * HOUR);
    const looks = await Promise.all([1, 2, 3].map(() => releaseHeld(db, handoutId, time)));
    expect(looks.flat()).toHaveLength(1);
    await give(1, 'another-go');
    await db.query('update handout set returns_at = now() where id = $1', [handoutId]);
    const end = giveBackInTime(db, 5);
    await expect.poll(async () => (await goesOf(db, copies[1].id))[0].returnedAt).not.toBeNull();
    await end();
    expect(await states()).toEqual(['done', 'another-go', 'handed-in']);
  });
});
