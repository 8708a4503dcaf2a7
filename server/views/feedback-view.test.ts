import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { saidNote } from '../../tests/support/said';
import { SmallSchool } from '../../tests/support/school';
import { lookFor } from '../../core/lookfors/all';
import { page, plain, sheet, text } from '../../core/schema/defaults';
import { handOut } from '../actions/hand-out';
import { doWithCopy } from '../actions/hand-in';
import { review, returnPiece } from '../actions/review';
import { saveWork } from '../actions/save-changes';
import type { Database } from '../database/connection';
import { goesOf } from '../stores/goes';
import { addPerson } from '../stores/people';
import { createSheet } from '../stores/sheets';
import { sumWords } from '../../core/lookfors/rubric';
import { copyView } from './copy-view';
import { readingView } from './reading-view';
import { spreadView } from './spread-view';
import { classFeedback, feedbackFor, marksCsv, notesJson, outView, ownFeedback } from './feedback-view';

/** What came of a handout, taken out. */

const given = sheet({
  title: 'Bird',
  pages: [page({ id: 'p', items: [text({ id: 'part', x: 60, y: 60, width: 120, height: 30, touch: 'fill' })] })],
});
const ALL = { lookFors: true, marks: true };

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let handoutId: string;
  const students = new Map<string, { id: string; schoolId: string; name: string }>();
  const copyOf = (who: string) => school.copy(handoutId, students.get(who)!.id);
  const pieceOf = async (who: string) => {
    const { id: copyId, goId } = await copyOf(who);
    return { piece: { handoutId, copyId }, go: goId! };
  };
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    for (const name of ['Ada', 'Ben', 'Cleo', 'Dov']) students.set(name, await school.pupil(name));
    const { schoolId, teacherId } = school;
    const sheetId = await createSheet(db, { schoolId, ownerId: teacherId, purpose: 'blank', sheet: given });
    const lookFors = [
      lookFor({
        kind: 'answers',
        id: 'answers',
        title: 'The right part',
        tell: 'after',
        points: 2,
        spelling: 'near',
        expect: [{ item: 'part', words: ['neck'] }],
      }),
      lookFor({ kind: 'teacher', id: 'clear', title: 'Clear', tell: 'after' }),
    ];
    const levels = [
      { points: 0, text: 'hardly' },
      { points: 3, text: 'well' },
    ];
    const rubric = { rows: [{ id: 'row', name: 'Care', levels }] };
    [handoutId] = await handOut(school.means, school.teacher, sheetId, school.asked({ lookFors, rubric }));
    for (const [who, words] of [
      ['Ada', 'neck'],
      ['Ben', 'leg'],
      ['Cleo', 'nape'],
    ] as const) {
      const { id, documentId, seq } = await copyOf(who);
      const changes = [{ kind: 'splice' as const, id: 'part', at: 0, remove: 0, insert: plain(words) }];
      await saveWork(school.means, students.get(who)!, documentId, { base: seq, batch: `batch-${who}`, changes });
      await doWithCopy(school.means, students.get(who)!, id, { do: 'hand-in', seq: (await copyOf(who)).seq });
    }
    const ben = await pieceOf('Ben');
    const steps = [
      saidNote('note-ben-1', { page: 'p', item: 'part', body: 'Look at the line.' }),
      { do: 'rule' as const, lookFor: 'answers', item: 'part', held: false, reason: 'That is its leg.' },
      { do: 'mark' as const, row: 'row', level: 0 },
    ];
    await review(db, school.teacher, ben.piece, { go: ben.go, steps });
    await returnPiece(db, school.teacher, ben.piece, { go: ben.go, outcome: 'another-go' });
    const cleo = await pieceOf('Cleo');
    const accepted = [
      { do: 'rule' as const, lookFor: 'answers', item: 'part', held: true, reason: 'Also called so.' },
      { do: 'rule' as const, lookFor: 'clear', held: true },
      { do: 'mark' as const, row: 'row', level: 1 },
    ];
    await review(db, school.teacher, cleo.piece, { go: cleo.go, steps: accepted });
    await returnPiece(db, school.teacher, cleo.piece, { go: cleo.go, outcome: 'done' });
  });
  afterAll(() => db.close());

  test('feedback says what was said, as it was ruled', async () => {
    const all = await classFeedback(school.means, school.teacher, handoutId, [], ALL);
    expect(all.map(({ about }) => about)).toEqual([
      'Ada · go 1 · not returned yet',
      'Ben · go 1 · returned for another go',
      'Cleo · go 1 · returned as done',
    ]);
    expect(all.map(({ sum }) => sum)).toEqual(['2 of 5 points, 1 still to mark', '0 of 5 points', '5 of 5 points']);
    expect(all[1].notes.map(({ body }) => body)).toEqual(['Look at the line.']);
    expect(all[2].lookFors).toEqual([
      {
        id: 'answers',
        title: 'The right part',
        held: true,
        counted: '',
        reasons: [expect.stringContaining('Also called so.')],
      },
      { id: 'clear', title: 'Clear', held: true, counted: '', reasons: [] },
    ]);
    expect(all.map(({ rows: [row] }) => row.level?.points ?? null)).toEqual([null, 0, 3]);
  });

  test('look-fors and marks can be left off, and pieces be chosen', async () => {
    const { id } = await copyOf('Ben');
    const asked = { as: 'pdf' as const, handoutId, copies: [id], shows: { lookFors: false, marks: false } };
    const { title, pieces } = await feedbackFor(school.means, school.teacher, asked);
    expect([title, pieces.length]).toEqual(['Bird', 1]);
    expect(pieces[0]).toMatchObject({ sum: null, lookFors: [], rows: [] });
    expect(
      await why(feedbackFor(school.means, school.teacher, { ...asked, copies: [(await copyOf('Dov')).id] })),
    ).toMatch(/^409.*handed in/);
  });

  test('a student gets their own once it came back, and before it is done nothing that gives the key away', async () => {
    const own = async (who: string) => ownFeedback(school.means, students.get(who)!, (await copyOf(who)).id);
    const ben = await own('Ben');
    expect(ben.notes).toHaveLength(1);
    // What brings points is on the screen as well; the other look-for is told when it is done.
    expect(ben.lookFors).toEqual([
      { title: 'The right part', held: false, counted: '0 of 2 points', reasons: ['That is its leg.'] },
    ]);
    expect(JSON.stringify(ben.lookFors)).not.toContain('neck');
    expect((await own('Cleo')).lookFors.map(({ title }) => title)).toEqual(['The right part', 'Clear']);
    // They have read it now: it is no longer taken back without a word.
    expect((await goesOf(db, (await copyOf('Ben')).id)).at(-1)!.seenAt).not.toBeNull();
    expect(await why(own('Ada'))).toMatch(/^404/);
    expect(await why(ownFeedback(school.means, students.get('Ada')!, (await copyOf('Cleo')).id))).toMatch(/^404/);
  });

  test('marks are a table of everybody; nobody has a 0 that nobody gave', async () => {
    const { csv } = await marksCsv(school.means, school.teacher, handoutId, [], 'Europe/London');
    const rows = csv
      .slice(1)
      .trim()
      .split('\r\n')
      .map((line) => line.split(','));
    const column = (name: string) => rows.slice(1).map((row) => row[rows[0].indexOf(name)]);
    expect(column('Student')).toEqual(['Ada', 'Ben', 'Cleo', 'Dov']);
    expect(column('Points')).toEqual(['', '0', '5', '']);
    expect(column('Still to mark')).toEqual(['1', '0', '0', '']);
    expect(column('The right part')).toEqual(['yes', 'no', 'yes', '']);
    expect(column('Clear')).toEqual(['', '', 'yes', '']);
    expect(column('Care')).toEqual(['', '0', '3', '']);
  });

  test('notes say who wrote them, and where', async () => {
    const { json } = await notesJson(school.means, school.teacher, handoutId, [], 'http://school');
    expect(json).toMatchObject({
      total: 1,
      first: {
        items: [{ creator: { name: 'T' }, audience: { 'schema:name': 'Ben' }, body: { value: 'Look at the line.' } }],
      },
    });
  });

  test('only teachers of the class get any of it', async () => {
    const id = await addPerson(db, { schoolId: school.schoolId, role: 'teacher', name: 'S', email: 's@s.example' });
    const { means } = school;
    for (const ask of [
      () => outView(means, { id }, handoutId),
      () => classFeedback(means, { id }, handoutId, [], ALL),
      () => marksCsv(means, { id }, handoutId, [], 'UTC'),
      () => notesJson(means, { id }, handoutId, [], ''),
    ])
      expect(await why(ask())).toMatch(/^404/);
  });

  test('what can be taken out are the pieces that were handed in', async () => {
    const { pieces, copies, handout } = await outView(school.means, school.teacher, handoutId);
    expect(pieces.map(({ studentName }) => studentName)).toEqual(['Ada', 'Ben', 'Cleo']);
    expect([copies, handout.weighs, handout.counts]).toEqual([4, true, true]);
  });

  test('what came late loses what the rubric says, the same wherever points are told, until it is given more time', async () => {
    const cleo = students.get('Cleo')!;
    const { piece } = await pieceOf('Cleo');
    const told = async () => {
      const card = (await spreadView(school.means, school.teacher, handoutId)).cards.find(
        ({ id }) => id === piece.copyId,
      )!;
      const { marks } = await copyView(school.means, cleo, piece.copyId);
      const read = await readingView(school.means, school.teacher, piece, 99);
      return {
        sums: [
          sumWords(card.points!),
          sumWords(marks!.sum),
          (await ownFeedback(school.means, cleo, piece.copyId)).sum,
          (await classFeedback(school.means, school.teacher, handoutId, [piece.copyId], ALL))[0].sum,
        ],
        days: read.copy.daysLate,
      };
    };
    const all = Array.from({ length: 4 }, () => '5 of 5 points');
    expect(await told()).toEqual({ sums: all, days: 0 });
    await db.query(
      `update handout set due_at = now() - interval '30 hours', rubric = rubric || '{"late": {"off": 1, "each": "day"}}' where id = $1`,
      [handoutId],
    );
    const less = Array.from({ length: 4 }, () => '3 of 5 points, 2 taken off for 2 days late');
    expect(await told()).toEqual({ sums: less, days: 2 });
    const { csv } = await marksCsv(school.means, school.teacher, handoutId, [piece.copyId], 'UTC');
    expect(csv.split('\r\n')[0]).toContain('Taken off for late');
    await db.query("update copy set extended_to = now() + interval '1 hour' where id = $1", [piece.copyId]);
    expect(await told()).toEqual({ sums: all, days: 0 });
  });
});
