import type { Locator, Page } from '@playwright/test';
import { blankPage, drawn, expect, field, leaf, onSheet, paste, press, stack, supply, test, signedIn } from './house';

/** Settings: what they show, what they set, and where the keys go afterwards. */

let page: Page;
test.beforeAll(async ({ browser, house }) => {
  page = await signedIn(browser, house, 'Maren');
});
test.beforeEach(() => blankPage(page));

const margin = () => page.locator('.margin-card');
const toggle = (name: string) => margin().getByRole('button', { name, exact: true });
const set = async (where: Locator, value: string) => {
  await where.fill(value);
  await where.press('Enter');
};
/** Presses beside the page, where nothing is. */
const nothing = () => page.locator('[data-stage]').click({ position: { x: 8, y: 300 } });

test('the size of a page: both sides together, half and double, margins too', async () => {
  await supply(page, 'Shapes', 'oval');
  await nothing();
  await set(field(page, 'margin'), '0.5');
  await set(field(page, 'width'), '5');
  await set(field(page, 'height'), '4');
  await expect(field(page, 'width')).toHaveValue('5');
  const choice = page.getByRole('group', { name: 'How the page changes its size' });
  await expect(choice).toContainText('5 × 4');
  await choice.getByRole('button', { name: 'keep sizes' }).click();
  await expect(page.locator('.page-view')).toHaveAttribute('viewBox', '0 0 360 288');
  await toggle('Make the page 200% of its width and height').click();
  await choice.getByRole('button', { name: 'scale everything' }).click();
  await expect(page.locator('.page-view')).toHaveAttribute('viewBox', '0 0 720 576');
  await expect(field(page, 'margin')).toHaveValue('1');
});

test('the stop of a gradient that is chosen is marked, and gets the colour, on a page as on a shape', async () => {
  const tried = async (what: string) => {
    await toggle(`${what}: linear gradient`).click();
    const second = margin().getByRole('button', { name: /^Stop 2 of 2/ });
    await second.click();
    await expect(second).toHaveAttribute('aria-pressed', 'true');
    const colours = margin().getByRole('radiogroup', { name: 'stop' });
    const hex = /#[0-9a-f]{6}/.exec((await colours.getByRole('radio').nth(4).getAttribute('aria-label'))!)![0];
    await colours.getByRole('radio').nth(4).click();
    await expect(second).toHaveAccessibleName(`Stop 2 of 2, ${hex}`);
    await expect(margin().getByRole('button', { name: /^Stop 1 of 2/ })).not.toHaveAccessibleName(new RegExp(hex));
  };
  await tried('background');
  await supply(page, 'Shapes', 'oval');
  await leaf(page, 'look');
  await tried('fill');
});

test('a line and a shape together offer the fill of the one and the outline of both', async () => {
  await supply(page, 'Shapes', 'oval');
  await supply(page, 'Lines', 'line');
  await page.locator('[data-stage]').focus();
  await page.keyboard.press('Control+a');
  await leaf(page, 'look');
  const fill = margin().getByRole('radiogroup').first().getByRole('radio').nth(4);
  const colour = /#[0-9a-f]{6}/.exec((await fill.getAttribute('aria-label'))!)![0];
  await fill.click();
  await set(field(page, 'weight'), '6');
  await expect(page.locator(`.page-view path[fill="${colour}" i][stroke-width="6"]`)).toHaveCount(1);
  await expect(page.locator('.page-view path[stroke-width="6"]')).toHaveCount(2);
  await toggle('A shadow').click();
  await page.keyboard.press('Control+z');
  await page.locator('[data-stage]').focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Delete');
  await expect(stack(page)).toHaveCount(0);
});

