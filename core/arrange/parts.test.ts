import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { free, line, page, picture, plain, shape, sheet, text } from '../schema/defaults';
import type { Item } from '../schema/sheet';
import { leastSize, partsOf } from './parts';

const pictures = () => undefined;
const parts = (items: Item[], ids: string[] | null = null) => partsOf(page({ id: 'p', items }), ids, pictures);
const idsOf = (items: Item[], ids: string[] | null = null) =>
  parts(items, ids).map((part) => part.items.map((item) => item.id).sort());

describe('what an arrangement places', () => {
  const words = text({ id: 'words', x: 40, y: 200, width: 200, height: 60, body: plain('some words') });
  const title = text({ id: 'title', role: 'title', x: 40, y: 400, width: 300, height: 50, body: plain('Title') });
  it('comes in reading order, titles first wherever they stand', () => {
    const right = shape({ id: 'right', x: 400, y: 205, width: 80, height: 50 });
    expect(idsOf([right, words, title])).toEqual([['title'], ['words'], ['right']]);
  });
  it('leaves out what is hidden, locked or fills the page, and lines', () => {
    const out: Item[] = [
      shape({ id: 'hidden', x: 10, y: 10, width: 50, height: 50, hidden: true }),
      shape({ id: 'locked', x: 100, y: 10, width: 50, height: 50, locked: true }),
      shape({ id: 'ground', width: 792, height: 612 }),
      line({ id: 'line', from: free(0, 0), to: free(100, 100) }),
    ];
    expect(idsOf([...out, words])).toEqual([['words']]);
  });
  it('takes only what was chosen, where something was', () => {
    expect(idsOf([words, title], ['words'])).toEqual([['words']]);
  });
  it('keeps labels with the picture that their lines lead to, however many they are', () => {
    const bird = picture({ id: 'bird', picture: 'diagram/bird', x: 300, y: 100, width: 200, height: 200 });
    const labels = ['a', 'b', 'c'].map((id, i) =>
      text({ id, role: 'label', x: 620, y: 80 + i * 70, width: 80, height: 24, body: plain(id) }),
    );
    const leaders = labels.map((label) =>
      line({
        id: `to-${label.id}`,
        from: { ...free(0, 0), item: label.id },
        to: { ...free(0, 0), item: 'bird', target: 'bill' },
      }),
    );
    expect(idsOf([...labels, ...leaders, bird])).toEqual([['a', 'b', 'bird', 'c']]);
  });
  it('a line between two boxes does not tie them together', () => {
    const other = shape({ id: 'other', x: 400, y: 205, width: 80, height: 50 });
    const arrow = line({ id: 'arrow', from: { ...free(0, 0), item: 'words' }, to: { ...free(0, 0), item: 'other' } });
    expect(idsOf([words, other, arrow])).toHaveLength(2);
  });
  it('words may be wrapped, all else keeps its proportion', () => {
    const turned = text({ ...words, id: 'turned', x: 500, angle: 20 });
    const empty = text({ id: 'empty', x: 500, y: 400, body: plain('') });
    const curved = text({
      ...words,
      id: 'curved',
      x: 500,
      y: 500,
      lettering: { curve: 'arch', amount: 0.5, fill: null, outline: null },
    });
    const flows = Object.fromEntries(parts([words, turned, empty, curved]).map((part) => [part.id, part.flows]));
    expect(flows).toEqual({ words: true, turned: false, empty: false, curved: false });
  });
  it('weighs more the larger it is, and the more its role says', () => {
    const [first, second] = parts([
      { ...words, id: 'big', width: 400, height: 200 },
      { ...words, y: 500 },
    ]);
    expect(first.weight).toBeGreaterThan(second.weight);
    const heading = { ...words, id: 'heading', role: 'heading' };
    expect(parts([heading])[0].weight).toBeGreaterThan(parts([words])[0].weight);
  });
  it('holds every thing that is placed exactly once', () => {
    const box = fc.record({
      x: fc.integer({ min: 0, max: 700 }),
      y: fc.integer({ min: 0, max: 560 }),
      width: fc.integer({ min: 5, max: 200 }),
      height: fc.integer({ min: 5, max: 200 }),
    });
    fc.assert(
      fc.property(fc.array(box, { maxLength: 14 }), (boxes) => {
        const items = boxes.map((one, i) => shape({ id: `i${i}`, ...one }));
        expect(idsOf(items).flat().sort()).toEqual(items.map((item) => item.id).sort());
      }),
    );
  });
  it('knows the smallest size that its words are set in', () => {
    const { roles } = sheet({ title: 't' });
    expect(leastSize(parts([words])[0], { roles })).toBe(roles.body.run.size);
    const mixed = text({
      ...words,
      body: [
        {
          format: {},
          runs: [
            { text: 'a', style: { size: 9 } },
            { text: 'b', style: {} },
          ],
        },
      ],
    });
    expect(leastSize(parts([mixed])[0], { roles })).toBe(9);
    expect(leastSize(parts([shape({ id: 's', x: 10, y: 10, width: 20, height: 20 })])[0], { roles })).toBe(14);
  });
});
