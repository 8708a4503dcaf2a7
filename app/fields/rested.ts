import { startTransition, useEffect, useState } from 'react';

/** A value, taken up only after it has rested for so many milliseconds: for what is dear to draw and need not follow each letter. */
export function useRested<T>(value: T, rest: number): T {
  const [rested, setRested] = useState(() => value);
  useEffect(() => {
    if (Object.is(value, rested)) return;
    const timer = setTimeout(() => startTransition(() => setRested(() => value)), rest);
    return () => clearTimeout(timer);
  }, [value, rested, rest]);
  return rested;
}
