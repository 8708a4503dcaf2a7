import { smallPicture } from '../../tests/support/sheets';
import fc from 'fast-check';
import { beforeAll, describe, expect, test } from 'vitest';
import { allFaces } from '../../tests/support/fonts';
import { ownPicture } from '../../tests/support/own';
import { group, line, free, page, picture, plain, shape, sheet, solid, text } from '../schema/defaults';
import type { Item, Paint } from '../schema/sheet';
import type { Faces } from '../text/faces';
import { drawPage } from '../items/draw';
import { hexOf } from '../colour/rgb';
import { paintAt, Sampler } from './sampler';

let faces: Faces;
beforeAll(async () => {
  faces = await allFaces();
});
const tile = smallPicture('tile', [
  { d: 'M0 0L10 0L10 10L0 10Z', fill: '#336699', opacity: 1 },
  { d: 'M2 2L8 2L8 8L2 8Z', fill: '#ffffff', opacity: 0.5 },
]);
const pictures = (id: string) => (id === tile.id ? tile : undefined);
const sampled = (items: Item[], letters = false, background: Paint | null = solid('#fffefa')) => {
  const made = sheet({ title: 't', pages: [page({ id: 'p', background, items })] });
  const { nodes } = drawPage(made, made.pages[0], { faces, pictures });
  return new Sampler(nodes, letters ? faces : undefined);
};
const box = (given: Partial<Extract<Item, { kind: 'shape' }>> & { id: string }) =>
  shape({ x: 100, y: 100, width: 200, height: 100, outline: null, ...given });

describe('the colour of a page at a point', () => {
  test('is the page’s own where nothing lies, and paper where even that is missing', () => {
    expect(sampled([]).at({ x: 10, y: 10 })).toMatchObject({ hex: '#fffefa', items: [] });
    expect(sampled([], false, null).at({ x: 10, y: 10 }).hex).toBe('#ffffff');
  });
  test('is that of what lies on top', () => {
    const sampler = sampled([box({ id: 'top', fill: solid('#aa0000') }), box({ id: 'below', fill: solid('#00aa00') })]);
    expect(sampler.at({ x: 150, y: 150 })).toMatchObject({ hex: '#aa0000', items: ['top'] });
    expect(sampler.at({ x: 99, y: 150 }).items).toEqual([]);
  });
  test('mixes what can be seen through, and names all of it', () => {
    const sampler = sampled([
      box({ id: 'glass', fill: solid('#000000', 0.5) }),
      box({ id: 'below', fill: solid('#ffffff') }),
    ]);
    expect(sampler.at({ x: 150, y: 150 })).toMatchObject({ hex: '#808080', items: ['glass', 'below'] });
  });
  test('counts the opacity of an item and of the groups around it', () => {
    const inner = shape({ id: 'inner', width: 50, height: 50, outline: null, fill: solid('#000000'), opacity: 0.5 });
    const outer = group({ id: 'outer', x: 10, y: 10, width: 50, height: 50, opacity: 0.5, items: [inner] });
    expect(sampled([outer], false, solid('#ffffff')).at({ x: 20, y: 20 }).hex).toBe('#bfbfbf');
  });
  test('follows a shape to its edge, turned or not', () => {
    const oval = sampled([box({ id: 'o', shape: 'ellipse', fill: solid('#123456') })]);
    expect(oval.at({ x: 200, y: 150 }).hex).toBe('#123456');
    expect(oval.at({ x: 104, y: 104 }).items).toEqual([]);
    const turned = sampled([box({ id: 't', fill: solid('#123456'), angle: 90 })]);
    expect(turned.at({ x: 200, y: 60 }).hex).toBe('#123456');
    expect(turned.at({ x: 110, y: 150 }).items).toEqual([]);
  });
  test('sees outlines and lines as wide as they are', () => {
    const stroke = { colour: '#00ff00', width: 10, dash: 'solid' as const };
    const sampler = sampled([
      box({ id: 'frame', fill: null, outline: stroke }),
      line({ id: 'line', from: free(0, 300), to: free(400, 300), outline: stroke }),
    ]);
    expect(sampler.at({ x: 97, y: 150 }).items).toEqual(['frame']);
    expect(sampler.at({ x: 150, y: 150 }).items).toEqual([]);
    expect(sampler.at({ x: 200, y: 304 }).items).toEqual(['line']);
    expect(sampler.at({ x: 200, y: 304 }, undefined, 12).items).toEqual([]);
  });
  test('reads a picture where it is, mixed as it is drawn', () => {
    const sampler = sampled([picture({ id: 'pic', picture: tile.id, x: 100, y: 100, width: 100, height: 100 })]);
    expect(sampler.at({ x: 105, y: 105 }).hex).toBe('#336699');
    expect(sampler.at({ x: 150, y: 150 }).hex).toBe('#99b3cc');
    const soft = sampled([
      picture({ id: 'pic', picture: tile.id, x: 100, y: 100, width: 100, height: 100, soften: 1 }),
    ]);
    expect(soft.at({ x: 105, y: 105 }).hex).toBe('#ffffff');
  });
  test('takes letters into account only where that is asked for', () => {
    const words = text({
      id: 'w',
      x: 20,
      y: 20,
      width: 500,
      height: 200,
      body: plain('I').map((p) => ({ ...p, runs: [{ text: 'I', style: { size: 200, colour: '#aa00aa' } }] })),
    });
    const find = (sampler: Sampler) => {
      for (let x = 20; x < 120; x += 2) if (sampler.at({ x, y: 150 }).hex === '#aa00aa') return true;
      return false;
    };
    expect(find(sampled([words], true))).toBe(true);
    expect(find(sampled([words]))).toBe(false);
  });
  test('under some words is what lies below them, their own box included', () => {
    const words = text({
      id: 'w',
      x: 100,
      y: 100,
      width: 200,
      height: 80,
      fill: solid('#ddeeff'),
      body: plain('words'),
    });
    const cover = box({ id: 'cover', fill: solid('#000000') });
    const sampler = sampled([cover, words]);
    expect(sampler.at({ x: 150, y: 150 }).hex).toBe('#000000');
    expect(sampler.at({ x: 150, y: 150 }, 'w').hex).toBe('#ddeeff');
  });
});

