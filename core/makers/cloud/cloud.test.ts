import { readdirSync } from 'node:fs';
import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { contrastOf } from '../../colour/space';
import { drawPage } from '../../items/draw';
import type { DisplayNode } from '../../drawing/list';
import { flatten } from '../../geometry/flatten';
import type { Matrix } from '../../geometry/matrix';
import { multiply, transform } from '../../geometry/matrix';
import { seeded } from '../../values/random';
import { page, sheet, DEFAULT_PALETTE } from '../../schema/defaults';
import { bodyText } from '../../text/body';
import type { GroupItem, TextItem } from '../../schema/sheet';
import { madeFrom, shippedPicture, testKit, withoutPart, withPart, again } from '../../../tests/support/made';
import type { Kit } from '../kit/maker';
import { beginCloud } from './begin';
import { addFilled, countOf, depths, grid, grownBy, has, meets, stamp, touched } from './mask';
import { shuffled } from '../kit/shuffle';
import type { CloudShape } from '../../schema/recipes/cloud';
import { CloudRecipe } from '../../schema/recipes/cloud';
import { ownPicture } from '../../../tests/support/own';
import { areaOf } from './silhouette';

let kit: Kit;
beforeAll(async () => {
  kit = await testKit();
});

const SIZE = { width: 480, height: 360 };
const recipe = (values: Partial<CloudRecipe> = {}): CloudRecipe => ({ ...beginCloud(DEFAULT_PALETTE), ...values });
const words = (made: GroupItem) => made.items as TextItem[];
const sizeOf = (item: TextItem) => item.body[0].runs[0].style.size!;

/** The outlines of each word's glyphs as they are drawn, in page coordinates times `fine`. */
function drawnRings(made: GroupItem, fine: number): Map<string, number[][]> {
  const out = new Map<string, number[][]>();
  for (const item of made.items) {
    const alone = page({ id: 'p', ...SIZE, background: null, items: [{ ...made, items: [item] }] });
    const rings: number[][] = [];
    const walk = (node: DisplayNode, matrix: Matrix) => {
      if (node.kind === 'group') {
        const inner = node.matrix ? multiply(matrix, node.matrix) : matrix;
        for (const child of node.children) walk(child, inner);
      } else if (node.kind === 'glyphs')
        for (const glyph of node.glyphs) {
          const at = { x: node.x + glyph.x, y: node.y + glyph.y };
          for (const ring of flatten(kit.faces.placed(node.file, glyph.id, node.size, [1, 0, 0, 1], at)).rings) {
            const points: number[] = [];
            for (let i = 0; i < ring.length; i += 2) {
              const { x, y } = transform(matrix, { x: ring[i], y: ring[i + 1] });
              points.push(x * fine, y * fine);
            }
            rings.push(points);
          }
        }
    };
    for (const node of drawPage(sheet({ title: '', pages: [alone] }), alone, kit).nodes) walk(node, [1, 0, 0, 1, 0, 0]);
    out.set(item.id, rings);
  }
  return out;
}

/** Every pixel of the drawn words, three to a point: how many belong to two of them, and how many lie outside the area. */
function pixelsOf(made: GroupItem, shape: CloudShape) {
  const fine = 3;
  const [width, height] = [SIZE.width * fine, SIZE.height * fine];
  const { area } = areaOf(shape, width, height, kit);
  const seen = new Uint8Array(width * height);
  let [twice, outside, all] = [0, 0, 0];
  for (const rings of drawnRings(made, fine).values()) {
    const { x: left, y: top, width: wide, height: high } = touched(rings)!;
    const mask = grid(wide, high);
    addFilled(
      mask,
      rings.map((ring) => ring.map((value, i) => value - (i % 2 === 0 ? left : top))),
    );
    for (let y = 0; y < high; y++)
      for (let x = 0; x < wide; x++)
        if (has(mask, x, y)) {
          all++;
          const at = (y + top) * width + x + left;
          if (at < 0 || at >= seen.length || !has(area, x + left, y + top)) outside++;
          else if (seen[at]++) twice++;
        }
  }
  return { twice, outside: outside / all, share: all / countOf(area) };
}

