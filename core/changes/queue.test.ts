import { expect, test } from 'vitest';
import { sampleSheet, typed } from '../../tests/support/sheets';
import { bodyText } from '../text/body';
import type { Change } from './change';
import { replay } from './change';
import { shape } from '../schema/defaults';
import type { Outbox } from './queue';
import { acknowledged, behind, push, rebuilt, rejected, restored, send, waiting } from './queue';
import type { TextItem } from '../schema/sheet';
import { find } from '../sheet/tree';

const empty = (): Outbox => ({ confirmed: sampleSheet(), base: 0, sent: null, queue: [] });
const move = (x: number): Change => ({ kind: 'set', id: 'box', values: { x } });
const theirs = (...changes: Change[]) => changes.map((change) => ({ batch: 'theirs', change }));
const wordsOf = (outbox: Outbox) => bodyText((find(rebuilt(outbox).sheet, 'words')!.item as TextItem).body);

test('typing that goes on is sent as one change', () => {
  const outbox = push(push(push(empty(), typed(0, 'a')), typed(1, 'b')), move(3));
  expect(outbox.queue).toHaveLength(2);
});

test('what is typed while a batch is on its way waits for the next', () => {
  const outbox = push(send(push(empty(), typed(0, 'a')), 'one'), typed(1, 'b'));
  expect(outbox.sent!.changes).toHaveLength(1);
  expect(outbox.queue).toHaveLength(1);
  expect(send(outbox, 'two').sent!.batch).toBe('one');
  const after = acknowledged(outbox, 1);
  expect(after).toMatchObject({ base: 1, sent: null });
  expect(waiting(after)).toBe(1);
});

test('a refused change goes and the rest stays', () => {
  const outbox = rejected(send(push(push(empty(), typed(0, 'a')), move(9)), 'one'), 1);
  expect(outbox.queue).toEqual([typed(0, 'a')]);
});

test("others' words go beneath ours, and both stay", () => {
  const mine = push(send(push(empty(), typed(3, '!')), 'one'), typed(4, '?'));
  const { outbox, over } = behind(mine, 2, theirs(typed(0, 'zero '), move(7)));
  expect(wordsOf(outbox)).toBe('zero one!? two\nthree');
  expect(outbox).toMatchObject({ base: 2, sent: null });
  expect(over).toHaveLength(2);
  // Whoever applies ours after theirs has the same sheet.
  expect(replay(outbox.confirmed, outbox.queue)).toEqual(rebuilt(outbox).sheet);
});

test('what no longer fits is dropped with its reason, not the work beside it', () => {
  const mine = push(push(empty(), { kind: 'role-set', id: 'none', role: null }), {
    kind: 'insert',
    spot: { page: 'p1', group: null, behind: null },
    item: shape({ id: 'mine' }),
  });
  const other: Change = {
    kind: 'insert',
    spot: { page: 'p1', group: null, behind: null },
    item: shape({ id: 'mine' }),
  };
  const result = rebuilt(behind(mine, 1, theirs(other)).outbox);
  expect(result.lost).toHaveLength(1);
  expect(find(result.sheet, 'mine')).toBeDefined();
  expect(result.outbox.queue).toHaveLength(1);
});

test('a batch whose answer was lost counts once', () => {
  const sent = push(send(push(empty(), typed(0, 'a')), 'one'), typed(1, 'b'));
  const log = [{ batch: 'one', change: typed(0, 'a') }, ...theirs(typed(0, 'z'))];
  const { outbox } = behind(sent, 2, log);
  expect(wordsOf(outbox)).toBe('zabone two\nthree');
  expect(outbox.queue).toHaveLength(1);
});

test('what a closed window left unsent is put on top of the newest sheet', () => {
  const confirmed = replay(sampleSheet(), [typed(0, 'zero ')]);
  const left = { sent: { batch: 'lost', changes: [typed(3, '!')] }, queue: [typed(4, '?')] };
  const again = restored(confirmed, 1, left, theirs(typed(0, 'zero ')));
  expect(wordsOf(again)).toBe('zero one!? two\nthree');
  // Should the lost batch arrive after all, it is known by its name.
  expect(again.sent!.batch).toBe('lost');
  const arrived = replay(sampleSheet(), [typed(3, '!')]);
  expect(wordsOf(restored(arrived, 1, left, [{ batch: 'lost', change: typed(3, '!') }]))).toBe('one!? two\nthree');
});
