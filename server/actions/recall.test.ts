import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import type { Database } from '../database/connection';
import { goesOf, handIn, markSeen } from '../stores/goes';
import { addPerson } from '../stores/people';
import { copyView } from '../views/copy-view';
import { readingView } from '../views/reading-view';
import { recallPiece, returnPiece } from './review';

/** Taking back what was returned: without a trace until it is opened, with a word after that. */

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
  });
  afterAll(() => db.close());

  let number = 0;
  /** A piece that was handed in and returned. */
  async function returned(outcome: 'done' | 'another-go') {
    const ada = await school.pupil(`Ada ${number++}`);
    const handoutId = await school.handOut(sampleSheet());
    const copy = await school.copy(handoutId, ada.id);
    await handIn(db, copy, 0);
    const [go] = await goesOf(db, copy.id);
    const piece = { handoutId, copyId: copy.id };
    await returnPiece(db, school.teacher, piece, { go: go.id, outcome });
    const seen = () => copyView(school.means, ada, copy.id) as Promise<{ state: string; recalled: string | null }>;
    const read = () => readingView(school.means, school.teacher, piece, 0);
    return { ada, copy, piece, seen, read };
  }
  const newest = async (copyId: string) => (await goesOf(db, copyId)).at(-1)!;

  test.each(['done', 'another-go'] as const)(
    'what came back %s is with the teacher again, and nothing tells of it',
    async (outcome) => {
      const { copy, piece, seen, read } = await returned(outcome);
      expect(await read()).toMatchObject({ mayRecall: true, go: { seen: false } });
      await recallPiece(db, school.teacher, piece, { word: 'not needed' });
      expect(await newest(copy.id)).toMatchObject({ returnedAt: null, outcome: null, seenAt: null, recalled: null });
      expect(await seen()).toMatchObject({ state: 'handed-in', recalled: null });
      expect(await read()).toMatchObject({ mayRecall: false, copy: { state: 'handed-in' } });
      expect(await why(recallPiece(db, school.teacher, piece, { word: '' }))).toMatch(/^422/);
    },
  );

  test('once it is opened a word is asked for, and read by the student until it comes back again', async () => {
    const { copy, piece, seen, read } = await returned('done');
    expect(await seen()).toMatchObject({ state: 'done' });
    expect(await read()).toMatchObject({ mayRecall: true, go: { seen: true } });
    expect(await why(recallPiece(db, school.teacher, piece, { word: '' }))).toMatch(/^422 .*word/);
    expect(await seen()).toMatchObject({ state: 'done' });
    await recallPiece(db, school.teacher, piece, { word: 'I overlooked the back page.' });
    expect(await seen()).toMatchObject({ state: 'handed-in', recalled: 'I overlooked the back page.' });
    await returnPiece(db, school.teacher, piece, { go: (await newest(copy.id)).id, outcome: 'another-go' });
    expect(await seen()).toMatchObject({ state: 'another-go', recalled: null });
  });

  test('what a student has gone on with, or handed in again, stays', async () => {
    const { copy, piece, seen, read } = await returned('another-go');
    await seen();
    await school.save(copy, 0, [{ kind: 'sheet-set', values: { title: 'Mine' } }]);
    expect(await read()).toMatchObject({ mayRecall: false });
    expect(await why(recallPiece(db, school.teacher, piece, { word: 'Wait' }))).toMatch(/^422 .*gone on/);
    const { seq } = await school.copy(piece.handoutId, copy.studentId);
    expect(await handIn(db, copy, seq)).toEqual({ ok: true });
    expect(await why(recallPiece(db, school.teacher, piece, { word: 'Wait' }))).toMatch(/^422 .*not with its student/);
    expect(await goesOf(db, copy.id)).toHaveLength(2);
  });

  test('nobody else takes it back, and nobody else has opened it', async () => {
    const { copy, piece } = await returned('done');
    const other = await addPerson(db, {
      schoolId: school.schoolId,
      role: 'teacher',
      name: 'S',
      email: `${number}@s.example`,
    });
    expect(await why(recallPiece(db, { id: other }, piece, { word: '' }))).toMatch(/^404/);
    expect(await why(recallPiece(db, { id: copy.studentId }, piece, { word: '' }))).toMatch(/^404/);
    await markSeen(db, await school.student(`Ben ${number}`), copy.id);
    expect((await newest(copy.id)).seenAt).toBeNull();
    await recallPiece(db, school.teacher, piece, { word: '' });
  });
});
