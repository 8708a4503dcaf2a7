import { enter, expect, House, test, visit, pressed, signedIn } from './house';

/** Other teachers: added by the head of the school, let into a class to look or to do everything, and let out again. */

let house: House;
test.beforeAll(async () => {
  house = await House.open();
});
test.afterAll(() => house.close());

test('a new teacher comes in with a password that is good once, looks at a class, then may change it', async ({
  browser,
}) => {
  const maren = await enter(browser, house, 'Maren');
  await maren.getByRole('link', { name: 'Teachers' }).click();
  await maren.getByLabel('Name', { exact: true }).fill('Ásta Þórs');
  await maren.getByLabel('E-mail, to sign in with').fill('nobody');
  await maren.getByRole('button', { name: 'Add teacher' }).click();
  await expect(maren.getByRole('alert')).toContainText('Type the e-mail address');
  await expect(maren.getByLabel('Name', { exact: true })).toHaveValue('Ásta Þórs');
  await maren.getByLabel('E-mail, to sign in with').fill('asta@samphire.example');
  await maren.getByRole('button', { name: 'Add teacher' }).click();
  const once = (await maren.locator('.school_password').textContent())!;
  await expect(maren.getByLabel('Name', { exact: true })).toHaveValue('');

  const asta = await visit(browser, house);
  await asta.getByLabel('E-mail').fill('asta@samphire.example');
  await asta.getByLabel('Password').fill(once);
  await asta.getByRole('button', { name: 'Sign in' }).click();
  await asta.waitForURL(/\/password$/);
  // Nothing else is open before they have one of their own.
  await asta.goto('/desk');
  await asta.waitForURL(/\/password$/);
  await asta.getByLabel('New password').fill('short');
  await asta.getByRole('button', { name: 'Save' }).click();
  await expect(asta.getByRole('alert')).toContainText('at least 10 letters');
  await asta.getByLabel('New password').fill('ptarmigan in the snow');
  await asta.getByRole('button', { name: 'Save' }).click();
  await asta.waitForURL(/\/desk$/);
  await expect(asta.getByRole('link', { name: 'Teachers' })).toHaveCount(0);
  expect((await asta.goto('/school'))?.status()).toBe(403);

  await maren.goto('/classes');
  const curlew = maren.locator('section', { has: maren.getByRole('heading', { name: 'Curlew', exact: true }) });
  const form = curlew.getByRole('form', { name: 'Another teacher' });
  await pressed(curlew.getByRole('button', { name: 'Another teacher for Curlew' }), form);
  const letIn = async (rights: string) => {
    await form.getByLabel('Teacher', { exact: true }).selectOption('Ásta Þórs');
    await form.getByLabel('What they may do').selectOption(rights);
    await form.getByRole('button', { name: 'Let in' }).click();
  };
  await letIn('read');
  await expect(curlew).toContainText('Ásta Þórs may look, not change');

  await asta.goto('/desk');
  await asta.locator('.handouts_open', { hasText: 'grey heron' }).click();
  await expect(asta.getByRole('button', { name: 'Use again' })).toBeVisible();
  await expect(asta.getByRole('button', { name: 'Close now' })).toHaveCount(0);
  await asta.getByRole('link', { name: 'Start reading' }).click();
  await expect(asta.locator('.page-view')).toBeVisible();
  await expect(asta.getByRole('button', { name: /^Done/ })).toHaveCount(0);
  await asta.goto('/classes');
  await expect(asta.locator('main')).toContainText('Maren Oduya’s class: you may look at its work, not change it');
  await expect(asta.getByRole('button', { name: 'Add students' })).toHaveCount(0);

  await curlew.getByRole('button', { name: 'Remove', exact: true }).first().click();
  await curlew.getByRole('button', { name: 'Remove', exact: true }).first().click();
  await expect(maren.getByRole('status')).toContainText('They no longer see this class.');
});

test('a password is changed by who knows it', async ({ browser }) => {
  const page = await enter(browser, house, 'Maren');
  await page.getByRole('link', { name: 'Maren Oduya' }).click();
  await page.getByLabel('Password until now').fill('wrong');
  await page.getByLabel('New password').fill('curlews over the flats');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('alert')).toContainText('not your password until now');
  await page.getByLabel('Password until now').fill('between the tides');
  await page.getByRole('button', { name: 'Save' }).click();
  await page.waitForURL(/\/desk$/);
});

test('a class goes into the archive and comes back, with its handouts and its code', async ({ browser }) => {
  const page = await signedIn(browser, house, 'Maren');
  await page.goto('/classes');
  const avocet = page.locator('section', { has: page.getByRole('heading', { name: 'Avocet', exact: true }) });
  await expect(async () => {
    const asked = avocet.getByText('All of it stays here');
    if (!(await asked.isVisible()))
      await avocet.getByRole('button', { name: 'Archive this class' }).click({ timeout: 5000 });
    await expect(asked).toBeVisible({ timeout: 5000 });
  }).toPass();
  await avocet.getByRole('button', { name: 'Put it into the archive' }).click();
  await expect(page.getByText('2 classes in the archive')).toBeVisible();
  const student = await visit(browser, house);
  await student.getByLabel('Class code').fill('AVCT4');
  await student.getByRole('button', { name: 'Find my class' }).click();
  await expect(student.getByRole('alert')).toContainText('There is no class with the code');
  await page.goto('/desk');
  await expect(page.locator('.handouts_open', { hasText: 'crab' })).toHaveCount(0);
  await page.goto('/classes');
  await page.getByText('2 classes in the archive').click();
  await pressed(page.getByRole('button', { name: 'Bring back Avocet' }), avocet);
  await page.goto('/desk');
  await expect(page.locator('.handouts_open', { hasText: 'crab' })).toBeVisible();
});
