import { pie } from 'd3-shape';
import type { Box } from '../../geometry/matrix';
import { solid } from '../../schema/defaults';
import { axisFor } from './axes';
import type { Data } from './data';
import { namesOf, rowsOf } from './data';
import type { ChartDraft } from './draft';
import { GRID, without } from './draft';

/** Parts of a whole as slices, and counts as pictures. */

const corner = (cx: number, cy: number, r: number, turn: number) =>
  [cx + r * Math.sin(turn), cy - r * Math.cos(turn)] as const;
/** Corners along an arc are at most two degrees apart, which can't be told from a true arc. */
const APART = Math.PI / 90;

function arc(cx: number, cy: number, r: number, from: number, to: number): (readonly [number, number])[] {
  const steps = Math.max(1, Math.ceil(Math.abs(to - from) / APART));
  return Array.from({ length: steps + 1 }, (_, i) => corner(cx, cy, r, from + ((to - from) * i) / steps));
}

/** A round or a ring of slices, or an empty round to draw them in. */
export function drawPie(draft: ChartDraft, { series, label }: Data, area: Box, form: 'pie' | 'ring'): void {
  const { em, recipe } = draft;
  const [{ numbers }] = series;
  const rows = numbers.map((_, row) => row).filter((row) => (numbers[row] ?? 0) > 0);
  const names = namesOf(label, rows);
  const widest = Math.max(...names.map((name) => draft.sizeOf(name).width));
  // Names stand at the slices, or beside the whole with their colours.
  const beside = !draft.direct;
  const legend = beside ? Math.min(area.width * 0.4, widest + em * 2.6) : 0;
  const side = beside ? 0 : Math.min(area.width * 0.28, Math.max(widest, em * 4) + em * 1.4);
  const above = beside ? 0 : em * 3.6;
  const inner = without(area, { left: side, right: legend || side, top: above, bottom: above });
  const r = Math.min(inner.width, inner.height) / 2;
  const round: Round = { cx: inner.x + inner.width / 2, cy: inner.y + inner.height / 2, r };
  if (recipe.task === 'make') drawTenths(draft, round);
  const sum = rows.reduce((all, row) => all + (numbers[row] ?? 0), 0);
  const slices = pie<number>()
    .sort(null)
    .value((row) => numbers[row] ?? 0)(rows);
  slices.forEach(({ data: row, startAngle, endAngle }, i) => {
    const value = numbers[row] ?? 0;
    const slice = { row, from: startAngle, to: endAngle, colour: draft.colour(i) };
    drawSlice(draft, round, slice, form);
    if (draft.direct) nameSlice(draft, round, slice, { name: names[i], value, room: side - em * 0.9 });
    const large = endAngle - startAngle > 0.22 && (form === 'pie' || r > em * 5.5);
    if ((recipe.values === 'axis' || recipe.values === 'both') && recipe.task === 'shown' && large)
      writeShare(draft, round, slice, Math.round((value / sum) * 1000) / 10, form);
  });
  if (beside) drawLegend(draft, rows, names, { area, middle: round.cy, width: legend });
}

type Round = { cx: number; cy: number; r: number };
/** A slice's row of the table, its angles in radians clockwise from the top, and its colour. */
type Slice = { row: number; from: number; to: number; colour: string };

/** Tenths at the rim, which help to draw slices. */
function drawTenths(draft: ChartDraft, { cx, cy, r }: Round): void {
  draft.disc('round-1', cx, cy, r);
  for (let i = 0; i < 10; i++) {
    const turn = (i * Math.PI) / 5;
    const [x1, y1] = corner(cx, cy, r, turn);
    const [x2, y2] = corner(cx, cy, r - draft.em * 0.6, turn);
    draft.line(`tenth-${i + 1}`, x1, y1, x2, y2);
  }
}

function drawSlice(draft: ChartDraft, { cx, cy, r }: Round, slice: Slice, form: 'pie' | 'ring'): void {
  const whole = slice.to - slice.from > 2 * Math.PI - 0.001;
  const hole = form === 'ring' ? r * 0.56 : 0;
  const outer = arc(cx, cy, r, slice.from, slice.to);
  const inside = hole > 0 ? arc(cx, cy, hole, slice.to, slice.from) : whole ? [] : [[cx, cy] as const];
  draft.shape(`slice-${slice.row + 1}`, [...outer, ...inside], {
    fill: solid(slice.colour),
    outline: { colour: '#fffdf6', width: Math.max(0.8, draft.em * 0.1), dash: 'solid' },
  });
}

type Named = { name: string; value: number; /** Width for the name, in points. */ room: number };

/** The name and the number outside a slice, with a short line to it. */
function nameSlice(draft: ChartDraft, { cx, cy, r }: Round, { row, from, to }: Slice, named: Named): void {
  const { em } = draft;
  const middle = (from + to) / 2;
  const [x1, y1] = corner(cx, cy, r + em * 0.15, middle);
  const [x2, y2] = corner(cx, cy, r + em * 0.7, middle);
  draft.line(`pointer-${row + 1}`, x1, y1, x2, y2, { outline: draft.outline(0.05) });
  const right = Math.sin(middle) >= 0;
  const upright = Math.abs(Math.sin(middle)) < 0.3;
  const box = {
    x: upright ? x2 - named.room / 2 : right ? x2 + em * 0.2 : x2 - em * 0.2 - named.room,
    y: upright ? (Math.cos(middle) > 0 ? y2 - em * 2.7 : y2) : y2 - em * 1.35,
    width: named.room,
    height: em * 1.35,
  };
  const align = upright ? 'centre' : right ? 'left' : 'right';
  draft.words(`name-${row + 1}`, named.name, box, { align });
  draft.number(`value-${row + 1}`, named.value, { ...box, y: box.y + em * 1.35 }, {}, align);
}

