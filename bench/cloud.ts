import { createCanvas, GlobalFonts } from '@napi-rs/canvas';
import cloud from 'd3-cloud';
import sharp from 'sharp';
import { drawPage } from '../core/items/draw';
import { pageSvg } from '../core/drawing/svg';
import { remake } from '../core/makers/all';
import { beginCloud } from '../core/makers/cloud/begin';
import { countOf } from '../core/makers/cloud/mask';
import type { CloudRecipe, CloudShape } from '../core/schema/recipes/cloud';
import { areaOf } from '../core/makers/cloud/silhouette';
import type { MakerState } from '../core/schema/recipes/recipes';
import { seeded } from '../core/values/random';
import { DEFAULT_PALETTE, defaultRoles, group, page, sheet } from '../core/schema/defaults';
import type { GroupItem } from '../core/schema/sheet';
import { pngOf } from '../server/exports/png';
import { Shelf } from '../server/exports/shelf';
import { openFaces } from '../server/art/shipped';
import { figure, inTurn, wordsOf } from './measure';

/** Word clouds against d3-cloud: its time at the largest sizes at which it still places all, and how full each is. */

const [WIDTH, HEIGHT] = [600, 450];
const COUNT = 150;

/** Words and phrases of up to three words. */
function phrases() {
  const words = wordsOf(COUNT * 3);
  return Array.from({ length: COUNT }, (_, i) => ({
    text: words.slice(i * 3, i * 3 + 1 + (i % 5 === 4 ? 2 : i % 3 === 2 ? 1 : 0)).join(' '),
    weight: 1 + 60 / (i + 1),
  }));
}

type Peer = { text: string; heavy: number; size?: number; x?: number; y?: number; rotate?: number };

export async function run() {
  const { resources } = await Shelf.open();
  const kit = { ...resources, roles: defaultRoles() };
  GlobalFonts.registerFromPath('.generated/fonts/Fredoka_700Bold.ttf', 'Fredoka');
  const words = phrases();

  const peer = (scale: number) =>
    new Promise<Peer[]>((done) => {
      const random = seeded(1);
      cloud<Peer>()
        .canvas(() => createCanvas(1, 1) as unknown as HTMLCanvasElement)
        .size([WIDTH, HEIGHT])
        .words(words.map(({ text, weight }) => ({ text, heavy: weight })))
        .padding(1)
        .rotate(() => (random() < 0.62 ? 0 : -90))
        .font('Fredoka')
        .fontWeight('bold')
        .fontSize(({ heavy }) => scale * (heavy / words[0].weight) ** 0.525)
        .random(random)
        .on('end', (placed) => done(placed as Peer[]))
        .start();
    });
  let scale = 40;
  while ((await peer(scale * 1.04)).length === COUNT) scale *= 1.04;
  const canvas = createCanvas(WIDTH, HEIGHT);
  const pen = canvas.getContext('2d');
  pen.translate(WIDTH / 2, HEIGHT / 2);
  pen.textAlign = 'center';
  for (const { text, size = 0, x = 0, y = 0, rotate = 0 } of await peer(scale)) {
    pen.save();
    pen.translate(x, y);
    pen.rotate((rotate * Math.PI) / 180);
    pen.font = `bold ${size}px Fredoka`;
    pen.fillText(text, 0, 0);
    pen.restore();
  }
  const inkOf = (pixels: ArrayLike<number>) => {
    let sum = 0;
    for (let i = 3; i < pixels.length; i += 4) sum += pixels[i] / 255;
    return sum;
  };
  const theirInk = inkOf(pen.getImageData(0, 0, WIDTH, HEIGHT).data) / (WIDTH * HEIGHT);

  const recipe = (shape: CloudShape): CloudRecipe => ({
    ...beginCloud(DEFAULT_PALETTE, words),
    shape,
    wrap: false,
    size: 5,
  });
  const make = (shape: CloudShape, seed: number, using = kit) =>
    remake(
      {
        group: group({ id: 'g', width: WIDTH, height: HEIGHT, items: [] }),
        state: { kind: 'cloud', recipe: recipe(shape), seed } as unknown as MakerState,
      },
      using,
    );
  const ourInk = async (made: GroupItem, shape: CloudShape) => {
    const alone = page({ id: 'p', width: WIDTH, height: HEIGHT, background: null, items: [made] });
    const drawn = drawPage(sheet({ title: '', pages: [alone] }), alone, kit);
    const pixels = await sharp(await pngOf(pageSvg(drawn, kit.faces), WIDTH))
      .raw()
      .toBuffer();
    return inkOf(pixels) / countOf(areaOf(shape, WIDTH, HEIGHT, kit).area);
  };
  const out = [];
  for (const [name, shape] of [
    ['a crab', { kind: 'picture', picture: 'flat/crab' }],
    ['a rectangle', { kind: 'frame' }],
  ] as const) {
    let seed = 0;
    const [ours, theirs] = await inTurn(
      9,
      () => make(shape, ++seed),
      () => peer(scale),
    );
    // Faces that were just opened have no words in their caches.
    const unknown: (typeof kit)[] = [];
    for (let i = 0; i < 12; i++) unknown.push({ ...kit, faces: await openFaces() });
    const [first, theirsThen] = await inTurn(
      9,
      () => make(shape, ++seed, unknown.pop()),
      () => peer(scale),
    );
    const { group: made, notes } = await make(shape, 1);
    if (notes.length > 0) throw new Error(notes.join(' '));
    out.push(
      figure(`cloud of ${COUNT} phrases in ${name}, arranged anew, against d3-cloud in a rectangle`, ours, theirs, 1),
      figure('the same, of words never set before', first, theirsThen, 1),
      figure(`the share left empty of ${name}, against that`, 1 - (await ourInk(made, shape)), 1 - theirInk, 1, 'of 1'),
    );
  }
  return out;
}
