import { free, group, ink, line, page, picture, plain, shape, sheet, solid, text } from '../core/schema/defaults';
import type { Item, Paint, RunStyle, Sheet, TextItem } from '../core/schema/sheet';

/** Two sheets to hang up: a poster of the marsh at night, and the salt marsh on one page. */

const linear = (angle: number, ...stops: [number, string, number?][]): Paint => ({
  kind: 'linear',
  angle,
  stops: stops.map(([offset, colour, opacity = 1]) => ({ offset, colour, opacity })),
});
const radial = (x: number, y: number, reach: number, ...stops: [number, string, number?][]): Paint => ({
  kind: 'radial',
  x,
  y,
  reach,
  stops: stops.map(([offset, colour, opacity = 1]) => ({ offset, colour, opacity })),
});
const words = (style: RunStyle, ...lines: string[]) =>
  lines.map((line) => ({ format: {}, runs: [{ text: line, style }] }));
const flat = (id: string, name: string, x: number, y: number, width: number, more = {}): Item =>
  picture({
    id,
    picture: `flat/${name}`,
    alt: name.replace(/-/g, ' '),
    credit: 'Fluent Emoji (flat), Microsoft, MIT',
    x,
    y,
    width,
    height: width,
    ...more,
  });

const NIGHT = [
  '#0e1a30',
  '#1d3557',
  '#35577d',
  '#f6e7b4',
  '#ffd97a',
  '#f2f4ec',
  '#9fc3a8',
  '#5b8f73',
  '#e28a5b',
  '#ffffff',
];

/** A star of four points, small or large. */
const sparkle = (id: string, x: number, y: number, size: number, opacity = 0.9): Item =>
  shape({ id, shape: 'star-four', x, y, width: size, height: size, fill: solid('#fff3c9', opacity), outline: null });

/** What an animal says about itself, in a balloon whose tail points at it. */
const says = (
  id: string,
  given: Partial<TextItem> & { x: number; y: number; width: number },
  tail: number[],
  line: string,
) =>
  shape({
    id,
    shape: 'balloon',
    height: 84,
    fill: solid('#f2f4ec', 0.96),
    outline: null,
    adjust: tail,
    padding: 6,
    shadow: { dx: 0, dy: 4, blur: 10, colour: '#0e1a30', opacity: 0.45 },
    body: words({ font: 'fredoka', size: 15.5, colour: '#1d3557' }, line),
    ...(given as object),
  });

