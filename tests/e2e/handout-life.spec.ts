import type { Page } from '@playwright/test';
import { drawn, enter, expect, House, press, saved, test } from './house';

/** A handout after it went out: changed, closed, opened for one, opened again, put away. */

// Other files share their house, and this one changes what they stand on.
let house: House;
test.beforeAll(async () => {
  house = await House.open();
});
test.afterAll(() => house.close());

const open = async (page: Page) => {
  await page.goto('/desk');
  await page.locator('.handouts_open', { hasText: /Parts of the grey heron/ }).click();
  return page.locator('section', { has: page.getByRole('heading', { name: 'This handout' }) });
};
const setTime = async (page: Page, label: 'due' | 'closes' | 'returns', when: string) => {
  await page.getByRole('button', { name: new RegExp(`^${label}:`) }).click();
  await page.getByRole('textbox', { name: label }).fill(when);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: new RegExp(`^${label}:`) })).toBeFocused();
};

test('its name and times change, what that alters is said first, and nothing typed is lost', async ({ browser }) => {
  const page = await enter(browser, house, 'Maren');
  let card = await open(page);
  await card.getByRole('button', { name: 'Change' }).click();
  await card.getByLabel('Name').fill('The heron, part by part');
  await setTime(page, 'due', '1 Jan 2026, 14:00');
  await card.getByLabel('If it comes late').click();
  await page.getByTitle('Points are taken off once').click();
  await card.getByLabel('Points taken off').fill('2');
  await expect(card.getByRole('status')).toContainText('All 26 students see the change at once.');
  await expect(card.getByRole('status')).toContainText('19 pieces that were in time will count as late.');
  await expect(card.getByRole('status')).toContainText('19 late pieces will have other points.');
  await page.reload();
  card = page.locator('section', { has: page.getByRole('heading', { name: 'This handout' }) });
  await expect(card.getByLabel('Name')).toHaveValue('The heron, part by part');
  await expect(card.getByRole('button', { name: /^due:/ })).toContainText('1 Jan 2026');
  await expect(card.getByLabel('Points taken off')).toHaveValue('2');
  // It can't close before it is due.
  await setTime(page, 'closes', '1 Jan 2025, 14:00');
  await card.getByRole('button', { name: 'Save' }).click();
  await expect(card.getByRole('alert')).toContainText('It would close before it is due');
  await setTime(page, 'closes', '1 Mar 2099, 14:00');
  await page.context().setOffline(true);
  await card.getByRole('button', { name: 'Save' }).click();
  await expect(card.getByRole('alert')).toContainText('can’t be reached');
  await expect(card.getByLabel('Name')).toHaveValue('The heron, part by part');
  await page.context().setOffline(false);
  await card.getByRole('button', { name: 'Save' }).click();
  await expect(page.locator('.strip')).toContainText('The heron, part by part');
  await expect(page.locator('.strip')).toContainText('closes 1 Mar');
  await expect(page.locator('.spread_card').first()).toContainText('late');
  await expect(page.getByTitle(/2 taken off for \d+ days late/).first()).toBeVisible();
  const student = await enter(browser, house, 'Ines');
  await expect(student.locator('.tray_copy').first()).toContainText('The heron, part by part');
  await card.getByRole('button', { name: 'Change' }).click();
  await card.getByLabel('Name').fill('Parts of the grey heron');
  await card.getByRole('button', { name: 'Save' }).click();
  await expect(page.locator('.strip')).toContainText('Parts of the grey heron');
});