/** The per cent of a slice, written in it. */
function writeShare(draft: ChartDraft, round: Round, slice: Slice, share: number, form: 'pie' | 'ring'): void {
  const { em } = draft;
  const out = round.r * (form === 'ring' ? 0.78 : 0.68);
  const [x, y] = corner(round.cx, round.cy, out, (slice.from + slice.to) / 2);
  const box = { x: x - em * 2, y: y - em * 0.75, width: em * 4, height: em * 1.5 };
  const style = { colour: draft.on(slice.colour) };
  draft.words(`share-${slice.row + 1}`, `${draft.said(share)}\u202f%`, box, { style });
}

type LegendAt = { area: Box; /** The height of its middle. */ middle: number; width: number };

/** Names beside the whole, each with its colour. */
function drawLegend(draft: ChartDraft, rows: readonly number[], names: readonly string[], at: LegendAt): void {
  const { em } = draft;
  const high = Math.min(em * 2, at.area.height / rows.length);
  const top = at.middle - (high * rows.length) / 2;
  const x = at.area.x + at.area.width - at.width + em * 0.6;
  rows.forEach((row, i) => {
    const y = top + i * high;
    draft.frame(
      `legend-${row + 1}`,
      { x, y: y + high / 2 - em * 0.45, width: em * 0.9, height: em * 0.9 },
      { fill: solid(draft.colour(i)), outline: null, adjust: [0.2] },
    );
    draft.words(
      `name-${row + 1}`,
      names[i],
      { x: x + em * 1.3, y, width: at.width - em * 1.9, height: high },
      { align: 'left' },
    );
  });
}

/** How many one picture stands for so that no row has more than about a dozen. */
export function eachFor(most: number): number {
  for (let each = 1; each < 1e9; each *= 10)
    for (const step of [1, 2, 5]) if (most / (each * step) <= 12) return each * step;
  return axisFor(0, most, 10, 1).ticks[1] ?? 1;
}

export function drawPictogram(draft: ChartDraft, { series, label }: Data, area: Box): void {
  const { em, recipe } = draft;
  const [{ numbers }] = series;
  const rows = rowsOf(series.slice(0, 1));
  const most = Math.max(0, ...rows.map((row) => numbers[row] ?? 0));
  const given = recipe.each > 0 ? recipe.each : eachFor(most);
  // More pictures in a row than these would be too small to count.
  const each = most / given > 40 ? eachFor(most) : given;
  if (each !== given)
    draft.notes.push(
      `One picture stands for ${draft.said(each)}: with ${draft.said(given)} there would be too many to count.`,
    );
  const names = namesOf(label, rows);
  const left = Math.min(area.width * 0.34, Math.max(...names.map((name) => draft.sizeOf(name).width)) + em);
  const right = draft.direct ? em * 3.6 : 0;
  const key = em * 2.2;
  const plot = without(area, { left, right, bottom: key });
  const band = plot.height / Math.max(1, rows.length);
  const count = Math.max(1, Math.ceil(most / each));
  const drawn = draft.kit.pictures(recipe.picture);
  const ratio = drawn ? drawn.width / drawn.height : 1;
  const step = Math.min(plot.width / count, band * 0.84 * ratio);
  const high = (step * 0.92) / ratio;
  rows.forEach((row, i) => {
    const y = plot.y + i * band;
    const value = numbers[row] ?? 0;
    draft.words(
      `name-${row + 1}`,
      names[i],
      { x: area.x, y, width: left - em * 0.6, height: band },
      { align: 'right' },
    );
    const full = Math.floor(value / each + 1e-9);
    const part = value / each - full;
    for (let n = 0; n < full + (part > 0.02 ? 1 : 0); n++) {
      // A part of one is a smaller one: of so much less area.
      const size = n < full ? 1 : Math.sqrt(part);
      const item = draft.picture(`one-${row + 1}-${n + 1}`, recipe.picture, {
        x: plot.x + n * step,
        y: y + (band - high) / 2 + high * (1 - size),
        width: step * 0.92 * size,
        height: high * size,
      });
      Object.assign(item, draft.shown);
    }
    draft.line(`row-${row + 1}`, plot.x, y + band, plot.x + plot.width, y + band, {
      outline: draft.outline(0.04, 'solid', GRID),
    });
    if (draft.direct)
      draft.number(`value-${row + 1}`, value, {
        x: area.x + area.width - em * 3.2,
        y: y + band / 2 - em * 0.75,
        width: em * 3.2,
        height: em * 1.5,
      });
  });
  draft.line('base-1', plot.x, plot.y, plot.x, plot.y + plot.height);
  const broken = rows.some((row) => {
    const count = (numbers[row] ?? 0) / each;
    return Math.abs(count - Math.round(count)) > 0.02;
  });
  const wide = Math.min(1.6, ratio);
  const y = area.y + area.height - em * 1.7;
  draft.picture('one-key', recipe.picture, { x: plot.x, y, width: em * 1.7 * wide, height: em * 1.7 });
  draft.words(
    'key-says',
    `= ${draft.said(each)}${broken ? ', a smaller one is a part of that' : ''}`,
    {
      x: plot.x + em * 1.9 * wide,
      y,
      width: plot.width - em * 1.9 * wide,
      height: em * 1.7,
    },
    { align: 'left' },
  );
}
