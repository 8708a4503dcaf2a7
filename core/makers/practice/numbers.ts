import { solid } from '../../schema/defaults';
import { LEAST_PRINTED } from '../../text/style';
import { tidied } from '../kit/measure';
import { shuffled } from '../kit/shuffle';
import type { PracticeDraft as Draft } from './draft';
import { between, inset, pick } from './draft';
import type { RecipeFor } from '../../schema/recipes/practice';

/** Number lines, sums, tables, bar models, clocks and money. */

const said = (value: number) => `${Math.round(value * 1000) / 1000}`.replace('-', '−');

export function drawNumberline(draft: Draft, recipe: RecipeFor<'numberline'>): void {
  const { random, em } = draft;
  const { marks, step } = recipe;
  draft.grid(1, recipe.lines, em).forEach((row, n) => {
    const y = row.y + row.height * 0.35;
    const [left, right] = [row.x + em * 1.5, row.x + row.width - em * 1.5];
    draft.line('line', left - em, y, right + em, y, { endCap: 'arrow', startCap: recipe.from < 0 ? 'arrow' : 'none' });
    // The ends stay, so that the sequence can be continued.
    const empty = new Set(
      shuffled(
        Array.from({ length: Math.max(0, marks - 2) }, (_, i) => i + 1),
        random,
      ).slice(0, recipe.missing),
    );
    const gap = (right - left) / (marks - 1);
    const wide = Math.min(gap * 0.86, em * 3.4);
    const values = Array.from({ length: marks }, (_, i) => said(recipe.from + (n * (marks - 1) + i) * step));
    // Numbers never wrap: all are as small as the longest needs.
    const most = Math.min(gap, em * 3);
    const scale = Math.min(1, (most * 0.9) / Math.max(...values.map((value) => draft.sizeOf(value).width)));
    if (scale * em < LEAST_PRINTED)
      draft.notes.push(
        'The numbers stand so close that they are too small to read. Use fewer marks, or a wider frame.',
      );
    for (let i = 0; i < marks; i++) {
      const x = left + i * gap;
      draft.line('mark', x, y - em * 0.5, x, y + em * 0.5);
      const box = { x: x - wide / 2, y: y + em * 0.8, width: wide, height: em * 1.6 };
      const room = { ...box, x: x - most / 2, width: most };
      if (empty.has(i)) draft.answer('gap', values[i], box);
      else draft.words('number', values[i], room, { style: scale < 1 ? { size: tidied(em * scale) } : {} });
    }
  });
}

export type Sum = { a: number; b: number; operation: '+' | '−' | '×' | '÷'; result: number };

/** Whether a column carries or borrows anywhere. */
export function carries({ a, b, operation }: Sum): boolean {
  const digits = (value: number) => `${value}`.split('').reverse().map(Number);
  const [x, y] = [digits(a), digits(b)];
  if (operation === '+') return x.some((digit, i) => digit + (y[i] ?? 0) > 9);
  if (operation === '−') return x.some((digit, i) => digit < (y[i] ?? 0));
  return false;
}

/** A sum within the range that keeps to the rule of carrying; null where none was found. */
export function sumFor(
  operation: Sum['operation'],
  most: number,
  carry: 'any' | 'never' | 'always',
  random: () => number,
): Sum | null {
  for (let tries = 0; tries < 400; tries++) {
    let sum: Sum;
    if (operation === '+') {
      const result = between(random, 2, most);
      const a = between(random, 1, result - 1);
      sum = { a, b: result - a, operation, result };
    } else if (operation === '−') {
      const a = between(random, 2, most);
      const b = between(random, 1, a - 1);
      sum = { a, b, operation, result: a - b };
    } else {
      const a = between(random, 2, Math.max(2, Math.floor(Math.sqrt(most) * 1.6)));
      const b = between(random, 1, Math.max(1, Math.floor(most / a)));
      sum = operation === '×' ? { a, b, operation, result: a * b } : { a: a * b, b: a, operation, result: b };
    }
    const rule = operation === '+' || operation === '−' ? carry : 'any';
    if (rule === 'any' || carries(sum) === (rule === 'always')) return sum;
  }
  return null;
}

