import { SECRET } from '../../demo/school';
import { drawn, enter, expect, House, join, test } from './house';

/** Pieces read and returned by keys alone, taken back unseen, and taken back with a word. */

let house: House;
test.beforeAll(async () => {
  house = await House.open();
});
test.afterAll(() => house.close());

test('a piece is marked and returned by a key for each thing that is asked, and a hasty return is taken back', async ({
  browser,
}) => {
  const page = await enter(browser, house, 'Maren');
  await page.locator('.handouts_open', { hasText: 'grey heron' }).click();
  // The Desk leads to reading, too.
  await expect(page.locator('.spread_card')).toHaveCount(26);
  await page.getByRole('link', { name: 'Start reading' }).click();
  await drawn(page);
  const asked = page.locator('[aria-current="step"]');
  const name = page.getByRole('heading', { level: 2 });
  const marked = (row: string, points: string) =>
    expect(page.getByRole('radiogroup', { name: row }).getByRole('radio', { name: points })).toBeChecked();

  // The first that only a teacher can judge.
  await expect(asked).toContainText('Easy to read');
  const first = (await name.textContent())!;
  // Keys go on working after a press elsewhere.
  await page.getByLabel('What is shown').getByText('Key').click();
  await page.keyboard.press('v');
  await page.keyboard.press('v');
  await page.keyboard.press('y');
  await expect(asked).toContainText('Names of parts');
  await page.keyboard.press('3');
  await page.keyboard.press('9');
  await marked('Names of parts', '3');
  await expect(asked).toContainText('Says why');
  await page.keyboard.press('2');
  await page.keyboard.press('4');
  await marked('Easy to read', '4');
  await expect(asked).toHaveCount(0);
  await expect(page.getByText('9 of 12 points')).toBeVisible();
  // Another one is chosen and answered again; the same digit takes it back.
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowUp');
  await page.keyboard.press('3');
  await expect(page.getByText('6 of 12 points, 1 still to mark')).toBeVisible();
  await page.keyboard.press('4');
  await marked('Names of parts', '4');

  // A note is written where the pointer is, and its letters are no keys.
  await page.locator('.page-view').hover({ position: { x: 300, y: 400 } });
  await page.keyboard.press('w');
  await page.keyboard.type('ray of 3');
  await page.keyboard.press('Enter');
  await expect(page.locator('.margin-card', { hasText: 'ray of 3' })).toBeVisible();

  // Tab leads from part to part without a pointer, and goes on after a note.
  const parts = page.getByRole('list', { name: 'Parts of the piece' }).getByRole('button');
  await page.keyboard.press('Tab');
  await expect(parts.nth(0)).toBeFocused();
  await page.keyboard.press('Tab');
  await page.keyboard.press('w');
  await page.keyboard.type('look again');
  await page.keyboard.press('Enter');
  await expect(page.locator('.margin-card', { hasText: 'look again' })).toBeVisible();
  await expect(parts.nth(1)).toBeFocused();
  await page.keyboard.press('Shift+Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Note on this spot')).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(parts.nth(0)).toBeFocused();

  await page.keyboard.press('r');
  const bar = page.getByRole('status').filter({ hasText: `${first}: returned as done` });
  await expect(bar).toBeVisible();
  await expect(name).not.toHaveText(first);
  await bar.getByRole('button', { name: 'take it back' }).click();
  await expect(name).toHaveText(first);
  await expect(page.locator('.margin-card', { hasText: 'ray of 3' })).toBeVisible();
  await marked('Names of parts', '4');
  await page.keyboard.press('a');
  await expect(page.getByRole('status').filter({ hasText: `${first}: returned for another go` })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keyboard shortcuts' })).toContainText('return it as done');
  await page.keyboard.press('r');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('what a student has opened is taken back with a word, which they read on their piece', async ({ browser }) => {
  const page = await enter(browser, house, 'Maren');
  await page.locator('.handouts_open', { hasText: 'grey heron' }).click();
  // The Desk leads to reading, too.
  await expect(page.locator('.spread_card')).toHaveCount(26);
  await page.locator('.spread_card', { hasText: 'Farah Siddiqi' }).click();
  await drawn(page);
  await page.getByRole('button', { name: 'Return as done' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Farah Siddiqi: returned as done' })).toBeVisible();
  await page.locator('.reading_bandEntry', { hasText: 'Farah S' }).click();
  await expect(page.getByRole('heading', { level: 2 })).toHaveText('Farah Siddiqi');

  const farah = await join(browser, house, 'CURLW', 'Farah Siddiqi', SECRET.split(' '));
  await farah
    .getByRole('link', { name: /grey heron/ })
    .first()
    .click();
  await drawn(farah);

  // This window does not know yet that it was opened.
  await page.getByRole('button', { name: 'Take it back' }).click();
  const dialog = page.getByRole('dialog', { name: 'Farah Siddiqi has opened it' });
  await expect(dialog).toContainText('Say in a word');
  await dialog.getByLabel('Why you take it back').fill('I overlooked your reason.');
  await page.context().setOffline(true);
  await dialog.getByRole('button', { name: 'Take it back' }).click();
  await expect(dialog.getByRole('alert')).toContainText('can’t be reached');
  await expect(dialog.getByLabel('Why you take it back')).toHaveValue('I overlooked your reason.');
  await page.context().setOffline(false);
  await dialog.getByRole('button', { name: 'Take it back' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByRole('heading', { level: 2 })).toHaveText('Farah Siddiqi');
  await expect(page.getByRole('button', { name: 'Return as done' })).toBeEnabled();

  await farah.reload();
  await expect(farah.getByText('Your teacher took it back')).toContainText('I overlooked your reason.');
});

test('a piece is laid over the sheet as it was handed out, and all that differs is told', async ({ browser }) => {
  const page = await enter(browser, house, 'Maren');
  await page.locator('.handouts_open', { hasText: 'grey heron' }).click();
  await page.locator('.spread_card', { hasText: 'Eun-ji Park' }).click();
  await drawn(page);
  await page.keyboard.press('v');
  const margin = page.getByRole('complementary', { name: 'What is to be said' });
  await expect(margin).toContainText('11 differences from the sheet as handed out');
  const label = margin.locator('.margin-card', { hasText: 'bill' }).first();
  await expect(label).toContainText('Filled in');
  const wipe = page.getByRole('slider', { name: 'How much of the piece shows over the sheet as handed out' });
  await wipe.press('End');
  await expect(page.locator('.against_over')).toHaveCSS('clip-path', 'inset(0px 0px 0px 100%)');
  await page.locator('h1').click();
  await page.keyboard.press('v');
  await expect(margin).toContainText('2 differences from the key');
  await expect(margin.getByRole('region', { name: 'Difference 1', exact: true })).toContainText('Eun-ji Park');
  await page.keyboard.press('v');
  await expect(page.locator('.against_over')).toHaveCount(0);
});

test('all that was read is returned at once, and what is missing is said before', async ({ browser }) => {
  const page = await enter(browser, house, 'Maren');
  await page.locator('.handouts_open', { hasText: 'grey heron' }).click();
  await page.locator('.spread_card', { hasText: 'Hana Tanabe' }).click();
  await drawn(page);
  for (const key of ['y', '4', '4', '4']) await page.keyboard.press(key);
  await expect(page.getByText('12 of 12 points')).toBeVisible();
  await page.getByRole('link', { name: 'The whole class' }).click();
  const dialog = page.getByRole('dialog', { name: 'Return pieces' });
  await page.getByRole('button', { name: 'Return pieces …' }).click();
  await expect(dialog.getByRole('checkbox', { name: /^Hana Tanabe/ })).toBeChecked();
  await expect(dialog.getByRole('checkbox', { name: /^Jun Weiss/ })).not.toBeChecked();
  await expect(dialog.getByText('not read yet').first()).toBeVisible();
  await dialog.getByRole('checkbox', { name: /^Jun Weiss/ }).check();
  await page.context().setOffline(true);
  await dialog.getByRole('button', { name: /^Return \d+ pieces/ }).click();
  await expect(dialog.getByRole('alert')).toContainText('can’t be reached');
  await expect(dialog.getByRole('checkbox', { name: /^Jun Weiss/ })).toBeChecked();
  await page.context().setOffline(false);
  await dialog.getByRole('button', { name: /^Return \d+ pieces/ }).click();
  await expect(page.getByRole('dialog', { name: 'Returned' })).toContainText('pieces were returned as done.');
  await page.keyboard.press('Escape');
  await expect(page.locator('.spread_card', { hasText: 'Hana Tanabe' })).toContainText('Done');
  await expect(page.locator('.spread_card', { hasText: 'Jun Weiss' })).toContainText('Done');
});

test('pieces are read without names, in an order that tells nothing of them, until names are shown again', async ({
  browser,
}) => {
  const page = await enter(browser, house, 'Maren');
  await page.locator('.handouts_open', { hasText: 'grey heron' }).click();
  await page.locator('.spread_card', { hasText: 'Oluchi Eze' }).click();
  await drawn(page);
  const heading = page.locator('.reading_headName h2');
  await expect(heading).toHaveText('Oluchi Eze');
  const band = page.getByRole('navigation', { name: 'The class' });
  await expect(band.getByRole('link').first()).toContainText('Ayo B');
  await expect(page.getByRole('list', { name: 'What stands on the page' })).toContainText('Oluchi');
  await page.keyboard.press('h');
  await expect(heading).toHaveText(/^Piece \d+$/);
  await expect(band.getByRole('link').first()).toContainText('Piece 1');
  await expect(page).toHaveTitle(/^Piece \d+: Parts of the grey heron/);
  const called = await heading.innerText();
  await page.reload();
  await drawn(page);
  await expect(heading).toHaveText(called);
  for (const name of ['Oluchi', 'Bankole', 'Lindgren']) await expect(page.locator('body')).not.toContainText(name);
  // The next one by number; what is asked goes on by keyboard.
  await page.keyboard.press('ArrowLeft');
  await expect(heading).toHaveText(`Piece ${Number(called.split(' ')[1]) - 1 || 1}`);
  await band.getByRole('button', { name: 'Show names' }).click();
  await expect(heading).not.toHaveText(/^Piece/);
});
