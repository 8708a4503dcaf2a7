import fc from 'fast-check';
import { beforeAll, describe, expect, test } from 'vitest';
import { apart, madeFrom, shippedPicture, testKit } from '../../../tests/support/made';
import { givenOut } from '../../handout/copy';
import { seeded } from '../../values/random';
import { bodyText } from '../../text/body';
import { page, sheet } from '../../schema/defaults';
import type { GroupItem, Item, TextItem } from '../../schema/sheet';
import { Item as ItemSchema } from '../../schema/sheet';
import { everyItem } from '../../sheet/tree';
import { layOut } from '../../text/fit';
import { roleOfItem } from '../../text/style';
import type { Kit } from '../kit/maker';
import { sizeOfWords } from '../kit/measure';
import { deranged } from '../kit/shuffle';
import { beginPractice, PRACTICES, SHORE, tell } from './begin';
import { bingoCard, CARDS } from './cards';
import { countsFor } from './counting';
import type { Entry } from './crossword';
import { crosswordFor } from './crossword';
import { partsOf } from './gaps';
import { ownPicture } from '../../../tests/support/own';
import { regionsOf } from './hand';
import type { Sum } from './numbers';
import { barParts, carries, sumFor, sumsFor, timesFor, timeWords } from './numbers';
import { apartFrom } from './matching';
import { lettersOf, placesOf, searchFor } from './wordsearch';
import type { PracticeRecipe, PracticeType } from '../../schema/recipes/practice';
import { PracticeRecipe as Schema } from '../../schema/recipes/practice';
import { NEVER } from './unwanted';

let kit: Kit;
beforeAll(async () => {
  kit = await testKit();
});

const TYPES = Object.keys(PRACTICES) as PracticeType[];
const ROOM = { width: 552, height: 732 };
const made = async (recipe: PracticeRecipe, seed = 1) => madeFrom('practice', recipe, kit, { ...ROOM, seed });
const on = (item: Item) => sheet({ title: 'S', pages: [page({ id: 'p', items: [item] })] });
const parts = (group: GroupItem, kind: string) =>
  group.items
    .filter((item) => new RegExp(`^${kind}\\d+$`).test(item.made!.part))
    .sort((a, b) => Number(a.made!.part.slice(kind.length)) - Number(b.made!.part.slice(kind.length)));
const said = (items: Item[]) =>
  items.map((item) =>
    item.kind === 'text' ? bodyText(item.body) : item.kind === 'picture' ? item.picture : item.kind,
  );
const seeds = fc.integer({ min: 0, max: 4_000_000_000 });

describe('every type', () => {
  test.each(TYPES)('%s: begins as a recipe that holds, and says how hard it is', (type) => {
    expect(Schema.safeParse(beginPractice(type)).error).toBeUndefined();
    expect(tell(beginPractice(type))).not.toMatch(/undefined|NaN/);
  });
  test.each(TYPES)('%s: fits its frame, each part fit for a sheet, nothing to complain of', async (type) => {
    const { group, notes } = await made(beginPractice(type));
    expect(notes).toEqual([]);
    for (const item of group.items) {
      expect(ItemSchema.safeParse(item).error).toBeUndefined();
      if (item.kind === 'line') continue;
      expect(item.x).toBeGreaterThan(-0.1);
      expect(item.y).toBeGreaterThan(-0.1);
      expect(item.x + item.width).toBeLessThan(ROOM.width + 0.1);
      expect(item.y + item.height).toBeLessThan(ROOM.height + 0.1);
    }
  });
  test.each(TYPES)('%s: the same seed gives the same, thirty seeds no two alike', async (type) => {
    const versions = await Promise.all(Array.from({ length: 30 }, (_, seed) => made(beginPractice(type), seed)));
    expect(await made(beginPractice(type), 7)).toEqual(versions[7]);
    // Kinds with fixed or few contents vary little.
    const least = { cutouts: 1, tracing: 4, sequence: 4, gaps: 12, crossword: 3, colouring: 20 }[type as string] ?? 28;
    const looks = versions.map(({ group }) => JSON.stringify(group.items.map((item) => ({ ...item, made: null }))));
    expect(new Set(looks).size).toBeGreaterThanOrEqual(least);
  });
  test.each(TYPES)('%s: students get no solution', async (type) => {
    const { group } = await made(beginPractice(type));
    const copy = [...everyItem(givenOut(on(group)))];
    expect(copy.some((item) => item.role === 'key')).toBe(false);
    const answers = group.items.filter((item): item is TextItem => item.kind === 'text' && item.blank);
    for (const answer of answers) {
      const given = copy.find((item) => item.id === answer.id) as TextItem;
      expect(bodyText(given.body)).toBe('');
      expect(given.touch).toBe('fill');
    }
  });
  test.each(TYPES)('%s: without anything to practise on it says what it needs', async (type) => {
    const recipe = beginPractice(type) as PracticeRecipe & Record<string, unknown>;
    const empty = {
      ...recipe,
      ...('things' in recipe && { things: [] }),
      ...('groups' in recipe && {
        groups: [
          { name: 'a', things: [] },
          { name: 'b', things: [] },
        ],
      }),
      ...('words' in recipe && { words: [], ways: 0 }),
      ...('text' in recipe && { text: ' ' }),
    } as PracticeRecipe;
    delete (empty as unknown as Record<string, unknown>)[recipe.type === 'wordsearch' ? 'ways' : ''];
    const { notes } = await made(empty);
    if (['things', 'groups', 'words', 'text'].some((key) => key in recipe))
      expect(notes.join(' ')).toMatch(/need|[Pp]ick|[Ww]rite/);
  });
});

