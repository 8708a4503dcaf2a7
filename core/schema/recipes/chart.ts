import { z } from 'zod';
import { Hex, Id } from '../../values/primitives';
import type { RecipeKind } from './kind';

/** Larger tables belong into a spreadsheet. */
export const MOST_ROWS = 200;
export const MOST_COLUMNS = 12;
export const LONGEST_CELL = 120;

/** What a chart is made from: a table, and how it is shown. */

export const CHART_KINDS = [
  'bar',
  'grouped',
  'stacked',
  'line',
  'dots',
  'area',
  'pie',
  'ring',
  'pictogram',
  'numberline',
  'timeline',
  'sets2',
  'sets3',
] as const;
export type ChartKind = (typeof CHART_KINDS)[number];

/** Whether students get the chart whole, write its numbers, or draw it themselves. */
export const TASKS = ['shown', 'read', 'make'] as const;
export const VALUES = ['off', 'axis', 'direct', 'both'] as const;

const Cell = z.string().max(LONGEST_CELL);
export const DataTable = z.strictObject({
  /** Charts of one sheet whose tables have the same identity share them. */
  id: Id.max(16),
  head: z.array(Cell).min(1).max(MOST_COLUMNS),
  rows: z.array(z.array(Cell).max(MOST_COLUMNS)).max(MOST_ROWS),
  /** Which comes first in dates such as 4/5/2024, where they do not tell themselves. */
  dates: z.enum(['day', 'month']).optional(),
});

export const ChartRecipe = z.strictObject({
  kind: z.enum(CHART_KINDS),
  table: DataTable,
  title: z.string().max(120),
  /** Numbers at an axis, at what is drawn, at both, or not at all. */
  values: z.enum(VALUES),
  task: z.enum(TASKS),
  /** Bars lie instead of standing. */
  lying: z.boolean(),
  /** What a pictogram is drawn with, SET/NAME, and how many one of it stands for; 0 to choose. */
  picture: z.string().max(90),
  each: z.number().min(0).max(1_000_000),
  colours: z.array(Hex).min(1).max(10),
  ink: Hex,
  face: z.string().max(40),
  /** The size of words in points. */
  size: z.number().min(5).max(120),
});

export type DataTable = z.infer<typeof DataTable>;
export type ChartRecipe = z.infer<typeof ChartRecipe>;

export const CHART: RecipeKind<'chart', typeof ChartRecipe> = {
  kind: 'chart',
  name: 'chart',
  recipe: ChartRecipe,
};
