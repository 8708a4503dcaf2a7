import { enter, expect, House, pressed, test } from './house';

/** Pieces shown to the class, and what students write about them. */

test('pieces are hung without names; what a student writes outlives a lost network, and is read by the teacher first', async ({
  browser,
}) => {
  const house = await House.open();
  const page = await enter(browser, house, 'Maren');
  await page.locator('.handouts_open', { hasText: 'grey heron' }).click();
  await page.getByRole('checkbox', { name: /Pavel Novotny/ }).check();
  await page
    .getByRole('group', { name: 'The chosen pieces' })
    .getByRole('button', { name: 'Into the gallery' })
    .click();
  await expect(page).toHaveURL(/\/gallery$/);
  const wall = page.getByRole('list', { name: 'The gallery' });
  const pieces = wall.locator(':scope > li');
  await expect(pieces).toHaveCount(5);
  await expect(pieces.filter({ hasText: 'Pavel Novotny' })).toContainText(/shown as Piece \d/);
  await expect(page.getByRole('heading', { name: '2 notes to read first' })).toBeVisible();

  const dara = await enter(browser, house, 'Dara');
  await dara.getByRole('link', { name: /^Gallery: Parts of the grey heron/ }).click();
  const seen = dara.getByRole('list', { name: 'The gallery' });
  await expect(seen.locator(':scope > li')).toHaveCount(5);
  await expect(seen).not.toContainText(/Bea|Pavel|Chidi/);
  const form = dara.getByRole('form', { name: 'About Piece 1' });
  await pressed(dara.getByRole('button', { name: 'Write about Piece 1' }), form);
  await form.getByText('I wonder …').click();
  await form.getByRole('textbox').fill('whether its neck is longer than mine, é?');
  await dara.context().setOffline(true);
  await form.getByRole('button', { name: 'Send to your teacher' }).click();
  await expect(form.getByRole('alert')).toContainText('can’t be reached');
  await dara.context().setOffline(false);
  await dara.reload();
  await expect(form.getByRole('textbox')).toHaveValue('whether its neck is longer than mine, é?');
  await form.getByRole('button', { name: 'Send to your teacher' }).click();
  const mine = dara.getByRole('list', { name: 'Notes about Piece 1' }).locator('li', { hasText: 'longer than mine' });
  await expect(mine).toContainText('I wonder whether its neck');
  await expect(mine).toContainText('your teacher reads it first');
  await expect(form).toHaveCount(0);

  // It comes to the teacher by itself.
  await expect(page.getByRole('heading', { name: '3 notes to read first' })).toBeVisible();
  await page.getByRole('button', { name: 'Keep back: how deep it can go before it swims.' }).click();
  await expect(page.getByRole('heading', { name: '2 notes to read first' })).toBeVisible();
  await page.getByRole('button', { name: 'Show all of them' }).click();
  await expect(page.getByRole('heading', { name: /to read first/ })).toHaveCount(0);
  await dara.reload();
  await expect(mine).not.toContainText('reads it first');
  await expect(seen).toContainText('It is short and says it all');
  await expect(seen).not.toContainText('before it swims');

  await pieces
    .filter({ hasText: 'Pavel Novotny' })
    .getByRole('button', { name: /Take .* down/ })
    .click();
  await expect(pieces.filter({ hasText: 'Pavel Novotny' })).toContainText('taken down');
  await page.getByRole('checkbox', { name: 'With the names of who made them' }).check();
  await expect(page.getByText('Lines for names are empty')).toHaveCount(0);
  await dara.reload();
  await expect(seen.locator(':scope > li')).toHaveCount(4);
  await expect(seen).toContainText('Bea Lindgren');
  await page.getByRole('button', { name: 'Close the gallery' }).click();
  await expect(page.getByRole('button', { name: 'Show to the class' })).toBeVisible();
  await dara.goto('/tray');
  await expect(dara.getByRole('link', { name: /^Gallery/ })).toHaveCount(0);
  await house.close();
});
