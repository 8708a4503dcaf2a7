import fc from 'fast-check';
import { beforeAll, describe, expect, test } from 'vitest';
import { allFaces } from '../../tests/support/fonts';
import { sampleSheet } from '../../tests/support/sheets';
import type { DisplayNode, DrawnPage, GroupNode } from '../drawing/list';
import { multiply } from '../geometry/matrix';
import type { Matrix } from '../geometry/matrix';
import { page, plain, sheet, text } from '../schema/defaults';
import type { Faces } from '../text/faces';
import { stampNode } from './stamps';
import type { Feedback } from './feedback';
import { feedbackPages, stacked } from './feedback';

let faces: Faces;
beforeAll(async () => {
  faces = await allFaces();
});
const drawn = (feedback: Feedback) => feedbackPages(feedback, { faces, pictures: () => undefined });

const bare: Feedback = {
  title: 'The grey heron',
  about: 'Ada · go 1 · returned as done',
  sum: null,
  sheet: sheet({ title: 'The grey heron' }),
  notes: [],
  ink: [],
  lookFors: [],
  rows: [],
};
const note = (id: string, body: string, at: Partial<Feedback['notes'][number]> = {}) => ({
  id,
  pageId: 'page1',
  itemId: null,
  x: null,
  y: null,
  body,
  ...at,
});

type Placed = { text: string; x: number; y: number; end: number; size: number };
/** All words as they stand on the paper, in the order they are drawn in. */
function wordsOn(nodes: readonly DisplayNode[], matrix: Matrix = [1, 0, 0, 1, 0, 0]): Placed[] {
  return nodes.flatMap((node): Placed[] => {
    if (node.kind === 'group') return wordsOn(node.children, node.matrix ? multiply(matrix, node.matrix) : matrix);
    if (node.kind !== 'glyphs') return [];
    const [scale, , , , x, y] = matrix;
    const wide = Math.max(0, ...node.glyphs.map((glyph) => glyph.x + glyph.advance));
    const left = x + scale * node.x;
    return [{ text: node.text, x: left, y: y + scale * node.y, end: left + scale * wide, size: scale * node.size }];
  });
}
const allWords = (pages: readonly DrawnPage[]) =>
  pages
    .flatMap(({ nodes }) => wordsOn(nodes))
    .map((one) => one.text)
    .join(' ');
/** White discs with numbers on the piece and before the notes: their places. */
const discsOn = ({ nodes }: DrawnPage, size: number) =>
  nodes
    .filter((node): node is GroupNode => node.kind === 'group')
    .filter(
      ({ children: [first] }) => first?.kind === 'path' && first.stroke?.width === 1.2 && first.fill !== undefined,
    )
    .map(({ matrix }) => ({ x: matrix![4], y: matrix![5] }))
    .slice(0, size);

const words = fc
  .array(fc.constantFrom('heron', 'stands', 'Μαρία', 'é', 'a', 'waterwaterwaterwater', '7'), {
    minLength: 1,
    maxLength: 300,
  })
  .map((list) => list.join(' '));

