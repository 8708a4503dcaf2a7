import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import pixelmatch from 'pixelmatch';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { pdfOf } from '../../server/exports/pdf';
import { pngOf } from '../../server/exports/png';
import { pdfResources } from '../../server/exports/resources';
import { Shelf } from '../../server/exports/shelf';
import { drawPage } from '../../core/items/draw';
import { pageSvg } from '../../core/drawing/svg';
import { richSheet } from '../support/rich';
import type { Browser, Page } from '@playwright/test';
import { discFile } from '../support/own';
import {
  blankPage,
  compartment,
  drawn,
  enter,
  expect,
  exported,
  field,
  saved,
  signedIn,
  stack,
  test,
  unfolded,
} from './house';

/** One picture everywhere: the editor in Chromium, PNG and PDF of one rich page, pixel by pixel. */

/** Share of pixels that differ visibly. */
function share(a: PNG, b: PNG): number {
  const { width, height } = a;
  expect([b.width, b.height]).toEqual([width, height]);
  return pixelmatch(a.data, b.data, undefined, width, height, { threshold: 0.25 }) / (width * height);
}

/** The page of a window drawn alone, without the screen around it. */
async function seenAlone(browser: Browser, window: Page, width: number, height: number): Promise<PNG> {
  await window.waitForLoadState('networkidle');
  const svg = await window.locator('.page-view').evaluate(async (element) => {
    const copy = element.cloneNode(true) as Element;
    for (const image of copy.querySelectorAll('image')) {
      const bytes = await (await fetch(image.getAttribute('href')!)).blob();
      const reader = new FileReader();
      const read = new Promise((done) => reader.addEventListener('load', done));
      reader.readAsDataURL(bytes);
      await read;
      image.setAttribute('href', reader.result as string);
    }
    return copy.outerHTML;
  });
  const alone = await browser.newPage({ viewport: { width, height } });
  await alone.setContent(`<body style="margin:0">${svg}</body>`);
  const seen = PNG.sync.read(await alone.screenshot());
  await alone.close();
  return seen;
}

async function inFullSize(window: Page): Promise<void> {
  const zoom = window.getByLabel('Zoom');
  for (let i = 0; i < 12 && (await zoom.textContent()) !== '100%'; i++)
    await window
      .getByRole('button', { name: Number.parseInt((await zoom.textContent())!) > 100 ? 'Smaller' : 'Larger' })
      .click();
  await expect(zoom).toHaveText('100%');
}

/** The only page of a PDF, drawn at the screen's size. */
function drawnPdf(folder: string, bytes: Uint8Array): PNG {
  writeFileSync(path.join(folder, 'page.pdf'), bytes);
  const drawing = spawnSync('pdftocairo', ['-png', '-r', '96', '-singlefile', 'page.pdf', 'page'], { cwd: folder });
  expect(drawing.status).toBe(0);
  return PNG.sync.read(readFileSync(path.join(folder, 'page.png')));
}

function expectAlike(editor: PNG, png: PNG, pdf: PNG, [most, mostPrinted]: [number, number]): void {
  const [raster, print] = [share(editor, png), share(editor, pdf)];
  console.log(
    `pixels that differ from the editor: PNG ${(raster * 100).toFixed(3)}%, PDF ${(print * 100).toFixed(3)}%`,
  );
  expect(raster).toBeLessThan(most);
  expect(print).toBeLessThan(mostPrinted);
}

