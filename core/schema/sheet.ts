import { z } from 'zod';
import { SHAPES } from '../geometry/shapes/shapes';
import { MakerState } from './recipes/recipes';
import { MadeMark } from './made';
import {
  Body,
  Coordinate,
  FAR,
  Hex,
  Id,
  Length,
  Outline,
  Paint,
  ParagraphFormat,
  RunStyle,
  Shadow,
  Share,
} from '../values/primitives';

export * from '../values/primitives';

/**
 * The document: plain JSON. Lengths are points (1/72 in), y grows downwards, angles are degrees clockwise.
 * Every key is always present (absent means null), so that one `set` change can restore any state.
 * How many things and letters a sheet may hold is not asked here but of what is added (limits.ts): what is stored is read.
 */

export const SHEET_VERSION = 3;

/** A text role: complete settings that every box of the role starts from. */
export const Role = z.object({
  name: z.string().min(1).max(60),
  run: RunStyle.required(),
  paragraph: ParagraphFormat.required(),
});

const base = {
  id: Id,
  opacity: Share,
  locked: z.boolean(),
  hidden: z.boolean(),
  /** What a student may do with it: nothing, fill it in, or anything. */
  touch: z.enum(['fixed', 'fill', 'free']),
  role: z.string().max(40).nullable(),
  alt: z.string().max(1000),
  shadow: Shadow.nullable().default(null),
  /** Which part of what a maker made it is, and as what it was made; null for what was put down by hand. */
  made: MadeMark.nullable().default(null),
};
const frame = {
  x: Coordinate,
  y: Coordinate,
  width: Length,
  height: Length,
  angle: z.number().min(-360).max(360),
  flipX: z.boolean(),
  flipY: z.boolean(),
};
const writing = {
  padding: z.number().min(0).max(200),
  vertical: z.enum(['top', 'middle', 'bottom']),
};

/** Words drawn large: along a curve, with a fill and an outline of their own. They stay words. */
export const Lettering = z.strictObject({
  curve: z.enum(['straight', 'arch', 'circle', 'wave', 'slope']),
  /** How much, and which way round. */
  amount: z.number().min(-1).max(1),
  /** Painted across all letters together; null: each word keeps its colour. */
  fill: Paint.nullable(),
  /** Lies behind the letters, so that they keep their form. */
  outline: Outline.nullable(),
});
/** A backing behind the words alone, line by line. */
export const Plate = z.strictObject({
  colour: Hex,
  opacity: Share,
  /** How far it reaches beyond the words, in points, and the radius of its corners. */
  spread: z.number().min(0).max(60),
  corner: z.number().min(0).max(60),
});

export const TextItem = z.strictObject({
  kind: z.literal('text'),
  ...base,
  ...frame,
  ...writing,
  body: Body,
  /**
   * grow: the box is as high as its words; shrink: the words get smaller until they fit; keep: what is over is reported;
   * width: the longest line is made just as wide as the box; lines: each line is.
   */
  fit: z.enum(['grow', 'shrink', 'keep', 'width', 'lines']),
  /** The size in points below which words never shrink. */
  least: z.number().min(1).max(200).default(7),
  plate: Plate.nullable().default(null),
  lettering: Lettering.nullable().default(null),
  fill: Paint.nullable(),
  outline: Outline.nullable(),
  corner: z.number().min(0).max(500),
  /** Shown faintly while the box is empty; never printed. */
  prompt: z.string().max(200),
  /** Given out empty: its words are then the answer, and never leave the server towards a student. */
  blank: z.boolean(),
  /** Other words that count as right where it is blank; kept from students likewise. */
  also: z.array(z.string().min(1).max(200)).max(20),
});

export const ShapeItem = z.strictObject({
  kind: z.literal('shape'),
  ...base,
  ...frame,
  ...writing,
  shape: z.enum(SHAPES),
  /** The values of the shape's own handles; those that are missing are as the shape starts. The corners of a free figure. */
  adjust: z.preprocess((value) => (typeof value === 'number' ? [value] : value), z.array(Share).max(800)),
  fill: Paint.nullable(),
  outline: Outline.nullable(),
  body: Body,
});

export const SIDES = ['top', 'right', 'bottom', 'left'] as const;
export type Side = (typeof SIDES)[number];

