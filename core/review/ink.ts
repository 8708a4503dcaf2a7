import type { DisplayNode } from '../drawing/list';
import { ink as paint } from '../drawing/list';
import type { Point } from '../geometry/matrix';
import { anchorAt } from '../handout/spots';
import { partAt } from '../items/hit';
import { inkPath, inkTouched } from '../items/ink';
import type { Pictures } from '../pictures/picture';
import type { PenPoint } from '../placement/erase';
import { strokeOf } from '../placement/erase';
import { ink as inkItem } from '../schema/defaults';
import type { Page } from '../schema/sheet';
import { howMany, inWords } from '../values/listed';
import type { Ink, InkMark, Spot } from './said';
import { STAMP_RADIUS, STAMPS, stampNode } from './stamps';

/** What a teacher draws on a piece by hand: strokes of a pen and stamps, each with the spot it is about. */

/** How far the part that something was drawn about has moved since. Where it is gone, what was drawn stays where it was. */
function movedBy(page: Page, { itemId, x, y }: Ink, pictures: Pictures): Point {
  const now = itemId === null ? null : anchorAt(page, { item: itemId, x, y }, pictures);
  return now ? { x: now.x - x, y: now.y - y } : { x: 0, y: 0 };
}

const itemOf = (mark: Extract<InkMark, { kind: 'stroke' }>, { x, y }: Point) => {
  const { kind: _, ...stroke } = mark;
  return inkItem({ id: 'ink', ...stroke, x: mark.x + x, y: mark.y + y });
};

function nodeOf(mark: InkMark, by: Point): DisplayNode | null {
  if (mark.kind === 'stamp') return stampNode(mark.stamp, mark.x + by.x, mark.y + by.y);
  const item = itemOf(mark, by);
  const d = inkPath(item);
  return d === ''
    ? null
    : {
        kind: 'group',
        matrix: [1, 0, 0, 1, item.x, item.y],
        children: [{ kind: 'path', d, fill: paint(mark.colour) }],
      };
}

const onPage = (page: Page, all: readonly Ink[]) => all.filter(({ pageId }) => pageId === page.id);

/** What is drawn on a page, in the order in which it was. */
export const inkNodes = (page: Page, all: readonly Ink[], pictures: Pictures): DisplayNode[] =>
  onPage(page, all).flatMap((one) => nodeOf(one.mark, movedBy(page, one, pictures)) ?? []);

/** The outline of a stroke that is being drawn, in page coordinates; empty for none. */
export function strokeNode(points: readonly PenPoint[], pen: { colour: string; weight: number }): DisplayNode | null {
  return points.length === 0 ? null : nodeOf(strokeMark(points, pen), { x: 0, y: 0 });
}

/** Points nearer to each other than this, in points of the page, say nothing more. */
const NEAR = 0.8;
const MOST = 500;

/** The same stroke from fewer points; the first and the last stay. */
function thinned(points: readonly PenPoint[]): PenPoint[] {
  const out = [points[0]];
  for (const point of points.slice(1)) {
    const [x, y] = out.at(-1)!;
    if (Math.hypot(point[0] - x, point[1] - y) >= NEAR) out.push(point);
  }
  const end = points.at(-1)!;
  if (points.length > 1 && out.at(-1) !== end) out.push(end);
  const every = Math.ceil(out.length / (MOST - 1));
  return out.filter((point, i) => i % every === 0 || point === end);
}

/** A stroke through these points. A press without a move is a dot. */
export function strokeMark(
  points: readonly PenPoint[],
  { colour, weight }: { colour: string; weight: number },
): Extract<InkMark, { kind: 'stroke' }> {
  const few = thinned(points);
  const [x, y, pressure] = few[0];
  return { kind: 'stroke', colour, weight, ...strokeOf(few.length > 1 ? few : [...few, [x + 0.1, y, pressure]]) };
}

/** The middle of what is drawn. */
const middleOf = (mark: InkMark): Point =>
  mark.kind === 'stamp' ? mark : { x: mark.x + mark.width / 2, y: mark.y + mark.height / 2 };

/** What a stroke or stamp is about: the part under its middle, else the part it begins on, else the place itself. */
export function spotOf(page: Page, mark: InkMark, pictures: Pictures): Spot & { x: number; y: number } {
  const middle = middleOf(mark);
  const first =
    mark.kind === 'stamp'
      ? middle
      : { x: mark.x + mark.points[0] * mark.width, y: mark.y + mark.points[1] * mark.height };
  const item = (partAt(page, middle, pictures) ?? partAt(page, first, pictures))?.id ?? null;
  const { x, y } = (item === null ? null : anchorAt(page, { item, x: null, y: null }, pictures)) ?? middle;
  return { page: page.id, item, x, y };
}

/** The uppermost stroke or stamp under a point. `reach`: how near is enough, in points. */
export function inkAt(page: Page, all: readonly Ink[], at: Point, reach: number, pictures: Pictures): Ink | undefined {
  return onPage(page, all).findLast((one) => {
    const by = movedBy(page, one, pictures);
    const { mark } = one;
    if (mark.kind === 'stamp') return Math.hypot(mark.x + by.x - at.x, mark.y + by.y - at.y) <= STAMP_RADIUS + reach;
    const item = itemOf(mark, by);
    return inkTouched(item, { x: at.x - item.x, y: at.y - item.y }, reach);
  });
}

/** What is drawn, in words: “2 strokes and 1 stamp (Well done)”. */
export function inkWords(all: readonly Ink[]): string {
  const stamps = all.flatMap(({ mark }) => (mark.kind === 'stamp' ? STAMPS[mark.stamp].name : []));
  const strokes = all.length - stamps.length;
  return inWords(
    [
      strokes > 0 ? howMany(strokes, 'stroke') : '',
      stamps.length > 0 ? `${howMany(stamps.length, 'stamp')} (${[...new Set(stamps)].join(', ')})` : '',
    ].filter(Boolean),
  );
}
