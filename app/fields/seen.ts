import { useState } from 'react';
import type { UIEvent } from 'react';

/** By so many rows that part of a list which is there moves on. */
const STEP = 10;

/**
 * Which rows of a long list are there: the first one, of `shown` at once, out of `count`. Rows are `row` pixels high; `shown` has
 * to reach `STEP` rows beyond what can be seen on either side.
 */
export function useSeen(count: number, row: number, shown: number) {
  const [from, setFrom] = useState(0);
  const onScroll = ({ currentTarget }: UIEvent) =>
    setFrom(Math.max(0, (Math.floor(currentTarget.scrollTop / row / STEP) - 1) * STEP));
  return { first: Math.max(0, Math.min(from, count - shown)), onScroll };
}
