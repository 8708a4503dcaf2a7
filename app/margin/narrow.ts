import { useSyncExternalStore } from 'react';

/** In a narrow, high window the margin is a band below the sheet. The same condition stands in the styles of the frame. */

const narrow = '(max-width: 900px) and (orientation: portrait)';
const onNarrow = (listener: () => void) => {
  const query = window.matchMedia(narrow);
  query.addEventListener('change', listener);
  return () => query.removeEventListener('change', listener);
};
export const useNarrow = () =>
  useSyncExternalStore(
    onNarrow,
    () => window.matchMedia(narrow).matches,
    () => false,
  );
