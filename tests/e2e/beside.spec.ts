import type { Page } from '@playwright/test';
import { zipSync } from 'fflate';
import { TEACHERS } from '../../demo/school';
import { discFile } from '../support/own';
import {
  blankPage,
  compartment,
  drag,
  entered,
  expect,
  exported,
  field,
  leaf,
  onPage,
  onSheet,
  press,
  saved,
  signedIn,
  stack,
  test,
  unfolded,
} from './house';

/** Room beside the page: what waits there, is tried on the page, and is never printed; files taken in from anywhere. */

let page: Page;
test.beforeAll(async ({ browser, house }) => {
  page = await signedIn(browser, house, 'Maren');
});
test.beforeEach(async () => {
  await blankPage(page);
  await compartment(page, 'Pictures');
});

const tile = (name: string) => page.locator('.drawer_picturesFound').getByRole('button', { name, exact: true }).first();
async function found(name: string) {
  await page.getByLabel('Find a picture').fill(name);
  await expect(tile(name)).toBeVisible();
  return tile(name);
}
const waiting = () => page.locator('.beside-view > g');
const called = () => page.getByLabel('What the picture shows');
const stage = () => page.locator('[data-stage]');
const words = async (bytes: Buffer) => bytes.toString('latin1');

test('pictures wait beside the page, and one key tries them one after another', async () => {
  await (await found('fox')).click();
  for (const name of ['owl', 'hedgehog']) await (await found(name)).click({ modifiers: ['Shift'] });
  await expect(waiting()).toHaveCount(2);
  await expect(page.getByRole('img', { name: 'Beside the page: hedgehog, owl' })).toBeVisible();
  // The fox is still the one that is chosen.
  await leaf(page, 'Place');
  await field(page, 'width').fill('40 mm');
  await field(page, 'width').press('Enter');
  await expect(field(page, 'width')).toHaveValue('1.57');
  const place = async () =>
    Promise.all(['from left', 'from top', 'width', 'height'].map((name) => field(page, name).inputValue()));
  const before = await place();
  await leaf(page, 'Look');
  await stage().focus();
  for (const name of ['owl', 'hedgehog', 'fox', 'owl']) {
    await page.keyboard.press('t');
    await expect(called()).toHaveValue(name);
    await expect(waiting()).toHaveCount(2);
  }
  await page.keyboard.press('Shift+T');
  await expect(called()).toHaveValue('fox');
  await leaf(page, 'Place');
  expect(await place()).toEqual(before);
  await stage().focus();
  await page.keyboard.press('Control+z');
  await expect(stack(page)).toHaveCount(3);
  await saved(page);
  await page.reload();
  await expect(waiting()).toHaveCount(2);
});

test('things go beside the page and back by key and by hand, and are not on paper meanwhile', async () => {
  await (await found('fox')).click();
  await stage().focus();
  await page.keyboard.press('b');
  await expect(waiting()).toHaveCount(1);
  await expect(page.getByText(/never printed or handed out/)).toBeVisible();
  await expect(onSheet(page).getByText('fox')).toHaveCount(0);
  await page.keyboard.press('b');
  await expect(waiting()).toHaveCount(0);
  await expect(onSheet(page).getByText('fox')).toHaveCount(1);
  // A name line stays, so that the page is not empty without it.
  await page.getByRole('tab', { name: 'Words' }).click();
  const box = await page.locator('.page-view').getAttribute('viewBox');
  const [, , width, height] = box!.split(' ').map(Number);
  await drag(page, [width / 2, height / 2], [-90, height / 3]);
  await expect(waiting()).toHaveCount(1);
  await saved(page);
  const id = new URL(page.url()).pathname.split('/')[2];
  const empty = await words(await exported(page, id, { as: 'pdf' }));
  // Pressed where it lies, and dragged back.
  const at = await onPage(page, -90, height / 3);
  await page.mouse.click(at.x, at.y);
  await expect(page.locator('.mark-frame')).toHaveCount(1);
  await drag(page, [-90, height / 3], [width / 2, height / 2]);
  await expect(waiting()).toHaveCount(0);
  await saved(page);
  expect((await words(await exported(page, id, { as: 'pdf' }))).length).toBeGreaterThan(empty.length + 300);
});

/** Drops files somewhere in the window. */
async function dropped(onto: string, files: { name: string; type: string; bytes: number[] }[]): Promise<boolean> {
  return page.locator(onto).evaluate((target, given) => {
    const data = new DataTransfer();
    for (const { name, type, bytes } of given) data.items.add(new File([new Uint8Array(bytes)], name, { type }));
    const { left, top } = target.getBoundingClientRect();
    const at = { clientX: left + 12, clientY: top + 8, bubbles: true, cancelable: true };
    target.dispatchEvent(new DragEvent('dragover', { dataTransfer: data, ...at }));
    // What is prevented is not opened by the browser.
    return !target.dispatchEvent(new DragEvent('drop', { dataTransfer: data, ...at }));
  }, files);
}

