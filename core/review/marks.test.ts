import { expect, test } from 'vitest';
import { sampleSheet } from '../../tests/support/sheets';
import type { Evidence, Result } from '../lookfors/kind';
import type { LookFor } from '../lookfors/all';
import { heldAfter, pieceMarks } from './marks';
import { missedMost } from './missed';
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
  const judged = (results: Result[], rulings: { lookForId: string; held: boolean }[] = []) => ({ results, rulings });
  expect(missedMost([labels, name], [judged(wrong), judged(wrong), judged(empty)])).toEqual([
    { label: '“neck” named wrongly', count: 2 },
    { label: 'Your name', count: 2 },
    { label: '“neck” left empty', count: 1 },
  ]);
  // What the teacher let pass is not missed; what they did not let pass is.
  const pass = [{ lookForId: 'l', held: true }];
  expect(missedMost([labels, name], [judged(wrong, pass), judged(empty)])).toEqual([
    { label: '“neck” left empty', count: 1 },
    { label: 'Your name', count: 1 },
  ]);
  const right = [result('l', true, evidence('right', 'neck')), result('n', true)];
  expect(missedMost([labels, name], [judged(right, [{ lookForId: 'l', held: false }])])).toEqual([
    { label: 'labels', count: 1 },
  ]);
});

test('the teacher’s ruling stands above the count', () => {
  expect(heldAfter(result('l', false), [{ lookForId: 'l', held: true }])).toBe(true);
  expect(heldAfter(result('l', false), [{ lookForId: 'other', held: true }])).toBe(false);
});

test.each([
  ['wrong', 'wing', '“wing” points at the neck'],
  ['near', 'nek', '“nek” taken for “neck”'],
  ['empty', '', 'nothing points at the neck'],
  ['right', 'neck', '“neck” is right'],
] as const)('%s reads: %s', (verdict, said, words) =>
  expect(evidenceWords(labels, evidence(verdict, said))).toBe(words),
);
