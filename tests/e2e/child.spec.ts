import type { Locator } from '@playwright/test';
import { SECRET } from '../../demo/school';
import { drawn, enter, expect, press, saved, test } from './house';

/** A child's way through the job on a small laptop: whatever is needed next is in view, and says what to do. */

test('signing in, filling in, a last look, handing in, a note, a second go: at 1024 by 640, without scrolling', async ({
  browser,
  house,
}) => {
  const context = await browser.newContext({ viewport: { width: 1024, height: 640 }, baseURL: house.url });
  const page = await context.newPage();
  const inView = async (what: Locator) => {
    await expect(what).toBeInViewport();
    return what;
  };
  const go = async (what: Locator) => (await inView(what)).click();

  await page.goto('/');
  await go(page.getByLabel('Class code'));
  await page.keyboard.type('curlw');
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/join/);
  await go(page.getByRole('button', { name: 'Ines Ramos', exact: true }));
  for (const picture of SECRET.split(' ')) await go(page.getByRole('button', { name: picture, exact: true }));
  await page.waitForURL(/\/tray$/);

  await go(page.locator('.tray_next', { hasText: 'Parts of the grey heron' }).locator('.tray_step'));
  await drawn(page);
  const card = page.locator('.margin-card.lit');
  await expect(await inView(card)).toContainText('Begin here');
  await go(card.getByRole('button', { name: 'Write here' }));
  await page.keyboard.type('Ines');
  // Each word of the bank is pressed once, right or wrong; one blank asks for a sentence.
  for (let at = 2; at <= 11; at++) {
    await go(card.getByRole('button', { name: 'Next one' }));
    await expect(card).toContainText(`${at} of 11`);
    if (await card.getByText('Which part is this?').isVisible()) await go(card.locator('.action_moss').first());
    else await page.keyboard.type('To stand in the water.');
  }
  // Only the word that stands in this blank is not crossed out.
  await expect(card.locator('.action_moss')).toHaveCount(1);
  await page.keyboard.press('Escape');
  await saved(page);
  await expect(page.getByRole('list', { name: 'What stands on the page' })).toContainText('toes');

  await go(page.getByRole('button', { name: 'Hand in' }));
  await expect(await inView(card)).toContainText('A last look');
  await go(page.getByRole('button', { name: 'Hand in anyway' }));
  await inView(page.getByText('With your teacher since'));
  await go(page.getByRole('link', { name: 'Back to your tray' }));
  await expect(page.locator('.tray_copy', { hasText: 'Parts of the grey heron' })).toContainText('With your teacher');

  const teacher = await enter(browser, house, 'Maren');
  await teacher.locator('.handouts_open', { hasText: /Parts of the grey heron.*Curlew/ }).click();
  await teacher.locator('.spread_card', { hasText: 'Ines Ramos' }).click();
  await drawn(teacher);
  await press(teacher, 560, 480);
  await teacher.getByLabel('Note on this spot').fill('Tell me more about the legs.');
  await teacher.keyboard.press('Enter');
  await expect(teacher.locator('.margin-card', { hasText: 'Tell me more' })).toBeVisible();
  const piece = teacher.url();
  await teacher.getByRole('button', { name: 'Another go' }).click();
  await expect(teacher).not.toHaveURL(piece);

  await page.reload();
  await go(page.getByText('See your note'));
  await drawn(page);
  await expect(await inView(card)).toContainText('Tell me more about the legs.');
  await press(page, 600, 470);
  await page.keyboard.type('They are long, so that it can wade.');
  await page.keyboard.press('Escape');
  await saved(page);
  await go(card.getByRole('checkbox'));
  await go(page.getByRole('button', { name: 'Hand in' }));
  await go(page.getByRole('button', { name: /^Hand (it in|in anyway)$/ }));
  await inView(page.getByText('With your teacher since'));
  await context.close();
});
