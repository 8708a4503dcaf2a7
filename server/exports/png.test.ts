import sharp from 'sharp';
import { describe, expect, test } from 'vitest';
import { seenOf } from '../../core/drawing/bounds';
import { drawPage } from '../../core/items/draw';
import type { DisplayNode } from '../../core/drawing/list';
import { ink } from '../../core/drawing/list';
import { pageSvg } from '../../core/drawing/svg';
import { group, page, picture, shape, sheet } from '../../core/schema/defaults';
import { richSheet } from '../../tests/support/rich';
import { openFaces, openPictures } from '../art/shipped';
import { pagePng, pngOf } from './png';

const svg = (inner: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="100pt" height="50pt" viewBox="0 0 100 50">${inner}</svg>`;

test('a page without a ground is transparent, and what is half see-through keeps its colour', async () => {
  const png = await pngOf(svg('<rect width="50" height="50" fill="#c8632e" fill-opacity="0.5"/>'), 20);
  const { data, info } = await sharp(png).raw().toBuffer({ resolveWithObject: true });
  expect([info.width, info.height, info.channels]).toEqual([20, 10, 4]);
  const [r, g, b, a] = data;
  expect(a).toBe(128);
  for (const [got, wanted] of [
    [r, 0xc8],
    [g, 0x63],
    [b, 0x2e],
  ])
    expect(Math.abs(got - wanted)).toBeLessThanOrEqual(2);
  expect(data[19 * 4 + 3]).toBe(0);
});

test('what is shifted is drawn at its place just as by a map of coordinates', async () => {
  const [faces, pictures] = [await openFaces(), openPictures()];
  const stops = [
    { offset: 0, colour: '#b0442a', opacity: 1 },
    { offset: 1, colour: '#2f5d8a', opacity: 0.4 },
  ];
  const shadow = { dx: 4, dy: 6, blur: 5, colour: '#000000', opacity: 0.6 };
  const box = { width: 120, height: 70, shadow };
  const rich = richSheet();
  const items = [
    group({
      id: 'straight',
      x: 420,
      y: 20,
      width: 300,
      height: 110,
      items: [shape({ ...box, id: 'linear', x: 160, y: 20, fill: { kind: 'linear', angle: 30, stops } })],
    }),
    group({
      id: 'turned',
      x: 520,
      y: 130,
      width: 200,
      height: 200,
      angle: 15,
      items: [
        shape({ ...box, id: 'radial', x: 30, y: 20, fill: { kind: 'radial', x: 0.3, y: 0.4, reach: 1, stops } }),
        picture({ id: 'mirrored', picture: 'diagram/heron', x: 20, y: 100, width: 140, height: 90, reflection: 1 }),
      ],
    }),
    ...rich.pages[0].items,
  ];
  const made = sheet({ ...rich, pages: [page({ ...rich.pages[0], items })] });
  const drawn = drawPage(made, made.pages[0], { faces, pictures });
  const area = { x: 0, y: 0, width: 80, height: 60 };
  drawn.nodes.push({
    kind: 'group',
    matrix: [1, 0, 0, 1, 300, 240],
    fade: { from: 0, to: 60, alpha: 1, box: area },
    children: [{ kind: 'path', d: 'M0 0H80V60H0Z', fill: ink('#2f5d8a') }],
  });
  // So little more than a shift that it is written as one, but is taken for more.
  const asMap = (nodes: readonly DisplayNode[]): DisplayNode[] =>
    nodes.map((node) =>
      node.kind === 'group'
        ? {
            ...node,
            matrix: node.matrix && [
              node.matrix[0] + 1e-6,
              ...(node.matrix.slice(1) as [number, number, number, number, number]),
            ],
            children: asMap(node.children),
          }
        : node,
    );
  const pixels = async (nodes: DisplayNode[]) =>
    sharp(await pngOf(pageSvg({ ...drawn, nodes }, faces), 1600))
      .raw()
      .toBuffer();
  const [shifted, mapped] = [await pixels(drawn.nodes), await pixels(asMap(drawn.nodes))];
  expect(pageSvg({ ...drawn, nodes: asMap(drawn.nodes) }, faces).match(/transform=/g)!.length).toBeGreaterThan(
    pageSvg(drawn, faces).match(/transform=/g)!.length,
  );
  let far = 0;
  for (let i = 0; i < shifted.length; i++) if (Math.abs(shifted[i] - mapped[i]) > 40) far++;
  expect(far).toBeLessThan(20);
});

describe('shadows', () => {
  const cards = (blur: number) =>
    sheet({
      title: 's',
      pages: [
        page({
          id: 'p',
          width: 400,
          height: 300,
          items: [
            group({
              id: 'g',
              x: 40,
              y: 30,
              width: 200,
              height: 150,
              items: [
                shape({
                  id: 'a',
                  x: 10,
                  y: 10,
                  width: 120,
                  height: 80,
                  shadow: { dx: 9, dy: 12, blur, colour: '#000000', opacity: 0.7 },
                }),
              ],
            }),
            shape({
              id: 'edge',
              x: 330,
              y: 200,
              width: 120,
              height: 160,
              opacity: 0.6,
              shadow: { dx: -12, dy: -8, blur, colour: '#000000', opacity: 0.5 },
            }),
          ],
        }),
      ],
    });
  /** The rasteriser takes the colour of a shadow wrongly in the short form, and its direction within turned groups: each step is said here, and nothing is turned. */
  const spelledOut = (markup: string) =>
    markup.replace(
      /<feDropShadow dx="(.*?)" dy="(.*?)" stdDeviation="(.*?)" (flood-color.*?)\/>/g,
      '<feGaussianBlur in="SourceAlpha" stdDeviation="$3"/><feOffset dx="$1" dy="$2" result="o"/><feFlood $4/><feComposite in2="o" operator="in" result="c"/><feMerge><feMergeNode in="c"/><feMergeNode in="SourceGraphic"/></feMerge>',
    );
  test.each([0, 2, 8, 24, 60])('of blur %i look as a blur over the whole page makes them', async (blur) => {
    const resources = { faces: await openFaces(), pictures: openPictures() };
    const one = cards(blur);
    const drawn = drawPage(one, one.pages[0], resources);
    const quick = await pagePng(seenOf(drawn), resources.faces, 144);
    const whole = await pngOf(spelledOut(pageSvg(drawn, resources.faces)), 800);
    const [a, b] = await Promise.all([quick, whole].map((png) => sharp(png).raw().toBuffer()));
    expect(a.length).toBe(b.length);
    let [most, off] = [0, 0];
    for (let i = 0; i < a.length; i++) {
      const difference = Math.abs(a[i] - b[i]);
      most = Math.max(most, difference);
      if (difference > 12) off++;
    }
    // At the rim of what throws it a pixel may be rounded the other way.
    expect(off / a.length).toBeLessThan(0.004);
    if (blur >= 8) expect(most).toBeLessThan(60);
  });
  test('and opacity far off the page are left out, where they have made the rasteriser fail', async () => {
    const resources = { faces: await openFaces(), pictures: openPictures() };
    const shadow = { dx: 200, dy: 200, blur: 100, colour: '#000000', opacity: 1 };
    const off = { x: -7100, y: 7000, width: 300, height: 300, shadow, opacity: 0.4 };
    const one = sheet({
      title: 'f',
      pages: [
        page({
          id: 'p',
          items: [shape({ id: 'a', ...off }), picture({ id: 'b', picture: 'flat/owl', ...off, reflection: 1 })],
        }),
      ],
    });
    const { width } = await sharp(
      await pagePng(seenOf(drawPage(one, one.pages[0], resources)), resources.faces, 20),
    ).metadata();
    expect(width).toBe(220);
  });
  test('a page of any size has a picture, of pixels that can be held', async () => {
    const resources = { faces: await openFaces(), pictures: openPictures() };
    const one = sheet({ title: 'long', pages: [page({ id: 'p', width: 36, height: 7200, items: [] })] });
    const { width, height } = await sharp(
      await pagePng(drawPage(one, one.pages[0], resources), resources.faces, 150),
    ).metadata();
    expect([width, height]).toEqual([75, 15000]);
  });
});
