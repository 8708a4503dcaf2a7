import { drawItem } from '../../core/drawing/item';
import { svgMarkup } from '../../core/drawing/svg';
import { parentMatrix } from '../../core/geometry/frame';
import type { Point } from '../../core/geometry/matrix';
import { inverse, linear, transform } from '../../core/geometry/matrix';
import type { Item, LineItem, Page } from '../../core/sheet/schema';
import { everyItem, idsWithin } from '../../core/sheet/tree';
import { pictureNow } from '../sheet/resources';
import type { Bench } from './bench';
import { moveChange } from './commands';

/**
 * Moves things while they are dragged, past React: their own elements get a transform, and only the lines that hold on to
 * them are drawn anew. So a drag costs the same on a page of two thousand things as on a page of two.
 */
export class DragLayer {
  private moved: { element: SVGGElement; item: Item; across: (by: Point) => Point }[] = [];
  private lines: { element: SVGGElement; item: LineItem; before: string }[] = [];
  private marks: SVGElement | null;
  private held: ReadonlySet<string>;

  constructor(
    private bench: Bench,
    paper: HTMLElement,
    items: readonly Item[],
  ) {
    const { page } = bench;
    this.held = new Set(items.flatMap(idsWithin));
    const elementOf = (id: string) => paper.querySelector<SVGGElement>(`.page-view g[data-item="${id}"]`);
    for (const item of items) {
      // A part of an entered group is drawn by its group's element: the group is drawn anew instead.
      const element = elementOf(item.id);
      if (!element) continue;
      const back = inverse(linear(parentMatrix(page, item.id)));
      this.moved.push({ element, item, across: (by) => transform(back, by) });
    }
    for (const item of everyItem(page)) {
      if (item.kind !== 'line') continue;
      const holds = [item.from.item, item.to.item].some((id) => id !== null && this.held.has(id));
      const element = holds || this.held.has(item.id) ? elementOf(item.id) : null;
      if (element && (holds || this.isHeldAtOneEnd(item)))
        this.lines.push({ element, item, before: element.innerHTML });
    }
    this.moved = this.moved.filter(({ item }) => !this.lines.some((line) => line.item.id === item.id));
    this.marks = paper.querySelector<SVGElement>('.chosen-marks');
  }

  private isHeldAtOneEnd = (item: LineItem) => item.from.item !== null || item.to.item !== null;

  moveBy(by: Point): void {
    for (const { element, across } of this.moved) {
      const local = across(by);
      element.setAttribute('transform', `translate(${local.x} ${local.y})`);
    }
    const parts = this.moved.length + this.lines.length === 0;
    if (this.lines.length > 0 || parts) this.redraw(by, parts);
    const scale = Number(this.marks?.dataset.scale ?? 1);
    this.marks?.setAttribute('transform', `translate(${by.x * scale} ${by.y * scale})`);
  }

  private redraw(by: Point, parts: boolean) {
    const { bench } = this;
    const next = new Map<string, Item>();
    for (const item of bench.selectedItems) {
      if (item.locked) continue;
      const change = moveChange(bench, item, by);
      if (change.kind === 'set') next.set(item.id, { ...item, ...change.values } as Item);
    }
    if (parts) return bench.show(next);
    const swap = (items: readonly Item[]): Item[] => items.map((item) => next.get(item.id) ?? item);
    const page: Page = { ...bench.page, items: swap(bench.page.items) };
    const drawing = { faces: bench.faces!, pictures: pictureNow, roles: bench.sheet.roles, page };
    for (const { element, item } of this.lines) {
      const node = drawItem(next.get(item.id) ?? item, drawing);
      element.innerHTML = node ? svgMarkup([node], bench.faces!, { prefix: item.id }) : '';
    }
  }

  /** Takes the transforms away; what was decided is then drawn by React. */
  done(): void {
    for (const { element } of this.moved) element.removeAttribute('transform');
    for (const { element, before } of this.lines) element.innerHTML = before;
    this.marks?.removeAttribute('transform');
    if (this.bench.preview.size > 0) this.bench.show(new Map());
  }
}
