import { covers, flatten } from '../../geometry/flatten';
import { solid } from '../../schema/defaults';
import { distance, labOf } from '../../colour/space';
import type { DrawnPicture, Raster } from '../../pictures/picture';
import { patchesOf } from '../../raster/patches';
import { shuffled } from '../kit/shuffle';
import type { PracticeDraft as Draft } from './draft';
import { between, inset } from './draft';
import type { RecipeFor } from '../../schema/recipes/practice';

/** For small hands: words and ways to trace, pictures to colour in. */

export function drawTracing(draft: Draft, recipe: RecipeFor<'tracing'>): void {
  const {
    area,
    em,
    random,
    recipe: { ink },
  } = draft;
  const rows = recipe.words.length + recipe.ways;
  if (rows === 0) return void draft.notes.push('Write the words to be traced, or ask for paths.');
  const boxes = draft.grid(1, rows, em * 0.7);
  const faint = { colour: '#b9b29c', width: 0.6, dash: 'solid' as const };
  boxes.slice(0, recipe.words.length).forEach((row, i) => {
    const word = recipe.words[i];
    const size = Math.min(row.height * 0.62, em * 3.4);
    const middle = row.y + row.height / 2;
    // Where letters stand, and how high small ones reach.
    for (const [up, dash] of [
      [-0.72, 'solid'],
      [-0.18, 'dashed'],
      [0.36, 'solid'],
    ] as const)
      draft.line('guide', area.x, middle + up * size, area.x + area.width, middle + up * size, {
        outline: { ...faint, dash },
      });
    const across = area.width / recipe.copies;
    for (let n = 0; n < recipe.copies; n++)
      draft.words(
        n === 0 ? 'model' : 'trace',
        word,
        { x: row.x + n * across, y: row.y, width: across - em, height: row.height },
        {
          style: { font: 'dots', size, colour: n === 0 ? ink : '#8a8471' },
          align: 'left',
        },
      );
  });
  const forms = ['straight', 'waves', 'zigzag', 'loops'] as const;
  const first = between(random, 0, 3);
  boxes.slice(recipe.words.length).forEach((row, i) => {
    const form = forms[(i + first) % forms.length];
    const middle = row.y + row.height / 2;
    const [start, end] = [row.x + em * 2, row.x + row.width - em * 2];
    const high = Math.min(row.height * 0.34, em * 2);
    const points = wayPoints(form, start, end, middle, high, random);
    draft.line('way', start, middle, end, middle, {
      via: points.map(({ x, y }) => ({ x: Math.round(x * 100) / 100, y: Math.round(y * 100) / 100 })),
      route: form === 'straight' || form === 'zigzag' ? 'straight' : 'curved',
      outline: { colour: '#8a8471', width: Math.max(1.2, em * 0.14), dash: 'dotted' },
    });
    draft.frame(
      'start',
      { x: start - em * 0.9, y: middle - em * 0.45, width: em * 0.9, height: em * 0.9 },
      { shape: 'ellipse', fill: solid(ink), outline: null },
    );
    draft.frame('end', { x: end, y: middle - em * 0.45, width: em * 0.9, height: em * 0.9 }, { shape: 'ellipse' });
  });
}

function wayPoints(
  form: 'straight' | 'waves' | 'zigzag' | 'loops',
  start: number,
  end: number,
  y: number,
  high: number,
  random: () => number,
) {
  if (form === 'straight') return [];
  const count = between(random, 5, 8) * 2;
  const step = (end - start) / count;
  const points = Array.from({ length: count - 1 }, (_, i) => ({
    x: start + (i + 1) * step,
    y: y + (i % 2 === 0 ? -high : high),
  }));
  if (form !== 'loops') return points;
  // Each loop runs back over the one before it.
  return points
    .flatMap((point, i) =>
      i % 2 === 0
        ? [
            { x: point.x + step * 0.8, y: point.y },
            { x: point.x - step * 0.8, y: point.y },
          ]
        : [point],
    )
    .slice(0, 58);
}

export const COLOURS: readonly { name: string; hex: string }[] = [
  { name: 'red', hex: '#d64533' },
  { name: 'orange', hex: '#f08a24' },
  { name: 'yellow', hex: '#f7d33c' },
  { name: 'green', hex: '#4f9d45' },
  { name: 'blue', hex: '#2f72b8' },
  { name: 'purple', hex: '#8a4fa3' },
  { name: 'pink', hex: '#f09ab5' },
  { name: 'brown', hex: '#8a5a33' },
  { name: 'grey', hex: '#9a9a9a' },
  { name: 'black', hex: '#2a2820' },
  { name: 'white', hex: '#ffffff' },
];
const nearestColour = (hex: string) => {
  const far = COLOURS.map((colour) => distance(labOf(colour.hex), labOf(hex)));
  return far.indexOf(Math.min(...far));
};

