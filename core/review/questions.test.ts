import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { ruling } from '../../tests/support/said';
import type { Result } from '../lookfors/kind';
import { answerBy, answerOf, answerTo, isSame, isUnanswered, levelFor, nextUnanswered, questionsOf } from './questions';
import type { Said, Saying } from './said';
import { saidAfter } from './said';

/** What a teacher is asked about a piece, and the keys that answer. */

const result = (id: string, held: boolean | null): Result => ({ id, held, got: 0, need: 1, evidence: [] });
const row = (id: string, points: number[]) => ({ id, name: id, levels: points.map((p) => ({ points: p, text: '' })) });
const rubric = { rows: [row('colour', [0, 1, 2]), row('care', [0, 5, 10])] };
const results = [result('labels', true), result('thought', null), result('name', false)];
const nothing: Said = { notes: [], rulings: [], marks: {}, ink: [] };
const all = questionsOf(results, rubric);

/** Presses keys as the screen does: an answer leads to the next that is not answered. */
function pressed(keys: string, from: Said = nothing) {
  let said = from;
  let asked = nextUnanswered(all, null, { results, said });
  for (const key of keys) {
    const step: Saying | null | undefined = asked && answerBy(key, asked, { results, said }, rubric);
    if (step) said = saidAfter('g', said, [step]);
    if (step !== undefined) asked = nextUnanswered(all, asked, { results, said });
  }
  return { said, asked };
}

describe('what is asked', () => {
  test('is what nobody can count, then the rubric; counted look-fors are answered already', () => {
    expect(all.map(({ id }) => id)).toEqual(['labels', 'thought', 'name', 'colour', 'care']);
    expect(all.filter((one) => isUnanswered(one, { results, said: nothing })).map(({ id }) => id)).toEqual([
      'thought',
      'colour',
      'care',
    ]);
  });
  test('is answered by one key each, in a row', () => {
    const { said, asked } = pressed('y23');
    expect(said.rulings).toEqual([ruling('thought', true)]);
    // Points of ten are no digit: there the third level is meant.
    expect(said.marks).toEqual({ colour: 2, care: 2 });
    expect(asked).toBeNull();
  });
  test('waits while another key is pressed, and takes no level that there is not', () => {
    const { said, asked } = pressed('5xyq9');
    expect(said).toEqual({ ...nothing, rulings: [ruling('thought', true)] });
    expect(asked).toEqual({ ask: 'row', id: 'colour' });
  });
  test('goes round to what was left out before', () => {
    const said = { ...nothing, marks: { colour: 1, care: 1 } };
    expect(nextUnanswered(all, { ask: 'row', id: 'care' }, { results, said })).toEqual({
      ask: 'look-for',
      id: 'thought',
    });
  });
});

describe('keys', () => {
  const asked = (id: string, ask: 'look-for' | 'row' = 'look-for') => ({ ask, id });
  test('rule against the count, with it, and take a ruling back', () => {
    const judged = (said: Said) => ({ results, said });
    expect(answerBy('y', asked('labels'), judged(nothing), rubric)).toBeNull();
    expect(answerBy('N', asked('labels'), judged(nothing), rubric)).toEqual({
      do: 'rule',
      lookFor: 'labels',
      held: false,
    });
    const ruled = { ...nothing, rulings: [ruling('labels', false)] };
    expect(answerBy('y', asked('labels'), judged(ruled), rubric)).toEqual({
      do: 'rule',
      lookFor: 'labels',
      held: null,
    });
    expect(answerBy('n', asked('labels'), judged(ruled), rubric)).toEqual({
      do: 'rule',
      lookFor: 'labels',
      held: null,
    });
    expect(answerBy('1', asked('labels'), judged(nothing), rubric)).toBeUndefined();
  });
  test('choose a level, and the same key takes it back', () => {
    const marked = { ...nothing, marks: { colour: 1 } };
    expect(answerBy('1', asked('colour', 'row'), { results, said: marked }, rubric)).toEqual({
      do: 'mark',
      row: 'colour',
      level: null,
    });
    expect(answerBy('y', asked('colour', 'row'), { results, said: marked }, rubric)).toBeUndefined();
    expect(answerBy('1', asked('gone', 'row'), { results, said: marked }, rubric)).toBeUndefined();
  });
  test.each([
    [[0, 1, 2, 3], '0', 0],
    [[0, 1, 2, 3], '4', null],
    [[3, 2, 1], '1', 2],
    [[0, 2, 4], '1', null],
    [[0, 2, 4], '4', 2],
    [[0, 0.5, 1], '1', 0],
    [[0, 0.5, 1], '0', null],
    [[1, 1, 2], '2', 1],
  ])('of levels with %j points, %s is level %j', (points, digit, level) => {
    expect(levelFor(digit, row('r', points))).toBe(level);
  });
  test('every level of up to nine can be reached by exactly one digit', () => {
    const levels = fc.array(fc.oneof(fc.integer({ min: 0, max: 9 }), fc.integer({ min: 0, max: 100 })), {
      minLength: 2,
      maxLength: 6,
    });
    fc.assert(
      fc.property(levels, (points) => {
        const reached = [...'0123456789']
          .map((digit) => levelFor(digit, row('r', points)))
          .filter((level) => level !== null);
        expect([...reached].sort()).toEqual(points.map((_, i) => i));
      }),
    );
  });
  test('nothing is the same as no question', () => {
    expect(isSame(null, null)).toBe(true);
    expect(isSame(null, asked('a'))).toBe(false);
    expect(isSame(asked('a', 'row'), asked('a'))).toBe(false);
  });
});

describe('a ruling on one answer', () => {
  const counted: Result = {
    id: 'l',
    held: false,
    got: 0,
    need: 2,
    evidence: [
      { items: ['a'], verdict: 'wrong', said: 'Hals', meant: 'neck' },
      { items: [], verdict: 'empty', said: '', meant: 'leg' },
    ],
  };
  const answer = { lookFor: 'l', item: 'a', right: false };
  test('is on the answer in an item, where one is', () => {
    const [wrong, empty] = counted.evidence;
    expect(answerOf(counted, wrong)).toEqual(answer);
    expect(answerOf(counted, empty)).toBeUndefined();
  });
  test('is said once, and taken back by the other', () => {
    const accept: Saying = { do: 'rule', lookFor: 'l', item: 'a', held: true };
    expect(answerTo(answer, [], true)).toEqual(accept);
    const said = saidAfter('go', { notes: [], rulings: [], marks: {}, ink: [] }, [accept]);
    expect(said.rulings).toEqual([ruling('l', true, 'a')]);
    expect(answerTo(answer, said.rulings, true)).toBeNull();
    const back = answerTo(answer, said.rulings, false)!;
    expect(saidAfter('go', said, [back]).rulings).toEqual([]);
  });
  test('says nothing where it was counted so', () => {
    expect(answerTo(answer, [], false)).toBeNull();
    // On another answer, or on all of it: not on this one.
    expect(answerTo(answer, [ruling('l', true, 'b'), ruling('l', true)], false)).toBeNull();
  });
});