test('numbers on a number line stand in one line each, however long, and too small ones are said', async () => {
  const recipe = { ...beginPractice('numberline'), from: -10_000, step: 1250, marks: 13 } as never;
  const { group, notes } = await made(recipe);
  const numbers = parts(group, 'number').filter((item): item is TextItem => item.kind === 'text');
  for (const item of numbers) {
    const size = item.body[0].runs[0].style.size ?? 0;
    const { width } = sizeOfWords(bodyText(item.body), { size, font: 'andika' }, 'label', 9000, kit);
    expect(width).toBeLessThanOrEqual(item.width + 0.5);
  }
  expect(notes.join()).toMatch(/^$|too small to read/);
});

describe('matching', () => {
  test('no answer opposite its own, and none that goes by an order', () =>
    fc.assert(
      fc.property(seeds, fc.integer({ min: 4, max: 12 }), (seed, count) => {
        const order = deranged(count, seeded(seed));
        expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: count }, (_, i) => i));
        expect(order.some((to, i) => to === i)).toBe(false);
        expect(new Set(order.map((to, i) => (to - i + count) % count)).size).toBeGreaterThan(1);
        expect(order.every((to, i) => to === count - 1 - i)).toBe(false);
      }),
    ));
  test('none opposite an answer that is the same as its own, where there are others', () =>
    fc.assert(
      fc.property(
        seeds,
        fc.array(fc.constantFrom('red', 'blue', 'green', 'grey'), { minLength: 2, maxLength: 12 }),
        (seed, answers) => {
          const order = apartFrom(answers, seeded(seed));
          expect([...order].sort((a, b) => a - b)).toEqual([...answers.keys()]);
          const most = Math.max(...answers.map((one) => answers.filter((other) => other === one).length));
          const same = order.filter((thing, i) => answers[thing] === answers[i]).length;
          expect(same).toBe(Math.max(0, 2 * most - answers.length));
        },
      ),
    ));
  test('on the sheet too: each word is another than the picture beside it, and the key joins the right ones', async () => {
    for (let seed = 0; seed < 20; seed++) {
      const { group } = await made(beginPractice('matching'), seed);
      const [left, right] = [said(parts(group, 'left')), said(parts(group, 'right'))];
      const word = (picture: string) => SHORE.find((thing) => thing.picture === picture)!.word;
      left.forEach((picture, i) => expect(word(picture)).not.toBe(right[i]));
      const rows = parts(group, 'left').map((item) => (item.kind === 'line' ? 0 : item.y + item.height / 2));
      for (const line of parts(group, 'key')) {
        if (line.kind !== 'line') continue;
        const row = (y: number) => rows.findIndex((one) => Math.abs(one - y) < 2);
        expect(right[row(line.to.y)]).toBe(word(left[row(line.from.y)]));
      }
    }
  });
});

