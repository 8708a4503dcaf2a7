import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { free, line, page, plain, shape, sheet, text } from '../schema/defaults';
import type { Sheet } from '../schema/sheet';
import { sameAnswers, areaText, AreaText, standing } from './spot';

const none = () => undefined;
const given = sheet({
  title: 'Birds',
  pages: [
    page({
      id: 'p1',
      items: [
        text({ id: 'blank', x: 60, y: 60, width: 120, height: 30, touch: 'fill' }),
        shape({ id: 'box', x: 300, y: 300, width: 80, height: 80, touch: 'free' }),
        text({ id: 'task', x: 300, y: 60, width: 120, height: 30, body: plain('Write here') }),
      ],
    }),
  ],
});
const withItems = (
  source: Sheet,
  change: (items: Sheet['pages'][0]['items']) => Sheet['pages'][0]['items'],
): Sheet => ({
  ...source,
  pages: [{ ...source.pages[0], items: change(source.pages[0].items) }],
});
const written = (words: string) =>
  withItems(given, (items) =>
    items.map((item) => (item.id === 'blank' && item.kind === 'text' ? { ...item, body: plain(words) } : item)),
  );
const keyOf = (piece: Sheet, own = 'own') => standing(piece, given, { item: 'blank' }, none, own)?.key;

describe('what stands in a box', () => {
  test.each([
    ['more spaces', 'long neck', ' long\n neck '],
    ['an accent put together otherwise', 'caf\u00e9', 'cafe\u0301'],
  ])('is the same with %s', (_, a, b) => expect(keyOf(written(a))).toBe(keyOf(written(b))));
  test.each([
    ['capitals', 'Neck', 'neck'],
    ['an accent', 'cafe', 'caf\u00e9'],
    ['a Greek letter that looks the same', 'A', '\u0391'],
    ['a sign', '3+4', '3-4'],
  ])('is another with %s', (_, a, b) => expect(keyOf(written(a))).not.toBe(keyOf(written(b))));
  test('is nothing where it is empty, or gone; then its place is shown', () => {
    expect(keyOf(given)).toBe('');
    const gone = standing(
      withItems(given, (items) => items.slice(1)),
      given,
      { item: 'blank' },
      none,
      'own',
    )!;
    expect(gone).toMatchObject({ key: '', item: null, written: '' });
    expect(gone.view).toEqual(standing(given, given, { item: 'blank' }, none, 'own')!.view);
  });
  test('is nothing at all where the sheet never had it', () =>
    expect(standing(given, given, { item: 'another' }, none, 'own')).toBeUndefined());
  test('is how a shape was coloured, wherever it was moved to', () => {
    const coloured = (colour: string, x: number) =>
      withItems(given, (items) =>
        items.map((item) =>
          item.kind === 'shape' ? { ...item, x, fill: { kind: 'solid' as const, colour, opacity: 1 } } : item,
        ),
      );
    const key = (piece: Sheet) => standing(piece, given, { item: 'box' }, none, 'own')!.key;
    expect(key(given)).toBe('');
    expect(key(coloured('#ff0000', 300))).toBe(key(coloured('#ff0000', 310)));
    expect(key(coloured('#ff0000', 300))).not.toBe(key(coloured('#00ff00', 300)));
  });
});

describe('what stands in an area', () => {
  const area = { page: 'p1', area: { x: 40, y: 40, width: 500, height: 100 } };
  const at = (piece: Sheet, own = 'own') => standing(piece, given, area, none, own)!;
  test('is what the student did there, never what was handed out', () => {
    expect(at(given)).toMatchObject({ written: '', key: '', item: null });
    expect(at(written('a neck'))).toMatchObject({ written: 'a neck', key: at(written('a  neck')).key });
  });
  test('is like nothing else where something was drawn by hand', () => {
    const drawn = withItems(given, (items) => [
      line({ id: 'mine', touch: 'free', from: free(60, 60), to: free(90, 80) }),
      ...items,
    ]);
    expect(at(drawn, 'ada').key).toBe('ada');
    expect(at(drawn, 'ben').key).toBe('ben');
  });
  test('is written in an address and read from it', () =>
    fc.assert(
      fc.property(
        fc.record({
          x: fc.integer({ min: -99, max: 9999 }),
          y: fc.nat(999),
          width: fc.integer({ min: 4, max: 999 }),
          height: fc.integer({ min: 4, max: 999 }),
        }),
        (box) => {
          expect(AreaText.parse(areaText(box))).toEqual(box);
        },
      ),
    ));
  test.each(['', '1,2,3', 'a,b,c,d', '1,2,3,4,5', '1,2,-3,4'])('“%s” is no area', (words) =>
    expect(AreaText.safeParse(words).success).toBe(false),
  );
});

test('what is looked at is on the page, and never a sliver', () =>
  fc.assert(
    fc.property(
      fc.nat(790),
      fc.nat(1100),
      fc.integer({ min: 1, max: 300 }),
      fc.integer({ min: 1, max: 300 }),
      (x, y, width, height) => {
        const { view } = standing(given, given, { page: 'p1', area: { x, y, width, height } }, none, 'own')!;
        const { width: w, height: h } = given.pages[0];
        expect(view.width).toBeGreaterThanOrEqual(110);
        expect(view.height).toBeGreaterThanOrEqual(44);
        expect([view.x >= 0, view.y >= 0, view.x + view.width <= w + 0.01, view.y + view.height <= h + 0.01]).toEqual([
          true,
          true,
          true,
          true,
        ]);
      },
    ),
  ));

describe('pieces that say the same', () => {
  const order = (words: string[]) => sameAnswers(words.map((key) => ({ key, written: key }))).map(({ key }) => key);
  test('are together, the most frequent first, and what is empty last', () =>
    expect(order(['', 'wing', '', '', 'neck', 'neck'])).toEqual(['neck', 'wing', '']));
  test('come after those that were not counted as right', () => {
    const of = (key: string, right: boolean) => ({ key, written: key, answer: { right } });
    const groups = sameAnswers([of('', false), of('neck', true), of('neck', true), of('wing', false)]);
    expect(groups.map(({ key }) => key)).toEqual(['wing', 'neck', '']);
  });
  test('stand beside those that differ in capitals only', () =>
    expect(order(['Neck', 'beak', 'beak', 'beak', 'wing', 'wing', 'neck', 'neck', 'Wing'])).toEqual([
      'beak',
      'neck',
      'Neck',
      'wing',
      'Wing',
    ]));
  test('hold every piece once', () =>
    fc.assert(
      fc.property(fc.array(fc.constantFrom('', 'a', 'A', 'b')), (keys) => {
        const pieces = keys.map((key, i) => ({ key, written: key, i }));
        const found = sameAnswers(pieces).flatMap((group) => group.pieces);
        expect(found.map(({ i }) => i).sort((a, b) => a - b)).toEqual(keys.map((_, i) => i));
        for (const group of sameAnswers(pieces)) expect(new Set(group.pieces.map(({ key }) => key)).size).toBe(1);
      }),
    ));
});
