import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import sharp from 'sharp';
import { pictureNodes } from '../../core/drawing/picture-nodes';
import { pageSvg, svgMarkup } from '../../core/drawing/svg';
import { drawPage } from '../../core/items/draw';
import { page, picture, sheet } from '../../core/schema/defaults';
import type { Faces } from '../../core/text/faces';
import { pdfOf } from '../../server/exports/pdf';
import { pngOf } from '../../server/exports/png';
import { pdfResources } from '../../server/exports/resources';
import { readSvg } from '../../core/drawing/svg-in/read';
import type { DrawnPicture } from '../../core/pictures/picture';
import { allFaces } from '../support/fonts';
import { SVGS } from '../support/svgs';

/** Drawings that are read in look as the browser itself shows their files. */

const WIDE = 240;
/** A pixel that differs by more than this, of 255, differs. */
const FAR = 24;
/** Edges may be smoothed otherwise: so many pixels of a picture may differ. */
const MOST = 0.006;

const read = (name: string, text: string, faces: Faces): DrawnPicture => ({
  id: `own/${createHash('md5').update(name).digest('hex')}`,
  name,
  ...readSvg(text, faces),
  targets: [],
  licence: '',
  credit: '',
});

test('all of them are the same on paper', async () => {
  const faces = await allFaces();
  const own = new Map(SVGS.map(([name, text]) => read(name, text, faces)).map((drawn) => [drawn.id, drawn]));
  const items = [...own.values()].map(({ id, width, height }, i) =>
    picture({
      id: `p${i}`,
      picture: id,
      x: 20 + (i % 8) * 90,
      y: 20 + Math.floor(i / 8) * 90,
      width: 80,
      height: (80 * height) / width,
    }),
  );
  const made = sheet({ title: 'Drawings', pages: [page({ id: 'p', width: 760, height: 400, items })] });
  const list = drawPage(made, made.pages[0], { faces, pictures: (id) => own.get(id) });
  const folder = mkdtempSync(path.join(tmpdir(), 'dappled-svg-'));
  try {
    writeFileSync(path.join(folder, 'page.pdf'), await pdfOf([list], 'Drawings', pdfResources(faces)));
    const drawing = spawnSync('pdftocairo', ['-png', '-r', '144', '-singlefile', 'page.pdf', 'page'], { cwd: folder });
    expect(drawing.status).toBe(0);
    const printed = await sharp(path.join(folder, 'page.png'))
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const { width, height } = printed.info;
    const ours = await sharp(await pngOf(pageSvg(list, faces), width))
      .resize(width, height, { fit: 'fill' })
      .flatten()
      .removeAlpha()
      .raw()
      .toBuffer();
    let differ = 0;
    for (let at = 0; at < ours.length; at += 3)
      if ([0, 1, 2].some((channel) => Math.abs(ours[at + channel] - printed.data[at + channel]) > FAR)) differ++;
    expect(differ / (width * height)).toBeLessThan(MOST);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test('thirty drawings look as the browser shows them', async ({ page: window }) => {
  expect(SVGS.length).toBeGreaterThanOrEqual(30);
  const faces = await allFaces();
  const shown = async (svg: string, width: number, height: number) => {
    await window.setContent(
      `<style>body{margin:0;background:#fff}</style><img width="${width}" height="${height}" src="data:image/svg+xml;base64,${Buffer.from(svg).toString('base64')}">`,
    );
    await window.locator('img').evaluate((image: HTMLImageElement) => image.decode());
    const png = await window.screenshot({ clip: { x: 0, y: 0, width, height } });
    return sharp(png).removeAlpha().raw().toBuffer();
  };
  const off: string[] = [];
  for (const [name, text] of SVGS) {
    expect(`${name}: ${readSvg(text, faces).leftOut.join(', ')}`).toBe(`${name}: `);
    const drawn = read(name, text, faces);
    const [width, height] = [WIDE, Math.round((WIDE * drawn.height) / drawn.width)];
    const ours = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${drawn.width} ${drawn.height}">${svgMarkup(pictureNodes(drawn), faces)}</svg>`;
    const [theirs, mine] = [await shown(text, width, height), await shown(ours, width, height)];
    let differ = 0;
    for (let at = 0; at < theirs.length; at += 3)
      if ([0, 1, 2].some((channel) => Math.abs(theirs[at + channel] - mine[at + channel]) > FAR)) differ++;
    const share = differ / (width * height);
    if (share > MOST) off.push(`${name}: ${(share * 100).toFixed(2)}%`);
  }
  expect(off).toEqual([]);
});
