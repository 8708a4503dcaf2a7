import type { Locator } from '@playwright/test';
import { expect, join, test, signedIn } from './house';

/** Signing in for the first time, with a card from the teacher. */

test('a card lets a student in once, who then chooses pictures; a new card ends what was before', async ({
  browser,
  house,
}) => {
  const teacher = await signedIn(browser, house, 'Maren');
  await teacher.goto('/classes');
  await teacher.getByLabel('Name of the class').fill('Sandpiper');
  await teacher.getByRole('button', { name: 'Add class' }).click();
  const card = teacher.locator('.class-card_card', { hasText: 'Sandpiper' });
  await card.getByLabel('Names to add').fill('Éva Ž. O’Neill\nJonas 😀 Pohl');
  await card.getByRole('button', { name: 'Add', exact: true }).click();
  // The box is closed then, and empty: pressed once more, nobody is there twice.
  await expect(teacher.getByRole('status')).toContainText('2 students are in the class');
  await expect(card.getByLabel('Names to add')).toHaveCount(0);
  await card.getByRole('button', { name: 'Add students' }).click();
  await expect(card.getByLabel('Names to add')).toHaveValue('');
  await card.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(teacher.getByRole('alert')).toContainText('at least one name');
  await expect(card.locator('.class-card_names li')).toHaveCount(2);
  const code = await card.locator('.class-card_code b').innerText();
  await card.getByRole('button', { name: 'Make 2 cards' }).click();
  const made = teacher.getByRole('region', { name: 'Cards to print' });
  await expect(made.locator('li')).toHaveCount(2);
  const pictures = async (name: string) =>
    (await made.locator('li', { hasText: name }).locator('.cards_pictures').getAttribute('aria-label'))!.split(', ');
  const given = await pictures('Éva');

  const student = await (await browser.newContext({ baseURL: house.url })).newPage();
  const come = async (name: string, secret: string[]) => {
    await student.goto('/');
    await student.getByLabel('Class code').fill(code.toLowerCase());
    await student.getByRole('button', { name: 'Find my class' }).click();
    await student.getByRole('button', { name }).click();
    for (const picture of secret) await student.getByRole('button', { name: picture, exact: true }).click();
  };
  await come('Éva', ['whale', 'whale', 'whale', 'guitar']);
  await expect(student.getByRole('alert')).toContainText('ask your teacher for a card');
  await come('Éva', given);
  await expect(student).toHaveURL(/\/secret$/);
  // Nothing else is open before that.
  await student.goto('/tray');
  await expect(student).toHaveURL(/\/secret$/);
  const choose = async (list: string[]) => {
    for (const picture of list) await student.getByRole('button', { name: picture, exact: true }).click();
  };
  await choose(['kite', 'kite', 'owl', 'crab']);
  await student.getByRole('button', { name: 'These are mine' }).click();
  await choose(['kite', 'owl', 'kite', 'crab']);
  await student.getByRole('button', { name: 'Keep them' }).click();
  await expect(student.getByRole('alert')).toContainText('different, or in a different order');
  for (const button of ['These are mine', 'Keep them']) {
    await choose(['kite', 'kite', 'owl', 'crab']);
    await student.getByRole('button', { name: button }).click();
  }
  await expect(student).toHaveURL(/\/tray$/);

  // The pages before sign-in tell names, and no identities.
  const page = await student.context().request.get(`${house.url}/join.data?code=${code}`);
  expect(await page.text()).not.toMatch(/hasSecret|personId/);

  // Forgotten: the teacher makes a new card, and sessions with the old pictures end.
  await teacher.goto('/classes');
  await teacher.getByRole('button', { name: 'Éva Ž. O’Neill' }).click();
  await teacher.getByRole('button', { name: 'A card for Éva Ž. O’Neill' }).click();
  await expect(made.locator('li')).toHaveCount(1);
  await student.goto('/tray');
  await expect(student).not.toHaveURL(/\/tray$/);
  await come('Éva', await pictures('Éva'));
  await expect(student).toHaveURL(/\/secret$/);
});

test('on a shared computer the next student of the class is in after six presses', async ({ browser, house }) => {
  const secret = ['owl', 'frog', 'snail', 'crab'];
  const page = await join(browser, house, 'CURLW', 'Ines Ramos', secret);
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.waitForURL(`${house.url}/`);
  let presses = 0;
  const press = async (what: Locator) => {
    presses++;
    await what.click();
  };
  await press(page.getByRole('link', { name: /Curlew/ }));
  await press(page.getByRole('button', { name: 'Ayo Bankole', exact: true }));
  for (const picture of secret) await press(page.getByRole('button', { name: picture, exact: true }));
  await page.waitForURL(/\/tray$/);
  await expect(page.getByRole('banner')).toContainText('Ayo');
  expect(presses).toBeLessThanOrEqual(6);
});
