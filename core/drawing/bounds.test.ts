import fc from 'fast-check';
import { beforeAll, describe, expect, test } from 'vitest';
import { allFaces } from '../../tests/support/fonts';
import type { Faces } from '../text/faces';
import { group, page, plain, shape, sheet, text } from '../schema/defaults';
import type { Item } from '../schema/sheet';
import { boundsOf, seenOf } from './bounds';
import { drawPage } from '../items/draw';
import type { DisplayNode, DrawnPage } from './list';
import { ink } from './list';
import { pageSvg } from './svg';

let faces: Faces;
beforeAll(async () => {
  faces = await allFaces();
});
const drawn = (...items: Item[]): DrawnPage => {
  const one = sheet({ title: 't', pages: [page({ id: 'p', background: null, items })] });
  return drawPage(one, one.pages[0], { faces, pictures: () => undefined });
};
const shadow = { dx: 10, dy: 10, blur: 20, colour: '#000000', opacity: 1 };
const shadows = (nodes: readonly DisplayNode[]): unknown[] =>
  nodes.flatMap((node) =>
    node.kind === 'group' ? [...(node.shadow ? [node.shadow] : []), ...shadows(node.children)] : [],
  );

describe('what is seen of a page', () => {
  test('leaves out what lies far off it, with its shadow, opacity or words', () => {
    const far = { x: 7000, y: -7000, width: 100, height: 100, opacity: 0.5, shadow };
    const away = drawn(
      shape({ id: 'a', ...far }),
      text({ id: 'b', ...far, body: plain('words') }),
      group({ id: 'g', ...far, items: [shape({ id: 'c', width: 50, height: 50, shadow })] }),
    );
    expect(seenOf(away).nodes).toEqual([]);
  });
  test('keeps what throws its shadow onto it from outside', () => {
    const near = drawn(shape({ id: 'a', x: -110, y: 50, width: 100, height: 100, shadow }));
    expect(seenOf(near).nodes).toHaveLength(1);
  });
  test('is less for an area of it, which is all that its picture shows', () => {
    const two = drawn(
      shape({ id: 'a', x: 50, y: 50, width: 40, height: 40 }),
      shape({ id: 'b', x: 300, y: 300, width: 40, height: 40 }),
    );
    const area = { x: 40, y: 40, width: 80, height: 60 };
    const seen = seenOf(two, area);
    expect([two.nodes.length, seen.nodes.length]).toEqual([2, 1]);
    expect(pageSvg(seen, faces, { area })).toContain('width="80pt" height="60pt" viewBox="40 40 80 60"');
  });
  test('has shadows no larger than what can be seen of them', () => {
    const wide = drawn(shape({ id: 'a', x: -7000, y: 100, width: 7100, height: 60, shadow }));
    const [cast] = shadows(seenOf(wide).nodes) as { box: { width: number; height: number } }[];
    expect(cast.box.width).toBeLessThan(300);
    expect(cast.box.height).toBeLessThan(200);
  });
  test('keeps everything that has a point on the page, however it is turned', () => {
    const at = fc.integer({ min: -7000, max: 7000 });
    fc.assert(
      fc.property(at, at, fc.integer({ min: 0, max: 359 }), fc.integer({ min: 1, max: 900 }), (x, y, angle, width) => {
        const { nodes } = seenOf(drawn(shape({ id: 'a', x, y, width, height: 40, angle, outline: null })));
        const turn = (angle * Math.PI) / 180;
        const [cx, cy] = [x + width / 2, y + 20];
        let on = false;
        for (let u = -0.48; u <= 0.48; u += 0.08)
          for (const v of [-0.45, 0, 0.45]) {
            const px = cx + u * width * Math.cos(turn) - v * 40 * Math.sin(turn);
            const py = cy + u * width * Math.sin(turn) + v * 40 * Math.cos(turn);
            if (px > 0 && py > 0 && px < 792 && py < 612) on = true;
          }
        if (on) expect(nodes).toHaveLength(1);
      }),
      { numRuns: 300 },
    );
  });
});

test('a path’s box holds its points, absolute and relative', () => {
  const box = (d: string) => boundsOf({ kind: 'path', d, fill: ink('#000000') });
  expect(box('M10 20H40V5Z')).toEqual({ x: 10, y: 5, width: 30, height: 15 });
  expect(box('M10 20h30v-15h-50z')).toEqual({ x: -10, y: 5, width: 50, height: 15 });
  expect(box('M0 0c10 0 10 10 20 10l5 -30')).toEqual({ x: 0, y: -20, width: 25, height: 30 });
  expect(box('')).toBeNull();
});
