import { enter, expect, test } from './house';

test('what a class put where is seen on one sheet, and who it was', async ({ browser, house }) => {
  const page = await enter(browser, house, 'Maren');
  await page.locator('.handouts_open', { hasText: 'grey heron' }).click();
  await page.getByRole('link', { name: 'All on one sheet' }).click();
  const dots = page.locator('.placed_dot');
  await expect(dots.first()).toBeVisible();
  const all = await dots.count();
  const list = page.getByRole('complementary', { name: 'What was put where' });

  // By keyboard: a word, where it was put, and by whom.
  const word = list.getByRole('button', { name: /^plumes: / });
  const [, count, wrong] = /^plumes: (\d+), \d+ right, (\d+) not right$/.exec(
    (await word.getAttribute('aria-label'))!,
  )!;
  await word.focus();
  await page.keyboard.press('Enter');
  await expect(dots).toHaveCount(Number(count));
  expect(Number(count)).toBeLessThan(all);
  await expect(list.getByText('not right: ').locator('..').getByRole('link')).toHaveCount(Number(wrong));

  // Only what is not right; a dot tells whose it is.
  await page.getByRole('radiogroup', { name: 'Which answers' }).getByText('Not right').click();
  await expect(dots).toHaveCount(Number(wrong));
  await dots.first().click();
  const piece = list.getByRole('link', { name: 'Read this piece' });
  await expect(piece).toBeVisible();

  await page.getByRole('radiogroup', { name: 'How they are shown' }).getByText('Heat').click();
  await expect(dots).toHaveCount(0);
  await expect(page.locator('.placed_heat').first()).toBeVisible();

  await piece.click();
  await page.waitForURL(/\/reading\//);
  await page.goBack();
  await expect(dots).toHaveCount(all);
});