/** A number of sums, all different as long as there are enough. */
export function sumsFor(count: number, make: () => Sum | null): Sum[] {
  const out: Sum[] = [];
  const seen = new Set<string>();
  for (let tries = 0; out.length < count && tries < count * 60; tries++) {
    const sum = make();
    if (!sum) return out;
    const key = `${sum.a}${sum.operation}${sum.b}`;
    if (seen.has(key) && tries < count * 40) continue;
    seen.add(key);
    out.push(sum);
  }
  return out;
}

function drawRows(draft: Draft, sums: readonly Sum[], gap: 'result' | 'any'): void {
  const { em, random, area } = draft;
  const longest = Math.max(...sums.flatMap(({ a, b, result }) => [a, b, result].map((value) => said(value).length)), 1);
  const cell = em * (0.75 * longest + 1.1);
  const wide = cell * 3 + em * 2.6;
  const columns = Math.max(1, Math.min(sums.length, Math.floor((area.width + em) / (wide + em))));
  const rows = Math.ceil(sums.length / columns);
  const high = Math.min(em * 2.1, area.height / rows - em * 0.3);
  draft.grid(columns, rows, em * 0.5).forEach((box, i) => {
    const sum = sums[i];
    if (!sum) return;
    const blank = gap === 'result' ? 2 : between(random, 0, 2);
    const y = box.y + Math.min(box.height - high, (box.height - high) / 2);
    let x = box.x;
    [sum.a, sum.b, sum.result].forEach((value, n) => {
      const place = { x, y, width: cell, height: high };
      if (n === blank) draft.answer('gap', said(value), place);
      else draft.words('number', said(value), place);
      x += cell;
      if (n < 2) draft.words('sign', n === 0 ? sum.operation : '=', { x, y, width: em * 1.3, height: high });
      x += em * 1.3;
    });
  });
}

/** One under the other, digit by digit, with room for what is carried. */
function drawColumns(draft: Draft, sums: readonly Sum[]): void {
  const { em, area } = draft;
  const places = Math.max(...sums.flatMap(({ a, b, result }) => [a, b, result].map((value) => `${value}`.length)), 1);
  const cell = em * 1.5;
  const [wide, high] = [cell * (places + 1), em * 7];
  const columnsAt = (scale: number) =>
    Math.max(1, Math.min(sums.length, Math.floor((area.width + em * scale * 2) / ((wide + em * 2) * scale))));
  // The largest size at which all fit; smaller ones also fit more side by side.
  let scale = 1;
  for (; scale > 0.4; scale -= 0.03) {
    const rows = Math.ceil(sums.length / columnsAt(scale));
    if (rows * high * scale + (rows - 1) * em * scale <= area.height) break;
  }
  const columns = columnsAt(scale);
  draft.grid(columns, Math.ceil(sums.length / columns), em * scale).forEach((box, i) => {
    const sum = sums[i];
    if (!sum) return;
    const [size, left] = [cell * scale, box.x + (box.width - wide * scale) / 2];
    const digits = (value: number, row: number, blank = false) => {
      const text = `${value}`;
      [...text].forEach((digit, n) => {
        const place = {
          x: left + (places + 1 - text.length + n) * size,
          y: box.y + row * size,
          width: size,
          height: size,
        };
        const style = { size: tidied(em * scale) };
        if (blank) draft.answer('gap', digit, inset(place, 1), { style });
        else draft.words('digit', digit, place, { style });
      });
    };
    digits(sum.a, 1);
    digits(sum.b, 2);
    draft.words(
      'sign',
      sum.operation,
      { x: left, y: box.y + 2 * size, width: size, height: size },
      { style: { size: tidied(em * scale) } },
    );
    draft.line('under', left, box.y + 3.05 * size, left + wide * scale, box.y + 3.05 * size);
    digits(sum.result, 3.2, true);
  });
}

