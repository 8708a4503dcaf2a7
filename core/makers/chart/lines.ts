import type { Box, Point } from '../../geometry/matrix';
import { solid } from '../../schema/defaults';
import { tidied } from '../kit/measure';
import type { Axis } from './axes';
import { axisFor, drawLying, drawUpright, timeAxisFor, widthOf } from './axes';
import type { Column, Data } from './data';
import { areYears, layersOf, namesOf, rowsOf } from './data';
import type { ChartDraft } from './draft';
import { said, without } from './draft';

/** Lines, areas and dots: what goes on along numbers, times, or rows in their order. */

/** A line item is led through no more points than this. */
const MOST_VIA = 58;

type Across = { place(row: number): number | null; draw(plot: Box): void };

/** Where rows stand from left to right: by their number or time, else one beside the other. */
function acrossOf(draft: ChartDraft, label: Column | null, rows: readonly number[], width: number): Across {
  const { em } = draft;
  const isTime = label !== null && (label.kind === 'times' || areYears(label));
  const numbers = label?.kind === 'numbers' ? label.numbers : label?.kind === 'times' ? label.times : null;
  const known = numbers ? rows.flatMap((row) => numbers[row] ?? []) : [];
  // Where no row says where it stands, they stand beside each other.
  if (label && numbers && known.length > 0) {
    const [low, high] = [Math.min(...known), Math.max(...known)];
    const { axis, tell } = isTime
      ? timeAxisFor(low, high, width, em * 4.6, label.yearless)
      : { axis: axisFor(low, high, width, em * 4.2), tell: (tick: number) => said(tick, label.mark) };
    return {
      place: (row) => (numbers[row] === null ? null : axis.place(numbers[row])),
      draw: (plot) => drawTicks(draft, axis, plot, tell),
    };
  }
  const band = width / Math.max(1, rows.length);
  return {
    place: (row) => (rows.indexOf(row) + 0.5) * band,
    draw: (plot) =>
      namesOf(label, rows).forEach((name, i) =>
        draft.words(
          `name-${rows[i] + 1}`,
          name,
          { x: plot.x + i * band, y: plot.y + plot.height + em * 0.3, width: band, height: em * 1.5 },
          { vertical: 'top' },
        ),
      ),
  };
}

function drawTicks(draft: ChartDraft, axis: Axis, plot: Box, tell: (tick: number) => string): void {
  const { em } = draft;
  const y = plot.y + plot.height;
  draft.line('base-1', plot.x, y, plot.x + plot.width, y);
  axis.ticks.forEach((tick, i) => {
    const x = plot.x + axis.place(tick);
    draft.line(`markx-${i}`, x, y, x, y + em * 0.3);
    draft.words(`tickx-${i}`, tell(tick), { x: x - em * 2.5, y: y + em * 0.35, width: em * 5, height: em * 1.4 });
  });
}

/** A way through points, as lines; the last point of one is the first of the next. */
function way(draft: ChartDraft, part: string, points: readonly Point[], colour: string): void {
  for (let i = 0, n = 1; i < points.length - 1; i += MOST_VIA + 1, n++) {
    const some = points.slice(i, i + MOST_VIA + 2);
    const [from, to] = [some[0], some[some.length - 1]];
    draft.line(`${part}-${n}`, from.x, from.y, to.x, to.y, {
      via: some.slice(1, -1).map(({ x, y }) => ({ x: tidied(x), y: tidied(y) })),
      outline: draft.outline(0.17, 'solid', colour),
      ...draft.shown,
    });
  }
}

function dot(draft: ChartDraft, part: string, { x, y }: Point, colour: string, size = 0.62): void {
  draft.disc(part, x, y, (draft.em * size) / 2, {
    fill: solid(colour),
    outline: draft.outline(0.07, 'solid', '#ffffff'),
    ...draft.shown,
  });
}

/** Where an axis starts: above zero if all values are far from zero. */
const startOf = (low: number, high: number) => (low < (high - low) * 1.5 ? Math.min(0, low) : low);