/** Where a line ends: x, y in its parent's coordinates, and what it holds on to there. */
export const End = z.strictObject({
  x: Coordinate,
  y: Coordinate,
  /** The item it is attached to, or null when free. */
  item: Id.nullable(),
  /** A named target of a diagram, or null for the nearest point of the item's edge. */
  target: z.string().max(60).nullable(),
  /** The side of the item in whose middle it ends; null for the nearest point of its edge. */
  side: z.enum(SIDES).nullable().default(null),
});
export const CAPS = ['none', 'arrow', 'open', 'dot', 'ring', 'bar', 'square'] as const;
const Cap = z.enum(CAPS);
export const LineItem = z.strictObject({
  kind: z.literal('line'),
  ...base,
  from: End,
  to: End,
  route: z.enum(['straight', 'stepped', 'curved']),
  /** Where the step stands, or how much the curve bends. */
  bend: Share.default(0.5),
  /** Points that it is led through on its way, in its parent's coordinates. */
  via: z
    .array(z.strictObject({ x: Coordinate, y: Coordinate }))
    .max(60)
    .default([]),
  outline: Outline,
  /** A light edge on both sides, so that it is seen over dark pictures. */
  edge: Hex.nullable().default(null),
  startCap: Cap,
  endCap: Cap,
});

export const PictureItem = z.strictObject({
  kind: z.literal('picture'),
  ...base,
  ...frame,
  /** SET/NAME of a shipped picture. */
  picture: z.string().regex(/^[a-z]+\/[a-z0-9-]{1,80}$/),
  credit: z.string().max(300),
  /** In its colours, or as clean outlines to be coloured in. */
  form: z.enum(['colour', 'outline']).default('colour'),
  /** How far its colours are washed out towards white. */
  soften: Share.default(0),
  /** The height of its mirror image below, as a share of its own. */
  reflection: Share.default(0),
});

/** One stroke of the pen. */
export const InkItem = z.strictObject({
  kind: z.literal('ink'),
  ...base,
  ...frame,
  /** x, y as shares of the box and the pressure, one after the other. */
  points: z
    .array(z.number().min(-0.01).max(1.01))
    .min(3)
    .max(9000)
    .refine((list) => list.length % 3 === 0, 'three numbers a point'),
  colour: Hex,
  /** In points. */
  weight: z.number().min(0.3).max(120),
});

export type GroupItem = z.infer<typeof groupShell> & { items: Item[] };
const groupShell = z.strictObject({
  kind: z.literal('group'),
  ...base,
  ...frame,
  /** What its parts were made from, where a maker made them. */
  maker: MakerState.nullable().default(null),
});
export const GroupItem: z.ZodType<GroupItem> = groupShell.extend({
  /** In the group's own coordinates, front to back. */
  get items() {
    return z.array(Item);
  },
});

export type TextItem = z.infer<typeof TextItem>;
export type ShapeItem = z.infer<typeof ShapeItem>;
export type LineItem = z.infer<typeof LineItem>;
export type PictureItem = z.infer<typeof PictureItem>;
export type InkItem = z.infer<typeof InkItem>;
export type Item = TextItem | ShapeItem | LineItem | PictureItem | InkItem | GroupItem;
export type FramedItem = Exclude<Item, LineItem>;
export type WrittenItem = TextItem | ShapeItem;

/** A table by kind: adding a kind is adding a schema and a row; the compiler points at the rest. */
export const ITEM_SCHEMAS: { [K in Item['kind']]: z.ZodType<Extract<Item, { kind: K }>> } = {
  text: TextItem,
  shape: ShapeItem,
  line: LineItem,
  picture: PictureItem,
  ink: InkItem,
  group: GroupItem,
};
export const Item: z.ZodType<Item> = z.lazy(() => EveryItem);
const EveryItem = z.discriminatedUnion('kind', [
  TextItem,
  ShapeItem,
  LineItem,
  PictureItem,
  InkItem,
  GroupItem as z.ZodType<GroupItem> & typeof groupShell,
]) as z.ZodType<Item>;

