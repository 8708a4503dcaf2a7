import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import pixelmatch from 'pixelmatch';
import { PNG } from 'pngjs';
import { pdfOf } from '../../server/exports/pdf';
import { pngOf } from '../../server/exports/png';
import { pdfResources } from '../../server/exports/resources';
import { Shelf } from '../../server/exports/shelf';
import { drawPage } from '../../core/items/draw';
import { pageSvg } from '../../core/drawing/svg';
import { richSheet } from '../support/rich';
import { drawn, enter, expect, saved, test } from './house';

/** One picture everywhere: the editor in Chromium, PNG and PDF of one rich page, pixel by pixel. */

/** Share of pixels that differ visibly. */
function share(a: PNG, b: PNG): number {
  const { width, height } = a;
  expect([b.width, b.height]).toEqual([width, height]);
  return pixelmatch(a.data, b.data, undefined, width, height, { threshold: 0.25 }) / (width * height);
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
  const zoom = window.getByLabel('Zoom');
  for (let i = 0; i < 12 && (await zoom.textContent()) !== '100%'; i++)
    await window
      .getByRole('button', { name: Number.parseInt((await zoom.textContent())!) > 100 ? 'Smaller' : 'Larger' })
      .click();
  await expect(zoom).toHaveText('100%');
  await expect(window.locator('.page-view path')).not.toHaveCount(0);
  await window.waitForLoadState('networkidle');
  const view = window.locator('.page-view');
  // Drawn alone, without the screen around it.
  const svg = await view.evaluate((element) => element.outerHTML);
  const alone = await browser.newPage({ viewport: { width, height } });
  await alone.setContent(`<body style="margin:0">${svg}</body>`);
  const editor = PNG.sync.read(await alone.screenshot());

  const { resources } = await Shelf.open();
  const list = drawPage(sheet, page, resources);
  const png = PNG.sync.read(await pngOf(pageSvg(list, resources.faces), width));

  const folder = mkdtempSync(path.join(tmpdir(), 'dappled-pdf-'));
  try {
    writeFileSync(path.join(folder, 'page.pdf'), await pdfOf([list], sheet.title, pdfResources(resources.faces)));
    const drawing = spawnSync('pdftocairo', ['-png', '-r', '96', '-singlefile', 'page.pdf', 'page'], { cwd: folder });
    expect(drawing.status).toBe(0);
    const pdf = PNG.sync.read(readFileSync(path.join(folder, 'page.png')));

    const [raster, print] = [share(editor, png), share(editor, pdf)];
    console.log(
      `pixels that differ from the editor: PNG ${(raster * 100).toFixed(3)}%, PDF ${(print * 100).toFixed(3)}%`,
    );
    // What was measured between the two renderers on outlines; a missing word or a shifted line is far above it.
    expect(raster).toBeLessThan(0.0005);
    expect(print).toBeLessThan(0.003);

    const words = spawnSync('pdftotext', ['-layout', 'page.pdf', '-'], { cwd: folder, encoding: 'utf8' }).stdout;
    for (const expected of ['Waders of the “mudflat”: AVOCET', 'upturned bill', 'Zażółć gęślą jaźń'])
      expect(words).toContain(expected);
    const fonts = spawnSync('pdffonts', ['page.pdf'], { cwd: folder, encoding: 'utf8' }).stdout;
    expect(fonts.split('\n').filter((row) => /yes yes yes/.test(row)).length).toBeGreaterThan(4);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});
