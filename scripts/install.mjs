import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { createHash } from 'node:crypto';

/** What a fresh machine lacks, installed; plain Node, because nothing else is there yet. */

export const root = path.resolve(import.meta.dirname, '..');

export function say(text) {
  console.log(`\u001b[32m▸\u001b[0m ${text}`);
}

/** Runs a program with its output shown; ends this one when it fails. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (done.status !== 0) {
    console.error(`${command} ${args.join(' ')} failed${done.error ? `: ${done.error.message}` : ''}.`);
    process.exit(done.status || 1);
  }
}

export function installPackages() {
  const lock = readFileSync(path.join(root, 'package-lock.json'));
  const sum = createHash('sha256').update(lock).digest('hex');
  const mark = path.join(root, 'node_modules/.installed-for');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === sum) return;
  say('installing the packages (npm ci) …');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    env: { ...process.env, NODE_ENV: 'development' },
  });
  writeFileSync(mark, sum);
}

/** Debian packages whose command is missing. */
export function installDebian(wanted) {
  const missing = wanted.filter(({ present }) => !present()).map(({ name }) => name);
  if (missing.length === 0) return;
  say(`installing ${missing.join(', ')} (apt-get) …`);
  run('apt-get', ['update', '-qq'], { stdio: ['ignore', 'ignore', 'inherit'] });
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...missing], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  });
}
