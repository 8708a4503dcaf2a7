import { z } from 'zod';
import { Hex, Id, Outline } from '../../values/primitives';
import type { RecipeKind } from './kind';

/** What a table is made from: rows and columns with names of their own, words of cells, and looks by cell, row, column or whole. */

export const MOST_TABLE_ROWS = 200;
export const MOST_TABLE_COLUMNS = 20;
const LineId = Id.max(8);

export const CellLook = z.strictObject({
  fill: Hex.nullable().optional(),
  edge: Outline.nullable().optional(),
  align: z.enum(['left', 'centre', 'right']).optional(),
  bold: z.boolean().optional(),
  colour: Hex.optional(),
  /** Students write here: it is given out empty. */
  write: z.boolean().optional(),
});
export const Cell = z.strictObject({
  words: z.string().max(2000),
  /** How many columns and rows it takes. */
  across: z.number().int().min(1).max(MOST_TABLE_COLUMNS).default(1),
  down: z.number().int().min(1).max(MOST_TABLE_ROWS).default(1),
});
/** Settings by the names of rows, of columns, or of both with a space between. */
const named = <T extends z.ZodType>(value: T) =>
  z.record(z.string().regex(/^[A-Za-z0-9_-]{1,8}( [A-Za-z0-9_-]{1,8})?$/), value);

export const TableRecipe = z.strictObject({
  rows: z.array(LineId).min(1).max(MOST_TABLE_ROWS),
  columns: z
    .array(z.strictObject({ id: LineId, share: z.number().min(0.02).max(50) }))
    .min(1)
    .max(MOST_TABLE_COLUMNS),
  cells: named(Cell),
  look: z.strictObject({
    all: CellLook,
    rows: named(CellLook),
    columns: named(CellLook),
    cells: named(CellLook),
  }),
  /** The first row, or the first column, says what the others hold. */
  header: z.boolean(),
  side: z.boolean(),
  banding: z.enum(['none', 'rows', 'columns']),
  widths: z.enum(['equal', 'content', 'own']),
  band: Hex,
  head: Hex,
  ink: Hex,
  face: z.string().max(40),
  /** The size of words in points. */
  size: z.number().min(5).max(120),
  /** One of several parts of a table that is longer than a page; null for a whole one. */
  part: z
    .strictObject({
      /** The group that it goes on from; null for the first part. */
      after: Id.nullable(),
      /** Rows that are repeated from the first part. */
      repeated: z.array(LineId).max(MOST_TABLE_ROWS),
    })
    .nullable()
    .default(null),
});

export type CellLook = z.infer<typeof CellLook>;
export type Cell = z.infer<typeof Cell>;
export type TableRecipe = z.infer<typeof TableRecipe>;
export const cellKey = (row: string, column: string) => `${row} ${column}`;
export const noCell: Cell = { words: '', across: 1, down: 1 };

export const TABLE: RecipeKind<'table', typeof TableRecipe> = {
  kind: 'table',
  name: 'table',
  recipe: TableRecipe,
  followsParts: true,
};