test('counting: all rows different, unless two are to be alike', () =>
  fc.assert(
    fc.property(seeds, (seed) => {
      expect(new Set(countsFor(6, 10, false, seeded(seed))).size).toBe(6);
      const alike = countsFor(6, 10, true, seeded(seed));
      expect(new Set(alike).size).toBe(5);
      expect(Math.max(...alike)).toBeLessThanOrEqual(10);
    }),
  ));

test('counting: as many pictures as the answer says', async () => {
  const { group } = await made(beginPractice('counting'), 9);
  const total = said(parts(group, 'count')).reduce((sum, n) => sum + Number(n), 0);
  expect(parts(group, 'thing')).toHaveLength(total);
});

test('odd one out: one ring in each row, round what comes from elsewhere', async () => {
  const { group } = await made(beginPractice('odd'), 4);
  expect(parts(group, 'key')).toHaveLength(4);
  const water = new Set(SHORE.map(({ picture }) => picture));
  for (let row = 0; row < 4; row++) {
    const inRow = said(parts(group, 'thing').slice(row * 4, row * 4 + 4)).map((picture) => water.has(picture));
    const wet = inRow.filter(Boolean).length;
    expect([1, 3]).toContain(wet);
  }
});

describe('a word search', () => {
  const recipe = beginPractice('wordsearch');
  test('holds every word exactly once, in the directions that are allowed, and nothing unwanted', () =>
    fc.assert(
      fc.property(seeds, fc.boolean(), fc.boolean(), (seed, diagonal, backwards) => {
        const asked = { ...recipe, diagonal, backwards, unwanted: ['mudlark', 'eel'] };
        const { grid, hidden, lost } = searchFor(asked, seeded(seed));
        expect(lost).toEqual([]);
        for (const word of recipe.words.map(lettersOf)) expect(placesOf(grid, word)).toHaveLength(1);
        // GLASSWORT is wanted, and holds a word that is not.
        const within = (place: { x: number; y: number }[]) =>
          hidden.some(({ cells }) => place.every(({ x, y }) => cells.some((cell) => cell.x === x && cell.y === y)));
        for (const word of [...NEVER, 'MUDLARK', 'EEL'])
          expect(placesOf(grid, word).filter((place) => !within(place))).toHaveLength(0);
        for (const { cells } of hidden) {
          const [dx, dy] = [cells[1].x - cells[0].x, cells[1].y - cells[0].y];
          if (!diagonal) expect(Math.abs(dx * dy)).toBe(0);
          if (!backwards) expect(dx > 0 || (dx === 0 && dy > 0)).toBe(true);
        }
      }),
      { numRuns: 60 },
    ));
  test('knows what children should not find, also what no list of ours had', () => {
    for (const word of ['ANUS', 'CUM', 'TIT', 'DIE', 'POO']) expect(NEVER).toContain(word);
    expect(NEVER.length).toBeGreaterThan(150);
    expect(NEVER.every((word) => /^\p{Lu}{3,6}$/u.test(word))).toBe(true);
  });
  test('a word within another is left out and said; one too long for the square is named', async () => {
    const { notes } = await made({ ...recipe, words: ['crab', 'crabs', 'heron', 'hippopotamuses'] });
    expect(notes.join(' ')).toMatch(/“CRAB” is part of “CRABS”/);
    expect(notes.join(' ')).toMatch(/Not hidden: HIPPOPOTAMUSES\. Make the square larger/);
  });
  test('a palindrome is found once, not from both ends', () => {
    expect(placesOf([['L', 'E', 'V', 'E', 'L']], 'LEVEL')).toHaveLength(1);
    expect(placesOf([['A', 'B', 'A', 'B', 'A']], 'ABA')).toHaveLength(2);
  });
  test('letters keep their accents, all else goes', () => expect(lettersOf('Mère d’eau')).toBe('MÈREDEAU'));
});

