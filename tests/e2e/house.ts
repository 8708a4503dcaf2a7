import type { Wanted } from '../../server/exports/exports';
import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { cpSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { test as base, expect } from '@playwright/test';
import type { Browser, BrowserContext, Locator, Page } from '@playwright/test';
import { SEEDED } from './prepare';

/** A server on its own copy of the demo school, for one or more test files. */
export class House {
  private server: ChildProcess | undefined;
  url = '';
  /** What the server has written to its log. */
  said = '';
  private constructor(readonly dataDir: string) {}

  /** With the demo school, or with nobody in it. */
  static async open(school: 'demo' | 'none' = 'demo'): Promise<House> {
    const dataDir = mkdtempSync(path.join(tmpdir(), 'dappled-e2e-'));
    if (school === 'demo') cpSync(SEEDED, dataDir, { recursive: true });
    rmSync(path.join(dataDir, 'lock'), { force: true });
    const house = new House(dataDir);
    house.url = `http://localhost:${await freePort()}`;
    await house.start();
    return house;
  }

  /** Starts the server and waits until it answers. */
  async start(): Promise<void> {
    const env = {
      ...process.env,
      PORT: new URL(this.url).port,
      DATA_DIR: this.dataDir,
      DATABASE_URL: '',
      DEMO: '1',
      NODE_ENV: 'production',
    };
    const server = spawn(process.execPath, ['build/main.js'], { env, stdio: ['ignore', 'pipe', 'pipe'] });
    this.said = '';
    server.stdout.on('data', (chunk: Buffer) => (this.said += chunk.toString()));
    server.stderr.on('data', (chunk: Buffer) => (this.said += chunk.toString()));
    this.server = server;
    await expect
      .poll(
        async () => {
          if (server.exitCode !== null) throw new Error(`the server ended: ${this.said}`);
          return fetch(`${this.url}/healthz`).then(
            (answer) => answer.ok,
            () => false,
          );
        },
        { timeout: 150_000, intervals: [100] },
      )
      .toBe(true);
  }

  /** Asks the server to stop, as an administrator would. Returns how long that took, in milliseconds. */
  async stop(): Promise<number> {
    const began = Date.now();
    const ended = once(this.server!, 'exit');
    this.server!.kill('SIGTERM');
    await ended;
    return Date.now() - began;
  }

  get pid(): number {
    return this.server!.pid!;
  }

  /** Kills the server, as a power cut would. */
  async kill(): Promise<void> {
    const { server } = this;
    if (!server || server.exitCode !== null) return;
    const ended = once(server, 'exit');
    server.kill('SIGKILL');
    await ended;
  }

  async close(): Promise<void> {
    await this.kill();
    rmSync(this.dataDir, { recursive: true, force: true });
  }
}

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });
}

/** Windows that are open, each with the address of its house. */
const open = new Map<BrowserContext, string>();

export const test = base.extend<{ tidy: void }, { house: House }>({
  /** Closes what a test opened. What the whole file shares stays open. */
  tidy: [
    async ({}, use) => {
      const shared = new Set(open.keys());
      await use();
      for (const context of open.keys()) {
        if (shared.has(context)) continue;
        open.delete(context);
        await context.close();
      }
    },
    { auto: true },
  ],
  house: [
    async ({}, use) => {
      const house = await House.open();
      await use(house);
      await house.close();
    },
    { scope: 'worker' },
  ],
});
export { expect };

/** `worker`: with the service worker, which fetches the whole program. Few walks are about that. */
type Window = { worker?: boolean };

/** Walks that lose the network have all parts fetched ahead of time; the others are browsers that were asked to save data. */
const losesNetwork = (file: string) => /setOffline|abort\(|kill\(|stop\(/.test(readFileSync(file, 'utf8'));

/** A browser window of its own, at the front page. */
export async function visit(browser: Browser, house: House, kind?: Window): Promise<Page> {
  const page = await openWindow(browser, house, kind);
  await page.goto('/');
  return page;
}

export async function openWindow(browser: Browser, house: House, { worker = false }: Window = {}): Promise<Page> {
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    baseURL: house.url,
    acceptDownloads: true,
    serviceWorkers: worker ? 'allow' : 'block',
  });
  open.set(context, house.url);
  if (!worker && !losesNetwork(test.info().file))
    await context.addInitScript(() =>
      Object.defineProperty(navigator, 'connection', { value: { saveData: true }, configurable: true }),
    );
  return context.newPage();
}

/** A window of somebody of the demo, in which nothing is open yet. Most walks begin on a page that costs less than the Desk. */
export async function signedIn(browser: Browser, house: House, name: string, kind?: Window): Promise<Page> {
  const page = await openWindow(browser, house, kind);
  const front = await (await page.context().request.get('/')).text();
  const doors = [...front.matchAll(/<button[^>]*name="person"[^>]*>/g)].map(
    ([door]) => /value="([^"]*)"/.exec(door)![1]!,
  );
  const person = doors.find((door) => door.includes(name))!;
  await sent(page, '/?index', { as: 'demo', person });
  return page;
}

