import { expect, test } from 'vitest';
import { sampleSheet, typed } from '../../tests/support/sheets';
import type { Change } from './change';
import { apply, invert } from './change';
import type { UndoHistory } from './history';
import { NO_HISTORY, passUnder, record, redo, undo } from './history';
import { plain } from '../schema/defaults';
import type { Sheet } from '../schema/sheet';

const must = (sheet: Sheet, change: Change) => {
  const result = apply(sheet, change);
  if (!result.ok) throw new Error(result.reason);
  return result.sheet;
};
function work(changes: Change[], pause = 100): { sheet: Sheet; history: UndoHistory } {
  let [sheet, history, at] = [sampleSheet(), NO_HISTORY, 0];
  for (const change of changes) {
    history = record(history, { name: change.kind, change, inverse: invert(sheet, change), at: (at += pause) });
    sheet = must(sheet, change);
  }
  return { sheet, history };
}
const erased = (at: number): Change => ({ kind: 'splice', id: 'words', at, remove: 1, insert: plain('') });

test('a word typed letter by letter is one step, and undo takes all of it', () => {
  const { sheet, history } = work([typed(0, 'h'), typed(1, 'e'), typed(2, 'n')]);
  expect(history.past).toHaveLength(1);
  expect(must(sheet, undo(history)!.step.inverse)).toEqual(sampleSheet());
});

test('letters erased one by one come back together', () => {
  const { sheet, history } = work([erased(6), erased(5), erased(4)]);
  expect(history.past).toHaveLength(1);
  expect(must(sheet, undo(history)!.step.inverse)).toEqual(sampleSheet());
});

test('a drag in many small steps is one step', () => {
  const { sheet, history } = work([10, 20, 30].map((x) => ({ kind: 'set', id: 'box', values: { x } })));
  expect(history.past).toHaveLength(1);
  expect(must(sheet, undo(history)!.step.inverse)).toEqual(sampleSheet());
});

test('after a pause a new step begins', () =>
  expect(work([typed(0, 'a'), typed(1, 'b')], 5000).history.past).toHaveLength(2));

test('undo and redo lead back and forth', () => {
  const { sheet, history } = work([typed(0, 'x'), { kind: 'remove', id: 'box' }]);
  const first = undo(history)!;
  const second = undo(first.history)!;
  const start = must(must(sheet, first.step.inverse), second.step.inverse);
  expect(start).toEqual(sampleSheet());
  const again = redo(second.history)!;
  const last = redo(again.history)!;
  expect(must(must(start, again.step.change), last.step.change)).toEqual(sheet);
  expect(redo(last.history)).toBeNull();
});

test('a new step forgets what was undone', () => {
  const { history } = work([typed(0, 'x'), typed(9, 'y')]);
  expect(
    record(undo(history)!.history, { name: 'z', change: typed(0, 'z'), inverse: erased(0), at: 1e6 }).future,
  ).toEqual([]);
});

test("undo takes back only one's own words when somebody else typed before them", () => {
  const mine = typed(3, ' and');
  const theirs = typed(0, 'zero ');
  const { sheet, history } = work([mine]);
  const back = undo(passUnder(history, theirs))!.step.inverse;
  expect(must(must(sheet, theirs), back)).toEqual(must(sampleSheet(), theirs));
});