export type Region = { x: number; y: number; colour: number };

/**
 * The parts of a picture that are large enough to colour in, each by a point that nothing in front of it covers and the
 * nearest of the named colours. In the picture's own units.
 */
export function regionsOf(picture: DrawnPicture): Region[] {
  if (picture.raster) return regionsOfPixels(picture, picture.raster);
  const flat = picture.paths.map(({ d, fill }) => ({ shape: flatten(d), fill }));
  const out: Region[] = [];
  flat.forEach(({ shape, fill }, i) => {
    if (!fill) return;
    const { box } = shape;
    if (box.width * box.height < picture.width * picture.height * 0.012) return;
    let best: { x: number; y: number; room: number } | null = null;
    const free = (x: number, y: number) =>
      covers(shape, { x, y }) && !flat.slice(i + 1).some((other) => other.fill && covers(other.shape, { x, y }));
    for (let gx = 1; gx < 12; gx++)
      for (let gy = 1; gy < 12; gy++) {
        const [x, y] = [box.x + (box.width * gx) / 12, box.y + (box.height * gy) / 12];
        if (!free(x, y)) continue;
        // As far from any edge as can be: a number has to have room.
        let room = 0;
        const step = Math.max(picture.width, picture.height) / 40;
        while (
          room < 6 &&
          [
            [1, 0],
            [-1, 0],
            [0, 1],
            [0, -1],
          ].every(([dx, dy]) => free(x + dx * step * (room + 1), y + dy * step * (room + 1)))
        )
          room++;
        if (!best || room > best.room) best = { x, y, room };
      }
    if (best && best.room >= 1) out.push({ x: best.x, y: best.y, colour: nearestColour(fill) });
  });
  return out;
}

function regionsOfPixels({ paths, width, height }: DrawnPicture, { mosaic }: Raster): Region[] {
  const { columns, rows, cells } = mosaic;
  const outline = flatten(paths[0].d);
  const middle = (i: number) => ({
    x: (((i % columns) + 0.5) / columns) * width,
    y: ((Math.floor(i / columns) + 0.5) / rows) * height,
  });
  // The ground around what it shows is not to be coloured.
  const shown = cells.map((hex, i) => (covers(outline, middle(i), true) ? hex : ''));
  return patchesOf({ columns, rows, cells: shown }, nearestColour).map(({ x, y, kind }) => ({
    x: x * width,
    y: y * height,
    colour: kind,
  }));
}

export function drawColouring(draft: Draft, recipe: RecipeFor<'colouring'>): void {
  const { area, em, random, kit } = draft;
  const things = shuffled(
    recipe.things.filter(({ picture }) => picture),
    random,
  ).slice(0, recipe.count);
  if (things.length === 0) return void draft.notes.push('Pick the pictures to be coloured in.');
  const legend = recipe.key ? em * 2.4 : 0;
  draft.area = { ...area, height: area.height - legend };
  const columns = draft.columnsFor(things.length, 1);
  const used = new Map<number, number>();
  draft.grid(columns, Math.ceil(things.length / columns), em).forEach((cell, i) => {
    const thing = things[i];
    if (!thing) return;
    const item = draft.picture('picture', thing.picture!, inset(cell, em * 0.3), true);
    const drawn = kit.pictures(thing.picture!);
    if (!recipe.key || !drawn || item.kind !== 'picture') return;
    for (const { x, y, colour } of regionsOf(drawn)) {
      if (!used.has(colour)) used.set(colour, used.size + 1);
      const at = { x: item.x + (x / drawn.width) * item.width, y: item.y + (y / drawn.height) * item.height };
      draft.words(
        'number',
        `${used.get(colour)}`,
        { x: at.x - em * 0.7, y: at.y - em * 0.7, width: em * 1.4, height: em * 1.4 },
        { style: { size: em * 0.9 } },
      );
    }
  });
  const wide = area.width / Math.max(1, used.size);
  [...used].forEach(([colour, number], i) => {
    const { name, hex } = COLOURS[colour];
    const x = area.x + i * wide;
    const y = area.y + area.height - legend + em * 0.8;
    draft.frame('swatch', { x, y, width: em * 1.3, height: em * 1.3 }, { shape: 'ellipse', fill: solid(hex) });
    draft.words(
      'colour',
      `${number} ${name}`,
      { x: x + em * 1.6, y, width: wide - em * 1.8, height: em * 1.3 },
      { align: 'left' },
    );
  });
}
