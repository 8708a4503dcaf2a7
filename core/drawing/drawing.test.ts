import { beforeAll, describe, expect, test } from 'vitest';
import { allFaces } from '../../tests/support/fonts';
import { ownPicture } from '../../tests/support/own';
import { group, held, line, page, picture, plain, shape, sheet, solid, text } from '../schema/defaults';
import type { Item } from '../schema/sheet';
import type { Faces } from '../text/faces';
import { drawItem, drawPage } from '../items/draw';
import { drawLine } from '../items/line';
import { paintOf, strokeOf } from '../items/paint';
import type { DisplayNode, GroupNode, PathNode } from './list';
import { toneMatrix } from '../colour/tone';
import { boundsOf } from './bounds';
import { filesOf } from './list';
import { Sampler } from './sampler';
import type { DrawnPicture } from '../pictures/picture';
import { pageSvg, svgMarkup } from './svg';

let faces: Faces;
beforeAll(async () => {
  faces = await allFaces();
});
const leaf: DrawnPicture = {
  id: 'flat/leaf',
  name: 'leaf',
  width: 10,
  height: 10,
  targets: [],
  licence: 'MIT',
  credit: '',
  paths: [{ d: 'M0 0h10v10z', fill: '#00ff00', stroke: null, width: 0, opacity: 0.5 }],
};
const pictures = (id: string) => (id === leaf.id ? leaf : undefined);
const draw = (items: Item[], prompts = false) => {
  const made = sheet({ title: 't', pages: [page({ id: 'p', items })] });
  return drawPage(made, made.pages[0], { faces, pictures, prompts });
};
const flat = (nodes: readonly DisplayNode[]): DisplayNode[] =>
  nodes.flatMap((node) => (node.kind === 'group' ? flat(node.children) : [node]));
const idsOf = (nodes: readonly DisplayNode[]) =>
  nodes.flatMap((node) => (node.kind === 'group' && node.id ? [node.id] : []));

describe('the display list', () => {
  test('draws back to front: the first of the document lies on top', () => {
    expect(idsOf(draw([shape({ id: 'front' }), shape({ id: 'back' })]).nodes)).toEqual(['back', 'front']);
  });
  test('leaves out what is hidden', () => expect(idsOf(draw([shape({ id: 'a', hidden: true })]).nodes)).toEqual([]));
  test('shows what an empty box asks for on screen only', () => {
    const box = text({ id: 'a', prompt: 'your name' });
    expect(flat(draw([box], true).nodes).some((node) => node.kind === 'glyphs')).toBe(true);
    expect(flat(draw([box]).nodes).some((node) => node.kind === 'glyphs')).toBe(false);
  });
  test('carries the words of every piece, for selection in a PDF', () => {
    const words = flat(draw([text({ id: 'a', width: 60, body: plain('a long neck') })]).nodes).flatMap((node) =>
      node.kind === 'glyphs' ? [node.text] : [],
    );
    expect(words.join('')).toBe('a long neck');
  });
  test('underlines as wide as the words', () => {
    const one = text({ id: 'a', body: [{ format: {}, runs: [{ text: 'word', style: { underline: true } }] }] });
    expect(flat(draw([one]).nodes).filter((node) => node.kind === 'path')).toHaveLength(2);
  });
  test('scales a picture into its frame, and keeps the place of one that is missing', () => {
    const [, shown] = draw([picture({ id: 'a', picture: 'flat/leaf', width: 50, height: 20 })]).nodes as GroupNode[];
    expect((shown.children[0] as GroupNode).matrix).toEqual([5, 0, 0, 2, 0, 0]);
    const missing = flat(draw([picture({ id: 'a', picture: 'flat/none' })]).nodes).at(-1);
    expect(missing).toMatchObject({ kind: 'path', stroke: { dash: [4, 3] } });
  });
  test('names the font files that are needed', () => {
    const list = draw([text({ id: 'a', body: plain('x') }), text({ id: 'b', role: 'title', body: plain('y') })]);
    expect([...filesOf(list.nodes)].sort()).toEqual(['Andika_400Regular.ttf', 'Fraunces_600SemiBold.ttf']);
  });
  test('puts caps on lines', () => {
    const node = drawItem(line({ id: 'l', startCap: 'dot', endCap: 'arrow' }), {
      faces,
      pictures,
      roles: {},
      page: page({ id: 'p' }),
    }) as GroupNode;
    expect(node.children).toHaveLength(3);
  });
  test('turns gradients into the item’s own coordinates', () => {
    const stops = [
      { offset: 0, colour: '#000000', opacity: 1 },
      { offset: 1, colour: '#ffffff', opacity: 0.5 },
    ];
    expect(paintOf({ kind: 'linear', angle: 0, stops }, 100, 40)).toMatchObject({
      x1: 0,
      y1: 20,
      x2: 100,
      y2: 20,
      stops: [
        [0, '#000000', 1],
        [1, '#ffffff', 0.5],
      ],
    });
    expect(paintOf({ kind: 'radial', x: 0.5, y: 0.5, reach: 1, stops }, 60, 80)).toMatchObject({
      cx: 30,
      cy: 40,
      r: 50,
    });
  });
  test('makes dashes as long as the line is thick', () => {
    expect(strokeOf({ colour: '#000000', width: 2, dash: 'dashed' }).dash).toEqual([8, 6]);
    expect(strokeOf({ colour: '#000000', width: 2, dash: 'dotted' })).toMatchObject({ cap: 'round' });
    expect(strokeOf({ colour: '#000000', width: 2, dash: 'solid' }).dash).toBeUndefined();
  });
});

