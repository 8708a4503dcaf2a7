import type { DrawnPicture } from '../../core/pictures/picture';
import fc from 'fast-check';
import type { Change } from '../../core/changes/change';
import { bodyLength } from '../../core/text/body';
import { free, group, held, line, page, picture, plain, shape, sheet, solid, text } from '../../core/schema/defaults';
import type { TextBody, Item, Sheet } from '../../core/schema/sheet';
import { isWritten } from '../../core/schema/sheet';
import { everyItem } from '../../core/sheet/tree';

/** A page with one of everything. */
export const sampleSheet = (): Sheet =>
  sheet({
    title: 'Sample',
    pages: [
      page({
        id: 'p1',
        items: [
          text({
            id: 'label',
            role: 'label',
            x: 60,
            y: 60,
            width: 120,
            height: 30,
            body: plain('long neck'),
            blank: true,
            also: ['neck'],
          }),
          line({
            id: 'leader',
            from: held('label'),
            to: held('bird', 'neck'),
          }),
          text({ id: 'words', x: 60, y: 300, width: 200, height: 120, touch: 'fill', body: plain('one two\nthree') }),
          group({
            id: 'pair',
            x: 300,
            y: 300,
            width: 120,
            height: 60,
            items: [
              shape({ id: 'inner', width: 50, height: 50 }),
              shape({ id: 'inner2', x: 60, width: 50, height: 50 }),
            ],
          }),
          shape({ id: 'box', x: 500, y: 60, width: 100, height: 80, touch: 'free' }),
          picture({ id: 'bird', picture: 'diagram/heron', x: 250, y: 40, width: 210, height: 240 }),
        ],
      }),
      page({ id: 'p2', items: [text({ id: 'second', body: plain('on the second page') })] }),
    ],
  });

const words = fc.string({ unit: fc.constantFrom('a', 'b', ' ', 'é', '-', '😀', 'ffi'), maxLength: 8 });
const style = fc.record({ bold: fc.boolean(), size: fc.integer({ min: 6, max: 40 }) }, { requiredKeys: [] });
export const fragment: fc.Arbitrary<TextBody> = fc.array(
  fc.record({
    format: fc.record(
      {
        align: fc.constantFrom('left' as const, 'right' as const),
        list: fc.constantFrom('none' as const, 'bullet' as const),
      },
      { requiredKeys: [] },
    ),
    runs: fc.array(fc.record({ text: words, style }), { maxLength: 3 }),
  }),
  { minLength: 1, maxLength: 3 },
);

/** A change that is likely to fit the sheet, and now and then does not. */
export function changeFor(now: Sheet): fc.Arbitrary<Change> {
  const items = everyItem(now);
  const id = fc.constantFrom(...items.map((item) => item.id), 'gone');
  const groups = items.filter((item) => item.kind === 'group').map((item) => item.id);
  const spot = fc.record({
    page: fc.constantFrom(...now.pages.map((p) => p.id), 'nowhere'),
    group: fc.constantFrom(null, null, ...groups),
    behind: fc.oneof(fc.constant(null), id),
  });
  const fresh = fc.nat({ max: 1e6 }).map((n) => `new${n}`);
  const item: fc.Arbitrary<Item> = fresh.chain((newId) =>
    fc.constantFrom<Item>(
      text({ id: newId, body: plain('fresh') }),
      shape({ id: newId, shape: 'star' }),
      line({ id: newId, from: free(1, 2) }),
      group({ id: newId, items: [shape({ id: `${newId}a` })] }),
    ),
  );
  const values = fc.record(
    {
      x: fc.integer({ min: -50, max: 9000 }),
      opacity: fc.double({ min: 0, max: 1, noNaN: true }),
      fill: fc.constantFrom(null, solid('#aabbcc')),
      locked: fc.boolean(),
      id: fc.constant('evil'),
    },
    { requiredKeys: [] },
  );
  const written = items.filter(isWritten);
  const stretch = (make: (id: string, from: number, to: number) => fc.Arbitrary<Change>) =>
    fc
      .constantFrom(...written)
      .chain((target) =>
        fc
          .tuple(fc.nat({ max: bodyLength(target.body) + 1 }), fc.nat({ max: bodyLength(target.body) + 1 }))
          .chain(([a, b]) => make(target.id, Math.min(a, b), Math.max(a, b))),
      );
  const simple: fc.Arbitrary<Change> = fc.oneof(
    fc.record({ kind: fc.constant('insert' as const), spot, item }),
    fc.record({ kind: fc.constant('remove' as const), id }),
    fc.record({ kind: fc.constant('reorder' as const), id, spot }),
    fc.record({ kind: fc.constant('set' as const), id, values: values as fc.Arbitrary<Record<string, unknown>> }),
    ...(written.length
      ? [
          stretch((target, from, to) =>
            fragment.map((insert): Change => ({ kind: 'splice', id: target, at: from, remove: to - from, insert })),
          ),
          stretch((target, from, to) =>
            fc
              .constantFrom({ bold: true }, { bold: null }, { size: 20, colour: '#112233' })
              .map((patch): Change => ({ kind: 'style', id: target, from, to, patch })),
          ),
          stretch((target, from, to) =>
            fc
              .constantFrom({ align: 'right' as const }, { align: null, list: 'number' as const })
              .map((patch): Change => ({ kind: 'paragraph', id: target, from, to, patch })),
          ),
        ]
      : []),
    fc.record({
      kind: fc.constant('page-set' as const),
      id: fc.constantFrom('p1', 'p2'),
      values: fc.record({ width: fc.integer({ min: 0, max: 2000 }) }),
    }),
    fc.record({ kind: fc.constant('page-remove' as const), id: fc.constantFrom('p1', 'p2') }),
    fc.record({ kind: fc.constant('sheet-set' as const), values: fc.record({ title: fc.string({ maxLength: 20 }) }) }),
  );
  return fc.oneof(
    { weight: 5, arbitrary: simple },
    { weight: 1, arbitrary: fc.array(simple, { maxLength: 3 }).map((changes): Change => ({ kind: 'all', changes })) },
  );
}

/** Words typed into the box `words` of the sample sheet. */
export const typed = (at: number, words: string): Change => ({
  kind: 'splice',
  id: 'words',
  at,
  remove: 0,
  insert: plain(words),
});

/** A picture of 10 by 10, of filled paths. */
export const smallPicture = (
  name: string,
  paths: Pick<DrawnPicture['paths'][number], 'd' | 'fill' | 'opacity'>[],
): DrawnPicture => ({
  id: `flat/${name}`,
  name,
  width: 10,
  height: 10,
  targets: [],
  licence: 'MIT',
  credit: '',
  paths: paths.map((one) => ({ ...one, stroke: null, width: 0 })),
});
