import { readFileSync } from 'node:fs';
import path from 'node:path';
import { createRequestHandler } from '@react-router/express';
import type { ServerBuild } from 'react-router';
import type { ViteDevServer } from 'vite';
import { listenForControl } from './backup/control';
import { savedAs } from './backup/write';
import { StartProblem } from './database/connection';
import { createApp } from './http/app';
import { isSecure, reachedFrom } from './http/settings';
import { projectRoot } from './process/place';
import { report } from './process/report';
import { openServices } from './services/services';

/** Starts the program: `node build/main.js`, or with --dev through Vite. */

const root = projectRoot();
const dataDir = path.resolve(root, process.env.DATA_DIR ?? 'data');
const dev = process.argv.includes('--dev');
const port = Number(process.env.PORT ?? 4600);
const { version } = JSON.parse(readFileSync(path.join(root, 'package.json'), 'utf8')) as { version: string };

/** What browsers and proxies need to keep a connection, and nobody needs longer. */
const TIMES = { keepAliveTimeout: 65_000, headersTimeout: 20_000, requestTimeout: 120_000 };
/** A request to stop is granted within this time, whatever runs. */
const LONGEST_STOP = 4500;

// A library that forgets to wait for something must not end the program for everybody: its jobs do so when the database is lost.
process.on('unhandledRejection', (error) => report('something that nobody waited for', error));

async function start() {
  const reached = reachedFrom(process.env);
  const services = await openServices({
    databaseUrl: process.env.DATABASE_URL || undefined,
    dataDir,
    demo: process.env.DEMO === '1',
    version,
    secure: isSecure(reached),
  });
  let vite: ViteDevServer | undefined;
  if (dev) {
    const { createServer } = await import('vite');
    vite = await createServer({ root, server: { middlewareMode: true } });
  }
  const build = vite
    ? () => vite.ssrLoadModule('virtual:react-router/server-build') as Promise<ServerBuild>
    : ((await import(path.join(root, 'build/server/index.js'))) as ServerBuild);
  const pages = createRequestHandler({
    build,
    mode: dev ? 'development' : 'production',
    getLoadContext: (req, res) => ({
      services,
      address: req.ip ?? 'unknown',
      nonce: res.locals.nonce as string,
    }),
  });
  const control = await listenForControl(dataDir, async (file) => {
    try {
      return { ok: true, message: savedAs(file, await services.backup(file)) };
    } catch (error) {
      report('a backup', error);
      return { ok: false, message: `The backup could not be written: ${(error as Error).message}` };
    }
  });
  const app = createApp(services, pages, { dev: vite?.middlewares, reached });
  const server = app.listen(port, () => console.log(`Dappled Margin ${version} listens on http://localhost:${port}`));
  Object.assign(server, TIMES);
  server.on('error', (error: NodeJS.ErrnoException) => {
    console.error(
      error.code === 'EADDRINUSE'
        ? `Port ${port} is taken by another program. Choose another one with PORT.`
        : error.message,
    );
    void services.close().finally(() => process.exit(1));
  });
  const stop = () => {
    setTimeout(() => process.exit(0), LONGEST_STOP).unref();
    control.close();
    server.close(() => void services.close().finally(() => process.exit(0)));
    // Open browser tabs keep connections alive: they must not hold the data directory.
    server.closeAllConnections();
  };
  process.once('SIGTERM', stop);
  process.once('SIGINT', stop);
}

start().catch((error: unknown) => {
  if (error instanceof StartProblem) console.error(error.message);
  else console.error(error);
  process.exit(1);
});
