import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { ruling } from '../../tests/support/said';
import type { Judgeable, Judging, Verdict } from './judging';
import { judgeAll, verdictOn } from './judging';
import type { Said } from './said';
import { saidAfter } from './said';

const NOTHING: Said = { notes: [], rulings: [], marks: {}, ink: [] };
type Piece = Judgeable & { name: string; said: Said };
const piece = (name: string, right: boolean | null, held: boolean | null, said = NOTHING): Piece => ({
  name,
  answer: right === null ? null : { lookFor: 'labels', item: 'a', right },
  results: [
    { id: 'labels', held: right },
    { id: 'careful', held },
  ],
  said,
});
const after = (judging: Judging, pieces: readonly Piece[], to: Verdict | null): Piece[] => {
  const steps = judgeAll(judging, pieces, to);
  return pieces.map((one) => ({
    ...one,
    said: saidAfter(
      'go',
      one.said,
      steps.filter(({ piece: { name } }) => name === one.name).map(({ step }) => step),
    ),
  }));
};

const ANSWER: Judging = { ask: 'answer' };
const CAREFUL: Judging = { ask: 'look-for', id: 'careful' };
const ROW: Judging = { ask: 'row', id: 'neat' };

describe('one thing judged on many pieces', () => {
  const pieces = fc
    .array(fc.tuple(fc.option(fc.boolean()), fc.option(fc.boolean())), { minLength: 1, maxLength: 6 })
    .map((all) => all.map(([right, held], i) => piece(`${i}`, right, held)));
  const judgings = fc.constantFrom<[Judging, Verdict]>(
    [ANSWER, true],
    [ANSWER, false],
    [CAREFUL, true],
    [CAREFUL, false],
    [ROW, 0],
    [ROW, 2],
  );
  test('stands equally on all of them, wherever it can be judged', () =>
    fc.assert(
      fc.property(pieces, fc.array(judgings, { minLength: 1, maxLength: 5 }), (all, presses) => {
        let now = all;
        for (const [judging, to] of presses) {
          now = after(judging, now, to);
          for (const one of now)
            if (judging.ask !== 'answer' || one.answer !== null) expect(verdictOn(judging, one)).toBe(to);
          expect(judgeAll(judging, now, to)).toEqual([]);
        }
      }),
    ));
  test('is taken back wherever the teacher has said something', () => {
    for (const [judging, to] of [
      [ANSWER, true],
      [CAREFUL, false],
      [ROW, 1],
    ] as const) {
      const all = [piece('a', false, null), piece('b', false, null)];
      const once = after(judging, all, to);
      expect(once.map((one) => verdictOn(judging, one))).toEqual([to, to]);
      expect(after(judging, once, null)).toEqual(all);
      expect(after(judging, all, null)).toEqual(all);
    }
  });
  test('says nothing about a piece where it is so already', () =>
    expect(judgeAll(ANSWER, [piece('a', true, null), piece('b', false, null)], true)).toMatchObject([
      { piece: { name: 'b' }, step: { do: 'rule', lookFor: 'labels', item: 'a', held: true } },
    ]));
  test('leaves a ruling on the whole alone', () => {
    const ruled = piece('a', false, null, { ...NOTHING, rulings: [ruling('labels', false)] });
    expect(after(ANSWER, [ruled], true)[0].said.rulings).toEqual([
      ruling('labels', false),
      ruling('labels', true, 'a'),
    ]);
  });
  test('a level is no ruling, and a ruling no level', () => {
    expect(judgeAll(ROW, [piece('a', true, null)], true)).toEqual([]);
    expect(judgeAll(CAREFUL, [piece('a', true, null)], 1)).toEqual([]);
  });
});