describe('words', () => {
  /** The size of the smallest words, in points, and how many boxes are too small for theirs. */
  const printed = (group: GroupItem) => {
    let [least, over] = [Infinity, 0];
    for (const item of group.items) {
      if (item.kind !== 'text') continue;
      const { scale, overflows } = layOut(item.body, roleOfItem(kit, item), item, kit.faces);
      if (overflows) over++;
      for (const { runs } of item.body)
        for (const { style } of runs) least = Math.min(least, (style.size ?? 99) * scale);
    }
    return { least, over };
  };
  test.each(TYPES)('%s: none is too small to be read in print; what is too full is said', async (type) => {
    for (const frame of [ROOM, { width: 400, height: 300 }, { width: 240, height: 200 }])
      for (const size of [8, 13, 22]) {
        const { group, notes } = await madeFrom('practice', { ...beginPractice(type), size }, kit, frame);
        const { least, over } = printed(group);
        expect(least).toBeGreaterThan(6.99);
        const told = notes.some((note) => note.includes('too little room'));
        expect(told, `${over} of ${frame.width} at ${size}: ${notes.join(' ')}`).toBe(over > 0);
      }
  });
  test('a sheet as it begins has room for all of them', async () => {
    for (const type of TYPES) expect(printed((await made(beginPractice(type))).group).over, type).toBe(0);
  });
  test('column sums are as large as all of them fit: forty on a page can be read, more are said to be too many', async () => {
    const recipe = { ...beginPractice('sums'), form: 'column' as const, operations: ['+' as const], most: 9999 };
    const at = async (count: number) => made({ ...recipe, count } as PracticeRecipe);
    const digits = async (count: number) => {
      const { group } = await at(count);
      const { least, over } = printed(group);
      expect(over).toBe(0);
      return least;
    };
    expect(await digits(4)).toBeGreaterThan(12);
    expect(await digits(24)).toBeGreaterThan(11);
    expect(await digits(40)).toBeGreaterThan(7);
    expect((await at(60)).notes.join()).toMatch(/too little room/);
    const { group } = await at(24);
    const boxes = parts(group, 'gap').filter((item): item is TextItem => item.kind === 'text');
    for (const [i, a] of boxes.entries()) for (const b of boxes.slice(i + 1)) expect(apart(a, b)).toBe(true);
  });
  test('long clues of a crossword are read: the grid gives them room', async () => {
    const recipe = beginPractice('crossword') as Extract<PracticeRecipe, { type: 'crossword' }>;
    const other = 'a bird with a long bill that walks along the edge of the water and turns over stones and weed';
    const things = recipe.things.map((thing) => ({ ...thing, other }));
    const { group, notes } = await made({ ...recipe, things });
    expect(notes).toEqual([]);
    const clues = parts(group, 'clues').filter((item): item is TextItem => item.kind === 'text');
    expect(clues).toHaveLength(2);
    for (const item of clues) {
      expect(item.body[1].runs[0].style.size).toBeGreaterThan(9);
      expect(layOut(item.body, roleOfItem(kit, item), item, kit.faces).overflows).toBe(false);
    }
  });
});

describe('a crossword', () => {
  const things = beginPractice('crossword').things.map(({ word, other }) => ({ word, clue: other }));
  const cells = ({ word, x, y, across }: Entry) =>
    [...word].map((letter, i) => ({ letter, at: `${across ? x + i : x},${across ? y : y + i}` }));
  test('is connected, its words agree where they cross, and it reads nothing else', () =>
    fc.assert(
      fc.property(seeds, (seed) => {
        const { entries, lost, width, height } = crosswordFor(things, seeded(seed));
        expect(lost).toEqual([]);
        const letters = new Map<string, string>();
        for (const entry of entries)
          for (const { letter, at } of cells(entry)) {
            expect(letters.get(at) ?? letter).toBe(letter);
            letters.set(at, letter);
          }
        const reached = new Set([entries[0]]);
        for (let grew = true; grew;) {
          grew = false;
          const open = new Set([...reached].flatMap((entry) => cells(entry).map(({ at }) => at)));
          for (const entry of entries)
            if (!reached.has(entry) && cells(entry).some(({ at }) => open.has(at))) {
              reached.add(entry);
              grew = true;
            }
        }
        expect(reached.size).toBe(entries.length);
        const line = (across: boolean) =>
          Array.from({ length: across ? height : width }, (_, a) =>
            Array.from(
              { length: across ? width : height },
              (_, b) => letters.get(across ? `${b},${a}` : `${a},${b}`) ?? ' ',
            ).join(''),
          ).flatMap((row) => row.split(' ').filter((run) => run.length > 1));
        const words = [...line(true), ...line(false)].sort();
        expect(words).toEqual(entries.map(({ word }) => word).sort());
      }),
      { numRuns: 40 },
    ));
  test('is dense: at least as many crossings as words but one, in a square not much wider than its longest word needs', () => {
    const { width, height } = crosswordFor(things, seeded(5));
    expect(width * height).toBeLessThan(140);
  });
  test('a word that shares no letter is named', async () => {
    const { notes } = await made({
      ...beginPractice('crossword'),
      things: ['abc', 'cab', 'xyz'].map((word) => ({ picture: null, word, other: 'c' })),
    });
    expect(notes[0]).toMatch(/share no letter.*XYZ/);
  });
});

