import { drawn, enter, expect, House, test } from './house';

/** One spot of a sheet judged on all pieces at once: equal answers together, one ruling and one note for all of them. */

let house: House;
test.beforeAll(async () => {
  house = await House.open();
});
test.afterAll(() => house.close());

test('an answer that most have wrong is judged straight through by keys, with one note for all that are equal', async ({
  browser,
}) => {
  const page = await enter(browser, house, 'Maren');
  await page.locator('.handouts_open', { hasText: 'grey heron' }).click();
  await expect(page.locator('.spread_card')).toHaveCount(26);
  await page.getByRole('link', { name: 'One spot' }).click();
  const groups = page.locator('.spot_group');
  const group = (said: string) => groups.filter({ has: page.getByRole('heading', { name: said, exact: true }) });
  const right = (said: string) => group(said).getByRole('button', { name: 'Right', exact: true });
  // It begins with what most have wrong; equal answers are one group, those that are wrong before the right ones.
  await expect(groups).toHaveCount(4);
  await expect(groups.first()).toContainText('neck');
  await expect(groups.last()).toContainText('Nothing there');
  await expect(group('neck')).toHaveAttribute('aria-current', 'true');
  await expect(group('neck')).toContainText('2 pieces');
  await expect(group('plumes')).toContainText('11 pieces · 5 returned');
  await expect(right('plumes')).toHaveAttribute('aria-pressed', 'true');

  // One note for both, after a press elsewhere; its letters are no keys.
  await page.getByRole('heading', { name: 'neck', exact: true }).click();
  await page.keyboard.press('w');
  await page.keyboard.type('Any neck is long here. You mean the plumes');
  // It stays written through a reload.
  await page.reload();
  const note = page.getByRole('textbox', { name: 'Note on this spot of 2 pieces' });
  await expect(note).toHaveValue('Any neck is long here. You mean the plumes');
  await note.press('Enter');
  await expect(group('neck')).toContainText('on all 2');

  // Accepted with one key, and the next is asked; taken back by the other.
  await page.keyboard.press('y');
  await expect(right('neck')).toHaveAttribute('aria-pressed', 'true');
  await expect(group('neck')).not.toHaveAttribute('aria-current', 'true');
  await expect(page.getByText('15 right, 1 not right')).toBeVisible();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('n');
  await expect(page.getByText('13 right, 3 not right')).toBeVisible();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('y');

  // The school has it: the piece itself says so, there it gets its reason, and a count that is higher by one.
  await expect(page.getByRole('status').filter({ hasText: /Saving|Offline/ })).toHaveCount(0);
  await page.goto(page.url());
  await expect(right('neck')).toHaveAttribute('aria-pressed', 'true');
  await group('neck')
    .getByRole('link', { name: /Dara Kowal/ })
    .click();
  await drawn(page);
  const card = page.locator('.margin-card', { hasText: 'your ruling' });
  await expect(card).toContainText('counted as right');
  await expect(page.locator('.margin-card', { hasText: 'You mean the plumes' })).toBeVisible();
  await card.getByRole('textbox').fill('Drawn where the neck is, too');
  await card.getByRole('textbox').press('Enter');
  await page.reload();
  await drawn(page);
  await expect(card.getByRole('textbox')).toHaveValue('Drawn where the neck is, too');
  await card.getByRole('button', { name: 'Take this back' }).click();
  await expect(card).toHaveCount(0);
});

test('what a box of any size holds is seen on all pieces, and judged without an answer key', async ({ browser }) => {
  const page = await enter(browser, house, 'Maren');
  await page.locator('.handouts_open', { hasText: 'grey heron' }).click();
  await expect(page.locator('.spread_card')).toHaveCount(26);
  await page.getByRole('link', { name: 'One spot' }).click();
  const sheet = page.getByRole('region', { name: 'The sheet as handed out' });
  await expect(sheet.getByRole('img')).toHaveCount(0);
  const box = (await sheet.locator('.spot_paper').boundingBox())!;
  await page.mouse.move(box.x + box.width * 0.66, box.y + box.height * 0.6);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.8, box.y + box.height * 0.7, { steps: 4 });
  await page.mouse.move(box.x + box.width * 0.98, box.y + box.height * 0.81, { steps: 4 });
  await page.mouse.up();
  await page.waitForURL(/area=/);
  const groups = page.locator('.spot_group');
  await expect.poll(() => groups.count()).toBeGreaterThan(5);
  // What is judged is chosen; keys go on after that.
  await page.getByLabel('Judge').selectOption({ label: 'Says why' });
  await page.keyboard.press('3');
  await expect(groups.first().getByRole('button', { name: '3', exact: true })).toHaveAttribute('aria-pressed', 'true');
  // The next is asked, and a group further down is chosen by pressing it.
  await expect(groups.nth(1)).toHaveAttribute('aria-current', 'true');
  await page.keyboard.press('ArrowRight');
  await page.waitForURL(/item=/);
});
