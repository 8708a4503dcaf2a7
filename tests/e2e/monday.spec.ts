import type { Page } from '@playwright/test';
import { SECRET } from '../../demo/school';
import { drawn, enter, expect, House, join, openSheet, press, pressed, saved, test, signedIn } from './house';

/**
 * A Monday with two classes: three versions, somebody who joins late, a lost connection, a correction in the middle of it, and
 * a piece of three. Each of these has a walk of its own; here they meet.
 */

const TITLE = 'Sums for week 2';
const writeIn = async (page: Page, words: string) => {
  await page.locator('.margin-card.lit').getByRole('button', { name: 'Write here' }).click();
  await page.keyboard.type(words);
};
const openCopy = async (page: Page, title: string | RegExp) => {
  await page.getByRole('link', { name: title }).first().click();
  await drawn(page);
};
/** Sends what was mended to those of a class who have not handed in. */
const correct = async (page: Page, name: string, students: number) => {
  await page.goto('/desk');
  await page.locator('.handouts_open', { hasText: new RegExp(`${TITLE}.*${name}`) }).click();
  await page.getByRole('link', { name: 'See and send the correction' }).click();
  const send = page.getByRole('button', { name: `Send it to ${students} students` });
  await send.click();
  await page.waitForURL(/handouts\/[\w-]+$/);
  await expect(page.getByRole('link', { name: 'See and send the correction' })).toHaveCount(0);
};

test('two classes get three versions; one joins late, one is cut off, all get the correction, and three work on one', async ({
  browser,
}) => {
  const house = await House.open();
  const maren = await signedIn(browser, house, 'Maren');
  await openSheet(maren, 'Sums from the shore');
  await maren.getByRole('link', { name: 'Hand out' }).click();
  await maren.getByLabel('Name of the handout').fill(TITLE);
  for (const name of [/^Curlew/, /^Avocet/]) await maren.getByRole('checkbox', { name }).check();
  await expect(maren.locator('.hand-out_send')).toContainText('35 students');
  await maren.getByRole('radiogroup', { name: 'Where versions come from' }).getByText('Made again').click();
  await maren.getByRole('radiogroup', { name: 'How many versions' }).getByText('3').click();
  await expect(maren.locator('.hand-out_send')).toContainText('3 versions');
  await maren.getByRole('button', { name: /^Hand it out/ }).click();
  await maren.waitForURL(/\/desk$/);

  // Two students begin, each in a class of their own; one of them is cut off.
  const [ayo, ilse] = [
    await enter(browser, house, 'Ayo'),
    await join(browser, house, 'AVCT4', 'Ilse Brandt', SECRET.split(' ')),
  ];
  for (const student of [ayo, ilse]) {
    await openCopy(student, new RegExp(TITLE));
    await writeIn(student, '11');
    await saved(student);
  }
  await ayo.context().setOffline(true);
  await ayo.keyboard.press('Tab');
  await ayo.keyboard.type('22');
  await expect(ayo.locator('.save-words_words')).toContainText(/offline/i);

  // Somebody joins Avocet, and has a version from the first moment.
  await maren.goto('/classes');
  const box = maren.getByLabel('Names to add to Avocet');
  const card = maren.locator('.class-card_card', { hasText: 'Avocet' });
  await pressed(card.getByRole('button', { name: 'Add students' }), box);
  await box.fill('Éva Nagy');
  await card.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(card.getByRole('button', { name: /Éva Nagy/ })).toBeVisible();

  // The sheet is mended, and the correction goes to both classes while they work.
  await openSheet(maren, 'Sums from the shore');
  await press(maren, 300, 60);
  await maren.keyboard.press('Shift+ArrowDown');
  await saved(maren);
  await correct(maren, 'Curlew', 26);
  await correct(maren, 'Avocet', 10);
  const late = maren.locator('.spread_card', { hasText: 'Éva Nagy' });
  await expect(late).toContainText('Not begun');
  await expect(late.getByTitle(/^Version [ABC]$/)).toBeVisible();

  // What was written before, during and after it is there, on the corrected sheet.
  await ayo.context().setOffline(false);
  await saved(ayo);
  await ayo.reload();
  await drawn(ayo);
  const sheet = ayo.getByRole('list', { name: 'What stands on the page' });
  for (const said of ['11', '22']) await expect(sheet).toContainText(said);
  await ayo.getByRole('button', { name: 'Hand in', exact: true }).click();
  await ayo.getByRole('button', { name: 'Hand in anyway' }).click();
  await expect(ayo.getByRole('banner')).toContainText('Handed in');
  await ilse.reload();
  await drawn(ilse);
  await expect(ilse.getByRole('list', { name: 'What stands on the page' })).toContainText('11');

  // A piece of three, in steps: handed in by one, for all.
  const [quinn, rosa] = await Promise.all(
    ['Quinn Murray', 'Rosa Delgado'].map((name) => join(browser, house, 'CURLW', name, SECRET.split(' '))),
  );
  await openCopy(quinn, /Our food web/);
  await quinn.getByRole('button', { name: 'Hand in', exact: true }).click();
  await quinn.getByRole('button', { name: 'Hand it in' }).click();
  await expect(quinn.getByRole('banner')).toContainText('Handed in');
  await rosa.reload();
  await openCopy(rosa, /Our food web/);
  await expect(rosa.getByRole('banner')).toContainText('Handed in');

  // All of it is with the teacher, each with its own key.
  await maren.goto('/desk');
  await maren.locator('.handouts_open', { hasText: new RegExp(`${TITLE}.*Curlew`) }).click();
  const piece = maren.locator('.spread_card', { hasText: 'Ayo Bankole' });
  await expect(piece).toContainText('Handed in');
  await piece.click();
  await expect(maren.locator('.margin-card').getByTitle(/^Version [ABC]$/)).toBeVisible();
  await expect(maren.locator('.margin-card').first()).toContainText(/of 12/);
  await house.close();
});
