import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import { plain } from '../../core/schema/defaults';
import { doWithCopy } from '../actions/hand-in';
import { handOut } from '../actions/hand-out';
import type { Database } from '../database/connection';
import { saveChanges } from '../stores/documents';
import { addPerson } from '../stores/people';
import { createSheet } from '../stores/sheets';
import { effortView } from './effort-view';

/** How long students worked, and how much of what they handed in is theirs. */

const at = (minute: number, second = 0) => new Date(Date.UTC(2026, 10, 30, 9, minute, second));

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
    /** What was typed at the end of the box, and when. */
    const typed: Record<string, [words: string, when: Date][]> = {
      // Ten minutes of work with a break of twenty-five between.
      Ada: [
        [' They', at(0)],
        [' wade slowly', at(4)],
        [' in deep water', at(29)],
        [' and wait', at(33, 30)],
        [' for fish', at(35, 10)],
      ],
      // All at once, and the same word again and again.
      Ben: [[` ${'fish '.repeat(40)}`, at(2)]],
    };
    for (const pupil of pupils.slice(0, 2)) {
      const copy = await school.copy(handoutId, pupil.id);
      for (const [i, [words, when]] of typed[pupil.name].entries()) {
        const { seq } = await school.copy(handoutId, pupil.id);
        const changes = [{ kind: 'splice' as const, id: 'words', at: 13, remove: 0, insert: plain(words) }];
        const { documentId } = copy;
        const batch = {
          documentId,
          base: seq,
          batch: `batch-${pupil.name}-${i}`,
          authorId: pupil.id,
          changes,
          at: when,
        };
        expect(await saveChanges(db, batch, () => null)).toMatchObject({ outcome: 'saved' });
      }
      await doWithCopy(school.means, pupil, copy.id, {
        do: 'hand-in',
        seq: (await school.copy(handoutId, pupil.id)).seq,
      });
    }
  });
  afterAll(() => db.close());

  test('a pause is no work, and a word that is said forty times counts a few times', async () => {
    const efforts = await effortView(school.means, school.teacher, handoutId);
    expect(efforts).toHaveLength(2);
    expect(efforts[0]).toMatchObject({ minutes: 10, words: 10 });
    expect(efforts[1].minutes).toBe(0);
    expect(efforts[1].words).toBeLessThan(6);
  });

  test('is for the teachers of the class', async () => {
    const id = await addPerson(db, { schoolId: school.schoolId, role: 'teacher', name: 'S', email: 's@s.example' });
    expect(await why(effortView(school.means, { id }, handoutId))).toMatch(/^404/);
  });
});
