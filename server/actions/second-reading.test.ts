import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { Saying } from '../../core/review/said';
import { DATABASES } from '../../tests/support/databases';
import { refusalOf, why } from '../../tests/support/refused';
import { saidNote, stampSaid } from '../../tests/support/said';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import type { Database } from '../database/connection';
import { createHandout } from '../stores/handing-out';
import { copiesOf } from '../stores/copies';
import { goesOf, handIn } from '../stores/goes';
import { addPerson } from '../stores/people';
import { setClassTeacher } from '../stores/teachers';
import { classFeedback, marksCsv, notesJson } from '../views/feedback-view';
import { pathView } from '../views/path-view';
import { readingView } from '../views/reading-view';
import { spotView } from '../views/spot-view';
import { spreadView } from '../views/spread-view';
import { doWithHandout } from './handout-life';
import { returnPiece, review } from './review';
import { chooseSecondReader } from './second-reading';

/** A handout that two teachers read: neither knows what the other says before the second has finished, and each says their own. */

const RUBRIC = {
  rows: [{ id: 'names', name: 'Names', levels: [0, 1, 2, 3].map((points) => ({ points, text: '' })) }],
};
const mark = (level: number | null): Saying => ({ do: 'mark', row: 'names', level });
const marked = (level: number | null): Saying => ({ do: 'mark', row: 'names', level, second: true });
const finish = (word = ''): Saying => ({ do: 'finish', word });

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  type Someone = { id: string };
  let full: Someone, reader: Someone, stranger: Someone;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    const { schoolId, classId } = school;
    const teacher = async (name: string) => ({
      id: await addPerson(db, { schoolId, role: 'teacher', name, email: `${name}@second.example` }),
    });
    [full, reader, stranger] = [await teacher('Full'), await teacher('Reader'), await teacher('Stranger')];
    await setClassTeacher(db, { classId, personId: full.id, rights: 'full', endsAt: null });
    await setClassTeacher(db, { classId, personId: reader.id, rights: 'read', endsAt: null });
  });
  afterAll(() => db.close());

  let number = 0;
  /** A piece that was handed in, of a handout with or without a second reader. */
  async function piece(second: Someone | null) {
    const ada = await school.pupil(`Ada ${number++}`);
    const { schoolId, teacherId, classId } = school;
    const given = { schoolId, teacherId, classId, sheetId: null, title: 'Bird', brief: '', dueAt: null };
    const handoutId = await createHandout(
      db,
      {
        ...given,
        sheet: sampleSheet(),
        lookFors: [{ kind: 'teacher', id: 'neat', title: 'Neat', tell: 'after' }],
        rubric: RUBRIC,
        supplies: [],
        only: { groups: [], students: [ada.id] },
      },
      school.pictures,
    );
    const copy = await school.copy(handoutId, ada.id);
    await handIn(db, copy, 0);
    const [go] = await goesOf(db, copy.id);
    if (second) await choose(handoutId, second.id);
    const at = { handoutId, copyId: copy.id };
    const say = (who: Someone, ...steps: Saying[]) => review(db, who, at, { go: go.id, steps });
    const read = (who: Someone) => readingView(school.means, who, at, 0);
    const card = async (who: Someone) => (await spreadView(school.means, who, handoutId)).cards[0];
    return { at, go, say, read, card, handoutId };
  }
  const choose = (handoutId: string, readerId: string, who: Someone = school.teacher) =>
    chooseSecondReader(db, who, handoutId, { do: 'second-reader', reader: readerId });

  test('each says their own; what the other says is told once the second has finished', async () => {
    const { say, read, card } = await piece(reader);
    await say(school.teacher, mark(3), saidNote('note-first'), { do: 'rule', lookFor: 'neat', held: true });
    expect(await read(reader)).toMatchObject({
      go: { marks: {} },
      rulings: [],
      notes: [],
      mayChange: false,
      second: { role: 'second', done: false, other: null },
    });
    expect(await card(reader)).toMatchObject({ levels: {}, second: { begun: false, done: false } });

    await say(reader, marked(1), { do: 'rule', lookFor: 'neat', item: 'words', held: false, second: true });
    await say(reader, { do: 'rule', lookFor: 'neat', held: false, reason: 'blots', second: true });
    expect(await read(school.teacher)).toMatchObject({
      go: { marks: { names: 3 } },
      rulings: [{ lookForId: 'neat', held: true }],
      second: { role: 'first', name: 'Reader', done: false, word: '', other: null },
    });
    expect(await card(school.teacher)).toMatchObject({ levels: { names: 3 }, second: { begun: true, done: false } });
    expect(await read(reader)).toMatchObject({ go: { marks: { names: 1 } }, second: { other: null } });

    await say(reader, finish(' Shall we talk? '.trim()));
    const first = await read(school.teacher);
    expect(first).toMatchObject({
      go: { marks: { names: 3 } },
      second: { done: true, word: 'Shall we talk?', other: { marks: { names: 1 } } },
    });
    expect(first.second!.other!.rulings).toEqual(
      expect.arrayContaining([
        { lookForId: 'neat', itemId: null, held: false, reason: 'blots' },
        { lookForId: 'neat', itemId: 'words', held: false, reason: '' },
      ]),
    );
    expect(await read(reader)).toMatchObject({
      notes: [{ id: 'note-first' }],
      second: { role: 'second', name: 'T', done: true, other: { marks: { names: 3 } } },
    });
    expect(await card(school.teacher)).toMatchObject({ second: { done: true, both: 2, apart: 2 } });
    expect(await card(reader)).toMatchObject({ levels: { names: 1 }, second: { done: true, both: 2, apart: 2 } });
  });

  test('no other view of the class tells a second reader what the first says, before they have finished', async () => {
    const { say, handoutId } = await piece(full);
    await say(school.teacher, mark(3), saidNote('note-shy', { body: 'Look here' }), {
      do: 'rule',
      lookFor: 'neat',
      held: true,
    });
    await say(full, marked(1));
    const seen = async (who: Someone) => {
      const spot = await spotView(school.means, who, handoutId, { item: 'words' });
      const [paper] = await classFeedback(school.means, who, handoutId, [], { lookFors: true, marks: true });
      const { csv } = await marksCsv(school.means, who, handoutId, [], 'UTC');
      const { pieces } = await pathView(school.means, who, (await copiesOf(db, handoutId))[0].studentId);
      return {
        marks: [spot.pieces[0].marks.names, paper.rows[0].level?.points, pieces[0].points?.got],
        rulings: [spot.pieces[0].rulings.length, paper.lookFors[0].held],
        notes: [spot.pieces[0].notes.length, paper.notes.length, pieces[0].notes.length, /Look here/.test(csv)],
        judgesHere: spot.mayChange,
      };
    };
    const first = { marks: [3, 3, 3], rulings: [1, true], notes: [1, 1, 1, true], judgesHere: true };
    expect(await seen(school.teacher)).toEqual(first);
    const own = { marks: [1, 1, 1], rulings: [0, null], judgesHere: false };
    expect(await seen(full)).toEqual({ ...own, notes: [0, 0, 0, false] });
    const notes = async (who: Someone) => {
      const workshop = { ...school.means, withOwn: () => Promise.resolve(school.pictures) };
      return JSON.stringify((await notesJson(workshop, who, handoutId, [], 'https://house.example')).json);
    };
    expect([await notes(school.teacher), await notes(full)].map((json) => json.includes('Look here'))).toEqual([
      true,
      false,
    ]);
    await say(full, finish());
    expect(await seen(full)).toEqual({ ...own, notes: first.notes });
    expect(await notes(full)).toContain('Look here');
  });

  test('what is said twice counts once, and what is withdrawn is gone', async () => {
    const { say, read } = await piece(reader);
    const rule = (held: boolean | null): Saying => ({ do: 'rule', lookFor: 'neat', held, second: true });
    await say(reader, marked(1), marked(1), rule(true), rule(true));
    expect(await read(reader)).toMatchObject({ go: { marks: { names: 1 } }, rulings: [{ lookForId: 'neat' }] });
    await say(reader, marked(null), rule(null));
    expect(await read(reader)).toMatchObject({ go: { marks: {} }, rulings: [] });
  });

  test('a second reader changes nothing else: no notes, no strokes, nothing returned, whatever their rights in the class', async () => {
    const { at, go, say, read } = await piece(full);
    for (const step of [saidNote('note-full'), stampSaid('stamp-full'), mark(2)])
      expect(await why(say(full, step))).toMatch(/^403 .*second reader/);
    expect(await why(returnPiece(db, full, at, { go: go.id, outcome: 'done' }))).toMatch(/^403 .*second reader/);
    expect(await why(doWithHandout(db, full, at.handoutId, { do: 'close' }))).toMatch(/^403/);
    expect(await why(say(full, marked(9)))).toMatch(/^400/);
    expect(await read(school.teacher)).toMatchObject({ go: { marks: {} }, notes: [], ink: [] });
  });

  test('what was meant for one never becomes the other’s: not once somebody else is chosen, nor mixed up', async () => {
    const { at, say, read } = await piece(full);
    expect(await why(say(school.teacher, marked(1)))).toMatch(/^403 .*not the second reader/);
    expect(await why(say(full, marked(1), mark(3)))).toMatch(/^403 .*by itself/);
    await choose(at.handoutId, '', full);
    // What was on its way from a window that still took them for the second reader.
    expect(await why(say(full, marked(1)))).toMatch(/^403 .*not the second reader/);
    await say(full, mark(2));
    expect(await read(school.teacher)).toMatchObject({ go: { marks: { names: 2 } }, second: null });
  });

  test('reads on after a piece was returned, and what they said is kept while another is chosen', async () => {
    const { at, go, say, read } = await piece(reader);
    await returnPiece(db, school.teacher, at, { go: go.id, outcome: 'done' });
    await say(reader, marked(2), finish());
    await choose(at.handoutId, full.id);
    expect(await read(full)).toMatchObject({ go: { marks: {} }, second: { role: 'second', done: false } });
    expect(await read(reader)).toMatchObject({ second: { role: 'first', name: 'Full', other: null } });
    await choose(at.handoutId, reader.id);
    expect(await read(reader)).toMatchObject({ go: { marks: { names: 2 } }, second: { done: true } });
  });

  test('is chosen by who may change the handout, of those who teach the class and did not hand it out', async () => {
    const { at } = await piece(null);
    expect(
      (await spreadView(school.means, school.teacher, at.handoutId)).handout.readers.map(({ name }) => name),
    ).toEqual(['Full', 'Reader']);
    expect((await spreadView(school.means, reader, at.handoutId)).handout.readers).toEqual([]);
    for (const nobody of [school.teacherId, stranger.id, 'none'])
      expect(await refusalOf(choose(at.handoutId, nobody))).toMatchObject({ status: 422 });
    expect((await refusalOf(choose(at.handoutId, reader.id, reader))).status).toBe(403);
    expect((await refusalOf(choose(at.handoutId, reader.id, stranger))).status).toBe(404);
    await choose(at.handoutId, full.id, full);
    // From now on they only read, but may always stop.
    expect((await refusalOf(choose(at.handoutId, reader.id, full))).status).toBe(403);
    await choose(at.handoutId, '', full);
    await choose(at.handoutId, reader.id, full);
  });

  test('who does not teach the class any more says nothing', async () => {
    const { at, say } = await piece(reader);
    const given = { classId: school.classId, personId: reader.id, rights: 'read' as const };
    await setClassTeacher(db, { ...given, endsAt: new Date(Date.now() - 1000) });
    expect((await refusalOf(say(reader, marked(1)))).status).toBe(404);
    expect((await refusalOf(choose(at.handoutId, '', reader))).status).toBe(404);
    await setClassTeacher(db, { ...given, endsAt: null });
  });
});
