import { drawn, enter, expect, House, openSheet, press, saved, test } from './house';

/** Three versions of a practice sheet for one class: looked at, dealt by hand, filled in, corrected. */

test('three versions are looked at, dealt, and read with their own keys; a correction goes to all of them', async ({
  browser,
}) => {
  const house = await House.open();
  const page = await enter(browser, house, 'Maren');
  await page.locator('.sheets_open', { hasText: 'Sums from the shore' }).click();
  await page.getByRole('link', { name: 'Hand out' }).click();
  await expect(async () => {
    await page.getByRole('checkbox', { name: /Curlew/ }).check();
    await expect(page.getByText('26 students')).toBeVisible({ timeout: 1000 });
  }).toPass();
  await page.getByRole('radiogroup', { name: 'Where versions come from' }).getByText('Made again').click();
  await page.getByRole('radiogroup', { name: 'How many versions' }).getByText('3').click();
  await expect(page.locator('footer')).toContainText('3 versions');
  // B and C are shown just as students get them, and A can be set up again after that.
  const look = page.getByRole('radiogroup', { name: 'Version to look at' });
  await look.getByText('B', { exact: true }).click();
  await expect(page.getByLabel('Version B, as students get it')).toBeVisible();
  const sumsOfB = await page.getByLabel('Version B, as students get it').innerHTML();
  await look.getByText('C', { exact: true }).click();
  await expect(page.getByLabel('Version C, as students get it')).toBeVisible();
  expect(await page.getByLabel('Version C, as students get it').innerHTML()).not.toBe(sumsOfB);
  await look.getByText('A', { exact: true }).click();
  await expect(page.getByLabel('What students get')).toBeVisible();

  await page.getByRole('radiogroup', { name: 'How versions are dealt' }).getByText('By hand').click();
  await page.getByRole('radiogroup', { name: 'Version of Ines Ramos' }).getByText('B').click();
  await page.getByRole('radiogroup', { name: 'Version of Ayo Bankole' }).getByText('C').click();
  // What was chosen is there after a reload.
  await page.reload();
  await expect(page.getByRole('radiogroup', { name: 'Version of Ines Ramos' }).getByLabel('B')).toBeChecked();
  await page.getByRole('button', { name: 'Hand it out' }).click();
  await page.waitForURL(/handouts/);
  const spread = page.locator('.spread_card');
  await expect(spread.filter({ hasText: 'Ines Ramos' }).getByTitle('Version B')).toBeVisible();
  await expect(spread.filter({ hasText: 'Ayo Bankole' }).getByTitle('Version C')).toBeVisible();

  await spread.filter({ hasText: 'Ines Ramos' }).click();
  await expect(page.locator('.margin-card').getByTitle('Version B')).toBeVisible();

  // The sheet is mended: what changes is shown for each version.
  await openSheet(page, 'Sums from the shore');
  await drawn(page);
  await press(page, 300, 60);
  await page.keyboard.press('Shift+ArrowDown');
  await saved(page);
  await page.goto('/desk');
  await page.locator('.handouts_open', { hasText: /Sums from the shore.*Curlew/ }).click();
  await page.getByRole('link', { name: 'See and send the correction' }).click();
  await page.getByRole('radiogroup', { name: 'Version', exact: true }).getByText('C').click();
  await expect(page.getByRole('button', { name: 'Send it to 26 students' })).toBeVisible();
  await expect(page.locator('.margin-card', { hasText: 'A: ' })).toContainText(/A: \d+ · B: \d+ · C: \d+/);
  await page.getByRole('button', { name: 'Send it to 26 students' }).click();
  await page.waitForURL(/handouts\/[\w-]+$/);
  await expect(page.getByRole('link', { name: 'See and send the correction' })).toHaveCount(0);
  await house.close();
});
