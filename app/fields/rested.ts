import { startTransition, useEffect, useState } from 'react';

/** A value that follows only after a pause, in milliseconds: for what is slow to draw and need not follow each letter. */
export function useRested<T>(value: T, rest: number): T {
  const [rested, setRested] = useState(() => value);
  useEffect(() => {
    if (Object.is(value, rested)) return;
    const timer = setTimeout(() => startTransition(() => setRested(() => value)), rest);
    return () => clearTimeout(timer);
  }, [value, rested, rest]);
  return rested;
}
