import { spawn, spawnSync } from 'node:child_process';
import { chownSync, existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { once } from 'node:events';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { installDebian, installPackages, root, say } from './install.mjs';

/** npm test: installs what is missing, then type check, lint, unit tests and end-to-end tests. The demo's data stays untouched. */

const has = (command) => spawnSync('which', [command]).status === 0;
const postgresBin = () => {
  const base = '/usr/lib/postgresql';
  if (!existsSync(base)) return null;
  const [newest] = readdirSync(base).sort((a, b) => Number(b) - Number(a));
  const bin = newest && path.join(base, newest, 'bin');
  return bin && existsSync(path.join(bin, 'initdb')) ? bin : null;
};

installPackages();
installDebian([
  { name: 'chromium-headless-shell', present: () => existsSync('/usr/bin/chromium-headless-shell') },
  { name: 'poppler-utils', present: () => has('pdftocairo') },
  { name: 'postgresql', present: () => postgresBin() !== null },
]);

say('building, type check and lint, side by side …');
// Each is one thread's work; together they keep two cores busy.
const [built, checked] = await Promise.all([
  ended('scripts/build.mjs', [], 'inherit'),
  inTurn([
    ['node_modules/@react-router/dev/bin.js', ['typegen'], 'ignore'],
    ['node_modules/typescript/bin/tsc', ['--noEmit'], 'inherit'],
    ['node_modules/eslint/bin/eslint.js', ['.'], 'inherit'],
    [
      'node_modules/dependency-cruiser/bin/dependency-cruise.mjs',
      ['core', 'app', 'server', 'workers', 'demo', 'art', '--config', '.dependency-cruiser.mjs'],
      'inherit',
    ],
    ['node_modules/prettier/bin/prettier.cjs', ['--check', '--log-level', 'warn', '.'], 'inherit'],
  ]),
]);
if (!built || !checked) process.exit(1);

const results = path.join(root, 'test-results');
rmSync(results, { recursive: true, force: true });
mkdirSync(results, { recursive: true });

const postgres = await startPostgres();
let unit, e2e;
try {
  say('unit tests …');
  unit = spawnSync(
    process.execPath,
    [
      'node_modules/vitest/vitest.mjs',
      'run',
      '--reporter=default',
      '--reporter=json',
      '--outputFile.json=test-results/unit.json',
    ],
    {
      cwd: root,
      stdio: 'inherit',
      env: { ...process.env, TEST_DATABASE_URL: postgres.url },
    },
  );
} finally {
  postgres.stop();
}
say('end-to-end tests …');
e2e = spawnSync(process.execPath, ['node_modules/@playwright/test/cli.js', 'test'], { cwd: root, stdio: 'inherit' });

const read = (file) =>
  existsSync(path.join(results, file)) ? JSON.parse(readFileSync(path.join(results, file), 'utf8')) : null;
const [units, ends] = [read('unit.json'), read('e2e.json')];
const passed = (units?.numPassedTests ?? 0) + (ends ? ends.stats.expected + ends.stats.flaky : 0);
let failed = (units?.numFailedTests ?? 0) + (ends ? ends.stats.unexpected : 0);
// A runner that broke before it could count is a failure too.
if (failed === 0 && (unit.status !== 0 || e2e.status !== 0)) failed = 1;
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);

/** Whether a script of Node came to a good end; where it did not, that is said. */
async function ended(script, args, output) {
  const child = spawn(process.execPath, [script, ...args], { cwd: root, stdio: ['ignore', output, 'inherit'] });
  const [code] = await once(child, 'exit');
  if (code !== 0) console.error(`${script} ${args.join(' ')} failed.`);
  return code === 0;
}

async function inTurn(scripts) {
  for (const [script, args, output] of scripts) if (!(await ended(script, args, output))) return false;
  return true;
}

/** A PostgreSQL server of our own, on a free port in a temporary directory. PostgreSQL refuses to run as root. */
async function startPostgres() {
  const bin = postgresBin();
  const directory = mkdtempSync(path.join(tmpdir(), 'dappled-postgres-'));
  const asRoot = process.getuid?.() === 0;
  const lookup = (flag) => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);
  const owner = asRoot ? { uid: lookup('-u'), gid: lookup('-g') } : {};
  if (asRoot) chownSync(directory, owner.uid, owner.gid);
  const options = { ...owner, cwd: directory, env: { ...process.env, HOME: directory, LC_ALL: 'C.UTF-8' } };
  const made = spawnSync(
    path.join(bin, 'initdb'),
    ['-D', path.join(directory, 'data'), '-A', 'trust', '-U', 'postgres', '-E', 'UTF8'],
    { ...options, encoding: 'utf8' },
  );
  if (made.status !== 0) throw new Error(`initdb failed: ${made.stderr}`);
  const port = await new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port: free } = probe.address();
      probe.close(() => resolve(free));
    });
  });
  const server = spawn(
    path.join(bin, 'postgres'),
    [
      '-D',
      path.join(directory, 'data'),
      '-p',
      String(port),
      '-k',
      directory,
      '-c',
      'listen_addresses=127.0.0.1',
      '-c',
      'fsync=off',
    ],
    { ...options, stdio: 'ignore' },
  );
  for (
    let tries = 0;
    spawnSync(path.join(bin, 'pg_isready'), ['-q', '-h', '127.0.0.1', '-p', String(port)]).status !== 0;
    tries++
  ) {
    if (tries > 100 || server.exitCode !== null) throw new Error('PostgreSQL did not start');
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return {
    url: `postgres://postgres@127.0.0.1:${port}/postgres`,
    stop() {
      server.kill('SIGINT');
      server.on('exit', () => rmSync(directory, { recursive: true, force: true }));
    },
  };
}
