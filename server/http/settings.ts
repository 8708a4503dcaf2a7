import { StartProblem } from '../database/connection';

/** How the program is reached, as the environment says it. */
export type Reached = {
  /**
   * PUBLIC_URL: the address in browsers, when the program stands behind https. Cookies are then sent over https only, browsers are
   * told to keep to it, and what changes something has to come from this very origin.
   */
  origin: string | null;
  /** TRUST_PROXY: how many proxies of one's own stand before it. Only then are their headers believed. */
  proxies: number;
};

/** @throws StartProblem for what can't be meant */
export function reachedFrom(env: Record<string, string | undefined>): Reached {
  let origin: string | null = null;
  if (env.PUBLIC_URL) {
    try {
      const url = new URL(env.PUBLIC_URL);
      if (url.protocol !== 'https:' && url.protocol !== 'http:') throw new TypeError('no web address');
      origin = url.origin;
    } catch {
      throw new StartProblem('PUBLIC_URL is no address. Write it as https://sheets.school.example');
    }
  }
  const proxies = Number(env.TRUST_PROXY ?? 0);
  if (!Number.isInteger(proxies) || proxies < 0 || proxies > 10)
    throw new StartProblem('TRUST_PROXY is the number of proxies before this program: 0, or 1 behind one.');
  return { origin, proxies };
}

export const isSecure = ({ origin }: Reached) => origin?.startsWith('https:') ?? false;