describe('SVG', () => {
  const svg = (items: Item[]) => pageSvg(draw(items), faces);
  test('holds words as outlines, no text and no font', () => {
    const out = svg([text({ id: 'a', body: plain('heron & <crab>') })]);
    expect(out).not.toContain('<text');
    expect(out).not.toContain('heron');
    expect(out).toMatch(/<path d="M[\d. -]+m/);
  });
  test('gives every gradient an id of its own, behind a prefix', () => {
    const fill = {
      kind: 'linear' as const,
      angle: 0,
      stops: [
        { offset: 0, colour: '#000000', opacity: 1 },
        { offset: 1, colour: '#ffffff', opacity: 1 },
      ],
    };
    const list = draw([shape({ id: 'a', fill }), shape({ id: 'b', fill })]);
    const ids = [...svgMarkup(list.nodes, faces, { prefix: 'one-' }).matchAll(/id="([^"]+)"/g)].map((m) => m[1]);
    expect(ids).toEqual(['one-g0', 'one-g1']);
  });
  test('makes a group see-through as a whole, not its parts', () => {
    const out = svg([group({ id: 'g', opacity: 0.5, items: [shape({ id: 'a' }), shape({ id: 'b' })] })]);
    expect(out.match(/ opacity="0.5"/g)).toHaveLength(1);
  });
  test('keeps the opacity of a fill by itself', () =>
    expect(svg([shape({ id: 'a', fill: solid('#112233', 0.25) })])).toContain('fill="#112233" fill-opacity="0.25"'));
  test('marks items where the editor asks for it', () =>
    expect(svgMarkup(draw([shape({ id: 'mine' })]).nodes, faces, { marked: true })).toContain('data-item="mine"'));
  test('is as large as the page', () =>
    expect(svg([])).toContain('width="792pt" height="612pt" viewBox="0 0 792 612"'));
  test('escapes the address of an image', () => {
    const out = svgMarkup([{ kind: 'image', small: '', asset: 'x', x: 0, y: 0, width: 1, height: 1 }], faces, {
      imageUrl: () => 'a"b&c',
    });
    expect(out).toContain('href="a&#34;b&#38;c"');
  });
  test('rounds outlines without the rounding adding up', () => {
    const path = faces.outline('Andika_400Regular.ttf', faces.shape('Andika_400Regular.ttf', 'S')[0].id, 7.3);
    const numbers = path.match(/-?\d*\.?\d+/g)!.map(Number);
    expect(numbers.every((n) => Math.abs(n * 100 - Math.round(n * 100)) < 1e-6)).toBe(true);
  });
});

describe('a picture as outlines', () => {
  const outlined = (width: number) =>
    flat(draw([picture({ id: 'p', picture: leaf.id, form: 'outline', width, height: width })]).nodes)[1];
  test('has every shape white with a dark edge, however pale it was', () =>
    expect(outlined(100)).toMatchObject({
      fill: { hex: '#ffffff', alpha: 1 },
      stroke: { paint: { hex: '#2a2820' }, join: 'round' },
    }));
  test('has edges as thick on paper at any size', () => {
    const weight = (width: number) => {
      const node = outlined(width);
      return node.kind === 'path' ? (node.stroke!.width * width) / leaf.width : 0;
    };
    expect(weight(300)).toBeCloseTo(weight(20));
    expect(weight(20)).toBeCloseTo(1.2);
  });
});

test('a line that is led through points is drawn through them, between the edges of what it holds', () => {
  const boxes = [
    shape({ id: 'a', x: 0, y: 0, width: 40, height: 40 }),
    shape({ id: 'b', x: 200, y: 0, width: 40, height: 40 }),
  ];
  const led = line({ id: 'l', from: held('a'), to: { ...held('b'), side: 'top' }, via: [{ x: 20, y: 100 }] });
  const drawn = flat(draw([led, ...boxes]).nodes).at(-1);
  expect(drawn?.kind === 'path' && drawn.d).toBe('M20 40L20 100L220 0');
});

describe('own pictures', () => {
  const own = ownPicture();
  const drawn = (values: Partial<Extract<Item, { kind: 'picture' }>> = {}, given = own) => {
    const item = picture({ id: 'a', picture: given.id, width: 200, height: 100, ...values });
    return flat([drawItem(item, { faces, pictures: () => given, roles: {}, page: page({ id: 'p' }) })!]);
  };

  test('are drawn with their pixels, whole and in lines', () => {
    expect(drawn()).toMatchObject([{ kind: 'image', asset: `${own.id}.jpg`, width: 400, height: 200 }]);
    const [outline, lines] = drawn({ form: 'outline' });
    expect(outline).toMatchObject({ kind: 'path', rule: 'evenodd', fill: { hex: '#ffffff' } });
    expect(lines).toMatchObject({ kind: 'image', asset: `${own.id}-lines.png` });
  });
  test('are softened by the map of their colours, which an SVG has as a filter of its own', () => {
    const [pixels] = drawn({ soften: 0.4 });
    expect(pixels).toMatchObject({ kind: 'image', tone: toneMatrix(null, 0.4) });
    expect(svgMarkup([pixels], faces)).toMatch(
      /<feColorMatrix values="0.6 0 0 0 0.4 0 0.6 0 0 0.4 .*<image .* filter="url\(#t0\)"\/>/,
    );
    expect(drawn()[0]).not.toHaveProperty('tone');
  });
  test('show the part that they are cropped to, and nothing outside of the shape that they are cut to', () => {
    const item = picture({
      id: 'a',
      picture: own.id,
      width: 200,
      height: 100,
      crop: { x: 0.5, y: 0, width: 0.5, height: 0.5 },
    });
    const shown = (given = item) =>
      drawItem(given, { faces, pictures: () => own, roles: {}, page: page({ id: 'p' }) }) as GroupNode;
    const node = shown();
    const markup = svgMarkup([node], faces);
    expect(markup).toMatch(/<clipPath id="c0"><path d="M0 0.*<g clip-path="url\(#c0\)">/);
    expect(boundsOf(node)).toEqual({ x: 0, y: 0, width: 200, height: 100 });
    // The right upper quarter of the picture lies in the whole frame: red above, clear and red below.
    const colours = new Sampler([node]);
    expect(colours.at({ x: 20, y: 20 }).hex).toBe('#ff0000');
    expect(colours.at({ x: 220, y: 20 }).items).toEqual([]);
    const round = new Sampler([shown({ ...item, crop: null, cut: 'ellipse' })]);
    expect(round.at({ x: 3, y: 3 }).items).toEqual([]);
    expect(round.at({ x: 40, y: 40 }).hex).toBe('#0000ff');
  });
  test('change their colours: a drawing’s one by one, then all', () => {
    const [leafy] = flat(
      draw([
        picture({
          id: 'a',
          picture: 'flat/leaf',
          colours: { '#00ff00': '#804020' },
          tone: { brightness: -0.5, contrast: 0, twoColours: null, tint: null },
        }),
      ]).nodes,
    ).slice(-1);
    expect(leafy).toMatchObject({ kind: 'path', fill: { hex: '#402010', alpha: 0.5 } });
  });
  test('are put into an SVG small, or as the address that is asked for', () => {
    const nodes = drawn();
    expect(svgMarkup(nodes, faces)).toContain('href="data:image/jpeg;base64,AAAA"');
    expect(svgMarkup(nodes, faces, { imageUrl: ({ asset }) => `/there/${asset}` })).toContain(
      `href="/there/${own.id}.jpg"`,
    );
  });
});

test('a light edge lies under a line and its ends, wider by as much on both sides; without one nothing is drawn for it', () => {
  const given = line({ id: 'l', endCap: 'arrow', outline: { colour: '#112233', width: 2, dash: 'dashed' } });
  const at = [
    { x: 0, y: 0 },
    { x: 50, y: 0 },
  ] as const;
  const plain = drawLine(given, ...at);
  const edged = drawLine({ ...given, edge: '#ffffff' }, ...at);
  expect(edged.slice(-plain.length)).toEqual(plain);
  const [under] = edged as PathNode[];
  expect(under.stroke).toMatchObject({ paint: { hex: '#ffffff' }, width: 5.2 });
  expect(under.stroke?.dash).toBeUndefined();
  expect(edged).toHaveLength(2 * plain.length);
});
