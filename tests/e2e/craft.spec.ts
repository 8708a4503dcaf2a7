import type { Page } from '@playwright/test';
import { page as makePage, plain, text } from '../../core/schema/defaults';
import {
  blankPage,
  compartment,
  drag,
  drawn,
  expect,
  field,
  leaf,
  onPage,
  press,
  saved,
  stack,
  supply,
  test,
  signedIn,
} from './house';

const words = (page: Page) => page.getByRole('list', { name: 'What stands on the page' });

test.describe('the finer work', () => {
  let page: Page;
  test.beforeAll(async ({ browser, house }) => {
    page = await signedIn(browser, house, 'Maren');
  });
  test.beforeEach(() => blankPage(page));
  const click = async (x: number, y: number, key?: 'Control') => {
    const at = await onPage(page, x, y);
    if (key) await page.keyboard.down(key);
    await page.mouse.click(at.x, at.y);
    if (key) await page.keyboard.up(key);
  };

  test('keys go back to the text, or the sheet, after a setting is made; letters never land in a field', async () => {
    await supply(page, 'Words', 'Body');
    await page.keyboard.type('mud');
    const size = field(page, 'size');
    await size.fill('30');
    await size.press('Enter');
    await expect(size).toHaveValue('30');
    await page.keyboard.type(' flat');
    await expect(words(page)).toContainText('mud flat');
    // A swatch is pressed in the middle of it.
    await page.getByRole('radio', { name: 'colour #c8632e' }).click();
    await expect(page.locator('.words-input')).toBeFocused();
    await page.keyboard.type('s');
    await expect(words(page)).toContainText('mud flats');
    // The size is begun, and then the text pressed again.
    await size.click();
    const id = await page.locator('.words-input').getAttribute('data-item');
    const box = (await page.locator(`.page-view g[data-item="${id}"]`).boundingBox())!;
    await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
    await page.keyboard.press('End');
    await page.keyboard.type(' at low tide');
    await expect(words(page)).toContainText('mud flats at low tide');
    await expect(size).toHaveValue(/^[0-9]+$/);
    await page.keyboard.press('Escape');
    // Stack entries and tabs too: arrows still move what is selected.
    await stack(page).first().click();
    await leaf(page, 'words');
    await leaf(page, 'place');
    const across = field(page, 'from left');
    const before = await across.inputValue();
    await page.keyboard.press('Shift+ArrowRight');
    await expect(across).not.toHaveValue(before);
    await page.keyboard.press('Control+z');
    await expect(across).toHaveValue(before);
    // A value that can't be used stays in the field, to be corrected.
    await across.fill('far');
    await across.press('Enter');
    await expect(across).toBeFocused();
  });

  test('settings of words are those of what is marked, or mixed, and setting them sets all of it', async () => {
    const bold = page.getByRole('button', { name: 'Bold (Ctrl+B)' });
    const size = field(page, 'size');
    await supply(page, 'Words', 'Body');
    await page.keyboard.type('calm sea');
    await expect(bold).toHaveAttribute('aria-pressed', 'false');
    // Selects one word of it, by keyboard.
    for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowLeft');
    await bold.click();
    await expect(bold).toHaveAttribute('aria-pressed', 'true');
    await size.fill('30');
    await size.press('Enter');
    await expect(page.locator('.words-input')).toBeFocused();
    await page.keyboard.press('Home');
    await expect(bold).toHaveAttribute('aria-pressed', 'false');
    await expect(size).not.toHaveValue('30');
    await page.keyboard.press('Control+a');
    await expect(bold).toHaveAttribute('aria-pressed', 'mixed');
    await expect(size).toHaveValue('');
    await expect(size).toHaveAttribute('placeholder', 'Mixed');
    await page.keyboard.press('Escape');
    // The whole box is mixed too; after setting the size, all of it has that size.
    await expect(size).toHaveValue('');
    await size.fill('22');
    await size.press('Enter');
    await expect(size).toHaveValue('22');
    // Two boxes that differ are mixed, and set together.
    await supply(page, 'Words', 'Title');
    await page.keyboard.type('Tides');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+a');
    await leaf(page, 'words');
    await expect(size).toHaveValue('');
    await size.fill('26');
    await size.press('Enter');
    await expect(size).toHaveValue('26');
    await page.keyboard.press('Control+z');
    await expect(size).toHaveValue('');
  });

  test('digs through what lies on top, with a list of it, by pointer and by key', async () => {
    for (const name of ['rectangle', 'oval', 'heart']) {
      await supply(page, 'Shapes', name);
      await drag(page, [396, 306], [396, 306]);
    }
    for (let i = 0; i < 3; i++) await stack(page).nth(i).click();
    await press(page, 60, 60);
    const order = await stack(page).evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')));
    for (const name of ['heart', 'oval', 'rectangle', 'heart']) {
      await click(410, 320, 'Control');
      await expect(page.locator('.settings h3')).toContainText(name);
    }
    await expect(page.getByRole('listbox').getByRole('option')).toHaveCount(3);
    await page.getByRole('option', { name: 'rectangle' }).click();
    await expect(page.locator('.settings h3')).toContainText('rectangle');
    await page.keyboard.press('Escape');
    await page.locator('[data-stage]').focus();
    await page.keyboard.press('d');
    await expect(page.locator('.settings h3')).toContainText('heart');
    expect(await stack(page).evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')))).toEqual(order);
  });

  test('covered words are edited where they are, and what lies above them is dim meanwhile', async () => {
    await supply(page, 'Words', 'Body');
    await page.keyboard.type('under it all');
    await page.keyboard.press('Escape');
    await compartment(page, 'Pictures');
    await page.getByLabel('Find a picture').fill('hedgehog');
    await page.getByRole('button', { name: 'hedgehog', exact: true }).click();
    await expect(stack(page).first()).toHaveAccessibleName('hedgehog');
    await press(page, 396, 306, 2);
    await expect(page.locator('.mark-editing')).toBeVisible();
    await expect(page.locator('.page-view .dim')).toHaveCount(1);
    await page.keyboard.press('End');
    await page.keyboard.type('!');
    await page.keyboard.press('Escape');
    await expect(page.locator('.page-view .dim')).toHaveCount(0);
    await expect(words(page)).toContainText('under it all!');
    await expect(stack(page).first()).toHaveAccessibleName('hedgehog');
  });

  test('shows equal gaps with their size while something is dragged', async () => {
    for (const x of [120, 300]) {
      await supply(page, 'Shapes', 'oval');
      await drag(page, [396, 306], [x, 420], 'Control');
    }
    await supply(page, 'Shapes', 'oval');
    const [from, to] = [await onPage(page, 396, 306), await onPage(page, 482, 421)];
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(to.x, to.y, { steps: 5 });
    await expect(page.locator('.gap-words')).toHaveText(['0.83', '0.83']);
    await page.mouse.up();
    await expect(page.locator('.gap-words')).toHaveCount(0);
    // Drawn to where the gap is the same: 120, 300, 480.
    await leaf(page, 'place');
    await expect(field(page, 'from left')).toHaveValue(`${Math.round(((480 - 60) / 72) * 100) / 100}`);
  });

  test('guides are pulled out of the rulers, things go to them, and off the page they are gone', async () => {
    await page.getByRole('button', { name: 'Show rulers: drag guides out of them' }).click();
    const ruler = (await page.locator('.ruler.down').boundingBox())!;
    const at = await onPage(page, 200, 300);
    await page.mouse.move(ruler.x + 6, at.y);
    await page.mouse.down();
    await page.mouse.move(at.x, at.y, { steps: 4 });
    await page.mouse.up();
    await expect(page.locator('.own-guide-hit')).toHaveCount(1);
    await supply(page, 'Shapes', 'oval');
    await drag(page, [396, 306], [258, 200]);
    await leaf(page, 'place');
    await expect
      .poll(async () => Math.abs(Number(await field(page, 'from left').inputValue()) - 200 / 72))
      .toBeLessThan(0.02);
    await page.mouse.move(at.x, at.y + 150);
    await page.mouse.down();
    const off = await onPage(page, -30, 300);
    await page.mouse.move(off.x, off.y, { steps: 4 });
    await page.mouse.up();
    await expect(page.locator('.own-guide-hit')).toHaveCount(0);
    await page.keyboard.press('Escape');
    await press(page, 700, 560);
    await page.getByRole('button', { name: 'Show rulers: drag guides out of them' }).click();
  });

  test('another page size is asked about, and both ways are shown first', async () => {
    await supply(page, 'Words', 'Title');
    await page.keyboard.type('Sized');
    await page.keyboard.press('Escape');
    await press(page, 60, 560);
    const size = async () => {
      await page.locator('.margin-card .ant-select').first().click();
      await page.getByTitle('11 × 17 in', { exact: true }).click();
    };
    await size();
    await expect(page.getByRole('group', { name: 'How the page changes its size' }).locator('img')).toHaveCount(2);
    await page.getByRole('button', { name: 'Things stay at the bottom right' }).click();
    await page.getByRole('button', { name: 'keep sizes, add space' }).click();
    await expect(page.locator('.workbench_sizeWords')).toHaveText('11 × 17 in, landscape');
    await stack(page).first().click();
    await expect(field(page, 'size')).toHaveValue('30');
    await page.getByRole('button', { name: 'undo' }).click();
    await press(page, 60, 560);
    await size();
    await page.getByRole('button', { name: 'scale everything, text too' }).click();
    await stack(page).first().click();
    expect(Number(await field(page, 'size').inputValue())).toBeCloseTo(30 * Math.min(1224 / 792, 792 / 612), 1);
  });

  test('finds words on all pages and replaces them in one step', async () => {
    await supply(page, 'Words', 'Body');
    await page.keyboard.type('a crab and a Crab');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+f');
    await page.getByRole('textbox', { name: 'Find words' }).fill('crab');
    await expect(page.locator('.find h3')).toContainText('of 2');
    await page.getByRole('textbox', { name: 'Replace with' }).fill('shrimp');
    await page.getByRole('button', { name: 'replace all' }).click();
    await expect(words(page)).toContainText('a shrimp and a Shrimp');
    await page.getByRole('button', { name: 'undo' }).click();
    await expect(words(page)).toContainText('a crab and a Crab');
  });

  test('marks misspelt words and offers what was meant', async () => {
    await supply(page, 'Words', 'Body');
    await page.keyboard.type('The colour of these wrods');
    await page.keyboard.press('Escape');
    await expect(page.locator('.squiggle')).toHaveCount(1);
    await expect(page.getByRole('group', { name: 'spelling' }).getByRole('button')).toHaveText(['wrods']);
    await page.locator('.settings').getByRole('button', { name: 'words', exact: true }).click();
    await expect(words(page)).toContainText('The colour of these words');
    await expect(page.locator('.squiggle')).toHaveCount(0);
  });

  test('words that can’t be read are found at their spot, and a mend that is offered mends them', async () => {
    await supply(page, 'Words', 'Body');
    await page.keyboard.type('Pale words on pale paper');
    await page.keyboard.press('Control+a');
    await page.getByRole('radio', { name: 'colour #dfe8d0' }).click();
    await page.keyboard.press('Escape');
    const card = page.getByRole('region', { name: /^Hard to read/ });
    await expect(card).toContainText('should be 4.5');
    await expect(page.locator('.workbench_hardWords')).toHaveText('1 to look at');
    // Pressed, it lights what it is about.
    await card.getByRole('heading').click();
    await expect(page.locator('.light_light')).toHaveCount(1);
    await card
      .getByRole('button', { name: /another colour/ })
      .first()
      .click();
    await expect(card).toBeHidden();
    await expect(page.locator('.workbench_hardWords')).toBeHidden();
  });

  test('takes a colour off the sheet, and refuses one that is none', async () => {
    await compartment(page, 'Pictures');
    await page.getByLabel('Find a picture').fill('frog');
    await page.getByRole('button', { name: 'frog', exact: true }).click();
    await drag(page, [396, 306], [200, 200], 'Control');
    await supply(page, 'Shapes', 'oval');
    await leaf(page, 'look');
    const other = page.getByRole('button', { name: ': another colour' }).first();
    await other.click();
    const digits = page.getByLabel(/colour as six digits/);
    await digits.fill('greenish');
    await digits.press('Enter');
    await expect(page.getByText('This is no colour')).toBeVisible();
    await digits.fill('#1D3557');
    await digits.press('Enter');
    await expect(page.locator('.page-view path[fill="#1d3557"]')).toHaveCount(1);
    await page.getByRole('button', { name: 'pick from sheet' }).click();
    // The frog's belly.
    await click(200, 236);
    await expect(page.locator('.page-view path[fill="#1d3557"]')).toHaveCount(0);
    await expect(other).toHaveAccessibleName(/: another colour, #[0-9a-f]{6}$/);
  });

  test('keeps plain structure of what is pasted from elsewhere, and drops the rest', async () => {
    await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
    await page.evaluate(() => {
      const html =
        '<meta charset="utf-8"><style>p{color:red}</style><h2 style="font-family:Foo">Who lives here</h2><p>Crabs <b>dig</b>, snails <i style="color:red">graze</i>.</p><ul><li>mud<ol><li>soft</li></ol></li><li>sand</li></ul><script>alert(1)</script>';
      const item = new ClipboardItem({
        'text/html': new Blob([html], { type: 'text/html' }),
        'text/plain': new Blob(['x'], { type: 'text/plain' }),
      });
      return navigator.clipboard.write([item]);
    });
    await page.locator('[data-stage]').focus();
    await page.keyboard.press('Control+v');
    await expect(words(page)).toContainText('Who lives here');
    await expect(words(page)).toContainText('Crabs dig, snails graze.');
    await expect(words(page)).not.toContainText('alert');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Control+End');
    await expect(page.getByRole('button', { name: 'List: bullet' })).toBeVisible();
    await page.keyboard.press('Escape');
    // Bold was pasted, the colour was not.
    await expect(page.getByRole('radio', { name: 'colour #2a2820' })).toHaveAttribute('aria-checked', 'true');
  });

  test('names a moment, looks back along the history, goes back, and begins a second sheet', async () => {
    await supply(page, 'Shapes', 'star');
    await supply(page, 'Shapes', 'heart');
    await saved(page);
    await compartment(page, 'History');
    await page.getByLabel('Name of this moment').fill('two shapes');
    await page.getByLabel('Name of this moment').press('Enter');
    await expect(page.locator('.drawer_moment')).toContainText('two shapes');
    await page.getByLabel('History of the sheet').focus();
    await page.keyboard.press('Home');
    await expect(page.locator('.paper.past')).toBeVisible();
    await expect(page.locator('.page-view g[data-item]')).toHaveCount(0);
    await page.keyboard.press('ArrowRight');
    await expect(page.locator('.page-view g[data-item]')).toHaveCount(1);
    await page.getByRole('button', { name: 'go back to this' }).click();
    await expect(page.locator('.paper.past')).toHaveCount(0);
    await expect(stack(page)).toHaveCount(1);
    await page.getByRole('button', { name: 'undo' }).click();
    await expect(stack(page)).toHaveCount(2);
    await page.locator('.drawer_moment .drawer_look').click();
    await page.getByRole('button', { name: 'make a copy of this' }).click();
    await expect(page.getByLabel('Name of the sheet')).toHaveValue(/, copy$/);
    await expect(stack(page)).toHaveCount(2);
  });

  test('an old sheet in a face that is not here opens in another, and says so', async ({ house }) => {
    const asked = page.waitForResponse(/\/changes\?since/);
    await page.reload();
    const documentUrl = new URL((await asked).url()).pathname;
    const old = text({
      id: 'old',
      x: 90,
      y: 90,
      body: plain('Set long ago').map((p) => ({
        ...p,
        runs: p.runs.map((run) => ({ ...run, style: { font: 'long-gone' } })),
      })),
    });
    const changes = [{ kind: 'page-insert', behind: null, page: makePage({ id: 'oldpage', items: [old] }) }];
    const posted = await page
      .context()
      .request.post(documentUrl, { headers: { origin: house.url }, data: { base: 0, batch: 'old-sheet', changes } });
    expect(await posted.json()).toMatchObject({ outcome: 'saved' });
    await page.reload();
    await drawn(page);
    await expect(page.locator('.workbench_notice')).toContainText('“long-gone”, which is not here');
    await expect(words(page)).toContainText('Set long ago');
  });

  test('absurd numbers and sizes of nothing are refused with what would do', async () => {
    await supply(page, 'Shapes', 'oval');
    await expect(page.locator('.settings h3')).toContainText('oval');
    await leaf(page, 'place');
    for (const [label, typed, said] of [
      ['width', '0', /At least 0.01 in/],
      ['width', '1e9', /Type a length/],
      ['from left', '5/0', /Type a length/],
      ['opacity', '900', /Between 0 and 100/],
      ['rotate', '((1', /Type a number/],
    ] as const) {
      const input = field(page, label);
      const before = await input.inputValue();
      await input.fill(typed);
      await input.press('Enter');
      await expect(page.getByText(said).last()).toBeVisible();
      await input.press('Escape');
      await expect(input).toHaveValue(before);
    }
    await expect(stack(page)).toHaveCount(1);
  });
});
