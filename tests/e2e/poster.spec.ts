import type { Locator, Page } from '@playwright/test';
import {
  compartment,
  drag,
  drawn,
  enter,
  expect,
  field,
  just,
  leaf,
  onPage,
  press,
  saved,
  stack,
  supply,
  test,
} from './house';

/** How the page is drawn; what dragging leaves on an element does not count. */
const picture = async (page: Page) => (await page.locator('.page-view').innerHTML()).replaceAll(' style=""', '');

/** The beginning of the finished page's PDF. */
async function takenOut(page: Page): Promise<string> {
  await page.getByRole('button', { name: 'Download' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'PDF, as students get it' }).click(),
  ]);
  const chunks: Buffer[] = [];
  for await (const chunk of await download.createReadStream()) chunks.push(chunk as Buffer);
  return Buffer.concat(chunks).subarray(0, 8).toString('latin1');
}

test.describe.serial('a poster from blank, by pointer', () => {
  let page: Page;
  const [width, height] = [842, 1190];
  test.beforeAll(async ({ browser, house }) => {
    page = await enter(browser, house, 'Maren');
  });

  test('an empty page takes another size without a question', async () => {
    await page.getByRole('button', { name: 'Blank page' }).click();
    await drawn(page);
    await page.keyboard.type('Mind the gap');
    await page.keyboard.press('Enter');

    await page.locator('.margin-card .ant-select').first().click();
    await page.getByTitle('A3', { exact: true }).click();
    await expect(page.locator('.workbench_sizeWords')).toHaveText('A3, landscape');
    await page.getByLabel('Portrait or landscape').getByText('portrait').click();
    await expect(page.locator('.workbench_sizeWords')).toHaveText('A3, portrait');
  });

  test('a title along an arch, as wide as the margin, its letters in a gradient', async () => {
    await supply(page, 'Words', 'Title');
    await page.keyboard.type('Mind the hedgehog gap');
    await page.keyboard.press('Escape');
    await page.locator('summary', { hasText: 'lettering' }).click();
    await page.getByRole('button', { name: 'Lettering along an arch' }).click();
    await page.getByRole('button', { name: 'Margin', exact: true }).click();
    await page.getByRole('button', { name: 'letters: linear gradient' }).click();
    await expect(page.locator('.page-view linearGradient')).not.toHaveCount(0);
    await leaf(page, 'place');
    const wide = Number(await field(page, 'width').inputValue());
    await leaf(page, 'words');
    expect(wide).toBeCloseTo((841.89 - 48) / 72, 1);
    // The amount is dragged on the sheet.
    const amount = field(page, 'how much it curves');
    const before = await amount.inputValue();
    const grip = (await page.locator('[data-grip="amount"]').boundingBox())!;
    await page.mouse.move(grip.x + 5, grip.y + 5);
    await page.mouse.down();
    await page.mouse.move(grip.x + 5, grip.y + 30, { steps: 4 });
    await page.mouse.up();
    await expect(amount).not.toHaveValue(before);
    await drag(page, [width / 2, height / 2], [width / 2, 160], 'Control');
  });

  test('a balloon whose tail is pulled to a picture, with words inside', async () => {
    await compartment(page, 'Pictures');
    await page.getByLabel('Find a picture').fill('hedgehog');
    await page.getByRole('button', { name: 'hedgehog', exact: true }).click();
    await drag(page, [width / 2, height / 2], [240, 800], 'Control');
    await supply(page, 'Shapes', 'speech balloon');
    const tail = (await page.locator('[data-grip="shape 0"]').boundingBox())!;
    const at = await onPage(page, 300, 720);
    await page.mouse.move(tail.x + 5, tail.y + 5);
    await page.mouse.down();
    await page.mouse.move(at.x, at.y, { steps: 5 });
    await page.mouse.up();
    await press(page, width / 2, height / 2, 2);
    await page.keyboard.type('A hand’s width under your fence is a door to me.');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('list', { name: 'What stands on the page' })).toContainText('A hand’s width under');
  });

  test('a stop of a gradient is pulled on the item', async () => {
    await leaf(page, 'look');
    await page.getByRole('button', { name: 'fill: linear gradient' }).click();
    const stop = (await page.locator('[data-grip="paint 0"]').boundingBox())!;
    await page.mouse.move(stop.x + 6, stop.y + 6);
    await page.mouse.down();
    await page.mouse.move(stop.x + 6, stop.y + 24, { steps: 3 });
    await page.mouse.up();
    await expect(field(page, 'position')).not.toHaveValue('0');
  });

  test('a stroke erased in the middle becomes two', async () => {
    await compartment(page, 'Pen');
    await page.getByRole('button', { name: 'felt pen' }).click();
    await drag(page, [150, 1000], [700, 1000]);
    await expect(page.locator('[data-stack]').first()).toHaveAccessibleName('pen stroke');
    const count = await stack(page).count();
    await page.getByRole('button', { name: 'eraser' }).click();
    await drag(page, [420, 960], [420, 1040]);
    await expect(stack(page)).toHaveCount(count + 1);
    await page.keyboard.press('Escape');
  });

  test('three stars are spread evenly and grouped', async () => {
    for (const x of [200, 330, 600]) {
      await supply(page, 'Shapes', 'star');
      await drag(page, [width / 2, height / 2], [x, 450], 'Control');
    }
    await drag(page, [120, 380], [700, 520]);
    await expect(page.locator('.settings h3')).toContainText('3 things');
    await leaf(page, 'place');
    await page.getByRole('button', { name: 'Distribute horizontally, equal gaps' }).click();
    await page.getByRole('button', { name: 'Align middle, to each other' }).click();
    await page.getByRole('button', { name: 'Group (Ctrl+G)' }).click();
    await expect(page.locator('.settings h3')).toContainText('group of 3');
  });

  test('another palette and arrangement are one step each; all stays, and goes out as PDF', async () => {
    await compartment(page, 'Other looks');
    const looked = await picture(page);
    await page.getByRole('tab', { name: 'palettes' }).click();
    await page.getByRole('button', { name: 'palette 3', exact: true }).click();
    await expect.poll(async () => (await picture(page)) === looked).toBe(false);
    await page.getByRole('button', { name: 'undo' }).click();
    await expect.poll(async () => (await picture(page)) === looked).toBe(true);
    await page.getByRole('tab', { name: 'arrangements' }).click();
    await expect(page.locator('.drawer_look')).toHaveCount(7);
    await page.getByRole('button', { name: 'even columns', exact: true }).click();
    await expect.poll(async () => (await picture(page)) === looked).toBe(false);
    await page.getByRole('button', { name: 'undo' }).click();
    await expect.poll(async () => (await picture(page)) === looked).toBe(true);

    await saved(page);
    await page.reload();
    await drawn(page);
    await expect.poll(async () => (await picture(page)) === looked).toBe(true);
    expect(await takenOut(page)).toContain('%PDF');
  });
});

