import { useVirtualizer } from '@tanstack/react-virtual';
import type { RefObject } from 'react';

/** Rows kept beyond the visible ones, on either side. */
const BEYOND = 14;
/** The visible size until the list has been measured, in pixels. */
const FIRST = { width: 100, height: 700 };

/**
 * Which rows of a long list exist, and the space the others take before and after them, in pixels. All rows are `row` pixels
 * high.
 */
export function useRows(count: number, row: number, list: RefObject<HTMLElement | null>) {
  const rows = useVirtualizer({
    count,
    getScrollElement: () => list.current,
    estimateSize: () => row,
    overscan: BEYOND,
    initialRect: FIRST,
  });
  const there = rows.getVirtualItems();
  const [first, end] = there.length > 0 ? [there[0].index, there[there.length - 1].index + 1] : [0, 0];
  return { first, end, before: first * row, after: (count - end) * row };
}