describe('masks', () => {
  const square = [[2, 2, 8, 2, 8, 6, 2, 6]];
  it('fill the cells whose middles lie inside, and touch all that edges run through', () => {
    const mask = grid(12, 10);
    addFilled(mask, square);
    expect(countOf(mask)).toBe(24);
    expect(countOf(touched([[2.5, 2.5, 7.5, 2.5, 7.5, 5.5, 2.5, 5.5]])!)).toBe(24);
    expect(touched([])).toBeNull();
  });

  it('fill by the even-odd rule, or not', () => {
    const inner = [4, 3, 6, 3, 6, 5, 4, 5];
    const [even, winding] = [grid(12, 10), grid(12, 10)];
    addFilled(even, [...square, inner], true);
    addFilled(winding, [...square, inner], false);
    expect([countOf(even), countOf(winding)]).toEqual([20, 24]);
  });

  it('meet at any place, across the borders of numbers, and can be taken off again', () => {
    const board = grid(200, 40);
    const word = touched([[0.5, 0.5, 44.5, 0.5, 44.5, 9.5, 0.5, 9.5]])!;
    for (const px of [0, 1, 17, 31, 32, 33, 100]) {
      stamp(board, word, px, 5);
      expect(countOf(board)).toBe(450);
      expect(meets(board, word, px + 44, 14)).toBe(true);
      expect(meets(board, word, px + 45, 5)).toBe(false);
      expect(meets(board, word, px, 15)).toBe(false);
      stamp(board, word, px, 5, false);
      expect(countOf(board)).toBe(0);
    }
  });

  it('grow by cells each way, and know how deep each cell lies', () => {
    const mask = grid(70, 11);
    addFilled(mask, [[31, 5, 33, 5, 33, 6, 31, 6]]);
    expect(countOf(grownBy(mask, 1))).toBe(12);
    const deep = depths(grownBy(mask, 2));
    expect(Math.max(...deep)).toBe(3);
    expect(deep[0]).toBe(0);
  });
});

