import { scaleLinear } from 'd3-scale';
import type { Box } from '../../geometry/matrix';
import type { ChartDraft } from './draft';
import { GRID } from './draft';
import { timeTicks } from './times';

/** Axes of numbers: their ticks, their lines, and how wide their numbers are. */

export type Axis = {
  /** From a number to its place, in points from the start of the axis. */
  place(value: number): number;
  ticks: number[];
  low: number;
  high: number;
};

/** An axis of a given length that covers a range of numbers and has ticks at both ends. */
export function axisFor(low: number, high: number, length: number, apart: number): Axis {
  const count = Math.max(2, Math.min(9, Math.floor(length / apart)));
  const [from, to] = low === high ? [low - (low === 0 ? 0 : 1), high + 1] : [low, high];
  const scale = scaleLinear().domain([from, to]).nice(count).range([0, length]);
  const [first, last] = scale.domain();
  return { place: (value) => scale(value), ticks: scale.ticks(count), low: first, high: last };
}

/** An axis of time; its ticks have words. */
export function timeAxisFor(low: number, high: number, length: number, apart: number, yearless: boolean) {
  const most = Math.max(2, Math.min(12, Math.floor(length / apart) + 1));
  const ticks = timeTicks(low, high, most, yearless);
  const [first, last] = [ticks[0].at, ticks[ticks.length - 1].at];
  const scale = scaleLinear().domain([first, last]).range([0, length]);
  const words = new Map(ticks.map(({ at, said }) => [at, said]));
  const axis: Axis = { place: (value) => scale(value), ticks: ticks.map(({ at }) => at), low: first, high: last };
  return { axis, tell: (tick: number) => words.get(tick) ?? '' };
}

/** How wide the numbers of an axis are. */
export const widthOf = (draft: ChartDraft, ticks: readonly number[]): number =>
  Math.max(0, ...ticks.map((tick) => draft.sizeOf(draft.said(tick)).width));

/** The line at a tick; the one at zero is stronger. */
const tickLine = (draft: ChartDraft, tick: number) => ({
  outline: draft.outline(tick === 0 ? 0.09 : 0.05, 'solid', tick === 0 ? draft.recipe.ink : GRID),
});

/** Lines across a plot at each tick of a vertical axis, with its numbers to the left. */
export function drawUpright(draft: ChartDraft, axis: Axis, plot: Box): void {
  const { em } = draft;
  const bottom = plot.y + plot.height;
  if (!draft.axis) {
    const y = bottom - axis.place(Math.max(axis.low, Math.min(axis.high, 0)));
    draft.line('gridy-0', plot.x, y, plot.x + plot.width, y);
    return;
  }
  const wide = widthOf(draft, axis.ticks) + 1;
  axis.ticks.forEach((tick, i) => {
    const y = bottom - axis.place(tick);
    draft.line(`gridy-${i}`, plot.x, y, plot.x + plot.width, y, tickLine(draft, tick));
    const box = { x: plot.x - em * 0.4 - wide, y: y - em * 0.8, width: wide, height: em * 1.6 };
    draft.words(`ticky-${i}`, draft.said(tick), box, { align: 'right' });
  });
}

/** The same for an axis that lies below the plot. */
export function drawLying(draft: ChartDraft, axis: Axis, plot: Box): void {
  const { em } = draft;
  const bottom = plot.y + plot.height;
  axis.ticks.forEach((tick, i) => {
    if (!draft.axis && tick !== 0) return;
    const x = plot.x + axis.place(tick);
    draft.line(`gridx-${i}`, x, plot.y, x, bottom, tickLine(draft, tick));
    if (draft.axis)
      draft.words(`tickx-${i}`, draft.said(tick), {
        x: x - em * 3,
        y: bottom + em * 0.2,
        width: em * 6,
        height: em * 1.5,
      });
  });
}
