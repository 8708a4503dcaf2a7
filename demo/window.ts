import type { LookFor } from '../core/lookfors/all';
import { lookFor, titled } from '../core/lookfors/all';
import { group, page, plain, shape, sheet, solid, text } from '../core/schema/defaults';
import type { Item, ShapeItem, Sheet } from '../core/schema/sheet';
import type { Paint } from '../core/values/primitives';
import type { Answers } from './makers';

/** A window of coloured glass that the class Avocet put together from shapes, by a list of twelve conditions. */

const taskFor = (count: string) =>
  `Build a window from at least ${count} shapes. The list beside the sheet says how they are to look.`;
/** What Maren mended after it went out: the list asks for eight. */
export const windowMended = plain(taskFor('eight'));

export const windowSheet = (): Sheet =>
  sheet({
    title: 'A window of coloured glass',
    pages: [
      page({
        id: 'page1',
        items: [
          text({
            id: 'title',
            role: 'title',
            x: 40,
            y: 28,
            width: 712,
            height: 46,
            body: plain('A window of coloured glass'),
          }),
          text({
            id: 'task',
            role: 'instruction',
            x: 40,
            y: 78,
            width: 712,
            height: 40,
            body: plain(taskFor('seven')),
          }),
          shape({ id: 'frame', touch: 'fixed', x: 40, y: 124, width: 712, height: 456, fill: null }),
        ],
      }),
    ],
  });

/** Each is a sentence of the builder, as a teacher sets it. */
export function windowLookFors(made: Sheet): LookFor[] {
  const things = (id: string, settings: object): LookFor =>
    titled(
      { ...lookFor({ kind: 'items', id, item: 'shape', min: 1, made: false, ...settings }), title: '…', follows: true },
      made,
    );
  return [
    things('lead', { how: 'every', min: 8, each: [{ is: 'stands-out', least: '3' }] }),
    things('thick', { how: 'every', min: 8, each: [{ is: 'weight', least: 2 }] }),
    things('fills', { min: 5, together: [{ is: 'different', in: 'fill' }] }),
    things('hollow', { min: 2, each: [{ is: 'hollow' }] }),
    things('clear', { each: [{ is: 'see-through' }] }),
    things('blend', { each: [{ is: 'gradient' }] }),
    things('turned', { each: [{ is: 'rotated' }] }),
    things('star', { shape: 'star' }),
    things('inside', { how: 'every', min: 8, each: [{ is: 'inside', area: 'frame' }] }),
    things('group', { how: 'every', min: 8, together: [{ is: 'group' }] }),
    things('few', { how: 'most', min: 14 }),
    things('signed', { item: 'text', each: [{ is: 'named' }, { is: 'centred' }] }),
  ];
}

const LEAD = { colour: '#1d2b33', width: 3, dash: 'solid' as const };
const GLASS = [
  '#f0a07c',
  '#7fb0d8',
  '#e8c34a',
  '#9cc07f',
  '#d39bb4',
  '#bcdcec',
  '#f4e6c8',
  '#d98f8f',
  '#c9d86a',
  '#b9a5e0',
];
const KINDS: ShapeItem['shape'][] = ['rectangle', 'ellipse', 'triangle', 'star'];
const DAWN: Paint = {
  kind: 'linear',
  angle: 90,
  stops: [
    { offset: 0, colour: '#f6c26b', opacity: 1 },
    { offset: 1, colour: '#e8836b', opacity: 1 },
  ],
};

/** The panes of a window in two rows, before anybody changes them. */
const panes = (count: number, across = count > 8 ? 5 : 4): ShapeItem[] =>
  Array.from({ length: count }, (_, i) =>
    shape({
      id: `pane${i + 1}`,
      touch: 'free',
      shape: KINDS[i % KINDS.length],
      x: 72 + (640 / across) * (i % across),
      y: 150 + 150 * Math.floor(i / across),
      width: 520 / across,
      height: 120,
      angle: i === 3 ? 30 : 0,
      fill: i === 1 || i === 6 ? null : i === 4 ? DAWN : solid(GLASS[i % GLASS.length], i === 2 ? 0.5 : 1),
      outline: LEAD,
    }),
  );
const grouped = (items: Item[]): Item =>
  group({ id: 'window', touch: 'free', x: 0, y: 0, width: 792, height: 612, items });
const signed = (name: string): Item =>
  text({
    id: 'signed',
    touch: 'free',
    x: 270,
    y: 500,
    width: 252,
    height: 44,
    vertical: 'middle',
    outline: LEAD,
    body: [{ format: { align: 'centre' }, runs: [{ text: name, style: {} }] }],
  });

type Glazed = Omit<Answers, 'words' | 'adds'> & { adds: (name: string) => Item[] };
/** Windows that hold, nearly hold, miss, and one that has its shapes where nobody sees them. */
const WINDOWS: readonly Glazed[] = [
  {
    fate: 'done',
    ago: 70,
    adds: (name) => [grouped(panes(8)), signed(name)],
    note: ['signed', 'All twelve. It hangs in the hall!'],
  },
  // One outline is hardly darker than its pane.
  {
    fate: 'handed-in',
    ago: 9,
    adds: (name) => [
      grouped(panes(8).map((pane, i) => (i === 3 ? { ...pane, outline: { ...LEAD, colour: '#7d9e62' } } : pane))),
      signed(name),
    ],
  },
  { fate: 'under-way', ago: 3, adds: () => panes(3) },
  // Not grouped, and nobody signed it.
  {
    fate: 'another-go',
    ago: 30,
    adds: () => panes(8),
    note: ['pane1', 'Put all of it into one group, then sign your window.'],
  },
  // Five of its panes are nowhere to be seen.
  {
    fate: 'handed-in',
    ago: 8,
    adds: (name) => [
      grouped(panes(8).map((pane, i) => (i < 3 ? pane : i < 6 ? { ...pane, hidden: true } : { ...pane, x: 900 + i }))),
      signed(name),
    ],
  },
  { fate: 'not-begun', ago: 0, adds: () => [] },
  { fate: 'handed-in', ago: 7, adds: (name) => [grouped(panes(10)), signed(name.toLowerCase())] },
  { fate: 'under-way', ago: 2, adds: (name) => [grouped(panes(6)), signed(name)] },
  // All panes in one colour.
  {
    fate: 'handed-in',
    ago: 6,
    adds: (name) => [grouped(panes(8).map((pane) => ({ ...pane, fill: solid('#bcdcec') }))), signed(name)],
  },
];
export const windowPieces = (names: readonly string[]): Answers[] =>
  WINDOWS.map(({ adds, ...rest }, i) => ({ ...rest, words: {}, adds: adds(names[i] ?? '') }));
