import type { Box } from '../geometry/matrix';

/**
 * Layouts: a cell for each thing to be placed, within an area, in points. Cells never overlap and never leave the area. How a
 * thing fills its cell is decided elsewhere.
 */

export type Placed = {
  id: string;
  /** Its share of the area, against the others. */
  weight: number;
  /** Width over height, as it is. */
  ratio: number;
  title: boolean;
  /** Its height at a given width; what keeps its proportions takes width / ratio. */
  heightAt: (width: number) => number;
};
export type Cells = Map<string, Box>;
type Place = (parts: readonly Placed[], area: Box, gap: number) => Cells;
export type Layout = { id: string; name: string; place: Place };

const total = (parts: readonly Placed[]) => parts.reduce((sum, part) => sum + part.weight, 0);
const heaviest = (parts: readonly Placed[]) => parts.reduce((most, part) => (part.weight > most.weight ? part : most));

/** Titles across the top, at their height but at most a quarter of the area, and the rest of it below. */
function banner(parts: readonly Placed[], area: Box, gap: number): { cells: Cells; rest: Placed[]; below: Box } {
  const titles = parts.filter((part) => part.title);
  const rest = parts.filter((part) => !part.title);
  const cells: Cells = new Map();
  if (titles.length === 0) return { cells, rest, below: area };
  if (rest.length === 0) return { cells: stacked(titles, area, gap), rest, below: { ...area, height: 0 } };
  const heights = titles.map((part) => part.heightAt(area.width));
  const most = (area.height * 0.25 - gap * titles.length) / heights.reduce((sum, height) => sum + height, 0);
  let y = area.y;
  titles.forEach((part, i) => {
    const height = heights[i] * Math.min(1, most);
    cells.set(part.id, { x: area.x, y, width: area.width, height });
    y += height + gap;
  });
  return { cells, rest, below: { ...area, y, height: area.y + area.height - y } };
}

/** One below the other over the whole width, each with its share of the height. */
function stacked(parts: readonly Placed[], area: Box, gap: number): Cells {
  const cells: Cells = new Map();
  if (parts.length === 0) return cells;
  const wished = parts.map((part) => Math.max(1, part.heightAt(area.width)));
  const room = Math.max(parts.length, area.height - gap * (parts.length - 1));
  const factor = room / wished.reduce((sum, height) => sum + height, 0);
  let y = area.y;
  parts.forEach((part, i) => {
    const height = wished[i] * factor;
    cells.set(part.id, { x: area.x, y, width: area.width, height });
    y += height + gap;
  });
  return cells;
}

const merged = (...all: Cells[]): Cells => new Map(all.flatMap((cells) => [...cells]));

/** Titles across the top, and all else placed below them. */
const underTitles =
  (place: Place): Place =>
  (parts, area, gap) => {
    const { cells, rest, below } = banner(parts, area, gap);
    return rest.length === 0 ? cells : merged(cells, place(rest, below, gap));
  };

/** The heaviest thing beside a stack of the rest. */
function lead(parts: readonly Placed[], area: Box, gap: number): Cells {
  if (parts.length < 2) return stacked(parts, area, gap);
  const main = heaviest(parts);
  const others = parts.filter((part) => part !== main);
  if (area.width >= area.height * 0.8) {
    const width = (area.width - gap) * 0.58;
    const side = { ...area, x: area.x + width + gap, width: area.width - width - gap };
    return merged(new Map([[main.id, { ...area, width }]]), columns(others, side, gap, others.length > 5 ? 2 : 1));
  }
  const height = (area.height - gap) * 0.5;
  const foot = { ...area, y: area.y + height + gap, height: area.height - height - gap };
  return merged(new Map([[main.id, { ...area, height }]]), grid(others, foot, gap));
}

/** The number of columns whose cells suit most of the things. */
function grid(parts: readonly Placed[], area: Box, gap: number): Cells {
  const cells: Cells = new Map();
  if (parts.length === 0) return cells;
  const wished = parts.reduce((sum, part) => sum + Math.log(part.ratio), 0) / parts.length;
  let across = 1;
  let best = Infinity;
  for (let count = 1; count <= parts.length; count++) {
    const rows = Math.ceil(parts.length / count);
    const ratio = (area.width - gap * (count - 1)) / count / ((area.height - gap * (rows - 1)) / rows);
    const empty = rows * count - parts.length;
    const miss = Math.abs(Math.log(Math.max(0.01, ratio)) - wished) + empty * 0.35;
    if (ratio > 0 && miss < best) [best, across] = [miss, count];
  }
  const rows = Math.ceil(parts.length / across);
  const height = Math.max(1, (area.height - gap * (rows - 1)) / rows);
  parts.forEach((part, i) => {
    const row = Math.floor(i / across);
    // The last row shares the width among those that are left.
    const inRow = row === rows - 1 ? parts.length - row * across : across;
    const width = Math.max(1, (area.width - gap * (inRow - 1)) / inRow);
    cells.set(part.id, {
      x: area.x + (i - row * across) * (width + gap),
      y: area.y + row * (height + gap),
      width,
      height,
    });
  });
  return cells;
}

