import { noteWords } from './spoken';
import type { DisplayNode, DrawnPage } from '../drawing/list';
import { ink } from '../drawing/list';
import { seenOf } from '../drawing/bounds';
import type { Box, Point } from '../geometry/matrix';
import { anchorAt } from '../handout/spots';
import { drawItem, drawPage } from '../items/draw';
import type { Drawing } from '../items/kind';
import { pointsWords } from '../lookfors/rubric';
import { defaultRoles, page as blankPage, plain, text } from '../schema/defaults';
import type { Page, Sheet, TextBody, TextRole } from '../schema/sheet';
import { PAGE_SIZES } from '../sheet/units';
import { bodyLength, sliceBody } from '../text/body';
import { styled } from '../makers/kit/measure';
import { setBody } from '../text/set';
import { inkNodes } from './ink';
import type { Ink, Note } from './said';

/**
 * Feedback on paper: the piece with numbers where something is said, then notes, look-fors and rubric. A drawn list like any page,
 * for PDF and for the screen. All in points.
 */

export type SaidLookFor = {
  title: string;
  /** null: nobody has judged it. */
  held: boolean | null;
  /** How much was found, or what it brought. */
  counted: string;
  /** Why the teacher ruled as they did, each in a line. */
  reasons: readonly string[];
};
export type SaidRow = { name: string; level: { text: string; points: number } | null; of: number };
export type Feedback = {
  title: string;
  /** Who did it, which go it is and how it came back, in words. */
  about: string;
  /** The marks together, in words; null where there are none. */
  sum: string | null;
  sheet: Sheet;
  notes: readonly Pick<Note, 'id' | 'pageId' | 'itemId' | 'x' | 'y' | 'body' | 'spoken'>[];
  ink: readonly Ink[];
  lookFors: readonly SaidLookFor[];
  rows: readonly SaidRow[];
};

/** The paper that the school prints on, by the unit it measures in. */
function paperFor(unit: Sheet['unit']): readonly [width: number, height: number] {
  const { width, height } = PAGE_SIZES.find(({ id }) => id === (unit === 'in' ? 'letter' : 'a4'))!;
  return [width, height];
}
const MARGIN = 40;
const GAP = 16;
/** Room for a number or sign before an entry. */
const INDENT = 20;
/** How much of the paper's width an upright page takes, and of its height any other. */
const UPRIGHT_WIDTH = 0.62;
const WIDE_HEIGHT = 0.6;
const BADGE = 8;
/** Lines of an entry that are not parted. */
const TOGETHER = 4;

const COLOURS = {
  note: '#b3551f',
  held: '#4a6b35',
  missed: '#b0442a',
  open: '#77705c',
  marked: '#77705c',
  edge: '#cfc7b2',
};

const ROLES = ((): Record<'title' | 'heading' | 'body' | 'caption' | 'sum' | 'badge', TextRole> => {
  const { title, heading, body, caption } = defaultRoles();
  const sized = (role: TextRole, size: number): TextRole => ({ ...role, run: { ...role.run, size } });
  const aligned = (role: TextRole, align: 'centre' | 'right'): TextRole => ({
    ...role,
    paragraph: { ...role.paragraph, align },
  });
  const white = { ...body, run: { ...body.run, bold: true, colour: '#ffffff' } };
  return {
    title: sized(title, 17),
    heading: sized(heading, 12),
    body: sized(body, 10),
    caption: sized(caption, 9),
    sum: aligned(sized(heading, 12), 'right'),
    badge: aligned(sized(white, 9), 'centre'),
  };
})();

type Resources = Pick<Drawing, 'faces' | 'pictures'>;
type Sign = number | 'held' | 'missed' | 'open' | 'marked';

/** Words, set down column after column; where those of a page are full, a page with two columns of its own follows. */
class Flow {
  readonly pages: DrawnPage[] = [];
  private columns: Box[] = [];
  private y = 0;

  constructor(
    private size: readonly [number, number],
    private resources: Resources,
  ) {}

  /** Begins a page with what is drawn on it already. */
  begin(nodes: DisplayNode[], columns: Box[]): void {
    this.pages.push({ width: this.size[0], height: this.size[1], nodes });
    this.columns = columns;
    this.y = columns[0].y;
  }

