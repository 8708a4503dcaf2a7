import { enter, expect, House, openSheet, test, signedIn } from './house';

/** Handing out: what will happen is said beside the button, and each look-for lights what it is about. */

test('the button stays in view, with what it will do', async ({ browser, house }) => {
  const page = await enter(browser, house, 'Maren');
  await page.setViewportSize({ width: 1024, height: 640 });
  await openSheet(page, 'Parts of the grey heron');
  await page.getByRole('link', { name: 'Hand out' }).click();
  const send = page.getByRole('button', { name: 'Hand it out' });
  const said = page.locator('.hand-out_send');
  await expect(send).toBeInViewport();
  await expect(said).toContainText('Choose a class first.');
  await page.getByRole('checkbox', { name: /Avocet/ }).check();
  await expect(said).toContainText('9 students of Avocet, no due time');
  await page.getByRole('checkbox', { name: /Curlew/ }).check();
  await expect(said).toContainText('35 students of Avocet and Curlew');
  await page.getByRole('button', { name: 'Add a row' }).scrollIntoViewIfNeeded();
  await expect(send).toBeInViewport();
});

test('a look-for lights its spots under the pointer and while it is worked on, and the keys do as the pointer', async ({
  browser,
  house,
}) => {
  const page = await signedIn(browser, house, 'Maren');
  await openSheet(page, 'Parts of the grey heron');
  await page.getByRole('link', { name: 'Hand out' }).click();
  const cards = page.locator('.hand-out_lookforRow');
  const light = page.locator('.light_light');
  const thread = page.locator('.hand-out_thread path');
  await expect(cards).toHaveCount(3);
  await expect(light).toHaveCount(0);
  await cards.nth(1).hover();
  await expect(light).toHaveCount(1);
  // Nine labels.
  await expect(light.locator('mask ellipse')).not.toHaveCount(0);
  const first = await thread.getAttribute('d');
  await cards.nth(0).hover();
  await expect.poll(() => thread.getAttribute('d')).not.toBe(first);
  await page.mouse.move(300, 20);
  await expect(light).toHaveCount(0);
  await cards.nth(2).getByRole('spinbutton').first().focus();
  await expect(light).toHaveCount(1);
  await page.keyboard.press('ArrowUp');
  await expect(light).toHaveCount(1);
  // The thread goes with its card.
  const before = await thread.getAttribute('d');
  await page.locator('.hand-out_handingForm').evaluate((form) => form.scrollBy(0, 120));
  await expect.poll(() => thread.getAttribute('d')).not.toBe(before);
});

test('what may be touched: several swept over, all boxes of a kind, and boxes that nobody sees', async ({
  browser,
}) => {
  // Others stand on this sheet as it is.
  const house = await House.open();
  const page = await signedIn(browser, house, 'Maren');
  await openSheet(page, 'Parts of the grey heron');
  await page.getByRole('link', { name: 'Hand out' }).click();
  const bar = page.getByRole('group', { name: 'What students may do with these parts' });
  const marks = page.locator('.hand-out_touchMark');
  await expect(marks.first()).toBeVisible();
  const labels = page.getByRole('button', { name: /students may fill in$/ });
  const before = await labels.count();
  // The right-hand edge, from an empty spot.
  const paper = (await page.locator('.paper').boundingBox())!;
  await page.mouse.move(paper.x + paper.width - 4, paper.y + 100);
  await page.mouse.down();
  await page.mouse.move(paper.x + paper.width - 60, paper.y + paper.height - 90, { steps: 4 });
  await page.mouse.up();
  await expect(bar).toContainText(/^\d parts/);
  await bar.getByRole('button', { name: 'Look only' }).click();
  await expect(bar).toHaveCount(0);
  await expect.poll(() => labels.count()).toBeLessThan(before - 3);
  await page.getByLabel('Choose all boxes of a kind').selectOption({ label: 'Label (9)' });
  await expect(bar).toContainText('9 parts');
  await page.keyboard.press('Escape');
  await expect(bar).toHaveCount(0);
  await page.getByLabel('Choose all boxes of a kind').selectOption({ label: 'Label (9)' });
  await bar.getByRole('button', { name: 'Fill in' }).click();
  await expect.poll(() => labels.count()).toBeGreaterThan(before - 3);
  await house.close();
});
