import type { Page } from '@playwright/test';
import pixelmatch from 'pixelmatch';
import { PNG } from 'pngjs';
import { drawn, enter, expect, test } from './house';

/** Every screen stands on its own: opened directly, it looks the same as when reached from another one. */

/** A picture of the screen once it stands still, with the pointer in a corner where nothing is. */
async function still(page: Page): Promise<PNG> {
  await page.mouse.move(2, 798);
  await page.evaluate(async () => {
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
    // Pictures further down are loaded when they come into view.
    const shown = [...document.images].filter((image) => image.getBoundingClientRect().top < innerHeight);
    await Promise.all(shown.map((image) => image.decode().catch(() => {})));
    await document.fonts.ready;
  });
  let before: Buffer = Buffer.alloc(0);
  await expect(async () => {
    const now = await page.screenshot();
    const same = now.equals(before);
    before = now;
    expect(same).toBe(true);
  }).toPass({ intervals: [400], timeout: 30_000 });
  return PNG.sync.read(before);
}

/** The share of the screen that differs. The words that say when it was saved may differ. */
function differing(a: PNG, b: PNG): number {
  const { width, height } = a;
  return pixelmatch(a.data, b.data, undefined, width, height, { threshold: 0.2 }) / (width * height);
}

type Way = { name: string; walk: (page: Page) => Promise<void>; there: (page: Page) => Promise<void> };

const heading = (name: RegExp | string) => (page: Page) =>
  expect(page.getByRole('heading', { name }).first()).toBeVisible();

async function alike(page: Page, from: string, { name, walk, there }: Way): Promise<void> {
  await page.goto(from);
  await walk(page);
  await there(page);
  const came = await still(page);
  await page.goto(page.url());
  await there(page);
  expect(`${name}: ${differing(came, await still(page)) < 0.001}`).toBe(`${name}: true`);
}

test('the screens of a teacher', async ({ browser, house }) => {
  const page = await enter(browser, house, 'Maren');
  const sheet = page.locator('.sheets_open', { hasText: 'grey heron' }).first();
  const ways: Way[] = [
    {
      name: 'classes',
      walk: (p) => p.getByRole('link', { name: 'Classes' }).click(),
      there: heading('Avocet'),
    },
    {
      name: 'teachers',
      walk: (p) => p.getByRole('link', { name: 'Teachers' }).click(),
      there: heading(/^Teachers of/),
    },
    {
      name: 'password',
      walk: (p) => p.getByRole('link', { name: 'Maren Oduya' }).click(),
      there: heading('Change your password'),
    },
    { name: 'sheet', walk: () => sheet.click(), there: drawn },
    {
      name: 'hand out',
      async walk(p) {
        await sheet.click();
        await drawn(p);
        await p.getByRole('link', { name: 'Hand out' }).click();
      },
      there: heading('What you will look for'),
    },
    {
      name: 'handout',
      walk: (p) => p.locator('.handouts_open').first().click(),
      there: heading('The class so far'),
    },
    {
      name: 'reading',
      async walk(p) {
        await p.locator('.handouts_open').first().click();
        await p.waitForURL(/\/handouts\/[^/]+$/);
        await p.getByRole('link', { name: 'Start reading' }).click();
      },
      there: drawn,
    },
    {
      name: 'one spot',
      async walk(p) {
        await p.locator('.handouts_open').first().click();
        await p.waitForURL(/\/handouts\/[^/]+$/);
        await p.getByRole('link', { name: 'One spot' }).click();
      },
      there: (p) => expect(p.locator('.spot_sheet')).toBeVisible(),
    },
  ];
  for (const way of ways) await alike(page, '/desk', way);
  await alike(page, '/classes', {
    name: 'desk',
    walk: (p) => p.getByRole('link', { name: 'Desk', exact: true }).click(),
    there: (p) => expect(p.locator('.sheets_open').first()).toBeVisible(),
  });
});

test('the screens of a student, and the front of the house', async ({ browser, house }) => {
  const page = await enter(browser, house, 'Ines');
  await alike(page, '/tray', {
    name: 'copy',
    walk: (p) => p.locator('.tray_copy').first().click(),
    async there(p) {
      await drawn(p);
      await expect(p.locator('.light_light')).toBeVisible();
    },
  });
  await alike(page, page.url(), {
    name: 'tray',
    walk: (p) => p.getByRole('link', { name: 'To your tray' }).click(),
    there: (p) => expect(p.locator('.tray_copy').first()).toBeVisible(),
  });
  const guest = await (
    await browser.newContext({ baseURL: house.url, viewport: { width: 1280, height: 800 } })
  ).newPage();
  await alike(guest, '/', {
    name: 'credits',
    walk: (p) => p.getByRole('link', { name: /licences|credits/i }).click(),
    there: heading(/licences/),
  });
  await alike(guest, '/', {
    name: 'join',
    async walk(p) {
      await p.getByLabel('Class code').fill('CURLW');
      await p.getByRole('button', { name: 'Find my class' }).click();
    },
    there: (p) => expect(p.getByRole('button', { name: 'Ines Ramos' })).toBeVisible(),
  });
  await alike(guest, '/credits', {
    name: 'front',
    walk: (p) => p.getByRole('link', { name: 'To the front page' }).click(),
    there: (p) => expect(p.getByRole('button', { name: 'Find my class' })).toBeVisible(),
  });
  await guest.context().close();
});
