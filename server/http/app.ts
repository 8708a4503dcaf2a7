import path from 'node:path';
import compression from 'compression';
import express from 'express';
import type { RequestHandler } from 'express';
import { projectRoot } from '../place';
import type { Services } from '../services';
import { artFolder } from '../shelf';

/** The web server around the application: what holds for every request. */

const CSP = [
  "default-src 'self'",
  // React Router puts its data into inline scripts, Ant Design its first styles into inline style elements.
  "script-src 'self' 'unsafe-inline' 'wasm-unsafe-eval'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "font-src 'self' data:",
  "connect-src 'self'",
  "frame-ancestors 'none'",
  "base-uri 'self'",
  "form-action 'self'",
].join('; ');

/** Whether a request that changes something comes from a page of our own. */
export function isOwnOrigin(origin: string | undefined, host: string | undefined): boolean {
  if (!origin) return false;
  try {
    return new URL(origin).host === host;
  } catch {
    return false;
  }
}

export function createApp(services: Services, pages: RequestHandler, settings: { dev?: RequestHandler } = {}) {
  const app = express();
  app.disable('x-powered-by');
  app.use((_req, res, next) => {
    res.set({
      'X-Content-Type-Options': 'nosniff',
      'Referrer-Policy': 'same-origin',
      ...(settings.dev ? {} : { 'Content-Security-Policy': CSP }),
    });
    next();
  });
  app.use(compression());
  app.get('/healthz', async (_req, res) => {
    try {
      await services.db.query('select 1');
      res.json({ ready: true, version: services.version, database: services.db.kind });
    } catch {
      res.status(503).json({ ready: false, version: services.version, database: services.db.kind });
    }
  });
  app.use((req, res, next) => {
    if (['GET', 'HEAD', 'OPTIONS'].includes(req.method) || isOwnOrigin(req.get('origin'), req.get('host')))
      return next();
    res
      .status(403)
      .type('text/plain')
      .send('This request did not come from a page of Dappled Margin, so it was not carried out.');
  });
  // A change of art comes with a change of program: an hour saves most requests and costs little.
  app.use('/art', express.static(artFolder(), { maxAge: '1h' }));
  if (settings.dev) app.use(settings.dev);
  else {
    const client = path.join(projectRoot(), 'build/client');
    app.use('/assets', express.static(path.join(client, 'assets'), { immutable: true, maxAge: '1y' }));
    app.use(express.static(client, { maxAge: '1h' }));
  }
  app.use(pages);
  return app;
}