describe('a paint at a point', () => {
  const stops: [number, string, number][] = [
    [0, '#000000', 1],
    [1, '#ffffff', 0],
  ];
  test('runs along a line, and stays as it ends beyond it', () => {
    const linear = { kind: 'linear' as const, x1: 0, y1: 0, x2: 100, y2: 0, stops };
    expect(paintAt(linear, { x: 50, y: 900 })).toEqual({ rgb: [127.5, 127.5, 127.5], alpha: 0.5 });
    expect(paintAt(linear, { x: -10, y: 0 })).toEqual({ rgb: [0, 0, 0], alpha: 1 });
    expect(paintAt(linear, { x: 110, y: 0 })).toEqual({ rgb: [255, 255, 255], alpha: 0 });
  });
  test('runs outwards from a middle', () => {
    const radial = { kind: 'radial' as const, cx: 50, cy: 50, r: 40, stops };
    fc.assert(
      fc.property(fc.double({ min: 0, max: Math.PI * 2, noNaN: true }), (angle) => {
        const at = { x: 50 + 20 * Math.cos(angle), y: 50 + 20 * Math.sin(angle) };
        expect(paintAt(radial, at).alpha).toBeCloseTo(0.5, 6);
      }),
    );
  });
  test('is a colour that can be written, whatever comes out', () => {
    expect(hexOf([-3, 300, 15.6])).toBe('#00ff10');
  });
});

test('an own picture has its colours, and lets through what lies behind where it is clear', () => {
  const own = ownPicture();
  const item = picture({ id: 'own', picture: own.id, x: 100, y: 100, width: 200, height: 100 });
  const made = sheet({ title: 't', pages: [page({ id: 'p', background: solid('#fffefa'), items: [item] })] });
  const { nodes } = drawPage(made, made.pages[0], { faces, pictures: () => own });
  const sampler = new Sampler(nodes);
  expect(sampler.at({ x: 110, y: 110 })).toEqual({ rgb: [0, 0, 255], hex: '#0000ff', items: ['own'] });
  expect(sampler.at({ x: 290, y: 110 }).hex).toBe('#ff0000');
  expect(sampler.at({ x: 290, y: 190 })).toMatchObject({ hex: '#fffefa', items: [] });
});
