import { beforeAll, describe, expect, test } from 'vitest';
import { madeFrom, shippedPicture, testKit } from '../../tests/support/made';
import { givenOut } from '../handout/copy';
import type { Kit } from '../makers/kit/maker';
import { beginPractice } from '../makers/practice/begin';
import type { PracticeRecipe, Thing } from '../schema/recipes/practice';
import { free, ink, line, page, sheet } from '../schema/defaults';
import type { GroupItem, Item, Sheet } from '../schema/sheet';
import { isFramed } from '../schema/sheet';
import { begun, count, evidenceWords, forStudent, rekeyed, resultForStudent } from './all';
import type { LookFor, LookForOf } from './all';

/** Pairs that are joined and things that are sorted: pieces that hold, nearly hold, miss and cheat. */

let kit: Kit;
beforeAll(async () => {
  kit = await testKit();
});

const attached = (item: string) => ({ ...free(0, 0), item });
const thing = (word: string, other = '', picture: string | null = null): Thing => ({ word, other, picture });
const on = (group: GroupItem): Sheet =>
  sheet({ title: 'S', pages: [page({ id: 'p', width: 612, height: 792, items: [{ ...group, x: 20, y: 30 }] })] });
const made = async (recipe: PracticeRecipe, seed = 3) =>
  on((await madeFrom('practice', recipe, kit, { width: 560, height: 700, seed })).group);
const groupOf = (of: Sheet) => of.pages[0].items.find((item) => item.kind === 'group')!;
const partsOf = (of: Sheet, kind: string) =>
  (groupOf(of) as GroupItem).items
    .filter((item) => new RegExp(`^${kind}\\d+$`).test(item.made?.part ?? ''))
    .toReversed();
const wordsOf = (item: Item) => (item.kind === 'text' ? item.body[0].runs.map(({ text }) => text).join('') : '');
const counted = (lookFor: LookFor, piece: Sheet, own: Sheet) =>
  count(lookFor, piece, { handedOut: givenOut(own), studentName: 'Ada', pictures: shippedPicture });
const withItems = (own: Sheet, items: Item[]): Sheet => {
  const given = givenOut(own);
  return { ...given, pages: [{ ...given.pages[0], items: [...items, ...given.pages[0].items] }] };
};

