import { held, line, page, picture, plain, sheet, solid, text } from '../../core/schema/defaults';
import { POSTER_PAPER } from '../../core/sheet/first-steps';
import type { Sheet } from '../../core/schema/sheet';
import { newId } from '../database/id';
import type { Purpose } from './sheets';

/** What a new sheet of each purpose begins with: little enough that nothing has to be cleared away. */

const nameLine = (width: number) =>
  text({
    id: newId(),
    role: 'name',
    x: width - 36 - 230,
    y: 36,
    width: 230,
    height: 26,
    body: plain('Name'),
    outline: null,
  });
const title = (words: string, width: number) =>
  text({ id: newId(), role: 'title', x: 36, y: 30, width: width - 340, height: 44, body: plain(words) });
const instruction = (words: string, width: number) =>
  text({ id: newId(), role: 'instruction', x: 36, y: 76, width: width - 72, height: 26, body: plain(words) });

export const BEGINNINGS: Record<Purpose, { name: string; sheet: () => Sheet }> = {
  worksheet: {
    name: 'Worksheet',
    sheet: () =>
      sheet({
        title: 'A new worksheet',
        pages: [
          page({
            id: newId(),
            width: 612,
            height: 792,
            items: [title('A new worksheet', 612), nameLine(612), instruction('What to do', 612)],
          }),
        ],
      }),
  },
  diagram: {
    name: 'Labelled diagram',
    sheet() {
      const [bird, label] = [newId(), newId()];
      return sheet({
        title: 'A new diagram',
        pages: [
          page({
            id: newId(),
            items: [
              title('A new diagram', 792),
              text({
                id: label,
                role: 'label',
                x: 560,
                y: 190,
                width: 120,
                height: 28,
                padding: 5,
                corner: 6,
                touch: 'fill',
                blank: true,
                vertical: 'middle',
                body: plain('bill'),
                fill: solid('#fffefa'),
                outline: { colour: '#6b6450', width: 1.25, dash: 'solid' },
              }),
              line({
                id: newId(),
                from: held(label, null, 560, 200),
                to: held(bird, 'bill', 500, 170),
                endCap: 'dot',
              }),
              picture({
                id: bird,
                picture: 'diagram/heron',
                x: 220,
                y: 118,
                width: 385,
                height: 440,
                alt: 'A grey heron',
                credit: 'Drawn for Dappled Margin',
              }),
            ],
          }),
        ],
      });
    },
  },
  map: {
    name: 'Concept map',
    sheet: () => sheet({ title: 'A new map', pages: [page({ id: newId(), items: [title('A new map', 792)] })] }),
  },
  poster: {
    name: 'Poster',
    sheet: () =>
      sheet({
        title: 'A new poster',
        pages: [page({ id: newId(), width: 842, height: 1191, background: solid(POSTER_PAPER) })],
        unit: 'mm',
      }),
  },
  blank: { name: 'Blank page', sheet: () => sheet({ title: 'Untitled sheet' }) },
};
