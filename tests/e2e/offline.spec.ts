import http from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Page } from '@playwright/test';
import { drawn, enter, expect, House, onSheet, saved, test, signedIn } from './house';

/** A whole lesson without a network: the program and what was opened are there, reloads included. */

/** Waits until the program, this page and the art it shows are kept. */
async function kept(page: Page, paths: readonly string[]): Promise<void> {
  await expect
    .poll(
      () =>
        page.evaluate(async (wanted) => {
          const registration = await navigator.serviceWorker.getRegistration();
          if (!registration?.active) return ['the program'];
          const own = await caches.open('dappled-own');
          const there = await Promise.all(wanted.map((path) => own.match(path)));
          return wanted.filter((_, i) => !there[i]);
        }, paths),
      { timeout: 150_000 },
    )
    .toEqual([]);
}

/** Types at the end of the first box that may be filled in. */
async function write(page: Page, words: string): Promise<void> {
  await page.locator('[data-stage]').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await page.keyboard.press('End');
  await page.keyboard.type(words);
}

test('a copy that was opened is worked on without a network, over reloads; nothing is lost, and nothing stays behind', async ({
  browser,
}) => {
  const house = await House.open();
  try {
    const page = await enter(browser, house, 'Ines', { worker: true });
    await page
      .getByRole('link', { name: /Parts of the grey heron/ })
      .first()
      .click();
    await page.waitForURL(/\/copies\//);
    await drawn(page);
    const copy = new URL(page.url()).pathname;
    await kept(page, [copy]);
    await write(page, ' before');
    await saved(page);

    await house.kill();
    await page.reload();
    await drawn(page);
    // What was saved after the page was kept is there too.
    await expect(onSheet(page)).toContainText('before');
    await write(page, ' during');
    await expect(page.locator('.save-words_words')).toContainText(/Offline/);
    await page.reload();
    await drawn(page);
    await expect(onSheet(page)).toContainText('before during');
    // A page that was not opened says so, and shows the way to what can be worked on.
    await page.goto('/copies/another');
    await expect(page.getByRole('heading', { name: 'The school can’t be reached' })).toBeVisible();
    await page.goto(copy);
    await drawn(page);

    await house.start();
    await saved(page);
    const again = await signedIn(browser, house, 'Ines');
    await again.goto(copy);
    await expect(onSheet(again)).toContainText('before during');

    await page.goto('/tray');
    await kept(page, ['/tray', copy]);
    await page.getByRole('button', { name: 'Sign out' }).click();
    await page.waitForURL(`${house.url}/`);
    expect(await page.evaluate(() => caches.has('dappled-own'))).toBe(false);
    const left = await page.evaluate(async () => {
      const opened = indexedDB.open('dappled-margin');
      await new Promise((resolve) => opened.addEventListener('success', resolve));
      const tx = opened.result.transaction(['confirmed', 'pending']);
      const counts = ['confirmed', 'pending'].map((store) => tx.objectStore(store).count());
      await new Promise((resolve) => tx.addEventListener('complete', resolve));
      return counts.map(({ result }) => result);
    });
    expect(left).toEqual([0, 0]);
  } finally {
    await house.close();
  }
});

/** What stands before the house, and lets it have a newer version: with another worker, and without one of the old files. */
class Gate {
  private server: http.Server;
  /** The old file, from when the version is newer. */
  gone: string | null = null;
  constructor(house: House) {
    this.server = http.createServer((asked, answer) => {
      if (asked.url === this.gone) return void answer.writeHead(404).end();
      const renewed = asked.url === '/sw.js' && this.gone !== null;
      const headers = renewed ? { ...asked.headers, 'accept-encoding': 'identity' } : asked.headers;
      const passed = http.request(`${house.url}${asked.url}`, { method: asked.method, headers }, (given) => {
        if (!renewed) {
          answer.writeHead(given.statusCode!, given.headers);
          return void given.pipe(answer);
        }
        let text = '';
        given.on('data', (part: Buffer) => (text += part.toString()));
        given.on('end', () => {
          const newer = text.replace(`{url:"${this.gone}",revision:null}`, '{url:"/mark.svg?newer",revision:"1"}');
          answer.writeHead(200, { 'content-type': 'text/javascript', 'cache-control': 'no-cache' }).end(newer);
        });
      });
      passed.on('error', () => answer.destroy());
      asked.pipe(passed);
    });
  }
  async open(): Promise<string> {
    await new Promise<void>((resolve) => this.server.listen(0, resolve));
    return `http://localhost:${(this.server.address() as AddressInfo).port}`;
  }
  close(): void {
    this.server.closeAllConnections();
    this.server.close();
  }
}

test('a new version waits until all windows of the old one are closed; no window mixes the two', async ({
  browser,
  house,
}) => {
  const gate = new Gate(house);
  const context = await browser.newContext({ baseURL: await gate.open(), serviceWorkers: 'allow' });
  try {
    const page = await context.newPage();
    await page.goto('/');
    await page.getByRole('button', { name: /Ines/ }).click();
    await page.waitForURL(/\/tray$/);
    await kept(page, ['/tray']);
    const file = (await page.evaluate(async () => {
      for (const name of (await caches.keys()).filter((name) => name.includes('precache')))
        for (const { url } of await (await caches.open(name)).keys())
          if (url.includes('/assets/credits')) return new URL(url).pathname;
      return null;
    }))!;
    const status = (of: Page) =>
      of.evaluate((path) => fetch(path, { cache: 'no-store' }).then((answer) => answer.status), file);
    const waits = (of: Page) =>
      of.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.waiting != null);

    gate.gone = file;
    await page.evaluate(async () => void (await (await navigator.serviceWorker.getRegistration())?.update()));
    await expect.poll(() => waits(page)).toBe(true);
    // The old window has all of its files, also those that the server has no longer.
    expect(await status(page)).toBe(200);
    // Another page comes whole, from the new version.
    const whole = page.waitForRequest((request) => request.isNavigationRequest() && /\/copies\//.test(request.url()));
    await page
      .getByRole('link', { name: /Parts of the grey heron/ })
      .first()
      .click();
    await whole;
    await drawn(page);
    expect(await waits(page)).toBe(true);
    await page.close();

    const next = await context.newPage();
    await expect(async () => {
      await next.goto('/tray');
      const old = await waits(next);
      // Left again, so that for a moment no window is open.
      if (old) await next.goto('about:blank');
      expect(old).toBe(false);
      expect(await status(next)).toBe(404);
    }).toPass();
    await kept(next, ['/tray']);
  } finally {
    await context.close();
    gate.close();
  }
});
