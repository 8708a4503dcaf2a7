import type { Box } from '../../geometry/matrix';
import { solid } from '../../schema/defaults';
import type { Item, RunStyle, ShapeItem, TextItem } from '../../schema/sheet';
import { Draft } from '../kit/draft';
import type { ChartRecipe } from '../../schema/recipes/chart';

/** What charts are drawn with. */

export const GRID = '#d9d2bf';

/** A number as it is written on a chart. */
export function said(value: number, mark: '.' | ',' = '.'): string {
  const [whole, broken] = `${Number(value.toPrecision(12))}`.replace('-', '').split('.');
  const grouped = whole.length > 4 ? whole.replace(/\B(?=(\d{3})+$)/g, '\u202f') : whole;
  return `${value < 0 ? '−' : ''}${grouped}${broken ? `${mark}${broken}` : ''}`;
}

export class ChartDraft extends Draft<ChartRecipe> {
  /** How numbers of the table are written. */
  mark: '.' | ',' = '.';

  colour(i: number): string {
    const { colours } = this.recipe;
    return colours[i % colours.length];
  }

  get direct(): boolean {
    return this.recipe.values === 'direct' || this.recipe.values === 'both' || this.recipe.task === 'read';
  }
  get axis(): boolean {
    // Students who read the chart or draw it need the axis.
    return this.recipe.values === 'axis' || this.recipe.values === 'both' || this.recipe.task !== 'shown';
  }

  /** What shows the data: where students draw it themselves it belongs to the key. */
  get shown(): Partial<Pick<Item, 'role'>> {
    return this.recipe.task === 'make' ? { role: 'key' } : {};
  }

  said(value: number): string {
    return said(value, this.mark);
  }

  bar(part: string, box: Box, colour: string): ShapeItem {
    return this.frame(part, box, { fill: solid(colour), outline: null, adjust: [], ...this.shown });
  }

  /** A figure that shows the data. */
  shape(part: string, corners: readonly (readonly [number, number])[], values: Partial<ShapeItem>): void {
    this.figure(part, corners, { ...this.shown, ...values });
  }

  /** A number of the data: a box to be filled in where students read the chart. */
  number(
    part: string,
    value: number,
    box: Box,
    style: RunStyle = {},
    align: 'left' | 'centre' | 'right' = 'centre',
  ): TextItem {
    const right = this.said(value);
    if (this.recipe.task === 'read') {
      const wide = Math.max(this.em * 2.6, this.sizeOf(right).width + this.em * 0.8);
      const x =
        align === 'left' ? box.x : align === 'right' ? box.x + box.width - wide : box.x + (box.width - wide) / 2;
      const high = this.em * 1.5;
      return this.answer(
        part,
        right,
        { x, y: box.y + (box.height - high) / 2, width: wide, height: high },
        {
          also: [...new Set([`${value}`, right.replaceAll('\u202f', '')])].filter((other) => other !== right),
          prompt: '?',
        },
      );
    }
    return this.words(part, right, box, { style, align, ...this.shown });
  }

  /** What an axis counts or runs along, at the height of a line. */
  caption(part: 'counted-1' | 'along-1', said: string, { x, y, width }: Box, align: 'left' | 'right'): void {
    this.words(part, said, { x, y, width, height: this.em * 1.4 }, { align, style: { italic: true } });
  }

  /** The legend of several series at the top of an area; gives what is left of it. */
  below(series: readonly { head: string }[], area: Box): Box {
    const names = series.map(({ head }) => head);
    return without(area, { top: this.legend(names, area) + this.em * 0.6 });
  }

  /** Which colour is which, in rows; gives the height it took. */
  legend(names: readonly string[], area: Box): number {
    const { em } = this;
    let [x, y] = [area.x, area.y];
    const high = em * 1.5;
    names.forEach((name, i) => {
      const wide = Math.min(area.width, this.sizeOf(name).width + em * 2.2);
      if (x + wide > area.x + area.width + 0.5 && x > area.x) [x, y] = [area.x, y + high];
      this.frame(
        `legend-${i + 1}`,
        { x, y: y + high / 2 - em * 0.42, width: em * 0.84, height: em * 0.84 },
        {
          fill: solid(this.colour(i)),
          outline: null,
          adjust: [0.2],
        },
      );
      this.words(
        `legendname-${i + 1}`,
        name,
        { x: x + em * 1.2, y, width: wide - em * 1.2, height: high },
        { align: 'left' },
      );
      x += wide + em * 0.6;
    });
    return y + high - area.y;
  }
}

/** An area without what is taken off its sides. */
export const without = (
  { x, y, width, height }: Box,
  off: { left?: number; top?: number; right?: number; bottom?: number },
): Box => ({
  x: x + (off.left ?? 0),
  y: y + (off.top ?? 0),
  width: Math.max(1, width - (off.left ?? 0) - (off.right ?? 0)),
  height: Math.max(1, height - (off.top ?? 0) - (off.bottom ?? 0)),
});
