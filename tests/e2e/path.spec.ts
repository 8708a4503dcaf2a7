import { expect, readHeron, signedIn, test } from './house';

/** All that a student did, from handout to handout. */

test('a piece leads to all the work of its student, and back to any of it; without names it does not', async ({
  browser,
  house,
}) => {
  const page = await signedIn(browser, house, 'Maren');
  await readHeron(page, 'Eun-ji Park');
  await page.keyboard.press('h');
  await expect(page.getByRole('heading', { level: 2 })).toHaveText(/^Piece \d+$/);
  await expect(page.getByRole('link', { name: 'All their work' })).toHaveCount(0);
  await page.keyboard.press('h');
  await page.getByRole('link', { name: 'All their work' }).click();
  await expect(page.getByRole('heading', { name: 'Eun-ji Park' })).toBeVisible();
  const all = page.getByRole('list', { name: 'All their work, the newest first' });
  const heron = all.locator('> li', { hasText: 'Parts of the grey heron' });
  await expect(heron).toContainText('look-fors met');
  await expect(heron).toContainText('12 of 12 points');
  await expect(heron.getByRole('list', { name: /^Notes on/ })).toContainText('I like “keep its body above it”.');
  await page.goto('/classes');
  await page.getByRole('button', { name: /^Eun-ji Park/ }).click();
  await page.getByRole('link', { name: 'All their work' }).click();
  await expect(heron).toBeVisible();
  await heron.getByRole('link', { name: 'Read Parts of the grey heron' }).click();
  await expect(page.getByRole('heading', { level: 2 })).toHaveText('Eun-ji Park');
});
