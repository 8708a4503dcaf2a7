import {
  free,
  LIGHT_EDGE,
  line,
  page,
  picture,
  plain,
  shape,
  sheet,
  solid,
  text,
  defaultRoles,
} from '../core/schema/defaults';
import type { TextBody, Item, LineItem, Sheet, TextItem } from '../core/schema/sheet';

/** The sheets of the unit “The salt marsh”. */

const PEN = { colour: '#6b6450', width: 1.25, dash: 'solid' as const };
const nameLine = (x: number, y: number, width: number): Item[] => [
  text({
    id: 'name-word',
    role: 'name',
    x,
    y,
    width: 46,
    height: 24,
    padding: 2,
    vertical: 'bottom',
    body: plain('Name'),
  }),
  text({
    id: 'name',
    role: 'name',
    x: x + 46,
    y,
    width: width - 46,
    height: 24,
    padding: 2,
    vertical: 'bottom',
    touch: 'fill',
    prompt: 'your name',
  }),
  line({ id: 'name-rule', from: free(x + 46, y + 24), to: free(x + width, y + 24), outline: { ...PEN, width: 0.8 } }),
];

const HERON_LABELS: [part: string, x: number, y: number, also?: string[]][] = [
  ['crest', 40, 158],
  ['wing', 40, 300],
  ['tail', 40, 396],
  ['leg', 40, 474, ['legs', 'long leg']],
  ['eye', 622, 112],
  ['bill', 622, 176, ['beak']],
  ['neck', 622, 250],
  ['plumes', 622, 322, ['feathers', 'breast feathers']],
  ['toes', 622, 506, ['foot', 'feet']],
];

/** The label of a part: its identity goes out to students, and must not tell the answer. */
export const labelOf = (part: string): string => `label-${HERON_LABELS.findIndex(([name]) => name === part) + 1}`;

export function heronSheet(): Sheet {
  const labels = HERON_LABELS.flatMap(([part, x, y, also]): [TextItem, LineItem] => [
    text({
      id: labelOf(part),
      role: 'label',
      x,
      y,
      width: 130,
      height: 30,
      padding: 5,
      corner: 7,
      vertical: 'middle',
      fit: 'shrink',
      touch: 'fill',
      blank: true,
      body: plain(part),
      also: also ?? [],
      fill: solid('#fffefa'),
      outline: PEN,
      prompt: '?',
    }),
    line({
      id: `lead-${labelOf(part)}`,
      from: { ...free(x, y), item: labelOf(part) },
      to: { ...free(400, 300), item: 'heron', target: part },
      endCap: 'dot',
      outline: { ...PEN, width: 1.1 },
      edge: LIGHT_EDGE,
    }),
  ]);
  return sheet({
    title: 'Parts of the grey heron',
    pages: [
      page({
        id: 'page1',
        items: [
          ...labels.filter((item) => item.kind === 'text'),
          ...labels.filter((item) => item.kind === 'line'),
          text({ id: 'title', role: 'title', x: 38, y: 28, width: 360, height: 46, body: plain('The grey heron') }),
          ...nameLine(500, 40, 254),
          text({
            id: 'instruction',
            role: 'instruction',
            x: 38,
            y: 74,
            width: 420,
            height: 26,
            body: plain('Name each part. Use every word of the bank once.'),
          }),
          text({
            id: 'question',
            role: 'instruction',
            x: 540,
            y: 384,
            width: 216,
            height: 26,
            body: plain('Why are its legs so long?'),
          }),
          text({
            id: 'why',
            role: 'body',
            x: 540,
            y: 410,
            width: 216,
            height: 76,
            touch: 'fill',
            fit: 'shrink',
            corner: 7,
            padding: 7,
            fill: solid('#fffefa'),
            outline: { ...PEN, dash: 'dashed' },
            prompt: 'one sentence',
          }),
          text({
            id: 'bank',
            role: 'bank',
            x: 126,
            y: 560,
            width: 540,
            height: 32,
            padding: 6,
            corner: 15,
            vertical: 'middle',
            fill: solid('#e6edd9'),
            body: plain('bill  ·  crest  ·  eye  ·  leg  ·  neck  ·  plumes  ·  tail  ·  toes  ·  wing'),
          }),
          picture({
            id: 'heron',
            picture: 'diagram/heron',
            x: 206,
            y: 104,
            width: 385,
            height: 440,
            alt: 'A grey heron standing on both legs',
            credit: 'Drawn for Dappled Margin',
          }),
        ],
      }),
    ],
  });
}

const bullets = (words: string[]): TextBody =>
  words.map((word) => ({ format: { list: 'bullet' }, runs: word ? [{ text: word, style: {} }] : [] }));

/** This sheet has a role of its own: the sentence that everything else hangs on. */
function tideRoles(): Sheet['roles'] {
  const roles = defaultRoles();
  const { body } = roles;
  return {
    ...roles,
    'key-sentence': { ...body, name: 'Key sentence', run: { ...body.run, bold: true, colour: '#2f4d26' } },
  };
}

