import { page, plain, sheet, solid, text } from '../schema/defaults';
import type { Sheet } from '../schema/sheet';

/** What stands in for a sheet that can't be read, wherever it would be drawn: it says so, and holds nothing else. */
export const damagedSheet = (title: string): Sheet =>
  sheet({
    title,
    pages: [
      page({
        id: 'damaged',
        background: solid('#f4ece0'),
        items: [
          text({
            id: 'says',
            role: 'title',
            x: 96,
            y: 220,
            width: 600,
            height: 170,
            vertical: 'middle',
            body: plain('This sheet is damaged and can’t be shown.').map((p) => ({
              ...p,
              format: { align: 'centre' as const },
            })),
          }),
        ],
      }),
    ],
  });
