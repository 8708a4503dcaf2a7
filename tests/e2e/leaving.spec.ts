import type { Page } from '@playwright/test';
import { drawn, enter, expect, onSheet, openSheet, press, saved, test, signedIn } from './house';

/** On a shared machine, too, what somebody leaves unsaved is theirs alone. */

const WORDS = 'nobody else reads this';

/** Everything that the browser keeps of the program, as text. */
const keptIn = (page: Page) =>
  page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const asked = indexedDB.open('dappled-margin');
      asked.onsuccess = () => resolve(asked.result);
      asked.onerror = () => reject(new Error('no storage'));
    });
    const out = [JSON.stringify(localStorage), JSON.stringify(sessionStorage)];
    for (const store of db.objectStoreNames)
      await new Promise<void>((resolve) => {
        const rows = db.transaction(store).objectStore(store).getAll();
        rows.onsuccess = () => {
          for (const row of rows.result as unknown[])
            out.push(
              `${store} ${row instanceof Uint8Array ? new TextDecoder('latin1').decode(row) : JSON.stringify(row)}`,
            );
          resolve();
        };
      });
    db.close();
    return out;
  });

/** What was typed: each letter is a change. */
const lettersIn = (kept: string[]) => [...kept.join().matchAll(/"text":"([^"]*)"/g)].map(([, text]) => text).join('');

test('unsaved work is warned of, locked away, and there again for its owner alone', async ({ browser, house }) => {
  const page = await signedIn(browser, house, 'Maren');
  await openSheet(page, 'Parts of the grey heron');
  await page.route('**/changes*', (route) => route.abort());
  await press(page, 150, 50, 2);
  await page.keyboard.press('End');
  await page.keyboard.type(` ${WORDS}`);
  await expect(page.locator('.save-words_words')).toContainText(/Offline/);
  await expect.poll(async () => lettersIn(await keptIn(page))).toContain(WORDS);

  // Another window of hers is on another sheet.
  const second = await page.context().newPage();
  await second.goto('/desk');
  await openSheet(second, 'Who eats whom');

  await page.getByRole('link', { name: 'To the Desk' }).click();
  await page.getByRole('button', { name: 'Sign out' }).click();
  const warning = page.getByRole('dialog', { name: 'One sheet has work that is not saved' });
  await warning.getByRole('button', { name: 'Stay' }).click();
  await expect(warning).toBeHidden();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await warning.getByRole('button', { name: 'Sign out anyway' }).click();
  await page.waitForURL(`${house.url}/`);
  // Nothing of hers stays on the screen in any window.
  await second.waitForURL(`${house.url}/?signed-out`);

  const kept = await keptIn(page);
  expect(lettersIn(kept)).not.toContain(WORDS);
  expect(kept.filter((row) => /^(pending|past|aside) /.test(row))).toEqual([]);
  expect(kept.filter((row) => row.startsWith('sealed '))).toHaveLength(1);
  expect((await page.request.get(`${house.url}/seal`)).status()).toBe(401);

  // Somebody else on the same machine does not get at it.
  await page.getByRole('button', { name: /Ines/ }).click();
  await page.waitForURL(/\/(desk|tray)$/);
  expect((await keptIn(page)).filter((row) => row.startsWith('sealed '))).toHaveLength(1);
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.waitForURL(`${house.url}/`);

  // She finds it where she made it, and it is saved then.
  await page.unroute('**/changes*');
  await page.getByRole('button', { name: /Maren/ }).click();
  await page.waitForURL(/\/desk$/);
  await openSheet(page, 'Parts of the grey heron');
  await drawn(page);
  await expect(onSheet(page)).toContainText(WORDS);
  await saved(page);
  await expect.poll(async () => (await keptIn(page)).filter((row) => /^(sealed|pending) /.test(row))).toEqual([]);
  const elsewhere = await signedIn(browser, house, 'Maren');
  await openSheet(elsewhere, 'Parts of the grey heron');
  await expect(onSheet(elsewhere)).toContainText(WORDS);
});

test('with everything saved one just leaves; without the network one is told, and stays', async ({
  browser,
  house,
}) => {
  const page = await enter(browser, house, 'Maren');
  await page.route('**/sign-out*', (route) => route.abort());
  const told = page.getByText('You are still signed in');
  // Before hydration the form is sent by the browser itself.
  await expect(async () => {
    if (!(await told.isVisible())) await page.getByRole('button', { name: 'Sign out' }).click({ timeout: 2000 });
    await expect(told).toBeVisible({ timeout: 5000 });
  }).toPass();
  await page.unroute('**/sign-out*');
  await page.getByRole('button', { name: 'Try again' }).click();
  await page.waitForURL(`${house.url}/`);
});
