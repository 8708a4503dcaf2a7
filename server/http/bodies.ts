import type { RequestHandler } from 'express';
import { MOST_BYTES, MOST_ZIPPED } from '../../core/raster/limits';

/**
 * How much may come in, asked before any of it is read: little before somebody has signed in, and then what the place needs.
 */

export const BEFORE_SIGN_IN = 16 * 1024;
const PLACES: [path: RegExp, bytes: number][] = [
  // A page with all that it may hold, in one change.
  [/^\/documents\/[^/]+\/changes(\.data)?$/, 8 * 1024 * 1024],
  [/^\/pictures(\.data)?$/, MOST_ZIPPED],
  [/^\/copies\/[^/]+\/files(\.data)?$/, MOST_BYTES],
];
const OTHERWISE = 1024 * 1024;
export const mostFor = (path: string): number => PLACES.find(([place]) => place.test(path))?.[1] ?? OTHERWISE;

const METHODS = new Set(['GET', 'HEAD', 'POST', 'DELETE']);
const READING = new Set(['GET', 'HEAD']);

export function limitBodies(isSignedIn: (cookies: string | undefined) => Promise<boolean>): RequestHandler {
  return async (req, res, next) => {
    const no = (status: number, message: string) => {
      // What is still on its way is not waited for.
      res.set('Connection', 'close').status(status).json({ message });
    };
    if (!METHODS.has(req.method)) return no(405, 'This can’t be done here.');
    if (!/^[\x21-\x7e]*$/.test(req.url) || /%00/i.test(req.url)) return no(400, 'This address can’t be read.');
    try {
      decodeURIComponent(req.path);
    } catch {
      return no(400, 'This address can’t be read.');
    }
    const said = req.headers['content-length'];
    if (req.headers['transfer-encoding'] !== undefined)
      return no(411, 'Say how long it is: what has no length is not read.');
    const length = Number(said ?? 0);
    if (READING.has(req.method)) return length > 0 ? no(400, 'Nothing is read with this kind of request.') : next();
    if (length > mostFor(req.path))
      return no(413, `This is too large: at most ${mostFor(req.path) / 1024} KB fit here.`);
    if (length > BEFORE_SIGN_IN && !(await isSignedIn(req.headers.cookie).catch(() => false)))
      return no(
        413,
        'You are signed out, or this is too large. Sign in again in another tab; what you did is kept here.',
      );
    next();
  };
}
