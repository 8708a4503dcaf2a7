import { useFetcher } from 'react-router';

/** What can be done on the Desk without leaving it, and what came of it. */

export type Fields = Record<string, string>;

/** `undo`: what takes it back. */
export type Answer = {
  problem: string | null;
  field?: string;
  said: string | null;
  undo: Fields | null;
  folderId?: string;
};

/** The same everywhere on the screen: there is one answer at a time. */
export function useActing() {
  const fetcher = useFetcher<Answer>({ key: 'desk' });
  return {
    act: (fields: Fields) => void fetcher.submit(fields, { method: 'post', action: '/desk' }),
    answer: fetcher.state === 'idle' ? fetcher.data : undefined,
    seen: () => fetcher.reset(),
  };
}
