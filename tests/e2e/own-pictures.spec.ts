import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { discFile } from '../support/own';
import {
  blankPage,
  compartment,
  drag,
  drawn,
  expect,
  exported,
  join,
  leaf,
  made,
  press,
  saved,
  stack,
  supply,
  test,
  signedIn,
} from './house';
import { SECRET } from '../../demo/school';

/** A teacher's own pictures: uploaded, dropped, as base, outline and colouring page, and in print. */

let page: Page;
test.beforeAll(async ({ browser, house }) => {
  page = await signedIn(browser, house, 'Maren');
});
test.beforeEach(() => blankPage(page));

const file = async (name: string, bytes: Promise<Buffer>) => ({
  name,
  mimeType: 'application/octet-stream',
  buffer: await bytes,
});
const asked = () => page.getByLabel('Files with pictures');
const images = () => page.locator('.page-view image');
async function brought(name = 'orange_disc.jpg', bytes = discFile.plain()) {
  await compartment(page, 'Pictures');
  await page.getByRole('button', { name: 'uploaded' }).click();
  await asked().setInputFiles(await file(name, bytes));
}
const begun = async (name: RegExp) => {
  await made(page, name);
  await expect(page.locator('.settings h3')).toBeVisible();
};
const shipped = (name: string) => page.locator('.kit_picturePick').getByRole('button', { name, exact: true });

test('a file is put on the sheet, kept for the next one, and what is no picture is told', async () => {
  await brought();
  await expect(images()).toHaveCount(1);
  await expect(page.getByLabel('What the picture shows')).toHaveValue('orange disc');
  await saved(page);
  await page.reload();
  await drawn(page);
  await expect(images()).toHaveCount(1);
  await expect
    .poll(() => images().evaluate((image) => fetch(image.getAttribute('href')!).then(({ ok }) => ok)))
    .toBe(true);

  await blankPage(page);
  await brought('notes.png', Promise.resolve(Buffer.from('hello')));
  await expect(page.getByText('“notes.png”: This is no PNG, JPEG, WebP, GIF or SVG picture.')).toBeVisible();
  await page.locator('.drawer_picturesFound').getByRole('button', { name: 'orange disc', exact: true }).click();
  await expect(images()).toHaveCount(1);
  await page.getByRole('button', { name: /^About “orange disc”/ }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Remove from the shelf' }).click();
  await expect(
    page.locator('.drawer_picturesFound').getByRole('button', { name: 'orange disc', exact: true }),
  ).toHaveCount(0);
  await expect(images()).toHaveCount(1);
});

test('files are dropped on the sheet and pasted there', async () => {
  const bytes = [...(await discFile.clear())];
  await page.locator('.paper').evaluate((paper, list) => {
    const data = new DataTransfer();
    data.items.add(new File([new Uint8Array(list)], 'dropped.png', { type: 'image/png' }));
    const { left, top } = paper.getBoundingClientRect();
    paper.dispatchEvent(
      new DragEvent('drop', {
        dataTransfer: data,
        clientX: left + 90,
        clientY: top + 70,
        bubbles: true,
        cancelable: true,
      }),
    );
  }, bytes);
  await expect(images()).toHaveCount(1);
  await page.keyboard.press('Escape');
  await press(page, 700, 580);
  await page.evaluate((list) => {
    const data = new DataTransfer();
    data.items.add(new File([new Uint8Array(list)], 'pasted.png', { type: 'image/png' }));
    document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  }, bytes);
  await expect(images()).toHaveCount(2);
  await expect(stack(page)).toHaveCount(2);
});

test('is the base of a diagram, the outline of a cloud and a page to colour', async () => {
  await begun(/^labelled diagram/i);
  await page.getByText('another picture').click();
  await asked().setInputFiles(await file('orange_disc.jpg', discFile.plain()));
  await expect(images()).toHaveCount(1);
  await page.getByLabel(/Press on the picture for a point/).click();
  const middle = (await images().boundingBox())!;
  await page.mouse.click(middle.x + middle.width / 2, middle.y + middle.height / 2);
  await page.getByLabel('Spot 1').fill('the middle');
  await expect(page.getByRole('list', { name: 'What stands on the page' })).toContainText('the middle');
  await saved(page);

  await blankPage(page);
  await begun(/^word cloud/i);
  await page.getByRole('combobox', { name: 'What the words fill' }).click();
  await page.getByTitle('A picture’s outline', { exact: true }).click();
  await shipped('orange disc').click();
  await expect(page.getByText('almost no area')).toHaveCount(0);
  await saved(page);

  await blankPage(page);
  await compartment(page, 'Makers');
  await page.getByRole('button', { name: 'Colouring', exact: true }).click();
  await page.getByLabel('Pick pictures one by one').click();
  await shipped('orange disc').click();
  await page.getByRole('group', { name: 'Pictures' }).waitFor();
  await expect(page.getByLabel(/^Word \d+$/).last()).toHaveValue('orange disc');
});

test('is on paper and in what students are given', async ({ browser, house }) => {
  await brought();
  await expect(images()).toHaveCount(1);
  await saved(page);
  const id = /sheets\/([^/?]+)/.exec(page.url())![1];
  const { data, info } = await sharp(await exported(page, id, { as: 'png' }))
    .raw()
    .toBuffer({ resolveWithObject: true });
  const at = (Math.floor(info.height / 2) * info.width + Math.floor(info.width / 2)) * info.channels;
  expect([...data.subarray(at, at + 3)].map((value) => Math.round(value / 16))).toEqual([11, 5, 2]);
  const pdf = (await exported(page, id, { as: 'pdf' })).toString('latin1');
  expect(pdf).toContain('/DCTDecode');
  const thumb = await (await page.request.get(`/sheets/${id}/picture.svg`)).text();
  expect(thumb).toContain('data:image/jpeg');

  const student = await join(browser, house, 'CURLW', 'Ines Ramos', SECRET.split(' '));
  const address = (await images().getAttribute('href'))!;
  expect((await student.request.get(address)).status()).toBe(200);
  const stranger = await (await browser.newContext({ baseURL: house.url })).newPage();
  expect((await stranger.request.get(address)).status()).toBe(401);
});

test('labels are set around what was drawn on the sheet', async () => {
  await supply(page, 'Shapes', 'oval');
  await page.keyboard.press('Escape');
  await drag(page, [390, 300], [390, 220]);
  await supply(page, 'Shapes', 'oval');
  await press(page, 20, 20);
  await page.keyboard.press('Control+a');
  await compartment(page, 'Labels');
  await page.getByRole('button', { name: 'around the selection' }).click();
  await expect(page.locator('.labels-panel')).toBeVisible();
  await expect(stack(page)).toHaveCount(1);
  await page.getByLabel(/Press on the picture for a point/).click();
  const view = (await page.locator('.page-view').boundingBox())!;
  await page.mouse.click(view.x + view.width / 2, view.y + view.height / 2);
  await page.getByLabel('Spot 1').fill('belly');
  await expect(page.getByRole('list', { name: 'What stands on the page' })).toContainText('belly');
  await saved(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /undo/i }).click();
  await expect(page.getByRole('list', { name: 'What stands on the page' })).not.toContainText('belly');
});

