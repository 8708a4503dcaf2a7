import { useEffect } from 'react';
import { useRevalidator } from 'react-router';

/** The longest that a browser can wait, in milliseconds; by then the page has been opened anew. */
const LONGEST = 2 ** 31 - 1;
/** The server's clock may be a little behind. */
const MARGIN = 500;

/**
 * Loads the screen again when a moment has come.
 * @param at null: there is none
 * @param now the time that it is measured from; this window's own clock without it
 */
export function useLoadAgain(at: Date | null, now?: number): void {
  const { revalidate } = useRevalidator();
  const moment = at === null ? null : +at;
  useEffect(() => {
    if (moment === null) return;
    const left = moment - (now ?? Date.now());
    if (left > LONGEST) return;
    const timer = setTimeout(() => void revalidate(), Math.max(left, 0) + MARGIN);
    return () => clearTimeout(timer);
  }, [moment, now]); // eslint-disable-line react-hooks/exhaustive-deps
}
