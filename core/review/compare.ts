import equal from 'fast-deep-equal';
import { longestRun } from '../changes/between';
import { centre } from '../geometry/box';
import type { Box } from '../geometry/matrix';
import { kindOf } from '../items/all';
import { boxOf } from '../items/hit';
import { itemName } from '../items/name';
import type { Pictures } from '../pictures/picture';
import { bodyText } from '../text/body';
import type { Item, LineItem, Page, Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { containerOf, everyItem, find } from '../sheet/tree';

/** What differs between two sheets, thing by thing: against what was handed out, an earlier go, the key, or a correction. */

export const DIFFERENCES = [
  'added',
  'removed',
  'moved',
  'resized',
  'rotated',
  'led elsewhere',
  'restyled',
  'reworded',
  'replaced',
  'reordered',
  'regrouped',
  'set otherwise',
] as const;
export type Kind = (typeof DIFFERENCES)[number];

export type Difference = {
  kinds: Kind[];
  /** null where it was added or removed. A thing deleted and drawn almost the same again is one thing that changed. */
  before: Item | null;
  after: Item | null;
  /** Where it stands now; where it stood, if it was removed. */
  page: string;
};

/** Lengths in points and angles in degrees below which nobody sees a difference. */
const [SHIFT, TURN] = [0.5, 0.5];
const differs = (a: number, b: number, by: number) => Math.abs(a - b) > by;

const EXTENT = ['x', 'y', 'width', 'height', 'angle'];
/** What is no setting of its own: identity, parts, and what a maker notes for itself. */
const APART: ReadonlySet<string> = new Set(['id', 'kind', 'items', 'body', 'made', 'maker', ...EXTENT]);

function linesDiffer(before: LineItem, after: LineItem): Kind[] {
  const held = (one: LineItem) => [one.from, one.to].map(({ item, target, side }) => [item, target, side]);
  if (!equal(held(before), held(after))) return ['led elsewhere'];
  const shifts = (['from', 'to'] as const).map((end) => ({
    x: after[end].x - before[end].x,
    y: after[end].y - before[end].y,
  }));
  // An end that holds on to something goes with it, and its own place says nothing.
  const loose = shifts.filter((_, i) => (i === 0 ? before.from : before.to).item === null);
  if (loose.every(({ x, y }) => Math.hypot(x, y) <= SHIFT)) return [];
  const [a, b] = shifts;
  return loose.length === 2 && Math.hypot(a.x - b.x, a.y - b.y) <= SHIFT ? ['moved'] : ['resized'];
}

/** How the place of a thing in its group or on its page differs. */
function placesDiffer(before: Item, after: Item): Kind[] {
  if (before.kind === 'line' || after.kind === 'line')
    return before.kind === 'line' && after.kind === 'line' ? linesDiffer(before, after) : ['replaced'];
  const out: Kind[] = [];
  const [was, is]: [Box, Box] = [before, after];
  const resized = differs(was.width, is.width, SHIFT) || differs(was.height, is.height, SHIFT);
  // Made larger from one side, its other side or its middle stays.
  const shifted = (at: 'x' | 'y', size: 'width' | 'height') =>
    [0, 0.5, 1].every((share) => differs(was[at] + share * was[size], is[at] + share * is[size], SHIFT));
  if (shifted('x', 'width') || shifted('y', 'height')) out.push('moved');
  if (resized) out.push('resized');
  const turn = (((after.angle - before.angle) % 360) + 540) % 360;
  if (differs(turn, 180, TURN)) out.push('rotated');
  return out;
}

/** How its words differ: what they say, or only how they are set. */
function wordsDiffer(before: Item, after: Item): Kind[] {
  if (!isWritten(before) || !isWritten(after) || equal(before.body, after.body)) return [];
  return bodyText(before.body) === bodyText(after.body) ? ['restyled'] : ['reworded'];
}

function settingsDiffer(before: Item, after: Item): Kind[] {
  if (before.kind !== after.kind) return ['replaced'];
  const look = new Set<string>([...kindOf(after).look, 'flipX', 'flipY', 'crop', 'clearing', 'patches']);
  const [was, is] = [before, after] as unknown as Record<string, unknown>[];
  const keys = Object.keys(is).filter(
    (key) => !APART.has(key) && !(after.kind === 'line' && ['from', 'to'].includes(key)) && !equal(was[key], is[key]),
  );
  const kinds = keys.map((key): Kind => {
    if (look.has(key)) return 'restyled';
    return ['shape', 'picture', 'points'].includes(key) ? 'replaced' : 'set otherwise';
  });
  return [...new Set(kinds)];
}

const kindsOf = (before: Item, after: Item): Kind[] => {
  const all = [...placesDiffer(before, after), ...wordsDiffer(before, after), ...settingsDiffer(before, after)];
  return DIFFERENCES.filter((kind) => all.includes(kind));
};

const parentOf = (sheet: Sheet, id: string): string => containerOf(find(sheet, id)!);

function reordered(before: Sheet, after: Sheet, items: readonly Item[], place: string, out: Set<string>): void {
  const siblings = items.filter(({ id }) => find(before, id) && parentOf(before, id) === place);
  const steady = new Set(longestRun(siblings.map(({ id }) => find(before, id)!.index)));
  siblings.forEach(({ id }, k) => {
    if (!steady.has(k)) out.add(id);
  });
  for (const item of items) if (item.kind === 'group') reordered(before, after, item.items, item.id, out);
}

/** How alike two things of one kind are that have other identities: 0 to 1. */
function likeness(a: { item: Item; box: Box; page: string }, b: { item: Item; box: Box; page: string }): number {
  if (a.item.kind !== b.item.kind || a.page !== b.page) return 0;
  const [p, q] = [centre(a.box), centre(b.box)];
  const size = Math.max(20, Math.hypot(a.box.width, a.box.height), Math.hypot(b.box.width, b.box.height));
  const near = 1 - Math.hypot(p.x - q.x, p.y - q.y) / size;
  const sized = 1 - (Math.abs(a.box.width - b.box.width) + Math.abs(a.box.height - b.box.height)) / (2 * size);
  const content = (item: Item) =>
    isWritten(item) ? bodyText(item.body).trim() : item.kind === 'picture' ? item.picture : '';
  const said = content(a.item) === content(b.item) ? 1 : 0.5;
  return Math.max(0, near) * Math.max(0, sized) * said;
}
/** What is less alike than this was not drawn again, but is another thing. */
const AGAIN = 0.6;

/**
 * All differences, in the order of the second sheet, and then what was removed. Parts of a group that was added or removed
 * are not named one by one.
 */
export function compare(before: Sheet, after: Sheet, pictures: Pictures = () => undefined): Difference[] {
  const spotOf = (sheet: Sheet, item: Item) => {
    const { page } = find(sheet, item.id)!;
    return { item, page: page.id, box: boxOf(page, item, pictures) };
  };
  const wholly = (sheet: Sheet, other: Sheet) =>
    everyItem(sheet).filter(
      ({ id }) => !find(other, id) && find(sheet, id)!.groups.every((around) => find(other, around.id)),
    );
  const gone = wholly(before, after).map((item) => spotOf(before, item));
  const come = wholly(after, before).map((item) => spotOf(after, item));
  const again = new Map<string, Item>();
  const pairs = come
    .flatMap((b) => gone.map((a) => ({ a, b, alike: likeness(a, b) })))
    .filter(({ alike }) => alike >= AGAIN)
    .sort((x, y) => y.alike - x.alike);
  const used = new Set<string>();
  for (const { a, b } of pairs) {
    if (again.has(b.item.id) || used.has(a.item.id)) continue;
    again.set(b.item.id, a.item);
    used.add(a.item.id);
  }
  const moved = new Set<string>();
  for (const page of after.pages) reordered(before, after, page.items, page.id, moved);

  const out: Difference[] = [];
  const added = new Set(come.map(({ item }) => item.id));
  for (const item of everyItem(after)) {
    const page = find(after, item.id)!.page.id;
    const was = find(before, item.id)?.item ?? again.get(item.id);
    if (!was) {
      if (added.has(item.id)) out.push({ kinds: ['added'], before: null, after: item, page });
      continue;
    }
    if (was === item && !moved.has(item.id) && parentOf(before, item.id) === parentOf(after, item.id)) continue;
    const kinds = kindsOf(was, item);
    if (moved.has(item.id)) kinds.push('reordered');
    if (was.id === item.id && parentOf(before, item.id) !== parentOf(after, item.id)) kinds.push('regrouped');
    if (kinds.length > 0) out.push({ kinds, before: was, after: item, page });
  }
  for (const { item, page } of gone)
    if (!used.has(item.id)) out.push({ kinds: ['removed'], before: item, after: null, page });
  return out;
}

/** Words of one text as they stand, went or came. */
export type Wording = { said: string; how: 'same' | 'gone' | 'come' }[];
/** Words of longer texts are not told one by one. */
const MOST_WORDS = 400;

/** What was written and what stands there now, word by word; null where the words are the same, or too many. */
export function rewording({ before, after }: Difference): Wording | null {
  if (!before || !after || !isWritten(before) || !isWritten(after)) return null;
  const [was, is] = [before, after].map(({ body }) => bodyText(body).split(/(\s+)/).filter(Boolean));
  if (was.join('') === is.join('') || Math.max(was.length, is.length) > MOST_WORDS) return null;
  const out: Wording = [];
  const tell = (said: string, how: Wording[number]['how']) => {
    const last = out.at(-1);
    if (last?.how === how) last.said += said;
    else out.push({ said, how });
  };
  let [i, j] = [0, 0];
  for (const [a, b] of [...common(was, is), [was.length, is.length]]) {
    while (i < a) tell(was[i++], 'gone');
    while (j < b) tell(is[j++], 'come');
    if (i < was.length && j < is.length) tell(is[j], 'same');
    [i, j] = [a + 1, b + 1];
  }
  return out;
}

/** The longest row of words that both have, in order, as pairs of places. */
function common(a: readonly string[], b: readonly string[]): [number, number][] {
  const lengths = Array.from({ length: a.length + 1 }, () => new Uint16Array(b.length + 1));
  for (let i = a.length - 1; i >= 0; i--)
    for (let j = b.length - 1; j >= 0; j--)
      lengths[i][j] = a[i] === b[j] ? lengths[i + 1][j + 1] + 1 : Math.max(lengths[i + 1][j], lengths[i][j + 1]);
  const out: [number, number][] = [];
  for (let i = 0, j = 0; i < a.length && j < b.length;)
    if (a[i] === b[j]) out.push([i++, j++]);
    else if (lengths[i + 1][j] >= lengths[i][j + 1]) i++;
    else j++;
  return out;
}

const isBare = (item: Item) => isWritten(item) && bodyText(item.body).trim() === '';

/** The kinds of a difference as they are read: words where there were none are filled in. */
export const kindWords = ({ before, after, kinds }: Difference): string =>
  kinds
    .map((kind) =>
      kind === 'reworded' && before && after ? (isBare(before) ? 'filled in' : isBare(after) ? 'empty' : kind) : kind,
    )
    .join(', ');

/** A difference in words: `“Name the parts”: reworded, moved`. */
export const differenceWords = ({ before, after, kinds }: Difference): string =>
  `${itemName((after ?? before)!)}: ${kinds.join(', ')}`;

/** Where a difference is on a page that shows the second sheet, or the first for what was removed. */
export function spotOf(difference: Difference, page: Page, pictures: Pictures): Box | null {
  const item = difference.after ?? difference.before;
  return item && difference.page === page.id ? boxOf(page, item, pictures) : null;
}