/** The title or the heaviest thing in the middle, the rest around it clockwise from the top left. */
function ring(parts: readonly Placed[], area: Box, gap: number): Cells {
  const titles = parts.filter((part) => part.title);
  const middle = titles[0] ?? heaviest(parts);
  const others = parts.filter((part) => part !== middle);
  if (others.length < 3) return underTitles(lead)(parts, area, gap);
  // How many stand on each side, by the length of the sides.
  const wide = area.width / (area.width + area.height);
  const across = Math.max(1, Math.min(others.length - 2, Math.round((others.length * wide) / 2 + 0.5)));
  const left = others.length - across;
  const bottom = Math.min(across, Math.max(0, left - 2));
  const right = Math.ceil((left - bottom) / 2);
  const counts = { top: across, right, bottom, left: left - bottom - right };
  const edge = { width: area.width * 0.27, height: area.height * (bottom > 0 ? 0.28 : 0.32) };
  const cells: Cells = new Map();
  let next = 0;
  const run = (count: number, box: Box, down: boolean, back: boolean) => {
    for (let i = 0; i < count; i++) {
      const at = back ? count - 1 - i : i;
      const width = down ? box.width : (box.width - gap * (count - 1)) / count;
      const height = down ? (box.height - gap * (count - 1)) / count : box.height;
      cells.set(others[next++].id, {
        x: box.x + (down ? 0 : at * (width + gap)),
        y: box.y + (down ? at * (height + gap) : 0),
        width,
        height,
      });
    }
  };
  const low = bottom > 0 ? edge.height + gap : 0;
  const inner: Box = {
    x: area.x,
    y: area.y + edge.height + gap,
    width: area.width,
    height: area.height - edge.height - gap - low,
  };
  run(counts.top, { ...area, height: edge.height }, false, false);
  run(counts.right, { ...inner, x: area.x + area.width - edge.width, width: edge.width }, true, false);
  run(bottom, { ...area, y: area.y + area.height - edge.height, height: edge.height }, false, true);
  run(counts.left, { ...inner, width: edge.width }, true, true);
  const from = counts.left > 0 ? edge.width + gap : 0;
  const to = counts.right > 0 ? edge.width + gap : 0;
  cells.set(middle.id, { ...inner, x: area.x + from, width: area.width - from - to });
  return cells;
}

/**
 * Rows that each fill the width, in reading order, broken so that the heights of the rows are as even as they can be and
 * fill the area: the shortest path over all ways to break, as Knuth and Plass break paragraphs (1981).
 */
function rows(parts: readonly Placed[], area: Box, gap: number): Cells {
  const cells: Cells = new Map();
  let best: { cost: number; breaks: number[] } | null = null;
  for (let count = 1; count <= Math.min(parts.length, 8); count++) {
    const target = (area.height - gap * (count - 1)) / count;
    if (target <= 0) break;
    const cost = (from: number, to: number) => {
      const sum = parts.slice(from, to).reduce((all, part) => all + part.ratio, 0);
      const height = (area.width - gap * (to - from - 1)) / sum;
      return Math.log(Math.max(0.01, height) / target) ** 2;
    };
    const table: { cost: number; breaks: number[] }[][] = [[{ cost: 0, breaks: [] }]];
    for (let row = 1; row <= count; row++) {
      table[row] = [];
      for (let to = row; to <= parts.length; to++)
        for (let from = row - 1; from < to; from++) {
          const before = table[row - 1][from];
          if (!before) continue;
          const all = before.cost + cost(from, to);
          if (!table[row][to] || all < table[row][to].cost)
            table[row][to] = { cost: all, breaks: [...before.breaks, to] };
        }
    }
    const whole = table[count][parts.length];
    if (whole && (!best || whole.cost / count < best.cost)) best = { cost: whole.cost / count, breaks: whole.breaks };
  }
  const breaks = best?.breaks ?? [parts.length];
  const natural = breaks.map((to, i) => {
    const members = parts.slice(i > 0 ? breaks[i - 1] : 0, to);
    return { members, height: area.width / members.reduce((sum, part) => sum + part.ratio, 0) };
  });
  const room = Math.max(1, area.height - gap * (natural.length - 1));
  const factor = room / natural.reduce((sum, row) => sum + row.height, 0);
  let y = area.y;
  for (const { members, height } of natural) {
    const share = (area.width - gap * (members.length - 1)) / members.reduce((sum, part) => sum + part.ratio, 0);
    let x = area.x;
    for (const part of members) {
      cells.set(part.id, { x, y, width: part.ratio * share, height: height * factor });
      x += part.ratio * share + gap;
    }
    y += height * factor + gap;
  }
  return cells;
}

