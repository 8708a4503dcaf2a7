import PDFDocument from 'pdfkit';
import type { ToneMatrix } from '../../core/colour/tone';
import type { Box } from '../../core/geometry/matrix';
import type {
  DisplayNode,
  ImageNode,
  DrawnPage,
  DrawnPaint,
  DrawnStroke,
  GlyphsNode,
  GroupNode,
  PathNode,
} from '../../core/drawing/list';

/**
 * The display list as PDF, with real text: glyphs by their ids from subset fonts, so that what is drawn is what was shaped
 * and what is selected is what was typed. pdfkit writes the file; text and groups go through its lower layer, because its
 * own text loses kerning at spaces and it has no groups.
 */

/** The part of pdfkit's inner side that is used here. */
type EmbeddedFont = {
  id: string;
  scale: number;
  font: { getGlyph(id: number): { advanceWidth: number } };
  subset: { includeGlyph(id: number): number };
  widths: number[];
  unicode: number[][];
  ref(): unknown;
};
type Ref = { data: Record<string, unknown>; write(chunk: string): void; end(): void; toString(): string };
type PdfPage = {
  write(chunk: string): void;
  fonts: Record<string, unknown>;
  xobjects: Record<string, unknown>;
  ext_gstates: Record<string, unknown>;
  resources: unknown;
  width: number;
  height: number;
};
type Pdf = Omit<InstanceType<typeof PDFDocument>, 'page' | 'ref' | 'addContent'> & {
  _font: EmbeddedFont;
  _ctm: number[];
  page: PdfPage;
  addContent(content: string): void;
  openImage(bytes: Buffer): unknown;
  ref(data: Record<string, unknown>): Ref;
};

export type PdfResources = {
  font(file: string): Uint8Array;
  image(asset: string): Uint8Array | undefined;
  /** The same with its colours changed: PDF knows no such filter. */
  toned(asset: string, tone: ToneMatrix): Promise<Uint8Array | undefined>;
  /** A shadow without what casts it, as PNG of just its box: PDF knows no blur. */
  shadow(node: GroupNode): Promise<Uint8Array> | Uint8Array;
};

/** What pdfkit's gradients can do, and its types don't say. */
type Turnable = { setTransform(...matrix: Matrix6): unknown };
type Matrix6 = [number, number, number, number, number, number];

const n = (value: number) => `${Math.round(value * 1000) / 1000}`;
const hex = (value: number) => value.toString(16).padStart(4, '0');

class Writer {
  private groups = 0;
  private images = new Map<string, unknown>();
  constructor(
    private pdf: Pdf,
    private resources: PdfResources,
    /** Made beforehand, since making a picture takes time and writing a page can't wait. */
    private shadows: ReadonlyMap<GroupNode, Uint8Array>,
    private tones: ReadonlyMap<string, Uint8Array | undefined>,
  ) {}

  private paint(paint: DrawnPaint): { colour: unknown; alpha: number } {
    if (paint.kind === 'solid') return { colour: paint.hex, alpha: paint.alpha };
    const gradient =
      paint.kind === 'linear'
        ? this.pdf.linearGradient(paint.x1, paint.y1, paint.x2, paint.y2)
        : this.pdf.radialGradient(paint.cx, paint.cy, 0, paint.cx, paint.cy, paint.r);
    if (paint.kind === 'radial' && paint.matrix)
      (gradient as unknown as Turnable).setTransform(...(paint.matrix as Matrix6));
    for (const [offset, colour, alpha] of paint.stops) gradient.stop(offset, colour, alpha);
    return { colour: gradient, alpha: 1 };
  }

  private stroke({ paint, width, dash, cap, join }: DrawnStroke) {
    const { colour, alpha } = this.paint(paint);
    this.pdf
      .lineWidth(width)
      .lineCap(cap)
      .lineJoin(join)
      .strokeColor(colour as string, alpha);
    // pdfkit refuses the zero-length dashes that make round dots.
    if (dash) this.pdf.addContent(`[${dash.map(n).join(' ')}] 0 d`);
    else this.pdf.undash();
  }

  private path({ d, fill, stroke, rule }: PathNode) {
    const { pdf } = this;
    const even = rule === 'evenodd';
    if (stroke) this.stroke(stroke);
    if (fill) {
      const { colour, alpha } = this.paint(fill);
      pdf.fillColor(colour as string, alpha);
    }
    pdf.path(d);
    if (fill && stroke) pdf.addContent(even ? 'B*' : 'B');
    else if (fill) pdf.addContent(even ? 'f*' : 'f');
    else if (stroke) pdf.addContent('S');
    else pdf.addContent('n');
  }

