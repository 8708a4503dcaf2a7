import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { defaultRoles, free, group, ink, line, plain, shape, text } from '../schema/defaults';
import type { GroupItem, Item } from '../schema/sheet';
import type { Edge } from './align';
import { alignMoves, distributeMoves, tidyMoves } from './align';
import { overlaps, union } from './box';
import type { Frame } from './frame';
import { frameMatrix } from './frame';
import type { Box, Point } from './matrix';
import { compose, transform } from './matrix';
import { HANDLES, handlePoint, resize } from './resize';
import { PLACES_ONLY, resizedGroup, scaledItem } from '../items/scale';
import { snap, snapSides, snapTargets } from './snap';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const box: fc.Arbitrary<Box> = fc.record({
  x: number(-500, 500),
  y: number(-500, 500),
  width: number(1, 300),
  height: number(1, 300),
});
const boxes = fc.array(box, { minLength: 1, maxLength: 12 });
const frame: fc.Arbitrary<Frame> = fc.record({
  x: number(-200, 200),
  y: number(-200, 200),
  width: number(10, 300),
  height: number(10, 300),
  angle: number(-180, 180),
  flipX: fc.boolean(),
  flipY: fc.boolean(),
});
const moved = (list: readonly Box[], moves: readonly Point[]) =>
  list.map((b, i) => ({ ...b, x: b.x + moves[i].x, y: b.y + moves[i].y }));
const length = ({ x, y }: Point) => Math.hypot(x, y);

describe('pulling a handle of a turned frame', () => {
  it('keeps the opposite handle where it was, whatever the angle and flips', () => {
    fc.assert(
      fc.property(frame, fc.constantFrom(...HANDLES), number(-100, 200), number(-100, 200), (from, handle, x, y) => {
        const to = resize(from, handle, { x, y });
        const opposite = { x: -handle.x, y: -handle.y } as typeof handle;
        const [was, is] = [handlePoint(from, opposite), handlePoint(to, opposite)];
        expect(Math.hypot(is.x - was.x, is.y - was.y)).toBeLessThan(1e-6);
      }),
    );
  });
  it('keeps the centre with “from the centre”, and the proportion where that is asked for', () => {
    fc.assert(
      fc.property(frame, fc.constantFrom(...HANDLES), number(0, 80), (from, handle, pull) => {
        const to = resize(from, handle, { x: pull, y: pull }, { fromCentre: true, proportional: true, min: 0 });
        expect(to.x + to.width / 2).toBeCloseTo(from.x + from.width / 2, 6);
        expect(to.y + to.height / 2).toBeCloseTo(from.y + from.height / 2, 6);
        if (to.width > 1 && to.height > 1) expect(to.width / to.height).toBeCloseTo(from.width / from.height, 6);
      }),
    );
  });
});

