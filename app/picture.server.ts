import { z } from 'zod';
import { MOST_VERSIONS } from '../core/handout/deal';
import { refusedWork } from './who.server';

/** A page of a sheet as an address names it, from 0. */
export const PageNumber = z.coerce.number().int().min(0);

/** A version of a handout as an address names it, from 0. */
export const VersionNumber = z.coerce
  .number()
  .int()
  .min(0)
  .max(MOST_VERSIONS - 1);

/** An SVG picture of somebody's sheet. Never stored, since computers are shared. @throws 422 or 503 when it is not drawn */
export async function svgAnswer(drawn: Promise<string>): Promise<Response> {
  const svg = await drawn.catch((error: unknown) => {
    throw refusedWork(error);
  });
  return new Response(svg, {
    headers: {
      'Content-Type': 'image/svg+xml',
      'Cache-Control': 'private, no-store',
      // Opened by itself, a picture must not run anything.
      'Content-Security-Policy': "default-src 'none'; img-src data:; style-src 'unsafe-inline'",
    },
  });
}
