import type { TextBody, Paint, TextRole, WrittenItem } from '../schema/sheet';
import type { Exchange } from './kind';

/** The colours of paints, outlines and words: found, and exchanged. */

/** The colour by which a box or a shape is seen: of its fill, else of its first words. */
export function writtenColour({ fill, body, role }: WrittenItem, roleOf: (id: string | null) => TextRole): string {
  if (fill) return fill.kind === 'solid' ? fill.colour : fill.stops[0].colour;
  const run = body.find((p) => p.runs.length > 0)?.runs[0];
  return run?.style.colour ?? roleOf(role).run.colour;
}

export const recolouredPaint = (paint: Paint | null, to: Exchange): Paint | null => {
  if (!paint) return null;
  if (paint.kind === 'solid') return { ...paint, colour: to(paint.colour) };
  return { ...paint, stops: paint.stops.map((stop) => ({ ...stop, colour: to(stop.colour) })) };
};
/** Anything with one colour. */
export const recoloured = <T extends { colour: string } | null>(given: T, to: Exchange): T =>
  given && { ...given, colour: to(given.colour) };

export const recolouredBody = (given: TextBody, to: Exchange): TextBody =>
  given.map((p) => ({
    ...p,
    runs: p.runs.map((run) =>
      run.style.colour ? { ...run, style: { ...run.style, colour: to(run.style.colour) } } : run,
    ),
  }));
