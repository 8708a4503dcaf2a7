import { isRouteErrorResponse } from 'react-router';

/** What a screen does when the school can't be reached: it stays, with what it last knew and all that was typed. */

/** Whether a request got no answer of ours: none at all, or one of something in between. */
export const isUnreached = (error: unknown): boolean =>
  error instanceof TypeError ||
  (error instanceof Error && error.message === 'Unable to decode turbo-stream response') ||
  (isRouteErrorResponse(error) && [502, 503, 504].includes(error.status));

export const UNREACHED = 'The school can’t be reached just now. What you typed is kept here: try again in a moment.';

/** What an action answers when nothing was reached, in the form of a problem that the screen shows. */
export type Unreached = { problem: string; field?: undefined; unreached: true };

/** For a clientAction: the server's answer, or that it could not be had. */
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

/** For shouldRevalidate: what was not reached has changed nothing, and asking again would fail, too. */
export const afterReaching = ({
  actionResult,
  defaultShouldRevalidate,
}: {
  actionResult?: unknown;
  defaultShouldRevalidate: boolean;
}) => defaultShouldRevalidate && !wasUnreached(actionResult);

/** Places that this window remembers. */
const MOST = 40;
const seen = new Map<string, unknown>();

/** For a clientLoader: what the server says or, where it can't be reached, what it said last in this window. */
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
