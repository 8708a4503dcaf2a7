import { Resvg } from '@resvg/resvg-js';
import PDFDocument from 'pdfkit';
import { drawPage } from '../core/items/draw';
import type { DisplayNode, DrawnPage } from '../core/drawing/list';
import { pageSvg } from '../core/drawing/svg';
import { pdfOf } from '../server/exports/pdf';
import { pagePng, pngOf } from '../server/exports/png';
import { seenOf } from '../core/drawing/bounds';
import { page, shape, sheet as sheetOf } from '../core/schema/defaults';
import { Shelf } from '../server/exports/shelf';
import { fontBytes } from '../server/art/shipped';
import { pdfResources } from '../server/exports/resources';
import { richSheet } from '../tests/support/rich';
import { figure, inTurn } from './measure';

/** One rich page as SVG, PNG and PDF, each against the bare library underneath. */

const flat = (nodes: readonly DisplayNode[]): DisplayNode[] =>
  nodes.flatMap((node) => (node.kind === 'group' ? flat(node.children) : [node]));

/** The same words and paths given to pdfkit by hand: a line of text a call, a path a call. */
function byHand(pages: DrawnPage[]): Promise<void> {
  const pdf = new PDFDocument({ autoFirstPage: false });
  const done = new Promise<void>((resolve) => pdf.on('end', resolve));
  pdf.resume();
  for (const { width, height, nodes } of pages) {
    pdf.addPage({ size: [width, height], margin: 0 });
    for (const node of flat(nodes)) {
      if (node.kind === 'path' && node.fill?.kind === 'solid') pdf.path(node.d).fill(node.fill.hex);
      else if (node.kind === 'path') pdf.path(node.d).stroke('#333333');
      else if (node.kind === 'glyphs')
        pdf
          .registerFont(node.file, fontBytes(node.file))
          .font(node.file)
          .fontSize(node.size)
          .text(node.text, node.x, node.y, { lineBreak: false });
    }
  }
  pdf.end();
  return done;
}

/** A large page with soft shadows, as PNG at 150 dpi, in seconds. */
async function poster(width: number, height: number, cards: number, resources: Shelf['resources']): Promise<number> {
  const shadow = { dx: 8, dy: 10, blur: 24, colour: '#000000', opacity: 0.4 };
  const [across, down] = [Math.ceil(Math.sqrt(cards)), Math.ceil(cards / Math.ceil(Math.sqrt(cards)))];
  const items = Array.from({ length: cards }, (_, i) =>
    shape({
      id: `c${i}`,
      x: ((i % across) + 0.1) * (width / across),
      y: (Math.floor(i / across) + 0.1) * (height / down),
      width: (0.8 * width) / across,
      height: (0.8 * height) / down,
      shadow: cards === 1 ? { ...shadow, blur: 80 } : shadow,
    }),
  );
  const one = sheetOf({ title: 'p', pages: [page({ id: 'p', width, height, items })] });
  const begun = performance.now();
  await pagePng(seenOf(drawPage(one, one.pages[0], resources)), resources.faces, 150);
  return (performance.now() - begun) / 1000;
}

export async function run() {
  const { resources } = await Shelf.open();
  const sheet = richSheet();
  const list = drawPage(sheet, sheet.pages[0], resources);
  const outlines = () => {
    let out = '';
    for (const node of flat(list.nodes)) {
      if (node.kind === 'path') out += node.d;
      if (node.kind === 'glyphs')
        for (const glyph of node.glyphs) out += resources.faces.outline(node.file, glyph.id, node.size);
    }
    return out;
  };
  const [emit, joined] = await inTurn(60, () => pageSvg(list, resources.faces), outlines);
  const svg = pageSvg(list, resources.faces);
  const bare = () =>
    new Resvg(svg, { fitTo: { mode: 'width', value: 1650 }, font: { loadSystemFonts: false } }).render().asPng();
  const [png, resvg] = await inTurn(7, () => pngOf(svg, 1650), bare);
  const pages = Array.from({ length: 30 }, () => list);
  const resource = pdfResources(resources.faces);
  const [pdf, hand] = await inTurn(
    5,
    () => pdfOf(pages, 'bench', resource),
    () => byHand(pages),
  );
  return [
    figure('a page to SVG, against joining its outlines', emit, joined, 5),
    figure('a page to PNG at 150 dpi, against resvg alone', png, resvg, 1.3),
    figure('30 pages to PDF, against pdfkit fed by hand', pdf, hand, 1.3),
    figure('A1 with six soft shadows to PNG, against 6 s', await poster(1684, 2384, 6, resources), 6, 1, 's'),
    figure('40 x 50 in with one soft shadow to PNG, against 20 s', await poster(2880, 3600, 1, resources), 20, 1, 's'),
  ];
}
