import { SECRET } from '../../demo/school';
import type { Page } from '@playwright/test';
import {
  blankPage,
  carry,
  compartment,
  drag,
  drawn,
  expect,
  field,
  join,
  leaf,
  onPage,
  press,
  saved,
  stack,
  supply,
  test,
  signedIn,
} from './house';

const names = (page: Page) => stack(page).evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')));

test.describe('things among others', () => {
  let page: Page;
  test.beforeAll(async ({ browser, house }) => {
    page = await signedIn(browser, house, 'Maren');
  });
  test.beforeEach(() => blankPage(page));

  test('a corner scales a group with its words and weights, or without them', async () => {
    await supply(page, 'Shapes', 'rectangle');
    await page.locator('[data-stage]').focus();
    await page.keyboard.press('Enter');
    await page.keyboard.type('inside');
    await page.keyboard.press('Escape');
    await drag(page, [396, 306], [200, 200], 'Control');
    await supply(page, 'Shapes', 'oval');
    await drag(page, [396, 306], [330, 200], 'Control');
    await page.locator('[data-stage]').focus();
    await page.keyboard.press('Control+a');
    await page.keyboard.press('Control+g');
    const weight = async () => {
      await press(page, 200, 200, 2);
      await leaf(page, 'look');
      const found = await field(page, 'weight').inputValue();
      await leaf(page, 'words');
      const size = await field(page, 'size').inputValue();
      await page.keyboard.press('Escape');
      await page.keyboard.press('Escape');
      await page.keyboard.press('Escape');
      return [Number(found), Number(size)];
    };
    const [thin, small] = await weight();
    const pull = async () => {
      await stack(page).first().click();
      await expect(page.locator('.settings h3')).toContainText('group of 2');
      const grip = (await page.locator('[data-grip="size 1 1"]').boundingBox())!;
      await page.mouse.move(grip.x + 4, grip.y + 4);
      await page.mouse.down();
      await page.mouse.move(grip.x + 130, grip.y + 60, { steps: 5 });
      await page.mouse.up();
    };
    await stack(page).first().click();
    await leaf(page, 'place');
    await page.getByRole('button', { name: 'Dragging a corner scales the text too' }).click();
    await page.getByRole('button', { name: 'Dragging a corner scales line weights too' }).click();
    await pull();
    expect(await weight()).toEqual([thin, small]);
    await stack(page).first().click();
    await leaf(page, 'place');
    await page.getByRole('button', { name: 'Dragging a corner scales the text too' }).click();
    await page.getByRole('button', { name: 'Dragging a corner scales line weights too' }).click();
    await pull();
    const [thick, large] = await weight();
    expect(thick).toBeGreaterThan(thin);
    expect(large).toBeGreaterThan(small);
  });

  test('the stack is dragged into another order, and lights up what the pointer is over', async () => {
    for (const [name, x] of [
      ['oval', 150],
      ['heart', 350],
      ['star', 550],
    ] as const) {
      await supply(page, 'Shapes', name);
      await drag(page, [396, 306], [x, 200], 'Control');
    }
    expect(await names(page)).toEqual(['star', 'heart', 'oval']);
    await carry(page, stack(page).nth(2), stack(page).first());
    await expect.poll(() => names(page)).toEqual(['oval', 'star', 'heart']);
    await press(page, 700, 500);
    const heart = await onPage(page, 350, 200);
    await page.mouse.move(heart.x, heart.y);
    await expect(page.locator('.stack_item.pointed')).toHaveAccessibleName('heart');
    await stack(page).first().hover();
    await expect(page.locator('.page-view .lit')).toHaveCount(1);
  });

  test('what is hidden or locked says so in the stack, and can be brought back from there', async () => {
    await supply(page, 'Shapes', 'heart');
    await leaf(page, 'place');
    await page.getByRole('button', { name: 'Hide', exact: true }).click();
    await expect(stack(page).first()).toHaveAccessibleName('heart, hidden');
    await page.keyboard.press('Escape');
    await press(page, 396, 306);
    await expect(page.locator('.mark-frame')).toHaveCount(0);
    await stack(page).first().click();
    await page.getByRole('button', { name: 'Hide', exact: true }).click();
    await page.getByRole('button', { name: 'Lock in place' }).click();
    await expect(stack(page).first()).toHaveAccessibleName('heart, locked');
    await drag(page, [396, 306], [500, 400]);
    await expect(page.locator('.workbench_notice')).toContainText('This is locked');
  });

  test('a line keeps to 45 degrees with Shift, and grows from its middle with Alt', async () => {
    await supply(page, 'Lines', 'line');
    const end = page.locator('[data-grip="to"]');
    const lead = async (x: number, y: number, key: 'Shift' | 'Alt') => {
      const from = (await end.boundingBox())!;
      const to = await onPage(page, x, y);
      await page.mouse.move(from.x + 6, from.y + 6);
      await page.keyboard.down(key);
      await page.mouse.down();
      await page.mouse.move(to.x, to.y, { steps: 5 });
      await page.mouse.up();
      await page.keyboard.up(key);
    };
    await leaf(page, 'place');
    await lead(520, 430, 'Shift');
    await expect.poll(async () => Number(await field(page, 'width').inputValue())).toBeGreaterThan(2);
    const [wide, high] = [await field(page, 'width').inputValue(), await field(page, 'height').inputValue()];
    expect(Math.abs(Number(wide) - Number(high))).toBeLessThan(0.02);
    const across = Number(await field(page, 'from left').inputValue());
    await lead(600, 500, 'Alt');
    await expect.poll(async () => Number(await field(page, 'from left').inputValue())).toBeLessThan(across);
  });

  test('restyling a role restyles its boxes on every page, as one step', async () => {
    for (const y of [150, 400]) {
      await supply(page, 'Words', 'Quote');
      await page.keyboard.type('The marsh is a nursery');
      await page.keyboard.press('Escape');
      await drag(page, [396, 306], [396, y], 'Control');
    }
    await leaf(page, 'words');
    await field(page, 'size').fill('28');
    await field(page, 'size').press('Enter');
    await page.getByRole('button', { name: /Update all boxes of this role/ }).click();
    await stack(page).nth(1).click();
    await expect(field(page, 'size')).toHaveValue('28');
    await page.getByRole('button', { name: 'undo' }).click();
    await expect(field(page, 'size')).toHaveValue('15');
  });

  test('the next of a kind begins in the last look, and a look is given to others', async () => {
    await supply(page, 'Shapes', 'oval');
    await leaf(page, 'look');
    await page.getByRole('radio', { name: 'No fill', exact: true }).click();
    await page.getByRole('button', { name: 'Outline: dotted' }).click();
    await supply(page, 'Shapes', 'star');
    await expect(page.getByRole('button', { name: 'Outline: dotted' })).toHaveAttribute('aria-pressed', 'true');
    await expect(page.getByRole('radio', { name: 'No fill', exact: true })).toHaveAttribute('aria-checked', 'true');
    await page.getByRole('button', { name: 'fill: solid colour' }).click();
    await page.getByRole('button', { name: 'Copy this look (Ctrl+Alt+C)' }).click();
    await stack(page).nth(1).click();
    await page.getByRole('button', { name: 'Apply the copied look (Ctrl+Alt+V)' }).click();
    await expect(page.getByRole('radio', { name: 'No fill', exact: true })).toHaveAttribute('aria-checked', 'false');
  });

  test('signs are found by a word, go where the words are edited, and the last ones are at hand', async () => {
    await supply(page, 'Words', 'Body');
    await page.keyboard.type('tide ');
    await compartment(page, 'Signs');
    await page.getByLabel('Find a sign').fill('arrow up');
    await page.locator('.drawer_sign[aria-label="arrow up"]').click();
    await expect(page.getByRole('list', { name: 'What stands on the page' })).toContainText('tide ↑');
    await page.getByLabel('Find a sign').fill('');
    await page.getByRole('button', { name: 'recent' }).click();
    await expect(page.locator('.drawer_sign').first()).toHaveAccessibleName('arrow up');
    await page.getByLabel('Find a sign').fill('qqqqq');
    await expect(page.getByText('No sign is called “qqqqq”')).toBeVisible();
  });

  test('a palette comes out of a picture, and is in view everywhere', async () => {
    await compartment(page, 'Pictures');
    await page.getByLabel('Find a picture').fill('hedgehog');
    await page.getByRole('button', { name: 'hedgehog', exact: true }).click();
    await leaf(page, 'look');
    await page.getByRole('button', { name: 'use its colours as palette' }).click();
    await expect(page.locator('.workbench_notice')).toContainText('The palette now holds the colours of this picture');
    await supply(page, 'Shapes', 'oval');
    await expect(
      page.getByRole('radio', { name: /^ #/ }).or(page.locator('[role="radio"][title$="#6d4534"]')).first(),
    ).toBeVisible();
    await page.getByRole('button', { name: 'undo' }).click();
    await page.getByRole('button', { name: 'undo' }).click();
    await expect(page.locator('[role="radio"][title$="#2f4d26"]').first()).toBeVisible();
  });
});

test('a student makes a page of their own with what the teacher opened: words, shapes, the pen; the rest stays shut', async ({
  browser,
  house,
}) => {
  const student = await join(browser, house, 'AVCT4', 'Gift Moyo', SECRET.split(' '));
  await student.locator('.tray_copy', { hasText: 'Life between the tides' }).click();
  await drawn(student);
  const tabs = await student.locator('.drawer_tab').allTextContents();
  for (const shut of ['Labels', 'Other looks', 'Pages', 'History']) expect(tabs).not.toContain(shut);
  await supply(student, 'Shapes', 'star');
  await leaf(student, 'look');
  await student.getByRole('button', { name: 'fill: radial gradient' }).click();
  await expect(student.locator('.page-view radialGradient')).toHaveCount(1);
  await expect(student.getByRole('tab', { name: 'students' })).toHaveCount(0);
  await student.locator('[data-stage]').focus();
  await student.keyboard.press('Control+d');
  await student.keyboard.press('?');
  await expect(student.getByRole('dialog', { name: 'Keyboard shortcuts' })).toBeVisible();
  await student.keyboard.press('Escape');
  await student.locator('[data-stage]').focus();
  await student.keyboard.press('Control+f');
  await expect(student.getByRole('textbox', { name: 'Find words' })).toBeFocused();
  await student.keyboard.press('Escape');
  await saved(student);
  await student.reload();
  await drawn(student);
  await expect(student.locator('.page-view radialGradient')).toHaveCount(2);
});
