import { contrastOf } from '../../colour/space';
import { layOut } from '../../text/fit';
import { LEAST_PRINTED, roleOfItem } from '../../text/style';
import type { Box } from '../../geometry/matrix';
import { line, free, picture, shape, solid, text } from '../../schema/defaults';
import type { Item, LineItem, RunStyle, ShapeItem, TextItem } from '../../schema/sheet';
import type { Kit } from './maker';
import { inProportion, outlineFor, saysOf, sizeOfWords, styled, tidied, tidiedBox } from './measure';

/**
 * What sheets and charts are drawn with. Items get the names of their parts by what they are and a running number, so that the
 * same place of another version is the same part.
 */

/** What words and lines look like where nothing else is said; size in points. */
export type Look = { size: number; face: string; ink: string };

/** Items that students never get: the solution, drawn on the teacher's sheet. */
export const KEY_COLOUR = '#b0442a';

export class Draft<R extends Look = Look> {
  readonly items: Item[] = [];
  readonly notes: string[] = [];
  private counts = new Map<string, number>();

  constructor(
    readonly recipe: R,
    readonly random: () => number,
    /** Box to draw in, below the heading. */
    public area: Box,
    readonly kit: Kit,
  ) {}

  get em(): number {
    return this.recipe.size;
  }

  /** The name of the next part of a kind; a full name is used as given. */
  part(kind: string): string {
    if (kind.includes('-')) return kind;
    const n = (this.counts.get(kind) ?? 0) + 1;
    this.counts.set(kind, n);
    return `${kind}${n}`;
  }

  style(values: RunStyle = {}): RunStyle {
    const size = Math.max(LEAST_PRINTED, values.size ?? this.em);
    return { font: this.recipe.face, colour: this.recipe.ink, ...values, size: tidied(size) };
  }

  sizeOf(words: string, most = Infinity, values: RunStyle = {}) {
    return sizeOfWords(words, this.style(values), 'label', Math.min(most, 5000), this.kit);
  }

  private add<T extends Item>(item: T): T {
    // What is added later lies in front.
    this.items.unshift(item);
    return item;
  }

  words(
    kind: string,
    said: string,
    box: Box,
    values: Partial<TextItem> & { style?: RunStyle; align?: 'left' | 'centre' | 'right' } = {},
  ): TextItem {
    const { style, align = 'centre', ...rest } = values;
    return this.add(
      text({
        id: this.part(kind),
        role: 'label',
        ...tidyBox(box),
        padding: 0,
        vertical: 'middle',
        fit: 'shrink',
        least: LEAST_PRINTED,
        body: styled(said, this.style(style), align),
        ...rest,
      }),
    );
  }

  /** A blank box, with its right answer. */
  answer(
    kind: string,
    right: string,
    box: Box,
    values: Partial<TextItem> & { style?: RunStyle; align?: 'left' | 'centre' | 'right' } = {},
  ): TextItem {
    return this.words(kind, right, box, {
      touch: 'fill',
      blank: true,
      fill: solid('#ffffff'),
      outline: this.outline(),
      corner: tidied(this.em * 0.2),
      ...values,
    });
  }

  outline(width = 0.08, dash: 'solid' | 'dashed' | 'dotted' = 'solid', colour = this.recipe.ink) {
    return outlineFor(this.em, width, colour, dash);
  }

  frame(kind: string, box: Box, values: Partial<ShapeItem> = {}): ShapeItem {
    return this.add(
      shape({ id: this.part(kind), ...tidyBox(box), adjust: [0.1], fill: null, outline: this.outline(), ...values }),
    );
  }

  /** A round figure around a point. */
  disc(kind: string, x: number, y: number, r: number, values: Partial<ShapeItem> = {}): ShapeItem {
    return this.frame(
      kind,
      { x: x - r, y: y - r, width: 2 * r, height: 2 * r },
      { shape: 'ellipse', adjust: [], ...values },
    );
  }

  /** Ink or white, whichever is read better on a colour. */
  on(colour: string): string {
    return contrastOf(colour, '#ffffff') >= contrastOf(colour, this.recipe.ink) ? '#ffffff' : this.recipe.ink;
  }

  picture(kind: string, id: string, box: Box, outline = false): Item {
    const drawn = this.kit.pictures(id);
    return this.add(
      picture({
        id: this.part(kind),
        picture: id,
        form: outline ? 'outline' : 'colour',
        ...saysOf(drawn),
        ...tidyBox(inProportion(drawn, box)),
      }),
    );
  }

