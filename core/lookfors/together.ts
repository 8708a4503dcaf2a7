import { normalised } from '../language/spelling';
import { bodyText } from '../text/body';
import { isWritten } from '../schema/sheet';
import type { Option } from './sentence';
import type { Thing, ThingKind } from './thing';
import { alikeColours, alikePaints, fillOf, outlineOf, sizeOf } from './thing';

/** What can be asked of several things together. */

/** Lengths in points that a reader takes for the same. */
const [SAME_WEIGHT, SAME_SIZE, IN_LINE] = [0.3, 3, 3];

type Aspect = {
  of: readonly ThingKind[];
  words: string;
  /** What of a thing it compares; undefined where the thing has none of it. */
  read(thing: Thing): unknown;
  alike(a: never, b: never): boolean;
};
const near = (a: number, b: number, by: number) => Math.abs(a - b) <= by;
const aspect = <V>(
  of: readonly ThingKind[],
  words: string,
  read: (thing: Thing) => V | undefined,
  alike: (a: V, b: V) => boolean,
): Aspect => ({
  of,
  words,
  read,
  alike,
});

export const ASPECTS = {
  fill: aspect(['thing', 'shape', 'text'], 'fills', (thing) => fillOf(thing), alikePaints),
  outline: aspect(
    ['thing', 'shape', 'text', 'line', 'ink'],
    'outline colours',
    (thing) => outlineOf(thing)?.colour,
    alikeColours,
  ),
  weight: aspect(
    ['thing', 'shape', 'text', 'line', 'ink'],
    'line weights',
    (thing) => outlineOf(thing)?.width,
    (a, b) => near(a, b, SAME_WEIGHT),
  ),
  size: aspect(['thing', 'shape', 'text', 'line', 'picture', 'group'], 'sizes', sizeOf, (a, b) =>
    a.every((side, i) => near(side, b[i], SAME_SIZE)),
  ),
  kind: aspect(
    ['thing', 'shape', 'picture'],
    'kinds',
    ({ item }) => (item.kind === 'shape' ? item.shape : item.kind === 'picture' ? item.picture : item.kind),
    (a, b) => a === b,
  ),
  words: aspect(
    ['thing', 'shape', 'text'],
    'words',
    ({ item }) => (isWritten(item) && normalised(bodyText(item.body))) || undefined,
    (a, b) => a === b,
  ),
} satisfies Record<string, Aspect>;
export type AspectName = keyof typeof ASPECTS;
export const ASPECT_NAMES = Object.keys(ASPECTS) as [AspectName, ...AspectName[]];

/** The things that satisfy it, and those that it says nothing of. */
export type Sorted = { right: Thing[]; left: Thing[] };

/** The things in classes of those that are alike, the largest first. */
function classesOf(things: readonly Thing[], name: AspectName): { classes: Thing[][]; left: Thing[] } {
  const { read, alike } = ASPECTS[name] as Aspect;
  const classes: { value: unknown; members: Thing[] }[] = [];
  const left: Thing[] = [];
  for (const thing of things) {
    const value = read(thing);
    if (value === undefined) {
      left.push(thing);
      continue;
    }
    const known = classes.find((one) => alike(one.value as never, value as never));
    if (known) known.members.push(thing);
    else classes.push({ value, members: [thing] });
  }
  return { classes: classes.map(({ members }) => members).sort((a, b) => b.length - a.length), left };
}

/** One of each class. Hollow things have no fill that could be another's: they are left out. */
function different(things: readonly Thing[], name: AspectName): Sorted {
  const compared = name === 'fill' ? things.filter((thing) => fillOf(thing) !== null) : things;
  const { classes, left } = classesOf(compared, name);
  return {
    right: classes.map(([first]) => first),
    left: [...left, ...(name === 'fill' ? things.filter((thing) => fillOf(thing) === null) : [])],
  };
}
function same(things: readonly Thing[], name: AspectName): Sorted {
  const { classes } = classesOf(things, name);
  return { right: classes[0] ?? [], left: [] };
}

/** The largest number of things with one of these values in common, within a reach. */
function inLine(things: readonly Thing[], values: readonly ((thing: Thing) => number)[]): Thing[] {
  let best: Thing[] = [];
  for (const value of values) {
    const sorted = things.toSorted((a, b) => value(a) - value(b));
    for (let from = 0, to = 0; to < sorted.length; to++) {
      while (value(sorted[to]) - value(sorted[from]) > IN_LINE) from++;
      if (to - from + 1 > best.length) best = sorted.slice(from, to + 1);
    }
  }
  return best;
}
const edges = (at: 'x' | 'y', size: 'width' | 'height') => [
  ({ box }: Thing) => box[at],
  ({ box }: Thing) => box[at] + box[size] / 2,
  ({ box }: Thing) => box[at] + box[size],
];

/** Those whose gap to the one before is that of the most; along whichever way they are farther spread. */
function evenly(things: readonly Thing[]): Thing[] {
  if (things.length < 3) return [];
  const reach = (at: 'x' | 'y') => {
    const middles = things.map(({ box }) => box[at] + box[at === 'x' ? 'width' : 'height'] / 2);
    return Math.max(...middles) - Math.min(...middles);
  };
  const [at, size] = reach('x') >= reach('y') ? (['x', 'width'] as const) : (['y', 'height'] as const);
  const sorted = things.toSorted((a, b) => a.box[at] + a.box[size] / 2 - b.box[at] - b.box[size] / 2);
  const gaps = sorted.slice(1).map(({ box }, i) => box[at] - sorted[i].box[at] - sorted[i].box[size]);
  let [usual, most] = [gaps[0], 0];
  for (const gap of gaps) {
    let alike = 0;
    for (const other of gaps) if (near(other, gap, IN_LINE)) alike++;
    if (alike > most) [usual, most] = [gap, alike];
  }
  if (most === gaps.length) return sorted;
  return sorted.slice(1).filter((_, i) => near(gaps[i], usual, IN_LINE));
}

