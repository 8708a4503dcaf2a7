import type { Box } from '../../geometry/matrix';
import { solid } from '../../schema/defaults';
import { writtenDay } from '../../values/days';
import type { Calendar } from './draft';
import { daySaid, timeSaid } from './draft';
import type { Span } from './spans';
import { depthOn, lanesIn } from './spans';

/** Events of several days, as bands across them. */

/** The height of a band with the room below it, and the padding of its words. */
export function bandOf(draft: Calendar): { pad: number; high: number } {
  const pad = Math.min(3, draft.em * 0.14);
  return { pad, high: draft.sizeOf('x', Infinity, { size: draft.small }).height + 2 * pad + draft.em * 0.08 };
}

type Row = { days: readonly number[]; box: Box };

/** Draws the bands of a row of days; returns how far down they reach on a given day. */
export function drawBands(
  draft: Calendar,
  spans: readonly Span[],
  { days, box }: Row,
  top: number,
  most: number,
): (day: number) => number {
  const { em } = draft;
  const [first, last] = [days[0], days[days.length - 1]];
  const lanes = lanesIn(spans, first, last);
  const { pad, high } = bandOf(draft);
  const fit = Math.max(0, Math.floor((most + 0.01) / high));
  const wide = box.width / days.length;
  lanes.slice(0, fit).forEach((lane, l) => {
    for (const { happening, from, until } of lane) {
      const [a, b] = [Math.max(from, first), Math.min(until, last)];
      const colour = happening.colour ?? draft.recipe.accent;
      draft.words(
        `band-${happening.id}-${writtenDay(a)}`,
        `${a === from && happening.time ? `${timeSaid(happening)} ` : ''}${happening.words}`,
        {
          x: box.x + (a - first) * wide + em * 0.15,
          y: top + l * high,
          width: (b - a + 1) * wide - em * 0.3,
          height: high - em * 0.08,
        },
        {
          align: 'left',
          padding: pad,
          fill: solid(colour),
          // An end that continues in another week is square.
          corner: a === from && b === until ? em * 0.45 : 0,
          style: {
            size: draft.small,
            colour: draft.on(colour),
          },
        },
      );
    }
  });
  if (lanes.length > fit)
    draft.notes.push(
      `In the week of ${daySaid(first)} there are more events of several days than fit. Make the calendar taller, or remove one.`,
    );
  const shown = lanes.slice(0, fit);
  return (day) => depthOn(shown, day) * high;
}