describe('pairs', () => {
  const THINGS = [thing('crab', 'sideways'), thing('owl', 'by night'), thing('eel', 'in mud'), thing('tern', 'far')];
  let own: Sheet;
  let lookFor: LookForOf<'pairs'>;
  let lefts: Item[], rights: Item[], dots: Item[];
  async function begin(things: Thing[] = THINGS, more: Partial<Extract<PracticeRecipe, { type: 'matching' }>> = {}) {
    const recipe = {
      ...beginPractice('matching'),
      things,
      count: things.length,
      left: 'word',
      right: 'other',
      ...more,
    };
    own = await made(recipe as PracticeRecipe);
    lookFor = begun('pairs', own, 'l') as LookForOf<'pairs'>;
    [lefts, rights, dots] = ['left', 'right', 'dot'].map((kind) => partsOf(own, kind));
  }
  beforeAll(() => begin());
  const left = (word: string) => lefts.find((item) => wordsOf(item) === word)!;
  const right = (word: string) => rights.find((item) => wordsOf(item) === word)!;
  let drawn = 0;
  /** Held on to by both, as a line that is drawn from one to the other. */
  const join = (a: string, b: string) =>
    line({ id: `n${++drawn}`, touch: 'free', from: attached(left(a).id), to: attached(right(b).id) });
  const ALL = [
    ['crab', 'sideways'],
    ['owl', 'by night'],
    ['eel', 'in mud'],
    ['tern', 'far'],
  ] as const;
  const found = (items: Item[]) => {
    const result = counted(lookFor, withItems(own, items), own);
    return [result.got, result.need, result.held];
  };

  test('hold on the teacher’s own sheet with its key, and not on what is handed out', () => {
    expect(lookFor.expect).toHaveLength(4);
    const self = counted(lookFor, own, own);
    expect([self.got, self.held]).toEqual([4, true]);
    expect(found([])).toEqual([0, 4, false]);
  });
  test('hold when every thing goes to its own, whichever way the line was drawn', () => {
    expect(found(ALL.map(([a, b]) => join(a, b)))).toEqual([4, 4, true]);
    const back = ALL.map(([a, b]) => join(a, b)).map((one) => ({ ...one, from: one.to, to: one.from }));
    expect(found(back)).toEqual([4, 4, true]);
  });
  test('hold by the pen and by lines that end near, at the dots or on the words', () => {
    const at = (item: Item) => {
      if (!isFramed(item)) throw new Error('a line');
      return { x: 20 + item.x + item.width / 2, y: 30 + item.y + item.height / 2 };
    };
    const dotOf = (of: Item) => {
      const side = of.made!.part.startsWith('left') ? 0 : 1;
      return dots.find(
        ({ made: mark }) => mark!.part === `dot${2 * Number(of.made!.part.replace(/\D/g, '')) - 1 + side}`,
      )!;
    };
    const near = ALL.map(([a, b], i) => {
      const [from, to] = [at(dotOf(left(a))), at(dotOf(right(b)))];
      if (i % 2)
        return line({ id: `f${i}`, touch: 'free', from: free(from.x + 4, from.y - 3), to: free(to.x, to.y + 5) });
      const [width, height] = [Math.abs(to.x - from.x) || 1, Math.abs(to.y - from.y) || 1];
      const [x, y] = [Math.min(from.x, to.x), Math.min(from.y, to.y)];
      const share = (point: { x: number; y: number }) => [(point.x - x) / width, (point.y - y) / height, 0.5];
      return ink({
        id: `i${i}`,
        touch: 'free',
        x,
        y,
        width,
        height,
        points: [...share(from), 0.5, 0.5, 0.5, ...share(to)],
      });
    });
    expect(found(near)).toEqual([4, 4, true]);
  });
  test('miss: one is open, one is wrong, two are swapped and called so', () => {
    expect(found(ALL.slice(1).map(([a, b]) => join(a, b)))).toEqual([3, 4, false]);
    const swapped = [join('crab', 'by night'), join('owl', 'sideways'), join('eel', 'in mud'), join('tern', 'far')];
    expect(found(swapped)).toEqual([2, 4, false]);
    const result = counted(lookFor, withItems(own, swapped), own);
    expect(result.evidence.map(({ verdict }) => verdict).sort()).toEqual(['right', 'right', 'swapped', 'swapped']);
    const said = result.evidence.map((one) => evidenceWords(lookFor, one));
    expect(said).toContain('“crab – by night” is swapped: “crab – sideways”');
  });
  test('cheat: everything joined with everything, lines nobody sees, lines in the air, things moved about', () => {
    const all = ALL.flatMap(([a]) => ALL.map(([, b]) => join(a, b)));
    expect(found(all)[0]).toBe(0);
    expect(found(ALL.map(([a, b]) => ({ ...join(a, b), opacity: 0.02 })))[0]).toBe(0);
    expect(found(ALL.map(([a, b]) => ({ ...join(a, b), hidden: true })))[0]).toBe(0);
    expect(found(ALL.map((_, i) => line({ id: `a${i}`, touch: 'free', from: free(2, 2), to: free(9, 9) })))[0]).toBe(0);
    // A second, wrong line beside the right one takes it back.
    expect(found([...ALL.map(([a, b]) => join(a, b)), join('crab', 'far')])).toEqual([3, 4, false]);
  });
  test('answers that look the same are the same', async () => {
    await begin([thing('2 + 2', '4'), thing('1 + 3', '4'), thing('5 − 2', '3')]);
    const fours = rights.filter((item) => wordsOf(item) === '4');
    const to = (a: string, b: Item) =>
      line({ id: `s${++drawn}`, touch: 'free', from: attached(left(a).id), to: attached(b.id) });
    const three = to('5 − 2', right('3'));
    expect(found([to('2 + 2', fours[0]), to('1 + 3', fours[1]), three])).toEqual([3, 3, true]);
    expect(found([to('2 + 2', fours[1]), to('1 + 3', fours[0]), three])).toEqual([3, 3, true]);
    expect(found([to('2 + 2', right('3')), to('1 + 3', fours[0]), three])[0]).toBe(2);
  });
  test('of pictures, with Greek words, and made again with other things', async () => {
    await begin(
      ['crab', 'owl', 'frog'].map((name, i) => thing(name, ['καβούρι', 'κουκουβάγια', 'βάτραχος'][i], `flat/${name}`)),
      { left: 'picture' },
    );
    expect(lookFor.expect.map(({ said, rights: [i] }) => [said, lookFor.rights[i].said]).sort()).toEqual([
      ['crab', 'καβούρι'],
      ['frog', 'βάτραχος'],
      ['owl', 'κουκουβάγια'],
    ]);
    const other = await made({ ...beginPractice('matching'), count: 6 } as PracticeRecipe, 9);
    expect((rekeyed([lookFor], other)[0] as typeof lookFor).expect).toHaveLength(6);
    expect(rekeyed([lookFor], sheet({ title: 'S', pages: [page({ id: 'p', items: [] })] }))).toEqual([]);
  });
  test('nothing of the key reaches a student', () => {
    expect(JSON.stringify(forStudent(lookFor))).not.toMatch(/βάτραχος|rights/);
    const result = resultForStudent({ ...lookFor, tell: 'result' }, counted(lookFor, withItems(own, []), own))!;
    expect(JSON.stringify(result)).not.toContain('βάτραχος');
  });
});