  draw(...nodes: (DisplayNode | undefined)[]): void {
    this.pages.at(-1)!.nodes.push(...nodes.flatMap((node) => node ?? []));
  }

  private next(): void {
    this.columns = this.columns.slice(1);
    if (this.columns.length > 0) this.y = this.columns[0].y;
    else this.begin([], this.twoFrom(MARGIN));
  }

  /** Two columns below some height. */
  twoFrom(y: number): Box[] {
    const [width, height] = this.size;
    const half = (width - 2 * MARGIN - GAP) / 2;
    const one = { y, width: half, height: height - MARGIN - y };
    return [
      { x: MARGIN, ...one },
      { x: MARGIN + half + GAP, ...one },
    ];
  }

  private get room(): number {
    const { y, height } = this.columns[0];
    return y + height - this.y;
  }

  heading(words: string): void {
    // It never stands alone at the foot of a column.
    if (this.room < 60) this.next();
    if (this.y > this.columns[0].y) this.y += 8;
    this.words(plain(words), 'heading', 0);
    this.y += 3;
  }

  /** Words with a sign before them, over as many columns as they need. */
  entry(sign: Sign, words: string, small: readonly string[] = []): void {
    const { size, colour } = ROLES.caption.run;
    const below = small.flatMap((line) => styled(line, { size, colour }, 'left'));
    this.words([...plain(words), ...below], 'body', INDENT, sign);
    this.y += 5;
  }

  private words(body: TextBody, role: keyof typeof ROLES, indent: number, sign?: Sign): void {
    let [rest, first] = [body, sign];
    for (;;) {
      const [column] = this.columns;
      const { lines, height } = setBody(rest, ROLES[role], column.width - indent, 1, this.resources.faces);
      const isTop = this.y === column.y;
      let fit = lines.findIndex(({ bottom }) => bottom > this.room);
      if (fit === -1) fit = lines.length;
      const whole = fit === lines.length;
      // A line that is higher than a column is set all the same.
      if (isTop) fit = Math.max(1, fit);
      else if (!whole && (fit < 2 || lines.length <= TOGETHER)) {
        this.next();
        continue;
      }
      const part = whole ? rest : sliceBody(rest, 0, lines[fit - 1].end);
      const box = { x: column.x + indent, y: this.y, width: column.width - indent };
      this.draw(first !== undefined ? signNode(first, column.x, this.y, this.resources) : undefined);
      this.draw(written(part, role, box, this.resources));
      if (whole || fit === lines.length) {
        this.y += height;
        return;
      }
      rest = sliceBody(rest, lines[fit].start, bodyLength(rest));
      first = undefined;
      this.next();
    }
  }
}

const NOWHERE = blankPage({ id: 'feedback' });

function written(
  body: TextBody,
  role: keyof typeof ROLES,
  { x, y, width }: Pick<Box, 'x' | 'y' | 'width'>,
  resources: Resources,
): DisplayNode | undefined {
  const item = text({ id: 'words', x, y, width, height: 1, padding: 0, body, role });
  return drawItem(item, { ...resources, roles: ROLES, page: NOWHERE });
}