/** A3, portrait. */
export function nightPoster(): Sheet {
  const [width, height] = [841.89, 1190.55];
  const items: Item[] = [
    text({
      id: 'title',
      role: 'title',
      x: 60,
      y: 44,
      width: width - 120,
      height: 250,
      padding: 4,
      vertical: 'middle',
      fit: 'width',
      body: words({ font: 'bungee', bold: false }, 'AFTER DARK'),
      lettering: {
        curve: 'arch',
        amount: 0.42,
        fill: linear(90, [0, '#fff6d2'], [0.55, '#ffd97a'], [1, '#e28a5b']),
        outline: { colour: '#0e1a30', width: 7, dash: 'solid' },
      },
      shadow: { dx: 0, dy: 6, blur: 12, colour: '#060c18', opacity: 0.7 },
    }),
    text({
      id: 'under-title',
      role: 'heading',
      x: 150,
      y: 268,
      width: width - 300,
      height: 40,
      fit: 'width',
      body: words(
        { font: 'fredoka', colour: '#f6e7b4', bold: false },
        'who is awake in the salt marsh when we are asleep?',
      ),
    }),
    flat('owl', 'owl', 92, 380, 178),
    says(
      'owl-says',
      { x: 268, y: 352, width: 218 },
      [0.06, 0.98, 0.3],
      'My feathers are so soft that nobody hears me fly.',
    ),
    flat('bat', 'bat', 628, 384, 150),
    says(
      'bat-says',
      { x: 404, y: 462, width: 214 },
      [0.98, 0.16, 0.3],
      'I find moths with my ears: I shout, and listen.',
    ),
    flat('hedgehog', 'hedgehog', 586, 700, 160),
    says(
      'hedgehog-says',
      { x: 344, y: 660, width: 226 },
      [0.98, 0.86, 0.3],
      'A hundred beetles a night, please. And worms!',
    ),
    flat('frog', 'frog', 118, 850, 150, { reflection: 0.4 }),
    says(
      'frog-says',
      { x: 258, y: 826, width: 214 },
      [0.02, 0.74, 0.3],
      'I sing when it rains. My skin must stay wet.',
    ),
    flat('otter', 'otter', 476, 874, 166),
    says('otter-says', { x: 640, y: 872, width: 162 }, [0.04, 0.9, 0.3], 'Fish sleep too. I do not.'),
    group({
      id: 'do',
      x: 70,
      y: 1062,
      width: width - 140,
      height: 92,
      items: [
        text({
          id: 'do-words',
          role: 'body',
          x: 140,
          y: 12,
          width: width - 140 - 160,
          height: 68,
          padding: 0,
          vertical: 'middle',
          fit: 'shrink',
          body: [
            {
              format: {},
              runs: [
                { text: 'You can help: ', style: { font: 'fredoka', size: 21, bold: true, colour: '#ffd97a' } },
                {
                  text: 'switch the garden light off at ten, and leave a gap under the fence.',
                  style: { font: 'fredoka', size: 21, colour: '#ffffff' },
                },
              ],
            },
          ],
        }),
        flat('lamp', 'light-bulb', 34, 12, 68),
        shape({
          id: 'do-ground',
          shape: 'ticket',
          width: width - 140,
          height: 92,
          fill: linear(0, [0, '#24426b'], [1, '#35577d']),
          outline: { colour: '#f6e7b4', width: 2, dash: 'dotted' },
        }),
      ],
    }),
    shape({
      id: 'water',
      shape: 'wave',
      x: -30,
      y: 880,
      width: width + 60,
      height: 330,
      adjust: [0.2],
      fill: linear(90, [0, '#35577d'], [0.5, '#1d3557'], [1, '#0e1a30']),
      outline: null,
    }),
    shape({
      id: 'near-hills',
      shape: 'hill',
      x: -40,
      y: 700,
      width: width + 80,
      height: 330,
      fill: linear(90, [0, '#2d5a4d'], [1, '#17352f']),
      outline: null,
    }),
    shape({
      id: 'far-hills',
      shape: 'hill',
      x: -160,
      y: 610,
      width: width + 420,
      height: 330,
      fill: linear(90, [0, '#3d6b76'], [1, '#25495a']),
      outline: null,
      flipX: true,
    }),
    ink({
      id: 'reed-1',
      x: 40,
      y: 640,
      width: 26,
      height: 250,
      weight: 5,
      colour: '#17352f',
      points: [0.1, 1, 0.7, 0.15, 0.7, 0.6, 0.4, 0.35, 0.5, 1, 0, 0.2],
    }),
    ink({
      id: 'reed-2',
      x: 74,
      y: 690,
      width: 20,
      height: 210,
      weight: 5,
      colour: '#17352f',
      points: [0.9, 1, 0.7, 0.8, 0.6, 0.6, 0.4, 0.3, 0.5, 0, 0, 0.2],
    }),
    shape({
      id: 'moon',
      shape: 'ellipse',
      x: 318,
      y: 470,
      width: 210,
      height: 210,
      fill: radial(0.4, 0.36, 1.05, [0, '#fffbe6'], [0.6, '#f6e7b4'], [1, '#d8bd74']),
      outline: null,
      shadow: { dx: 0, dy: 0, blur: 60, colour: '#f6e7b4', opacity: 0.8 },
    }),
    ...(
      [
        [70, 330, 24],
        [300, 326, 15],
        [520, 330, 18],
        [748, 350, 26],
        [60, 560, 18],
        [250, 600, 22],
        [560, 610, 15],
        [780, 600, 20],
        [700, 320, 11],
        [180, 322, 10],
      ] as const
    ).map(([x, y, size], i) => sparkle(`star-${i}`, x, y, size)),
  ];
  return sheet({
    title: 'After dark',
    unit: 'mm',
    palette: NIGHT,
    pages: [
      page({
        id: 'p1',
        width,
        height,
        margin: 28,
        background: radial(0.5, 0.48, 1.1, [0, '#3b5f8f'], [0.5, '#1d3557'], [1, '#0b1526']),
        items,
      }),
    ],
  });
}

