import {
  blankPage,
  compartment,
  drag,
  expect,
  field,
  leaf,
  onPage,
  openSheet,
  press,
  stack,
  supply,
  test,
  signedIn,
} from './house';
import type { Page } from '@playwright/test';

test.describe('things on the workbench', () => {
  let page: Page;
  test.beforeAll(async ({ browser, house }) => {
    page = await signedIn(browser, house, 'Maren');
  });
  test.beforeEach(() => blankPage(page));

  const add = (from: string, name: string) => supply(page, from, name);

  test('works from the keyboard alone: choose, move, duplicate, order, group, copy and paste, remove', async () => {
    await add('Shapes', 'oval');
    await add('Shapes', 'star');
    await page.locator('[data-stage]').focus();
    await page.keyboard.press('Escape');
    await page.keyboard.press('Enter');
    await expect(stack(page).first()).toHaveAttribute('aria-pressed', 'true');
    await page.keyboard.press('Tab');
    await expect(stack(page).nth(1)).toHaveAttribute('aria-pressed', 'true');
    await expect(page.locator('.settings h3')).toContainText('oval');
    await leaf(page, 'place');
    const before = Number(await field(page, 'from left').inputValue());
    await page.keyboard.press('Shift+ArrowRight');
    await expect(field(page, 'from left')).toHaveValue(`${Math.round((before + 10 / 72) * 100) / 100}`);
    await page.keyboard.press('Control+D');
    await expect(stack(page)).toHaveCount(3);
    await page.keyboard.press('Control+Shift+[');
    await expect(stack(page).nth(2)).toHaveAttribute('aria-pressed', 'true');
    await page.keyboard.press('Control+A');
    await page.keyboard.press('Control+G');
    await expect(stack(page)).toHaveCount(1);
    await expect(page.locator('.settings h3')).toContainText('group of 3');
    await page.keyboard.press('Control+Shift+G');
    await expect(stack(page)).toHaveCount(3);
    await page.keyboard.press('Delete');
    await expect(stack(page)).toHaveCount(0);
    await page.getByRole('button', { name: 'undo' }).click();
    await expect(stack(page)).toHaveCount(3);
  });

  test('copies and pastes things, and words from elsewhere', async () => {
    await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
    await add('Shapes', 'hexagon');
    await page.locator('[data-stage]').focus();
    await page.keyboard.press('Control+C');
    await page.keyboard.press('Control+V');
    await expect(stack(page)).toHaveCount(2);
    await page.evaluate(() => navigator.clipboard.writeText('Words from\nelsewhere'));
    await page.keyboard.press('Control+V');
    await expect(stack(page)).toHaveCount(3);
    await expect(stack(page).first()).toHaveAccessibleName(/Words from elsewhere/);
    await page.evaluate(() => navigator.clipboard.writeText('dappled-margin/items:[{"kind":"bomb"}]'));
    await page.keyboard.press('Control+V');
    await expect(page.getByText('What was copied could not be read')).toBeVisible();
    await expect(stack(page)).toHaveCount(3);
  });

  test('lines hold on to what they are led to, and follow it', async () => {
    await add('Shapes', 'rectangle');
    await drag(page, [396, 306], [150, 150]);
    await add('Lines', 'arrow');
    const end = await page.locator('[data-grip="from"]').boundingBox();
    const target = await onPage(page, 150, 150);
    await page.mouse.move(end!.x + 6, end!.y + 6);
    await page.mouse.down();
    await page.mouse.move(target.x, target.y, { steps: 5 });
    await expect(page.locator('.mark-hold')).toBeVisible();
    await page.mouse.up();
    await expect(page.locator('.grip.held')).toHaveCount(1);
    const line = page.locator('.page-view g[data-item]').last();
    const before = await line.innerHTML();
    await stack(page).nth(1).click();
    await page.locator('[data-stage]').focus();
    await page.keyboard.press('Shift+ArrowDown');
    expect(await line.innerHTML()).not.toBe(before);
  });

  test('a sweep chooses what lies within, shift adds one more', async () => {
    for (const [name, x] of [
      ['oval', 150],
      ['star', 320],
      ['diamond', 500],
    ] as const) {
      await add('Shapes', name);
      await drag(page, [396, 306], [x, 200]);
    }
    await press(page, 700, 500);
    await drag(page, [60, 100], [400, 300]);
    await expect(page.locator('.settings h3')).toContainText('2 things');
    const at = await onPage(page, 500, 200);
    await page.keyboard.down('Shift');
    await page.mouse.click(at.x, at.y);
    await page.keyboard.up('Shift');
    await expect(page.locator('.settings h3')).toContainText('3 things');
  });

  test('finds pictures by a word and says when there is none', async () => {
    await page.getByRole('tab', { name: 'Pictures' }).click();
    await page.getByLabel('Find a picture').fill('hedgehog');
    await page.getByRole('button', { name: 'hedgehog', exact: true }).click();
    await expect(page.locator('.settings h3')).toContainText('hedgehog');
    await page.getByLabel('Find a picture').fill('zzzz');
    await expect(page.getByText('No picture is called “zzzz”')).toBeVisible();
  });

  test('labels the parts of a diagram, blank, and fills a word bank from them', async () => {
    await page.getByRole('tab', { name: 'Pictures' }).click();
    await page.getByRole('button', { name: 'Shore crab' }).click();
    for (const part of ['pincer', 'shell']) {
      await stack(page).last().click();
      await leaf(page, 'look');
      await page.locator('.margin-card').getByRole('button', { name: part, exact: true }).click();
    }
    await leaf(page, 'students');
    await expect(page.getByText('Its line ends on shell')).toBeVisible();
    await add('Labels', 'word bank');
    await expect(stack(page).first()).toHaveAccessibleName('pincer · shell');
  });

  test('says what is wrong with a number, and changes nothing', async () => {
    await add('Shapes', 'oval');
    await leaf(page, 'place');
    const across = field(page, 'from left');
    const before = await across.inputValue();
    await across.fill('banana');
    await across.press('Enter');
    await expect(page.getByText(/Type a length, such as/)).toBeVisible();
    await across.press('Escape');
    await expect(across).toHaveValue(before);
    await across.fill('99999');
    await across.press('Enter');
    await expect(page.getByText(/At most 100 in/)).toBeVisible();
    await across.press('Escape');
    await expect(across).toHaveValue(before);
    await across.fill('5.6/2');
    await across.press('Enter');
    await expect(across).toHaveValue('2.8');
    await across.fill('50 mm');
    await across.press('Enter');
    await expect(across).toHaveValue('1.97');
  });

  test('has several pages', async () => {
    await add('Shapes', 'oval');
    await press(page, 60, 560);
    await compartment(page, 'Pages');
    await page.getByRole('button', { name: 'add page' }).click();
    await expect(stack(page)).toHaveCount(0);
    await page.getByRole('button', { name: 'Page 1', exact: true }).click();
    await expect(stack(page)).toHaveCount(1);
    await page.getByRole('button', { name: 'duplicate page' }).click();
    await expect(page.locator('.page-card')).toHaveCount(3);
    await expect(stack(page)).toHaveCount(1);
    await page.getByRole('button', { name: 'delete page' }).click();
    await expect(page.locator('.page-card')).toHaveCount(2);
    await page.getByRole('button', { name: 'undo' }).click();
    await expect(page.locator('.page-card')).toHaveCount(3);
    await page.getByRole('button', { name: 'Page 1', exact: true }).click();
    await page.keyboard.press('Alt+ArrowRight');
    await page.keyboard.press('Alt+ArrowRight');
    await expect(page.locator('.page-card').nth(2)).toHaveAttribute('aria-current', 'true');
  });

  test('takes out PDF and PNG', async () => {
    await openSheet(page, 'Parts of the grey heron');
    for (const [name, start] of [
      ['PDF, as students get it', '%PDF'],
      ['PNG of this page', '\x89PNG'],
    ] as const) {
      await page.getByRole('button', { name: 'Download' }).click();
      const [download] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('menuitem', { name }).click(),
      ]);
      const chunks: Buffer[] = [];
      for await (const chunk of await download.createReadStream()) chunks.push(chunk as Buffer);
      expect(Buffer.concat(chunks).subarray(0, 4).toString('latin1')).toBe(start);
    }
  });

  test('says how far a file is, bears the network failing, and lets it be stopped', async () => {
    await openSheet(page, 'Parts of the grey heron');
    const take = async () => {
      await page.getByRole('button', { name: 'Download' }).click();
      await page.getByRole('menuitem', { name: 'PDF with the answers' }).click();
    };
    const told = page.locator('.workbench_exporting');
    // Not at once, however fast it was made.
    let answer: 'making' | 'none' | 'own' = 'making';
    await page.route('**/exports/*', async (route) => {
      if (route.request().method() !== 'GET' || answer === 'own') return route.continue();
      if (answer === 'none') return route.abort();
      return route.fulfill({ json: { state: 'making', progress: { done: 3, of: 12 } } });
    });
    await take();
    await expect(told).toContainText('Making the PDF: page 3 of 12');
    answer = 'none';
    await expect(told).toContainText('can’t be reached');
    const file = page.waitForEvent('download');
    answer = 'own';
    expect((await file).suggestedFilename()).toBe('Parts of the grey heron (key).pdf');
    await expect(page.getByRole('button', { name: 'Download' })).toBeVisible();

    answer = 'making';
    await take();
    await expect(told).toContainText('page 3 of 12');
    const stopped = page.waitForRequest((request) => request.method() === 'DELETE');
    await told.getByRole('button', { name: 'stop' }).click();
    expect((await (await stopped).response())!.status()).toBe(200);
    await expect(page.getByRole('button', { name: 'Download' })).toBeVisible();
    await page.unroute('**/exports/*');
    // Without the server it is said what to do, and nothing is lost.
    await page.route('**/export', (route) => route.abort());
    await take();
    await expect(page.locator('.workbench_notice')).toContainText('when the network is back');
    await page.unroute('**/export');
  });
});