  private glyphs(node: GlyphsNode) {
    const { file, size, x, y, text, glyphs, fill, stroke } = node;
    const { pdf } = this;
    const { colour, alpha } = this.paint(fill);
    pdf.registerFont(file, this.resources.font(file) as Buffer).font(file);
    // Half of a stroke lies under the letter, which is filled after it.
    if (stroke) this.stroke({ ...stroke, width: stroke.width * 2 });
    pdf.fillColor(colour as string, alpha);
    const font = pdf._font;
    pdf.page.fonts[font.id] ??= font.ref();
    const order = [...new Set(glyphs.map((glyph) => glyph.cluster))].sort((a, b) => a - b);
    const seen = new Set<number>();
    let out = '';
    let turned = '';
    let pen = 0;
    let rise = 0;
    let open = false;
    const put = (code: string) => {
      if (!open) out += '[';
      open = true;
      out += code;
    };
    for (const glyph of glyphs) {
      const code = font.subset.includeGlyph(glyph.id);
      const natural = font.font.getGlyph(glyph.id).advanceWidth * font.scale;
      font.widths[code] ??= natural;
      // The first glyph of a cluster stands for all its characters, the others for none.
      if (font.unicode[code] === undefined) {
        const next = order[order.indexOf(glyph.cluster) + 1];
        font.unicode[code] = seen.has(glyph.cluster)
          ? []
          : [...text.slice(glyph.cluster - order[0], next === undefined ? undefined : next - order[0])].map((c) =>
              c.codePointAt(0)!,
            );
      }
      seen.add(glyph.cluster);
      if (glyph.turn) {
        const [a, b, c, d] = glyph.turn.map(n);
        const flip = (value: string) => (value.startsWith('-') ? value.slice(1) : value === '0' ? '0' : `-${value}`);
        turned += `${a} ${flip(b)} ${flip(c)} ${d} ${n(glyph.x)} ${n(-glyph.y)} Tm <${hex(code)}> Tj `;
        continue;
      }
      if (-glyph.y !== rise) {
        if (open) out += '] TJ ';
        open = false;
        rise = -glyph.y;
        out += `${n(rise)} Ts `;
      }
      const gap = ((pen - glyph.x) * 1000) / size;
      put(Math.abs(gap) > 0.05 ? `${n(gap)} <${hex(code)}>` : `<${hex(code)}>`);
      pen = glyph.x + (natural * size) / 1000;
    }
    if (open) out += '] TJ';
    const words = `/${font.id} ${n(size)} Tf 0 Ts ${turned}${out}`;
    const passes = stroke ? [`BT 1 Tr ${words} ET`, `BT 0 Tr ${words} ET`] : [`BT ${words} ET`];
    for (const pass of passes) pdf.addContent(`q 1 0 0 -1 ${n(x)} ${n(y)} cm ${pass} Q`);
  }

  /** Draws into a form of its own: what is laid on as a whole, or masks what is. */
  private form(resources: unknown, draw: () => void): Ref {
    const { pdf } = this;
    const page = pdf.page;
    const form = pdf.ref({
      Type: 'XObject',
      Subtype: 'Form',
      BBox: [-14400, -14400, 14400, 14400],
      Group: { Type: 'Group', S: 'Transparency', CS: 'DeviceRGB' },
      Resources: resources,
    });
    pdf.page = Object.create(page, { write: { value: (chunk: string) => form.write(chunk) } }) as PdfPage;
    const outer = pdf._ctm;
    // Within the form its own space is where gradients begin.
    pdf._ctm = [1, 0, 0, 1, 0, 0];
    draw();
    pdf._ctm = outer;
    pdf.page = page;
    form.end();
    return form;
  }

  /** Lets what is drawn next fade out towards `to`: a mask of light grey to black. */
  private fade({ from, to, alpha, box }: NonNullable<GroupNode['fade']>) {
    const { pdf } = this;
    const light = Math.round(alpha * 255)
      .toString(16)
      .padStart(2, '0');
    const mask = this.form(pdf.page.resources, () => {
      const gradient = pdf
        .linearGradient(0, from, 0, to)
        .stop(0, `#${light.repeat(3)}`)
        .stop(1, '#000000');
      pdf.rect(box.x, box.y, box.width, box.height).fill(gradient as unknown as string);
    });
    const state = pdf.ref({ Type: 'ExtGState', SMask: { Type: 'Mask', S: 'Luminosity', G: mask } });
    state.end();
    const name = `Fade${this.groups++}`;
    pdf.page.ext_gstates[name] = state;
    pdf.addContent(`/${name} gs`);
  }