/** Sends a form as its screen does. Returns the address that the answer leads to. */
async function sent(page: Page, to: string, form: Record<string, string>): Promise<string> {
  const context = page.context();
  const headers = { origin: open.get(context)! };
  const answer = await context.request.post(to, { form, headers, maxRedirects: 0 });
  expect(answer.status()).toBe(302);
  return answer.headers()['location']!;
}

/** A teacher who has no door of the demo. */
export async function entered(
  browser: Browser,
  house: House,
  { email, password }: { email: string; password: string },
): Promise<Page> {
  const page = await openWindow(browser, house);
  await page.goto('/');
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password', { exact: true }).fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page).toHaveURL(/desk/);
  return page;
}

/** Somebody of the demo at the page where signing in leads to. */
export async function enter(browser: Browser, house: House, name: string, kind?: Window): Promise<Page> {
  const page = await signedIn(browser, house, name, kind);
  await page.goto('/');
  await page.waitForURL(/\/(desk|tray)$/);
  return page;
}

/** A student signs in with class code, name and pictures. */
export async function join(
  browser: Browser,
  house: House,
  code: string,
  name: string,
  pictures: string[],
): Promise<Page> {
  const page = await visit(browser, house);
  await page.getByLabel('Class code').fill(code);
  await page.getByRole('button', { name: 'Find my class' }).click();
  await page.getByRole('button', { name, exact: true }).click();
  for (const picture of pictures) await page.getByRole('button', { name: picture, exact: true }).click();
  await page.waitForURL(/\/tray$/);
  return page;
}

/** Hands a copy in after a last look, whatever it still lacks. */
export async function handIn(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Hand in' }).click();
  await page
    .getByRole('region', { name: 'A last look' })
    .getByRole('button', { name: /^Hand (it in|in anyway)$/ })
    .click();
}

/** Presses until it has worked: a page that is not alive yet hears nothing, and a busy one answers late. */
export async function pressed(button: Locator, shows: Locator): Promise<void> {
  await expect(async () => {
    if (!(await shows.isVisible())) await button.click({ timeout: 5000 });
    await expect(shows).toBeVisible({ timeout: 5000 });
  }).toPass();
}

/** Waits until the sheet is drawn. */
export async function drawn(page: Page): Promise<void> {
  await expect(page.locator('.page-view')).toBeVisible();
}

export const saved = (page: Page) => expect(page.locator('.save-words_words')).toContainText(/^Saved/);

/** Opens a compartment of the supply drawer. */
export async function compartment(page: Page, name: string): Promise<void> {
  const tab = page.locator('.drawer_tab', { hasText: name });
  if ((await tab.getAttribute('aria-selected')) !== 'true') await tab.click();
}

/** Puts a supply on the sheet by a press in the drawer. */
export async function supply(page: Page, from: string, name: string): Promise<void> {
  await compartment(page, from);
  if (from === 'Shapes') await page.getByLabel('Find a shape').fill(name);
  await page
    .getByRole('tabpanel', { name: from })
    .getByRole('button', { name: just(name) })
    .click();
}

/** Puts something made on the sheet by a press in the drawer. */
export async function made(page: Page, name: RegExp | string): Promise<void> {
  await compartment(page, 'Makers');
  await page.getByRole('tabpanel', { name: 'Makers' }).getByRole('button', { name }).click();
}

/** Pastes a text where the cursor stands, as HTML too where that is given. */
export const paste = (page: Page, text: string, html = '') =>
  page.evaluate(
    ([words, marked]) => {
      const data = new DataTransfer();
      data.setData('text/plain', words);
      if (marked) data.setData('text/html', marked);
      document.activeElement!.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      );
    },
    [text, html],
  );

/** A file of a sheet, made by the server. */
export async function exported(
  page: Page,
  sheetId: string,
  wanted: Pick<Wanted, 'as'> & Partial<Wanted>,
): Promise<Buffer> {
  const { origin } = new URL(page.url());
  const ask = page.context().request;
  const asked = await ask.post(`${origin}/sheets/${sheetId}/export`, { headers: { origin }, data: wanted });
  const { id } = (await asked.json()) as { id: string };
  const state = async () => ((await (await ask.get(`${origin}/exports/${id}`)).json()) as { state: string }).state;
  await expect.poll(state, { timeout: 30_000 }).toBe('ready');
  return (await ask.get(`${origin}/exports/${id}/file`)).body();
}

/** Types a due time into the calendar that opens for it. */
export async function dueBy(page: Page, when: string): Promise<void> {
  await page.getByRole('button', { name: /^due/i }).click();
  await page.getByRole('textbox', { name: 'due' }).fill(when);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^due/i })).toBeFocused();
}

