import type { Page } from '@playwright/test';
import { drawn, enter, expect, House, openSheet, press, saved, test } from './house';

/** A sheet is mended after it was handed out: looked at, sent, and nothing that students did is lost. */

// Other files share their house, and this one changes what was handed out.
let house: House;
test.beforeAll(async () => {
  house = await House.open();
});
test.afterAll(() => house.close());

const toClass = async (page: Page) => {
  await page.goto('/desk');
  await page.locator('.handouts_open', { hasText: /Parts of the grey heron/ }).click();
};

test('a correction is seen before it is sent, reaches those who write just now, and leaves what is handed in', async ({
  browser,
}) => {
  const student = await enter(browser, house, 'Ines');
  await student.locator('.tray_next', { hasText: 'Parts of the grey heron' }).locator('.tray_step').click();
  await drawn(student);
  const card = student.locator('.margin-card.lit');
  await card.getByRole('button', { name: 'Write here' }).click();
  await student.keyboard.type('Ines');
  await saved(student);

  const page = await enter(browser, house, 'Maren');
  await toClass(page);
  await expect(page.getByRole('link', { name: 'See and send the correction' })).toHaveCount(0);
  await openSheet(page, 'Parts of the grey heron');
  await drawn(page);
  await press(page, 150, 84);
  await page.keyboard.press('Enter');
  await page.keyboard.press('Control+a');
  await page.keyboard.type('Write each name on its line.');
  await page.keyboard.press('Escape');
  await saved(page);

  await toClass(page);
  await page.getByRole('link', { name: 'See and send the correction' }).click();
  await drawn(page);
  const head = page.locator('.margin-card', { hasText: 'changed' }).first();
  await expect(head).toContainText('1 thing changed');
  await expect(head).toContainText('16 handed in: stay as they are');
  await expect(page.locator('.margin-card', { hasText: /reworded/ })).toContainText('Write each name');
  await page.getByText('As it was').click();
  await expect(page.getByLabel(/as it was$/)).toBeVisible();

  // Without a network it says so, and is sent afterwards.
  await page.context().setOffline(true);
  await page.getByRole('button', { name: /^Send it to 10 students/ }).click();
  await expect(head.getByRole('alert')).toContainText('can’t be reached');
  await page.context().setOffline(false);
  await page.getByRole('button', { name: /^Send it to 10 students/ }).click();
  await page.waitForURL(/\/handouts\/[^/]+$/);
  await expect(page.getByRole('link', { name: 'See and send the correction' })).toHaveCount(0);
  await expect(page.locator('.spread_card', { hasText: 'before the correction' })).toHaveCount(16);

  // The student goes on where they were: what they write is saved on the corrected sheet.
  await student.keyboard.type(' Ramos');
  await saved(student);
  await student.reload();
  await drawn(student);
  const stack = student.getByRole('img', { name: /Your sheet/ }).or(student.locator('[data-stage]'));
  await expect(stack.first()).toContainText('Write each name on its line.');
  await expect(stack.first()).toContainText('Ines Ramos');
});
