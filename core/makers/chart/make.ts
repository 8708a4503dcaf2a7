import type { Box } from '../../geometry/matrix';
import { seeded } from '../../values/random';
import { shuffled } from '../kit/shuffle';
import type { Asked, Kit, Made, Maker } from '../kit/maker';
import type { Data } from './data';
import { dataOf, doubts, KIND_NAMES, nearestKind, strays, whyNot } from './data';
import { ChartDraft, without } from './draft';
import { drawNumberline, drawTimeline } from './along';
import { drawBars } from './bars';
import { drawDots, drawLines } from './lines';
import { drawPictogram, drawPie } from './parts';
import { drawSets, regionsOf } from './sets';
import type { ChartKind, ChartRecipe } from '../../schema/recipes/chart';

/** Adding a kind of chart is a name in recipe.ts, what it needs in data.ts, a drawing of it in kinds/, and a row here. */
const DRAWN: Record<ChartKind, (draft: ChartDraft, data: Data, area: Box) => void> = {
  bar: (draft, data, area) => drawBars(draft, data, area, 'bar'),
  grouped: (draft, data, area) => drawBars(draft, data, area, 'grouped'),
  stacked: (draft, data, area) => drawBars(draft, data, area, 'stacked'),
  line: (draft, data, area) => drawLines(draft, data, area, 'line'),
  area: (draft, data, area) => drawLines(draft, data, area, 'area'),
  dots: drawDots,
  pie: (draft, data, area) => drawPie(draft, data, area, 'pie'),
  ring: (draft, data, area) => drawPie(draft, data, area, 'ring'),
  pictogram: drawPictogram,
  numberline: drawNumberline,
  timeline: drawTimeline,
  sets2: (draft, data, area) => drawSets(draft, data, area, 2),
  sets3: (draft, data, area) => drawSets(draft, data, area, 3),
};

/** What students draw the chart from: the table, or the words to be sorted; gives the height it took. */
function drawTask(draft: ChartDraft, { columns }: Data, kind: ChartKind, area: Box): number {
  const { em, recipe, random } = draft;
  if (kind === 'sets2' || kind === 'sets3') {
    const sets = columns.filter((column) => column.kind === 'words').slice(0, kind === 'sets2' ? 2 : 3);
    const words = shuffled([...regionsOf(sets).values()].flat(), random).join('   ·   ');
    const { height } = draft.sizeOf(words, area.width - em);
    draft.words(
      'bank-1',
      words,
      { x: area.x, y: area.y + area.height - height - em * 0.6, width: area.width, height: height + em * 0.6 },
      {
        outline: draft.outline(0.05),
        corner: em * 0.4,
        padding: em * 0.3,
      },
    );
    return height + em * 1.4;
  }
  if (recipe.task !== 'make') return 0;
  const rows = columns[0]?.cells.length ?? 0;
  // The table is transposed: one row for each of its columns.
  const shown = Math.min(rows, Math.floor(area.width / (em * 4)) - 1);
  const high = em * 1.6;
  const first = Math.min(area.width * 0.25, Math.max(...columns.map(({ head }) => draft.sizeOf(head).width)) + em);
  const wide = (area.width - first) / Math.max(1, shown);
  columns.forEach((column, c) => {
    const y = area.y + area.height - (columns.length - c) * high;
    draft.words(
      `head-${c + 1}`,
      column.head,
      { x: area.x, y, width: first, height: high },
      { align: 'left', style: { bold: true } },
    );
    for (let row = 0; row < shown; row++)
      draft.words(`cell-${row + 1}-${c + 1}`, column.cells[row], {
        x: area.x + first + row * wide,
        y,
        width: wide,
        height: high,
      });
    draft.line(`rule-${c + 1}`, area.x, y, area.x + area.width, y, { outline: draft.outline(0.04) });
  });
  if (shown < rows)
    draft.notes.push(`Only ${shown} of ${rows} rows fit below the chart. Make the frame wider, or use fewer rows.`);
  return high * columns.length + em * 0.8;
}

export function makeChart({ recipe, seed, width, height }: Asked<ChartRecipe>, kit: Kit): Made {
  const draft = new ChartDraft(recipe, seeded(seed), { x: 0, y: 0, width, height }, kit);
  const { em } = draft;
  const data = dataOf(recipe.table);
  draft.mark = data.series[0]?.mark ?? data.columns.find(({ kind }) => kind === 'numbers')?.mark ?? '.';
  let area: Box = { x: 0, y: 0, width, height };
  if (recipe.title) {
    const style = { size: em * 1.35, bold: true };
    const high = draft.sizeOf(recipe.title, width, style).height;
    draft.words(
      'title-1',
      recipe.title,
      { x: 0, y: 0, width, height: high },
      { style, align: 'left', vertical: 'top' },
    );
    area = without(area, { top: high + em * 0.5 });
  }
  const reason = whyNot(recipe.kind, data);
  const kind = nearestKind(recipe.kind, data);
  const notes: string[] = [];
  if (kind === null) {
    notes.push('There is nothing to draw yet. Type numbers or words into the table, or paste them.');
    return { items: draft.items, notes };
  }
  if (reason) notes.push(`${reason} Meanwhile the nearest is shown: ${KIND_NAMES[kind]}.`);
  const below =
    recipe.task === 'make' || (recipe.task === 'read' && kind.startsWith('sets'))
      ? drawTask(draft, data, kind, area)
      : 0;
  DRAWN[kind](draft, data, without(area, { bottom: below }));
  draft.sayCrammed('Make the frame larger, use smaller text, or shorter words.');
  if (height < em * 8 || width < em * 12)
    notes.push('There is little room. Make the frame larger, or use smaller text.');
  return { items: draft.items, notes: [...new Set([...notes, ...doubts(data), ...strays(data), ...draft.notes])] };
}

export const CHART: Maker<ChartRecipe> = { kind: 'chart', make: makeChart };