export function drawSums(draft: Draft, recipe: RecipeFor<'sums'>): void {
  const { random } = draft;
  const sums = sumsFor(recipe.count, () => sumFor(pick(random, recipe.operations), recipe.most, recipe.carry, random));
  if (sums.length < recipe.count)
    draft.notes.push(
      sums.length === 0
        ? `Up to ${recipe.most} there is no such sum ${recipe.carry === 'always' ? 'that carries' : ''}. Choose a wider range.`
        : `Only ${sums.length} such sums were found. Choose a wider range, or fewer sums.`,
    );
  const column =
    recipe.form === 'column' && recipe.operations.every((operation) => operation === '+' || operation === '−');
  if (recipe.form === 'column' && !column)
    draft.notes.push('Only + and − are written one under the other; with × and ÷ all stand in rows.');
  if (sums.length === 0) return;
  if (column) drawColumns(draft, sums);
  else drawRows(draft, sums, recipe.gap);
}

export function drawTables(draft: Draft, recipe: RecipeFor<'tables'>): void {
  const { random } = draft;
  const all = recipe.tables.flatMap((table) =>
    Array.from({ length: recipe.to }, (_, i): Sum => {
      const product = table * (i + 1);
      return recipe.divide && random() < 0.5
        ? { a: product, b: table, operation: '÷', result: i + 1 }
        : { a: i + 1, b: table, operation: '×', result: product };
    }),
  );
  const sums = shuffled(all, random).slice(0, recipe.count);
  if (sums.length < recipe.count)
    draft.notes.push(`These tables have ${sums.length} rows in all. Choose more tables for more.`);
  drawRows(draft, sums, recipe.gap);
}

export function drawBars(draft: Draft, recipe: RecipeFor<'bars'>): void {
  const { random, em } = draft;
  const columns = draft.columnsFor(recipe.count, 3.2);
  draft.grid(columns, Math.ceil(recipe.count / columns), em * 1.2).forEach((box, n) => {
    if (n >= recipe.count) return;
    const parts = barParts(recipe.parts, recipe.most, random);
    const whole = parts.reduce((sum, part) => sum + part, 0);
    const blank =
      recipe.gap === 'whole'
        ? -1
        : recipe.gap === 'part'
          ? between(random, 0, parts.length - 1)
          : between(random, -1, parts.length - 1);
    const high = Math.min(box.height * 0.42, em * 3);
    const top = box.y + (box.height - 2 * high) / 2;
    const put = (value: number, isBlank: boolean, place: typeof box, fill: string) => {
      draft.frame('bar', place, { adjust: [0], fill: solid(fill) });
      const words = {
        x: place.x + place.width / 2 - Math.min(place.width * 0.8, em * 4) / 2,
        y: place.y + place.height * 0.15,
        width: Math.min(place.width * 0.8, em * 4),
        height: place.height * 0.7,
      };
      if (isBlank) draft.answer('gap', said(value), words);
      else draft.words('number', said(value), words);
    };
    put(whole, blank === -1, { x: box.x, y: top, width: box.width, height: high }, recipe.tint);
    let x = box.x;
    // No part so narrow that its number could not be read.
    const least = Math.min(box.width / parts.length, em * 3);
    const rest = box.width - least * parts.length;
    parts.forEach((part, i) => {
      const width = least + (rest * part) / whole;
      put(part, blank === i, { x, y: top + high, width, height: high }, '#ffffff');
      x += width;
    });
  });
}

export function barParts(count: number, most: number, random: () => number): number[] {
  const whole = between(random, Math.max(count + 1, Math.floor(most * 0.4)), Math.max(count + 1, most));
  const cuts = shuffled(
    Array.from({ length: whole - 1 }, (_, i) => i + 1),
    random,
  )
    .slice(0, count - 1)
    .sort((a, b) => a - b);
  return [...cuts, whole].map((cut, i) => cut - (cuts[i - 1] ?? 0));
}

export const timeWords = (minutes: number) =>
  `${Math.floor(minutes / 60) % 12 || 12}:${`${minutes % 60}`.padStart(2, '0')}`;

/** Times, all different as long as there are enough. */
export function timesFor(count: number, step: number, random: () => number): number[] {
  const all = shuffled(
    Array.from({ length: (12 * 60) / step }, (_, i) => i * step),
    random,
  );
  return Array.from({ length: count }, (_, i) => all[i % all.length]);
}

