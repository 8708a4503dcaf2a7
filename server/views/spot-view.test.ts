import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { ruling } from '../../tests/support/said';
import { SmallSchool } from '../../tests/support/school';
import { lookFor } from '../../core/lookfors/all';
import { sameAnswers } from '../../core/review/spot';
import { page, plain, sheet, text } from '../../core/schema/defaults';
import { handOut } from '../actions/hand-out';
import type { News } from '../actions/live';
import { announce, mayWatch } from '../actions/live';
import { review, returnPiece } from '../actions/review';
import { saveWork } from '../actions/save-changes';
import { doWithCopy } from '../actions/hand-in';
import type { Database } from '../database/connection';
import { Live } from '../services/live';
import { copiesOf } from '../stores/copies';
import { addPerson } from '../stores/people';
import { createSheet } from '../stores/sheets';
import { copyView } from './copy-view';
import { cardsView, spreadView } from './spread-view';
import { spotView } from './spot-view';

/** What a class wrote in one spot, and a spread that follows what students do. */

const given = sheet({
  title: 'Bird',
  pages: [
    page({
      id: 'p',
      items: [
        text({ id: 'part', x: 60, y: 60, width: 120, height: 30, touch: 'fill' }),
        text({ id: 'why', x: 60, y: 160, width: 220, height: 60, touch: 'fill' }),
      ],
    }),
  ],
});
const WROTE = { Ada: 'neck', Ben: 'Hals', Cleo: ' Hals ', Dov: '', Eda: 'neck', Flo: 'Neck' };

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let handoutId: string;
  let stranger: { id: string };
  const students = new Map<string, { id: string; schoolId: string; name: string }>();
  const copyOf = (who: string) => school.copy(handoutId, students.get(who)!.id);
  let batches = 0;
  async function write(who: string, item: string, words: string) {
    const { documentId, seq } = await copyOf(who);
    const changes = [{ kind: 'splice' as const, id: item, at: 0, remove: 0, insert: plain(words) }];
    await saveWork(school.means, students.get(who)!, documentId, { base: seq, batch: `batch-${++batches}`, changes });
  }
  const handIn = async (who: string) => {
    const { id, seq } = await copyOf(who);
    await doWithCopy(school.means, students.get(who)!, id, { do: 'hand-in', seq });
  };
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    for (const name of [...Object.keys(WROTE), 'Gil']) students.set(name, await school.pupil(name));
    const { schoolId, teacherId } = school;
    stranger = {
      id: await addPerson(db, { schoolId, role: 'teacher', name: 'S', email: 's@s.example' }),
    };
    const sheetId = await createSheet(db, { schoolId, ownerId: teacherId, purpose: 'blank', sheet: given });
    const lookFors = [
      lookFor({
        kind: 'answers',
        id: 'answers',
        tell: 'after',
        points: 2,
        spelling: 'near',
        expect: [{ item: 'part', words: ['neck'] }],
      }),
      lookFor({ kind: 'teacher', id: 'clear', tell: 'after' }),
    ];
    [handoutId] = await handOut(school.means, school.teacher, sheetId, school.asked({ lookFors }));
    for (const [who, words] of Object.entries(WROTE)) {
      if (words) await write(who, 'part', words);
      await handIn(who);
    }
  });
  afterAll(() => db.close());

  const seen = (spot: Parameters<typeof spotView>[3] = null) => spotView(school.means, school.teacher, handoutId, spot);

  test('begins with what most have wrong, equal answers together, and says who has not handed in', async () => {
    const view = await seen();
    expect(view).toMatchObject({ spot: { item: 'part' }, without: 0, atWork: 1 });
    expect(view.spots.map(({ item, name, wrong }) => [item, name, wrong])).toEqual([
      ['part', 'neck', 3],
      ['why', 'Blank 2', 0],
    ]);
    const groups = sameAnswers(view.pieces).map(({ written, pieces }) => [
      written,
      pieces.map(({ studentName }) => studentName).join(' '),
      pieces[0].answer?.right,
    ]);
    expect(groups).toEqual([
      ['Hals', 'Ben Cleo', false],
      ['neck', 'Ada Eda', true],
      ['Neck', 'Flo', true],
      ['', 'Dov', false],
    ]);
  });

  test('a spot without a key, an area, and one that is nowhere', async () => {
    const why = await seen({ item: 'why' });
    expect(why.pieces.every(({ answer, key }) => answer === null && key === '')).toBe(true);
    const area = await seen({ page: 'p', area: { x: 50, y: 50, width: 200, height: 60 } });
    expect(sameAnswers(area.pieces).map(({ written }) => written)).toEqual(['neck', 'Neck', 'Hals', '']);
    expect(await seen({ item: 'nowhere' })).toMatchObject({ pieces: [], without: 6 });
  });

  test('an answer that is accepted counts on the spread, brings its points, and its reason reaches the student', async () => {
    const { id: copyId, goId } = await copyOf('Ben');
    const piece = { handoutId, copyId };
    const step = { do: 'rule' as const, lookFor: 'answers', item: 'part', held: true, reason: 'German is fine' };
    await review(db, school.teacher, piece, { go: goId!, steps: [step] });
    const card = async (who: string) =>
      (await spreadView(school.means, school.teacher, handoutId)).cards.find(({ studentName }) => studentName === who)!;
    expect(await card('Ben')).toMatchObject({ held: 1, missed: [], points: { got: 2, of: 2, open: 0 } });
    expect(await card('Cleo')).toMatchObject({ held: 0, points: { got: 0, of: 2 } });
    // The ruling is the teacher's, on top of what was counted.
    const [ben] = (await seen()).pieces.filter(({ studentName }) => studentName === 'Ben');
    expect(ben).toMatchObject({
      answer: { right: false },
      rulings: [ruling('answers', true, 'part', 'German is fine')],
    });
    await returnPiece(db, school.teacher, piece, { go: goId!, outcome: 'done' });
    const view = await copyView(school.means, students.get('Ben')!, copyId);
    expect(view).toMatchObject({
      reasons: [{ lookFor: 'answers', item: 'part', words: 'German is fine' }],
      marks: { sum: { got: 2, of: 2, open: 0 } },
    });
    expect((view as { results: unknown[] }).results[0]).toMatchObject({ held: true, got: 1, need: 1 });
  });

  test('who has the handout open hears of every save and of handing in, and asks for those cards alone', async () => {
    let time = 5000;
    const live = new Live(db, () => time);
    const heard: News[] = [];
    const leave = live.follow(handoutId, (news) => heard.push(news));
    const soon = { timeout: 20_000 };
    // A server takes a moment until it listens.
    const knock = async () => {
      await announce(db, { documentId: 'knock', handoutId, kind: 'came' });
      return heard.length;
    };
    await expect.poll(knock, soon).toBeGreaterThan(0);
    await write('Gil', 'part', 'beak');
    const { documentId } = await copyOf('Gil');
    const ofGil = () => heard.filter((news) => news.documentId === documentId);
    await expect.poll(ofGil, soon).toMatchObject([{ documentId, handoutId, kind: 'changes' }]);
    await handIn('Gil');
    await expect.poll(() => ofGil().map(({ kind }) => kind), soon).toEqual(['changes', 'moved']);
    leave();
    // Whoever loaded the handout before that, and follows it only now, has not missed it.
    const kinds = (since: number) => live.missed(handoutId, since)?.map(({ kind }) => kind);
    expect(kinds(5000)?.slice(-2)).toEqual(['changes', 'moved']);
    expect(kinds(5001)).toEqual([]);
    expect(live.missed('another', 5000)).toEqual([]);
    expect(live.missed(handoutId, 4999)).toBeNull();
    time = 5000 + 60_001;
    expect(live.missed(handoutId, 5000)).toBeNull();
    live.close();
    const { cards } = await cardsView(school.means, school.teacher, handoutId, [documentId, 'of-another-handout']);
    expect(cards).toMatchObject([{ studentName: 'Gil', state: 'handed-in', missed: ['“neck” answered wrongly'] }]);
    const all = await spreadView(school.means, school.teacher, handoutId);
    expect(all.cards.find(({ studentName }) => studentName === 'Gil')).toEqual(cards[0]);
  });

  test('is for the teachers of the class alone', async () => {
    expect(await why(spotView(school.means, stranger, handoutId, null))).toMatch(/^404/);
    expect(await why(cardsView(school.means, stranger, handoutId, ['x']))).toMatch(/^404/);
    expect(await why(mayWatch(db, stranger, handoutId))).toMatch(/^404/);
    await mayWatch(db, school.teacher, handoutId);
    expect(await copiesOf(db, handoutId)).toHaveLength(7);
  });
});
