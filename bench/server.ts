import { spawn, spawnSync } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';

/** The built server, measured from outside. */

const PAGE_BYTES = 4096;

export class Served {
  private constructor(
    readonly base: string,
    private child: ChildProcess,
  ) {}

  /** Starts it and waits until it answers. */
  static async start(
    port: number,
    env: Record<string, string>,
    log: 'inherit' | 'ignore' = 'inherit',
  ): Promise<Served> {
    if (!existsSync('build/main.js')) spawnSync(process.execPath, ['scripts/build.mjs'], { stdio: 'inherit' });
    const child = spawn(process.execPath, ['build/main.js'], {
      env: { ...process.env, ...env, PORT: `${port}`, NODE_ENV: 'production' },
      stdio: ['ignore', 'ignore', log],
    });
    const served = new Served(`http://localhost:${port}`, child);
    for (let i = 0; i < 300 && !(await served.isWell()); i++) await new Promise((resolve) => setTimeout(resolve, 100));
    return served;
  }

  get ended(): boolean {
    return this.child.exitCode !== null;
  }
  /** What it has in memory, in millions of bytes. */
  get memory(): number {
    return (Number(readFileSync(`/proc/${this.child.pid}/statm`, 'utf8').split(' ')[1]) * PAGE_BYTES) / 1e6;
  }
  isWell(): Promise<boolean> {
    return fetch(`${this.base}/healthz`).then(
      (answer) => answer.ok,
      () => false,
    );
  }
  async stop(): Promise<void> {
    const gone = this.ended ? null : new Promise((resolve) => this.child.once('exit', resolve));
    this.child.kill('SIGTERM');
    await gone;
  }
}

/** The cookie of somebody who is signed in. */
export const cookieOf = (token: string) =>
  `dappled=${encodeURIComponent(Buffer.from(JSON.stringify(token)).toString('base64'))}`;
