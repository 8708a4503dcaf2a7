import { useVirtualizer } from '@tanstack/react-virtual';
import type { RefObject } from 'react';

/** Rows beyond those that can be seen, on either side. */
const BEYOND = 14;
/** What is taken to be seen until the list was measured, in pixels. */
const FIRST = { width: 100, height: 700 };

/**
 * Which rows of a long list are there, and the room that the others take before and after them, in pixels. All rows are `row`
 * pixels high.
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
