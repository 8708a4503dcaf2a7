import { inflateSync } from 'node:zlib';
import { beforeAll, describe, expect, test } from 'vitest';
import sharp from 'sharp';
import { drawPage } from '../../core/items/draw';
import { pageSvg } from '../../core/drawing/svg';
import type { DisplayNode } from '../../core/drawing/list';
import { ink } from '../../core/drawing/list';
import { page, picture, plain, sheet, text } from '../../core/schema/defaults';
import type { TextItem } from '../../core/schema/sheet';
import { discFile, ownPicture } from '../../tests/support/own';
import type { Queries, Row } from '../database/connection';
import { readIn } from '../pictures/read-in';
import { Shelf } from './shelf';
import { fontBytes, openFaces, openPictures } from '../art/shipped';
import type { Resources } from '../art/shipped';
import { pdfOf } from './pdf';
import { pngOf } from './png';
import { embedding, pdfResources, withOwn } from './resources';

let resources: Resources;
beforeAll(async () => {
  resources = { faces: await openFaces(), pictures: openPictures() };
});
const source = {
  font: fontBytes,
  image: () => undefined,
  toned: async () => undefined,
  shadow: () => new Uint8Array(),
};

/** What the streams of a PDF hold, unpacked. */
function contents(pdf: Buffer): string {
  let out = '';
  for (let at = pdf.indexOf('stream\n'); at >= 0; at = pdf.indexOf('stream\n', at + 1)) {
    const end = pdf.indexOf('endstream', at);
    try {
      out += inflateSync(pdf.subarray(at + 7, end)).toString('latin1');
    } catch {
      // A font, or something else that is not packed.
    }
  }
  return out;
}
const nodesPdf = async (nodes: DisplayNode[]) =>
  contents(await pdfOf([{ width: 200, height: 100, nodes }], 't', source));
const words = (item: Partial<TextItem>) => {
  const made = sheet({
    title: 't',
    pages: [page({ id: 'p', items: [text({ id: 'a', width: 300, height: 40, ...item })] })],
  });
  return drawPage(made, made.pages[0], resources);
};

describe('a PDF', () => {
  test('has a page for each page, at its own size', async () => {
    const pdf = (
      await pdfOf(
        [
          { width: 612, height: 792, nodes: [] },
          { width: 300, height: 200, nodes: [] },
        ],
        'Two',
        source,
      )
    ).toString('latin1');
    expect(pdf.startsWith('%PDF-')).toBe(true);
    expect(pdf).toContain('/Count 2');
    expect(pdf).toContain('[0 0 612 792]');
    expect(pdf).toContain('[0 0 300 200]');
  });

  test('holds words as glyphs that can be selected, in fonts cut to what is used', async () => {
    const pdf = await pdfOf([words({ body: plain('long neck') })], 't', source);
    expect(contents(pdf)).toMatch(/BT \/F\d+ 14 Tf 0 Ts \[.*\] TJ ET/);
    expect(pdf.length).toBeLessThan(40_000);
    expect(contents(pdf)).toContain('beginbfrange');
  });

  test('keeps kerning across words: gaps are set where the shaper moved a glyph', async () => {
    expect(contents(await pdfOf([words({ body: plain('AVATAR To') })], 't', source))).toMatch(/TJ|-?\d+(\.\d+)? </);
  });

  test('draws a see-through group once, as a form of its own', async () => {
    const square: DisplayNode = { kind: 'path', d: 'M0 0h10v10h-10z', fill: ink('#112233') };
    const pdf = (
      await pdfOf(
        [{ width: 200, height: 100, nodes: [{ kind: 'group', opacity: 0.5, children: [square, square] }] }],
        't',
        source,
      )
    ).toString('latin1');
    expect(pdf.match(/\/Subtype \/Form/g)).toHaveLength(1);
    expect(pdf).toContain('/S /Transparency');
    expect(pdf).toMatch(/\/ca 0\.5/);
  });

  test('fills, strokes, dashes and fills by the even-odd rule', async () => {
    const stroke = { paint: ink('#ff0000'), width: 2, dash: [4, 3], cap: 'round' as const, join: 'round' as const };
    const out = await nodesPdf([
      { kind: 'path', d: 'M0 0h10v10z', fill: ink('#00ff00'), stroke },
      { kind: 'path', d: 'M0 0h10v10z', fill: ink('#00ff00'), rule: 'evenodd' },
      { kind: 'path', d: 'M0 0h10', stroke },
    ]);
    expect(out).toContain('[4 3] 0 d');
    expect(out).toMatch(/\nB\n/);
    expect(out).toMatch(/\nf\*\n/);
    expect(out).toMatch(/\nS\n/);
  });

  test('places a group by its matrix', async () => {
    expect(
      await nodesPdf([
        {
          kind: 'group',
          matrix: [1, 0, 0, 1, 30, 40],
          children: [{ kind: 'path', d: 'M0 0h1', fill: ink('#000000') }],
        },
      ]),
    ).toContain('1 0 0 1 30 40 cm');
  });

  test('leaves out an image that is not there', async () => {
    expect(
      await nodesPdf([{ kind: 'image', small: '', asset: 'gone', x: 0, y: 0, width: 10, height: 10 }]),
    ).not.toContain(' Do');
  });
});

