import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../tests/support/chromium';
import type { Figure } from './measure';
import { figure, median } from './measure';
import { Served } from './server';

/** Reading the pieces of the demo's class in a real browser: from the key to the next piece painted. */

const PORT = 4690;
/** Milliseconds for which a piece is looked at; the next is fetched meanwhile. */
const LOOKED_AT = 1500;
const PIECES = 16;

export async function run(): Promise<Figure[]> {
  const folder = mkdtempSync(path.join(tmpdir(), 'dappled-bench-'));
  const env = { DATA_DIR: folder, DATABASE_URL: '', DEMO: '1' };
  spawnSync(process.execPath, ['build/seed.js'], { env: { ...process.env, ...env } });
  const server = await Served.start(PORT, env, 'ignore');
  const browser = await chromium.launch(CHROMIUM);
  try {
    const url = server.base;
    const window = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await window.goto(url, { waitUntil: 'networkidle' });
    await window.getByRole('button', { name: /Maren/ }).click();
    await window.waitForURL(/desk/);
    await window.locator('.handouts_open', { hasText: 'grey heron' }).click();
    await window.locator('.spread_card').first().waitFor();
    await window.getByRole('link', { name: 'Start reading' }).click();
    await window.locator('.page-view').waitFor();
    await window.waitForLoadState('networkidle');
    const times: number[] = [];
    for (let i = -2; i < PIECES; i++) {
      const time = await window.evaluate(async () => {
        const name = () => document.querySelector('h2')!.textContent;
        const [before, begun] = [name(), performance.now()];
        globalThis.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight' }));
        while (name() === before && performance.now() - begun < 10_000)
          await new Promise((resolve) => requestAnimationFrame(resolve));
        await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
        return performance.now() - begun;
      });
      if (i >= 0) times.push(time);
      await window.waitForTimeout(LOOKED_AT);
    }
    return [figure(`the next of ${PIECES} pieces, key to paint`, median(times), 100, 1, 'ms')];
  } finally {
    await browser.close();
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
