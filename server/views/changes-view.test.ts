import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import { plain } from '../../core/schema/defaults';
import { doWithCopy } from '../actions/hand-in';
import { handOut } from '../actions/hand-out';
import { saveWork } from '../actions/save-changes';
import type { Database } from '../database/connection';
import { addPerson } from '../stores/people';
import { createSheet } from '../stores/sheets';
import { changesView } from './changes-view';

/** What differs on each piece of a class from the sheet as handed out. */

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let handoutId: string;
  const documents: string[] = [];
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    const names = ['Ada', 'Ben', 'Cleo', 'Dan'];
    const pupils = [];
    for (const name of names) pupils.push(await school.pupil(name));
    const { schoolId, teacherId } = school;
    const sheetId = await createSheet(db, { schoolId, ownerId: teacherId, purpose: 'blank', sheet: sampleSheet() });
    [handoutId] = await handOut(school.means, school.teacher, sheetId, school.asked());
    for (const pupil of pupils) {
      const { id, documentId, seq } = await school.copy(handoutId, pupil.id);
      documents.push(documentId);
      const changes = [{ kind: 'splice' as const, id: 'words', at: 0, remove: 13, insert: plain('deep water') }];
      // Ben is still at work, Cleo handed in, Ada handed in without a change, Dan has not begun.
      if (pupil.name === 'Ben' || pupil.name === 'Cleo')
        await saveWork(school.means, pupil, documentId, { base: seq, batch: `batch-${pupil.name}`, changes });
      if (pupil.name === 'Ada' || pupil.name === 'Cleo')
        await doWithCopy(school.means, pupil, id, { do: 'hand-in', seq: (await school.copy(handoutId, pupil.id)).seq });
    }
  });
  afterAll(() => db.close());

  test('is told for those that are asked for, at work or handed in, with its place', async () => {
    const told = await changesView(school.means, school.teacher, handoutId, documents);
    expect(told.map(({ count, spots }) => [count, spots.map(({ gone }) => gone)])).toEqual([
      [0, []],
      [1, [false]],
      [1, [false]],
    ]);
    expect(told[1].spots[0]).toMatchObject({ x: 60, y: 300, width: 200 });
    const [one, ...others] = await changesView(school.means, school.teacher, handoutId, [documents[2]]);
    expect([one.count, others]).toEqual([1, []]);
  });

  test('is for the teachers of the class', async () => {
    const id = await addPerson(db, { schoolId: school.schoolId, role: 'teacher', name: 'S', email: 's@s.example' });
    expect(await why(changesView(school.means, { id }, handoutId, documents))).toMatch(/^404/);
  });
});
