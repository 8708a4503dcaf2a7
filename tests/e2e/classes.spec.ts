import type { Page } from '@playwright/test';
import { enter, expect, House, test, pressed, signedIn } from './house';

/** Classes: lists as they are pasted, a class renamed, a student moved and removed. */

// Other files share their house, and this one changes what they stand on.
let house: House;
test.beforeAll(async () => {
  house = await House.open();
});
test.afterAll(() => house.close());

const classCard = (page: Page, name: string) =>
  page.locator('section', { has: page.getByRole('heading', { name, exact: true }) });

test('a numbered list is pasted as it is, and nobody is taken twice in silence', async ({ browser }) => {
  const page = await signedIn(browser, house, 'Maren');
  await page.goto('/classes');
  await page.getByLabel('Name of the class').fill('Dunlin');
  await page.getByRole('button', { name: 'Add class' }).click();
  const dunlin = classCard(page, 'Dunlin');
  await dunlin.getByLabel('Names to add to Dunlin').fill('1. Åse Berg\n2. Łukasz Żak\n3. Åse Berg\n• Μαρία Παπά');
  await dunlin.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('Åse Berg is in the class already');
  await expect(dunlin.locator('.class-card_name')).toContainText([/^Åse Berg/, /^Łukasz Żak/, /^Μαρία Παπά/]);
  await expect(dunlin.getByLabel('Names to add to Dunlin')).toHaveValue('Åse Berg');
});

test('a class is renamed; what was typed survives a reload, and a name that is taken is refused', async ({
  browser,
}) => {
  const page = await signedIn(browser, house, 'Maren');
  await page.goto('/classes');
  await pressed(page.getByRole('button', { name: 'Rename Avocet' }), page.getByLabel('New name of Avocet'));
  await page.getByLabel('New name of Avocet').fill('curlew');
  await page.reload();
  await expect(page.getByLabel('New name of Avocet')).toHaveValue('curlew');
  await classCard(page, 'Avocet').getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('alert')).toContainText('You have a class “curlew” already');
  await page.getByLabel('New name of Avocet').fill('Avocet 6b');
  await classCard(page, 'Avocet').getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { name: 'Avocet 6b' })).toBeVisible();
  await page.goto('/desk');
  await expect(page.locator('.handouts_open', { hasText: 'crab' })).toContainText('Avocet 6b');
});

test('a student is moved to another class, where what was handed out is there for them, and is removed', async ({
  browser,
}) => {
  const student = await enter(browser, house, 'Ines');
  const page = await enter(browser, house, 'Maren');
  await page.goto('/classes');
  const curlew = classCard(page, 'Curlew');
  const ines = { name: 'Ines Ramos', exact: true };
  await pressed(curlew.getByRole('button', ines), curlew.getByRole('button', { name: /^Move to Avocet/ }));
  await curlew.getByRole('button', { name: /^Move to Avocet/ }).click();
  await expect(curlew).toContainText('Work that was begun stays with its handouts; what was not begun goes.');
  await curlew.getByRole('button', { name: 'Move', exact: true }).click();
  await expect(page.getByRole('status')).toContainText(/Ines Ramos is in Avocet/);
  await expect(curlew.getByRole('button', ines)).toHaveCount(0);
  const avocet = classCard(page, 'Avocet 6b');
  await expect(avocet.getByRole('button', ines)).toBeVisible();
  await student.goto('/tray');
  await expect(student.locator('.tray_copy', { hasText: 'crab' })).toBeVisible();
  await expect(student.locator('.tray_copy', { hasText: 'grey heron' })).toHaveCount(0);

  await avocet.getByRole('button', ines).click();
  await avocet.getByRole('button', { name: 'Remove from the class' }).click();
  await avocet
    .getByRole('group', { name: /^Ines Ramos leaves/ })
    .getByRole('button', { name: 'Remove' })
    .click();
  await expect(page.getByRole('status')).toContainText('Ines Ramos has left the class.');
  await expect(avocet.getByRole('button', ines)).toHaveCount(0);
  await student.goto('/tray');
  await expect(student).toHaveURL(/next=/);
});
