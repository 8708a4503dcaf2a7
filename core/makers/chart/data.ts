import { stack } from 'd3-shape';
import { markOf, numberIn } from '../../formats/cell-numbers';
import type { ChartKind, DataTable } from '../../schema/recipes/chart';
import type { DateOrder } from './times';
import { isNumbered, orderOf, timeOf } from './times';

/** What the columns of a table hold, and which charts they can feed. */

/** What kinds are called. */
export const KIND_NAMES: Record<ChartKind, string> = {
  bar: 'bars',
  grouped: 'bars side by side',
  stacked: 'stacked bars',
  line: 'a line',
  dots: 'dots',
  area: 'an area',
  pie: 'a pie',
  ring: 'a ring',
  pictogram: 'a pictogram',
  numberline: 'a number line',
  timeline: 'a timeline',
  sets2: 'two circles',
  sets3: 'three circles',
};

export type Column = {
  /** Which column of the table it is. */
  at: number;
  head: string;
  cells: string[];
  kind: 'numbers' | 'times' | 'words' | 'empty';
  /** One for each row; null where there is none. */
  numbers: (number | null)[];
  /** Where on a line of time each row lies, in years; null where it is no time. */
  times: (number | null)[];
  /** Whether its times are said without their years. */
  yearless: boolean;
  /** Dates such as 4/5/2024 that can be read in two ways, and how they are read here; null where there is no doubt. */
  doubtful: DateOrder | null;
  mark: '.' | ',';
};

export function columnOf(table: Pick<DataTable, 'head' | 'rows' | 'dates'>, at: number): Column {
  const cells = table.rows.map((row) => (row[at] ?? '').trim());
  const filled = cells.filter(Boolean);
  const mark = markOf(filled);
  const numbers = cells.map((cell) => (cell ? numberIn(cell, mark) : null));
  const told = orderOf(filled);
  const order = told ?? table.dates ?? 'day';
  const read = cells.map((cell) => (cell ? timeOf(cell, order) : null));
  const times = read.map((time) => time?.at ?? null);
  const count = (list: readonly (number | null)[]) => list.filter((value) => value !== null).length;
  const half = filled.length / 2;
  const kind =
    filled.length === 0
      ? 'empty'
      : count(numbers) >= half && count(numbers) >= count(times)
        ? 'numbers'
        : count(times) >= half
          ? 'times'
          : 'words';
  const head = table.head[at].trim() || `column ${at + 1}`;
  const yearless = read.some((time) => time?.yearless) && read.every((time) => !time || time.yearless);
  const doubtful = kind === 'times' && told === null && isNumbered(filled) ? order : null;
  return { at, head, cells, kind, numbers, times, yearless, doubtful, mark };
}

export type Data = {
  /** All columns that hold anything. */
  columns: Column[];
  /** What each row is called. */
  label: Column | null;
  /** The columns of numbers, without the one that rows are called by. */
  series: Column[];
};

/** Reads a table. The first column names the rows if others hold numbers; otherwise the first column of words does. */
export function dataOf(table: DataTable): Data {
  const columns = table.head.map((_, at) => columnOf(table, at)).filter(({ kind }) => kind !== 'empty');
  const numeric = columns.filter(({ kind }) => kind === 'numbers');
  const first = columns[0] as Column | undefined;
  const words = columns.find(({ kind }) => kind === 'words');
  const label =
    first && (first.kind !== 'numbers' || (numeric.length > 1 && !words))
      ? first
      : (words ?? (numeric.length > 1 ? first : undefined));
  return { columns, label: label ?? null, series: numeric.filter((column) => column !== label) };
}

const few = (count: number) => ['none', 'one', 'two', 'three'][count] ?? `${count}`;
const negative = (columns: readonly Column[]) =>
  columns.find(({ numbers }) => numbers.some((value) => value !== null && value < 0));
const ofWords = ({ columns }: Data) => columns.filter(({ kind }) => kind === 'words');

/** Slices beyond these can't be told apart. */
const MOST_SLICES = 12;

/** What each kind needs: null where the table can feed it, else a sentence that says what is missing. */
const NEEDS: Record<ChartKind, (data: Data) => string | null> = {
  bar: ({ series }) => (series.length > 0 ? null : 'Bars need a column of numbers; there is none.'),
  grouped: ({ series }) =>
    series.length > 1 ? null : `Bars side by side need two columns of numbers; there is ${few(series.length)}.`,
  stacked: ({ series }) => {
    if (series.length < 2) return `Stacked bars need two columns of numbers; there is ${few(series.length)}.`;
    const below = negative(series);
    return below ? `Stacked bars can’t show numbers below zero, as in “${below.head}”.` : null;
  },
  line: ({ series, columns }) =>
    series.length === 0
      ? 'A line needs a column of numbers; there is none.'
      : (columns[0]?.cells.length ?? 0) < 2
        ? 'A line needs at least two rows.'
        : null,
  dots: ({ columns }) => {
    const count = columns.filter(({ kind }) => kind === 'numbers').length;
    return count > 1 ? null : `Dots need two columns of numbers, one across and one up; there is ${few(count)}.`;
  },
  area: (data) => {
    const line = NEEDS.line(data);
    if (line) return line.replace('A line needs', 'Areas need');
    const below = negative(data.series);
    return below ? `Areas can’t show numbers below zero, as in “${below.head}”.` : null;
  },
  pie: (data) => parts(data, 'A pie'),
  ring: (data) => parts(data, 'A ring'),
  pictogram: ({ series }) => {
    if (series.length === 0) return 'A pictogram needs a column of numbers; there is none.';
    return negative(series.slice(0, 1)) ? `Pictures can’t show numbers below zero, as in “${series[0].head}”.` : null;
  },
  numberline: ({ columns }) =>
    columns.some(({ kind }) => kind === 'numbers') ? null : 'A number line needs a column of numbers; there is none.',
  timeline: ({ columns }) => (timesOf(columns) ? null : 'A timeline needs a column of years or dates; there is none.'),
  sets2: (data) => sets(data, 2),
  sets3: (data) => sets(data, 3),
};