describe('sums', () => {
  test('stay in the range and keep to the rule of carrying', () =>
    fc.assert(
      fc.property(
        seeds,
        fc.constantFrom<Sum['operation']>('+', '−', '×', '÷'),
        fc.constantFrom('any' as const, 'never' as const, 'always' as const),
        (seed, operation, carry) => {
          const sum = sumFor(operation, 100, carry, seeded(seed))!;
          const { a, b, result } = sum;
          expect({ '+': a + b, '−': a - b, '×': a * b, '÷': a / b }[operation]).toBe(result);
          expect(Math.max(a, b, result)).toBeLessThanOrEqual(operation === '×' || operation === '÷' ? 200 : 100);
          expect(result).toBeGreaterThan(0);
          if ((operation === '+' || operation === '−') && carry !== 'any')
            expect(carries(sum)).toBe(carry === 'always');
        },
      ),
    ));
  test('carrying is told digit by digit', () => {
    const carry = (a: number, operation: Sum['operation'], b: number) => carries({ a, b, operation, result: 0 });
    expect([carry(27, '+', 15), carry(21, '+', 15), carry(32, '−', 15), carry(38, '−', 15)]).toEqual([
      true,
      false,
      true,
      false,
    ]);
  });
  test('do not repeat while there are others', () => {
    const random = seeded(3);
    const sums = sumsFor(20, () => sumFor('+', 20, 'any', random));
    expect(new Set(sums.map(({ a, b }) => `${a}+${b}`)).size).toBe(20);
  });
  test('a rule that no sum keeps is said', async () => {
    const { notes } = await made({ ...beginPractice('sums'), most: 9, carry: 'always', operations: ['+'] });
    expect(notes[0]).toMatch(/no such sum.*wider range/);
  });
  test('one under the other: a box for each digit of the result', async () => {
    const { group } = await made({ ...beginPractice('sums'), form: 'column', count: 4, most: 99 }, 2);
    expect(said(parts(group, 'gap')).every((digit) => /^\d$/.test(digit))).toBe(true);
  });
});

