import { isRouteErrorResponse } from 'react-router';

/** When the school can't be reached a screen stays as it was, with everything typed in it. */

/** Whether no answer of ours came: none at all, or one from something between us and the browser. */
export const isUnreached = (error: unknown): boolean =>
  error instanceof TypeError ||
  (error instanceof Error && error.message === 'Unable to decode turbo-stream response') ||
  (isRouteErrorResponse(error) && [502, 503, 504].includes(error.status));

export const UNREACHED = 'The school can’t be reached just now. What you typed is kept here: try again in a moment.';

/** What an action returns when the server can't be reached, as a problem the screen can show. */
export type Unreached = { problem: string; field?: undefined; unreached: true };

/** For a clientAction: the server's answer, or the problem that there was none. */
export async function reached<T>(serverAction: () => Promise<T>): Promise<T | Unreached> {
  try {
    return await serverAction();
  } catch (error) {
    if (isUnreached(error)) return { problem: UNREACHED, unreached: true };
    throw error;
  }
}
export const wasUnreached = (answer: unknown): boolean =>
  typeof answer === 'object' && answer !== null && 'unreached' in answer;

/** For shouldRevalidate: a request that never arrived changed nothing, and loading again would fail too. */
export const afterReaching = ({
  actionResult,
  defaultShouldRevalidate,
}: {
  actionResult?: unknown;
  defaultShouldRevalidate: boolean;
}) => defaultShouldRevalidate && !wasUnreached(actionResult);

/** How many pages this window remembers. */
const MOST = 40;
const seen = new Map<string, unknown>();

/** For a clientLoader: the server's answer, or the last one this window had when the server can't be reached. */
export async function orLast<T>(request: Request, serverLoader: () => Promise<T>): Promise<T> {
  const { pathname, search } = new URL(request.url);
  const place = pathname + search;
  try {
    const data = await serverLoader();
    seen.delete(place);
    seen.set(place, data);
    if (seen.size > MOST) seen.delete(seen.keys().next().value!);
    return data;
  } catch (error) {
    if (isUnreached(error) && seen.has(place)) return seen.get(place) as T;
    throw error;
  }
}
