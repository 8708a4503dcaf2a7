import { expect, test } from '@playwright/test';
import sharp from 'sharp';
import { pictureNodes } from '../../core/drawing/picture-nodes';
import { svgMarkup } from '../../core/drawing/svg';
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

test('thirty drawings look as the browser shows them', async ({ page }) => {
  expect(SVGS.length).toBeGreaterThanOrEqual(30);
  const faces = await allFaces();
  const shown = async (svg: string, width: number, height: number) => {
    await page.setContent(
      `<style>body{margin:0;background:#fff}</style><img width="${width}" height="${height}" src="data:image/svg+xml;base64,${Buffer.from(svg).toString('base64')}">`,
    );
    await page.locator('img').evaluate((image: HTMLImageElement) => image.decode());
    const png = await page.screenshot({ clip: { x: 0, y: 0, width, height } });
    return sharp(png).removeAlpha().raw().toBuffer();
  };
  const off: string[] = [];
  for (const [name, text] of SVGS) {
    const read = readSvg(text, faces);
    expect(`${name}: ${read.leftOut.join(', ')}`).toBe(`${name}: `);
    const drawn: DrawnPicture = { id: 'own/x', name, ...read, targets: [], licence: '', credit: '' };
    const [width, height] = [WIDE, Math.round((WIDE * read.height) / read.width)];
    const ours = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${read.width} ${read.height}">${svgMarkup(pictureNodes(drawn), faces)}</svg>`;
    const [theirs, mine] = [await shown(text, width, height), await shown(ours, width, height)];
    let differ = 0;
    for (let at = 0; at < theirs.length; at += 3)
      if ([0, 1, 2].some((channel) => Math.abs(theirs[at + channel] - mine[at + channel]) > FAR)) differ++;
    const share = differ / (width * height);
    if (share > MOST) off.push(`${name}: ${(share * 100).toFixed(2)}%`);
  }
  expect(off).toEqual([]);
});