test('parts of a bar add up to its whole', () =>
  fc.assert(
    fc.property(seeds, fc.integer({ min: 2, max: 4 }), (seed, count) => {
      const list = barParts(count, 20, seeded(seed));
      expect(list).toHaveLength(count);
      expect(Math.min(...list)).toBeGreaterThan(0);
      expect(list.reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(20);
    }),
  ));

test('clocks show different times at the steps asked for', () => {
  const times = timesFor(12, 15, seeded(1));
  expect(new Set(times).size).toBe(12);
  expect(times.every((minutes) => minutes % 15 === 0 && minutes < 720)).toBe(true);
  expect([timeWords(0), timeWords(65), timeWords(719)]).toEqual(['12:00', '1:05', '11:59']);
});

test('a number line keeps its ends, and leaves out as many as asked', async () => {
  const { group } = await made({ ...beginPractice('numberline'), lines: 1, from: -2, step: 0.5 }, 3);
  const [shown, gaps] = [said(parts(group, 'number')), said(parts(group, 'gap'))];
  expect(gaps).toHaveLength(4);
  expect(shown[0]).toBe('−2');
  expect(shown.at(-1)).toBe('3');
});

test('money: the total is that of the coins', async () => {
  const { group } = await made({ ...beginPractice('money'), count: 1 }, 6);
  const coins = said(parts(group, 'worth')).map((coin) => Number.parseInt(coin, 10));
  expect(said(parts(group, 'total'))).toEqual([`${coins.reduce((a, b) => a + b, 0)}p`]);
});

describe('gaps', () => {
  const gapsIn = (text: string, values: object = {}) =>
    partsOf(text, { kind: 'chosen', every: 5, chosen: [], ...values })
      .filter(({ gap }) => gap)
      .map(({ text: word }) => word);
  test('are what stands in brackets, whatever the kind', () =>
    expect(gapsIn('The [grey heron] waits [still].')).toEqual(['grey heron', 'still']));
  test.each([
    ['every', 'one two three four five six seven eight nine ten', ['five', 'ten']],
    ['chosen', 'The heron and the Heron’s nest', ['heron']],
    ['long', 'small estuaries', ['estuaries']],
    ['numbers', 'It has 8 legs and 2 claws', ['8', '2']],
    ['joining', 'It waits because the tide is low, and sleeps', ['because', 'and']],
    ['placing', 'under the mud, beside the creek', ['under', 'beside']],
  ])('of kind %s', (kind, text, wanted) => expect(gapsIn(text, { kind, chosen: ['heron'] })).toEqual(wanted));
  test('keep the whole text: nothing is lost between the parts', () =>
    fc.assert(
      fc.property(fc.string({ maxLength: 80 }), (text) => {
        const plain = text.replace(/[[\]]/g, '');
        expect(
          partsOf(plain, { kind: 'every', every: 3, chosen: [] })
            .map((part) => part.text)
            .join(''),
        ).toBe(plain);
      }),
    ));
  test('stand over their places in the text, all equally long', async () => {
    const { group } = await made(beginPractice('gaps'));
    const boxes = parts(group, 'gap').filter((item) => item.kind === 'text');
    expect(boxes).toHaveLength(4);
    const widths = boxes.map(({ width }) => width);
    expect(Math.max(...widths) - Math.min(...widths)).toBeLessThan(1);
  });
});

describe('bingo', () => {
  test('cards for a class of 30 and more are all different', () => {
    const things = beginPractice('bingo').things;
    const cards = Array.from({ length: 40 }, (_, seed) =>
      bingoCard(things, 8, seed)
        .map(({ word }) => word)
        .sort()
        .join(),
    );
    expect(new Set(cards).size).toBe(40);
    expect(CARDS).toBeGreaterThan(40);
  });
  test('too few things for a card are said with both numbers', async () => {
    const { notes } = await made({ ...beginPractice('bingo'), across: 5 });
    expect(notes[0]).toMatch(/needs 24 things; there are 14/);
  });
});

test('dominoes lie in a ring: each right side has its left on one other piece', async () => {
  const { group } = await made(beginPractice('dominoes'), 8);
  const word = (picture: string) => SHORE.find((thing) => thing.picture === picture)!.word;
  const lefts = said(parts(group, 'left')).map(word);
  const rights = said(parts(group, 'right'));
  let at = 0;
  for (let n = 0; n < lefts.length; n++) at = lefts.indexOf(rights[at]);
  expect(at).toBe(0);
  expect(new Set(lefts).size).toBe(lefts.length);
});

test('colouring by numbers: each number stands on a part of its own', () => {
  const regions = regionsOf(shippedPicture('flat/frog')!);
  expect(regions.length).toBeGreaterThan(2);
  expect(new Set(regions.map(({ x, y }) => `${x},${y}`)).size).toBe(regions.length);
});

test('colouring an own picture by numbers: on what it shows, by its colours, and not on the ground around it', () => {
  const own = ownPicture();
  const cells = Array.from({ length: 24 * 12 }, (_, i) =>
    i % 24 < 6 || i % 24 >= 18 ? '#d5e3ee' : i % 24 < 12 ? '#d62f2f' : '#2f9e44',
  );
  const mosaic = { columns: 24, rows: 12, cells };
  const regions = regionsOf({ ...own, raster: { ...own.raster!, mosaic } });
  expect(regions).toHaveLength(2);
  expect(new Set(regions.map(({ colour }) => colour)).size).toBe(2);
  for (const { x, y } of regions) expect([x > 100 && x < 300, y > 50 && y < 150]).toEqual([true, true]);
});

test('a recipe out of its bounds is refused', () => {
  expect(Schema.safeParse({ ...beginPractice('matching'), count: 40 }).success).toBe(false);
  expect(Schema.safeParse({ ...beginPractice('clocks'), step: 7 }).success).toBe(false);
  expect(Schema.safeParse({ ...beginPractice('bingo'), type: 'lotto' }).success).toBe(false);
});
