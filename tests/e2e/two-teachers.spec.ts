import type { Page } from '@playwright/test';
import { TEACHERS } from '../../demo/school';
import { expect, openWindow, readHeron, signedIn, test } from './house';

test('what one teacher says on a piece stands before another who reads it, at once and with a name', async ({
  browser,
  house,
}) => {
  const first = await signedIn(browser, house, 'Maren');
  await readHeron(first, 'Sana Iqbal');
  const second = await openWindow(browser, house);
  await second.goto('/');
  await second.getByLabel('E-mail').fill(TEACHERS[2].email);
  await second.getByLabel('Password', { exact: true }).fill(TEACHERS[2].password);
  await second.getByRole('button', { name: 'Sign in' }).click();
  await expect(second).toHaveURL(/desk/);
  await second.goto(new URL(first.url()).pathname);
  await expect(second).toHaveTitle(/^Sana Iqbal/);

  const row = (page: Page) => page.getByRole('radiogroup', { name: 'Says why' });
  await expect(row(second).getByRole('radio', { checked: true })).toHaveCount(0);
  await row(first).getByRole('radio').nth(2).click();
  await expect(row(second).getByRole('radio').nth(2)).toBeChecked();
  await first.keyboard.press('w');
  await first.getByLabel('Note on this spot').fill('You looked closely.');
  await first.keyboard.press('Enter');
  const note = second.getByRole('region', { name: `A note by ${TEACHERS[0].name}` });
  await expect(note).toContainText('You looked closely.');
  await expect(note).toContainText(TEACHERS[0].name);
  await expect(first.getByRole('region', { name: 'Your note' })).toContainText('You looked closely.');

  // The network was gone for a while: what was said meanwhile comes with it.
  await second.context().setOffline(true);
  await first.getByRole('region', { name: 'Your note' }).getByRole('button', { name: 'Delete' }).click();
  await expect(first.getByText('You looked closely.')).toHaveCount(0);
  await second.context().setOffline(false);
  await expect(second.getByText('You looked closely.')).toHaveCount(0);
});