function parts({ series }: Data, what: string): string | null {
  if (series.length === 0) return `${what} needs a column of numbers; there is none.`;
  const [{ head, numbers }] = series;
  if (negative(series.slice(0, 1))) return `${what} shows parts of a whole: “${head}” holds a number below zero.`;
  const filled = numbers.filter((value) => value !== null && value > 0);
  if (filled.length === 0) return `${what} needs a number above zero in “${head}”.`;
  return filled.length > MOST_SLICES
    ? `${what} of ${filled.length} parts can’t be read: ${MOST_SLICES} are the most.`
    : null;
}

const sets = (data: Data, count: number): string | null => {
  const found = ofWords(data).length;
  return found >= count
    ? null
    : `${count === 2 ? 'Two' : 'Three'} circles need ${count === 2 ? 'two' : 'three'} columns of words, a set in each; there is ${few(found)}.`;
};

/** What a column of years is called. */
const WHEN = /\b(year|years|when|date|time|born|died|founded|since)\b/i;
/** Whole numbers that may be years: said to be, or as large as years are. */
export const areYears = ({ kind, numbers, head }: Column): boolean =>
  kind === 'numbers' &&
  numbers.every((value) => value === null || (Number.isInteger(value) && Math.abs(value) < 10_000)) &&
  (WHEN.test(head) || numbers.every((value) => value === null || Math.abs(value) >= 100));

/** The column that tells when: one of times, or of whole numbers that may be years. */
export const timesOf = (columns: readonly Column[]): Column | null =>
  columns.find(({ kind }) => kind === 'times') ??
  columns.find((column) => areYears(column) && WHEN.test(column.head)) ??
  columns.find(areYears) ??
  null;

/** The kinds that come nearest to one that a table can't feed. */
const NEAR: Record<ChartKind, ChartKind[]> = {
  bar: ['pictogram', 'numberline', 'timeline', 'sets2'],
  grouped: ['bar', 'pictogram', 'sets2'],
  stacked: ['grouped', 'bar', 'sets2'],
  line: ['bar', 'numberline', 'timeline', 'sets2'],
  dots: ['line', 'bar', 'numberline', 'sets2'],
  area: ['line', 'bar', 'sets2'],
  pie: ['bar', 'ring', 'sets2'],
  ring: ['bar', 'pie', 'sets2'],
  pictogram: ['bar', 'sets2'],
  numberline: ['timeline', 'bar', 'sets2'],
  timeline: ['numberline', 'bar', 'sets2'],
  sets2: ['bar', 'timeline', 'numberline'],
  sets3: ['sets2', 'bar', 'timeline'],
};

/** Why a table can't feed a kind; null if it can. */
export const whyNot = (kind: ChartKind, data: Data): string | null => NEEDS[kind](data);

/** The kind itself if the table can feed it, else the nearest that it can; null if it can feed none. */
export function nearestKind(kind: ChartKind, data: Data): ChartKind | null {
  if (whyNot(kind, data) === null) return kind;
  return NEAR[kind].find((other) => whyNot(other, data) === null) ?? null;
}

/** The rows for which any of some columns has a number. */
export const rowsOf = (series: readonly Column[]): number[] =>
  series[0].numbers.flatMap((_, row) => (series.some(({ numbers }) => numbers[row] !== null) ? [row] : []));

/** What rows are called; those without a name by their number. */
export const namesOf = (label: Column | null, rows: readonly number[]): string[] =>
  rows.map((row) => label?.cells[row] || `${row + 1}`);

/** Series on each other: for each, and each of the rows in it, from where to where it reaches. */
export function layersOf(series: readonly Column[], rows: readonly number[]): [low: number, high: number][][] {
  const table = rows.map((row) => series.map(({ numbers }) => numbers[row] ?? 0));
  return stack<number[], number>()
    .keys(series.keys())
    .value((row, key) => row[key])(table)
    .map((layer) => layer.map(([low, high]): [number, number] => [low, high]));
}

/** Cells of columns of numbers that hold none. */
export function straysIn({ series, columns }: Data): { row: number; column: Column }[] {
  const numeric = columns.filter(({ kind }) => kind === 'numbers');
  return [...new Set([...series, ...numeric])].flatMap((column) =>
    column.cells.flatMap((cell, row) => (cell && column.numbers[row] === null ? [{ row, column }] : [])),
  );
}

/** What a person is told of dates that can be read in two ways. */
export const doubts = ({ columns }: Data): string[] =>
  columns.flatMap(({ head, doubtful }) =>
    doubtful === null
      ? []
      : [
          `The dates of “${head}” are read with the ${doubtful} first. If the ${doubtful === 'day' ? 'month' : 'day'} comes first, say so below the table.`,
        ],
  );

/** What a person is told of them. */
export const strays = (data: Data): string[] =>
  straysIn(data).map(
    ({ row, column: { head, cells } }) =>
      `“${cells[row]}” in row ${row + 1} of “${head}” is not a number. It is left out until it is.`,
  );
