import { spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import path from 'node:path';

export const SEEDED = path.resolve('test-results/seeded');

/** Seeds one demo school, in a directory of its own, for all tests to copy. */
export default function prepare() {
  rmSync(SEEDED, { recursive: true, force: true });
  const done = spawnSync(process.execPath, ['build/seed.js'], {
    env: { ...process.env, DATA_DIR: SEEDED, DATABASE_URL: '' },
    encoding: 'utf8',
  });
  if (done.status !== 0) throw new Error(`the demo school could not be made: ${done.stdout}${done.stderr}`);
}
