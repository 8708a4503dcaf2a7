import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { Change } from '../changes/change';
import { Film } from '../changes/film';
import { replay } from '../changes/change';
import { page, plain, shape, sheet, text } from '../schema/defaults';
import type { GrownStep } from './growth';
import { PAUSE } from './effort';
import { growthOf, paceOf, seqAfter } from './growth';

const START = sheet({
  title: 'Tide',
  pages: [
    page({
      id: 'p',
      items: [
        text({ id: 'task', touch: 'fixed', body: plain('Say in your own words how the tide comes in and goes out.') }),
        text({ id: 'box', touch: 'fill' }),
        text({ id: 'other', touch: 'fill' }),
      ],
    }),
  ],
});
const MINUTE = 60_000;
const typed = (words: string, id = 'box', at = 0): Change => ({
  kind: 'splice',
  id,
  at,
  remove: 0,
  insert: plain(words),
});
/** Word after word, as the log has it when somebody types. */
const typing = (words: string, id = 'box'): Change[] => {
  let at = 0;
  return words.split(/(?=\s)/).map((word) => {
    const change = typed(word, id, at);
    at += word.length;
    return change;
  });
};
const LONG = 'The moon pulls the water of the sea towards it twice a day';
const step = (at: number, change: Change, by = 'ada'): GrownStep => ({ at, by, change });
const every = (changes: readonly Change[], seconds: number, by = 'ada'): GrownStep[] =>
  changes.map((change, i) => step(i * seconds * 1000, change, by));
const grown = (log: readonly GrownStep[], from = 0) => growthOf(from, START, log, (by) => by !== 'teacher');
const added: Change = { kind: 'insert', spot: { page: 'p', group: null, behind: null }, item: shape({ id: 'fish' }) };

test('work without a longer pause is one sitting, with the words and things that came of it', () => {
  const first = every([...typing('the sea comes in'), added], 30);
  const later = { ...step(4 * 30_000 + PAUSE * 1000 + 1, typed(' again', 'box', 16)) };
  const { sittings, worked } = grown([...first, later], 40);
  expect(sittings).toEqual([
    { from: 41, to: 45, begun: 0, ended: 120_000, words: 4, things: 1 },
    { from: 46, to: 46, begun: later.at, ended: later.at, words: 1, things: 0 },
  ]);
  // The pause is no work.
  expect(worked).toEqual([0, 0, 30_000, 60_000, 90_000, 120_000, 120_000]);
  // Exactly as long as a pause may be, it goes on.
  expect(grown([...first, { ...later, at: later.at - 1 }]).sittings).toHaveLength(1);
});

test('letters mended in a word are no words, and what is taken away counts against it', () => {
  const [first] = grown(every([...typing('the see'), { ...typed('a', 'box', 6), remove: 1 } as Change], 1)).sittings;
  expect(first.words).toBe(2);
  const gone: Change = { kind: 'splice', id: 'box', at: 0, remove: 7, insert: plain('') };
  expect(grown(every([...typing('the sea'), gone], 1)).sittings[0].words).toBe(0);
});

test('words that come in one go are told, and typed ones are not', () => {
  expect(grown(every(typing(LONG), 2)).atOnce).toEqual([]);
  const [found, ...rest] = grown([step(5, typed(LONG))], 7).atOnce;
  expect(rest).toEqual([]);
  expect(found).toEqual({ seq: 8, at: 5, by: 'ada', item: 'box', words: 13, said: LONG });
  // A sentence that a phone finishes is none.
  expect(grown([step(0, typed('The moon pulls the water of the'))]).atOnce).toEqual([]);
  // With a box of its own, and in a group.
  const box = text({ id: 'mine', body: plain(LONG) });
  const insert: Change = { kind: 'insert', spot: { page: 'p', group: null, behind: null }, item: box };
  expect(grown([step(0, insert)]).atOnce).toMatchObject([{ item: 'mine', words: 13 }]);
  expect(grown([step(0, { kind: 'all', changes: [added, insert] })]).atOnce).toHaveLength(1);
});

test('what stood on the sheet, was moved within the piece or brought back is not told', () => {
  expect(grown([step(0, typed('how the tide comes in and goes out'))]).atOnce).toEqual([]);
  const erased: Change = { kind: 'splice', id: 'box', at: 0, remove: LONG.length, insert: plain('') };
  const cut = [...typing(LONG), erased, typed(LONG, 'other')];
  expect(grown(every(cut, 1)).atOnce).toEqual([]);
  const removed = every([...typing(LONG), { kind: 'remove', id: 'box' }, typed(LONG.toUpperCase(), 'other')], 1);
  expect(grown(removed).atOnce).toEqual([]);
  // With words that were never there, it is new.
  expect(grown([...every(cut, 1), step(1e6, typed(`${LONG} in spring`, 'other'))]).atOnce).toHaveLength(1);
});

test('what each brought is told apart, and a correction by the teacher is nobody’s work', () => {
  const log = [
    step(0, typed('a b c'), 'ada'),
    step(1000, added, 'ben'),
    step(2000, typed(`${LONG} and so on`, 'other'), 'teacher'),
    step(3000, typed(' d', 'box', 5), 'ben'),
  ];
  const { shares, sittings, atOnce, worked } = grown(log);
  expect(shares).toEqual([
    { by: 'ada', words: 3, things: 0 },
    { by: 'ben', words: 1, things: 1 },
  ]);
  expect(sittings).toEqual([{ from: 1, to: 4, begun: 0, ended: 3000, words: 4, things: 1 }]);
  expect(atOnce).toEqual([]);
  expect(worked).toEqual([0, 0, 1000, 1000, 3000]);
});

test('the slider meets every state: what stands at any moment of work is what was made by then', () => {
  const moments = fc.array(fc.integer({ min: 0, max: 8 * MINUTE }), { maxLength: 30 });
  fc.assert(
    fc.property(moments, fc.nat(20), (gaps, from) => {
      let at = 0;
      const log = gaps.map((gap, i) => step((at += gap), typed(`w${i} `)));
      const growth = grown(log, from);
      expect(growth.worked).toHaveLength(log.length + 1);
      growth.worked.forEach((worked, i) => {
        expect(seqAfter(growth, from, worked)).toBeGreaterThanOrEqual(from + i);
        if (i > 0) expect(worked).toBeGreaterThanOrEqual(growth.worked[i - 1]);
      });
      expect(seqAfter(growth, from, Infinity)).toBe(from + log.length);
      expect(paceOf(growth, 7).reduce((a, b) => a + b, 0)).toBe(log.length);
      expect(growth.sittings.reduce((sum, one) => sum + one.words, 0)).toBe(log.length);
      const film = new Film(from, START, log);
      const all = replay(
        START,
        log.map(({ change }) => change),
      );
      expect(film.at(from + log.length)).toEqual(all);
    }),
    { numRuns: 60 },
  );
});

test('a film runs forwards and backwards, and an empty log shows its start', () => {
  const log = every(typing(Array.from({ length: 130 }, (_, i) => `w${i}`).join(' ')), 1);
  const film = new Film(3, START, log);
  expect(film.last).toBe(133);
  const late = film.at(120);
  expect(film.at(4)).toEqual(replay(START, [log[0].change]));
  expect(film.at(120)).toEqual(late);
  expect(new Film(3, START, []).at(3)).toBe(START);
  expect(grown([])).toEqual({ sittings: [], atOnce: [], shares: [], worked: [0] });
  expect(paceOf({ worked: [0] }, 3)).toEqual([0, 0, 0]);
});