describe('sorted things', () => {
  let own: Sheet;
  let lookFor: LookForOf<'sorted'>;
  const GROUPS = [
    { name: 'wet', things: [thing('crab'), thing('eel'), thing('frog')] },
    { name: 'dry', things: [thing('fox'), thing('hare'), thing('frog')] },
  ];
  beforeAll(async () => {
    own = await made({ ...beginPractice('sorting'), groups: GROUPS, count: 6 } as PracticeRecipe);
    lookFor = begun('sorted', own, 'l') as LookForOf<'sorted'>;
  });
  const box = (i: number) => partsOf(own, 'box')[i] as Extract<Item, { kind: 'shape' }>;
  /** A piece on which things lie where `at` says: in a box, or nowhere. */
  const sorted = (
    at: (word: string, nth: number) => 0 | 1 | null,
    change: (item: Item) => Item | null = (item) => item,
  ) => {
    const seen = new Map<string, number>();
    const place = (item: Item): Item[] => {
      if (!lookFor.expect.some(({ item: id }) => id === item.id) || !isFramed(item)) return [item];
      const word = wordsOf(item);
      const nth = seen.get(word) ?? 0;
      seen.set(word, nth + 1);
      const into = at(word, nth);
      const moved =
        into === null
          ? item
          : {
              ...item,
              x: box(into).x + 8 + 3 * nth,
              y: box(into).y + 12 * (1 + [...seen.keys()].indexOf(word)),
              width: 40,
              height: 14,
            };
      return change(moved as Item) ? [change(moved as Item)!] : [];
    };
    const given = givenOut(own);
    const [first] = given.pages;
    const items = first.items.map((item) =>
      item.kind === 'group' ? { ...item, items: item.items.flatMap(place) } : item,
    );
    const piece = { ...given, pages: [{ ...first, items }] };
    return counted(lookFor, piece, own);
  };
  const home = (word: string): 0 | 1 => (['crab', 'eel'].includes(word) ? 0 : 1);

  test('nothing is sorted when it is handed out', () => {
    expect(lookFor.expect).toHaveLength(6);
    const result = sorted(() => null);
    expect([result.got, result.held, result.evidence.every(({ verdict }) => verdict === 'empty')]).toEqual([
      0,
      false,
      true,
    ]);
  });
  test('hold where each lies in its box; what fits both may lie in either', () => {
    expect(sorted(home)).toMatchObject({ got: 6, held: true });
    expect(sorted((word) => (word === 'frog' ? 0 : home(word)))).toMatchObject({ got: 6, held: true });
  });
  test('miss: one is in the wrong box, one lies outside', () => {
    const wrong = sorted((word) => (word === 'fox' ? 0 : home(word)));
    expect(wrong).toMatchObject({ got: 5, held: false });
    expect(wrong.evidence.map((one) => evidenceWords(lookFor, one))).toContain('“fox: wet”, where “fox: dry” is right');
    expect(sorted((word) => (word === 'eel' ? null : home(word)))).toMatchObject({ got: 5, held: false });
  });
  test('cheat: all in one box, things taken away, things that nobody sees', () => {
    expect(sorted(() => 0).got).toBe(4);
    expect(sorted(home, (item) => (wordsOf(item) === 'fox' ? null : item))).toMatchObject({ got: 5, held: false });
    expect(sorted(home, (item) => (wordsOf(item) === 'fox' ? { ...item, opacity: 0 } : item)).got).toBe(5);
  });
});
