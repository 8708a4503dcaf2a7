import { z } from 'zod';
import { matches, normalised, SPELLING } from '../language/spelling';
import type { Column } from '../makers/chart/data';
import { dataOf, KIND_NAMES, nearestKind, timesOf } from '../makers/chart/data';
import { CHART_KINDS } from '../schema/recipes/chart';
import type { ChartKind, ChartRecipe } from '../schema/recipes/chart';
import type { GroupItem, Sheet } from '../schema/sheet';
import { everyItem, find } from '../sheet/tree';
import { Id } from '../values/primitives';
import type { Context, Counted, Evidence, LookForKind } from './kind';
import { keyedBase, rightIn } from './kind';
import { isSeen } from './seen';
import { spellingSlot } from './spelling-slot';
import { withSwaps } from './swaps';

/** A chart that students make, against a teacher's that is an answer key: its kind, its axes and every value. */

const Word = z.string().max(120);
const Cell = z.strictObject({ row: Word, column: Word, value: Word });
type Cell = z.infer<typeof Cell>;
const MOST_CELLS = 600;

const ChartLookFor = z.strictObject({
  kind: z.literal('chart'),
  ...keyedBase,
  /** The teacher's chart. */
  from: Id,
  /** Whether its kind is told, has to be found, or does not matter. */
  which: z.enum(['told', 'found', 'any']),
  /** Whether what the axes show has to be named, and whether the chart needs a title. */
  axes: z.boolean(),
  titled: z.boolean(),
  spelling: z.enum(SPELLING),
  /** The key. Never sent to a student. */
  chart: z.enum(CHART_KINDS),
  heads: z.array(Word).max(14),
  cells: z.array(Cell).min(1).max(MOST_CELLS),
  /** Kinds in which the same values may be shown as well: those of other keys on the sheet. */
  also: z.array(z.enum(CHART_KINDS)).max(CHART_KINDS.length),
});
export type ChartLookFor = z.infer<typeof ChartLookFor>;
type Shown = Pick<ChartLookFor, 'chart' | 'heads' | 'cells'>;

/** Kinds that show one column of numbers, whatever else the table holds. */
const ONE_COLUMN = new Set<ChartKind>(['bar', 'pie', 'ring', 'pictogram', 'numberline']);

/** What rows are called by, and what is drawn of them. */
function drawn(kind: ChartKind, { columns, label, series }: ReturnType<typeof dataOf>): [Column | null, Column[]] {
  if (kind === 'dots') {
    const [across, up] = columns.filter((column) => column.kind === 'numbers');
    return [across, [up]];
  }
  if (kind === 'timeline') {
    const when = timesOf(columns)!;
    return [columns.find((column) => column.kind === 'words') ?? null, [when]];
  }
  return [label, ONE_COLUMN.has(kind) ? series.slice(0, 1) : series];
}

/** A cell in comparable form: numbers without what countries write differently. */
const plain = ({ cells, numbers }: Column, row: number): string =>
  numbers[row] === null ? cells[row] : String(numbers[row]);
const nameOf = ({ head, at }: Column) => (head === `column ${at + 1}` ? '' : head);

/** What a chart shows; null where its table feeds none. */
export function shownBy(recipe: Pick<ChartRecipe, 'kind' | 'table'>): Shown | null {
  const data = dataOf(recipe.table);
  const chart = nearestKind(recipe.kind, data);
  if (chart === null) return null;
  if (chart === 'sets2' || chart === 'sets3') {
    const sets = data.columns.filter(({ kind }) => kind === 'words').slice(0, chart === 'sets2' ? 2 : 3);
    const cells = sets.flatMap((set) =>
      [...new Map(set.cells.filter(Boolean).map((word) => [word.toLowerCase(), word])).values()].map((word) => ({
        row: word,
        column: set.head,
        value: 'in',
      })),
    );
    return { chart, heads: sets.map(nameOf), cells };
  }
  const [label, series] = drawn(chart, data);
  const rows = Array.from({ length: series[0].cells.length }, (_, row) => row);
  const cells = rows.flatMap((row) =>
    series.flatMap((column): Cell[] => {
      const value = plain(column, row);
      if (value === '') return [];
      // Without a name of its own, a row is known by what it shows.
      return [{ row: label ? plain(label, row) : value, column: column.head, value: label ? value : 'in' }];
    }),
  );
  return { chart, heads: [...(label ? [label] : []), ...series].map(nameOf), cells };
}

type ChartGroup = { group: GroupItem; recipe: ChartRecipe };
const chartsOn = (sheet: Sheet): ChartGroup[] =>
  everyItem(sheet).flatMap((item) =>
    item.kind === 'group' && item.maker?.kind === 'chart' ? [{ group: item, recipe: item.maker.recipe }] : [],
  );
const isKey = (sheet: Sheet, { id, role }: GroupItem) =>
  role === 'key' || find(sheet, id)!.groups.some((group) => group.role === 'key');