  line(kind: string, x1: number, y1: number, x2: number, y2: number, values: Partial<LineItem> = {}): LineItem {
    return this.add(
      line({
        id: this.part(kind),
        from: free(tidied(x1), tidied(y1)),
        to: free(tidied(x2), tidied(y2)),
        outline: this.outline(),
        ...values,
      }),
    );
  }

  /** A polygon, in the coordinates of the frame. */
  figure(part: string, corners: readonly (readonly [number, number])[], values: Partial<ShapeItem>): void {
    const xs = corners.map(([x]) => x);
    const ys = corners.map(([, y]) => y);
    const box = { x: Math.min(...xs), y: Math.min(...ys), width: 1, height: 1 };
    box.width = Math.max(1, Math.max(...xs) - box.x);
    box.height = Math.max(1, Math.max(...ys) - box.y);
    const share = (value: number) => Math.max(0, Math.min(1, Math.round(value * 1e5) / 1e5));
    this.add(
      shape({
        id: this.part(part),
        shape: 'free',
        x: tidied(box.x),
        y: tidied(box.y),
        width: tidied(box.width),
        height: tidied(box.height),
        adjust: corners.flatMap(([x, y]) => [share((x - box.x) / box.width), share((y - box.y) / box.height)]),
        outline: null,
        ...values,
      }),
    );
  }

  /** Part of the solution: on the teacher's sheet and in the key only. */
  keyLine(x1: number, y1: number, x2: number, y2: number): LineItem {
    return this.line('key', x1, y1, x2, y2, { role: 'key', outline: this.outline(0.14, 'solid', KEY_COLOUR) });
  }
  keyRing(box: Box, values: Partial<ShapeItem> = {}): ShapeItem {
    return this.frame('key', box, {
      role: 'key',
      shape: 'ellipse',
      outline: this.outline(0.14, 'solid', KEY_COLOUR),
      ...values,
    });
  }

  /** How many boxes are too small for their words, though these are as small as can be read. */
  private crammed(): number {
    const seen = new Map<string, boolean>();
    return this.items.filter((item) => {
      if (item.kind !== 'text' || item.fit !== 'shrink') return false;
      const key = JSON.stringify([item.body, item.width, item.height, item.padding, item.least]);
      let over = seen.get(key);
      if (over === undefined) {
        over = layOut(item.body, roleOfItem(this.kit, item), item, this.kit.faces).overflows;
        seen.set(key, over);
      }
      return over;
    }).length;
  }

  /** Notes that words have too little room; `help` says what would make room. */
  sayCrammed(help: string): void {
    const count = this.crammed();
    if (count === 0) return;
    const who = count === 1 ? 'One box has too little room: its' : `${count} boxes have too little room: their`;
    this.notes.push(`${who} words would be smaller than ${LEAST_PRINTED} pt, and could not be read in print. ${help}`);
  }

  /** Equal cells that fill the area, row by row. */
  grid(columns: number, rows: number, gap = this.em * 0.6, area = this.area): Box[] {
    const width = (area.width - gap * (columns - 1)) / columns;
    const height = (area.height - gap * (rows - 1)) / rows;
    return Array.from({ length: columns * rows }, (_, i) => ({
      x: area.x + (i % columns) * (width + gap),
      y: area.y + Math.floor(i / columns) * (height + gap),
      width,
      height,
    }));
  }

  /** The number of columns for which cells of a proportion are largest. */
  columnsFor(count: number, ratio: number): number {
    let best = 1;
    let size = 0;
    for (let columns = 1; columns <= count; columns++) {
      const rows = Math.ceil(count / columns);
      const now = Math.min(this.area.width / columns / ratio, this.area.height / rows);
      if (now > size + 0.01) {
        size = now;
        best = columns;
      }
    }
    return best;
  }
}

const tidyBox = (box: Box): Box =>
  tidiedBox({ ...box, width: Math.max(1, box.width), height: Math.max(1, box.height) });

export const inset = ({ x, y, width, height }: Box, by: number): Box => ({
  x: x + by,
  y: y + by,
  width: Math.max(1, width - 2 * by),
  height: Math.max(1, height - 2 * by),
});

export const between = (random: () => number, low: number, high: number): number =>
  low + Math.floor(random() * (high - low + 1));
export const pick = <T>(random: () => number, list: readonly T[]): T => list[Math.floor(random() * list.length)];