/** Presses Tab until something has the focus, to show that it can be reached without a pointer. */
async function reach(page: Page, wanted: Locator, back = false): Promise<void> {
  await wanted.waitFor();
  for (let i = 0; i < 260; i++) {
    if (await wanted.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press(back ? 'Shift+Tab' : 'Tab');
  }
  throw new Error('It could not be reached with Tab.');
}

/** To a tab of a row, which is one stop: to the chosen one with Tab, on from there with arrows. */
async function reachTab(page: Page, row: Locator, name: string): Promise<void> {
  await reach(page, row.locator('[role="tab"][tabindex="0"]'));
  const wanted = row.getByRole('tab', { name: just(name) });
  for (let i = 0; i < 14; i++) {
    if (await wanted.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press('ArrowRight');
  }
  throw new Error(`The tab ${name} could not be reached.`);
}

test.describe.serial('the same from the keyboard alone', () => {
  let page: Page;
  const key = (name: string) => page.keyboard.press(name);
  const stage = () => page.locator('[data-stage]');
  test.beforeAll(async ({ browser, house }) => {
    page = await enter(browser, house, 'Maren');
  });

  test('a title: words, place, size and curve', async () => {
    await reach(page, page.getByRole('button', { name: 'Blank page' }));
    await key('Enter');
    await drawn(page);
    await page.keyboard.type('By keys');
    await key('Enter');

    await reach(page, page.getByRole('tabpanel', { name: 'Words' }).getByRole('button', { name: 'Title' }));
    await key('Enter');
    await page.keyboard.type('Mind the hedgehog gap');
    await key('Escape');
    await expect(stage()).toBeFocused();
    for (let i = 0; i < 20; i++) await key('Shift+ArrowUp');
    await key('Control+Shift+ArrowRight');
    await key('F6');
    await reachTab(page, page.getByRole('tablist', { name: 'Settings' }), 'place');
    await expect(field(page, 'width')).toHaveValue('4.58');
    await reachTab(page, page.getByRole('tablist', { name: 'Settings' }), 'words');
    await reach(page, page.locator('summary', { hasText: 'lettering' }));
    await key('Enter');
    await reach(page, page.getByRole('button', { name: 'Lettering along a wave' }));
    await key('Enter');
    await expect(page.getByRole('button', { name: 'Lettering along a wave' })).toHaveAttribute('aria-pressed', 'true');
  });

  test('a heart, made larger by a sum, doubled and doubled again in the same step', async () => {
    await reachTab(page, page.getByRole('tablist', { name: 'Compartments' }), 'Shapes');
    await reach(page, page.getByLabel('Find a shape'));
    await page.keyboard.type('heart');
    await reach(
      page,
      page.getByRole('tabpanel', { name: 'Shapes' }).getByRole('button', { name: 'heart', exact: true }),
    );
    await key('Enter');
    // The margin follows a moment later.
    await expect(page.locator('.settings h3')).toContainText('heart');
    await key('Shift+F6');
    await reachTab(page, page.getByRole('tablist', { name: 'Settings' }), 'place');
    await reach(page, field(page, 'from left'));
    await page.keyboard.type('1in');
    // Enter takes it and goes back to the sheet.
    await key('Enter');
    await expect(stage()).toBeFocused();
    await key('F6');
    await reach(page, field(page, 'width'));
    await page.keyboard.type('3/2');
    await key('Enter');
    await expect(field(page, 'width')).toHaveValue('1.5');
    await expect(stage()).toBeFocused();
    await key('Control+d');
    for (let i = 0; i < 12; i++) await key('Shift+ArrowRight');
    for (let i = 0; i < 2; i++) await key('Shift+ArrowUp');
    await key('Control+d');
    await expect(stack(page)).toHaveCount(4);
    // The step was 14 + 120 points: the third stands where a fourth of it would.
    await expect(field(page, 'from left')).toHaveValue(`${Math.round((1 + (2 * 134) / 72) * 100) / 100}`);
    await key('.');
    await expect(field(page, 'rotate')).toHaveValue('1');
  });

  test('its look goes to another one', async () => {
    await key('F6');
    await reachTab(page, page.getByRole('tablist', { name: 'Settings' }), 'look');
    await reach(page, page.getByRole('button', { name: 'fill: radial gradient' }));
    await key('Enter');
    await key('Shift+F6');
    await key('Control+Alt+c');
    await key('Tab');
    await key('Control+Alt+v');
    await expect(page.getByRole('button', { name: 'fill: radial gradient' })).toHaveAttribute('aria-pressed', 'true');
  });

  test('all grouped, entered with Enter, left with Escape; the list of keys at hand', async () => {
    await key('Control+a');
    await key('Control+g');
    await expect(stack(page)).toHaveCount(1);
    await key('Enter');
    await expect(stack(page)).toHaveCount(4);
    await key('Escape');
    await key('Escape');
    await expect(stack(page)).toHaveCount(1);
    await key('?');
    await expect(page.getByRole('dialog', { name: 'Keyboard shortcuts' })).toBeVisible();
    await key('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
    await saved(page);
  });
});
