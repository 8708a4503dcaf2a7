import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Change } from '../changes/change';
import { apply } from '../changes/change';
import { group, page, picture, plain, sheet, text } from '../schema/defaults';
import type { Item, Sheet, TextItem } from '../schema/sheet';
import { find } from '../sheet/tree';
import { bodyText } from '../text/body';
import { creditLine, creditsChange, sourcesOf } from './credits';

const OWL = { picture: 'flat/owl', alt: 'owl', credit: 'Fluent Emoji, Microsoft' };
const FOX = { picture: 'flat/fox', alt: 'fox', credit: 'Fluent Emoji, Microsoft (MIT)' };
const REED = { picture: 'drawn/reed-bed', alt: 'reed bed', credit: 'Drawn for Dappled Margin' };
const PHOTO = {
  picture: `own/${'a'.repeat(32)}`,
  alt: 'The marsh at low tide, seen from the dyke',
  credit: 'Photo: class 5b',
};
const on = (...items: Item[]) => page({ id: 'p', width: 600, height: 800, items });
const line = (words = '') =>
  text({ id: 'credits', x: 20, y: 760, width: 400, height: 20, follows: 'credits', body: plain(words) });

describe('the sources of a page', () => {
  test('are listed once, with what they are for and their licence', () => {
    const { sources } = sourcesOf([on(...[OWL, FOX, REED, OWL].map((one, i) => picture({ id: `${i}`, ...one })))]);
    expect(sources).toEqual([
      { credit: 'Fluent Emoji, Microsoft', licence: 'MIT', names: ['owl', 'fox'] },
      { credit: 'Drawn for Dappled Margin', licence: 'CC0 1.0', names: ['reed bed'] },
    ]);
  });
  test('are of what is seen: not of what is hidden or waits beside the page; of parts of groups, too', () => {
    const items = [
      group({ id: 'g', width: 50, height: 50, items: [picture({ id: 'a', ...OWL })] }),
      picture({ id: 'b', ...REED, hidden: true }),
      picture({ id: 'c', ...PHOTO, x: 700 }),
    ];
    expect(creditLine(on(...items))).toBe('Pictures. owl: Fluent Emoji, Microsoft (MIT).');
  });
  test('name what has none', () => {
    const { without } = sourcesOf([on(picture({ id: 'a', ...PHOTO, credit: '' }))]);
    expect(without.map(({ id }) => id)).toEqual(['a']);
  });
  test('name pictures by the beginning of what is said of them, and many by their number', () => {
    expect(creditLine(on(picture({ id: 'a', ...PHOTO })))).toBe('Pictures. The marsh at low tide: Photo: class 5b.');
    const many = Array.from({ length: 12 }, (_, i) => picture({ id: `${i}`, ...OWL, alt: `bird ${i}` }));
    expect(creditLine(on(...many))).toBe('Pictures. 12 pictures: Fluent Emoji, Microsoft (MIT).');
    expect(creditLine(on())).toBe('');
  });
});

/** A change as the editor makes it, with what follows from it. */
function made(before: Sheet, change: Change): Sheet {
  const done = apply(before, change);
  if (!done.ok) return before;
  const follow = creditsChange(before, done.sheet);
  if (!follow) return done.sheet;
  const followed = apply(done.sheet, follow);
  if (!followed.ok) throw new Error(followed.reason);
  return followed.sheet;
}
const words = (of: Sheet) => bodyText((find(of, 'credits')!.item as TextItem).body);

test('a line says after every change what is on the page', () => {
  const kinds = [OWL, FOX, REED, PHOTO];
  const spot = { page: 'p', group: null, behind: null };
  const step = fc.oneof(
    fc.record({ do: fc.constant('add' as const), kind: fc.nat(3), id: fc.nat(5) }),
    fc.record({ do: fc.constant('into' as const), kind: fc.nat(3), id: fc.nat(5) }),
    fc.record({ do: fc.constant('remove' as const), id: fc.nat(5) }),
    fc.record({
      do: fc.constant('set' as const),
      id: fc.nat(5),
      x: fc.integer({ min: -200, max: 900 }),
      kind: fc.nat(3),
    }),
    fc.record({ do: fc.constant('hide' as const), id: fc.nat(5), hidden: fc.boolean() }),
  );
  fc.assert(
    fc.property(fc.array(step, { maxLength: 25 }), (steps) => {
      let now = sheet({
        title: 'Credits',
        pages: [on(line(), group({ id: 'g', x: 50, y: 50, width: 100, height: 100, items: [] }))],
      });
      for (const one of steps) {
        const id = `i${one.id}`;
        const change: Change =
          one.do === 'add'
            ? { kind: 'insert', spot, item: picture({ id, ...kinds[one.kind] }) }
            : one.do === 'into'
              ? { kind: 'insert', spot: { ...spot, group: 'g' }, item: picture({ id, ...kinds[one.kind] }) }
              : one.do === 'remove'
                ? { kind: 'remove', id }
                : one.do === 'hide'
                  ? { kind: 'set', id, values: { hidden: one.hidden } }
                  : { kind: 'set', id, values: { x: one.x, ...kinds[one.kind] } };
        now = made(now, change);
        expect(words(now)).toBe(creditLine(now.pages[0]));
      }
    }),
  );
});

test('a line that was written by hand stays as it was written', () => {
  const before = made(sheet({ title: 'Credits', pages: [on(line())] }), {
    kind: 'insert',
    spot: { page: 'p', group: null, behind: null },
    item: picture({ id: 'a', ...OWL }),
  });
  const edited = made(before, { kind: 'splice', id: 'credits', at: 0, remove: 8, insert: plain('Art') });
  expect(words(edited)).toMatch(/^Art/);
  const after = made(edited, { kind: 'remove', id: 'a' });
  expect(words(after)).toBe(words(edited));
  expect((find(after, 'credits')!.item as TextItem).follows).toBeNull();
});
