import fc from 'fast-check';
import { expect, test } from 'vitest';
import { group, page, plain, shape, sheet, solid, text } from '../schema/defaults';
import type { Item, Sheet } from '../schema/sheet';
import { countAll, lookFor } from './all';
import type { Tally } from './recount';
import { tallied } from './recount';

/** A count that goes on from the last one is that of counting everything anew, whatever changed in between. */

const base = sheet({
  title: 'S',
  pages: [
    page({
      id: 'p',
      items: [
        text({ id: 'a', touch: 'fill', x: 20, y: 20, width: 120, height: 60, body: plain('mud') }),
        text({ id: 'cover', touch: 'free', x: 300, y: 300, width: 90, height: 90, fill: solid('#ffffff') }),
        shape({ id: 's', touch: 'free', x: 200, y: 20 }),
        shape({ id: 't', touch: 'free', x: 310, y: 310, width: 30, height: 30 }),
        group({
          id: 'g',
          x: 20,
          y: 400,
          width: 200,
          height: 80,
          items: [shape({ id: 'u', touch: 'free' }), text({ id: 'b', touch: 'fill', x: 110 })],
        }),
      ],
    }),
  ],
});
const handedOut = sheet({ title: 'S', pages: [page({ id: 'p' })] });
const context = { handedOut, studentName: 'Ayo' };
const asked = [
  lookFor({ kind: 'items', id: '1', item: 'shape', min: 2, made: false, together: [{ is: 'different', in: 'fill' }] }),
  lookFor({ kind: 'items', id: '2', item: 'shape', min: 1, made: false, each: [{ is: 'inside', area: 'cover' }] }),
  lookFor({ kind: 'items', id: '3', item: 'text', min: 1, made: false, each: [{ is: 'written' }] }),
  lookFor({ kind: 'items', id: '4', item: 'group', min: 1, made: false }),
  lookFor({ kind: 'items', id: '5', item: 'shape', min: 1, made: false, each: [{ is: 'on-page' }], how: 'every' }),
  lookFor({ kind: 'words', id: '6', item: 'a', min: 2 }),
  lookFor({ kind: 'words', id: '7', item: null, min: 2 }),
  lookFor({ kind: 'phrase', id: '8', item: null, words: ['mud'], how: 'all', min: 1, spelling: 'near' }),
  lookFor({ kind: 'name', id: '9', item: null }),
];

test('over any number of changes', () => {
  const edit = fc.record({
    who: fc.nat({ max: 6 }),
    values: fc.oneof(
      fc.record({ body: fc.constantFrom('', 'mud', 'mud and sand', 'Ayo').map(plain) }),
      fc.record({ x: fc.constantFrom(-500, 20, 300, 310) }),
      fc.record({ fill: fc.constantFrom(null, solid('#ff0000'), solid('#00ff00')) }),
      fc.record({ hidden: fc.boolean() }),
      fc.record({ opacity: fc.constantFrom(0.01, 1) }),
    ),
  });
  fc.assert(
    fc.property(fc.array(edit, { maxLength: 12 }), (edits) => {
      let now: Sheet = base;
      let tally: Tally | undefined;
      for (const { who, values } of [{ who: 0, values: {} }, ...edits]) {
        let at = 0;
        const map = (items: readonly Item[]): Item[] =>
          items.map((item) => {
            const is = at++ === who;
            const inner = item.kind === 'group' ? { ...item, items: map(item.items) } : item;
            const fits = Object.keys(values).every((key) => key in item);
            return is && fits
              ? ({ ...inner, ...values } as Item)
              : inner === item || item.kind !== 'group'
                ? item
                : inner;
          });
        now = { ...now, pages: now.pages.map((one) => ({ ...one, items: map(one.items) })) };
        tally = tallied(asked, now, context, tally);
        expect(tally.results).toEqual(countAll(asked, now, { ...context }));
      }
    }),
    { numRuns: 300 },
  );
});
