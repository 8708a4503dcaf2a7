import type { Page } from '@playwright/test';
import { blankPage, drag, expect, field, leaf, press, stack, supply, test, signedIn } from './house';

const fit = (page: Page, name: string) => page.getByLabel('How the words fit').getByText(name).click();
/** The size of what is selected, in inches. Its words are in view again then. */
const box = async (page: Page) => {
  await leaf(page, 'place');
  const size = {
    wide: Number(await field(page, 'width').inputValue()),
    high: Number(await field(page, 'height').inputValue()),
  };
  await leaf(page, 'words');
  return size;
};
/** Sets one side of what is selected. */
const setSide = async (page: Page, side: 'width' | 'height', value: string) => {
  await leaf(page, 'place');
  await field(page, side).fill(value);
  await field(page, side).press('Enter');
};

test.describe('words in their boxes', () => {
  let page: Page;
  test.beforeAll(async ({ browser, house }) => {
    page = await signedIn(browser, house, 'Maren');
  });
  test.beforeEach(() => blankPage(page));
  const write = async (role: string, words: string) => {
    await supply(page, 'Words', role);
    await page.keyboard.type(words);
    await page.keyboard.press('Escape');
    await expect(page.locator('.settings h3')).toContainText(words.slice(0, 12));
  };

  test('a side wraps the words anew, a corner scales them', async () => {
    await write('Body', 'The tide comes in over the mud twice a day and goes out again');
    const before = await box(page);
    const side = (await page.locator('[data-grip="size 1 0"]').boundingBox())!;
    await page.mouse.move(side.x + 4, side.y + 4);
    await page.mouse.down();
    await page.mouse.move(side.x - 70, side.y + 4, { steps: 4 });
    await page.mouse.up();
    await expect.poll(async () => (await box(page)).wide).toBeLessThan(before.wide);
    expect((await box(page)).high).toBeGreaterThan(before.high);
    await expect(field(page, 'size')).toHaveValue('14');
    const corner = (await page.locator('[data-grip="size 1 1"]').boundingBox())!;
    await page.mouse.move(corner.x + 4, corner.y + 4);
    await page.mouse.down();
    await page.mouse.move(corner.x + 60, corner.y + 60, { steps: 4 });
    await page.mouse.up();
    await expect.poll(async () => Number(await field(page, 'size').inputValue())).toBeGreaterThan(15);
  });

  test('words shrink to their box, never below what was set, and what is over is marked', async () => {
    await write('Body', 'The tide comes in over the mud twice a day and goes out again. '.repeat(3));
    await page.locator('summary', { hasText: 'spacing and fit' }).click();
    await fit(page, 'text shrinks');
    await setSide(page, 'height', '0.9');
    await expect(page.locator('.overflow-mark')).toHaveCount(0);
    await leaf(page, 'words');
    await field(page, 'not below').fill('12');
    await field(page, 'not below').press('Enter');
    await expect(page.locator('.overflow-mark')).toHaveCount(1);
    await fit(page, 'box grows');
    await expect(page.locator('.overflow-mark')).toHaveCount(0);
    await expect.poll(async () => (await box(page)).high).toBeGreaterThan(0.9);
  });

  test('each line is made as wide as the box, and stays so while it is edited', async () => {
    await write('Title', 'MUD');
    await page.keyboard.press('Enter');
    await page.keyboard.press('End');
    await page.keyboard.press('Enter');
    await page.keyboard.type('and all that lives in it');
    await page.keyboard.press('Escape');
    await page.locator('summary', { hasText: 'lettering' }).click();
    const wrapped = await box(page);
    await page.getByLabel('How wide the lines are made').getByText('fit each line').click();
    await expect.poll(async () => (await box(page)).high).not.toBe(wrapped.high);
    const tall = await box(page);
    await page.locator('[data-stage]').focus();
    await page.keyboard.press('Enter');
    await page.keyboard.press('End');
    await page.keyboard.type(', and under it as well');
    await page.keyboard.press('Escape');
    await expect.poll(async () => (await box(page)).high).toBeLessThan(tall.high);
    expect((await box(page)).wide).toBe(tall.wide);
  });

  test('lettering takes the width of the thing below it, and goes round a circle', async () => {
    await supply(page, 'Shapes', 'ribbon');
    await expect(page.locator('.settings h3')).toContainText('ribbon');
    await setSide(page, 'width', '6in');
    await write('Title', 'Salt marsh week');
    await drag(page, [396, 306], [396, 150], 'Control');
    await leaf(page, 'words');
    await page.locator('summary', { hasText: 'lettering' }).click();
    await page.getByRole('button', { name: 'thing below' }).click();
    await expect.poll(async () => (await box(page)).wide).toBe(6);
    await page.getByRole('button', { name: 'Lettering round a circle' }).click();
    await expect.poll(async () => (await box(page)).high).toBeGreaterThan(4);
    // Still words: they are found, and can be edited.
    await expect(page.getByRole('list', { name: 'What stands on the page' })).toContainText('Salt marsh week');
    await page.getByRole('button', { name: 'Lettering round a circle' }).click();
    await expect.poll(async () => (await box(page)).high).toBeLessThan(2);
  });

  test('a plate lies behind the words alone, and a shadow under them', async () => {
    await write('Heading', 'On a plate');
    await leaf(page, 'look');
    await page.getByRole('button', { name: 'A backing behind the words only' }).click();
    await expect(page.locator('.page-view path[fill="#fffefa"]')).not.toHaveCount(0);
    await page.getByRole('button', { name: 'A shadow' }).click();
    await expect(page.locator('.page-view filter')).toHaveCount(1);
    await field(page, 'blur').fill('0');
    await field(page, 'blur').press('Enter');
    await expect(field(page, 'blur')).toHaveValue('0');
    await page.getByRole('button', { name: 'A shadow' }).click();
    await expect(page.locator('.page-view filter')).toHaveCount(0);
    await press(page, 60, 560);
    await stack(page).first().click();
    await expect(page.getByRole('button', { name: 'A backing behind the words only' })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
  });
});