/** The keys of a sheet: one for each chart that students do not get. */
function keysOn(sheet: Sheet): ({ from: string } & Shown)[] {
  return chartsOn(sheet).flatMap(({ group, recipe }) => {
    const shown = isKey(sheet, group) ? shownBy(recipe) : null;
    return shown && shown.cells.length > 0
      ? [{ from: group.id, ...shown, cells: shown.cells.slice(0, MOST_CELLS) }]
      : [];
  });
}
/** One of the keys, with the kinds of those beside it. */
const withOthers = (key: ReturnType<typeof keysOn>[number], keys: ReturnType<typeof keysOn>) => ({
  ...key,
  also: [...new Set(keys.filter((one) => one !== key).map(({ chart }) => chart))],
});

const same = (a: string, b: string, ask: Pick<ChartLookFor, 'spelling'>, all: readonly string[]) =>
  normalised(a) === normalised(b) ? 'exact' : matches(a, [b], ask.spelling, all);

/** Which of the chart's columns is which of the key's: by name, and where none has it by its place. */
function columnFor(key: ChartLookFor, shown: Shown): Map<string, string> {
  const [asked, there] = [key, shown].map(({ cells }) => [...new Set(cells.map(({ column }) => column))]);
  const named = new Map(
    asked.flatMap((column) => {
      const found = there.find((one) => same(one, column, key, asked) !== null);
      return found === undefined ? [] : [[column, found] as const];
    }),
  );
  const taken = new Set(named.values());
  asked.forEach((column, i) => {
    if (!named.has(column) && there[i] !== undefined && !taken.has(there[i])) named.set(column, there[i]);
  });
  return named;
}

const cellWords = ({ row, column, value }: Cell, of: number) =>
  value === 'in' ? (of > 1 ? `${row} in ${column}` : row) : `${row}${of > 1 ? `, ${column}` : ''}: ${value}`;

/** A chart's cells against the key's. */
function cellsOf(key: ChartLookFor, shown: Shown, id: string): Evidence[] {
  const columns = columnFor(key, shown);
  const rows = [...new Set(key.cells.map(({ row }) => row))];
  const of = columns.size;
  const left = new Set(shown.cells);
  const found = key.cells.map((cell) => {
    const fits = [...left].filter(
      (one) => one.column === columns.get(cell.column) && same(one.row, cell.row, key, rows) !== null,
    );
    // A row that stands there twice is right at most once, and the other is too much.
    const one = fits.find(({ row }) => normalised(row) === normalised(cell.row)) ?? (fits[0] as Cell | undefined);
    if (one) left.delete(one);
    return { cell, one };
  });
  const compared = withSwaps(
    found.map(({ cell, one }): Evidence => {
      if (!one) return { items: [id], verdict: 'empty', said: '', meant: cell.value };
      const isRight = normalised(one.value) === normalised(cell.value);
      const exact = normalised(one.row) === normalised(cell.row);
      return {
        items: [id],
        verdict: isRight ? (exact ? 'right' : 'near') : 'wrong',
        said: one.value,
        meant: cell.value,
      };
    }),
  );
  return [
    ...compared.map((one, i): Evidence => {
      const { cell, one: said } = found[i];
      return { ...one, said: said ? cellWords(said, of) : '', meant: cellWords(cell, of) };
    }),
    ...[...left].map((cell): Evidence => ({
      items: [id],
      verdict: 'extra',
      said: cellWords(cell, of),
      meant: '',
    })),
  ];
}

/** All that is asked of one chart. */
function judged(key: ChartLookFor, { group: { id }, recipe }: ChartGroup): Evidence[] {
  const shown = shownBy(recipe);
  const evidence: Evidence[] = [];
  const items = [id];
  if (key.which !== 'any') {
    const said = shown ? KIND_NAMES[shown.chart] : '';
    const verdict = !shown ? 'empty' : shown.chart === key.chart ? 'right' : 'wrong';
    evidence.push({ items, verdict, said, meant: KIND_NAMES[key.chart] });
  }
  if (key.titled) {
    const said = recipe.title.trim();
    evidence.push({ items, verdict: said ? 'right' : 'empty', said, meant: 'a title' });
  }
  if (key.axes) {
    const heads = shown?.heads ?? [];
    for (const head of key.heads.filter(Boolean)) {
      const fits = heads.map((one) => ({ one, match: one ? same(one, head, key, key.heads) : null }));
      const best = fits.find(({ match }) => match === 'exact') ?? fits.find(({ match }) => match !== null);
      const other = heads[key.heads.indexOf(head)] ?? '';
      evidence.push(
        best
          ? { items, verdict: best.match === 'exact' ? 'right' : 'near', said: best.one, meant: head }
          : { items, verdict: other ? 'wrong' : 'empty', said: other, meant: head },
      );
    }
  }
  return [...evidence, ...cellsOf(key, shown ?? { chart: key.chart, heads: [], cells: [] }, id)];
}

/**
 * The best of the student's charts counts. The same values shown once more in a kind that is no key's are too much: nobody finds
 * the right kind by making one of each.
 */
