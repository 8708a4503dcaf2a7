import { arranged } from '../core/arrange/arrange';
import { LAYOUTS } from '../core/arrange/layouts';
import { coloursOf, paletteOf } from '../core/palettes/palette';
import { drawPage } from '../core/items/draw';
import { boxOf } from '../core/items/hit';
import { snap, snapTargets } from '../core/geometry/snap';
import { mendsFor, unreadable } from '../core/proof/readable';
import { page, picture, plain, shape, sheet, solid, text } from '../core/schema/defaults';
import { Shelf } from '../server/exports/shelf';
import { figure, inTurn, wordsOf } from './measure';

/** What is computed within a frame: guides and gaps, contrast, arrangements, palettes. Each names its floor. */

/** A page as a teacher makes it: a title, pictures, words on plain ground and on a picture. */
function poster() {
  const words = wordsOf(240);
  const items = Array.from({ length: 14 }, (_, i) =>
    text({
      id: `t${i}`,
      x: 40 + (i % 3) * 240,
      y: 110 + Math.floor(i / 3) * 92,
      width: 200,
      height: 60,
      fill: i % 4 === 0 ? solid('#dfe8d0') : null,
      body: plain(words.slice(i * 16, i * 16 + 16).join(' ')),
    }),
  );
  const pictures = ['flat/crab', 'flat/owl', 'flat/snail'].map((id, i) =>
    picture({ id: `p${i}`, picture: id, x: 60 + i * 230, y: 130, width: 170, height: 170 }),
  );
  const title = text({
    id: 'title',
    role: 'title',
    x: 40,
    y: 30,
    width: 700,
    height: 50,
    body: plain('Life between the tides'),
  });
  return sheet({ title: 'poster', pages: [page({ id: 'p', items: [title, ...items, ...pictures] })] });
}

export async function run() {
  const { resources } = await Shelf.open();
  const many = page({
    id: 'p',
    items: Array.from({ length: 2000 }, (_, i) =>
      shape({ id: `s${i}`, x: 20 + (i % 52) * 14, y: 20 + Math.floor(i / 52) * 14, width: 11, height: 9 }),
    ),
  });
  const boxes = many.items.map((item) => boxOf(many, item, () => undefined));
  const targets = snapTargets(boxes, [], [], 18);
  let step = 0;
  const move = () => {
    for (let i = 0; i < 50; i++) {
      step++;
      snap({ x: 300 + 90 * Math.sin(step / 9), y: 250 + 90 * Math.cos(step / 7), width: 60, height: 40 }, targets, 6);
    }
  };
  // The distance to the six lines of every box, unsorted: the least that any snapping has to compute.
  const every = () => {
    for (let i = 0; i < 50; i++) {
      let best = Infinity;
      for (const { x, y, width, height } of boxes) {
        for (const at of [x, x + width / 2, x + width])
          for (const own of [300 + i, 330 + i, 360 + i]) best = Math.min(best, Math.abs(at - own));
        for (const at of [y, y + height / 2, y + height])
          for (const own of [250 + i, 270 + i, 290 + i]) best = Math.min(best, Math.abs(at - own));
      }
      if (best === Infinity) throw new Error('there are boxes');
    }
  };
  const [snapping, plainly] = await inTurn(20, move, every);

  const made = poster();
  const [first] = made.pages;
  const [contrast, drawing] = await inTurn(
    8,
    () => unreadable(made, first, resources),
    () => drawPage(made, first, resources),
  );
  const findings = unreadable(made, first, resources);
  const [mending] = await inTurn(
    4,
    () => findings.slice(0, 3).forEach((one) => mendsFor(made, first, one, resources)),
    () => {},
  );
  const [arranging] = await inTurn(
    5,
    () => LAYOUTS.forEach((layout) => arranged(made, first, layout, null, resources)),
    () => {},
  );
  const crab = resources.pictures('flat/crab')!;
  const [palette] = await inTurn(
    8,
    () => paletteOf(coloursOf(crab), 8),
    () => {},
  );
  return [
    figure('50 moves with guides and equal gaps among 2,000, against comparing all lines', snapping, plainly, 1),
    figure('contrast of a page of 240 words, in the worker, against drawing it', contrast, drawing, 60),
    figure('tried mends for three findings, against 1 s', mending, 1000, 1),
    figure('seven arrangements of 18 things, against 1 s', arranging, 1000, 1),
    figure('palette out of a picture, against 500 ms', palette, 500, 1),
  ];
}
