import { drawn, enter, expect, House, openSheet, saved, test, pressed, signedIn } from './house';

/** Several students on one copy: each sees at once what the others do and where; a lost connection is made good. */

test('two work on one copy at the same time, also after one was offline, and it is handed in once for both', async ({
  browser,
}) => {
  const house = await House.open();
  const page = await signedIn(browser, house, 'Maren');
  await page.goto('/classes');
  const made = page.getByRole('form', { name: 'Group' });
  await pressed(page.getByRole('button', { name: 'New group in Curlew' }), made);
  await made.getByLabel('Name of the group').fill('Reef');
  for (const name of ['Ayo Bankole', 'Ines Ramos']) await made.getByRole('checkbox', { name }).check();
  await made.getByRole('button', { name: 'Save the group' }).click();
  await expect(page.getByRole('button', { name: 'Group Reef, 2' })).toBeVisible();

  await openSheet(page, 'Life between the tides');
  await page.getByRole('link', { name: 'Hand out' }).click();
  await page.getByRole('checkbox', { name: /^Curlew/ }).check();
  await page.getByRole('button', { name: 'Only some of Curlew' }).click();
  await page.getByRole('checkbox', { name: /Tide pool/ }).check();
  await page.getByRole('checkbox', { name: 'Each group works on one copy' }).check();
  await page.getByRole('button', { name: 'Hand it out' }).click();
  await expect(page.locator('.ant-alert-error')).toContainText(
    'Tide pool has 6 students: at most 5 can work on one copy.',
  );
  await page.getByRole('checkbox', { name: /Tide pool/ }).uncheck();
  await page.getByRole('checkbox', { name: /Reef/ }).check();
  await page.getByRole('button', { name: 'Hand it out' }).click();
  await page.waitForURL(/\/handouts\//);
  await expect(page.locator('.spread_card')).toHaveCount(1);
  await expect(page.locator('.spread_card')).toContainText('Ayo Bankole & Ines Ramos');

  const [ayo, ines] = [await enter(browser, house, 'Ayo'), await enter(browser, house, 'Ines')];
  for (const [student, mate] of [
    [ayo, 'Ines Ramos'],
    [ines, 'Ayo Bankole'],
  ] as const) {
    const copy = student.getByRole('link', { name: /Life between the tides/ }).first();
    await expect(copy).toContainText(`with ${mate}`);
    await copy.click();
    await drawn(student);
  }
  await expect(ayo.getByTitle('Ines Ramos is here now')).toBeVisible();
  await expect(ines.getByTitle('Ayo Bankole is here now')).toBeVisible();

  // Where one is, and what they write, is there for the other.
  const card = ayo.locator('.margin-card.lit');
  await card.getByRole('button', { name: 'Write here' }).click();
  await expect(ines.locator('.together_frame')).toContainText('Ayo');
  await ayo.keyboard.type('Ayo and Ines');
  const sheet = ines.getByRole('list', { name: 'What stands on the page' });
  await expect(sheet).toContainText('Ayo and Ines');
  await saved(ayo);
  await expect(ines.locator('.margin-card').first()).toContainText('Checks 1 of 2');

  // Ines loses her connection, and writes on; Ayo writes elsewhere meanwhile.
  await ines.context().setOffline(true);
  const next = ines.locator('.margin-card.lit');
  await next.getByRole('button', { name: 'Write here' }).click();
  await ines.keyboard.type('A mudflat is land and sea');
  await ayo.keyboard.type(' too');
  await saved(ayo);
  await ines.context().setOffline(false);
  await saved(ines);
  for (const student of [ayo, ines]) {
    const both = student.getByRole('list', { name: 'What stands on the page' });
    await expect(both).toContainText('Ayo and Ines too');
    await expect(both).toContainText('A mudflat is land and sea');
  }

  // Handed in by one, it is handed in for both: the other's window says so by itself.
  await ayo.keyboard.press('Escape');
  await ayo.getByRole('button', { name: 'Hand in', exact: true }).click();
  await ayo.getByRole('button', { name: 'Hand in anyway' }).click();
  await expect(ayo.getByRole('banner')).toContainText('Handed in');
  await expect(ines.getByRole('banner')).toContainText('Handed in');

  await page.reload();
  await page.locator('.spread_card').click();
  await expect(page.locator('.margin-card').first()).toContainText(
    /Changes: (Ayo Bankole|Ines Ramos) \d+ · (Ayo Bankole|Ines Ramos) \d+/,
  );
  await house.close();
});