  /** A group that is see-through as a whole: drawn into a form of its own and laid on once. */
  private transparent(node: GroupNode, opacity: number) {
    const { pdf } = this;
    const form = this.form(pdf.page.resources, () => this.nodes(node.children));
    const name = `Group${this.groups++}`;
    pdf.page.xobjects[name] = form;
    pdf.opacity(opacity);
    pdf.addContent(`/${name} Do`);
  }

  private shadow(node: GroupNode, { x, y, width, height }: Box) {
    this.pdf.image(this.shadows.get(node) as Buffer, x, y, { width, height });
  }

  /** A picture opened once, however often it is shown: the file holds it once then. */
  private image(node: ImageNode): unknown {
    const key = node.tone ? toneKey(node, node.tone) : node.asset;
    let open = this.images.get(key);
    if (open === undefined) {
      const bytes = node.tone ? this.tones.get(key) : this.resources.image(node.asset);
      open = bytes ? this.pdf.openImage(Buffer.from(bytes)) : null;
      this.images.set(key, open);
    }
    return open;
  }

  nodes(nodes: readonly DisplayNode[]) {
    for (const node of nodes) {
      switch (node.kind) {
        case 'path':
          this.path(node);
          break;
        case 'glyphs':
          this.glyphs(node);
          break;
        case 'image': {
          const image = this.image(node);
          if (image) this.pdf.image(image as Buffer, node.x, node.y, { width: node.width, height: node.height });
          break;
        }
        case 'group':
          this.pdf.save();
          if (node.shadow) this.shadow(node, node.shadow.box);
          // Through pdfkit, which has to know where a gradient will lie.
          if (node.matrix) this.pdf.transform(...(node.matrix as Matrix6));
          if (node.clip !== undefined) this.pdf.path(node.clip).clip();
          if (node.fade) this.fade(node.fade);
          if (node.opacity !== undefined) this.transparent(node, node.opacity);
          else if (node.fade) this.transparent(node, 1);
          else this.nodes(node.children);
          this.pdf.restore();
      }
    }
  }
}

const toneKey = ({ asset }: ImageNode, tone: ToneMatrix) => `${asset} ${tone.flat().join(' ')}`;

function* imagesIn(nodes: readonly DisplayNode[]): Generator<ImageNode> {
  for (const node of nodes) {
    if (node.kind === 'image') yield node;
    else if (node.kind === 'group') yield* imagesIn(node.children);
  }
}

function* shadowed(nodes: readonly DisplayNode[]): Generator<GroupNode> {
  for (const node of nodes) {
    if (node.kind !== 'group') continue;
    if (node.shadow) yield node;
    yield* shadowed(node.children);
  }
}

/** A PDF of pages, each at its own size. */
export async function pdfOf(
  pages: Iterable<DrawnPage>,
  title: string,
  resources: PdfResources,
  onPage: (done: number) => void = () => {},
): Promise<Buffer> {
  const shadows = new Map<GroupNode, Uint8Array>();
  const tones = new Map<string, Uint8Array | undefined>();
  const pdf = new PDFDocument({
    autoFirstPage: false,
    margin: 0,
    info: { Title: title, Producer: 'Dappled Margin', Creator: 'Dappled Margin' },
  }) as unknown as Pdf;
  const chunks: Buffer[] = [];
  const whole = new Promise<Buffer>((resolve, reject) => {
    pdf.on('data', (chunk: Buffer) => chunks.push(chunk));
    pdf.on('end', () => resolve(Buffer.concat(chunks)));
    pdf.on('error', reject);
  });
  const writer = new Writer(pdf, resources, shadows, tones);
  let done = 0;
  for (const page of pages) {
    for (const node of shadowed(page.nodes)) shadows.set(node, await resources.shadow(node));
    for (const node of imagesIn(page.nodes)) {
      const key = node.tone && toneKey(node, node.tone);
      if (node.tone && key && !tones.has(key)) tones.set(key, await resources.toned(node.asset, node.tone));
    }
    pdf.addPage({ size: [page.width, page.height], margin: 0 });
    writer.nodes(page.nodes);
    onPage(++done);
  }
  pdf.end();
  return whole;
}