test('a column of a table on the sheet gives the words of a cloud', async () => {
  await begun(/^chart/i);
  await saved(page);
  await press(page, 5, 5);
  await begun(/^word cloud/i);
  await page.getByRole('button', { name: /Takes a column of a table/ }).click();
  await expect(page.getByRole('combobox', { name: 'Column of words' })).toBeVisible();
  await page.getByRole('button', { name: 'Replace the words above with this column' }).click();
  const list = page.getByRole('textbox', { name: /^Words, one in a line/ });
  await expect(list).not.toHaveValue(/glasswort/);
  await expect(list).toHaveValue(/: \d/);
  await leaf(page, 'cloud');
});

test('a table file that is no table, or too large, is told', async () => {
  await begun(/^chart/i);
  const table = page.getByLabel('File with a table');
  await table.setInputFiles({ name: 'empty.csv', mimeType: 'text/csv', buffer: Buffer.from(';;\n;;') });
  await expect(page.getByText('“empty.csv” holds no cells.')).toBeVisible();
  await table.setInputFiles({ name: 'large.csv', mimeType: 'text/csv', buffer: Buffer.alloc(1_100_000, 'a,1\n') });
  await expect(page.getByText('“large.csv” is too large')).toBeVisible();
});

test('a student presses into a blank of a diagram that was made, and takes its word from the bank', async ({
  browser,
  house,
}) => {
  await brought();
  await expect(images()).toHaveCount(1);
  await compartment(page, 'Labels');
  await page.getByRole('button', { name: 'around the selection' }).click();
  await expect(page.locator('.labels-panel')).toBeVisible();
  for (const [i, [words, down]] of [['upper half', 0.35] as const, ['lower half', 0.65] as const].entries()) {
    await page.getByLabel(/Press on the picture for a point/).click();
    const base = (await images().boundingBox())!;
    await page.mouse.click(base.x + base.width / 2, base.y + base.height * down);
    await page.getByLabel(`Spot ${i + 1}`).fill(words);
    await expect(page.getByRole('list', { name: 'What stands on the page' })).toContainText(words);
  }
  await page.getByRole('combobox', { name: 'Edition' }).click();
  await page.getByTitle('Empty, with a word bank', { exact: true }).click();
  await expect(page.getByRole('list', { name: 'What stands on the page' })).toContainText(/ half  +\w+ half/);
  await saved(page);
  await page.getByRole('link', { name: 'Hand out' }).click();
  await page.getByLabel('Name of the handout').fill('Two halves');
  await page.getByRole('checkbox', { name: /Curlew/ }).check();
  await page.getByRole('button', { name: 'Hand it out' }).click();
  await page.waitForURL(/handouts|desk/);

  const student = await join(browser, house, 'CURLW', 'Ines Ramos', SECRET.split(' '));
  await student.locator('.tray_copy', { hasText: 'Two halves' }).click();
  await drawn(student);
  await expect(student.locator('.page-view image')).toHaveCount(1);
  // The margin says where the first blank is; then it is pressed.
  await student.getByText('next one').click();
  const words = student.locator('.words-input');
  await expect(words).toBeAttached();
  const place = (await student.locator('.mark-editing').first().boundingBox())!;
  await student.keyboard.press('Escape');
  await expect(words).not.toBeAttached();
  await student.mouse.click(place.x + place.width / 2, place.y + place.height / 2);
  await expect(words).toBeAttached();
  await expect(student.getByRole('button', { name: 'lower half', exact: true })).toBeVisible();
  await student.getByRole('button', { name: 'upper half', exact: true }).click();
  await expect(student.getByText(/1 of 2/).first()).toBeVisible();
});
