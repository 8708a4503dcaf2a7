import type {
  TextBody,
  GroupItem,
  InkItem,
  Item,
  LineItem,
  Page,
  Paint,
  PictureItem,
  TextRole,
  ShapeItem,
  Sheet,
  TextItem,
} from './sheet';
import { SHEET_VERSION } from './sheet';

/** Makers of items with the defaults filled in: give what differs. Lengths in points. */

type Given<T extends Item> = Partial<Omit<T, 'kind'>> & { id: string };

/** Colours that things have before somebody chooses any. */
export const DRAWN = {
  ink: '#2a2820',
  line: '#5b5646',
  edge: '#6b6450',
  paper: '#fffdf6',
  sheet: '#fffefa',
  bank: '#e6edd9',
  fill: '#7f9d63',
  pen: '#2c5d86',
  grey: '#8c8c8c',
} as const;

const base = {
  opacity: 1,
  locked: false,
  hidden: false,
  touch: 'fixed' as const,
  role: null,
  alt: '',
  shadow: null,
  made: null,
};
const frame = { x: 0, y: 0, width: 100, height: 60, angle: 0, flipX: false, flipY: false };

export const solid = (colour: string, opacity = 1): Paint => ({ kind: 'solid', colour, opacity });

/** A body of plain paragraphs, one per line of the text. */
export const plain = (text: string): TextBody =>
  text.split('\n').map((line) => ({ format: {}, runs: line ? [{ text: line, style: {} }] : [] }));

export const text = (given: Given<TextItem>): TextItem => ({
  kind: 'text',
  ...base,
  ...frame,
  padding: 4,
  vertical: 'top',
  body: plain(''),
  fit: 'grow',
  least: 7,
  plate: null,
  lettering: null,
  fill: null,
  outline: null,
  corner: 0,
  prompt: '',
  blank: false,
  also: [],
  follows: null,
  ...given,
  role: given.role ?? 'body',
});

export const shape = (given: Given<ShapeItem>): ShapeItem => ({
  kind: 'shape',
  ...base,
  ...frame,
  padding: 4,
  vertical: 'middle',
  shape: 'rectangle',
  adjust: [],
  fill: solid('#dfe8d0'),
  outline: { colour: '#4a6b35', width: 1.5, dash: 'solid' },
  body: plain(''),
  ...given,
});

export const free = (x: number, y: number) => ({ x, y, item: null, target: null, side: null });
/** The end of a line that holds on to an item; x, y are where it stands when that is gone. */
export const held = (item: string, target: string | null = null, x = 0, y = 0) => ({ x, y, item, target, side: null });
/** What leaders are seen by over dark pictures. */
export const LIGHT_EDGE = '#ffffff';

export const line = (given: Given<LineItem>): LineItem => ({
  kind: 'line',
  ...base,
  from: free(0, 0),
  to: free(100, 0),
  route: 'straight',
  bend: 0.5,
  via: [],
  outline: { colour: DRAWN.line, width: 1.25, dash: 'solid' },
  edge: null,
  startCap: 'none',
  endCap: 'none',
  ...given,
});

export const picture = (given: Given<PictureItem> & { picture: string }): PictureItem => ({
  kind: 'picture',
  ...base,
  ...frame,
  credit: '',
  form: 'colour',
  soften: 0,
  reflection: 0,
  crop: null,
  cut: null,
  colours: {},
  tone: null,
  clearing: null,
  patches: [],
  ...given,
});

export const ink = (given: Given<InkItem> & { points: number[] }): InkItem => ({
  kind: 'ink',
  ...base,
  ...frame,
  colour: DRAWN.pen,
  weight: 3,
  ...given,
});

export const group = (given: Given<GroupItem> & { items: Item[] }): GroupItem => ({
  kind: 'group',
  ...base,
  ...frame,
  maker: null,
  ...given,
});

const role = (
  name: string,
  run: Partial<TextRole['run']>,
  paragraph: Partial<TextRole['paragraph']> = {},
): TextRole => ({
  name,
  run: {
    font: 'andika',
    size: 14,
    bold: false,
    italic: false,
    underline: false,
    colour: DRAWN.ink,
    letterSpacing: 0,
    ...run,
  },
  paragraph: { align: 'left', list: 'none', level: 0, lineSpacing: 1, before: 0, ...paragraph },
});

export const defaultRoles = (): Record<string, TextRole> => ({
  title: role('Title', { font: 'fraunces', size: 30, bold: true, colour: '#2f4d26' }),
  heading: role('Heading', { font: 'fraunces', size: 18, bold: true, colour: '#2f4d26' }),
  body: role('Body', {}),
  label: role('Label', { size: 13 }, { align: 'centre' }),
  caption: role('Caption', { size: 11, colour: '#5b5646' }),
  quote: role('Quote', { font: 'gentium', italic: true, size: 15 }),
  instruction: role('Instruction', { size: 13, colour: '#5b5646' }),
  name: role('Name line', { size: 13 }),
  bank: role('Word bank', { size: 13 }, { align: 'centre' }),
});

/** The order in which roles are shown; JSON keeps none. Own roles come last. */
const ROLE_ORDER = ['title', 'heading', 'body', 'caption', 'quote', 'instruction', 'name', 'label', 'bank'];
export const roleIds = (roles: Record<string, TextRole>): string[] =>
  Object.keys(roles).sort(
    (a, b) => (ROLE_ORDER.indexOf(a) + 1 || 99) - (ROLE_ORDER.indexOf(b) + 1 || 99) || a.localeCompare(b),
  );

export const DEFAULT_PALETTE = [
  '#2a2820',
  '#2f4d26',
  '#7f9d63',
  '#dfe8d0',
  '#c8632e',
  '#fbe3d3',
  '#2c5d86',
  '#cfdfec',
  '#b98f45',
  '#fffdf6',
];

export const page = (given: Partial<Page> & { id: string }): Page => ({
  width: 792,
  height: 612,
  margin: 24,
  background: solid('#fffefa'),
  guides: [],
  grid: 0,
  brought: null,
  items: [],
  ...given,
});

export const sheet = (given: Partial<Sheet> & { title: string }): Sheet => ({
  version: SHEET_VERSION,
  unit: 'in',
  palette: [...DEFAULT_PALETTE],
  roles: defaultRoles(),
  ownWords: [],
  pages: [page({ id: 'page1' })],
  ...given,
});