describe('feedback on paper', () => {
  test('says everything, in order, within the paper, whatever is said and however large the piece is', () => {
    fc.assert(
      fc.property(
        fc.array(words, { maxLength: 8 }),
        fc.array(fc.record({ width: fc.integer({ min: 72, max: 3000 }), height: fc.integer({ min: 72, max: 3000 }) }), {
          minLength: 1,
          maxLength: 3,
        }),
        fc.constantFrom('in' as const, 'mm' as const),
        (bodies, sizes, unit) => {
          const pages = sizes.map((size, i) => page({ id: `page${i + 1}`, ...size }));
          const made = drawn({
            ...bare,
            sheet: sheet({ title: 'T', unit, pages }),
            notes: bodies.map((body, i) => note(`n${i}`, body, { x: 10 * i, y: 40 * i })),
            lookFors: [{ title: 'Your name', held: true, counted: '', reasons: [] }],
            rows: [{ name: 'Easy to read', level: null, of: 4 }],
          });
          const [width, height] = unit === 'in' ? [612, 792] : [595.28, 841.89];
          for (const one of made) {
            expect([one.width, one.height]).toEqual([width, height]);
            for (const { x, y, end } of wordsOn(one.nodes)) {
              expect(x).toBeGreaterThan(0);
              expect(end).toBeLessThan(width - 30);
              expect(y).toBeLessThan(height - 30);
            }
          }
          const plainly = (said: string) => said.replace(/\s+/g, '');
          const said = plainly(allWords(made));
          let at = 0;
          for (const body of bodies) {
            at = said.indexOf(plainly(body), at);
            expect(at).toBeGreaterThanOrEqual(0);
          }
          expect(said).toContain(plainly('Easy to read: not marked yet'));
        },
      ),
      { numRuns: 40 },
    );
  });

  test('no line lies on another', () => {
    const bodies = Array.from({ length: 12 }, (_, i) => `${i} ${'words of a note '.repeat(i * 4)}`);
    const made = drawn({ ...bare, notes: bodies.map((body, i) => note(`n${i}`, body)) });
    expect(made.length).toBeGreaterThan(1);
    for (const { nodes } of made) {
      const all = wordsOn(nodes);
      for (const [i, a] of all.entries())
        for (const b of all.slice(i + 1))
          expect(a.x < b.end - 0.1 && b.x < a.end - 0.1 && Math.abs(a.y - b.y) < a.size * 0.6).toBe(false);
    }
  });

  test('notes of one spot stand apart on the piece, and none leaves it', () => {
    const same = Array.from({ length: 9 }, (_, i) => note(`n${i}`, 'look', { x: 790, y: 610 }));
    const [first] = drawn({ ...bare, notes: same });
    const discs = discsOn(first, 9);
    expect(discs).toHaveLength(9);
    for (const [i, a] of discs.entries()) {
      expect(a.x).toBeLessThan(612 - 39);
      for (const b of discs.slice(i + 1)) expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThanOrEqual(16);
    }
  });

  test('notes are numbered from top to bottom; one whose page or thing is gone is said at the end', () => {
    const made = drawn({
      ...bare,
      sheet: sampleSheet(),
      notes: [
        note('gone', 'of a page that is gone', { pageId: 'other', itemId: 'x' }),
        note('low', 'further down', { pageId: 'p1', itemId: 'words' }),
        note('high', 'at the top', { pageId: 'p1', itemId: 'label' }),
      ],
    });
    const said = allWords(made);
    const order = ['at the top', 'further down', 'of a page that is gone'].map((one) => said.indexOf(one));
    expect(order).toEqual([...order].sort((a, b) => a - b));
    expect(order.every((at) => at >= 0)).toBe(true);
  });

  test('what hangs over the edge of the piece is covered beside it', () => {
    const over = text({ id: 'over', x: 700, y: 20, width: 400, height: 40, body: plain('far over the edge') });
    const [{ nodes }] = drawn({ ...bare, sheet: sheet({ title: 'T', pages: [page({ id: 'page1', items: [over] })] }) });
    const at = nodes.findIndex((node) => node.kind === 'path' && node.rule === 'evenodd');
    expect(at).toBeGreaterThan(0);
    const before = wordsOn(nodes.slice(0, at)).map((one) => one.text);
    expect(before.join(' ')).toContain('far over');
    expect(
      wordsOn(nodes.slice(at))
        .map((one) => one.text)
        .join(' '),
    ).not.toContain('far over');
  });

  test('what was drawn by hand lies on the piece, and is something that was said', () => {
    const sheetOf = sheet({ title: 'T', pages: [page({ id: 'page1' })] });
    const mark = { kind: 'stamp', stamp: 'star', x: 100, y: 100 } as const;
    const ink = [{ id: 'i', goId: 'g', pageId: 'page1', itemId: null, x: 100, y: 100, mark }];
    const [without] = drawn({ ...bare, sheet: sheetOf });
    const made = drawn({ ...bare, sheet: sheetOf, ink });
    const piece = ([first]: DisplayNode[]) => (first.kind === 'group' ? first.children : []);
    expect(piece(made[0].nodes)).toEqual([...piece(without.nodes), stampNode('star', 100, 100)]);
    expect(allWords(made)).not.toContain('Nothing was written');
  });

  test('where nothing was said it says so', () => expect(allWords(drawn(bare))).toContain('Nothing was written'));

  test('pages below each other keep what is on them', () => {
    const made = drawn({
      ...bare,
      sheet: sampleSheet(),
      notes: [note('n', 'look', { pageId: 'p1', itemId: 'label' })],
    });
    const one = stacked(made);
    expect(wordsOn(one.nodes).map((placed) => placed.text)).toEqual(
      made.flatMap(({ nodes }) => wordsOn(nodes).map((placed) => placed.text)),
    );
    expect(one.height).toBeGreaterThan(made.length * made[0].height - 1);
  });
});
