import { drawn, enter, expect, House, test } from './house';

/** Sentences that a teacher uses again and again: kept while writing, found as they are typed, said again by a key. */

let house: House;
test.beforeAll(async () => {
  house = await House.open();
});
test.afterAll(() => house.close());

test('a sentence is kept once, then found by its letters and said with three keys, or again with one', async ({
  browser,
}) => {
  const page = await enter(browser, house, 'Maren');
  await page.locator('.handouts_open', { hasText: 'grey heron' }).click();
  await expect(page.locator('.spread_card')).toHaveCount(26);
  await page.getByRole('link', { name: 'Start reading' }).click();
  await drawn(page);
  const write = async (words: string) => {
    await page.keyboard.press('w');
    await page.keyboard.type(words);
  };
  const notes = page.locator('.margin-card', { hasText: 'Follow the line' });
  const offered = page.getByRole('listbox', { name: 'Phrases' }).getByRole('option');

  await write('Follow the line to its end');
  await page.getByRole('button', { name: 'Keep as phrase' }).click();
  await expect(page.getByRole('button', { name: 'Phrases …' })).toBeVisible();
  // The text has kept the focus.
  await page.keyboard.press('Enter');
  await expect(notes).toHaveCount(1);

  await write('lin');
  await expect(offered.filter({ hasText: 'Follow the line to its end' })).toHaveCount(1);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(notes).toHaveCount(2);
  await page.keyboard.press('l');
  await expect(notes).toHaveCount(3);

  // Reworded and shared in the bank, where it is found again later.
  await page.keyboard.press('w');
  await page.getByRole('button', { name: 'Phrases …' }).click();
  const bank = page.getByRole('dialog', { name: 'Your phrases' });
  await bank.getByRole('textbox', { name: 'Phrase: Follow the line to its end' }).fill('Follow each line to its end');
  await page.keyboard.press('Enter');
  await bank.getByRole('textbox', { name: 'A new phrase' }).fill('Écris en entier');
  await page.keyboard.press('Enter');
  await expect(bank.getByRole('textbox', { name: 'Phrase: Écris en entier' })).toBeVisible();
  await bank.getByRole('checkbox', { name: 'Shared' }).first().check();
  await page.keyboard.press('Escape');
  await page.reload();
  await drawn(page);
  await write('ecris');
  await expect(offered).toHaveText(['Écris en entier']);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.locator('.margin-card', { hasText: 'Écris en entier' })).toHaveCount(1);
});
