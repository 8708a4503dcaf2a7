import type { TextBody, TextRole, TextItem, WrittenItem } from '../schema/sheet';
import type { Faces } from './faces';
import { curveRise } from './lettering';
import type { Layout } from './lines';
import type { Extent, SetBody } from './set';
import { measureBody, setBody } from './set';

/** Fitting: words in a box as it grows with them, shrinks them, or widens them to its width. */

/** Sizes never grow beyond this, however wide a box is. */
const LARGEST = 1000;
export type TextBox = Pick<WrittenItem, 'width' | 'height' | 'padding' | 'vertical'> & {
  fit: TextItem['fit'];
  /** The size in points below which words don't shrink: 7 unless the item sets one. */
  least?: number;
  lettering?: TextItem['lettering'];
};

const roomOf = (box: TextBox) => ({
  width: Math.max(1, box.width - 2 * box.padding),
  height: Math.max(0, box.height - 2 * box.padding),
});

/** The sizes that a body is set in, smallest and largest. */
function sizesOf(body: TextBody, role: TextRole): [least: number, most: number] {
  const sizes = body.flatMap((p) => p.runs.map((run) => run.style.size ?? role.run.size));
  return sizes.length > 0 ? [Math.min(...sizes), Math.max(...sizes)] : [role.run.size, role.run.size];
}

/** Scales at which the longest line, or each line, fills the width. The words are not wrapped. */
function widening(body: TextBody, role: TextRole, fit: 'width' | 'lines', width: number, faces: Faces): number[] {
  const natural = body.map((paragraph) => measureBody([paragraph], role, Infinity, [1], faces).widest);
  const most = LARGEST / sizesOf(body, role)[1];
  const longest = Math.max(...natural);
  return natural.map((own) => {
    const measure = fit === 'lines' ? own : longest;
    return measure > 0 ? Math.min(most, width / measure) : 1;
  });
}

/** The largest scale, down to the least that is allowed, at which everything fits. */
function shrunk(body: TextBody, role: TextRole, box: TextBox, faces: Faces): number {
  const { width, height } = roomOf(box);
  const fitsAt = (scale: number) => fits(measureBody(body, role, width, scale, faces), width, height);
  if (fitsAt(1)) return 1;
  let low = Math.min(1, (box.least ?? 7) / sizesOf(body, role)[0]);
  let high = 1;
  if (fitsAt(low))
    for (let step = 0; step < 12; step++) {
      const middle = (low + high) / 2;
      if (fitsAt(middle)) low = middle;
      else high = middle;
    }
  return low;
}

/** How words are set in a box: their scale, or that of each paragraph, and whether lines wrap. */
function fitting(body: TextBody, role: TextRole, box: TextBox, faces: Faces) {
  if (box.fit === 'width' || box.fit === 'lines') {
    const scales = widening(body, role, box.fit, roomOf(box).width, faces);
    return { scales, scale: Math.max(...scales), wrapped: false };
  }
  const scale = box.fit === 'shrink' ? shrunk(body, role, box, faces) : 1;
  return { scales: scale, scale, wrapped: true };
}

function setInBox(body: TextBody, role: TextRole, box: TextBox, faces: Faces): { set: SetBody; scale: number } {
  const { scales, scale, wrapped } = fitting(body, role, box, faces);
  return { set: setBody(body, role, roomOf(box).width, scales, faces, wrapped), scale };
}

/** How high words stand in a box, without padding. */
export function wordsHeight(body: TextBody, role: TextRole, box: TextBox, faces: Faces): number {
  const { scales, wrapped } = fitting(body, role, box, faces);
  return measureBody(body, role, roomOf(box).width, scales, faces, wrapped).height;
}

/** Lays a body out in a box. Where `fit` is shrink, the largest scale is taken at which everything fits. */
export function layOut(body: TextBody, role: TextRole, box: TextBox, faces: Faces): Layout {
  const { width, height: room } = roomOf(box);
  const { set, scale } = setInBox(body, role, box, faces);
  const free = box.fit === 'grow' || box.fit === 'width' || box.fit === 'lines';
  const overflows = !free && !fits(set, width, room);
  const spare = free ? Math.max(0, room - set.height) : room - set.height;
  const vertical = box.lettering && box.lettering.curve !== 'straight' ? 'middle' : box.vertical;
  const down = box.padding + (vertical === 'top' || spare < 0 ? 0 : vertical === 'middle' ? spare / 2 : spare);
  return {
    height: set.height,
    overflows,
    scale,
    lines: set.lines.map((line) => ({
      ...line,
      x: line.x + box.padding,
      top: line.top + down,
      baseline: line.baseline + down,
      bottom: line.bottom + down,
      pieces: line.pieces.map((piece) => ({ ...piece, x: piece.x + box.padding })),
      marker: line.marker && { ...line.marker, x: line.marker.x + box.padding },
      stops: line.stops.map((x) => x + box.padding),
    })),
  };
}

/** The height that a box has to have for its words, at the width it has. */
export function grownHeight(body: TextBody, role: TextRole, box: TextBox, faces: Faces): number {
  const height = wordsHeight(body, role, box.fit === 'shrink' ? { ...box, fit: 'grow' } : box, faces);
  const { width } = roomOf(box);
  return height + 2 * box.padding + (box.lettering ? curveRise(box.lettering, width, height) : 0);
}

const fits = (set: Extent, width: number, room: number) => set.height <= room + 0.01 && set.widest <= width + 0.01;