test('several things show what they have in common, and a part of it is set for each', async () => {
  for (const shape of ['oval', 'diamond']) await supply(page, 'Shapes', shape);
  await leaf(page, 'look');
  await set(field(page, 'weight'), '7');
  await page.locator('[data-stage]').focus();
  await page.keyboard.press('Control+a');
  await leaf(page, 'look');
  await expect(field(page, 'weight')).toHaveAttribute('placeholder', 'Mixed');
  const fills = margin().getByRole('radiogroup').first();
  await toggle('Outline: dotted').click();
  await stack(page).nth(0).click();
  await expect(field(page, 'weight')).toHaveValue('7');
  await expect(toggle('Outline: dotted')).toHaveAttribute('aria-pressed', 'true');
  await fills.getByRole('radio').nth(6).click();
  await page.locator('[data-stage]').focus();
  await page.keyboard.press('Control+a');
  await leaf(page, 'look');
  await expect(toggle('Outline: dotted')).toHaveAttribute('aria-pressed', 'true');
  await expect(fills.getByRole('radio', { checked: true })).toHaveCount(0);
  await fills.getByRole('radio').nth(3).click();
  await expect(fills.getByRole('radio', { checked: true })).toHaveCount(1);
  // The keys are back with the sheet.
  await page.keyboard.press('Delete');
  await expect(stack(page)).toHaveCount(0);
});

test('a polygon says its sides; width and height of a group go together', async () => {
  await supply(page, 'Shapes', 'polygon');
  await leaf(page, 'look');
  await set(field(page, 'sides'), '5');
  await expect(margin().locator('.settings_name')).toHaveText('polygon of 5 sides');
  await supply(page, 'Shapes', 'oval');
  // The keys are back with the sheet a moment after the press.
  await expect(page.locator('[data-stage]')).toBeFocused();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Control+g');
  await expect(margin().locator('h3 small')).toHaveText('group');
  await leaf(page, 'place');
  const [width, height] = await Promise.all(['width', 'height'].map((side) => field(page, side).inputValue()));
  await set(field(page, 'width'), `${width} * 2`);
  await expect.poll(async () => Number(await field(page, 'height').inputValue())).toBeCloseTo(Number(height) * 2, 1);
  await toggle('Keep proportions: width and height change together').click();
  await set(field(page, 'width'), width);
  await expect.poll(async () => Number(await field(page, 'height').inputValue())).toBeCloseTo(Number(height) * 2, 1);
});

test('superscript comes with what is pasted, is shown where the caret stands, and goes by its key', async () => {
  await supply(page, 'Words', 'Body');
  await page.keyboard.press('Control+a');
  await paste(page, 'x2', '<p>area in m<sup>2</sup></p>');
  await expect(toggle('Superscript (Ctrl+.)')).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Control+.');
  await page.keyboard.type(' and H');
  await expect(toggle('Superscript (Ctrl+.)')).toHaveAttribute('aria-pressed', 'false');
  await page.keyboard.press('Control+,');
  await page.keyboard.type('2');
  await expect(toggle('Subscript (Ctrl+,)')).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Control+,');
  await page.keyboard.type('O');
  await expect(onSheet(page)).toContainText('area in m2 and H2O');
  await page.keyboard.press('Control+a');
  await expect(toggle('Superscript (Ctrl+.)')).toHaveAttribute('aria-pressed', 'mixed');
});

test('words that do not fit are counted in the title strip; found words keep their capitals', async () => {
  await supply(page, 'Shapes', 'oval');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Heron, heron and HERON: far more words than this oval has room for. '.repeat(6));
  await expect(page.locator('.workbench_hardWords')).toHaveText('1 to look at');
  await page.keyboard.press('Control+f');
  await page.getByRole('textbox', { name: 'Find words' }).fill('heron');
  await page.getByLabel('Replace with').fill('egret');
  await page.getByRole('button', { name: 'replace all' }).click();
  await expect(page.getByText('18 places replaced')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(onSheet(page)).toContainText('Egret, egret and EGRET');
  await page.keyboard.press('Control+z');
  await expect(page.getByText('18 places replaced')).toBeHidden();
  await expect(onSheet(page)).toContainText('Heron, heron and HERON');
});

test('every face is listed as it looks, and can be found by its name', async () => {
  await supply(page, 'Words', 'Title');
  await page.keyboard.press('Escape');
  await leaf(page, 'words');
  await page.getByRole('combobox', { name: 'Font' }).click();
  await expect(page.locator('[class*="ant-select-item-option"] svg').first()).toBeVisible();
  await page.keyboard.type('Bitter');
  await page.keyboard.press('Enter');
  await press(page, 30, 30);
  await stack(page).first().click();
  await expect(margin().locator('.ant-select', { hasText: 'Bitter' })).toBeVisible();
  await page.reload();
  await drawn(page);
});