/** An overview page that students make their own: pictures, what it is, three facts. */
export function tideSheet(): Sheet {
  const frame = {
    corner: 10,
    padding: 10,
    fill: solid('#fffefa'),
    outline: { colour: '#9db7c9', width: 1.25, dash: 'solid' as const },
  };
  return sheet({
    title: 'Life between the tides',
    roles: tideRoles(),
    pages: [
      page({
        id: 'page1',
        width: 612,
        height: 792,
        background: solid('#eef4f4'),
        items: [
          text({
            id: 'title',
            role: 'title',
            x: 36,
            y: 30,
            width: 380,
            height: 46,
            body: plain('Life between the tides'),
          }),
          ...nameLine(400, 40, 176),
          text({
            id: 'instruction',
            role: 'instruction',
            x: 36,
            y: 78,
            width: 540,
            height: 26,
            body: plain('Choose one creature of the mudflat. Make a page that shows it to the class.'),
          }),
          text({
            id: 'what-head',
            role: 'heading',
            x: 36,
            y: 118,
            width: 250,
            height: 30,
            body: plain('What is a mudflat?'),
          }),
          text({
            id: 'what',
            role: 'key-sentence',
            x: 36,
            y: 150,
            width: 540,
            height: 64,
            touch: 'fill',
            fit: 'shrink',
            ...frame,
            prompt: 'what it is, in one bold sentence',
          }),
          text({
            id: 'facts-head',
            role: 'heading',
            x: 36,
            y: 230,
            width: 250,
            height: 30,
            body: plain('Three facts'),
          }),
          text({
            id: 'facts',
            role: 'body',
            x: 36,
            y: 262,
            width: 300,
            height: 132,
            touch: 'fill',
            fit: 'shrink',
            ...frame,
            body: bullets(['']),
            prompt: 'a list of three facts',
          }),
          text({
            id: 'picture-head',
            role: 'heading',
            x: 356,
            y: 230,
            width: 220,
            height: 30,
            body: plain('How it lives'),
          }),
          shape({
            id: 'shore',
            shape: 'rectangle',
            adjust: [0.12],
            x: 36,
            y: 420,
            width: 540,
            height: 336,
            fill: {
              kind: 'linear',
              angle: 90,
              stops: [
                { offset: 0, colour: '#d9e9f1', opacity: 1 },
                { offset: 0.52, colour: '#c4dbe6', opacity: 1 },
                { offset: 0.54, colour: '#c8b597', opacity: 1 },
                { offset: 1, colour: '#a58d69', opacity: 1 },
              ],
            },
            outline: null,
          }),
          text({
            id: 'lives',
            role: 'body',
            x: 356,
            y: 262,
            width: 220,
            height: 132,
            touch: 'fill',
            fit: 'shrink',
            ...frame,
            prompt: 'in your own words',
          }),
        ],
      }),
    ],
  });
}

export function nestPoster(): Sheet {
  const white = { colour: '#fffdf6' };
  const big = (words: string, style: object): TextBody => [
    { format: { align: 'centre' }, runs: [{ text: words, style }] },
  ];
  const egg = (id: string, x: number, y: number, angle: number): Item =>
    shape({
      id,
      shape: 'ellipse',
      x,
      y,
      width: 74,
      height: 54,
      angle,
      fill: {
        kind: 'radial',
        x: 0.5,
        y: 0.5,
        reach: 1,
        stops: [
          { offset: 0, colour: '#e9dfc3', opacity: 1 },
          { offset: 1, colour: '#bfae84', opacity: 1 },
        ],
      },
      outline: { colour: '#7a6a46', width: 1.5, dash: 'solid' },
    });
  return sheet({
    title: 'Keep off the nests',
    unit: 'mm',
    pages: [
      page({
        id: 'page1',
        width: 595.28,
        height: 841.89,
        background: solid('#2c5d6e'),
        items: [
          text({
            id: 'title',
            x: 30,
            y: 52,
            width: 535,
            height: 150,
            body: big('KEEP OFF THE NESTS', { font: 'bungee', size: 58, ...white }),
          }),
          text({
            id: 'sub',
            x: 70,
            y: 222,
            width: 455,
            height: 40,
            body: big('From March to July, terns lay their eggs on bare shingle.', {
              font: 'fredoka',
              size: 19,
              ...white,
            }),
          }),
          egg('egg1', 236, 486, -14),
          egg('egg2', 292, 508, 10),
          egg('egg3', 258, 532, 3),
          shape({
            id: 'nest',
            shape: 'ellipse',
            x: 170,
            y: 452,
            width: 256,
            height: 156,
            fill: {
              kind: 'radial',
              x: 0.5,
              y: 0.5,
              reach: 1,
              stops: [
                { offset: 0, colour: '#d9c79a', opacity: 1 },
                { offset: 1, colour: '#a88e58', opacity: 1 },
              ],
            },
            outline: { colour: '#6f5c34', width: 2, dash: 'solid' },
          }),
          picture({ id: 'bird', picture: 'flat/bird', x: 402, y: 352, width: 130, height: 130 }),
          shape({
            id: 'says',
            shape: 'balloon',
            x: 200,
            y: 300,
            width: 196,
            height: 116,
            adjust: [0.7],
            fill: solid('#fffdf6'),
            outline: null,
            role: 'label',
            body: [
              {
                format: { align: 'centre' },
                runs: [
                  { text: 'You can’t see my eggs, but I can see your boots!', style: { font: 'shantell', size: 15 } },
                ],
              },
            ],
          }),
          text({
            id: 'rule',
            x: 60,
            y: 690,
            width: 475,
            height: 110,
            padding: 16,
            corner: 16,
            fill: solid('#f4c95d'),
            body: [
              {
                format: { align: 'centre' },
                runs: [{ text: 'Walk below the line of weed.', style: { font: 'fredoka', size: 24, bold: true } }],
              },
              {
                format: { align: 'centre', before: 6 },
                runs: [{ text: 'Dogs on a lead, please.', style: { font: 'fredoka', size: 20 } }],
              },
            ],
          }),
          shape({
            id: 'shingle',
            shape: 'rectangle',
            adjust: [0],
            x: 0,
            y: 540,
            width: 595.28,
            height: 302,
            fill: {
              kind: 'linear',
              angle: 90,
              stops: [
                { offset: 0, colour: '#c9b78c', opacity: 1 },
                { offset: 1, colour: '#8f7d56', opacity: 1 },
              ],
            },
            outline: null,
          }),
        ],
      }),
    ],
  });
}
