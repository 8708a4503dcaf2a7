import sharp from 'sharp';
import { expect, test } from 'vitest';
import { drawPage } from '../../core/drawing/item';
import type { DisplayNode } from '../../core/drawing/list';
import { ink } from '../../core/drawing/list';
import { pageSvg } from '../../core/drawing/svg';
import { group, page, picture, shape, sheet } from '../../core/sheet/make';
import { richSheet } from '../../tests/support/rich';
import { openFaces, openPictures } from '../shelf';
import { pngOf } from './png';

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
