import { placeBeside } from '../core/items/beside';
import { patchOver } from '../core/pictures/patch';
import { creditLine } from '../core/proof/credits';
import type { Clearing } from '../core/raster/recipe';
import { defaultRoles, page, picture, plain, shape, sheet, solid, text } from '../core/schema/defaults';
import type { Item, Page, Sheet, TextBody } from '../core/schema/sheet';
import { LITTER } from './photos';

/** A poster made of a teacher's own photos: cropped, cut, without litter or background, with others waiting beside the page. */

export const AWAY: Clearing = { border: true, spots: [{ x: 0.06, y: 0.94 }], tolerance: 0.18, soft: 0.15, strokes: [] };

type Given = Omit<Parameters<typeof picture>[0], 'picture'>;
const drawn = (name: string, given: Given) =>
  picture({ picture: `drawn/${name}`, alt: name, credit: 'Drawn for Dappled Margin', ...given });
/** A drawing in the greens of the sheet. */
const GREENS = { brightness: 0, contrast: 0, twoColours: { dark: '#2f4d26', light: '#dfe8d0' }, tint: null };

const points = (lines: readonly string[]): TextBody =>
  lines.map((line) => ({ format: { list: 'bullet' as const, before: 5 }, runs: [{ text: line, style: {} }] }));

/** @param photos the ids of the one on the mud and the one against the sky; @param colourAt what the first shows at a spot, in shares */
export function curlewSheet(
  { mud, sky }: { mud: string; sky: string },
  credit: string,
  colourAt: (x: number, y: number) => string | null,
): Sheet {
  const items: Item[] = [
    text({ id: 'title', role: 'title', x: 48, y: 36, width: 420, height: 52, body: plain('The curlew') }),
    text({
      id: 'lead',
      role: 'instruction',
      x: 48,
      y: 88,
      width: 420,
      height: 26,
      body: plain('Its bill is as long as your hand, and finds worms that nobody sees.'),
    }),
    picture({
      id: 'bird',
      picture: sky,
      credit,
      alt: 'Curlew from the side',
      x: 392,
      y: 132,
      width: 364,
      height: 250,
      clearing: AWAY,
    }),
    picture({
      id: 'photo',
      picture: mud,
      credit,
      alt: 'Curlew on the mud',
      x: 52,
      y: 132,
      width: 316,
      height: 256,
      crop: { x: 0.14, y: 0.12, width: 0.78, height: 0.86 },
      cut: 'rectangle',
      patches: [patchOver(LITTER, true, colourAt)],
    }),
    text({
      id: 'facts',
      role: 'body',
      x: 48,
      y: 404,
      width: 320,
      height: 140,
      body: points([
        'It walks on the mud at low tide and feels for food with the tip of its bill.',
        'At high tide it sleeps on one leg, on the highest part of the marsh.',
        'It nests on the ground, far from trees.',
      ]),
    }),
    text({ id: 'menu', role: 'heading', x: 400, y: 416, width: 240, height: 30, body: plain('What it eats') }),
    ...['ragworm', 'cockle', 'mussel'].map((name, i) =>
      drawn(name, { id: name, x: 404 + i * 80, y: 462, width: 64, height: 64 }),
    ),
    drawn('binoculars', { id: 'watch', x: 672, y: 452, width: 76, height: 76, tone: GREENS }),
    shape({
      id: 'ground',
      shape: 'rectangle',
      x: 388,
      y: 124,
      width: 368,
      height: 272,
      adjust: [0.06],
      fill: solid('#dfe8d0'),
      outline: null,
    }),
  ];
  let made: Page = page({ id: 'page1', items });
  for (const name of ['oystercatcher', 'avocet', 'curlew']) {
    const place = { ...placeBeside(made, 130, 130), width: 130, height: 130 };
    made = { ...made, items: [...made.items, drawn(name, { id: `waits-${name}`, ...place })] };
  }
  const line = text({
    id: 'credits',
    role: 'caption',
    follows: 'credits',
    x: 48,
    y: 568,
    width: 700,
    height: 24,
    body: plain(creditLine(made)),
  });
  return sheet({ title: 'The curlew', roles: defaultRoles(), pages: [{ ...made, items: [line, ...made.items] }] });
}
