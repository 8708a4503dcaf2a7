import type { Page } from '@playwright/test';
import { drawn, enter, expect, House, onSheet, saved, test } from './house';

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
    const again = await enter(browser, house, 'Ines');
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