export function drawLines(draft: ChartDraft, { series, label }: Data, area: Box, form: 'line' | 'area'): void {
  const { em } = draft;
  const rows = rowsOf(series);
  const layers = form === 'area' ? layersOf(series, rows) : null;
  const tops = layers
    ? layers.flatMap((layer) => layer.map(([, high]) => high))
    : series.flatMap(({ numbers }) => numbers.flatMap((value) => value ?? []));
  const [low, high] = [Math.min(...tops), Math.max(...tops)];
  let inner = area;
  if (series.length > 1) inner = draft.below(series, area);
  else {
    draft.caption('counted-1', series[0].head, area, 'left');
    inner = without(area, { top: em * 1.7 });
  }
  // An area always starts at zero.
  const start = form === 'area' ? Math.min(0, low) : startOf(low, high);
  const guess = axisFor(start, high, inner.height * 0.8, em * 2.4);
  const plot = without(inner, {
    left: (draft.axis ? widthOf(draft, guess.ticks) : 0) + em * 0.9,
    right: em,
    top: draft.direct ? em * 1.4 : em * 0.4,
    bottom: em * (label && /\S/.test(label.head) ? 3.2 : 1.9),
  });
  const axis = axisFor(start, high, plot.height, em * 2.4);
  const across = acrossOf(draft, label, rows, plot.width);
  drawUpright(draft, axis, plot);
  across.draw(plot);
  if (label) draft.caption('along-1', label.head, { ...plot, y: area.y + area.height - em * 1.4 }, 'right');
  const at = (row: number, value: number): Point | null => {
    const x = across.place(row);
    return x === null ? null : { x: plot.x + x, y: plot.y + plot.height - axis.place(value) };
  };
  const order = [...rows].sort((a, b) => (across.place(a) ?? 0) - (across.place(b) ?? 0));
  series.forEach(({ numbers }, s) => {
    const colour = draft.colour(s);
    /** Stretches without a gap: an empty cell is not a number, and not zero either. */
    const stretches: { row: number; point: Point; floor: Point | null; value: number }[][] = [[]];
    for (const row of order) {
      const value = numbers[row];
      const layer = layers?.[s][rows.indexOf(row)];
      const point = value === null ? null : at(row, layer ? layer[1] : value);
      if (value === null || !point) stretches.push([]);
      else stretches.at(-1)!.push({ row, point, floor: layer ? at(row, layer[0]) : null, value });
    }
    const known = stretches.filter((stretch) => stretch.length > 0);
    known.forEach((stretch, n) => {
      const part = `${s + 1}${n === 0 ? '' : `x${n + 1}`}`;
      const floor = stretch.flatMap((one) => one.floor ?? []).reverse();
      const corners = [...stretch.map(({ point }) => point), ...floor].map(({ x, y }) => [x, y] as const);
      if (layers && corners.length > 3) draft.shape(`ground-${part}`, corners, { fill: solid(colour, 0.72) });
      way(
        draft,
        `way-${part}`,
        stretch.map(({ point }) => point),
        colour,
      );
    });
    const points = known.flat();
    for (const { row, point, value } of points) {
      if (points.length <= 40) dot(draft, `dot-${row + 1}-${s + 1}`, point, colour);
      if (draft.direct && points.length <= 16)
        draft.number(`value-${row + 1}-${s + 1}`, value, {
          x: Math.max(plot.x - em * 0.7, point.x - em * 1.6),
          y: point.y - em * 1.9,
          width: em * 3.2,
          height: em * 1.5,
        });
    }
  });
}

/** A dot for each row: its first number across, its second up. */
export function drawDots(draft: ChartDraft, { columns }: Data, area: Box): void {
  const { em, recipe } = draft;
  const [first, second] = columns.filter(({ kind }) => kind === 'numbers');
  const named = columns.find(({ kind }) => kind === 'words');
  const points = first.numbers.flatMap((x, row) => {
    const y = second.numbers[row];
    return x === null || y === null ? [] : [{ row, x, y }];
  });
  if (points.length === 0) return void draft.notes.push('No row has both numbers. Fill in the ones that are missing.');
  const from = (values: number[]) => {
    const [low, high] = [Math.min(...values), Math.max(...values)];
    return [startOf(low, high), high] as const;
  };
  const [lowX, highX] = from(points.map(({ x }) => x));
  const [lowY, highY] = from(points.map(({ y }) => y));
  draft.caption('counted-1', second.head, area, 'left');
  const guess = axisFor(lowY, highY, area.height * 0.8, em * 2.4);
  const plot = without(area, {
    left: (draft.axis ? widthOf(draft, guess.ticks) : 0) + em * 0.9,
    right: em * 1.4,
    top: em * 2,
    bottom: em * 3.2,
  });
  const [axisX, axisY] = [axisFor(lowX, highX, plot.width, em * 4.2), axisFor(lowY, highY, plot.height, em * 2.4)];
  drawUpright(draft, axisY, plot);
  drawLying(draft, axisX, plot);
  draft.caption('along-1', first.head, { ...plot, y: area.y + area.height - em * 1.4 }, 'right');
  for (const { row, x, y } of points) {
    const point = { x: plot.x + axisX.place(x), y: plot.y + plot.height - axisY.place(y) };
    dot(draft, `dot-${row + 1}`, point, draft.colour(0), 0.8);
    if (draft.direct && named && recipe.task === 'shown')
      draft.words(
        `name-${row + 1}`,
        named.cells[row],
        { x: point.x + em * 0.6, y: point.y - em * 1.3, width: em * 8, height: em * 1.4 },
        { align: 'left' },
      );
  }
}