/** Columns of even height: each thing goes to the column that is lowest so far (longest first would break reading order). */
function columns(parts: readonly Placed[], area: Box, gap: number, count?: number): Cells {
  const across = Math.max(1, Math.min(parts.length, count ?? (area.width > area.height ? 3 : 2)));
  const width = Math.max(1, (area.width - gap * (across - 1)) / across);
  const piles = Array.from({ length: across }, () => ({ height: 0, members: [] as Placed[] }));
  for (const part of parts) {
    const pile = piles.reduce((low, one) => (one.height < low.height - 1 ? one : low));
    pile.members.push(part);
    pile.height += Math.max(1, part.heightAt(width)) + gap;
  }
  return merged(
    ...piles.map(({ members }, i) => stacked(members, { ...area, x: area.x + i * (width + gap), width }, gap)),
  );
}

/** Left and right in turn, like stepping stones. */
function steps(parts: readonly Placed[], area: Box, gap: number): Cells {
  const cells: Cells = new Map();
  const wide = area.width > area.height * 1.2;
  const [long, deep] = wide ? [area.width, area.height] : [area.height, area.width];
  // Each stone overlaps the next by half of its length along the way, on the other side of the middle.
  const length = (long - gap) / ((parts.length + 1) / 2) - gap;
  const depth = (deep - gap) / 2;
  parts.forEach((part, i) => {
    const along = i * ((long - length) / Math.max(1, parts.length - 1));
    const aside = i % 2 === 0 ? 0 : depth + gap;
    const across = parts.length === 1 ? deep : depth;
    cells.set(
      part.id,
      wide
        ? { x: area.x + along, y: area.y + aside, width: Math.max(1, length), height: across }
        : { x: area.x + aside, y: area.y + along, width: across, height: Math.max(1, length) },
    );
  });
  return cells;
}

/** Tiles as large as things weigh: the squarified treemap of Bruls, Huizing and van Wijk (2000). */
function tiles(parts: readonly Placed[], area: Box, gap: number): Cells {
  const cells: Cells = new Map();
  const sorted = [...parts].sort((a, b) => b.weight - a.weight || (a.id < b.id ? -1 : 1));
  const unit = (area.width * area.height) / total(sorted);
  let room = { ...area };
  let row: Placed[] = [];
  const worst = (members: readonly Placed[]) => {
    const side = Math.min(room.width, room.height);
    const sum = total(members) * unit;
    return Math.max(
      ...members.map(({ weight }) => {
        const ratio = (side * side * weight * unit) / (sum * sum);
        return Math.max(ratio, 1 / ratio);
      }),
    );
  };
  const lay = (members: readonly Placed[]) => {
    const sum = total(members) * unit;
    const wide = room.width >= room.height;
    const depth = sum / (wide ? room.height : room.width);
    let at = wide ? room.y : room.x;
    for (const part of members) {
      const size = (part.weight * unit) / depth;
      const cell = wide
        ? { x: room.x, y: at, width: depth, height: size }
        : { x: at, y: room.y, width: size, height: depth };
      const inset = Math.min(gap / 2, cell.width / 4, cell.height / 4);
      cells.set(part.id, {
        x: cell.x + inset,
        y: cell.y + inset,
        width: cell.width - 2 * inset,
        height: cell.height - 2 * inset,
      });
      at += size;
    }
    room = wide
      ? { ...room, x: room.x + depth, width: room.width - depth }
      : { ...room, y: room.y + depth, height: room.height - depth };
  };
  for (const part of sorted) {
    if (row.length > 0 && worst([...row, part]) > worst(row)) {
      lay(row);
      row = [];
    }
    row.push(part);
  }
  if (row.length > 0) lay(row);
  return cells;
}

export const LAYOUTS: readonly Layout[] = [
  { id: 'lead', name: 'lead and company', place: underTitles(lead) },
  { id: 'grid', name: 'banner and fields', place: underTitles(grid) },
  { id: 'ring', name: 'round the middle', place: ring },
  { id: 'rows', name: 'full rows', place: underTitles(rows) },
  { id: 'columns', name: 'even columns', place: underTitles(columns) },
  { id: 'steps', name: 'stepping stones', place: underTitles(steps) },
  { id: 'tiles', name: 'tiles by weight', place: underTitles(tiles) },
];
