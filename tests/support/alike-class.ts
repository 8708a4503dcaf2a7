import { held, line, page, picture, plain, shape, sheet, solid, text } from '../../core/schema/defaults';
import type { Item, Sheet } from '../../core/schema/sheet';
import type { Work } from '../../core/review/alike-things';
import { seeded } from '../../core/values/random';

/**
 * Classes made by chance to try likeness on: honest pieces on four tasks, and some that were copied and then recoloured, shifted,
 * jostled, thinned out and added to. Which were copied from which is known.
 */

export const TASKS = ['shapes', 'map', 'blanks', 'placing'] as const;
export type Task = (typeof TASKS)[number];
export type AlikeClass = {
  handedOut: Sheet;
  key: Sheet;
  works: Work[];
  /** Pieces of which one was copied from the other, as `a b` with a before b. */
  pairs: Set<string>;
};

const [WIDTH, HEIGHT] = [842, 595];
const SHAPES = ['rectangle', 'ellipse', 'triangle', 'star', 'heart', 'diamond'] as const;
const PICTURES = ['animals/crab', 'animals/fish', 'birds/heron', 'plants/reed', 'weather/cloud', 'weather/sun'];
const WORDS = 'mud crab heron worm tide algae snail shrimp gull reed sand fish'.split(' ');
const SLIPS = ['beak', 'bill', 'wing', 'claw', 'tail', 'neck'];
const COLOURS = ['#f9e79f', '#aed6f1', '#a9dfbf', '#f5b7b1', '#d7bde2', '#c0392b'];

type Chance = {
  /** A whole number from 0, less than so many. */
  upTo: (most: number) => number;
  between: (from: number, to: number) => number;
  is: (share: number) => boolean;
  one: <T>(list: readonly T[]) => T;
};
function chanceOf(seed: number): Chance {
  const next = seeded(seed);
  const upTo = (most: number) => Math.floor(next() * most);
  return {
    upTo,
    between: (from, to) => from + next() * (to - from),
    is: (share) => next() < share,
    one: (list) => list[upTo(list.length)],
  };
}

const onPage = (items: Item[]): Sheet =>
  sheet({ title: 'Task', pages: [page({ id: 'p', width: WIDTH, height: HEIGHT, items })] });

const BLANKS = 12;
const answerTo = (i: number) => `answer ${WORDS[i]}`;

function handedOutFor(task: Task): Sheet {
  const asked = text({ id: 'asked', x: 20, y: 10, width: 500, height: 40, body: plain('Do this with care.') });
  if (task === 'blanks')
    return onPage([
      asked,
      ...Array.from({ length: BLANKS }, (_, i) =>
        text({
          id: `blank${i}`,
          touch: 'fill',
          blank: true,
          x: 60 + 380 * (i % 2),
          y: 80 + 80 * Math.floor(i / 2),
          width: 300,
        }),
      ),
    ]);
  if (task === 'placing')
    return onPage([
      asked,
      ...WORDS.map((word, i) =>
        text({ id: `card${i}`, touch: 'free', x: 20, y: 60 + 42 * i, width: 90, height: 30, body: plain(word) }),
      ),
    ]);
  return onPage([asked]);
}

/** Where a card belongs. */
const homeOf = (i: number) => ({ x: 220 + 190 * (i % 3), y: 90 + 120 * Math.floor(i / 3) });

function keyFor(task: Task): Sheet {
  const given = handedOutFor(task);
  const [first] = given.pages;
  const items = first.items.map((item, i): Item => {
    if (item.id.startsWith('blank') && item.kind === 'text') return { ...item, body: plain(answerTo(i - 1)) };
    return item.id.startsWith('card') && item.kind === 'text' ? { ...item, ...homeOf(i - 1) } : item;
  });
  return { ...given, pages: [{ ...first, items }] };
}

