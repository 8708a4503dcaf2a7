import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { allFaces } from '../../tests/support/fonts';
import { overlaps } from '../geometry/box';
import { boxOf } from '../items/hit';
import type { Box } from '../geometry/matrix';
import { between } from '../changes/between';
import { apply } from '../changes/change';
import { free, line, page, picture, plain, shape, sheet, solid, text } from '../schema/defaults';
import type { Item } from '../schema/sheet';
import { fileFor } from '../text/catalogue';
import type { Faces } from '../text/faces';
import { wordsOf } from '../items/words';
import { arranged } from './arrange';
import type { Placed } from './layouts';
import { LAYOUTS } from './layouts';
import { PAIRS, paired } from './pairs';
import { partsOf } from './parts';

let faces: Faces;
beforeAll(async () => {
  faces = await allFaces();
});
const pictures = () => undefined;
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const inside = (outer: Box, box: Box, by = 0.01) =>
  box.x >= outer.x - by &&
  box.y >= outer.y - by &&
  box.x + box.width <= outer.x + outer.width + by &&
  box.y + box.height <= outer.y + outer.height + by;
const shrunk = ({ x, y, width, height }: Box) => ({
  x: x + 0.01,
  y: y + 0.01,
  width: width - 0.02,
  height: height - 0.02,
});

const placed: fc.Arbitrary<Placed[]> = fc
  .array(fc.record({ weight: number(1, 300), ratio: number(0.3, 5), flows: fc.boolean() }), {
    minLength: 1,
    maxLength: 14,
  })
  .chain((list) =>
    fc.boolean().map((titled) =>
      list.map(({ weight, ratio, flows }, i) => ({
        id: `i${i}`,
        weight,
        ratio,
        title: titled && i === 0,
        heightAt: (width: number) => (flows ? 12000 / width : width / ratio),
      })),
    ),
  );

describe.each(LAYOUTS.map((layout) => [layout.id, layout] as const))('layout %s', (_, layout) => {
  it('gives each thing a cell of its own within the area', () => {
    fc.assert(
      fc.property(placed, number(200, 1500), number(200, 1500), (parts, width, height) => {
        const area = { x: 20, y: 30, width, height };
        const cells = layout.place(parts, area, 8);
        expect([...cells.keys()].sort()).toEqual(parts.map((part) => part.id).sort());
        const boxes = [...cells.values()];
        boxes.forEach((a, i) => {
          expect(a.width).toBeGreaterThan(0);
          expect(a.height).toBeGreaterThan(0);
          expect(inside(area, a)).toBe(true);
          for (const b of boxes.slice(i + 1)) expect(overlaps(shrunk(a), shrunk(b))).toBe(false);
        });
      }),
    );
  });
});

const marsh: Item[] = [
  text({ id: 'title', role: 'title', x: 40, y: 30, width: 500, height: 50, body: plain('Life between the tides') }),
  text({
    id: 'facts',
    x: 40,
    y: 120,
    width: 220,
    height: 90,
    body: plain('Crabs dig burrows.\nSnails graze on the mud.\nHerons wait for fish to come by.'),
  }),
  text({
    id: 'quote',
    role: 'quote',
    x: 60,
    y: 400,
    width: 200,
    height: 40,
    fill: solid('#e6edd9'),
    body: plain('The marsh is a nursery.'),
  }),
  picture({ id: 'crab', picture: 'flat/crab', x: 320, y: 120, width: 120, height: 120 }),
  picture({ id: 'bird', picture: 'diagram/bird', x: 450, y: 260, width: 200, height: 160 }),
  text({ id: 'label', role: 'label', x: 680, y: 280, width: 70, height: 24, body: plain('bill') }),
  line({
    id: 'leader',
    from: { ...free(680, 290), item: 'label' },
    to: { ...free(600, 300), item: 'bird', target: 'bill' },
  }),
  shape({ id: 'ground', x: 0, y: 0, width: 792, height: 612 }),
];

describe('arranging a page', () => {
  const made = sheet({ title: 't', pages: [page({ id: 'p', items: marsh })] });
  const [from] = made.pages;

  it('keeps a diagram and its labels together, and leaves the ground where it is', () => {
    const parts = partsOf(from, null, pictures);
    expect(parts.map((part) => part.items.map((item) => item.id).sort())).toContainEqual(['bird', 'label']);
    expect(parts.flatMap((part) => part.items.map((item) => item.id))).not.toContain('ground');
    expect(parts[0].title).toBe(true);
  });

  it.each(LAYOUTS.map((layout) => [layout.id, layout] as const))(
    '%s: nothing lies on anything else, all of it is on the page, and it is one change',
    (_, layout) => {
      const to = arranged(made, from, layout, null, { faces, pictures });
      const items = to.items.filter((item) => !['ground', 'leader'].includes(item.id));
      const boxes = partsOf(to, null, pictures).map((part) => part.box);
      boxes.forEach((a, i) => boxes.slice(i + 1).forEach((b) => expect(overlaps(shrunk(a), shrunk(b))).toBe(false)));
      for (const item of items)
        expect(inside({ x: 0, y: 0, width: 792, height: 612 }, boxOf(to, item, pictures), 0.5)).toBe(true);
      for (const item of items)
        if (item.kind === 'text') expect(wordsOf(item, { faces, roles: made.roles }).layout.overflows).toBe(false);
      const after = { ...made, pages: [to] };
      const result = apply(made, between(made, after));
      expect(result.ok && result.sheet).toEqual(after);
    },
  );

  it('keeps words and the ribbon that they stand on together', () => {
    const ribbon = shape({ id: 'ribbon', shape: 'ribbon', x: 20, y: 20, width: 560, height: 80 });
    const parts = partsOf({ ...from, items: [...marsh, ribbon] }, null, pictures);
    expect(parts[0].items.map((item) => item.id).sort()).toEqual(['ribbon', 'title']);
    expect(parts[0]).toMatchObject({ title: true, flows: false });
  });
  it('arranges what is chosen within the room that it has', () => {
    const to = arranged(made, from, LAYOUTS[1], ['facts', 'quote', 'crab'], { faces, pictures });
    expect(
      to.items
        .filter((item, i) => item !== marsh[i])
        .map((item) => item.id)
        .sort(),
    ).toEqual(['crab', 'facts', 'quote']);
  });
  it('has nothing to do on an empty page', () =>
    expect(arranged(made, page({ id: 'q' }), LAYOUTS[0], null, { faces, pictures }).items).toEqual([]));
});

describe('pairs of faces', () => {
  it('are made of faces that ship, and set what is large apart', () => {
    for (const pair of PAIRS) {
      expect([pair.large, pair.small].map((id) => fileFor(id, false, false)).every(Boolean)).toBe(true);
      const { roles } = paired(sheet({ title: 't' }), pair);
      expect([roles.title.run.font, roles.body.run.font]).toEqual([pair.large, pair.small]);
    }
    expect(new Set(PAIRS.map((pair) => `${pair.large} ${pair.small}`)).size).toBe(PAIRS.length);
  });
});
