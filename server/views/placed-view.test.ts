import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import { plain } from '../../core/schema/defaults';
import { handOut } from '../actions/hand-out';
import { doWithCopy } from '../actions/hand-in';
import { saveWork } from '../actions/save-changes';
import type { Database } from '../database/connection';
import { addPerson } from '../stores/people';
import { createSheet } from '../stores/sheets';
import { placedView } from './placed-view';
import { spotView } from './spot-view';

/** What all students put on one sheet whose lines lead to parts of a picture. */

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let handoutId: string;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    const pupils = [await school.pupil('Ada'), await school.pupil('Ben'), await school.pupil('Cleo')];
    const { schoolId, teacherId } = school;
    const sheetId = await createSheet(db, { schoolId, ownerId: teacherId, purpose: 'blank', sheet: sampleSheet() });
    [handoutId] = await handOut(school.means, school.teacher, sheetId, school.asked());
    for (const pupil of pupils.slice(0, 2)) {
      const { id, documentId, seq } = await school.copy(handoutId, pupil.id);
      const changes = [{ kind: 'splice' as const, id: 'words', at: 0, remove: 13, insert: plain('deep water') }];
      if (pupil.name === 'Ben')
        await saveWork(school.means, pupil, documentId, { base: seq, batch: 'batch-ben', changes });
      await doWithCopy(school.means, pupil, id, { do: 'hand-in', seq: (await school.copy(handoutId, pupil.id)).seq });
    }
  });
  afterAll(() => db.close());

  test('shows what students put there, and nothing that was there before: lines to parts least of all', async () => {
    const { pieces, atWork, pages } = await placedView(school.means, school.teacher, handoutId, 0);
    expect(pieces.map(({ studentName, placed }) => [studentName, placed.map(({ what }) => what)])).toEqual([
      ['Ada', []],
      ['Ben', ['deep water']],
    ]);
    expect([atWork, pages.length]).toEqual([1, 2]);
  });

  test('an area with such a line in it is empty where nobody put anything', async () => {
    const area = { x: 0, y: 0, width: 792, height: 290 };
    const { pieces } = await spotView(school.means, school.teacher, handoutId, { page: 'p1', area });
    expect(pieces.map(({ key, written }) => [key, written])).toEqual([
      ['', ''],
      ['', ''],
    ]);
  });

  test('is for the teachers of the class', async () => {
    const id = await addPerson(db, { schoolId: school.schoolId, role: 'teacher', name: 'S', email: 's@s.example' });
    expect(await why(placedView(school.means, { id }, handoutId, 0))).toMatch(/^404/);
  });
});
