import { scaleBand } from 'd3-scale';
import type { Box } from '../../geometry/matrix';
import type { Axis } from './axes';
import { axisFor, drawLying, drawUpright, widthOf } from './axes';
import type { Column, Data } from './data';
import { layersOf, namesOf, rowsOf } from './data';
import type { ChartDraft } from './draft';
import { without } from './draft';

/** Bars: one for each row, side by side or stacked, vertical or horizontal. They begin at zero. */

type Bar = { row: number; series: number; low: number; high: number; value: number };

function barsOf(series: readonly Column[], stacked: boolean): Bar[] {
  if (stacked) {
    const rows = [...series[0].numbers.keys()];
    return layersOf(series, rows).flatMap((layer, s) =>
      layer.flatMap(([low, high], row): Bar[] =>
        high > low ? [{ row, series: s, low, high, value: high - low }] : [],
      ),
    );
  }
  return series.flatMap(({ numbers }, s) =>
    numbers.flatMap((value, row): Bar[] =>
      value === null ? [] : [{ row, series: s, low: Math.min(0, value), high: Math.max(0, value), value }],
    ),
  );
}

export function drawBars(
  draft: ChartDraft,
  { series: all, label }: Data,
  area: Box,
  form: 'bar' | 'grouped' | 'stacked',
): void {
  const { em, recipe } = draft;
  const series = form === 'bar' ? all.slice(0, 1) : all;
  const rows = rowsOf(series);
  const names = namesOf(label, rows);
  const bars = barsOf(series, form === 'stacked');
  const low = Math.min(0, ...bars.map((bar) => bar.low));
  const high = Math.max(0, ...bars.map((bar) => bar.high));
  // What is counted stands above an axis of numbers; with several series their names say it.
  const inner =
    series.length > 1 ? draft.below(series, area) : without(area, { top: heading(draft, series[0].head, area) });
  const spare = draft.direct ? em * 1.7 : em * 0.7;
  if (recipe.lying) {
    const left = Math.min(inner.width * 0.34, Math.max(...names.map((name) => draft.sizeOf(name).width)) + em);
    const direct = draft.direct ? em * 3.2 : em;
    const plot = without(inner, { left, right: direct, bottom: em * 1.9 });
    const axis = axisFor(low, high, plot.width, em * 4.5);
    drawLying(draft, axis, plot);
    put(draft, { bars, rows, count: series.length, form, axis, plot, lying: true });
    const band = plot.height / rows.length;
    rows.forEach((row, i) =>
      draft.words(
        `name-${row + 1}`,
        names[i],
        { x: inner.x, y: plot.y + i * band, width: left - em * 0.6, height: band },
        {
          align: 'right',
        },
      ),
    );
    return;
  }
  const guess = axisFor(low, high, inner.height * 0.8, em * 2.4);
  const left = draft.axis ? widthOf(draft, guess.ticks) + em * 0.7 : 0;
  const band = (inner.width - left) / Math.max(1, rows.length);
  const tallest = Math.min(
    em * 4.4,
    Math.max(...names.map((name) => draft.sizeOf(name, Math.max(em * 1.5, band - em * 0.3)).height)),
  );
  const plot = without(inner, {
    left,
    top: spare,
    bottom: tallest + em * 0.5 + (low < 0 && draft.direct ? em * 1.6 : 0),
  });
  const axis = axisFor(low, high, plot.height, em * 2.4);
  drawUpright(draft, axis, plot);
  put(draft, { bars, rows, count: series.length, form, axis, plot, lying: false });
  rows.forEach((row, i) =>
    draft.words(
      `name-${row + 1}`,
      names[i],
      { x: plot.x + i * band + em * 0.1, y: inner.y + inner.height - tallest, width: band - em * 0.2, height: tallest },
      { vertical: 'top' },
    ),
  );
}

/** What an axis counts, above it; gives the height it took. */
function heading(draft: ChartDraft, head: string, area: Box): number {
  if (/^column \d+$/.test(head)) return 0;
  draft.caption('counted-1', head, area, draft.recipe.lying ? 'right' : 'left');
  return draft.em * 1.5;
}

type Put = {
  bars: readonly Bar[];
  rows: readonly number[];
  count: number;
  form: 'bar' | 'grouped' | 'stacked';
  axis: Axis;
  plot: Box;
  lying: boolean;
};

function put(draft: ChartDraft, { bars, rows, count, form, axis, plot, lying }: Put): void {
  const { em } = draft;
  const bands = scaleBand<number>()
    .domain(rows)
    .range([0, lying ? plot.height : plot.width])
    .paddingInner(0.3)
    .paddingOuter(0.15);
  const inner = scaleBand<number>()
    .domain(Array.from({ length: form === 'grouped' ? count : 1 }, (_, i) => i))
    .range([0, bands.bandwidth()])
    .paddingInner(0.08);
  for (const { row, series, low, high, value } of bars) {
    const across = (bands(row) ?? 0) + (form === 'grouped' ? (inner(series) ?? 0) : 0);
    const wide = form === 'grouped' ? inner.bandwidth() : bands.bandwidth();
    const [from, to] = [axis.place(low), axis.place(high)];
    const box = lying
      ? { x: plot.x + from, y: plot.y + across, width: to - from, height: wide }
      : { x: plot.x + across, y: plot.y + plot.height - to, width: wide, height: to - from };
    const colour = draft.colour(count > 1 ? series : 0);
    if (to - from > 0.01) draft.bar(`bar-${row + 1}-${series + 1}`, box, colour);
    if (!draft.direct) continue;
    const part = `value-${row + 1}-${series + 1}`;
    const [w, h] = [Math.max(wide, em * 2.8), em * 1.5];
    if (form === 'stacked') {
      const middle = { x: box.x + box.width / 2 - w / 2, y: box.y + box.height / 2 - h / 2, width: w, height: h };
      const room = lying ? box.width > draft.sizeOf(draft.said(value)).width + em * 0.4 : box.height > em * 1.2;
      if (room || draft.recipe.task === 'read') draft.number(part, value, middle, { colour: draft.on(colour) });
    } else if (lying)
      draft.number(
        part,
        value,
        {
          x: value < 0 ? box.x - em * 3.1 : box.x + box.width + em * 0.3,
          y: box.y + box.height / 2 - h / 2,
          width: em * 2.8,
          height: h,
        },
        {},
        value < 0 ? 'right' : 'left',
      );
    else
      draft.number(part, value, {
        x: box.x + box.width / 2 - w / 2,
        y: value < 0 ? box.y + box.height + em * 0.1 : box.y - h,
        width: w,
        height: h,
      });
  }
}