/** The words on the sheet, as a screen reader gets them. */
export const onSheet = (page: Page) => page.getByRole('list', { name: 'What stands on the page' });

/** A whole name, with or without a capital. */
export const just = (name: string) => new RegExp(`^${name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}$`, 'i');

/** A field of the margin by its name, and the things of the stack. */
export const field = (page: Page, name: string) =>
  page.locator('.margin-card').getByRole('textbox', { name: just(name) });
export const stack = (page: Page) => page.locator('.stack_item');

/** Opens a part of the settings that opens on demand. */
export async function unfolded(page: Page, title: string): Promise<void> {
  const part = page.locator('.margin-card details', { has: page.getByText(title, { exact: true }) });
  if ((await part.getAttribute('open')) === null) await part.locator('summary').click();
}

/** Opens a tab of the settings in the margin. */
export const leaf = (page: Page, name: string) =>
  page.getByRole('tablist', { name: 'Settings' }).getByRole('tab', { name }).click();

/** Drags one thing onto another and drops it there. Like a hand, it goes on moving when it has arrived. */
export async function carry(page: Page, from: Locator, to: Locator): Promise<void> {
  await from.hover();
  await page.mouse.down();
  for (const x of [8, 14, 20]) await to.hover({ position: { x, y: 14 } });
  await page.mouse.up();
}

/** Begins a blank page, as the Desk does. */
export async function blankPage(page: Page): Promise<void> {
  await page.goto(await sent(page, '/desk', { do: 'begin', purpose: 'blank' }));
  await drawn(page);
  await saved(page);
}

/** Opens a sheet of the Desk by its name. */
export async function openSheet(page: Page, name: string): Promise<void> {
  const desk = await (await page.context().request.get('/desk')).text();
  const sheets = [...desk.matchAll(/href="(\/sheets\/[^"]+)"[^>]*><strong>([^<]*)/g)];
  await page.goto(sheets.find(([, , title]) => title!.includes(name))![1]!);
  await drawn(page);
}

/** A point of the page (in points) on the screen. */
export async function onPage(page: Page, x: number, y: number): Promise<{ x: number; y: number }> {
  const view = page.locator('.page-view');
  const box = (await view.boundingBox())!;
  const [, , width] = (await view.getAttribute('viewBox'))!.split(' ').map(Number);
  const scale = box.width / width;
  return { x: box.x + x * scale, y: box.y + y * scale };
}

export async function press(page: Page, x: number, y: number, times = 1): Promise<void> {
  const at = await onPage(page, x, y);
  await page.mouse.click(at.x, at.y, { clickCount: times, delay: 0 });
}

export async function drag(page: Page, from: [number, number], to: [number, number], key?: string): Promise<void> {
  const [a, b] = [await onPage(page, ...from), await onPage(page, ...to)];
  if (key) await page.keyboard.down(key);
  await page.mouse.move(a.x, a.y);
  await page.mouse.down();
  await page.mouse.move((a.x + b.x) / 2, (a.y + b.y) / 2, { steps: 3 });
  await page.mouse.move(b.x, b.y, { steps: 3 });
  await page.mouse.up();
  if (key) await page.keyboard.up(key);
}

/** The sheet as the server has it, rebuilt from its log of changes. */
export async function documentOf(page: Page): Promise<string> {
  return page.evaluate(
    () =>
      performance
        .getEntriesByType('resource')
        .map((entry) => /documents\/([^/]+)\/changes/.exec(entry.name)?.[1])
        .find(Boolean) ?? '',
  );
}

/** A teacher about to hand “Life between the tides” out to Curlew, in a window of their own. */
export async function handingTides(browser: Browser, house: House): Promise<Page> {
  const page = await enter(browser, house, 'Maren');
  await openSheet(page, 'Life between the tides');
  await page.getByRole('link', { name: 'Hand out' }).click();
  await page.getByRole('checkbox', { name: /^Curlew/ }).check();
  return page;
}

/** Ayo's copy of it, in a window of their own. */
export async function tidesOfAyo(browser: Browser, house: House): Promise<Page> {
  const page = await enter(browser, house, 'Ayo');
  await page
    .getByRole('link', { name: /Life between the tides/ })
    .first()
    .click();
  await drawn(page);
  return page;
}

/** Opens a student's piece of the heron, to be read. */
export async function readHeron(page: Page, name: string): Promise<void> {
  const desk = await (await page.context().request.get('/desk')).text();
  const [, handout] = /href="(\/handouts\/[^"/]+)"[^>]*><strong>[^<]*grey heron/.exec(desk)!;
  await page.goto(handout);
  await page.locator('.spread_card', { hasText: name }).click();
  await drawn(page);
}
