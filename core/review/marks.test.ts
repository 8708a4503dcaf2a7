import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { ruling } from '../../tests/support/said';
import { sampleSheet } from '../../tests/support/sheets';
import type { Evidence, Result } from '../lookfors/kind';
import type { LookFor } from '../lookfors/all';
import type { Ruled } from '../lookfors/ruled';
import { asRuled, heldAfter, isRight, pieceMarks } from './marks';
import { missedOn } from './missed';
import { missedMost } from './most-missed';
import { evidenceWords, lookFor } from '../lookfors/all';

const labels: LookFor = {
  kind: 'labels',
  id: 'l',
  title: 'labels',
  tell: 'result',
  picture: 'bird',
  spelling: 'near',
  expect: [{ target: 'neck', words: ['neck'] }],
};
const name = lookFor({ kind: 'name', id: 'n', title: 'Your name', item: null });
const evidence = (verdict: Evidence['verdict'], said: string, items = ['label']): Evidence => ({
  verdict,
  said,
  meant: 'neck',
  items,
});
const result = (id: string, held: boolean, ...list: Evidence[]): Result => ({
  id,
  held,
  got: held ? 1 : 0,
  need: 1,
  evidence: list,
});

test('a mark lies on the item that it is about; the worst verdict shows', () => {
  const marks = pieceMarks(
    sampleSheet(),
    [result('a', true, evidence('right', 'neck')), result('b', false, evidence('wrong', 'wing'))],
    () => undefined,
  );
  expect(marks).toEqual([
    { page: 'p1', item: 'label', verdict: 'wrong', box: { x: 60, y: 60, width: 120, height: 30 } },
  ]);
});

test('evidence about nothing on the sheet makes no mark', () =>
  expect(pieceMarks(sampleSheet(), [result('a', false, evidence('empty', '', ['gone']))], () => undefined)).toEqual(
    [],
  ));

test('what a class misses most comes first, part by part for labels', () => {
  const wrong = [result('l', false, evidence('wrong', 'wing')), result('n', false, evidence('empty', ''))];
  const empty = [result('l', false, evidence('empty', '')), result('n', true)];
  const judged = (results: Result[], rulings: Ruled = []) => ({
    missed: missedOn([labels, name], { results, rulings }),
  });
  expect(missedMost([judged(wrong), judged(wrong), judged(empty)])).toEqual([
    { label: '“neck” named wrongly', count: 2 },
    { label: 'Your name', count: 2 },
    { label: '“neck” left empty', count: 1 },
  ]);
  // What the teacher let pass is not missed; what they did not let pass is.
  const pass = [ruling('l', true)];
  expect(missedMost([judged(wrong, pass), judged(empty)])).toEqual([
    { label: '“neck” left empty', count: 1 },
    { label: 'Your name', count: 1 },
  ]);
  const right = [result('l', true, evidence('right', 'neck')), result('n', true)];
  expect(missedMost([judged(right, [ruling('l', false)])])).toEqual([{ label: 'labels', count: 1 }]);
});

test('the teacher’s ruling stands above the count', () => {
  expect(heldAfter(result('l', false), [ruling('l', true)])).toBe(true);
  expect(heldAfter(result('l', false), [ruling('other', true), ruling('l', true, 'label')])).toBe(false);
});

test.each([
  ['wrong', 'wing', '“wing” points at the neck'],
  ['near', 'nek', '“nek” taken for “neck”'],
  ['empty', '', 'nothing points at the neck'],
  ['right', 'neck', '“neck” is right'],
] as const)('%s reads: %s', (verdict, said, words) =>
  expect(evidenceWords(labels, evidence(verdict, said))).toBe(words),
);

describe('an answer that is ruled on by itself', () => {
  const VERDICTS = ['right', 'near', 'wrong', 'swapped', 'empty', 'reversed', 'missing', 'extra'] as const;
  /** Answers as they are counted: each in an item of its own, but for links that are missing. */
  const counted = fc.array(fc.constantFrom(...VERDICTS), { minLength: 1, maxLength: 8 }).map((verdicts): Result => {
    const list = verdicts.map((verdict, i) => evidence(verdict, `${i}`, verdict === 'missing' ? [] : [`i${i}`]));
    const got = list.filter(isRight).length;
    const need = list.filter((one) => one.verdict !== 'extra').length;
    return { id: 'l', held: got >= need, got, need, evidence: list };
  });
  const rulings = fc.array(
    fc.tuple(fc.nat(9), fc.boolean()).map(([i, held]) => ruling('l', held, `i${i}`)),
    { maxLength: 8 },
  );
  test('counts as its teacher says, and no other answer does', () =>
    fc.assert(
      fc.property(
        counted,
        fc.uniqueArray(
          rulings.map((all) => all[0] ?? ruling('l', true, 'i0')),
          { selector: (one) => one.itemId },
        ),
        (result, all) => {
          const ruled = asRuled(result, all);
          ruled.evidence.forEach((one, i) => {
            const said = all.find(({ itemId }) => itemId === `i${i}` && one.items.length > 0);
            expect(isRight(one)).toBe(said?.held ?? isRight(result.evidence[i]));
          });
          // What is too much never makes up for what is missing.
          const asked = ruled.evidence.filter((_, i) => result.evidence[i].verdict !== 'extra');
          expect(ruled.got).toBe(asked.filter(isRight).length);
          expect(ruled.held).toBe(ruled.got >= ruled.need);
        },
      ),
    ));
  test('stays as it was counted when the ruling agrees, or speaks of another look-for', () => {
    const one = result('l', false, evidence('wrong', 'wing'));
    expect(asRuled(one, [ruling('l', false, 'label')])).toEqual(one);
    expect(asRuled(one, [ruling('m', true, 'label')])).toBe(one);
    expect(asRuled(one, [ruling('l', true)])).toBe(one);
  });
  test('cannot be told from others in the same thing, such as the values of a chart', () => {
    const two = result('l', false, evidence('wrong', '3', ['chart']), evidence('wrong', '4', ['chart']));
    expect(asRuled(two, [ruling('l', true, 'chart')])).toEqual(two);
  });
  test('leaves what is judged by its teacher alone to them', () =>
    expect(
      asRuled({ ...result('l', false, evidence('wrong', 'x')), held: null }, [ruling('l', true, 'label')]).held,
    ).toBeNull());
  test('does not make right what something else spoils', () => {
    const chart = { ...result('l', false, evidence('right', '3', ['a']), evidence('extra', '9', ['b'])), got: 1 };
    expect(asRuled(chart, [ruling('l', true, 'a')]).held).toBe(false);
    expect(asRuled(chart, [ruling('l', true, 'b')]).held).toBe(true);
  });
  test('is not missed by the class when it is accepted', () => {
    const wrong = asRuled(result('l', false, evidence('wrong', 'Hals')), [ruling('l', true, 'label')]);
    expect(missedOn([labels], { results: [wrong], rulings: [] })).toEqual([]);
  });
});