/** What an honest student does: as the task asks, by habit in part, by taste in part. */
function honest(task: Task, { upTo, between, is, one }: Chance, name: string): Work {
  const { pages } = handedOutFor(task);
  const right = new Set<string>();
  let items = pages[0].items;
  const id = (i: number) => `${name}-${i}`;
  if (task === 'shapes') {
    // Some leave everything as large as it came, some line it up, some put a few where the program does.
    const [count, lined, left] = [6 + upTo(9), is(0.4), is(0.5)];
    const [top, gap] = [between(100, 400), one([110, 120, 130])];
    const made = Array.from({ length: count }, (_, i): Item => {
      const size = left ? 100 : between(40, 160);
      const place = is(0.15)
        ? { x: 371, y: 250 }
        : lined
          ? { x: 30 + gap * (i % 7), y: top + 130 * Math.floor(i / 7) }
          : { x: between(10, 700), y: between(60, 460) };
      const common = { id: id(i), touch: 'free' as const, ...place, width: size, height: left ? 80 : size };
      return is(0.2)
        ? picture({ ...common, picture: one(PICTURES) })
        : shape({ ...common, shape: one(SHAPES), fill: solid(one(COLOURS)) });
    });
    items = [...made, ...items];
  }
  if (task === 'map') {
    const words = WORDS.filter(() => is(0.75));
    const nodes = words.map((word, i) =>
      shape({
        id: id(i),
        touch: 'free',
        x: between(20, 720),
        y: between(60, 520),
        width: 100,
        height: 44,
        body: plain(word),
      }),
    );
    // Most see the chain that the lesson told; the rest is their own.
    const links = nodes.flatMap((node, i): Item[] => {
      const to = is(0.6) ? nodes[i + 1] : one(nodes);
      return to && to.id !== node.id ? [line({ id: id(100 + i), from: held(node.id), to: held(to.id) })] : [];
    });
    items = [...nodes, ...links, ...items];
  }
  if (task === 'blanks')
    items = items.map((item, i) => {
      if (item.kind !== 'text' || !item.blank || is(0.08)) return item;
      const isRight = is(0.6);
      if (isRight) right.add(item.id);
      // Of three slips that come to mind one is made most.
      const slip = SLIPS[(i + (is(0.55) ? 0 : 1 + upTo(3))) % SLIPS.length];
      return { ...item, body: plain(isRight ? answerTo(i - 1) : `${slip} ${i}`) };
    });
  if (task === 'placing')
    items = items.map((item, i) => {
      if (!item.id.startsWith('card') || item.kind !== 'text' || is(0.08)) return item;
      const isRight = is(0.6);
      if (isRight) right.add(item.id);
      const home = isRight ? homeOf(i - 1) : homeOf((i + (is(0.5) ? 0 : upTo(11))) % WORDS.length);
      return { ...item, x: home.x + between(-15, 15), y: home.y + between(-12, 12) };
    });
  return { id: name, right, sheet: { ...onPage([]), pages: [{ ...pages[0], items }] } };
}

/** Another's piece made to look like one's own. */
function copied(from: Work, task: Task, { between, is, one }: Chance, name: string): Work {
  const right = new Set<string>();
  const [x, y] = [between(-50, 50), between(-40, 40)];
  const scattered = task === 'map' && is(0.5);
  const ids = new Map<string, string>();
  const isGiven = (id: string) => id === 'asked' || /^(blank|card)\d/.test(id);
  const own = from.sheet.pages[0].items.filter((item) => isGiven(item.id) || item.kind === 'line' || is(0.88));
  own.forEach((item, i) => ids.set(item.id, isGiven(item.id) ? item.id : `${name}-${i}`));
  const items = own.flatMap((item): Item[] => {
    if (isGiven(item.id)) {
      if (from.right.has(item.id)) right.add(item.id);
      if (item.kind !== 'text' || item.id === 'asked') return [item];
      // Now and then one mends a slip, or makes another.
      if (is(0.1)) return [{ ...item, body: plain(`${one(SLIPS)} ${item.id}`) }].filter(() => task === 'blanks');
      return [task === 'placing' ? { ...item, x: item.x + between(-6, 6), y: item.y + between(-6, 6) } : item];
    }
    const id = ids.get(item.id)!;
    if (item.kind === 'line') {
      const [a, b] = [item.from.item, item.to.item].map((end) => ids.get(end ?? ''));
      return a && b && is(0.92) ? [line({ id, from: held(a), to: held(b) })] : [];
    }
    if (item.kind !== 'shape' && item.kind !== 'picture') return [];
    const place = scattered
      ? { x: between(20, 720), y: between(60, 520) }
      : { x: item.x + x + between(-9, 9), y: item.y + y + between(-9, 9) };
    const size = between(0.9, 1.1);
    const common = { ...place, id, width: item.width * size, height: item.height * size };
    return [item.kind === 'shape' ? { ...item, ...common, fill: solid(one(COLOURS)) } : { ...item, ...common }];
  });
  const more = honest(
    task === 'map' ? 'shapes' : task,
    { ...chanceOf(1 + Math.floor(between(0, 1e6))) },
    `${name}-own`,
  );
  const added = more.sheet.pages[0].items.filter((item) => !isGiven(item.id)).slice(0, 3);
  const [first] = from.sheet.pages;
  return { id: name, right, sheet: { ...from.sheet, pages: [{ ...first, items: [...added, ...items] }] } };
}

/** @param seed what follows from one is the same each time */
export function alikeClass(seed: number, size = 24): AlikeClass & { task: Task } {
  const chance = chanceOf(seed);
  const task = TASKS[seed % TASKS.length];
  const works = Array.from({ length: size }, (_, i) => honest(task, chance, `s${String(i).padStart(2, '0')}`));
  const pairs = new Set<string>();
  const copies = chance.upTo(4);
  for (let i = 0; i < copies; i++) {
    const [from, to] = [2 * i, 2 * i + 1];
    works[to] = copied(works[from], task, chance, works[to].id);
    pairs.add(`${works[from].id} ${works[to].id}`);
  }
  return { task, handedOut: handedOutFor(task), key: keyFor(task), works, pairs };
}