export const Page = z.strictObject({
  id: Id,
  width: z.number().min(36).max(FAR),
  height: z.number().min(36).max(FAR),
  /** The edge that home printers leave white, in points. */
  margin: z.number().min(0).max(360),
  background: Paint.nullable(),
  /** Lines of one's own that things are drawn to: never printed. */
  guides: z
    .array(z.strictObject({ axis: z.enum(['x', 'y']), at: Coordinate }))
    .max(60)
    .default([]),
  /** The mesh of the grid in points, 0 for none. */
  grid: z.number().min(0).max(720).default(0),
  /** Front to back: the first lies on top. */
  items: z.array(Item),
});

export const Sheet = z.strictObject({
  version: z.literal(SHEET_VERSION),
  title: z.string().max(200),
  /** The unit that lengths are shown in. */
  unit: z.enum(['in', 'mm', 'px']),
  palette: z.array(Hex).max(24),
  roles: z.record(z.string().max(40), Role),
  /** Words that count as spelt right on this sheet. */
  ownWords: z.array(z.string().min(1).max(60)).max(500).default([]),
  pages: z.array(Page).min(1),
});

export type Plate = z.infer<typeof Plate>;
export type Lettering = z.infer<typeof Lettering>;
export type Cap = z.infer<typeof Cap>;
export type Role = z.infer<typeof Role>;
export type End = z.infer<typeof End>;
export type Page = z.infer<typeof Page>;
export type Sheet = z.infer<typeof Sheet>;
export type Touch = Item['touch'];

export const isFramed = (item: Item): item is FramedItem => item.kind !== 'line';
export const isWritten = (item: Item): item is WrittenItem => item.kind === 'text' || item.kind === 'shape';

/** Steps from one version of the document to the next, by the version they start from. */
const UPGRADES: Record<number, (old: Record<string, unknown>) => Record<string, unknown>> = {
  // What version 2 added has defaults in the schema, so that changes logged before it can be read as well.
  1: (old) => ({ ...old, version: 2 }),
  // So has what version 3 added: makers, and lines led around things.
  2: (old) => ({ ...old, version: 3 }),
};

/** A stored or sent document that this program can't use; the message says what to do. */
export class SheetProblem extends Error {
  override name = 'SheetProblem';
}

/** Groups that lie deeper than this are taken apart on reading: a program before could lay them so deep that none could read them. */
const DEEPEST = 40;

/** A sheet whose groups lie at most so deep; what was in deeper ones stands in the last that is kept. Not recursive, on purpose. */
function flattened(data: Record<string, unknown>): Record<string, unknown> {
  type Raw = { kind?: unknown; items?: unknown };
  const partsOf = (raw: Raw | null): Raw[] | null => (raw && Array.isArray(raw.items) ? (raw.items as Raw[]) : null);
  const pages = Array.isArray(data.pages) ? (data.pages as Raw[]) : [];
  let level = pages.flatMap((page) => partsOf(page) ?? []);
  for (let depth = 1; depth < DEEPEST && level.length > 0; depth++) level = level.flatMap((raw) => partsOf(raw) ?? []);
  for (const deepest of level) {
    if (!partsOf(deepest)) continue;
    const kept: Raw[] = [];
    const left = [...partsOf(deepest)!];
    for (let raw = left.shift(); raw !== undefined; raw = left.shift()) {
      const inner = partsOf(raw);
      if (inner) left.unshift(...inner);
      else kept.push(raw);
    }
    deepest.items = kept;
  }
  return data;
}

/**
 * Reads a sheet from JSON, brought up to the current version.
 * @throws SheetProblem when it is none, or was made by a newer program.
 */
export function readSheet(json: unknown): Sheet {
  let data = json as Record<string, unknown>;
  if (!data || typeof data !== 'object' || typeof data.version !== 'number')
    throw new SheetProblem('This is not a sheet: it carries no version.');
  if (data.version > SHEET_VERSION)
    throw new SheetProblem('This sheet was made by a newer version of Dappled Margin. Update the program to open it.');
  while ((data.version as number) < SHEET_VERSION) {
    const step = UPGRADES[data.version as number];
    if (!step) throw new SheetProblem(`There is no way from sheet version ${data.version} to ${SHEET_VERSION}.`);
    data = step(data);
  }
  const read = Sheet.safeParse(flattened(data));
  if (!read.success) {
    const [issue] = read.error.issues;
    throw new SheetProblem(`This sheet is damaged at ${issue.path.join('.') || 'its root'}: ${issue.message}.`);
  }
  return read.data;
}
