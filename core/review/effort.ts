/** How much went into the pieces of a class, in groups of like numbers. */

/** Seconds without a change that still count as work. */
export const PAUSE = 300;

/** From and up to, both whole numbers and both within. */
export type Span = { from: number; to: number };

const STEPS = [1, 2, 5, 10, 15, 20, 30, 60, 100, 200, 500, 1000, 2000, 5000, 10_000];
const MOST = 6;

/** Spans of one width, at most six, from the one with the least number to the one with the most. Numbers are whole, from 0. */
export function spansOf(numbers: readonly number[]): Span[] {
  if (numbers.length === 0) return [];
  const [least, most] = [Math.min(...numbers), Math.max(...numbers)];
  const first = (step: number) => Math.floor(least / step);
  const last = (step: number) => Math.floor(most / step);
  const step = STEPS.find((one) => last(one) - first(one) < MOST) ?? Math.ceil((most + 1) / MOST);
  return Array.from({ length: last(step) - first(step) + 1 }, (_, i) => {
    const from = (first(step) + i) * step;
    return { from, to: from + step - 1 };
  });
}

export const isWithin = (number: number, { from, to }: Span): boolean => number >= from && number <= to;

/** The number in the middle; the lower of two. null for none. */
export function middleOf(numbers: readonly number[]): number | null {
  const sorted = numbers.toSorted((a, b) => a - b);
  return sorted[Math.floor((sorted.length - 1) / 2)] ?? null;
}
