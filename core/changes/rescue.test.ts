import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { sampleSheet } from '../../tests/support/sheets';
import type { Change } from './change';
import { apply, replay } from './change';
import { plain, shape } from '../schema/defaults';
import type { Outbox } from './queue';
import { behind, rebuilt, restored } from './queue';
import type { Sheet } from '../schema/sheet';
import { everyItem, find, idsWithin } from '../sheet/tree';

const ids = [...everyItem(sampleSheet())].map(({ id }) => id);
const deletions: Change[] = [
  ...ids.map((id): Change => ({ kind: 'remove', id })),
  ...sampleSheet().pages.map(({ id }): Change => ({ kind: 'page-remove', id })),
];
const at = (sheet: Sheet, id: string) => find(sheet, id)?.item;
const xs = (id: string, x: number): Change => ({ kind: 'set', id, values: { opacity: 0.5 + x / 1000 } });
const goes = (change: Change): string[] =>
  change.kind === 'remove'
    ? idsWithin(at(sampleSheet(), change.id)!)
    : sampleSheet().pages.flatMap((page) =>
        change.kind === 'page-remove' && page.id === change.id ? page.items.flatMap(idsWithin) : [],
      );
/** A deletion, and an edit of something that goes with it. */
const meeting = fc
  .constantFrom(...deletions.filter((one) => goes(one).length > 0 && apply(sampleSheet(), one).ok))
  .chain((deletion) => fc.tuple(fc.constant(deletion), fc.constantFrom(...goes(deletion)), fc.nat(99)));
const outbox = (...queue: Change[]): Outbox => ({ confirmed: sampleSheet(), base: 0, sent: null, queue });
const log = (...changes: Change[]) => changes.map((change) => ({ batch: 'theirs', change }));

describe('a deletion that meets an edit', () => {
  test('of ours is not carried out: what others worked on stays, as they left it', () => {
    fc.assert(
      fc.property(meeting, ([deletion, id, x]) => {
        const edit = xs(id, x);
        const theirs = replay(sampleSheet(), [edit]);
        const met = behind(outbox(deletion), 1, log(edit));
        expect(rebuilt(met.outbox).sheet).toEqual(theirs);
        expect(met.met).toBe(1);
        for (const left of [
          { sent: null, queue: [deletion] },
          { sent: { batch: 'lost', changes: [deletion] }, queue: [] },
        ])
          expect(rebuilt(restored(theirs, 1, left, log(edit))).sheet).toEqual(theirs);
      }),
    );
  });
  test('of theirs is taken back: what we worked on is there again, with our work', () => {
    fc.assert(
      fc.property(meeting, ([deletion, id, x]) => {
        const edit = xs(id, x);
        const { outbox: next, met } = behind(outbox(edit), 1, log(deletion));
        const { sheet, lost } = rebuilt(next);
        expect(lost).toEqual([]);
        expect(at(sheet, id)).toEqual(at(replay(sampleSheet(), [edit]), id));
        expect(met).toBe(1);
      }),
    );
  });
  test('is one of several: the others are carried out', () => {
    const deletion: Change = { kind: 'all', changes: ids.slice(0, 3).map((id) => ({ kind: 'remove', id }) as const) };
    const edit = xs(ids[1], 1);
    const { sheet } = rebuilt(behind(outbox(deletion), 1, log(edit)).outbox);
    expect(at(sheet, ids[0])).toBeUndefined();
    expect(at(sheet, ids[1])).toBeDefined();
  });
  test('and one that meets nothing is carried out', () => {
    fc.assert(
      fc.property(meeting, ([deletion]) => {
        const far: Change = { kind: 'sheet-set', values: { title: 'Another title' } };
        const { outbox: next, met } = behind(outbox(deletion), 1, log(far));
        expect(met).toBe(0);
        expect(rebuilt(next).sheet).toEqual(replay(sampleSheet(), [far, deletion]));
      }),
    );
  });
  test('of something that was put there since is ours to decide', () => {
    const mine = shape({ id: 'mine' });
    const put: Change = { kind: 'insert', spot: { page: 'p1', group: null, behind: null }, item: mine };
    const { sheet } = rebuilt(behind(outbox(put, { kind: 'remove', id: 'mine' }), 1, log(xs(ids[0], 1))).outbox);
    expect(at(sheet, 'mine')).toBeUndefined();
  });
  test('and words typed meanwhile are not lost with their box', () => {
    const typed: Change = { kind: 'splice', id: 'words', at: 0, remove: 0, insert: plain('kept ') };
    const { sheet } = rebuilt(behind(outbox(typed), 1, log({ kind: 'remove', id: 'words' })).outbox);
    expect(JSON.stringify(at(sheet, 'words'))).toContain('kept ');
  });
});
