import type { Body, Paint } from '../schema/sheet';
import type { Exchange } from './kind';

/** Colours exchanged in paints, outlines and words. */

export const recolouredPaint = (paint: Paint | null, to: Exchange): Paint | null => {
  if (!paint) return null;
  if (paint.kind === 'solid') return { ...paint, colour: to(paint.colour) };
  return { ...paint, stops: paint.stops.map((stop) => ({ ...stop, colour: to(stop.colour) })) };
};
/** Anything with one colour. */
export const recoloured = <T extends { colour: string } | null>(given: T, to: Exchange): T =>
  given && { ...given, colour: to(given.colour) };

export const recolouredBody = (given: Body, to: Exchange): Body =>
  given.map((p) => ({
    ...p,
    runs: p.runs.map((run) =>
      run.style.colour ? { ...run, style: { ...run.style, colour: to(run.style.colour) } } : run,
    ),
  }));
