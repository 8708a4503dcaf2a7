import { randomBytes } from 'node:crypto';
import { createRequire } from 'node:module';
import path from 'node:path';
import compression from 'compression';
import express from 'express';
import type { RequestHandler } from 'express';
import sirv from 'sirv';
import { projectRoot } from '../process/place';
import type { Services } from '../services/services';
import { artFolder } from '../art/shipped';
import { personOf } from '../stores/sign-in';
import { severalPictures } from './several-pictures';
import { limitBodies } from './bodies';
import { tokenIn } from '../accounts/session-cookie';
import type { Reached } from './settings';
import { isSecure } from './settings';

/** The web server around the application: what holds for every request. */

const policy = (nonce: string) =>
  [
    "default-src 'self'",
    // React Router puts its data into inline scripts, which carry this answer's own word.
    `script-src 'self' 'nonce-${nonce}' 'wasm-unsafe-eval'`,
    // Ant Design and React set styles on elements.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self' data:",
    // What was spoken and has not been sent yet.
    "media-src 'self' data:",
    "connect-src 'self'",
    "frame-ancestors 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "object-src 'none'",
  ].join('; ');

/** Whether a request that changes something comes from a page of our own: the same scheme, name and port. */
export function isOwnOrigin(origin: string | undefined, host: string | undefined, own: string | null): boolean {
  if (!origin) return false;
  try {
    return new URL(origin).origin === (own ?? new URL(`http://${host}`).origin);
  } catch {
    return false;
  }
}

const reader = (() => {
  const require = createRequire(import.meta.url);
  const { version } = require('pdfjs-dist/package.json') as { version: string };
  return { version, place: path.dirname(require.resolve('pdfjs-dist/package.json')) };
})();

/** In seconds. */
const YEAR = 365 * 24 * 3600;
const NO_CACHE = { 'Cache-Control': 'no-cache' };

export type PageSettings = { dev?: RequestHandler; reached: Reached };

export function createApp(services: Services, pages: RequestHandler, { dev, reached }: PageSettings) {
  const app = express();
  app.disable('x-powered-by');
  if (reached.proxies > 0) app.set('trust proxy', reached.proxies);
  app.use((_req, res, next) => {
    const nonce = randomBytes(16).toString('base64');
    res.locals.nonce = nonce;
    res.set({
      'X-Content-Type-Options': 'nosniff',
      'Referrer-Policy': 'same-origin',
      'Cross-Origin-Opener-Policy': 'same-origin',
      'Permissions-Policy': 'camera=(), microphone=(self), geolocation=()',
      ...(dev ? {} : { 'Content-Security-Policy': policy(nonce) }),
      ...(isSecure(reached) ? { 'Strict-Transport-Security': 'max-age=31536000' } : {}),
    });
    next();
  });
  app.use(compression());
  app.get('/healthz', async (_req, res) => {
    const health = await services.health();
    res.status(health.ready ? 200 : 503).json(health);
  });
  app.use(
    limitBodies(async (cookies) => {
      const token = await tokenIn(services.cookies.session, cookies);
      return token !== null && (await personOf(services.db, token)) !== undefined;
    }),
  );
  app.use((req, res, next) => {
    if (['GET', 'HEAD'].includes(req.method) || isOwnOrigin(req.get('origin'), req.get('host'), reached.origin))
      return next();
    res
      .status(403)
      .type('text/plain')
      .send(
        'This request did not come from a page of Dappled Margin, so it was not carried out. ' +
          'Behind https, PUBLIC_URL has to say the address that browsers use.',
      );
  });
  // The names of parts are told by a route of their own, to teachers.
  app.use('/art/kept', (_req, res) => void res.status(404).end());
  app.get('/art/several', severalPictures(path.join(artFolder(), 'pictures')));
  // A change of art comes with a change of program: an hour saves most requests and costs little.
  app.use('/art', express.static(artFolder(), { maxAge: '1h' }));
  // Reads PDF files in the browser, with all that it needs for it; loaded only where somebody brings one.
  for (const part of ['legacy/build', 'cmaps', 'standard_fonts', 'wasm', 'iccs'])
    app.use(`/pdf/${reader.version}/${part}`, express.static(path.join(reader.place, part), { maxAge: '1h' }));
  if (dev) app.use(dev);
  else {
    const client = path.join(projectRoot(), 'build/client');
    const assets = { immutable: true, maxAge: YEAR, gzip: true, brotli: true };
    app.use('/assets', sirv(path.join(client, 'assets'), assets));
    // Which version there is, is asked for anew each time.
    app.get('/sw.js', (_req, res) =>
      res.sendFile(path.join(client, 'sw.js'), { cacheControl: false, headers: NO_CACHE }),
    );
    app.use(express.static(client, { maxAge: '1h' }));
  }
  // Pages, data and pictures are somebody's own: on a shared machine nothing of them stays behind.
  app.use((_req, res, next) => {
    res.set('Cache-Control', 'private, no-store');
    next();
  });
  app.use(pages);
  return app;
}