const noDatabase: Queries = {
  query: () => {
    throw new Error('no own picture, no question');
  },
};

describe('the shelf', () => {
  test('finds pictures by name only, never by path', () => {
    expect(resources.pictures('diagram/heron')!.targets.length).toBeGreaterThan(5);
    for (const id of ['../../package', 'diagram/../heron', 'flat/none', '', '/etc/passwd'])
      expect(resources.pictures(id)).toBeUndefined();
  });
  test('draws a page once for each state that it is asked for', async () => {
    const shelf = new Shelf(resources);
    const made = sheet({ title: 't', pages: [page({ id: 'p', items: [text({ id: 'a', body: plain('one') })] })] });
    const first = await shelf.svg(noDatabase, 'doc:1', made);
    expect(await shelf.svg(noDatabase, 'doc:1', sheet({ title: 'other' }))).toBe(first);
    expect(await shelf.svg(noDatabase, 'doc:2', sheet({ title: 'other' }))).not.toBe(first);
  });
  test('asks for own pictures only where there are some, and for each once', async () => {
    const shelf = new Shelf(resources);
    const asked: unknown[] = [];
    const db: Queries = {
      query: async <T extends Row>(_: string, given: unknown[] = []) => {
        asked.push(given[0]);
        return [{ drawn: ownPicture('own/a') }] as unknown as T[];
      },
    };
    const pictures = await shelf.pictures(db, ['own/a', 'own/b', 'diagram/heron']);
    expect(pictures('own/a')!.raster!.whole.asset).toBe('own/a.jpg');
    expect(pictures('own/b')).toBeUndefined();
    expect(pictures('diagram/heron')!.name).toBeTruthy();
    await shelf.pictures(db, ['own/a', 'diagram/heron']);
    expect(asked).toEqual([['own/a', 'own/b']]);
  });
});

describe('own pictures on paper', () => {
  test('are in the PDF once however often they are shown, and in the PNG with their pixels', async () => {
    const { drawn, pixels } = await readIn(await discFile.plain(), 'disc', 's');
    const { whole, lines: drawing } = drawn.raster!;
    const own = {
      drawn: [drawn],
      files: new Map([
        [whole.asset, pixels!.image],
        [drawing.asset, pixels!.lines],
      ]),
    };
    const shown = (id: string, x: number, form: 'colour' | 'outline' = 'colour') =>
      picture({ id, picture: drawn.id, x, y: 0, width: 150, height: 100, form });
    const items = [shown('a', 0), shown('b', 150), shown('c', 300, 'outline')];
    const made = sheet({ title: 't', pages: [page({ id: 'p', width: 450, height: 100, items })] });
    const { faces, pictures } = resources;
    const list = drawPage(made, made.pages[0], { faces, pictures: withOwn(pictures, own) });

    const pdf = (await pdfOf([list], 't', pdfResources(faces, own))).toString('latin1');
    expect(pdf.match(/\/Filter \/DCTDecode/g)).toHaveLength(1);

    const png = await pngOf(pageSvg(list, faces, embedding(own)), 450);
    const { data, info } = await sharp(png).raw().toBuffer({ resolveWithObject: true });
    const at = (x: number, y: number) => [...data.subarray((y * info.width + x) * info.channels).subarray(0, 3)];
    const near = (got: number[], wanted: number[]) =>
      got.forEach((value, i) => expect(Math.abs(value - wanted[i])).toBeLessThan(8));
    near(at(75, 50), [0xb2, 0x50, 0x1c]);
    near(at(225, 50), [0xb2, 0x50, 0x1c]);
    near(at(5, 5), [0xd5, 0xe3, 0xee]);
    near(at(375, 50), [255, 255, 255]);
  });
});