test('editor, PNG and PDF show the same page', async ({ browser, house }) => {
  const sheet = richSheet();
  const [page] = sheet.pages;
  const scale = 96 / 72;
  const [width, height] = [page.width * scale, page.height * scale];

  // The editor: the page is put together through the same changes that a person would make.
  const window = await enter(browser, house, 'Maren');
  await window.setViewportSize({ width: 1600, height: 1150 });
  await window.getByRole('button', { name: 'Blank page' }).click();
  await drawn(window);
  const asked = window.waitForResponse(/\/changes\?since/);
  const documentUrl = new URL((await asked).url()).pathname;
  const changes = [{ kind: 'page-insert', behind: null, page }];
  const posted = await window
    .context()
    .request.post(documentUrl, { headers: { origin: house.url }, data: { base: 0, batch: 'rich-page', changes } });
  expect(await posted.json()).toMatchObject({ outcome: 'saved' });
  await window.reload();
  await drawn(window);
  await saved(window);
  await inFullSize(window);
  await expect(window.locator('.page-view path')).not.toHaveCount(0);
  const editor = await seenAlone(browser, window, width, height);

  const { resources } = await Shelf.open();
  const list = drawPage(sheet, page, resources);
  const png = PNG.sync.read(await pngOf(pageSvg(list, resources.faces), width));

  const folder = mkdtempSync(path.join(tmpdir(), 'dappled-pdf-'));
  try {
    const pdf = drawnPdf(folder, await pdfOf([list], sheet.title, pdfResources(resources.faces)));
    // What was measured between the two renderers on outlines; a missing word or a shifted line is far above it.
    expectAlike(editor, png, pdf, [0.0005, 0.003]);

    const words = spawnSync('pdftotext', ['-layout', 'page.pdf', '-'], { cwd: folder, encoding: 'utf8' }).stdout;
    for (const expected of ['Waders of the “mudflat”: AVOCET', 'upturned bill', 'Zażółć gęślą jaźń'])
      expect(words).toContain(expected);
    const fonts = spawnSync('pdffonts', ['page.pdf'], { cwd: folder, encoding: 'utf8' }).stdout;
    expect(fonts.split('\n').filter((row) => /yes yes yes/.test(row)).length).toBeGreaterThan(4);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test('a picture that is cut, cropped and coloured is the same in the editor, PNG and PDF', async ({
  browser,
  house,
}) => {
  const window = await signedIn(browser, house, 'Maren');
  await window.setViewportSize({ width: 1600, height: 1150 });
  await blankPage(window);
  // A photo: cropped by keyboard, cut to an oval, in two colours.
  await compartment(window, 'Pictures');
  await window.getByRole('button', { name: 'uploaded' }).click();
  const buffer = await discFile.mixed();
  await window.getByLabel('Files with pictures').setInputFiles({ name: 'dawn.jpg', mimeType: 'image/jpeg', buffer });
  await expect(window.locator('.page-view image')).toHaveCount(1);
  await window.locator('[data-stage]').focus();
  for (const key of ['k', '+', '+', '+', 'ArrowRight', 'ArrowDown', 'Enter']) await window.keyboard.press(key);
  await window.getByRole('combobox', { name: 'Shape that the picture is cut to' }).click();
  await window.getByTitle('Oval', { exact: true }).click();
  await unfolded(window, 'Colours');
  await window.getByRole('button', { name: /In two colours only/ }).click();
  await expect(window.locator('.page-view feColorMatrix')).toHaveCount(1);
  // A drawing beside it, in the colours of the palette.
  await window.locator('[data-stage]').focus();
  await window.keyboard.press('Escape');
  await window.getByLabel('Find a picture').fill('hedgehog');
  await window.getByRole('tabpanel', { name: 'Pictures' }).getByRole('button', { name: 'hedgehog' }).first().click();
  await expect(stack(window)).toHaveCount(2);
  await window.getByRole('tab', { name: 'Place', exact: true }).click();
  await field(window, 'from left').fill('20 mm');
  await field(window, 'from left').press('Enter');
  await window.getByRole('tab', { name: 'Look', exact: true }).click();
  await unfolded(window, 'Colours');
  await window.getByRole('button', { name: 'In the palette’s colours' }).click();
  await expect(window.getByRole('button', { name: 'Its own colours again' })).toBeVisible();
  // A second photo, large enough to be shown smaller on screens: without its background, and with a part covered.
  await window.locator('[data-stage]').focus();
  await window.keyboard.press('Escape');
  await window.getByLabel('Find a picture').fill('');
  await window.getByRole('button', { name: 'uploaded' }).click();
  const plain = await sharp(await discFile.plain())
    .resize({ width: 3000 })
    .jpeg()
    .toBuffer();
  await window
    .getByLabel('Files with pictures')
    .setInputFiles({ name: 'noon.jpg', mimeType: 'image/jpeg', buffer: plain });
  await expect(window.locator('.page-view image')).toHaveCount(2);
  await window.getByRole('tab', { name: 'Place', exact: true }).click();
  await field(window, 'from top').fill('10 mm');
  await field(window, 'from top').press('Enter');
  await window.getByRole('tab', { name: 'Look', exact: true }).click();
  await window.getByRole('button', { name: /^Take the background/ }).click();
  await window.getByRole('button', { name: 'Use it', exact: true }).click();
  await expect(window.getByRole('button', { name: 'Show the background again' })).toBeVisible();
  await expect(window.locator('.page-view image[href$="-screen.png"]')).toHaveCount(1);
  await window.getByRole('button', { name: /^Cover a part/ }).click();
  const frame = (await window.locator('.mark-frame').boundingBox())!;
  const corner = (share: number) => [frame.x + frame.width * share, frame.y + frame.height * share] as const;
  await window.mouse.move(...corner(0.4));
  await window.mouse.down();
  await window.mouse.move(...corner(0.55), { steps: 4 });
  await window.mouse.up();
  await expect(window.getByRole('button', { name: 'Show what was covered last again' })).toBeVisible();
  await saved(window);
  await inFullSize(window);

  const id = new URL(window.url()).pathname.split('/')[2];
  const box = (await window.locator('.page-view').boundingBox())!;
  const [width, height] = [Math.round(box.width), Math.round(box.height)];
  const editor = await seenAlone(browser, window, width, height);
  // It is there, and is not all paper.
  const paper = { ...editor, data: Buffer.from(editor.data).fill(255) } as PNG;
  expect(share(editor, paper)).toBeGreaterThan(0.02);
  const fine = sharp(await exported(window, id, { as: 'png' }));
  const png = PNG.sync.read(await fine.resize(width, height, { fit: 'fill' }).png().toBuffer());
  const folder = mkdtempSync(path.join(tmpdir(), 'dappled-pdf-'));
  try {
    expectAlike(editor, png, drawnPdf(folder, await exported(window, id, { as: 'pdf' })), [0.001, 0.003]);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});