test('files are taken in wherever they are dropped; several wait beside the page, and each refusal names its file', async () => {
  const disc = [...(await discFile.plain())];
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><script>1</script><circle cx="4" cy="4" r="3" fill="#c33"/></svg>';
  const zip = zipSync({
    'trip/plain disc.jpg': new Uint8Array(disc),
    'trip/spot.svg': new TextEncoder().encode(svg),
    'trip/notes.txt': new TextEncoder().encode('hello'),
  });
  expect(await dropped('.strip', [{ name: 'trip.zip', type: 'application/zip', bytes: [...zip] }])).toBe(true);
  await expect(waiting()).toHaveCount(2);
  await expect(page.getByText(/2 pictures lie beside the page/)).toBeVisible();
  await expect(page.getByText(/“notes.txt”: This is no PNG/)).toBeVisible();
  await expect(page.getByText(/“spot.svg”: It was taken without a script/)).toBeVisible();

  // One alone goes on the page, and where nothing can be taken the sheet stays.
  expect(
    await dropped('.margin-card', [{ name: 'one.png', type: 'image/png', bytes: [...(await discFile.clear())] }]),
  ).toBe(true);
  await expect(page.locator('.page-view image')).toHaveCount(1);
  expect(await dropped('.drawer', [{ name: 'letter.docx', type: 'application/msword', bytes: [1, 2] }])).toBe(true);
  await expect(page.getByText(/“letter.docx” is no picture/)).toBeVisible();
  await saved(page);
});

test('a search is narrowed by colour and group, and gives outlines', async () => {
  await page.getByLabel('Find a picture').fill('bird');
  await expect(tile('parrot')).toBeVisible();
  const count = () => page.locator('.drawer_picturesFound .pictures_picture').count();
  const all = await count();
  await page.getByRole('combobox', { name: 'Colour of the pictures' }).click();
  await page.getByText('White', { exact: true }).last().click();
  await expect.poll(count).toBeLessThan(all);
  await expect(tile('avocet')).toBeVisible();
  await page.getByRole('button', { name: /^Weather and marsh/ }).click();
  await expect(page.getByRole('button', { name: /^Weather and marsh/ })).toHaveAttribute('aria-pressed', 'true');
  await expect(tile('avocet')).toBeVisible();
  await page.getByRole('button', { name: 'Outlines' }).click();
  await tile('avocet').click();
  await expect(called()).toHaveValue('avocet');
  const fills = () =>
    page
      .locator('.page-view [data-item] path')
      .evaluateAll((all) => [...new Set(all.map((one) => one.getAttribute('fill')))].sort());
  await expect.poll(fills).toEqual(['#ffffff', 'none']);
  await page.getByLabel('Find a picture').fill('zzzz');
  await expect(page.getByText(/No white picture is called “zzzz”/)).toBeVisible();
});

test('a shelf: a picture gets a name, a section and a source, is shared with a colleague, and the credits follow', async ({
  browser,
  house,
}) => {
  await page.getByRole('button', { name: 'Uploaded', exact: true }).click();
  const buffer = await discFile.mixed();
  await page.getByLabel('Files with pictures').setInputFiles({ name: 'IMG_0042.jpg', mimeType: 'image/jpeg', buffer });
  await expect(page.locator('.page-view image')).toHaveCount(1);
  await page.getByRole('button', { name: /^About “IMG 0042”/ }).focus();
  await page.keyboard.press('Enter');
  const form = page.getByRole('form', { name: /^About/ });
  await form.getByLabel('Name').fill('Sunset');
  await form.getByLabel('Section').fill('Skies');
  await form.getByLabel('Source').fill('Photo: class 5b');
  await form.getByLabel(/Share with/).check();
  // Nothing is lost where it can't be saved just now.
  await page.context().setOffline(true);
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(form.getByText(/can’t be reached/)).toBeVisible();
  await expect(form.getByLabel('Name')).toHaveValue('Sunset');
  await page.context().setOffline(false);
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(form).toHaveCount(0);
  await page.getByRole('button', { name: 'Skies' }).click();
  await tile('Sunset').click();
  await expect(page.locator('.page-view image')).toHaveCount(2);

  const colleague = await entered(browser, house, TEACHERS[2]);
  await blankPage(colleague);
  await compartment(colleague, 'Pictures');
  await colleague.getByLabel('Find a picture').fill('skies');
  const shared = colleague.locator('.drawer_picturesFound').getByRole('button', { name: 'Sunset', exact: true });
  await expect(shared).toHaveAttribute('title', /Photo: class 5b · shared by Maren/);
  await expect(colleague.getByRole('button', { name: /^About “Sunset”/ })).toHaveCount(0);
  await colleague.context().close();

  // The credit line says what is on the page, and goes on doing so.
  await press(page, 5, 5);
  await stage().focus();
  await page.keyboard.press('Escape');
  await unfolded(page, 'Sources');
  await page.getByRole('button', { name: 'Place a credit line on this page' }).click();
  await expect(onSheet(page)).toContainText('Photo: class 5b');
  await (await found('fox')).click();
  await expect(onSheet(page)).toContainText('fox: Fluent Emoji, Microsoft (MIT)');
  await stage().focus();
  await page.keyboard.press('Delete');
  await expect(onSheet(page)).not.toContainText('Fluent');
  await page.keyboard.press('Control+z');
  await expect(onSheet(page)).toContainText('Fluent');
  await saved(page);
});
