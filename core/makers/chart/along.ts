import type { Box } from '../../geometry/matrix';
import { solid } from '../../schema/defaults';
import type { Axis } from './axes';
import { axisFor, timeAxisFor } from './axes';
import { timesOf } from './data';
import type { Column, Data } from './data';
import type { ChartDraft } from './draft';

/** What lies along a line: numbers on a number line, happenings on a line of time. */

type Mark = { row: number; at: number; name: string };

/** A number or a time on a line, and words at each mark, in as many storeys as they need so that none covers another. */
function drawAlong(
  draft: ChartDraft,
  marks: readonly Mark[],
  area: Box,
  scale: (low: number, high: number, length: number) => { axis: Axis; tell: (tick: number) => string },
  both: boolean,
): void {
  const { em, recipe } = draft;
  const [left, right] = [area.x + em * 1.6, area.x + area.width - em * 1.6];
  const { axis, tell } = scale(
    Math.min(...marks.map(({ at }) => at)),
    Math.max(...marks.map(({ at }) => at)),
    right - left,
  );
  const sorted = [...marks].sort((a, b) => a.at - b.at);
  const wide = Math.min((right - left) / Math.max(2, Math.min(5, sorted.length)) - em * 0.5, em * 11);
  const tall = Math.max(em * 1.5, ...sorted.map(({ name }) => (name ? draft.sizeOf(name, wide).height : 0)));
  const y = both ? area.y + area.height / 2 : area.y + area.height - em * 2.6;
  const storey = tall + em * 0.7;
  const room = Math.max(1, Math.floor((both ? area.height / 2 - em * 2.4 : area.height - em * 4) / storey));
  /** How far each storey is filled: above in the even places, below in the odd ones. */
  const filled: number[] = [];
  let crowded = false;
  draft.line('line-1', area.x, y, area.x + area.width, y, {
    startCap: 'arrow',
    endCap: 'arrow',
    outline: draft.outline(0.13),
  });
  axis.ticks.forEach((tick, i) => {
    const x = left + axis.place(tick);
    draft.line(`tickmark-${i + 1}`, x, y - em * 0.35, x, y + em * 0.35);
    if (recipe.values !== 'off')
      draft.words(`tick-${i + 1}`, tell(tick), {
        x: x - em * 2.4,
        y: y + em * 0.45,
        width: em * 4.8,
        height: em * 1.4,
      });
  });
  sorted.forEach(({ row, at, name }, n) => {
    const x = left + axis.place(at);
    const own = Math.max(em * 2.4, Math.min(wide, draft.sizeOf(name, wide).width + em * 0.6));
    const from = Math.max(area.x, Math.min(area.x + area.width - own, x - own / 2));
    const sides = both ? 2 : 1;
    let level = -1;
    for (let k = 0; k < room * sides && level < 0; k++) {
      // Neighbours stand above and below in turn.
      const place = both ? (k >> 1) * 2 + ((k + n) % 2) : k;
      if ((filled[place] ?? -Infinity) + em * 0.4 <= from) level = place;
    }
    if (level < 0) {
      crowded = true;
      level = n % (room * sides);
    }
    filled[level] = Math.max(filled[level] ?? -Infinity, from + own);
    const below = both && level % 2 === 1;
    const up = both ? level >> 1 : level;
    const near = below ? y + em * 2.2 + up * storey : y - em * 1.1 - up * storey - tall;
    if (name)
      draft.line(`stalk-${row + 1}`, x, y, x, below ? near : near + tall, {
        outline: draft.outline(0.06, 'solid', draft.colour(0)),
        ...draft.shown,
      });
    draft.disc(`mark-${row + 1}`, x, y, em * 0.36, { fill: solid(draft.colour(0)), outline: null, ...draft.shown });
    if (name) put(draft, row, name, { x: from, y: near, width: own, height: tall }, below);
  });
  if (crowded) draft.notes.push('Some words overlap. Make the frame larger, shorten the words, or use smaller text.');
}

function put(draft: ChartDraft, row: number, name: string, box: Box, below: boolean): void {
  const { task } = draft.recipe;
  const look = {
    fill: solid('#fffdf6'),
    outline: draft.outline(0.05, 'solid', draft.colour(0)),
    corner: draft.em * 0.25,
  };
  if (task === 'read') draft.answer(`name-${row + 1}`, name, box, { ...look, prompt: '?' });
  else draft.words(`name-${row + 1}`, name, box, { vertical: below ? 'top' : 'bottom', ...draft.shown });
}

export function drawNumberline(draft: ChartDraft, { columns, label }: Data, area: Box): void {
  const numbers = columns.find((column) => column.kind === 'numbers') as Column;
  const names = columns.find((column) => column.kind === 'words') ?? (label !== numbers ? label : null);
  const marks = numbers.numbers.flatMap((at, row): Mark[] =>
    at === null ? [] : [{ row, at, name: names?.cells[row] || (draft.direct || !names ? draft.said(at) : '') }],
  );
  const scale = (low: number, high: number, length: number) => ({
    axis: axisFor(low, high, length, draft.em * 4),
    tell: (tick: number) => draft.said(tick),
  });
  drawAlong(draft, marks, area, scale, false);
}

export function drawTimeline(draft: ChartDraft, data: Data, area: Box): void {
  const when = timesOf(data.columns) as Column;
  const what = data.columns.find((column) => column.kind === 'words') ?? null;
  const times = when.kind === 'times' ? when.times : when.numbers;
  const marks = times.flatMap((at, row): Mark[] => {
    if (at === null) return [];
    const words = what?.cells[row] ?? '';
    // In a narrow box a separate line for the date would part it from its text.
    return [{ row, at, name: draft.direct && what ? `${when.cells[row]}: ${words}` : words || when.cells[row] }];
  });
  when.cells.forEach((cell, row) => {
    if (cell && times[row] === null)
      draft.notes.push(`“${cell}” in row ${row + 1} is not a year or a date. Write it as 1897, 44 BC or 12 May 1901.`);
  });
  const scale = (low: number, high: number, length: number) =>
    timeAxisFor(low, high, length, draft.em * 4.4, when.yearless);
  drawAlong(draft, marks, area, scale, true);
}