type Zone = {
  id: string;
  x: number;
  name: string;
  what: string;
  why: string;
  fill: string;
  ink: string;
  animals: [string, number, number, number][];
};

const ZONES: Zone[] = [
  {
    id: 'low',
    x: 36,
    name: 'low marsh',
    what: 'Under water twice a day.',
    why: 'Glasswort lives here because it can drink salt.',
    fill: '#cfe3ea',
    ink: '#1f5673',
    animals: [
      ['crab', 24, 112, 46],
      ['shrimp', 88, 122, 38],
      ['fish', 146, 112, 44],
    ],
  },
  {
    id: 'middle',
    x: 282,
    name: 'middle marsh',
    what: 'Under water at spring tides.',
    why: 'Sea lavender flowers late, when the bees are hungry.',
    fill: '#e3ead2',
    ink: '#41602b',
    animals: [
      ['snail', 24, 120, 40],
      ['honeybee', 90, 108, 42],
      ['hyacinth', 148, 106, 50],
    ],
  },
  {
    id: 'high',
    x: 528,
    name: 'high marsh',
    what: 'Under water in storms.',
    why: 'Larks nest in the grass, for it stays dry until August.',
    fill: '#f6e6c8',
    ink: '#7a4d12',
    animals: [
      ['dove', 26, 112, 46],
      ['empty-nest', 90, 120, 40],
      ['rabbit', 146, 110, 48],
    ],
  },
];

function zone({ id, x, name, what, why, fill, ink: colour, animals }: Zone): Item {
  return group({
    id: `zone-${id}`,
    x,
    y: 146,
    width: 228,
    height: 236,
    items: [
      text({
        id: `${id}-name`,
        role: 'heading',
        x: 14,
        y: 10,
        width: 200,
        height: 30,
        padding: 2,
        body: words({ colour, size: 26 }, name),
      }),
      ...animals.map(([animal, ax, ay, size]) => flat(`${id}-${animal}`, animal, ax, ay - 32, size)),
      text({
        id: `${id}-what`,
        role: 'body',
        x: 12,
        y: 138,
        width: 204,
        height: 42,
        body: plain(what),
      }),
      text({ id: `${id}-why`, role: 'quote', x: 12, y: 178, width: 204, height: 46, body: plain(why) }),
      shape({
        id: `${id}-ground`,
        shape: 'round-across',
        width: 228,
        height: 236,
        adjust: [0.12],
        fill: linear(90, [0, fill], [1, '#fffefa']),
        outline: { colour, width: 1.4, dash: 'solid' },
      }),
    ],
  });
}

/** A number worth knowing, with what it counts. */
function fact(id: string, x: number, number: string, what: string, colour: string): Item[] {
  return [
    text({
      id: `${id}-number`,
      x,
      y: 390,
      width: 72,
      height: 50,
      padding: 2,
      fit: 'width',
      body: words({ font: 'anton', colour }, number),
    }),
    text({
      id: `${id}-what`,
      x: x + 78,
      y: 396,
      width: 138,
      height: 56,
      padding: 2,
      vertical: 'middle',
      fit: 'shrink',
      body: words({ size: 11.5 }, what),
    }),
  ];
}