function addTo(lists: Map<string, Thing[]>, key: string, thing: Thing): void {
  const list = lists.get(key);
  if (list) list.push(thing);
  else lists.set(key, [thing]);
}

function oneGroup(things: readonly Thing[]): Thing[] {
  const byGroup = new Map<string, Thing[]>();
  for (const thing of things) {
    const outer = thing.groups[0]?.id;
    if (outer !== undefined) addTo(byGroup, outer, thing);
  }
  return [...byGroup.values()].sort((a, b) => b.length - a.length)[0] ?? [];
}

type Arrangement = {
  of: readonly ThingKind[];
  words: string;
  sort(things: readonly Thing[]): Thing[];
  wrong: string;
  hint: string;
  /** Fewer can't be so. */
  least: number;
};
const ALL: readonly ThingKind[] = ['thing', 'shape', 'text', 'line', 'picture', 'ink', 'group'];
/** Things are on a page of their own each: only those of the page with the most can be in line. */
const onOnePage = (sort: (things: readonly Thing[]) => Thing[]) => (things: readonly Thing[]) => {
  const byPage = new Map<string, Thing[]>();
  for (const thing of things) addTo(byPage, thing.page.id, thing);
  return [...byPage.values()].map(sort).sort((a, b) => b.length - a.length)[0] ?? [];
};

export const ARRANGEMENTS = {
  row: {
    of: ALL,
    words: 'in a row',
    sort: onOnePage((things) => inLine(things, edges('y', 'height'))),
    wrong: 'not in the row',
    hint: 'Select them all and align their tops, middles or bottoms.',
    least: 2,
  },
  column: {
    of: ALL,
    words: 'in a column',
    sort: onOnePage((things) => inLine(things, edges('x', 'width'))),
    wrong: 'not in the column',
    hint: 'Select them all and align their left sides, centres or right sides.',
    least: 2,
  },
  evenly: {
    of: ALL,
    words: 'evenly spaced',
    sort: onOnePage(evenly),
    wrong: 'another gap than the rest',
    hint: 'Select them all and distribute them evenly.',
    least: 3,
  },
  group: {
    of: ['thing', 'shape', 'text', 'line', 'picture', 'ink'],
    words: 'all in one group',
    sort: oneGroup,
    wrong: 'not in the group',
    hint: 'Select them all and group them.',
    least: 2,
  },
} satisfies Record<string, Arrangement>;
export type ArrangementName = keyof typeof ARRANGEMENTS;
export const ARRANGEMENT_NAMES = Object.keys(ARRANGEMENTS) as [ArrangementName, ...ArrangementName[]];

/** One thing asked of all together: alike or different in something, or arranged. */
export type Together = { is: 'different' | 'same'; in: AspectName } | { is: ArrangementName };

const isAspect = (together: Together): together is Extract<Together, { in: AspectName }> => 'in' in together;

export function sorted(things: readonly Thing[], together: Together): Sorted {
  if (!isAspect(together)) return { right: (ARRANGEMENTS[together.is] as Arrangement).sort(things), left: [] };
  return together.is === 'different' ? different(things, together.in) : same(things, together.in);
}
export function togetherWrong(together: Together): string {
  if (!isAspect(together)) return ARRANGEMENTS[together.is].wrong;
  const one = SINGULAR[together.in];
  return together.is === 'different' ? `the same ${one} as another` : `another ${one} than the rest`;
}
const SINGULAR: Record<AspectName, string> = {
  fill: 'fill',
  outline: 'outline colour',
  weight: 'line weight',
  size: 'size',
  kind: 'kind',
  words: 'words',
};
export const togetherHint = (together: Together): string => (isAspect(together) ? '' : ARRANGEMENTS[together.is].hint);
export const leastTogether = (together: Together): number => (isAspect(together) ? 2 : ARRANGEMENTS[together.is].least);

/** What things of a kind can be asked to be together. */
export const togetherOptions = (kind: ThingKind): Option[] => [
  { value: 'different', label: 'all with different', listed: 'all with different …', under: 'All together' },
  { value: 'same', label: 'all with the same', listed: 'all with the same …', under: 'All together' },
  ...ARRANGEMENT_NAMES.filter((name) => (ARRANGEMENTS[name].of as readonly ThingKind[]).includes(kind)).map(
    (value) => ({
      value,
      label: ARRANGEMENTS[value].words,
      under: 'All together',
    }),
  ),
];
export const aspectOptions = (kind: ThingKind, is: 'different' | 'same'): Option[] =>
  ASPECT_NAMES.filter((name) => ASPECTS[name].of.includes(kind)).map((value) => ({
    value,
    label: is === 'different' ? ASPECTS[value].words : SINGULAR[value],
  }));
export const togetherApplies = (together: Together, kind: ThingKind): boolean =>
  ((isAspect(together) ? ASPECTS[together.in].of : ARRANGEMENTS[together.is].of) as readonly ThingKind[]).includes(
    kind,
  );
/** As it is chosen from the list. */
export const togetherBegun = (chosen: string, kind: ThingKind): Together =>
  chosen === 'different' || chosen === 'same'
    ? { is: chosen, in: ASPECT_NAMES.find((name) => (ASPECTS[name].of as readonly ThingKind[]).includes(kind))! }
    : { is: chosen as ArrangementName };
export const isTogether = (value: string): boolean =>
  value === 'different' || value === 'same' || value in ARRANGEMENTS;