describe('a word cloud', () => {
  const shapes: [string, CloudShape, CloudRecipe['angles']][] = [
    ['a rectangle, level', { kind: 'frame' }, 'level'],
    ['a round, crossed', { kind: 'round' }, 'crossed'],
    ['a crab, at any angle', { kind: 'picture', picture: 'flat/crab' }, 'any'],
    ['a letter, slightly turned', { kind: 'letters', letters: 'S', font: 'fredoka' }, 'slight'],
  ];
  it.each(shapes)('never lets words overlap or leave %s, over several seeds', async (_, shape, angles) => {
    for (const seed of [1, 2, 3]) {
      const { group, notes } = await madeFrom('cloud', recipe({ shape, angles, size: 5 }), kit, { ...SIZE, seed });
      expect(notes).toEqual([]);
      expect(group.items).toHaveLength(20);
      const { twice, outside, share } = pixelsOf(group, shape);
      expect(twice).toBe(0);
      expect(outside).toBeLessThan(0.02);
      expect(share).toBeGreaterThan(0.16);
    }
  });

  it('fills any shipped silhouette: every word finds its place in it', async () => {
    const folder = '.generated/pictures/silhouette';
    const names = shuffled(
      readdirSync(folder).filter((name) => name.endsWith('.json')),
      seeded(5),
    ).slice(0, 24);
    for (const name of names) {
      const picture = `silhouette/${name.replace('.json', '')}`;
      const few = recipe().words.slice(0, 9);
      const { group, notes } = await madeFrom(
        'cloud',
        recipe({ words: few, shape: { kind: 'picture', picture }, size: 5 }),
        kit,
        SIZE,
      );
      expect([picture, notes, group.items.length]).toEqual([picture, [], 9]);
    }
  });

  it('begins in colours that can be read on paper, whatever the palette', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 0xffffff }), { maxLength: 10 }), (numbers) => {
        const palette = numbers.map((n) => `#${n.toString(16).padStart(6, '0')}`);
        const { colours } = beginCloud(palette);
        expect(colours.length).toBeGreaterThan(0);
        for (const hex of colours) expect(contrastOf(hex, '#fffdf6')).toBeGreaterThan(4.4);
        expect(CloudRecipe.safeParse(beginCloud(palette)).success).toBe(true);
      }),
    );
  });

  it('sets long phrases in two lines, or in one', async () => {
    const phrase = [{ text: 'roots hold the mud together', weight: 1 }];
    const [two, one] = await Promise.all(
      [true, false].map((wrap) => madeFrom('cloud', recipe({ words: phrase, wrap, angles: 'level' }), kit, SIZE)),
    );
    expect(words(two.group)[0].body).toHaveLength(2);
    expect(words(one.group)[0].body).toHaveLength(1);
    expect(sizeOf(words(two.group)[0])).toBeGreaterThan(sizeOf(words(one.group)[0]));
  });

  it('colours words by their weight where it is asked to, and sets them in each of its faces', async () => {
    const look = {
      tint: 'weight' as const,
      colours: ['#111111', '#222222', '#333333'],
      font: ['fredoka', 'andika'],
      spread: 1,
    };
    const { group } = await madeFrom('cloud', recipe(look), kit, SIZE);
    const by = new Map(
      words(group).map((item) => [bodyText(item.body).replace('\n', ' '), item.body[0].runs[0].style]),
    );
    expect([by.get('salt marsh')!.colour, by.get('ebb')!.colour]).toEqual(['#111111', '#333333']);
    expect(new Set([...by.values()].map(({ font }) => font))).toEqual(new Set(['fredoka', 'andika']));
  });

  it('turns words only as it is told', async () => {
    const angles = async (kind: CloudRecipe['angles']) =>
      new Set(
        words((await madeFrom('cloud', recipe({ angles: kind }), kit, { ...SIZE, seed: 3 })).group).map(
          ({ angle }) => angle,
        ),
      );
    expect(await angles('level')).toEqual(new Set([0]));
    expect([...(await angles('crossed'))].every((angle) => angle === 0 || angle === 270)).toBe(true);
    expect([...(await angles('slight'))].every((angle) => angle <= 18 || angle >= 342)).toBe(true);
    expect((await angles('any')).size).toBeGreaterThan(8);
  });

  it('leaves more room around words where it is asked to', async () => {
    const share = async (air: number) =>
      pixelsOf((await madeFrom('cloud', recipe({ air, size: 5 }), kit, SIZE)).group, { kind: 'round' }).share;
    expect(await share(0.4)).toBeLessThan(await share(0));
  });

  it('is the same for the same seed, and another for another', async () => {
    const make = async (seed: number) => (await madeFrom('cloud', recipe(), kit, { ...SIZE, seed })).group.items;
    expect(await make(4)).toEqual(await make(4));
    expect(await make(4)).not.toEqual(await make(5));
  });

  it('gives heavier words larger letters', async () => {
    const { group } = await madeFrom('cloud', recipe({ angles: 'level', spread: 1 }), kit, SIZE);
    const size = new Map(words(group).map((item) => [bodyText(item.body).replace('\n', ' '), sizeOf(item)]));
    expect(size.get('salt marsh')!).toBeGreaterThan(size.get('ebb')!);
    expect(size.get('tide')!).toBeGreaterThanOrEqual(size.get('mud')!);
    expect(size.get('creek')!).toBeGreaterThan(size.get('eel')!);
  });

  it('fills its shape the more with words set again', async () => {
    const shape = { kind: 'letters', letters: 'M', font: 'fredoka' } as const;
    const once = await madeFrom('cloud', recipe({ shape, size: 5 }), kit, SIZE);
    const full = await madeFrom('cloud', recipe({ shape, size: 5, repeat: true }), kit, SIZE);
    expect(full.group.items.length).toBeGreaterThan(once.group.items.length * 4);
    const share = pixelsOf(full.group, shape);
    expect(share.twice).toBe(0);
    expect(share.share).toBeGreaterThan(pixelsOf(once.group, shape).share * 1.2);
  });

  it('lists what found no room, with what would help, and sets nothing below the least size', async () => {
    const many = Array.from({ length: 200 }, (_, i) => ({ text: `marsh word ${i}`, weight: 1 }));
    const { group, notes } = await madeFrom('cloud', recipe({ words: many, size: 24 }), kit, SIZE);
    expect(group.items.length).toBeGreaterThan(5);
    expect(group.items.length).toBeLessThan(200);
    expect(notes[0]).toMatch(/^“marsh word .+ and \d+ more found no room\. Make the frame larger/);
    expect(Math.min(...words(group).map(sizeOf))).toBeGreaterThanOrEqual(23.9);
  });

  it('takes a word of 300 letters for what it is', async () => {
    const long = [
      { text: 'a'.repeat(120), weight: 9 },
      { text: 'tide', weight: 1 },
    ];
    const { group, notes } = await madeFrom('cloud', recipe({ words: long, size: 12 }), kit, {
      width: 200,
      height: 150,
    });
    expect(words(group).map((item) => bodyText(item.body))).toEqual(['tide']);
    expect(notes[0]).toContain('found no room');
  });

  it('fills the frame where a silhouette has no area, and says so', async () => {
    const drawn = { ...shippedPicture('flat/crab')!, id: 'flat/dot' };
    const dot = { ...drawn, paths: [{ ...drawn.paths[0], d: 'M1 1L2 1L2 1.001L1 1.001Z', stroke: null, width: 0 }] };
    const dotted = { ...kit, pictures: (id: string) => (id === 'flat/dot' ? dot : shippedPicture(id)) };
    const shape = { kind: 'picture', picture: 'flat/dot' } as const;
    const { group, notes } = await madeFrom('cloud', recipe({ shape }), dotted, SIZE);
    expect(group.items).toHaveLength(20);
    expect(notes).toEqual([expect.stringContaining('almost no area')]);
    const gone = await madeFrom('cloud', recipe({ shape: { kind: 'picture', picture: 'flat/none' } }), kit, SIZE);
    expect(gone.notes[0]).toContain('no longer here');
    const blank = await madeFrom(
      'cloud',
      recipe({ shape: { kind: 'letters', letters: ' ', font: 'andika' } }),
      kit,
      SIZE,
    );
    expect(blank.notes[0]).toContain('almost no area');
  });

  it('says what to do where there are no words', async () => {
    const { group, notes } = await madeFrom('cloud', recipe({ words: [] }), kit, SIZE);
    expect(group.items).toEqual([]);
    expect(notes).toEqual(['There are no words yet. Type some, or take them from a text.']);
  });

  it('keeps the looks a word was given by hand, wherever it stands in the list, and what was taken away', async () => {
    const first = await madeFrom('cloud', recipe(), kit, SIZE);
    const heron = words(first.group).find((item) => bodyText(item.body) === 'heron')!;
    const eel = words(first.group).find((item) => bodyText(item.body) === 'eel')!;
    const framed = { colour: '#b0442a', width: 2, dash: 'solid' as const };
    const changed = withoutPart(
      withPart(first.group, heron.made!.part, { outline: framed, x: heron.x + 200 } as Partial<TextItem>),
      eel.made!.part,
    );
    const longer = recipe({ words: [{ text: 'otter', weight: 8 }, ...recipe().words] });
    const { group } = await again({ group: changed, state: { kind: 'cloud', recipe: longer, seed: 1 } }, kit);
    const now = words(group).find((item) => bodyText(item.body) === 'heron')!;
    expect(now.outline).toEqual(framed);
    expect(words(group).some((item) => bodyText(item.body) === 'eel')).toBe(false);
    expect(words(group).some((item) => bodyText(item.body) === 'otter')).toBe(true);
    // It was placed among the others, not where it had been moved to.
    expect(pixelsOf(group, { kind: 'round' }).twice).toBe(0);
  });

  it('tells how far it is, and ends when it is told to', async () => {
    const shares: number[] = [];
    const watched = { ...kit, rest: async (share: number) => void shares.push(share) };
    await madeFrom('cloud', recipe(), watched, SIZE);
    expect(shares.length).toBeGreaterThan(1);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    const stopped = {
      ...kit,
      rest: async () => {
        throw new Error('stopped');
      },
    };
    await expect(madeFrom('cloud', recipe(), stopped, SIZE)).rejects.toThrow('stopped');
  });
});

describe('a cloud in an own picture', () => {
  const shape: CloudShape = { kind: 'picture', picture: ownPicture().id };
  const withOwn = (outlined: boolean) => {
    const own = ownPicture();
    const given = { ...own, raster: { ...own.raster!, outlined } };
    return { ...kit, pictures: (id: string) => (id === own.id ? given : kit.pictures(id)) };
  };
  it('fills its outline and nothing else', async () => {
    const { area, note } = areaOf(shape, 400, 300, withOwn(true));
    expect(note).toBeNull();
    // The square within the picture is twice as wide as high, and is made as wide as the frame.
    expect(Math.abs(countOf(area) - 400 * 200)).toBeLessThan(1600);
    expect([has(area, 200, 20), has(area, 200, 150)]).toEqual([false, true]);
  });
  it('says so where the picture has none but its frame', () =>
    expect(areaOf(shape, 400, 300, withOwn(false)).note).toMatch(/plain or clear ground/));
});
