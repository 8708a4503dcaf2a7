import { spawn, spawnSync } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import type { Browser, Page } from '@playwright/test';
import type { Database } from '../server/database/connection';
import { addPerson, addSchool } from '../server/stores/people';

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

const TEACHER = { email: 'b@bench.example', secret: 'bench' };

/** A school with one teacher, who signs in by hand. */
export async function schoolWithTeacher(db: Database): Promise<{ schoolId: string; teacherId: string }> {
  const schoolId = await addSchool(db, 'Bench');
  return { schoolId, teacherId: await addPerson(db, { schoolId, role: 'teacher', name: 'B', ...TEACHER }) };
}

/** A window of that teacher, at the Desk. */
export async function teacherAt(browser: Browser, url: string): Promise<Page> {
  const window = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  // The runner names functions through a helper that the page has not.
  await window.addInitScript('globalThis.__name = (f) => f');
  await window.goto(url);
  await window.getByLabel('E-mail').fill(TEACHER.email);
  await window.getByLabel('Password', { exact: true }).fill(TEACHER.secret);
  await window.getByRole('button', { name: 'Sign in' }).click();
  await window.waitForURL(/desk/);
  return window;
}
