import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { saidNote } from '../../tests/support/said';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import { returnPiece, review } from '../actions/review';
import type { Database } from '../database/connection';
import { addClass, addStudent } from '../stores/classes';
import { goesOf, handIn, markSeen } from '../stores/goes';
import { setHandoutBinned } from '../stores/handout-life';
import { addPerson } from '../stores/people';
import { ownPathView } from './own-path-view';
import { pathView } from './path-view';

/** All that one student did, for the teachers of their classes and nobody else. */

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
  });
  afterAll(() => db.close());

  test('tells handouts with what was counted and said, the newest first; of the bin and of others nothing', async () => {
    const { means, teacher, schoolId } = school;
    const [ada, ben] = [await school.pupil('Ada'), await school.pupil('Ben')];
    const [first, second, binned] = [
      await school.handOut(sampleSheet()),
      await school.handOut(sampleSheet()),
      await school.handOut(sampleSheet()),
    ];
    await db.query(`update handout set created_at = now() - interval '1 day' where id = $1`, [first]);
    await setHandoutBinned(db, binned, true);
    const copy = await school.copy(first, ada.id);
    await handIn(db, copy, 0);
    const [go] = await goesOf(db, copy.id);
    await review(db, teacher, { handoutId: first, copyId: copy.id }, { go: go.id, steps: [saidNote('path-note')] });
    await handIn(db, await school.copy(second, ben.id), 0);

    const path = await pathView(means, teacher, ada.id);
    expect(path.student).toEqual({ id: ada.id, name: 'Ada' });
    expect(
      path.pieces.map(({ handoutId, state, go: number, notes }) => [handoutId, state, number, notes.length]),
    ).toEqual([
      [second, 'not-begun', 0, 0],
      [first, 'handed-in', 1, 1],
    ]);
    expect(path.isWhole).toBe(true);

    const stranger = await addPerson(db, { schoolId, role: 'teacher', name: 'S', email: 's@s.example' });
    expect(await why(pathView(means, { id: stranger }, ada.id))).toMatch(/^404/);
    expect(await why(pathView(means, ada, ada.id))).toMatch(/^404/);
    expect(await why(pathView(means, teacher, teacher.id))).toMatch(/^404/);
    expect(await why(pathView(means, teacher, 'nobody'))).toMatch(/^404/);

    // A teacher of another class of theirs sees the student, but nothing of the first class.
    const other = await addClass(db, { schoolId, teacherId: stranger, name: 'Plover', code: 'PLOVR' });
    await addStudent(db, { schoolId, classId: other, name: 'Cleo' });
    await db.query('insert into class_member (class_id, person_id) values ($1, $2)', [other, ada.id]);
    expect((await pathView(means, { id: stranger }, ada.id)).pieces).toEqual([]);
  });

  test('a student sees their own, and of what came back only what they have opened', async () => {
    const { means, teacher } = school;
    const eve = await school.pupil('Eve');
    const [here, back] = [await school.handOut(sampleSheet()), await school.handOut(sampleSheet())];
    const copies = [await school.copy(here, eve.id), await school.copy(back, eve.id)];
    for (const copy of copies) await handIn(db, copy, 0);
    const piece = { handoutId: back, copyId: copies[1].id };
    const [go] = await goesOf(db, copies[1].id);
    await review(db, teacher, piece, { go: go.id, steps: [saidNote('own-note')] });
    const told = async () =>
      Object.fromEntries(
        (await ownPathView(means, eve)).pieces.map(({ id, back: came, unopened }) => [
          id,
          [came && [came.outcome, came.notes.length], unopened],
        ]),
      );
    expect(await told()).toEqual({ [copies[0].id]: [null, false], [copies[1].id]: [null, false] });
    await returnPiece(db, teacher, piece, { go: go.id, outcome: 'done' });
    expect((await told())[copies[1].id]).toEqual([null, true]);
    // Looking at all one's work opens nothing: it can still be taken back.
    expect((await goesOf(db, copies[1].id))[0].seenAt).toBeNull();
    await markSeen(db, eve.id, copies[1].id);
    expect((await told())[copies[1].id]).toEqual([['done', 1], false]);
    expect((await ownPathView(means, await school.pupil('Finn'))).pieces).toEqual([]);
  });
});
