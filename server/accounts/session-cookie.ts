import { createCookie } from 'react-router';

/** Our cookies: who is signed in, and which device it is. They hold random tokens, of which only hashes are stored. */

const DAYS_OF_DEVICE = 400;

export function cookiesFor(secure: boolean) {
  const base = { httpOnly: true, sameSite: 'lax', path: '/', secure } as const;
  return {
    session: createCookie('dappled', base),
    device: createCookie('dappled-device', { ...base, maxAge: DAYS_OF_DEVICE * 86_400 }),
  };
}
export type Cookies = ReturnType<typeof cookiesFor>;

/** The token in a cookie. Null if there is none, or it is not ours. */
export async function tokenIn(cookie: Cookies['session'], header: string | null | undefined): Promise<string | null> {
  const token: unknown = await cookie.parse(header ?? null).catch(() => null);
  return typeof token === 'string' && /^[\w-]{20,60}$/.test(token) ? token : null;
}
