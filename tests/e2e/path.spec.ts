import { SECRET } from '../../demo/school';
import { DEMO_CLASS } from '../../server/stores/demo';
import { expect, join, readHeron, signedIn, test } from './house';

/** All that a student did, from handout to handout. */

test('a piece leads to all the work of its student, and back to any of it; without names it does not', async ({
  browser,
  house,
}) => {
  const page = await signedIn(browser, house, 'Maren');
  await readHeron(page, 'Eun-ji Park');
  await page.keyboard.press('h');
  await expect(page.getByRole('heading', { level: 2 })).toHaveText(/^Piece \d+$/);
  await expect(page.getByRole('link', { name: 'All their work' })).toHaveCount(0);
  await page.keyboard.press('h');
  await page.getByRole('link', { name: 'All their work' }).click();
  await expect(page.getByRole('heading', { name: 'Eun-ji Park' })).toBeVisible();
  const all = page.getByRole('list', { name: 'All their work, the newest first' });
  const heron = all.locator('> li', { hasText: 'Parts of the grey heron' });
  await expect(heron).toContainText('look-fors met');
  await expect(heron).toContainText('12 of 12 points');
  await expect(heron.getByRole('list', { name: /^Notes on/ })).toContainText('I like “keep its body above it”.');
  await page.goto('/classes');
  await page.getByRole('button', { name: /^Eun-ji Park/ }).click();
  await page.getByRole('link', { name: 'All their work' }).click();
  await expect(heron).toBeVisible();
  await heron.getByRole('link', { name: 'Read Parts of the grey heron' }).click();
  await expect(page.getByRole('heading', { level: 2 })).toHaveText('Eun-ji Park');
});

test('a student sees all their work; what came back is told once they have opened it', async ({ browser, house }) => {
  const teacher = await signedIn(browser, house, 'Maren');
  await readHeron(teacher, 'Mina Haddad');
  await teacher.keyboard.press('w');
  await teacher.getByLabel('Note on this spot').fill('Well explained, Mina.');
  await teacher.keyboard.press('Enter');
  await expect(teacher.getByText('On its way')).toHaveCount(0);

  const student = await join(browser, house, DEMO_CLASS, 'Mina Haddad', SECRET.split(' '));
  await student.getByRole('link', { name: 'My work and what was said about it' }).click();
  const all = student.getByRole('list', { name: 'My work, the newest first' });
  const heron = all.locator('> li', { hasText: 'Parts of the grey heron' });
  await expect(heron).toContainText('It is with your teacher.');
  await teacher.getByRole('button', { name: 'Return as done' }).click();
  await expect(teacher.getByRole('button', { name: 'Take it back' })).toBeVisible();
  await student.reload();
  await expect(heron).toContainText('It came back. Open it to see what your teacher said.');
  await expect(heron).not.toContainText('Well explained');
  await heron.getByRole('link', { name: 'Open Parts of the grey heron' }).click();
  await expect(student.getByText('Well explained, Mina.')).toBeVisible();
  await student.goto('/work');
  await expect(heron.getByRole('list', { name: /^Notes on/ })).toContainText('Well explained, Mina.');
  await expect(heron).toContainText('came back as done');
});
