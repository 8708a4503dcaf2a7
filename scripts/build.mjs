import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { root, run, say } from './install.mjs';

/** Builds what changed: the art, the pages, the server, the workers and the demo. */

const SOURCES = [
  'app',
  'core',
  'server',
  'workers',
  'art',
  'demo',
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
  writeFileSync(mark, now);
}

if (import.meta.url === pathToFileURL(process.argv[1]).href) await build();
