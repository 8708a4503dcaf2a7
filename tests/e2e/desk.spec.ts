import { carry, drawn, enter, expect, House, test } from './house';

/** The Desk: what comes next, and a teacher's own order among sheets. */

test('what waits longest lies in the light, and one press leads to the piece that was handed in first', async ({
  browser,
  house,
}) => {
  const page = await enter(browser, house, 'Maren');
  const next = page.getByRole('list', { name: 'Next to read' });
  await expect(next.getByRole('link').first()).toContainText('Life between the tides');
  await expect(next).toContainText('3 pieces to read, the oldest handed in 2 days ago');
  // Each handout stands here once.
  await expect(page.locator('.handouts_open')).toHaveCount(8);
  await next.getByRole('link', { name: 'Start reading' }).click();
  await page.waitForURL(/\/reading\//);
  await expect(page.locator('.page-view').first()).toBeVisible();
});

test('sheets are put into folders by menu and by dragging, copied, put into the bin and brought back', async ({
  browser,
}) => {
  // With few sheets, so that folder and sheet are in view together.
  const house = await House.open();
  try {
    const page = await enter(browser, house, 'Maren');
    const sheets = page.locator('.sheets_sheet');
    const sheet = (name: string) => sheets.filter({ hasText: name });
    await expect(sheets.first()).toBeVisible();
    const all = await sheets.count();
    const place = (name: RegExp) => page.getByRole('navigation', { name: 'Folders' }).getByRole('link', { name });
    const more = async (name: string, what: string) => {
      await page.getByRole('button', { name: `More for ${name}`, exact: true }).click();
      await page.getByRole('menuitem', { name: what }).click();
    };

    await page.getByRole('button', { name: '+ New folder' }).click();
    // A name half typed is there after a reload.
    await page.getByLabel('Name of the folder').fill('Été Ω');
    await page.reload();
    await page.getByRole('button', { name: '+ New folder' }).click();
    await expect(page.getByLabel('Name of the folder')).toHaveValue('Été Ω');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Été Ω' })).toBeVisible();
    await expect(page.getByText('Nothing is in this folder yet')).toBeVisible();

    await place(/All sheets/).click();
    await more('After dark', 'Put into “Été Ω”');
    await expect(place(/Été Ω/)).toHaveText('Été Ω 1');
    // A busy machine can lose a drop, as a hand can: then it is dragged once more.
    await expect(async () => {
      await carry(page, sheet('Who eats whom'), place(/Été Ω/));
      await expect(place(/Été Ω/)).toHaveText('Été Ω 2', { timeout: 4000 });
    }).toPass();
    await place(/Été Ω/).click();
    await expect(sheets).toHaveCount(2);

    await page.getByRole('button', { name: 'Rename folder' }).click();
    await page.getByLabel('Name of the folder').fill('Evening');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Evening' })).toBeVisible();
    // A name that is taken is refused, and stays in the field.
    await page.getByRole('button', { name: '+ New folder' }).click();
    await page.getByLabel('Name of the folder').fill('evening');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toContainText('There is a folder “evening” already.');
    await expect(page.getByLabel('Name of the folder')).toHaveValue('evening');
    await page.keyboard.press('Escape');

    await more('After dark', 'Make a copy');
    await page.waitForURL(/\/sheets\//);
    await page.goBack();
    await expect(place(/Evening/)).toHaveText('Evening 3');

    await more('After dark, copy', 'Put into the bin');
    await expect(sheets).toHaveCount(2);
    await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
    await expect(sheets).toHaveCount(3);
    await more('After dark, copy', 'Put into the bin');
    await place(/^Bin/).click();
    await expect(sheets).toHaveText([/After dark, copy.*deleted in 30 days/]);
    // It can be looked at there, and says where it is.
    await sheets.getByRole('link').click();
    const binned = page.getByRole('alert').filter({ hasText: 'This sheet is in the bin.' });
    await binned.getByRole('button', { name: 'Restore' }).click();
    await expect(binned).toHaveCount(0);
    await page.goBack();
    await expect(sheets).toHaveCount(0);
    await place(/Evening/).click();
    await more('After dark, copy', 'Put into the bin');
    await place(/^Bin/).click();
    await page.getByRole('button', { name: 'Delete for good' }).click();
    await page.getByRole('button', { name: 'Delete', exact: true }).click();
    await expect(page.getByText('Nothing is in the bin')).toBeVisible();

    await place(/Evening/).click();
    await page.getByRole('button', { name: 'Remove folder' }).click();
    await expect(sheets).toHaveCount(all);
  } finally {
    await house.close();
  }
});

test('a search finds sheets, handouts and classes, with slips; sorting stays as it was chosen', async ({
  browser,
  house,
}) => {
  const page = await enter(browser, house, 'Maren');
  // Before hydration the page hears no keys.
  await expect(async () => {
    await page.keyboard.press('/');
    await expect(page.getByRole('searchbox')).toBeFocused({ timeout: 500 });
  }).toPass();
  await page.keyboard.type('hern');
  await expect(page.locator('.handouts_open')).toHaveText([/Parts of the grey heron/]);
  await expect(page.locator('.sheets_open')).toHaveText(['Parts of the grey heron']);
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('avocet');
  await expect(page.locator('.handouts_open')).toHaveCount(5);
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('quasar');
  await expect(page.getByText('Nothing here is called “quasar”')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('heading', { name: 'With students' })).toBeVisible();

  await page.getByRole('radio', { name: 'Last changed' }).focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(page.locator('.sheets_open').first()).toHaveText('A crab and its parts');
  const names = await page.locator('.sheets_open').allTextContents();
  expect(names).toEqual(names.toSorted((a, b) => a.localeCompare(b)));
  await page.reload();
  await expect(page.getByRole('radio', { name: 'Name' })).toBeChecked();
  await expect(page.locator('.sheets_open')).toHaveText(names);
});

test('without the network nothing is lost, and what was asked can be asked again', async ({ browser, house }) => {
  const page = await enter(browser, house, 'Maren');
  await page.locator('.sheets_open', { hasText: 'After dark' }).click();
  await drawn(page);
  await page.goBack();
  await page.getByRole('button', { name: 'More for After dark', exact: true }).click();
  await page.route('**/desk*', (route) => route.abort());
  await page.getByRole('menuitem', { name: 'Put into the bin' }).click();
  await expect(page.getByRole('alert')).toContainText('The school can’t be reached just now');
  await expect(page.locator('.sheets_open', { hasText: 'After dark' })).toBeVisible();
  await page.locator('.told-bar_bar').getByRole('button').click();
  await page.getByRole('button', { name: 'Poster', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('The school can’t be reached just now');
  await page.unroute('**/desk*');
  await page.getByRole('button', { name: 'More for After dark', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Put into the bin' }).click();
  await expect(page.locator('.sheets_open', { hasText: 'After dark' })).toHaveCount(0);
});
