import type { Page } from '@playwright/test';
import { TEACHERS } from '../../demo/school';
import { entered, expect, readHeron, signedIn, test } from './house';

test('what one teacher says on a piece stands before another who reads it, at once and with a name', async ({
  browser,
  house,
}) => {
  const first = await signedIn(browser, house, 'Maren');
  await readHeron(first, 'Sana Iqbal');
  const second = await entered(browser, house, TEACHERS[2]);
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

test('a second reader judges by keyboard without knowing what the first says; then both see where they differ', async ({
  browser,
  house,
}) => {
  const first = await signedIn(browser, house, 'Maren');
  await first.goto('/desk');
  await first.locator('.handouts_open', { hasText: 'Life between the tides' }).click();
  await first.getByRole('link', { name: /Dilnoza Karim/ }).click();
  await expect(first.getByRole('region', { name: 'Second reader' })).toContainText('Has not finished');
  const rows = (page: Page) => page.getByRole('radiogroup', { name: 'Own words' });
  await rows(first).getByRole('radio').nth(3).click();
  await first.keyboard.press('w');
  await first.getByLabel('Note on this spot').fill('Which worm is it?');
  await first.keyboard.press('Enter');

  const second = await entered(browser, house, TEACHERS[1]);
  const spread = new URL(first.url()).pathname.replace(/\/reading.*/, '');
  await second.goto(spread);
  await second.getByRole('link', { name: /Dilnoza Karim/ }).click();
  const card = second.getByRole('region', { name: 'Second reader' });
  await expect(card).toContainText('once you have finished');
  await expect(rows(second).getByRole('radio', { checked: true })).toHaveCount(0);
  await expect(second.getByText('Which worm is it?')).toHaveCount(0);
  await expect(second.getByRole('button', { name: /^(Return|Another go|Delete)/ })).toHaveCount(0);
  // What is asked first is what only a teacher can judge.
  await second.keyboard.press('n');
  const asked = second.locator('[role=radiogroup][aria-current=step]');
  await expect(asked).toBeVisible();
  await second.keyboard.press('2');
  await second.keyboard.press('1');
  await expect(rows(second).getByRole('radio', { checked: true })).toHaveCount(1);
  // A word that is being written is there again after a reload, and after a lost network.
  await card.getByLabel('A word for Maren').fill('Mud is not a creature.');
  await second.reload();
  await expect(card.getByLabel('A word for Maren')).toHaveValue('Mud is not a creature.');
  await expect(first.getByRole('region', { name: 'Second reader' })).toContainText('Has not finished');
  await second.context().setOffline(true);
  await second.getByRole('button', { name: 'Finish' }).focus();
  await second.keyboard.press('r');
  await second.context().setOffline(false);

  const told = first.getByRole('region', { name: 'Second reader' });
  await expect(told).toContainText('Mud is not a creature.');
  await expect(told).toContainText('You differ on');
  const theirs = told.getByRole('listitem').filter({ hasText: 'Own words' });
  await expect(theirs).toContainText(/you 4 · Tomas 1/);
  await theirs.getByRole('button', { name: 'Take over 1 for Own words' }).click();
  await expect(rows(first).getByRole('radio').nth(0)).toBeChecked();
  await expect(theirs).toHaveCount(0);

  await second.goto(spread);
  await second.getByRole('link', { name: /Dilnoza Karim.*read twice/ }).click();
  await expect(second.getByText('Which worm is it?')).toBeVisible();
  await expect(card).not.toContainText('Own words');
});
