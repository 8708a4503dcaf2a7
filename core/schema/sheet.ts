import { z } from 'zod';
import { Coordinate, FAR, Hex, Id, Paint, ParagraphFormat, RunStyle } from '../values/primitives';
import { Item } from './items/all';

export * from '../values/primitives';
export * from './items/all';
export * from './items/ink';
export * from './items/line';
export * from './items/picture';
export * from './items/shape';
export * from './items/text';

/**
 * The document: plain JSON. Lengths are points (1/72 in), y grows downwards, angles are degrees clockwise.
 * Every key is always present (absent means null), so that one `set` change can restore any state.
 * How many things and letters a sheet may hold is not asked here but of what is added (limits.ts): what is stored is read.
 */

export const SHEET_VERSION = 3;

/** A text role: complete settings that every box of the role starts from. */
export const TextRole = z.object({
  name: z.string().min(1).max(60),
  run: RunStyle.omit({ script: true }).required(),
  paragraph: ParagraphFormat.required(),
});

/** A page made elsewhere: one page of a file that a student handed in with the copy. */
export const Brought = z.strictObject({
  /** The item that shows it, which fills the page. */
  picture: Id,
  /** The file as it was handed in, and its name. */
  file: Id,
  name: z.string().min(1).max(200),
  /** Which of its pages this is. */
  number: z.number().int().min(1),
  of: z.number().int().min(1),
});

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
  /** Null for a page that was designed here. */
  brought: Brought.nullable().default(null),
  /** Front to back: the first lies on top. */
  items: z.array(Item),
});

export const Sheet = z.strictObject({
  version: z.literal(SHEET_VERSION),
  title: z.string().max(200),
  /** The unit that lengths are shown in. */
  unit: z.enum(['in', 'mm', 'px']),
  palette: z.array(Hex).max(24),
  roles: z.record(z.string().max(40), TextRole),
  /** Words that count as spelt right on this sheet. */
  ownWords: z.array(z.string().min(1).max(60)).max(500).default([]),
  pages: z.array(Page).min(1),
});

export type TextRole = z.infer<typeof TextRole>;
export type Brought = z.infer<typeof Brought>;
export type Page = z.infer<typeof Page>;
export type Sheet = z.infer<typeof Sheet>;
