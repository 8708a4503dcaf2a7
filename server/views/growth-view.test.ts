import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import type { Database } from '../database/connection';
import { saveChanges } from '../stores/documents';
import { handIn } from '../stores/goes';
import { addPerson } from '../stores/people';
import { growthView } from './growth-view';

/** The log of a copy as its teacher gets it. */

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
  });
  afterAll(() => db.close());

  test('tells who changed what and when each go was handed in; to nobody but the teachers of the class', async () => {
    const ada = await school.pupil('Ada');
    const handoutId = await school.handOut(sampleSheet());
    const copy = await school.copy(handoutId, ada.id);
    const piece = { handoutId, copyId: copy.id };
    const view = () => growthView(school.means, school.teacher, piece);
    expect(await view()).toMatchObject({ grown: { from: 0, log: [] }, people: [], goes: [] });
    const retitled = (title: string) => [{ kind: 'sheet-set' as const, values: { title } }];
    await school.save(copy, 0, retitled('Mine'));
    const corrected = { documentId: copy.documentId, authorId: school.teacherId, base: 1, batch: 'c' };
    await saveChanges(db, { ...corrected, changes: retitled('Ours') }, () => null);
    await handIn(db, copy, 2);
    const { grown, people, goes } = await view();
    expect(grown!.log.map(({ seq, by }) => [seq, by])).toEqual([
      [1, ada.id],
      [2, school.teacherId],
    ]);
    expect(people).toEqual([
      { id: ada.id, name: 'Ada', isStudent: true },
      { id: school.teacherId, name: 'T', isStudent: false },
    ]);
    expect(goes).toEqual([{ number: 1, seq: 2 }]);
    const { schoolId, means } = school;
    const stranger = await addPerson(db, { schoolId, role: 'teacher', name: 'S', email: 's@s.example' });
    expect(await why(growthView(means, { id: stranger }, piece))).toMatch(/^404/);
    expect(await why(growthView(means, ada, piece))).toMatch(/^404/);
    expect(await why(growthView(means, school.teacher, { ...piece, handoutId: 'other' }))).toMatch(/^404/);
  });

  test('long work is told from its first change on', async () => {
    const cleo = await school.pupil('Cleo');
    const handoutId = await school.handOut(sampleSheet());
    const copy = await school.copy(handoutId, cleo.id);
    const lots = Array.from({ length: 400 }, (_, i) => ({ kind: 'sheet-set' as const, values: { title: `${i}` } }));
    for (let base = 0; base < 3200; base += lots.length) await school.save(copy, base, lots);
    const { grown } = await growthView(school.means, school.teacher, { handoutId, copyId: copy.id });
    expect([grown!.from, grown!.log.length, grown!.log[0].change]).toEqual([0, 3200, lots[0]]);
  });

  test('a log that can’t be read says so, and keeps nobody from the piece', async () => {
    const ben = await school.pupil('Ben');
    const handoutId = await school.handOut(sampleSheet());
    const copy = await school.copy(handoutId, ben.id);
    await school.save(copy, 0, [{ kind: 'sheet-set', values: { title: 'Mine' } }]);
    await db.query(`update document_change set change = '{"kind": "broken"}' where document_id = $1`, [
      copy.documentId,
    ]);
    const { grown } = await growthView(school.means, school.teacher, { handoutId, copyId: copy.id });
    expect(grown).toBeNull();
  });
});
