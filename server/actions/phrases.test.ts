import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { saidNote } from '../../tests/support/said';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import type { Database } from '../database/connection';
import { goesOf, handIn } from '../stores/goes';
import { addPerson } from '../stores/people';
import { phrasesOf } from '../stores/phrases';
import { doWithPhrases } from './phrases';
import { review } from './review';

/** A teacher's own phrases, and those of the teachers of the same classes. */

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let colleague: { id: string };
  let stranger: { id: string };
  const teacher = async (name: string) => ({
    id: await addPerson(db, {
      schoolId: school.teacher.schoolId,
      role: 'teacher',
      name,
      email: `${name}@school.example`,
      secretHash: 'x',
    }),
  });
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    colleague = await teacher('colleague');
    stranger = await teacher('stranger');
    await db.query(`insert into class_teacher (class_id, person_id, rights) values ($1, $2, 'read')`, [
      school.classId,
      colleague.id,
    ]);
  });
  afterAll(() => db.close());

  const mine = () => school.teacher;
  const bodies = async (person: { id: string }) => (await phrasesOf(db, person.id)).map(({ body }) => body);
  const keep = (body: string, phrase = body.slice(0, 5), about: string[] = []) =>
    doWithPhrases(db, mine(), { do: 'keep', phrase, body, about });

  test('are kept once, and about all that they were kept for', async () => {
    await keep('Say why', 'first', ['words']);
    await keep('Say why', 'second', ['labels']);
    const [phrase, ...others] = await phrasesOf(db, mine().id);
    expect(others).toEqual([]);
    expect(phrase).toMatchObject({ id: 'first', body: 'Say why', by: null, shared: false });
    expect([...phrase.about].sort()).toEqual(['labels', 'words']);
  });
  test('are seen by teachers of the same class once they are shared, and by nobody else', async () => {
    expect(await bodies(colleague)).toEqual([]);
    await doWithPhrases(db, mine(), { do: 'share', phrase: 'first', shared: true });
    expect(await phrasesOf(db, colleague.id)).toMatchObject([{ body: 'Say why', by: mine().name }]);
    expect(await bodies(stranger)).toEqual([]);
    await doWithPhrases(db, mine(), { do: 'share', phrase: 'first', shared: false });
    expect(await bodies(colleague)).toEqual([]);
  });
  test('belong to whoever wrote them', async () => {
    await doWithPhrases(db, mine(), { do: 'share', phrase: 'first', shared: true });
    expect(await why(doWithPhrases(db, colleague, { do: 'word', phrase: 'first', body: 'mine now' }))).toMatch(/^409/);
    expect(await why(doWithPhrases(db, colleague, { do: 'share', phrase: 'first', shared: false }))).toMatch(/^409/);
    await doWithPhrases(db, colleague, { do: 'remove', phrase: 'first' });
    expect(await bodies(mine())).toEqual(['Say why']);
  });
  test('take the place of another that says the same when they are reworded', async () => {
    await keep('Look again', 'third');
    await doWithPhrases(db, mine(), { do: 'word', phrase: 'third', body: 'Say why' });
    expect((await phrasesOf(db, mine().id)).map(({ id, body }) => [id, body])).toEqual([['third', 'Say why']]);
  });
  test('are counted by the notes that they make, once each, and what was written before is offered, too', async () => {
    const ada = await school.pupil('Ada');
    const handoutId = await school.handOut(sampleSheet());
    const copy = await school.copy(handoutId, ada.id);
    await handIn(db, copy, 0);
    const [go] = await goesOf(db, copy.id);
    const notes = [saidNote('note-1', { body: 'Say why' }), saidNote('note-2', { body: 'A word of my own' })];
    const steps = notes.map((note) => ({ ...note, about: 'phrase' }) as typeof note);
    for (const _again of [1, 2]) await review(db, mine(), { handoutId, copyId: copy.id }, { go: go.id, steps });
    const phrases = await phrasesOf(db, mine().id);
    expect(phrases).toMatchObject([
      { id: 'third', body: 'Say why', used: 2, about: ['phrase'] },
      { id: null, body: 'A word of my own', used: 1 },
    ]);
    expect(await bodies(colleague)).toEqual([]);
  });
});
