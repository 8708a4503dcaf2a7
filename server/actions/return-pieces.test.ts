import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { saidNote } from '../../tests/support/said';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import type { Database } from '../database/connection';
import { copiesOf } from '../stores/copies';
import { handIn, takeBack } from '../stores/goes';
import { addPerson } from '../stores/people';
import { spreadView } from '../views/spread-view';
import { returnPieces, review, ReturningMany } from './review';

/** Several pieces returned at once: those that are still as they were looked at, and no others. */

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let names: string[];
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    names = ['Ada', 'Ben', 'Cleo', 'Dov'];
    for (const name of names) await school.student(name);
  });
  afterAll(() => db.close());

  /** A handout of which the first three students have handed in, with their pieces as a teacher sees them. */
  async function handedIn() {
    const handoutId = await school.handOut(sampleSheet());
    for (const copy of (await copiesOf(db, handoutId)).slice(0, 3)) await handIn(db, copy, 0);
    const copies = await copiesOf(db, handoutId);
    const send = (outcome: 'done' | 'another-go', pieces: string[], by = school.teacherId) =>
      returnPieces(db, { id: by }, handoutId, ReturningMany.parse({ outcome, pieces: pieces.join(' ') }));
    const states = async () => (await copiesOf(db, handoutId)).map(({ state }) => state);
    return { handoutId, copies, seen: copies.map(({ id, goId }) => `${id}:${goId ?? 'none'}`), send, states };
  }

  test('all of them go, and one that was taken back or handed in again meanwhile is named', async () => {
    const { copies, seen, send, states } = await handedIn();
    await takeBack(db, copies[1].id);
    expect(await send('another-go', seen.slice(0, 3))).toEqual({ returned: 2, left: ['Ben'], until: null });
    expect(await states()).toEqual(['another-go', 'under-way', 'another-go', 'not-begun']);
    await handIn(db, copies[1], 0);
    expect(await send('done', [seen[1], seen[0]])).toEqual({ returned: 0, left: ['Ben', 'Ada'], until: null });
    expect(await states()).toEqual(['another-go', 'handed-in', 'another-go', 'not-begun']);
  });

  test('one that is named twice goes once, and a copy that was never handed in stays', async () => {
    const { seen, send, states } = await handedIn();
    expect(await send('done', [seen[0], seen[0], seen[3]])).toEqual({ returned: 1, left: ['Dov'], until: null });
    expect(await states()).toEqual(['done', 'handed-in', 'handed-in', 'not-begun']);
  });

  test('a piece of another handout, another teacher, and nothing chosen are refused, and nothing goes', async () => {
    const [mine, other] = [await handedIn(), await handedIn()];
    expect(await why(mine.send('done', [mine.seen[0], other.seen[0]]))).toMatch(/^404/);
    const { schoolId } = school;
    const stranger = await addPerson(db, { schoolId, role: 'teacher', name: 'S', email: 's@s.example' });
    expect(await why(mine.send('done', [mine.seen[0]], stranger))).toMatch(/^404/);
    expect(await mine.states()).toEqual(['handed-in', 'handed-in', 'handed-in', 'not-begun']);
    expect(ReturningMany.safeParse({ outcome: 'done', pieces: ' ' }).error?.issues[0].message).toBe(
      'Choose a piece first.',
    );
    expect(ReturningMany.safeParse({ outcome: 'done', pieces: 'a:b:c' }).success).toBe(false);
  });

  test('the class says which are read, and what is missing on them', async () => {
    const { handoutId, copies } = await handedIn();
    const [{ id: copyId, goId }] = copies;
    await review(db, { id: school.teacherId }, { handoutId, copyId }, { go: goId!, steps: [saidNote('note-of-ada')] });
    const { cards } = await spreadView(school.means, { id: school.teacherId }, handoutId);
    expect(cards.map(({ ready }) => ready)).toEqual([
      { read: true, open: 0, notes: 1 },
      { read: false, open: 0, notes: 0 },
      { read: false, open: 0, notes: 0 },
      null,
    ]);
  });
});
