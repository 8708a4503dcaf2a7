import { cutTo } from '../../values/characters';
import type { DrawnPicture } from '../../pictures/picture';
import type { Box } from '../../geometry/matrix';
import { Recent } from '../../values/recent';
import { bodyText } from '../../text/body';
import type { TextBody, Item, Outline, RunStyle, Sheet } from '../../schema/sheet';
import { isWritten } from '../../schema/sheet';
import type { Faces } from '../../text/faces';
import { layOut } from '../../text/fit';
import { roleOf } from '../../text/style';

/** How much room words take: in points, wrapped at `most`. */
export type Size = Readonly<{ width: number; height: number }>;

export const styled = (text: string, style: RunStyle, align: 'left' | 'centre' | 'right' = 'centre'): TextBody =>
  text.split('\n').map((line) => ({ format: { align }, runs: line ? [{ text: line, style }] : [] }));

export function sizeOfWords(
  text: string,
  style: RunStyle,
  role: string,
  most: number,
  kit: { faces: Faces; roles: Sheet['roles'] },
): Size {
  const { faces } = kit;
  let sizes = measured.get(faces);
  if (!sizes) measured.set(faces, (sizes = new Recent(5000)));
  const set = roleOf(kit, role);
  const key = JSON.stringify([text, style, set, most, faces.loaded]);
  let size = sizes.get(key);
  if (!size) {
    const box = { width: most, height: 0, padding: 0, vertical: 'top' as const, fit: 'keep' as const };
    const { lines, height } = layOut(styled(text, style), set, box, faces);
    size = { width: Math.max(0, ...lines.map((line) => line.width)), height };
    sizes.set(key, size);
  }
  return size;
}

/** How high a body is when it is wrapped at a width, as a label without padding. */
export function tallOf(body: TextBody, width: number, kit: { faces: Faces; roles: Sheet['roles'] }): number {
  const box = { width, height: 0, padding: 0, vertical: 'top' as const, fit: 'keep' as const };
  return layOut(body, roleOf(kit, 'label'), box, kit.faces).height;
}

/** What was measured last: of a map that is being written most words are as they were. */
const measured = new WeakMap<Faces, Recent<string, Size>>();

/** To hundredths of a point: the same numbers on every machine, and short ones. */
export const tidied = (value: number): number => Math.round(value * 100) / 100 + 0;

export const tidiedBox = ({ x, y, width, height }: Box): Box => ({
  x: tidied(x),
  y: tidied(y),
  width: tidied(width),
  height: tidied(height),
});

/** The largest box in the middle of another that keeps a picture's proportion, a square where that is not known. */
export function inProportion(drawn: DrawnPicture | undefined, box: Box): Box {
  const ratio = drawn ? drawn.width / drawn.height : 1;
  const width = Math.min(box.width, box.height * ratio);
  const height = width / ratio;
  return { x: box.x + (box.width - width) / 2, y: box.y + (box.height - height) / 2, width, height };
}

/** An outline that goes with words of a size: a share of it, and never too thin to be printed. */
export const outlineFor = (size: number, share: number, colour: string, dash: Outline['dash'] = 'solid'): Outline => ({
  colour,
  width: tidied(Math.max(0.6, size * share)),
  dash,
});

/** What a picture says of itself when it is put on a sheet. */
export const saysOf = (drawn: DrawnPicture | undefined): { credit: string; alt: string } => ({
  credit: drawn ? cutTo(`${drawn.credit} (${drawn.licence})`, 300) : '',
  alt: drawn?.name ?? '',
});

/** The words of a part in one line, or null where there is no such part. */
export function saidBy(parts: ReadonlyMap<string, Item>, part: string): string | null {
  const item = parts.get(part);
  return item && isWritten(item) ? bodyText(item.body).replace(/\s*\n\s*/g, ' ') : null;
}
