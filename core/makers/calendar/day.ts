import type { Box } from '../../geometry/matrix';
import { solid } from '../../schema/defaults';
import type { Happening } from '../../schema/recipes/calendar';
import type { TextBody } from '../../schema/sheet';
import { bodyText } from '../../text/body';
import { writtenDay } from '../../values/days';
import { tallOf } from '../kit/measure';
import type { Calendar } from './draft';
import { daySaid, timeSaid } from './draft';
import type { Quarter } from './moon';

/** One day: what happens on it, and its quarter of the moon. */

/** What happens on a day, one paragraph each: holidays first, then those without a time, then by the clock. */
function bodyOf(draft: Calendar, list: readonly Happening[]): TextBody {
  const { recipe } = draft;
  const order = [...list].sort(
    (a, b) =>
      Number(b.kind === 'holiday') - Number(a.kind === 'holiday') || (a.time < b.time ? -1 : a.time > b.time ? 1 : 0),
  );
  return order.map((happening) => {
    const colour = happening.colour ?? (happening.kind === 'holiday' ? recipe.accent : recipe.ink);
    const when = timeSaid(happening);
    return {
      format: { align: 'left' as const },
      runs: [
        ...(when ? [{ text: `${when} `, style: draft.style({ bold: true, size: draft.small, colour }) }] : []),
        {
          text: happening.words,
          style: draft.style({ size: draft.small, colour, ...(happening.kind === 'holiday' && { italic: true }) }),
        },
      ],
    };
  });
}

/** Room under the words of a day. */
const UNDER = 2;

export function happeningsHeight(draft: Calendar, list: readonly Happening[], width: number): number {
  if (list.length === 0) return 0;
  return tallOf(bodyOf(draft, list), width, draft.kit) + UNDER;
}

/** What happens on one day. */
export function drawHappenings(draft: Calendar, day: number, list: readonly Happening[], box: Box): void {
  const { recipe } = draft;
  if (list.length === 0 && !recipe.write) return;
  const part = `events-${writtenDay(day)}`;
  if (list.length > 0) {
    const body = bodyOf(draft, list);
    const item = draft.words(part, bodyText(body), box, { align: 'left', vertical: 'top', fit: 'keep' });
    item.body = body;
    if (happeningsHeight(draft, list, box.width) - UNDER > box.height + 0.1)
      draft.notes.push(`On ${daySaid(day)} there is more than fits. Make the calendar larger, or remove an event.`);
  }
  if (recipe.write && list.length === 0)
    draft.words(part, '', box, { touch: 'fill', align: 'left', vertical: 'top', style: { size: draft.small } });
}

export function drawMoon(draft: Calendar, quarter: Quarter, day: number, x: number, y: number, r: number): void {
  const part = `moon-${writtenDay(day)}`;
  const dark = draft.recipe.ink;
  draft.disc(part, x, y, r, {
    fill: solid(quarter === 'new' ? dark : '#fff8dc'),
    outline: draft.outline(0.06, 'solid', dark),
    alt: { new: 'new moon', waxing: 'first quarter', full: 'full moon', waning: 'last quarter' }[quarter],
  });
  if (quarter !== 'waxing' && quarter !== 'waning') return;
  // Seen from the north the waxing moon is lit on its right.
  const side = quarter === 'waxing' ? -1 : 1;
  const half = Array.from({ length: 25 }, (_, i) => {
    const turn = (i / 24) * Math.PI;
    return [x + side * r * Math.sin(turn), y - r * Math.cos(turn)] as const;
  });
  draft.figure(`${part}-dark`, half, { fill: solid(dark) });
}