function countChart(key: ChartLookFor, sheet: Sheet, { handedOut, pictures }: Context): Counted {
  const own = chartsOn(sheet).filter(
    ({ group: { id } }) => find(handedOut, id) === undefined && isSeen(sheet, id, pictures),
  );
  const all = own
    .map((chart) => ({ chart, evidence: judged(key, chart) }))
    .sort((a, b) => rightIn(b.evidence) - rightIn(a.evidence));
  const need =
    key.cells.length +
    (key.which === 'any' ? 0 : 1) +
    (key.titled ? 1 : 0) +
    (key.axes ? key.heads.filter(Boolean).length : 0);
  if (all.length === 0) {
    const missing = key.cells.map((cell): Evidence => ({
      items: [],
      verdict: 'empty',
      said: '',
      meant: cellWords(cell, 1),
    }));
    return { got: 0, need, evidence: missing };
  }
  const [{ evidence }, ...others] = all;
  const again = others.flatMap(({ chart: { group, recipe }, evidence: of }): Evidence[] => {
    const shown = shownBy(recipe);
    const isAlike = shown && rightIn(cellsOf(key, shown, group.id)) * 2 > key.cells.length;
    const isKnown = shown && (key.also.includes(shown.chart) || (shown.chart === key.chart && of.length > 0));
    return isAlike && !isKnown && key.which !== 'any'
      ? [{ items: [group.id], verdict: 'extra', said: `the same as ${KIND_NAMES[shown.chart]}`, meant: '' }]
      : [];
  });
  const shown = [...evidence, ...again];
  const got = rightIn(shown);
  return { got, need, met: got >= need && shown.every(({ verdict }) => verdict !== 'extra'), evidence: shown };
}

export const CHART: LookForKind<ChartLookFor> = {
  schema: ChartLookFor,
  kind: 'chart',
  name: 'a chart like mine',
  begin(sheet, last) {
    const keys = keysOn(sheet);
    const at = keys.findIndex(({ from }) => from === last?.from) + 1;
    const key = keys[at] ?? keys[0];
    if (!key)
      return {
        nothing: 'No chart on this sheet is an answer key. Make one, and mark it as answer key only.',
      };
    const settings = { which: 'told', axes: true, titled: false, spelling: 'near' } as const;
    return { settings: { tell: 'filled', ...settings, ...withOthers(key, keys) } };
  },
  sentence: ({ which, axes, titled, cells, chart, spelling }) => [
    'a chart',
    {
      slot: 'choice',
      label: 'Its kind',
      value: which,
      options: [
        { value: 'told', label: `shown as ${KIND_NAMES[chart]},` },
        { value: 'found', label: 'of the right kind,', listed: 'of the right kind, which students find' },
        { value: 'any', label: 'of any kind', listed: 'of any kind' },
      ],
      set: (to) => ({ which: to as ChartLookFor['which'] }),
    },
    `with all ${cells.length} values`,
    {
      slot: 'choice',
      label: 'Names of what it shows',
      value: axes ? 'yes' : 'no',
      options: [
        { value: 'yes', label: 'and their names' },
        { value: 'no', label: '', listed: 'whatever they are called' },
      ],
      set: (to) => ({ axes: to === 'yes' }),
    },
    {
      slot: 'choice',
      label: 'Title of the chart',
      value: titled ? 'yes' : 'no',
      options: [
        { value: 'no', label: '', listed: 'with or without a title' },
        { value: 'yes', label: 'and a title' },
      ],
      set: (to) => ({ titled: to === 'yes' }),
    },
    spellingSlot(spelling, (to) => ({ spelling: to })),
  ],
  hint: () => 'Make one chart under Makers. Type the values into its table, with what they are above them.',
  suits: (sheet) => keysOn(sheet).length > 0,
  count: countChart,
  sources: (_, sheet) => sheet.pages,
  rekeyed(lookFor, sheet) {
    const keys = keysOn(sheet);
    // Another sheet, such as that of a version, has its own chart in its place.
    const key = keys.find(({ from }) => from === lookFor.from) ?? (keys.length === 1 ? keys[0] : undefined);
    return key ? { ...lookFor, ...withOthers(key, keys) } : null;
  },
  worded({ verdict, said, meant }) {
    switch (verdict) {
      case 'right':
        return `“${said}” is right`;
      case 'near':
        return `“${said}” taken for “${meant}”`;
      case 'swapped':
        return `“${said}” is swapped with another: “${meant}” is right`;
      case 'extra':
        return `“${said}” is too much`;
      case 'empty':
        return `not there: “${meant}”`;
      default:
        return `“${said}”, where “${meant}” is right`;
    }
  },
  missed({ verdict, meant }) {
    if (verdict === 'wrong' || verdict === 'swapped') return `“${meant}” wrong in the chart`;
    return verdict === 'empty' ? `“${meant}” not in the chart` : null;
  },
  needs: { any: ['chart'], why: 'To make a chart, students need charts. Open them under supplies.' },
  keyed: true,
};
