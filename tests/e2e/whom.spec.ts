import type { Page } from '@playwright/test';
import { drawn, enter, expect, House, openSheet, saved, test, pressed, signedIn } from './house';

/** To whom and from when on: groups, single students, opening later, once more, into the bin and back, used again. */

let house: House;
test.beforeAll(async () => {
  house = await House.open();
});
test.afterAll(() => house.close());

const handOutSheet = async (page: Page, name: string) => {
  await openSheet(page, name);
  await page.getByRole('link', { name: 'Hand out' }).click();
  await page.getByRole('checkbox', { name: /^Curlew/ }).check();
};
const said = (page: Page) => page.locator('.hand-out_send');
const send = (page: Page) => page.getByRole('button', { name: /^Hand it out/ }).click();

test('a group is made, gets something on its own, and who joins it later gets it too', async ({ browser }) => {
  const page = await signedIn(browser, house, 'Maren');
  await page.goto('/classes');
  const made = page.getByRole('form', { name: 'Group' });
  await pressed(page.getByRole('button', { name: 'New group in Curlew' }), made);
  await made.getByLabel('Name of the group').fill('Été 3');
  await made.getByRole('checkbox', { name: 'Ayo Bankole' }).check();
  // Nothing that was chosen is lost to a reload or a lost connection.
  await page.reload();
  await expect(made.getByLabel('Name of the group')).toHaveValue('Été 3');
  await page.context().setOffline(true);
  await made.getByRole('button', { name: 'Save the group' }).click();
  await expect(page.getByRole('alert')).toContainText('can’t be reached');
  await page.context().setOffline(false);
  await expect(made.getByRole('checkbox', { name: 'Ayo Bankole' })).toBeChecked();
  await made.getByRole('button', { name: 'Save the group' }).click();
  await expect(page.getByRole('button', { name: 'Group Été 3, 1' })).toBeVisible();

  await handOutSheet(page, 'Birds we counted');
  await page.getByRole('button', { name: 'Only some of Curlew' }).click();
  await expect(said(page)).toContainText('Choose who of Curlew gets it.');
  await page.getByRole('checkbox', { name: /Été 3/ }).check();
  await expect(said(page)).toContainText('1 student of Curlew');
  await page.getByRole('checkbox', { name: 'Bea Lindgren' }).check();
  await expect(said(page)).toContainText('2 students of Curlew');
  await page.getByLabel('Name of the handout').fill('Only for some');
  await page.reload();
  await expect(said(page)).toContainText('2 students of Curlew');
  await send(page);
  await page.waitForURL(/\/handouts\//);
  await expect(page.getByRole('banner')).toContainText('Curlew: Été 3');
  await expect(page.locator('.spread_card')).toHaveCount(2);

  const ines = await enter(browser, house, 'Ines');
  await expect(ines.getByText('Only for some')).toHaveCount(0);
  await page.goto('/classes');
  await pressed(page.getByRole('button', { name: 'Group Été 3, 1' }), made);
  await made.getByRole('checkbox', { name: 'Ines Ramos' }).check();
  await made.getByRole('button', { name: 'Save the group' }).click();
  await expect(page.getByRole('button', { name: 'Group Été 3, 2' })).toBeVisible();
  await ines.goto('/tray');
  await expect(ines.getByText('Only for some')).toBeVisible();
});

test('before it opens students don’t see it; opened earlier, it is there', async ({ browser }) => {
  const page = await signedIn(browser, house, 'Maren');
  await handOutSheet(page, 'Who eats whom');
  await page.getByLabel('Name of the handout').fill('For tomorrow');
  await page.getByRole('button', { name: /^opens/ }).click();
  await page.getByRole('textbox', { name: 'opens' }).fill('4 Dec 2030, 08:00');
  await page.keyboard.press('Enter');
  await send(page);
  await page.waitForURL(/\/handouts\//);
  await expect(page.getByText('Students don’t see it yet.')).toBeVisible();
  const ayo = await enter(browser, house, 'Ayo');
  await expect(ayo.getByText('For tomorrow')).toHaveCount(0);
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await page.getByRole('button', { name: /^opens/ }).click();
  await page.getByRole('textbox', { name: 'opens' }).fill('4 Dec 2020, 08:00');
  await page.keyboard.press('Enter');
  await expect(page.getByText('26 students see it at once.')).toBeVisible();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  // The form stands there until it has arrived.
  await expect(page.getByRole('button', { name: 'Change', exact: true })).toBeVisible();
  await expect(page.getByText('Students don’t see it yet.')).toHaveCount(0);
  await ayo.reload();
  await expect(ayo.getByText('For tomorrow')).toBeVisible();
});

test('the same sheet to the same class again says so; deleted, it can be restored; used again, it brings its brief', async ({
  browser,
}) => {
  const page = await signedIn(browser, house, 'Maren');
  await handOutSheet(page, 'Parts of the grey heron');
  await expect(said(page)).toContainText('Curlew has this sheet already');
  await page.getByLabel('Name of the handout').fill('The heron once more');
  await page.getByLabel('Brief: what to do').fill('Now without the bank, étude Ω.');
  await page.getByRole('button', { name: 'Hand it out again' }).click();
  await page.waitForURL(/\/handouts\//);
  const handout = page.url();
  const ayo = await enter(browser, house, 'Ayo');
  await expect(ayo.getByText('The heron once more')).toBeVisible();

  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await expect(page.getByText('All 26 copies go with it; nobody has begun.')).toBeVisible();
  await page.getByRole('button', { name: 'Put it into the bin' }).click();
  await page.waitForURL(/\/desk/);
  await expect(page.getByRole('status')).toContainText('The handout is in the bin');
  await ayo.reload();
  await expect(ayo.getByText('The heron once more')).toHaveCount(0);
  await page.goto('/desk?in=bin');
  const binned = page.getByRole('list', { name: 'Handouts in the bin' });
  await expect(binned).toContainText('26 copies, none begun');
  await expect(async () => {
    const restore = binned.getByRole('button', { name: 'Restore The heron once more' });
    if (await restore.isVisible()) await restore.click({ timeout: 5000 });
    await expect(binned).toHaveCount(0, { timeout: 5000 });
  }).toPass();
  await ayo.reload();
  await expect(ayo.getByText('The heron once more')).toBeVisible();

  await page.goto(handout);
  await expect(async () => {
    const again = page.getByRole('button', { name: 'Use again' });
    if (await again.isVisible()) await again.click({ timeout: 5000 });
    await page.waitForURL(/hand-out\?like=/, { timeout: 5000 });
  }).toPass();
  await expect(page.getByLabel('Brief: what to do')).toHaveValue('Now without the bank, étude Ω.');
  await page.getByRole('checkbox', { name: /^Avocet/ }).check();
  await expect(page.getByRole('button', { name: 'Hand it out', exact: true })).toBeVisible();
  await send(page);
  await page.waitForURL(/\/handouts\//);
  await expect(page.locator('.spread_card')).toHaveCount(9);
});

test('as a student sees it: the look-fors count on a copy of the teacher’s own, and what was filled in stays', async ({
  browser,
}) => {
  const page = await signedIn(browser, house, 'Maren');
  await handOutSheet(page, 'Parts of the grey heron');
  await page.getByLabel('Brief: what to do').fill('Tried first, étude Ω.');
  await page.getByLabel('An example to look at').selectOption('Life between the tides');
  await page.getByRole('button', { name: 'As a student sees it' }).click();
  await page.waitForURL(/\/copies\//);
  await drawn(page);
  await expect(page.locator('.trial-note')).toBeVisible();
  await expect(page.getByText('Tried first, étude Ω.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Hand in' })).toBeDisabled();
  await page.getByRole('button', { name: 'Example beside it' }).click();
  await expect
    .poll(() =>
      page.getByAltText('An example of what to make').evaluate((image: HTMLImageElement) => image.naturalWidth),
    )
    .toBeGreaterThan(0);
  const name = page.locator('.margin-card', { hasText: /name/i }).first();
  await expect(name).toBeVisible();
  await page.locator('[data-stage]').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Maren Oduya');
  await page.keyboard.press('Escape');
  await saved(page);
  await page.getByRole('link', { name: 'Back to handing out' }).click();
  await page.waitForURL(/hand-out$/);
  await expect(page.getByLabel('Brief: what to do')).toHaveValue('Tried first, étude Ω.');
  await expect(page.getByLabel('An example to look at')).not.toHaveValue('');
  await expect(page.getByRole('checkbox', { name: /^Curlew/ })).toBeChecked();
  await page.goto('/desk');
  await expect(page.locator('.handouts_handout', { hasText: 'Tried first' })).toHaveCount(0);
});
