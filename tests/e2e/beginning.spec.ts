import type { Page } from '@playwright/test';
import { drawn, enter, expect, leaf, onSheet, saved, supply, test } from './house';

/** Beginning a sheet: what it is for is there or selected, and three steps in the margin are ticked as they are done. */

const begin = async (page: Page, purpose: string) => {
  await page.goto('/desk');
  await page.getByRole('button', { name: purpose, exact: true }).click();
  await drawn(page);
};
const steps = (page: Page) => page.locator('.margin-card', { hasText: /Three steps|Next:|All three steps/ });

test('a worksheet: named once, the heading says so too; the steps are ticked, and stay over a reload', async ({
  browser,
  house,
}) => {
  const page = await enter(browser, house, 'Maren');
  await begin(page, 'Worksheet');
  await expect(steps(page)).toContainText('0 of 3 done');
  // The light falls on the words that are to be written over.
  await expect(page.locator('.light_light')).toHaveCount(1);
  await expect(page.getByLabel('Name of the sheet')).toBeFocused();
  await page.keyboard.type('Tide tables, étude Ω');
  await page.keyboard.press('Enter');
  await expect(onSheet(page)).toContainText('Tide tables, étude Ω');
  await expect(steps(page)).toContainText('1 of 3 done');
  await steps(page).getByRole('button', { name: 'Write what to do' }).click();
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('Read the table.');
  await page.keyboard.press('Escape');
  // While something is selected, one line says what is next.
  await expect(steps(page)).toContainText(/Next:.*Add something to fill in.*2 of 3 done/);
  await expect(page.locator('.light_light')).toHaveCount(0);
  await saved(page);
  await page.reload();
  await drawn(page);
  await expect(steps(page)).toContainText('2 of 3 done');
  await steps(page).getByRole('button', { name: 'Add something to fill in' }).click();
  await expect(page.getByRole('tab', { name: 'Labels' })).toHaveAttribute('aria-selected', 'true');
  await page.getByRole('tabpanel', { name: 'Labels' }).getByRole('button', { name: 'Blank to fill' }).click();
  await expect(steps(page)).toContainText('All three steps are done');
  // What was taken back is open again.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(steps(page)).toContainText('2 of 3 done');
  await page.getByRole('button', { name: 'Redo' }).click();
  await steps(page).getByRole('button', { name: 'Close' }).click();
  await expect(steps(page)).toHaveCount(0);
  await page.reload();
  await drawn(page);
  await expect(page.locator('.margin-card').first()).toBeVisible();
  await expect(steps(page)).toHaveCount(0);
});

test('a map is there to write in, a diagram is selected, a poster opens with pictures; none of them alike', async ({
  browser,
  house,
}) => {
  const page = await enter(browser, house, 'Maren');
  const open = page.getByRole('tablist', { name: 'Compartments' }).locator('[aria-selected="true"]');
  await begin(page, 'Concept map');
  await expect(open).toHaveText('Makers');
  await expect(page.getByRole('list', { name: 'Outline' }).getByRole('textbox').first()).toHaveValue('Main idea');
  // It is put there once, also when the page is loaded again.
  await saved(page);
  await page.reload();
  await drawn(page);
  await expect(page.locator('.stack_item')).toHaveCount(2);

  await begin(page, 'Labelled diagram');
  await expect(open).toHaveText('Labels');
  await expect(page.locator('.settings h3')).toContainText('A grey heron');
  for (const part of ['crest', 'wing']) {
    await page.locator('.stack_item').last().click();
    await leaf(page, 'look');
    await page.locator('.margin-card').getByRole('button', { name: part, exact: true }).click();
  }
  await expect(steps(page)).toContainText('1 of 3 done');

  await begin(page, 'Poster');
  await expect(open).toHaveText('Pictures');
  await supply(page, 'Words', 'Title');
  await page.keyboard.type('Mind the eggs');
  await page.keyboard.press('Escape');
  await expect(steps(page)).toContainText('1 of 3 done');

  await begin(page, 'Blank page');
  await expect(open).toHaveText('Words');
  await expect(steps(page)).toHaveCount(0);
});
