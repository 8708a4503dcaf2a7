import { free, group, line, page, picture, plain, shape, sheet, solid, text } from '../../core/schema/defaults';
import type { Item, Sheet } from '../../core/schema/sheet';

/** A page that uses everything that is drawn: every setting of words, shapes, lines, gradients, pictures, groups, opacity. */
export function richSheet(): Sheet {
  const prose =
    'The avocet sweeps its upturned bill from side to side through the soft mud, and feels for shrimps and worms that it can not see.';
  const shapes = (['rectangle', 'ellipse', 'triangle', 'diamond', 'star', 'arrow', 'balloon', 'hexagon'] as const).map(
    (kind, i) =>
      shape({
        id: `s-${kind}`,
        shape: kind,
        x: 40 + i * 88,
        y: 500,
        width: 76,
        height: 70,
        angle: i * 7 - 20,
        adjust: [0.3],
        outline: { colour: '#4a6b35', width: 2, dash: (['solid', 'dashed', 'dotted'] as const)[i % 3] },
      }),
  );
  const items: Item[] = [
    text({
      id: 'title',
      role: 'title',
      x: 36,
      y: 30,
      width: 640,
      height: 46,
      body: plain('Waders of the “mudflat”: AVOCET'),
    }),
    text({
      id: 'mixed',
      x: 36,
      y: 90,
      width: 230,
      height: 130,
      padding: 8,
      corner: 10,
      fill: solid('#eef3e6'),
      outline: { colour: '#7f9d63', width: 1.5, dash: 'dashed' },
      body: [
        {
          format: { align: 'justify', lineSpacing: 1.2 },
          runs: [
            { text: 'The ', style: {} },
            { text: 'avocet', style: { bold: true, colour: '#b0442a' } },
            { text: prose.slice(10, 70), style: {} },
            { text: prose.slice(70), style: { italic: true, underline: true } },
          ],
        },
      ],
    }),
    text({
      id: 'list',
      x: 290,
      y: 90,
      width: 200,
      height: 130,
      body: ['upturned bill', 'blue-grey legs', 'loud klüt-klüt call'].map((words) => ({
        format: { list: 'number' as const },
        runs: [{ text: words, style: { font: 'gentium' } }],
      })),
    }),
    text({
      id: 'spaced',
      x: 520,
      y: 90,
      width: 240,
      height: 40,
      vertical: 'middle',
      body: [
        {
          format: { align: 'centre' },
          runs: [{ text: 'O F F I C E office', style: { letterSpacing: 2.5, font: 'lexend', size: 16 } }],
        },
      ],
    }),
    text({
      id: 'polish',
      x: 520,
      y: 140,
      width: 240,
      height: 80,
      fit: 'shrink',
      body: plain('Zażółć gęślą jaźń. Příliš žluťoučký kůň. Cœur, Straße, Åland. → ½ °').map((p) => ({
        ...p,
        runs: p.runs.map((run) => ({ ...run, style: { font: 'nunito', size: 20 } })),
      })),
    }),
    text({
      id: 'turned',
      x: 600,
      y: 260,
      width: 150,
      height: 34,
      angle: -18,
      body: [{ format: { align: 'right' }, runs: [{ text: 'by hand', style: { font: 'caveat', size: 26 } }] }],
    }),
    ...shapes,
    shape({
      id: 'sky',
      x: 36,
      y: 250,
      width: 150,
      height: 90,
      adjust: [0.3],
      outline: null,
      fill: {
        kind: 'linear',
        angle: 60,
        stops: [
          { offset: 0, colour: '#cfe3f2', opacity: 1 },
          { offset: 1, colour: '#2c5d86', opacity: 1 },
        ],
      },
    }),
    shape({
      id: 'sun',
      shape: 'ellipse',
      x: 210,
      y: 250,
      width: 90,
      height: 90,
      outline: null,
      fill: {
        kind: 'radial',
        x: 0.5,
        y: 0.5,
        reach: 1,
        stops: [
          { offset: 0, colour: '#fff3b8', opacity: 1 },
          { offset: 1, colour: '#d98a2b', opacity: 1 },
        ],
      },
    }),
    shape({ id: 'glass', x: 120, y: 290, width: 140, height: 40, fill: solid('#c8632e', 0.45), outline: null }),
    line({ id: 'plain', from: free(320, 260), to: free(420, 330), endCap: 'arrow' }),
    line({
      id: 'curve',
      from: free(330, 340),
      to: free(470, 270),
      route: 'curved',
      endCap: 'dot',
      outline: { colour: '#2c5d86', width: 2.5, dash: 'dotted' },
    }),
    line({
      id: 'steps',
      from: { ...free(0, 0), item: 'sky' },
      to: { ...free(0, 0), item: 'sun' },
      route: 'stepped',
      startCap: 'dot',
      endCap: 'arrow',
    }),
    line({
      id: 'lead',
      from: { ...free(0, 0), item: 'turned' },
      to: { ...free(0, 0), item: 'bird', target: 'bill' },
      endCap: 'dot',
    }),
    group({
      id: 'pair',
      x: 40,
      y: 370,
      width: 160,
      height: 90,
      angle: 9,
      opacity: 0.6,
      items: [
        shape({ id: 'g1', x: 0, y: 0, width: 100, height: 80, fill: solid('#7f9d63') }),
        shape({
          id: 'g2',
          shape: 'ellipse',
          x: 60,
          y: 20,
          width: 100,
          height: 70,
          fill: {
            kind: 'linear',
            angle: 0,
            stops: [
              { offset: 0, colour: '#2c5d86', opacity: 1 },
              { offset: 1, colour: '#f2c14e', opacity: 1 },
            ],
          },
        }),
      ],
    }),
    picture({ id: 'crab', picture: 'flat/crab', x: 240, y: 370, width: 90, height: 90, flipX: true }),
    picture({ id: 'bird', picture: 'diagram/heron', x: 400, y: 340, width: 130, height: 148 }),
    picture({
      id: 'cut',
      picture: 'flat/fox',
      x: 545,
      y: 355,
      width: 85,
      height: 85,
      angle: -8,
      crop: { x: 0.1, y: 0.15, width: 0.7, height: 0.7 },
      cut: 'ellipse',
      tone: { brightness: 0.1, contrast: 0.2, twoColours: { dark: '#123b2a', light: '#fbf3dc' }, tint: null },
    }),
    picture({ id: 'owl', picture: 'flat/owl', x: 640, y: 350, width: 110, height: 110, angle: 15, opacity: 0.7 }),
  ];
  return sheet({ title: 'Everything at once', pages: [page({ id: 'rich', background: solid('#fffdf6'), items })] });
}
