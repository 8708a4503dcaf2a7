import { describe, expect, test } from 'vitest';
import { ruling } from '../../tests/support/said';
import type { Result } from '../lookfors/kind';
import { isReady, lackWords, openOn } from './ready';

/** What stands in the way of returning a piece. */

const result = (id: string, held: boolean | null): Result => ({ id, held, got: 0, need: 1, evidence: [] });
const level = { points: 1, text: '' };
const rubric = { rows: [{ id: 'care', name: 'Care', levels: [level, level] }] };
const results = [result('labels', false), result('thought', null)];

describe('what is still to judge', () => {
  test('is what nobody counted or ruled, and rows without a mark', () => {
    expect(openOn(results, rubric, { rulings: [], marks: {} })).toBe(2);
    expect(openOn(results, rubric, { rulings: [ruling('thought', false)], marks: {} })).toBe(1);
    // The lowest level is a mark, too; a mark on a row that is gone is none.
    expect(openOn(results, rubric, { rulings: [], marks: { care: 0, gone: 1 } })).toBe(1);
    expect(openOn([], { rows: [] }, { rulings: [], marks: {} })).toBe(0);
  });
});

describe('a piece', () => {
  test.each<[string, Parameters<typeof lackWords>[0], boolean, string]>([
    ['read to the end, with a note', { read: true, open: 0, notes: 2 }, true, ''],
    ['read to the end, without one', { read: true, open: 0, notes: 0 }, true, 'without a note'],
    ['read in part', { read: true, open: 2, notes: 0 }, false, '2 still to judge, without a note'],
    ['that nobody has read, where nothing has to be judged', { read: false, open: 0, notes: 0 }, false, 'not read yet'],
  ])('%s', (_, piece, ready, words) => {
    expect(isReady(piece)).toBe(ready);
    expect(lackWords(piece)).toBe(words);
  });
});
