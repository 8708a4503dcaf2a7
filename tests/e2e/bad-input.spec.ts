import { drawn, enter, expect, test, signedIn } from './house';

/** Each wrong input has an answer that says what to do. */

test('at the front door', async ({ browser, house }) => {
  const page = await (await browser.newContext({ baseURL: house.url })).newPage();
  await page.goto('/');
  await page.getByLabel('E-mail').fill('maren@samphire.example');
  await page.getByLabel('Password', { exact: true }).fill('guess');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert')).toContainText('This e-mail and password don’t match');
  await page.getByLabel('Class code').fill('nope');
  await page.getByRole('button', { name: 'Find my class' }).click();
  await expect(page.getByRole('alert')).toContainText('There is no class with the code “nope”');
  await page.getByLabel('Class code').fill('curlw');
  await page.getByRole('button', { name: 'Find my class' }).click();
  await page.getByRole('button', { name: 'Bea Lindgren' }).click();
  for (const picture of ['crab', 'crab', 'crab'])
    await page.getByRole('button', { name: picture, exact: true }).click();
  await page.getByRole('button', { name: 'Go in' }).click();
  await expect(page.getByRole('alert')).toContainText('Those are not your pictures');
});

test('in the classes, and a class without students gets nothing', async ({ browser, house }) => {
  const page = await signedIn(browser, house, 'Maren');
  await page.goto('/classes');
  await page.getByRole('button', { name: 'Add class' }).click();
  await expect(page.getByRole('alert')).toContainText('Type a name.');
  await page.getByLabel('Name of the class').fill('Plover');
  await page.getByRole('button', { name: 'Add class' }).click();
  await expect(page.getByRole('status')).toContainText('Plover is there');
  await page.goto('/desk');
  await page.getByRole('button', { name: 'Worksheet' }).click();
  await drawn(page);
  await page.getByRole('link', { name: 'Hand out' }).click();
  await page.getByRole('checkbox', { name: /Plover/ }).check();
  await page.getByRole('button', { name: 'Hand it out' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Nobody is in Plover yet' })).toBeVisible();
});

test('an empty sheet is not handed out', async ({ browser, house }) => {
  const page = await enter(browser, house, 'Maren');
  await page.getByRole('button', { name: 'Blank page' }).click();
  await drawn(page);
  await page.getByRole('link', { name: 'Hand out' }).click();
  await page.getByRole('checkbox', { name: /Avocet/ }).check();
  await page.getByRole('button', { name: 'Hand it out' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'This sheet is empty' })).toBeVisible();
});

test('a look-for that the sheet has nothing for says why', async ({ browser, house }) => {
  const page = await enter(browser, house, 'Maren');
  await page.getByRole('button', { name: 'Worksheet' }).click();
  await drawn(page);
  await page.getByRole('link', { name: 'Hand out' }).click();
  await page.getByLabel('Add a look-for').click();
  await page.locator('.ant-select-item', { hasText: 'labels on their parts' }).click();
  await expect(page.getByText('There is no blank label with a line to a part of a diagram')).toBeVisible();
});

test('what is not there or not one’s own says so', async ({ browser, house }) => {
  const page = await enter(browser, house, 'Maren');
  for (const path of ['/sheets/nothing', '/handouts/nothing', '/nowhere']) {
    await page.goto(path);
    await expect(page.getByRole('heading', { name: 'Nothing here' })).toBeVisible();
  }
  await page.goto('/tray');
  await expect(page.getByText('This page is for students.')).toBeVisible();
});

test('a copy that was handed in elsewhere can’t be written on', async ({ browser, house }) => {
  const page = await enter(browser, house, 'Ines');
  await page.locator('.tray_copy').first().click();
  await drawn(page);
  const other = await page.context().newPage();
  await other.goto(page.url());
  await drawn(other);
  await other.getByRole('button', { name: 'Hand in' }).click();
  await other.getByRole('button', { name: 'Hand in anyway' }).click();
  await expect(other.getByRole('button', { name: 'Take it back' })).toBeVisible();
  const box = (await page.locator('.page-view').boundingBox())!;
  await page.mouse.click(box.x + box.width * 0.87, box.y + box.height * 0.21);
  await page.keyboard.type('eye');
  await expect(page.locator('.over-alert_overAlert')).toContainText(
    'This copy is handed in. Take it back to change it.',
  );
  await expect(page.locator('.save-words_words')).toContainText('Not being saved');
  await other.getByRole('button', { name: 'Take it back' }).click();
  await expect(other.getByRole('button', { name: 'Hand in' })).toBeVisible();
});