test('closed, it takes nothing more, but for the student who is given more time', async ({ browser }) => {
  const page = await enter(browser, house, 'Maren');
  const student = await enter(browser, house, 'Ines');
  await student.locator('.tray_copy', { hasText: 'grey heron' }).first().click();
  await drawn(student);
  await press(student, 600, 470);
  await student.keyboard.type('To wade');
  await student.keyboard.press('Escape');
  await saved(student);
  const card = await open(page);
  await card.getByRole('button', { name: 'Close now' }).click();
  await expect(card).toContainText('7 students who have not handed in no longer can.');
  await card.getByRole('button', { name: 'Close it' }).click();
  await expect(card).toContainText(/Closed/);
  // The window that was open all the while is told when it tries.
  await student.getByRole('button', { name: 'Hand in' }).click();
  await student.getByRole('button', { name: /^Hand (it in|in anyway)$/ }).click();
  await expect(student.locator('.margin-card', { hasText: 'Handing in closed' })).toBeVisible();
  await expect(student.getByRole('button', { name: 'Hand in' })).toHaveCount(0);
  await student.goto('/tray');
  await expect(student.locator('.tray_copy', { hasText: 'grey heron' })).toContainText('not handed in');

  await page.locator('.spread_card', { hasText: 'Ines Ramos' }).click();
  await page.getByRole('button', { name: /^More time/ }).click();
  await page.getByRole('textbox', { name: 'More time' }).fill('1 Mar 2099, 14:00');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^More time/ })).toContainText('1 Mar 2099');
  await expect(page.locator('.margin-card').first()).toContainText('Due 1 Mar');
  await student.reload();
  await student.locator('.tray_copy', { hasText: 'grey heron' }).first().click();
  await drawn(student);
  await student.getByRole('button', { name: 'Hand in' }).click();
  await student.getByRole('button', { name: /^Hand (it in|in anyway)$/ }).click();
  await expect(student.getByText('With your teacher since')).toBeVisible();
});

test('what is returned waits for its time with all the others, and can be kept until then', async ({ browser }) => {
  const page = await enter(browser, house, 'Maren');
  const student = await enter(browser, house, 'Dara');
  const onTray = student.locator('.tray_copy', { hasText: 'grey heron' }).first();
  await expect(onTray).toContainText(/with your teacher/i);
  const card = await open(page);
  await card.getByRole('button', { name: 'Change' }).click();
  await setTime(page, 'returns', '2 Mar 2099, 08:00');
  await card.getByRole('button', { name: 'Save' }).click();
  await expect(card).toContainText('Returns go out 2 Mar');
  await page.locator('.spread_card', { hasText: 'Dara Kowal' }).click();
  await expect(page.getByRole('button', { name: 'Return as done' })).toBeEnabled();
  const piece = new URL(page.url()).pathname;
  await page.keyboard.press('r');
  await expect(page.getByText('Dara Kowal: goes back 2 Mar, 08:00 as done')).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page).toHaveURL(new RegExp(`${piece}$`));
  await expect(page).toHaveTitle(/^Dara Kowal/);
  await expect(page.getByRole('button', { name: 'Return as done' })).toBeEnabled();
  await page.keyboard.press('a');
  await expect(page.getByText('Dara Kowal: goes back 2 Mar, 08:00 for another go')).toBeVisible();
  await student.goto('/tray');
  await expect(onTray).toContainText(/with your teacher/i);
  await open(page);
  await expect(page.locator('.spread_card', { hasText: 'Dara Kowal' })).toContainText('goes back for another go 2 Mar');
  await card.getByRole('button', { name: 'Change' }).click();
  await setTime(page, 'returns', '');
  await expect(card.getByRole('status')).toContainText('One piece that was held back will go back at once.');
  await card.getByRole('button', { name: 'Save' }).click();
  await expect(page.locator('.spread_card', { hasText: 'Dara Kowal' })).toContainText('Another go');
  await student.goto('/tray');
  await expect(onTray).toContainText('Another go');
});

test('put away, it stands at the end of the Desk once nothing waits to be read', async ({ browser }) => {
  const page = await enter(browser, house, 'Maren');
  const card = await open(page);
  await card.getByRole('button', { name: 'Put away' }).click();
  await expect(card).toContainText('unless a piece waits to be read');
  await page.goto('/desk');
  // Pieces wait: it is not hidden.
  await expect(page.locator('.handouts_open', { hasText: 'grey heron' })).toBeVisible();
  await open(page);
  await card.getByRole('button', { name: 'Bring back' }).click();
  await expect(card.getByRole('button', { name: 'Put away' })).toBeVisible();
});
