import type { Placed } from '../../core/review/dots';
import { seeded } from '../../core/review/dots';
import type { placedView } from '../../server/views/placed-view';

export type PlacedData = Awaited<ReturnType<typeof placedView>>;
export type Dot = Placed & { copyId: string; studentName: string };

/** The diameter of a dot, as a share of the page's width. */
const SIZE = 1 / 72;
export const sizeOn = ({ width }: PlacedData['pages'][number]): number => width * SIZE;

/** All dots of a page, each beside the others of its place. */
export const dotsOn = (pieces: PlacedData['pieces'], page: PlacedData['pages'][number]): Dot[] =>
  seeded(
    pieces.flatMap(({ copyId, studentName, placed }) =>
      placed.filter((one) => one.page === page.id).map((one) => ({ ...one, copyId, studentName })),
    ),
    sizeOn(page),
  );

/** Whether it is right, in words. */
export const rightWords = (right: boolean | null): string => (right === null ? '' : right ? 'right' : 'not right');
