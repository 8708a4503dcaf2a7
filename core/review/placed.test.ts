import { describe, expect, test } from 'vitest';
import { free, held, ink, line, page, picture, plain, shape, sheet, solid, text } from '../schema/defaults';
import type { Item, Sheet } from '../schema/sheet';
import type { Result } from '../lookfors/kind';
import { placedOn } from './placed';

const none = () => undefined;
const fixed = [
  text({ id: 'task', x: 20, y: 20, width: 200, height: 30, body: plain('Name the parts') }),
  text({ id: 'blank', x: 60, y: 100, width: 120, height: 30, touch: 'fill' }),
  text({ id: 'word', x: 400, y: 500, width: 60, height: 20, touch: 'free', body: plain('neck') }),
  shape({ id: 'field', x: 300, y: 300, width: 80, height: 80, touch: 'free', fill: solid('#ffffff') }),
];
const given = sheet({ title: 'Bird', pages: [page({ id: 'p1', items: fixed })] });
const withItems = (change: (items: readonly Item[]) => Item[]): Sheet => ({
  ...given,
  pages: [{ ...given.pages[0], items: change(given.pages[0].items) }],
});
const changed = (id: string, values: object) =>
  withItems((items) => items.map((item) => (item.id === id ? ({ ...item, ...values } as Item) : item)));
const added = (...more: Item[]) =>
  withItems((items) => [...items, ...more.map((item) => ({ ...item, touch: 'free' as const }))]);
const put = (piece: Sheet, results: Result[] = []) =>
  placedOn({ sheet: piece, results, rulings: [] }, given, none).map(({ what, x, y, right }) => ({ what, x, y, right }));
const answered = (item: string, verdict: 'right' | 'wrong', said = 'neck'): Result => ({
  id: 'answers',
  got: 0,
  need: 1,
  held: false,
  evidence: [{ items: [item], verdict, said, meant: 'neck' }],
});

describe('what was put where', () => {
  test('is nothing on a piece as it was handed out', () => expect(put(given)).toEqual([]));
  test.each<[string, Sheet, object]>([
    ['words in a blank', changed('blank', { body: plain(' long\n neck') }), { what: 'long neck', x: 120, y: 115 }],
    ['a word that was carried somewhere', changed('word', { x: 100, y: 200 }), { what: 'neck', x: 130, y: 210 }],
    ['a field that was coloured', changed('field', { fill: solid('#1f5fa8') }), { what: 'blue', x: 340, y: 340 }],
    [
      'a shape',
      added(shape({ id: 'own', shape: 'star', x: 10, y: 10, width: 20, height: 20 })),
      { what: 'star', x: 20 },
    ],
    ['what is drawn', added(ink({ id: 'own', x: 30, y: 40, points: [0, 0, 1, 1] })), { what: 'drawn by hand' }],
    [
      'a line from a word: where it leads',
      added(line({ id: 'own', from: held('word'), to: free(50, 60) })),
      { what: 'neck', x: 50, y: 60 },
    ],
    [
      'a line to a word: where it comes from',
      added(line({ id: 'own', from: free(50, 60), to: held('word') })),
      { what: 'neck', x: 50, y: 60 },
    ],
    [
      'a line between two places',
      added(line({ id: 'own', from: free(1, 2), to: free(5, 6) })),
      { what: 'a line', x: 5 },
    ],
    ['a picture', added(picture({ id: 'own', picture: 'any/thing', x: 0, y: 0 })), { x: 50, y: 30 }],
  ])('is %s', (_, piece, expected) => {
    const [one, ...others] = put(piece);
    expect(others).toEqual([]);
    expect(one).toMatchObject({ ...expected, right: null });
  });

  test('is not what the teacher has corrected since', () =>
    expect(put(changed('task', { body: plain('Name all the parts') }))).toEqual([]));

  test('is not what was emptied, hidden, or stands on a page of their own', () => {
    expect(put(changed('word', { body: plain('') }))).toEqual([]);
    expect(put(added(shape({ id: 'own', hidden: true })))).toEqual([]);
    const own = page({ id: 'own', items: [shape({ id: 's' })] });
    expect(put({ ...given, pages: [...given.pages, own] })).toEqual([]);
  });

  test('is right as it was counted, or as its teacher ruled', () => {
    const piece = changed('blank', { body: plain('nape') });
    const results = [answered('blank', 'wrong', 'nape')];
    expect(put(piece, results)).toMatchObject([{ what: 'nape', right: false }]);
    const rulings = [{ lookForId: 'answers', itemId: 'blank', held: true, reason: '' }];
    expect(placedOn({ sheet: piece, results, rulings }, given, none)).toMatchObject([{ right: true }]);
  });
});
