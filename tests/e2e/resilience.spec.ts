import { spawnSync } from 'node:child_process';
import { drawn, enter, expect, onSheet, openSheet, press, saved, supply, test, signedIn } from './house';
import type { Page } from '@playwright/test';

/** Nothing that was acknowledged is lost, nor anything that was typed. */

const title = async (page: Page, words: string) => {
  await press(page, 150, 50, 2);
  await page.keyboard.press('End');
  await page.keyboard.type(words);
};
const says = (page: Page, words: string) => expect(onSheet(page)).toContainText(new RegExp(words));

test('offline, changes are kept over a reload and go out later', async ({ browser, house }) => {
  const page = await signedIn(browser, house, 'Maren');
  await openSheet(page, 'Parts of the grey heron');
  await page.route('**/changes*', (route) => route.abort());
  await title(page, ' offline');
  await expect(page.locator('.save-words_words')).toContainText(/Offline · \d+ changes? kept here/);
  await page.reload();
  await drawn(page);
  await says(page, 'The grey heron.* offline');
  await page.unroute('**/changes*');
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await saved(page);
  await page.context().clearCookies();
  const again = await signedIn(browser, house, 'Maren');
  await openSheet(again, 'Parts of the grey heron');
  await says(again, 'The grey heron.* offline');
});

test('a reload in the middle of typing loses no letter', async ({ browser, house }) => {
  const page = await signedIn(browser, house, 'Maren');
  await openSheet(page, 'Who eats whom');
  await title(page, ' at low tide');
  await page.reload();
  await drawn(page);
  await says(page, 'Who eats whom on the mudflat at low tide');
  await saved(page);
});

test('a browser whose storage gives no answer saves all the same, also what was typed before that showed', async ({
  browser,
  house,
}) => {
  const page = await enter(browser, house, 'Maren');
  await page.addInitScript(() => {
    // A request that never ends.
    IDBFactory.prototype.open = () =>
      Object.defineProperty(Object.create(IDBOpenDBRequest.prototype), 'addEventListener', {
        value: () => {},
      }) as IDBOpenDBRequest;
  });
  await openSheet(page, 'Who eats whom');
  await title(page, ' by night');
  await page.reload();
  await drawn(page);
  await expect(page.getByText(/This browser can keep nothing by itself/)).toBeVisible();
  const words = page.getByRole('list', { name: 'What stands on the page' });
  await expect(words).toContainText('by night');
  await saved(page);
  const again = await signedIn(browser, house, 'Maren');
  await openSheet(again, 'Who eats whom');
  await expect(again.getByRole('list', { name: 'What stands on the page' })).toContainText('by night');
});

test('after a power cut every acknowledged change is there, and what was typed meanwhile goes out when the server is back', async ({
  browser,
  house,
}) => {
  const page = await signedIn(browser, house, 'Maren');
  await openSheet(page, 'Keep off the nests');
  await page
    .getByRole('button', { name: /From March to July/ })
    .first()
    .click();
  await page.locator('[data-stage]').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('End');
  await page.keyboard.type(' Acknowledged.');
  await saved(page);
  await page.keyboard.type(' Typed while');
  await house.kill();
  await page.keyboard.type(' it fell.');
  await expect(page.locator('.save-words_words')).toContainText('kept here');
  await house.start();
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await saved(page);
  await page.reload();
  await drawn(page);
  // Read from the page itself: the stack cuts long words short.
  const words = page.getByRole('list', { name: 'What stands on the page' });
  await expect(words).toContainText('Acknowledged. Typed while it fell.');
});

test('two windows on one sheet both keep their work', async ({ browser, house }) => {
  const one = await signedIn(browser, house, 'Maren');
  await openSheet(one, 'Life between the tides');
  const two = await one.context().newPage();
  await two.goto(one.url());
  await drawn(two);
  await supply(one, 'Shapes', 'star');
  await press(two, 150, 50, 2);
  await two.keyboard.press('End');
  await two.keyboard.type(' and land');
  await two.keyboard.press('Escape');
  await saved(one);
  await saved(two);
  for (const page of [one, two]) {
    await page.bringToFront();
    await expect(page.getByRole('button', { name: /Life between the tides and land/ }).first()).toBeVisible();
    await expect(page.getByRole('button', { name: 'star', exact: true }).first()).toBeVisible();
  }
});

test('two windows without a network share what is done, also when one is closed, and it goes out later', async ({
  browser,
  house,
}) => {
  const one = await signedIn(browser, house, 'Maren');
  await openSheet(one, 'Life between the tides');
  const two = await one.context().newPage();
  await two.goto(one.url());
  await drawn(two);
  await one.context().route('**/changes*', (route) => route.abort());
  await supply(one, 'Shapes', 'heart');
  await supply(two, 'Shapes', 'cloud');
  for (const page of [one, two])
    for (const name of ['heart', 'cloud'])
      await expect(page.getByRole('button', { name, exact: true }).first()).toBeVisible();
  await title(two, ' and ebb');
  await one.bringToFront();
  await says(one, 'Life between the tides.* and ebb');

  // The first window is closed; the other keeps everything, after a reload too.
  await one.close();
  await supply(two, 'Shapes', 'pentagon');
  await expect(two.locator('.save-words_words')).toContainText(/Offline/);
  await two.reload();
  await drawn(two);
  for (const name of ['heart', 'cloud', 'pentagon'])
    await expect(two.getByRole('button', { name, exact: true }).first()).toBeVisible();
  await says(two, 'Life between the tides.* and ebb');
  await two.context().unroute('**/changes*');
  await two.evaluate(() => window.dispatchEvent(new Event('online')));
  await saved(two);
  const again = await signedIn(browser, house, 'Maren');
  await openSheet(again, 'Life between the tides');
  for (const name of ['heart', 'cloud', 'pentagon'])
    await expect(again.getByRole('button', { name, exact: true })).toHaveCount(1);
  await says(again, 'Life between the tides.* and ebb');
});

test('a second program on the same data ends at once with what to do', async ({ house }) => {
  const second = spawnSync(process.execPath, ['build/main.js'], {
    env: { ...process.env, DATA_DIR: house.dataDir, DATABASE_URL: '', PORT: '0' },
    encoding: 'utf8',
    timeout: 30_000,
  });
  expect(second.status).toBe(1);
  expect(second.stderr).toContain('already runs on this data');
  expect(second.stderr).toContain('DATA_DIR');
});
