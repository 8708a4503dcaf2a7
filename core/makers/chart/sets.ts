import type { Box } from '../../geometry/matrix';
import { solid } from '../../schema/defaults';
import type { Column, Data } from './data';
import type { ChartDraft } from './draft';

/** Two or three circles: words that are in one set, in two, or in all (J. Venn 1880). */

/** The words of each region: which sets they are in, as bits. */
export function regionsOf(columns: readonly Column[]): Map<number, string[]> {
  const known = new Map<string, { word: string; bits: number }>();
  columns.forEach(({ cells }, set) => {
    for (const cell of cells) {
      if (!cell) continue;
      const key = cell.toLowerCase();
      const had = known.get(key) ?? { word: cell, bits: 0 };
      had.bits |= 1 << set;
      known.set(key, had);
    }
  });
  const out = new Map<number, string[]>();
  for (const { word, bits } of known.values()) out.set(bits, [...(out.get(bits) ?? []), word]);
  return out;
}

type Circle = { x: number; y: number; r: number };

/** Where the words of each region stand: boxes that lie within it, computed for circles of radius 1. */
const TWO: { circles: Circle[]; regions: Record<number, Box>; box: Box } = {
  circles: [
    { x: 0, y: 0, r: 1 },
    { x: 1.1, y: 0, r: 1 },
  ],
  regions: {
    1: { x: -0.78, y: -0.5, width: 0.84, height: 1 },
    2: { x: 1.04, y: -0.5, width: 0.84, height: 1 },
    3: { x: 0.24, y: -0.5, width: 0.62, height: 1 },
  },
  box: { x: -1, y: -1, width: 3.1, height: 2 },
};
const H = Math.sqrt(3) / 2;
const THREE: typeof TWO = {
  circles: [
    { x: 0, y: 0, r: 1 },
    { x: 1.1, y: 0, r: 1 },
    { x: 0.55, y: 1.1 * H, r: 1 },
  ],
  regions: {
    1: { x: -0.74, y: -0.56, width: 0.78, height: 0.72 },
    2: { x: 1.06, y: -0.56, width: 0.78, height: 0.72 },
    4: { x: 0.2, y: 1.06, width: 0.7, height: 0.68 },
    3: { x: 0.27, y: -0.56, width: 0.56, height: 0.46 },
    5: { x: -0.24, y: 0.46, width: 0.46, height: 0.42 },
    6: { x: 0.88, y: 0.46, width: 0.46, height: 0.42 },
    7: { x: 0.29, y: 0.06, width: 0.52, height: 0.46 },
  },
  box: { x: -1, y: -1, width: 3.1, height: 1.1 * H + 2 },
};

export function drawSets(draft: ChartDraft, data: Data, area: Box, count: 2 | 3): void {
  const { em, recipe } = draft;
  const columns = data.columns.filter(({ kind }) => kind === 'words').slice(0, count);
  const { circles, regions, box } = count === 2 ? TWO : THREE;
  const head = em * 1.9;
  const foot = count === 3 ? em * 1.9 : 0;
  const scale = Math.min(area.width / box.width, (area.height - head - foot) / box.height);
  const left = area.x + (area.width - box.width * scale) / 2;
  const top = area.y + head + (area.height - head - foot - box.height * scale) / 2;
  const put = ({ x, y, width, height }: Box): Box => ({
    x: left + (x - box.x) * scale,
    y: top + (y - box.y) * scale,
    width: width * scale,
    height: height * scale,
  });
  circles.forEach(({ x, y, r }, i) => {
    draft.frame(`set-${i + 1}`, put({ x: x - r, y: y - r, width: 2 * r, height: 2 * r }), {
      shape: 'ellipse',
      adjust: [],
      fill: solid(draft.colour(i), 0.24),
      outline: draft.outline(0.12, 'solid', draft.colour(i)),
    });
    const middle = put({ x, y, width: 0, height: 0 });
    const wide = Math.min(area.width / 2, scale * 1.8);
    const shift = count === 3 && i === 2 ? 0 : (i === 0 ? -0.3 : 0.3) * scale;
    draft.words(
      `setname-${i + 1}`,
      columns[i].head,
      {
        x: Math.max(area.x, Math.min(area.x + area.width - wide, middle.x + shift - wide / 2)),
        y: i === 2 ? top + box.height * scale + em * 0.2 : top - em * 1.8,
        width: wide,
        height: em * 1.6,
      },
      { style: { bold: true } },
    );
  });
  const found = regionsOf(columns);
  for (const [bits, words] of found) {
    const where = put(regions[bits]);
    // Without words in the sets students sort them: they stand below each other in the key.
    draft.words(`region-${bits}`, words.join('\n'), where, recipe.task === 'shown' ? {} : { role: 'key' });
    if (draft.sizeOf(words.join('\n'), where.width).height > where.height * 1.9)
      draft.notes.push(
        'There are more words in one part of the circles than fit well. Make the frame larger, or use smaller text.',
      );
  }
  if (recipe.task !== 'shown') {
    const all = [...found.values()].flat();
    draft.notes.push(`Students sort ${all.length} words; where each belongs stands in the key.`);
  }
}