describe('snapping', () => {
  const grid = fc.constantFrom(0, 9, 18);
  it('never moves further than its reach, along either axis', () => {
    fc.assert(
      fc.property(box, boxes, number(0, 30), grid, (dragged, others, reach, mesh) => {
        const { dx, dy } = snap(dragged, snapTargets(others, [], [{ axis: 'x', at: 12 }], mesh), reach);
        expect(Math.abs(dx)).toBeLessThanOrEqual(reach + 1e-9);
        expect(Math.abs(dy)).toBeLessThanOrEqual(reach + 1e-9);
      }),
    );
  });
  it('stays where it has snapped to', () => {
    fc.assert(
      fc.property(box, boxes, (dragged, others) => {
        const targets = snapTargets(others);
        const { dx, dy } = snap(dragged, targets, 8);
        const again = snap({ ...dragged, x: dragged.x + dx, y: dragged.y + dy }, targets, 8);
        if (dx !== 0) expect(Math.abs(again.dx)).toBeLessThan(1e-6);
        if (dy !== 0) expect(Math.abs(again.dy)).toBeLessThan(1e-6);
      }),
    );
  });
  const at = (x: number, width = 20): Box => ({ x, y: 0, width, height: 20 });
  it('finds the middle between two neighbours, and tells the gap', () => {
    const { dx, gaps } = snap(at(57), snapTargets([at(0), at(113)]), 6);
    expect(57 + dx).toBe(56.5);
    expect(gaps).toEqual([
      {
        axis: 'x',
        size: 36.5,
        at: 10,
        spans: [
          { from: 20, to: 56.5 },
          { from: 76.5, to: 113 },
        ],
      },
    ]);
  });
  it('goes on in the step of two things that stand beside it, on both sides', () => {
    const row = snapTargets([at(0), at(53)]);
    expect(snap(at(108.5), row, 4)).toMatchObject({ dx: -2.5, gaps: [{ size: 33 }] });
    expect(snap(at(-55), row, 4)).toMatchObject({ dx: 2, gaps: [{ size: 33 }] });
  });
  it('goes to own guides and to the grid', () => {
    expect(snap(at(48), snapTargets([], [], [{ axis: 'x', at: 50 }]), 3).dx).toBe(2);
    expect(snap({ x: 20, y: 31, width: 5, height: 50 }, snapTargets([], [], [], 18), 3)).toMatchObject({
      dx: -2,
      dy: -2,
    });
  });
  it('moves only the sides that a handle pulls', () => {
    const targets = snapTargets([at(100)]);
    expect(snapSides(at(0, 98), { x: 1, y: 0 }, targets, 4)).toMatchObject({ dx: 2, dy: 0 });
    expect(snapSides(at(0, 98), { x: -1, y: 0 }, targets, 4)).toMatchObject({ dx: 0, dy: 0 });
  });
});

describe('aligning', () => {
  const edges: Edge[] = ['left', 'centre', 'right', 'top', 'middle', 'bottom'];
  it('done twice is done once', () => {
    fc.assert(
      fc.property(boxes, fc.constantFrom(...edges), box, (list, edge, to) => {
        const once = moved(list, alignMoves(list, edge, to));
        for (const move of alignMoves(once, edge, to)) expect(length(move)).toBeLessThan(1e-9);
      }),
    );
  });
  it('to each other keeps the box around them along the other axis', () => {
    fc.assert(
      fc.property(boxes, (list) => {
        const after = moved(list, alignMoves(list, 'left', union(list)));
        for (const b of after) expect(b.x).toBeCloseTo(union(list).x, 9);
        after.forEach((b, i) => expect(b.y).toBeCloseTo(list[i].y, 9));
      }),
    );
  });
});

describe('distributing', () => {
  it('done twice is done once, by gap and by centre', () => {
    fc.assert(
      fc.property(boxes, fc.constantFrom('x', 'y'), fc.constantFrom('gap', 'centre'), (list, axis, by) => {
        const once = moved(list, distributeMoves(list, axis, by));
        for (const move of distributeMoves(once, axis, by)) expect(length(move)).toBeLessThan(1e-4);
      }),
    );
  });
  it('makes the gaps equal and leaves the outermost', () => {
    const row = [0, 30, 200].map((x, i) => ({ x, y: 0, width: 10 + 10 * i, height: 10 }));
    expect(moved(row, distributeMoves(row, 'x', 'gap')).map((b) => b.x)).toEqual([0, 95, 200]);
    expect(moved(row, distributeMoves(row, 'x', 'centre')).map((b) => b.x + b.width / 2)).toEqual([5, 110, 215]);
  });
});

