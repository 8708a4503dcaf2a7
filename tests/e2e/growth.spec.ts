import type { Page } from '@playwright/test';
import { expect, readHeron, signedIn, test } from './house';

/** How a piece grew, watched by its teacher. */

const card = (page: Page) => page.locator('.margin-card', { hasText: 'How it grew' });
const then = (page: Page) => page.getByRole('img', { name: /growing$/ });

test('what a student did is shown moment by moment, with what came in one go', async ({ browser, house }) => {
  const page = await signedIn(browser, house, 'Maren');
  await readHeron(page, 'Tane Parata');
  await page.context().setOffline(true);
  await page.getByText('Growth', { exact: true }).click();
  await expect(
    card(page)
      .or(page.locator('.margin-card', { hasText: 'again' }))
      .first(),
  ).toBeVisible();
  await page.context().setOffline(false);
  await expect(card(page)).toContainText('of work');
  const once = card(page).getByRole('list', { name: 'What came in one go' });
  await expect(once.getByRole('listitem')).toHaveCount(1);
  await expect(once).toContainText('14 words');
  await expect(once).toContainText('The legs are long so the heron can stand in deep water to fish.');
  await expect(then(page)).toHaveCount(0);

  const slider = card(page).getByRole('slider', { name: 'Moment of the work' });
  await slider.focus();
  await page.keyboard.press('Home');
  await expect(slider).toHaveAttribute('aria-valuetext', /, 0 of \d+ minutes$/);
  await expect(then(page)).toBeVisible();
  await expect(then(page)).not.toContainText('The legs are long');
  await page.keyboard.press('End');
  await expect(card(page)).toContainText('As it is');
  await expect(then(page)).toHaveCount(0);
  await once.getByRole('button').click();
  await expect(then(page)).toBeVisible();
  await card(page).getByRole('button', { name: 'Play' }).click();
  await expect(card(page).getByRole('button', { name: 'Stop' })).toBeVisible();
  await card(page).getByRole('button', { name: 'Stop' }).click();
  // The keys go on, and lead back to the piece.
  await page.keyboard.press('v');
  await expect(card(page)).toHaveCount(0);
  await expect(page.getByRole('heading', { level: 2 })).toHaveText('Tane Parata');
});

test('what a student types is not told as come in one go, and a copy that nobody began says so', async ({
  browser,
  house,
}) => {
  const page = await signedIn(browser, house, 'Maren');
  await readHeron(page, 'Oluchi Eze');
  await page.getByText('Growth', { exact: true }).click();
  await expect(card(page)).toContainText('of work');
  await expect(card(page).getByRole('list', { name: 'When it was worked on' })).toContainText('words');
  await expect(card(page).getByRole('list', { name: 'What came in one go' })).toHaveCount(0);
  await readHeron(page, 'Zofia Lis');
  await page.getByText('Growth', { exact: true }).click();
  await expect(card(page)).toContainText('Nobody has worked on it yet.');
});