const CHAIN: [picture: string, name: string][] = [
  ['herb', 'glasswort'],
  ['snail', 'mud snail'],
  ['crab', 'shore crab'],
  ['duck', 'shelduck'],
  ['fox', 'fox'],
];

/** Letter, landscape. */
export function marshOverview(): Sheet {
  const items: Item[] = [
    text({
      id: 'title',
      role: 'title',
      x: 156,
      y: 24,
      width: 480,
      height: 74,
      padding: 6,
      vertical: 'middle',
      fit: 'width',
      body: words({ font: 'fraunces', colour: '#fffdf6', bold: true }, 'The salt marsh on one page'),
      lettering: { curve: 'arch', amount: 0.1, fill: null, outline: null },
    }),
    shape({
      id: 'title-ribbon',
      shape: 'ribbon',
      x: 76,
      y: 20,
      width: 640,
      height: 88,
      fill: linear(0, [0, '#1f5673'], [0.5, '#41602b'], [1, '#7a4d12']),
      outline: null,
      shadow: { dx: 0, dy: 3, blur: 5, colour: '#2a2820', opacity: 0.35 },
    }),
    text({
      id: 'lead',
      role: 'instruction',
      x: 150,
      y: 110,
      width: 492,
      height: 26,
      body: [
        {
          format: { align: 'centre' },
          runs: [{ text: 'Land that the sea visits: twice a day at the bottom, twice a year at the top.', style: {} }],
        },
      ],
    }),
    flat('sun', 'sun', 20, 18, 62),
    flat('shell', 'spiral-shell', 716, 30, 52, { angle: 14 }),
    ...ZONES.map(zone),
    line({
      id: 'rise-1',
      from: { ...free(264, 264), item: 'zone-low' },
      to: { ...free(282, 264), item: 'zone-middle' },
      outline: { colour: '#6b6450', width: 2, dash: 'solid' },
      endCap: 'arrow',
    }),
    line({
      id: 'rise-2',
      from: { ...free(510, 264), item: 'zone-middle' },
      to: { ...free(528, 264), item: 'zone-high' },
      outline: { colour: '#6b6450', width: 2, dash: 'solid' },
      endCap: 'arrow',
    }),
    ...fact('tides', 40, '730', 'times a year the sea comes in over the low marsh', '#1f5673'),
    ...fact('snails', 290, '9000', 'mud snails may graze on one square metre', '#41602b'),
    ...fact('carbon', 534, '40×', 'as much carbon is locked in as in a forest of that size', '#7a4d12'),
    text({ id: 'chain-name', role: 'heading', x: 44, y: 462, width: 300, height: 26, body: plain('Who eats whom') }),
    ...CHAIN.flatMap(([name, says], i): Item[] => [
      flat(`chain-${i}`, name, 60 + i * 156, 500, 54),
      text({
        id: `chain-says-${i}`,
        role: 'label',
        x: 34 + i * 156,
        y: 556,
        width: 106,
        height: 24,
        body: plain(says),
      }),
    ]),
    ...CHAIN.slice(1).map((_, i): Item =>
      line({
        id: `eats-${i}`,
        from: free(124 + i * 156, 528),
        to: free(206 + i * 156, 528),
        route: 'curved',
        bend: 0.4,
        outline: { colour: '#c8632e', width: 2.5, dash: 'dotted' },
        endCap: 'arrow',
      }),
    ),
    shape({
      id: 'chain-ground',
      shape: 'pill',
      x: 24,
      y: 490,
      width: 744,
      height: 96,
      fill: solid('#fffdf6'),
      outline: { colour: '#d8cfb8', width: 1.2, dash: 'solid' },
    }),
  ];
  return sheet({
    title: 'The salt marsh on one page',
    ownWords: ['glasswort', 'shelduck'],
    pages: [page({ id: 'p1', background: linear(90, [0, '#fbf6e6'], [1, '#eef2e2']), items })],
  });
}