describe('tidying up', () => {
  it('makes a grid of what lies nearly in one', () => {
    fc.assert(
      fc.property(fc.array(number(-7, 7), { minLength: 24, maxLength: 24 }), (jitter) => {
        const list = Array.from({ length: 12 }, (_, i) => ({
          x: (i % 4) * 80 + jitter[2 * i],
          y: Math.floor(i / 4) * 70 + jitter[2 * i + 1],
          width: 40,
          height: 30,
        }));
        const after = moved(list, tidyMoves(list));
        for (let i = 0; i < 12; i++) {
          expect(after[i].y).toBeCloseTo(after[i - (i % 4)].y, 6);
          expect(after[i].x).toBeCloseTo(after[i % 4].x, 6);
        }
        expect(after[2].x - after[1].x).toBeCloseTo(after[1].x - after[0].x, 6);
      }),
    );
  });
  it('leaves nothing lying on another in its row, and done twice is done once', () => {
    fc.assert(
      fc.property(fc.array(box, { minLength: 2, maxLength: 9 }), (list) => {
        const once = moved(list, tidyMoves(list));
        for (const move of tidyMoves(once)) expect(length(move)).toBeLessThan(1e-3);
        once.forEach((a, i) =>
          once.slice(i + 1).forEach((b) => {
            const sameRow = Math.abs(a.y + a.height / 2 - (b.y + b.height / 2)) < 1e-6;
            if (sameRow) expect(overlaps({ ...a, width: a.width - 0.01 }, b)).toBe(false);
          }),
        );
      }),
    );
  });
});

describe('scaling along', () => {
  const roles = defaultRoles();
  const parts: Item[] = [
    shape({ id: 'a', x: 10, y: 20, width: 40, height: 30 }),
    text({ id: 'b', x: 60, y: 5, width: 50, height: 20, body: plain('words'), padding: 4 }),
    line({ id: 'c', from: free(0, 0), to: free(120, 60) }),
    ink({ id: 'd', x: 20, y: 60, width: 30, height: 10, points: [0, 0, 0.5, 1, 1, 0.5] }),
  ];
  const made: GroupItem = group({ id: 'g', x: 5, y: 6, width: 120, height: 80, items: parts });

  it('groups compose: in two steps or in one, the parts come to the same place', () => {
    fc.assert(
      fc.property(number(0.3, 3), number(0.3, 3), number(0.3, 3), number(0.3, 3), (a, b, c, d) => {
        const to = (w: number, h: number): Frame => ({ ...made, width: w, height: h });
        const first = resizedGroup(made, to(120 * a, 80 * b));
        const twice = resizedGroup(first, to(120 * a * c, 80 * b * d));
        const once = resizedGroup(made, to(120 * a * c, 80 * b * d));
        twice.items.forEach((part, i) => {
          const other = once.items[i];
          if (part.kind === 'line' || other.kind === 'line') return;
          for (const key of ['x', 'y', 'width', 'height'] as const) expect(part[key]).toBeCloseTo(other[key], 6);
        });
      }),
    );
  });
  it('a part of a turned group is where the group’s map puts it', () => {
    fc.assert(
      fc.property(frame, (outer) => {
        const turned = { ...made, ...outer };
        const inner = { ...parts[0], angle: 30 } as Frame;
        const whole = compose(frameMatrix(turned), frameMatrix(inner));
        const step = transform(frameMatrix(turned), transform(frameMatrix(inner), { x: 7, y: 3 }));
        expect(
          length({ x: transform(whole, { x: 7, y: 3 }).x - step.x, y: transform(whole, { x: 7, y: 3 }).y - step.y }),
        ).toBeLessThan(1e-6);
      }),
    );
  });
  it('leaves words and weights alone unless they are to go along', () => {
    const [before, after] = [100, 200].map((side) => ({ x: 0, y: 0, width: side, height: side }));
    const still = scaledItem(parts[1], before, after, PLACES_ONLY);
    expect(still).toMatchObject({ width: 100, padding: 4, body: plain('words') });
    const along = scaledItem(parts[1], before, after, { words: 'all', weights: true, roles });
    expect(along).toMatchObject({ padding: 8, body: [{ runs: [{ style: { size: roles.body.run.size * 2 } }] }] });
    expect(scaledItem(parts[0], before, after, { words: 'none', weights: true, roles })).toMatchObject({
      outline: { width: 3 },
    });
    expect(scaledItem(parts[3], before, after, { words: 'none', weights: true, roles })).toMatchObject({ weight: 6 });
  });
});
