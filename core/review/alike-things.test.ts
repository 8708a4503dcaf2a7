import { describe, expect, test } from 'vitest';
import { alikeClass, TASKS } from '../../tests/support/alike-class';
import { page, plain, shape, sheet, solid, text } from '../schema/defaults';
import type { Item, Sheet } from '../schema/sheet';
import type { Work } from './alike-things';
import { alikeThings } from './alike-things';

/** Pieces built alike: copied outright and changed, and honest ones on the same task. */

const none: ReadonlySet<string> = new Set();
const sheetOf = (items: Item[]): Sheet => sheet({ title: 'S', pages: [page({ id: 'p', items })] });
const KINDS = ['rectangle', 'ellipse', 'triangle', 'star', 'heart', 'diamond'] as const;

/** A picture of ten shapes of its own: which ones, and where, follows from a number. */
const drawn = (of: number, id = `d${of}`, look: (item: Item, i: number) => Item = (item) => item): Work => ({
  id,
  right: none,
  sheet: sheetOf(
    Array.from({ length: 10 }, (_, i) =>
      look(
        shape({
          id: `${id}-${i}`,
          touch: 'free',
          shape: KINDS[(i * (of + 2) + of) % KINDS.length],
          x: (i * 97 + of * 211) % 640,
          y: (i * 173 + of * 59) % 460,
          width: 40 + ((i * 31 + of * 17) % 70),
          height: 40 + ((i * 13 + of * 29) % 60),
          fill: solid('#7f9d63'),
        }),
        i,
      ),
    ),
  ),
});
const CLASS = Array.from({ length: 12 }, (_, i) => drawn(i));
const asked = (works: readonly Work[], handedOut = sheetOf([]), printed: Sheet[] = []) =>
  [
    ...new Set(
      [...alikeThings(works, handedOut, printed)].flatMap(([id, those]) =>
        those.map((one) => [id, one.id].toSorted().join(' ')),
      ),
    ),
  ].toSorted();
const moved = (by: (i: number) => { x: number; y: number }) => (item: Item, i: number) =>
  ({ ...item, x: (item as { x: number }).x + by(i).x, y: (item as { y: number }).y + by(i).y }) as Item;

describe('a drawing is asked about', () => {
  test.each<[what: string, copy: Work]>([
    ['that is another one again', drawn(3, 'copy')],
    ['in other colours', drawn(3, 'copy', (item) => ({ ...item, fill: solid('#c0392b'), opacity: 0.8 }) as Item)],
    [
      'shifted as a whole',
      drawn(
        3,
        'copy',
        moved(() => ({ x: 64, y: -38 })),
      ),
    ],
    [
      'each thing jostled',
      drawn(
        3,
        'copy',
        moved((i) => ({ x: ((i * 7) % 15) - 7, y: ((i * 11) % 15) - 7 })),
      ),
    ],
    [
      'that lacks two things and has two others',
      drawn(3, 'copy', (item, i) => (i < 2 ? drawn(40, 'other').sheet.pages[0].items[i] : item)),
    ],
  ])('%s', (_, copy) => expect(asked([...CLASS, copy])).toEqual(['copy d3']));

  test('with what both have', () => {
    const copy = drawn(3, 'copy', (item, i) => (i < 2 ? drawn(40, 'other').sheet.pages[0].items[i] : item));
    const [one] = alikeThings([...CLASS, copy], sheetOf([])).get('copy')!;
    expect(one).toMatchObject({ id: 'd3', of: 10 });
    expect(one.mine.toSorted()).toEqual(Array.from({ length: 8 }, (_, i) => `copy-${i + 2}`));
    expect(one.theirs).toEqual(one.mine.map((id) => id.replace('copy', 'd3')));
  });
});

describe('nobody is asked about', () => {
  test('honest drawings', () => expect(asked(CLASS)).toEqual([]));
  test('two pieces and no class to compare them with, unless they share a lot', () => {
    expect(asked([drawn(1), drawn(2)])).toEqual([]);
    expect(asked([drawn(3), drawn(3, 'copy')])).toEqual(['copy d3']);
  });
  test('what everybody has in the same place, as the program puts it there', () => {
    const same = CLASS.map((_, i) => drawn(5, `same${i}`));
    expect(asked(same)).toEqual([]);
  });
  test('what stands on the example', () => {
    const example = sheetOf(
      'mud crab heron worm tide'.split(' ').map((word, i) => text({ id: `e${i}`, y: 90 * i, body: plain(word) })),
    );
    const like = (id: string, x: number): Work => ({
      id,
      right: none,
      sheet: sheetOf(example.pages[0].items.map((item, i) => ({ ...item, id: `${id}${i}`, x, touch: 'free' }) as Item)),
    });
    const works = [...CLASS, like('a', 40), like('b', 300)];
    expect(asked(works, sheetOf([]), [example])).toEqual([]);
    expect(asked(works)).toEqual(['a b']);
  });
});

describe('answers', () => {
  const blanks = (id: string, said: readonly string[], right: readonly number[] = []): Work => ({
    id,
    right: new Set(right.map((i) => `b${i}`)),
    sheet: sheetOf(
      said.map((words, i) => text({ id: `b${i}`, touch: 'fill', blank: true, y: 60 * i, body: plain(words) })),
    ),
  });
  const empty = blanks(
    '',
    Array.from({ length: 8 }, () => ''),
  ).sheet;
  const all = (of: number) => Array.from({ length: 8 }, (_, i) => `slip ${of} ${i}`);
  const rest = Array.from({ length: 12 }, (_, i) => blanks(`s${i}`, all(i)));
  test('that are wrong in the same way are asked about, right ones are not', () => {
    const [a, b] = ['a', 'b'].map((id) => blanks(id, all(99)));
    expect(asked([...rest, a, b], empty)).toEqual(['a b']);
    const [c, d] = ['c', 'd'].map((id) => blanks(id, all(99), [0, 1, 2, 3, 4, 5, 6, 7]));
    expect(asked([...rest, c, d], empty)).toEqual([]);
  });
  test('that nobody but the key has are right, too', () => {
    const [a, b] = ['a', 'b'].map((id) => blanks(id, all(99)));
    expect(asked([...rest, a, b], empty, [a.sheet])).toEqual([]);
  });
});

test('on classes made by chance, nearly all that are asked about were copied', () => {
  const told = { right: 0, asked: 0, copied: 0 };
  for (let seed = 0; seed < 8 * TASKS.length; seed++) {
    const { handedOut, key, works, pairs } = alikeClass(seed);
    const found = asked(works, handedOut, [key]);
    told.right += found.filter((pair) => pairs.has(pair)).length;
    told.asked += found.length;
    told.copied += pairs.size;
  }
  expect(told.copied).toBeGreaterThan(30);
  expect(told.right / told.asked).toBeGreaterThan(0.95);
  expect(told.right / told.copied).toBeGreaterThan(0.5);
});