export function drawClocks(draft: Draft, recipe: RecipeFor<'clocks'>): void {
  const { random, em } = draft;
  const times = timesFor(recipe.count, recipe.step, random);
  const columns = draft.columnsFor(recipe.count, 0.8);
  draft.grid(columns, Math.ceil(recipe.count / columns), em).forEach((box, n) => {
    if (n >= recipe.count) return;
    const minutes = times[n];
    const r = Math.min(box.width, box.height - em * 2.6) / 2;
    const [cx, cy] = [box.x + box.width / 2, box.y + r];
    const at = (turn: number, share: number) => ({
      x: cx + Math.sin(turn * 2 * Math.PI) * r * share,
      y: cy - Math.cos(turn * 2 * Math.PI) * r * share,
    });
    draft.frame(
      'face',
      { x: cx - r, y: cy - r, width: 2 * r, height: 2 * r },
      { shape: 'ellipse', fill: solid('#ffffff') },
    );
    for (let hour = 1; hour <= 12; hour++) {
      const [outer, inner, place] = [at(hour / 12, 1), at(hour / 12, 0.92), at(hour / 12, 0.77)];
      draft.line('tick', outer.x, outer.y, inner.x, inner.y, { outline: draft.outline(0.06) });
      const size = r * 0.24;
      draft.words(
        'hour',
        `${hour}`,
        { x: place.x - size * 0.9, y: place.y - size * 0.7, width: size * 1.8, height: size * 1.4 },
        { style: { size: Math.max(5, Math.min(em, r * 0.19)) } },
      );
    }
    const hands = [
      { turn: (minutes / 60 / 12) % 1, share: 0.46, width: 0.22 },
      { turn: (minutes % 60) / 60, share: 0.72, width: 0.14 },
    ];
    for (const { turn, share, width } of hands) {
      const tip = at(turn, share);
      if (recipe.task === 'read') draft.line('hand', cx, cy, tip.x, tip.y, { outline: draft.outline(width) });
      else draft.keyLine(cx, cy, tip.x, tip.y);
    }
    draft.frame(
      'pin',
      { x: cx - em * 0.18, y: cy - em * 0.18, width: em * 0.36, height: em * 0.36 },
      { shape: 'ellipse', fill: solid(recipe.ink), outline: null },
    );
    const wide = Math.min(em * 4.4, box.width);
    const words = { x: cx - wide / 2, y: cy + r + em * 0.5, width: wide, height: em * 1.9 };
    if (recipe.task === 'read') draft.answer('time', timeWords(minutes), words);
    else draft.words('time', timeWords(minutes), words);
  });
}

export function drawMoney(draft: Draft, recipe: RecipeFor<'money'>): void {
  const { random, em } = draft;
  const largest = Math.max(...recipe.coins);
  draft.grid(1, recipe.count, em * 0.6).forEach((row) => {
    const coins = Array.from({ length: between(random, 2, recipe.most) }, () => pick(random, recipe.coins)).sort(
      (a, b) => b - a,
    );
    const box = em * 5.5;
    const room = row.width - box - em;
    const size = Math.min(row.height, room / recipe.most);
    coins.forEach((coin, i) => {
      // More valuable coins are larger, as in most currencies.
      const own = size * (0.62 + 0.34 * (Math.log(coin + 1) / Math.log(largest + 1)));
      const place = {
        x: row.x + i * size + (size - own) / 2,
        y: row.y + (row.height - own) / 2,
        width: own,
        height: own,
      };
      draft.frame('coin', place, { shape: 'ellipse', fill: solid(recipe.tint) });
      draft.words('worth', `${coin}${recipe.sign}`, inset(place, own * 0.16), {
        style: { size: Math.min(em, own * 0.34), bold: true },
      });
    });
    const high = Math.min(row.height, em * 2.4);
    const total = coins.reduce((sum, coin) => sum + coin, 0);
    draft.answer('total', `${total}${recipe.sign}`, {
      x: row.x + row.width - box,
      y: row.y + (row.height - high) / 2,
      width: box,
      height: high,
    });
  });
}
