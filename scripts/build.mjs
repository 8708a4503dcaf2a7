import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { root, run, say } from './install.mjs';

/** Builds what changed: the art, the pages, the server, the workers and the demo. */

const SOURCES = [
  'app',
  'core',
  'server',
  'workers',
  'art',
  'demo',
  'public',
  'package-lock.json',
  'vite.config.ts',
  'react-router.config.ts',
  'scripts/build.mjs',
];

function* files(place) {
  if (!existsSync(place)) return;
  if (!statSync(place).isDirectory()) yield place;
  else for (const name of readdirSync(place).sort()) yield* files(path.join(place, name));
}

function stamp() {
  const hash = createHash('sha256');
  for (const source of SOURCES)
    for (const file of files(path.join(root, source)))
      if (!/\.test\.tsx?$/.test(file)) hash.update(path.relative(root, file)).update(readFileSync(file));
  return hash.digest('hex');
}

/** The art and its styles, needed by development, tests and build alike. */
export function buildArt() {
  run(process.execPath, ['--import', 'tsx', 'art/build.ts']);
  run(process.execPath, ['--import', 'tsx', 'app/theme/extract.tsx']);
}

/** The parts that run outside the pages: server, workers, demo. */
export async function buildServer() {
  const { build } = await import('esbuild');
  await build({
    absWorkingDir: root,
    entryPoints: {
      main: 'server/main.ts',
      backup: 'server/backup/cli.ts',
      'workers/export': 'workers/export.ts',
      'workers/backup': 'workers/backup.ts',
      seed: 'demo/seed.ts',
    },
    outdir: 'build',
    bundle: true,
    packages: 'external',
    platform: 'node',
    target: 'node20.19',
    format: 'esm',
    logLevel: 'warning',
  });
}

/** Stores each file of the program compressed beside it, so that the server need not do it for every browser. */
function compressProgram() {
  const place = path.join(root, 'build/client/assets');
  for (const name of readdirSync(place)) {
    const file = path.join(place, name);
    const whole = readFileSync(file);
    writeFileSync(`${file}.gz`, gzipSync(whole, { level: 9 }));
    writeFileSync(`${file}.br`, brotliCompressSync(whole, { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }));
  }
}

/** The service worker, which knows all files of the program by name. */
async function buildOffline() {
  const { build } = await import('esbuild');
  const client = path.join(root, 'build/client');
  const assets = readdirSync(path.join(client, 'assets')).sort();
  const revisionOf = (file) =>
    createHash('sha256')
      .update(readFileSync(path.join(client, file)))
      .digest('hex')
      .slice(0, 16);
  const program = [
    ...assets.map((file) => ({ url: `/assets/${file}`, revision: null })),
    ...['offline.html', 'mark.svg'].map((file) => ({ url: `/${file}`, revision: revisionOf(file) })),
  ];
  await build({
    absWorkingDir: root,
    entryPoints: { sw: 'app/offline/worker.ts' },
    outdir: 'build/client',
    bundle: true,
    minify: true,
    platform: 'browser',
    target: 'es2022',
    define: { PROGRAM: JSON.stringify(program), 'process.env.NODE_ENV': '"production"' },
    logLevel: 'warning',
  });
}

export async function build() {
  const now = stamp();
  const mark = path.join(root, 'build/stamp');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === now) return;
  say('building …');
  buildArt();
  run(process.execPath, ['node_modules/@react-router/dev/bin.js', 'build'], {
    env: { ...process.env, NODE_ENV: 'production' },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  await buildServer();
  await buildOffline();
  compressProgram();
  writeFileSync(mark, now);
}

if (import.meta.url === pathToFileURL(process.argv[1]).href) await build();
