import { blankPage, drag, drawn, expect, field, leaf, onPage, saved, stack, supply, test, signedIn } from './house';
import type { Page } from '@playwright/test';

test.describe('the workbench', () => {
  let page: Page;
  test.beforeAll(async ({ browser, house }) => {
    page = await signedIn(browser, house, 'Maren');
  });
  test.beforeEach(() => blankPage(page));

  const add = (from: string, name: string) => supply(page, from, name);

  test('asks for a name at once, and keeps it', async () => {
    await expect(page.getByLabel('Name of the sheet')).toBeFocused();
    await page.keyboard.type('Tide pools');
    await page.keyboard.press('Enter');
    await saved(page);
    await page.goto('/desk');
    await expect(page.locator('.sheets_open', { hasText: 'Tide pools' })).toBeVisible();
  });

  test('goes from an empty sheet to a coloured oval by keyboard alone, in at most 12 keys', async () => {
    await page.getByLabel('Name of the sheet').press('Enter');
    await page.locator('[data-stage]').focus();
    const keys = ['+', ...'oval', 'Enter', 'c', 'ArrowRight', 'ArrowRight', 'ArrowRight', 'Enter'];
    expect(keys.length).toBeLessThanOrEqual(12);
    for (const key of keys) {
      await page.keyboard.press(key);
      if (key === 'Enter') await expect(page.locator('.margin-card.active')).toContainText('oval');
    }
    const chosen = page.locator('[role="radiogroup"] [role="radio"]:focus');
    const colour = (await chosen.getAttribute('aria-label'))!.match(/#[0-9a-f]{6}/)![0];
    await expect(page.locator(`.page-view path[fill="${colour}" i]`)).toHaveCount(1);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Delete');
    await expect(stack(page)).toHaveCount(0);
  });

  test('moves, resizes and turns with handles, and undoes it step by step', async () => {
    await add('Shapes', 'oval');
    await leaf(page, 'place');
    const before = await field(page, 'from left').inputValue();
    await drag(page, [396, 306], [200, 206], 'Control');
    await expect(field(page, 'from left')).not.toHaveValue(before);
    const moved = await field(page, 'from left').inputValue();
    await page.locator('[data-grip="size 1 1"]').hover();
    await page.mouse.down();
    await page.mouse.move(900, 560, { steps: 4 });
    await page.mouse.up();
    await expect(field(page, 'width')).not.toHaveValue('1.67');
    await expect(field(page, 'from left')).toHaveValue(moved);
    await page.locator('[data-grip="turn"]').hover();
    await page.mouse.down();
    await page.mouse.move(300, 400, { steps: 4 });
    await page.mouse.up();
    await expect(field(page, 'rotate')).not.toHaveValue('0');
    for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'undo' }).click();
    await expect(field(page, 'from left')).toHaveValue(before);
    await expect(field(page, 'width')).toHaveValue('1.67');
    await expect(field(page, 'rotate')).toHaveValue('0');
  });

  test('snaps to the middle of the page and shows the guide', async () => {
    await add('Shapes', 'rectangle');
    await drag(page, [396, 306], [200, 200], 'Control');
    const at = await onPage(page, 200, 200);
    const near = await onPage(page, 394, 250);
    await page.mouse.move(at.x, at.y);
    await page.mouse.down();
    await page.mouse.move(near.x, near.y, { steps: 5 });
    await expect(page.locator('.guide')).not.toHaveCount(0);
    await page.mouse.up();
    await leaf(page, 'place');
    await expect(field(page, 'from left')).toHaveValue(`${Math.round(((792 - 120) / 2 / 72) * 100) / 100}`);
  });

  test('types in place without a jump of the lines, and styles one word', async () => {
    await add('Words', 'Body');
    await page.keyboard.type('The tide comes in over the mud twice a day and goes out again');
    const drawnWhile = await page.locator('.page-view').innerHTML();
    await page.keyboard.press('Escape');
    expect(await page.locator('.page-view').innerHTML()).toBe(drawnWhile);
    await page.keyboard.press('Enter');
    await page.keyboard.press('Home');
    await page.keyboard.press('Control+Shift+ArrowRight');
    await page.keyboard.press('Control+B');
    // The bold face may have to be fetched first.
    await expect.poll(() => page.locator('.page-view').innerHTML()).not.toBe(drawnWhile);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'undo' }).click();
    expect(await page.locator('.page-view').innerHTML()).toBe(drawnWhile);
  });

  test('makes lists with Enter and levels with Tab', async () => {
    await add('Words', 'Body');
    await page.getByRole('button', { name: 'List: number' }).click();
    await page.keyboard.type('one');
    await page.keyboard.press('Enter');
    await page.keyboard.type('two');
    await page.keyboard.press('Tab');
    await page.keyboard.press('Escape');
    await saved(page);
    await page.reload();
    await drawn(page);
    await stack(page).first().click();
    await expect(page.getByRole('button', { name: 'List: number' })).toHaveAttribute('aria-pressed', 'true');
  });

  test('undo and redo survive a reload', async () => {
    await add('Shapes', 'star');
    await add('Shapes', 'diamond');
    await expect(stack(page)).toHaveCount(2);
    await saved(page);
    await page.reload();
    await drawn(page);
    await expect(stack(page)).toHaveCount(2);
    await page.getByRole('button', { name: 'undo' }).click();
    await expect(stack(page)).toHaveCount(1);
    await saved(page);
    await page.reload();
    await drawn(page);
    await page.getByRole('button', { name: 'redo' }).click();
    await expect(stack(page)).toHaveCount(2);
  });
});