const circle = (r: number) => `M${-r} 0a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
const SIGNS = {
  held: 'M-4 0.5L-1.2 3.5L4.2 -3.5',
  missed: 'M-3.5 -3.5L3.5 3.5M3.5 -3.5L-3.5 3.5',
  open: circle(3.6),
  marked: 'M-3 0h6',
};

/** A number in a disc, around 0, 0. */
const numberNodes = (number: number, resources: Resources): (DisplayNode | undefined)[] => [
  { kind: 'path', d: circle(BADGE), fill: ink(COLOURS.note), stroke: line('#ffffff', 1.2) },
  written(plain(`${number}`), 'badge', { x: -BADGE * 2, y: -6.4, width: BADGE * 4 }, resources),
];

const line = (hex: string, width: number, dash?: number[]) => ({
  paint: ink(hex),
  width,
  cap: 'round' as const,
  join: 'round' as const,
  ...(dash && { dash }),
});

function signNode(sign: Sign, x: number, y: number, resources: Resources): DisplayNode {
  const children: (DisplayNode | undefined)[] =
    typeof sign === 'number'
      ? numberNodes(sign, resources)
      : [
          {
            kind: 'path',
            d: SIGNS[sign],
            stroke: line(COLOURS[sign], sign === 'open' ? 1.2 : 2, sign === 'open' ? [2, 2] : undefined),
          },
        ];
  return {
    kind: 'group',
    matrix: [1, 0, 0, 1, x + BADGE, y + BADGE],
    children: children.flatMap((node) => node ?? []),
  };
}

/** Places for discs on the piece: where what is spoken of is, each beside those before it. */
function apart(wanted: readonly Point[], within: Box): Point[] {
  const out: Point[] = [];
  const clamp = (value: number, from: number, length: number) => Math.max(from, Math.min(from + length, value));
  const taken = (at: Point) => out.some(({ x, y }) => Math.hypot(x - at.x, y - at.y) < 2 * BADGE);
  for (const { x, y } of wanted) {
    const home = { x: clamp(x, within.x, within.width), y: clamp(y, within.y, within.height) };
    let at = home;
    // Around it in a growing spiral.
    for (let step = 1; taken(at) && step < 400; step++) {
      const [angle, away] = [step * 2.4, BADGE * Math.sqrt(step)];
      at = {
        x: clamp(home.x + away * Math.cos(angle), within.x, within.width),
        y: clamp(home.y + away * Math.sin(angle), within.y, within.height),
      };
    }
    out.push(at);
  }
  return out;
}

type Placed = { note: Feedback['notes'][number]; at: Point | null };

/** The notes of a page from top to bottom; those of no place come last. */
function notesOn(page: Page, notes: Feedback['notes'], resources: Resources): Placed[] {
  const low = { x: Infinity, y: Infinity };
  return notes
    .filter(({ pageId }) => pageId === page.id)
    .map((note) => ({
      note,
      at: anchorAt(page, { item: note.itemId, x: note.x, y: note.y }, resources.pictures),
    }))
    .sort((a, b) => {
      const [one, other] = [a.at ?? low, b.at ?? low];
      return one.y === other.y ? (one.x === other.x ? 0 : one.x - other.x) : one.y - other.y;
    });
}

/** Where a page of the piece stands, and the columns beside and below it. */
function arranged(page: Page, top: number, flow: Flow, [width, height]: readonly [number, number]) {
  const [inner, bottom] = [width - 2 * MARGIN, height - MARGIN];
  const upright = page.height > page.width * 1.05;
  const [most, high] = upright ? [inner * UPRIGHT_WIDTH, bottom - top] : [inner, (bottom - top) * WIDE_HEIGHT];
  const scale = Math.min(most / page.width, high / page.height, 1.5);
  const box = { x: MARGIN, y: top, width: page.width * scale, height: page.height * scale };
  if (!upright) return { box, scale, columns: flow.twoFrom(top + box.height + GAP) };
  const x = MARGIN + box.width + GAP;
  const below = top + box.height + GAP;
  const beside = { x, y: top, width: width - MARGIN - x, height: bottom - top };
  const under = { x: MARGIN, y: below, width: box.width, height: bottom - below };
  return { box, scale, columns: under.height < 60 ? [beside] : [beside, under] };
}

function pictureOf(
  { sheet, ink: drawn }: Pick<Feedback, 'sheet' | 'ink'>,
  page: Page,
  { box, scale }: { box: Box; scale: number },
  [width, height]: readonly [number, number],
  resources: Resources,
): DisplayNode[] {
  const { x, y, width: w, height: h } = box;
  const around = `M${x} ${y}h${w}v${h}h${-w}z`;
  return [
    {
      kind: 'group',
      matrix: [scale, 0, 0, scale, x, y],
      children: [...seenOf(drawPage(sheet, page, resources)).nodes, ...inkNodes(page, drawn, resources.pictures)],
    },
    // What reaches over the edge of its page is not to be seen beside it.
    { kind: 'path', d: `M0 0H${width}V${height}H0Z${around}`, fill: ink('#ffffff'), rule: 'evenodd' },
    { kind: 'path', d: around, stroke: { ...line(COLOURS.edge, 0.75), cap: 'butt', join: 'miter' } },
  ];
}

const NO_WORDS = 'Nothing was written to this piece.';

/** The pages that a student, or their parents, get on paper. */
export function feedbackPages(feedback: Feedback, resources: Resources): DrawnPage[] {
  const { sheet, title, about, sum } = feedback;
  const size = paperFor(sheet.unit);
  const inner = size[0] - 2 * MARGIN;
  const flow = new Flow(size, resources);
  let number = 0;
  const { pages } = sheet;
  // What hangs on a page that is gone is said with the last one.
  const last = pages.at(-1)!.id;
  const notes = feedback.notes.map((note) =>
    pages.some(({ id }) => id === note.pageId) ? note : { ...note, pageId: last, itemId: null, x: null, y: null },
  );
  for (const [i, page] of pages.entries()) {
    const head =
      i === 0
        ? headNodes({ title, about, sum }, inner, resources)
        : headOf(`${title} · ${about} · page ${i + 1}`, inner, resources);
    const place = arranged(page, head.bottom + 12, flow, size);
    const placed = notesOn(page, notes, resources);
    flow.begin([...pictureOf(feedback, page, place, size, resources), ...head.nodes], place.columns);
    const { box, scale } = place;
    const spots = placed.filter((one): one is Placed & { at: Point } => one.at !== null);
    const discs = apart(
      spots.map(({ at }) => ({ x: box.x + at.x * scale, y: box.y + at.y * scale })),
      box,
    );
    discs.forEach(({ x, y }, k) => flow.draw(signNode(number + k + 1, x - BADGE, y - BADGE, resources)));
    if (placed.length > 0) flow.heading(placed.length === 1 ? 'Note' : 'Notes');
    for (const { note } of placed) flow.entry(++number, noteWords(note));
  }
  const { lookFors, rows } = feedback;
  if (notes.length === 0 && feedback.ink.length === 0 && lookFors.length === 0 && rows.length === 0)
    flow.entry('open', NO_WORDS);
  if (lookFors.length > 0) flow.heading('What was looked for');
  for (const { title: words, held, counted, reasons } of lookFors)
    flow.entry(held === null ? 'open' : held ? 'held' : 'missed', words, [counted, ...reasons].filter(Boolean));
  if (rows.length > 0) flow.heading('Marks');
  for (const { name, level, of } of rows)
    flow.entry(
      level ? 'marked' : 'open',
      level ? `${name}: ${pointsWords(level.points)} of ${pointsWords(of)}` : `${name}: not marked yet`,
      level?.text ? [level.text] : [],
    );
  return flow.pages;
}

type Head = { nodes: DisplayNode[]; bottom: number };

const heightOf = (words: string, role: keyof typeof ROLES, width: number, { faces }: Resources) =>
  setBody(plain(words), ROLES[role], width, 1, faces).height;

function headNodes({ title, about, sum }: Pick<Feedback, 'title' | 'about' | 'sum'>, inner: number, with_: Resources) {
  const wide = sum === null ? inner : inner * 0.68;
  const below = MARGIN + heightOf(title, 'title', wide, with_) + 2;
  const nodes = [
    written(plain(title), 'title', { x: MARGIN, y: MARGIN, width: wide }, with_),
    written(plain(about), 'caption', { x: MARGIN, y: below, width: wide }, with_),
    sum === null
      ? undefined
      : written(plain(sum), 'sum', { x: MARGIN + wide, y: MARGIN + 4, width: inner - wide }, with_),
  ];
  const beside = sum === null ? 0 : MARGIN + 4 + heightOf(sum, 'sum', inner - wide, with_);
  const bottom = Math.max(below + heightOf(about, 'caption', wide, with_), beside);
  return { nodes: nodes.flatMap((node) => node ?? []), bottom } satisfies Head;
}

function headOf(words: string, inner: number, resources: Resources): Head {
  const node = written(plain(words), 'caption', { x: MARGIN, y: MARGIN, width: inner }, resources);
  return { nodes: node ? [node] : [], bottom: MARGIN + heightOf(words, 'caption', inner, resources) };
}

/** Space between pages that are shown below each other. */
const BETWEEN = 18;

/** Pages below each other, as one picture on no ground. */
export function stacked(pages: readonly DrawnPage[]): DrawnPage {
  const [{ width, height }] = pages;
  return {
    width,
    height: pages.length * (height + BETWEEN) - BETWEEN,
    nodes: pages.map(({ nodes }, i) => ({
      kind: 'group',
      matrix: [1, 0, 0, 1, 0, i * (height + BETWEEN)],
      children: [{ kind: 'path', d: `M0 0H${width}V${height}H0Z`, fill: ink('#ffffff') }, ...nodes],
    })),
  };
}
