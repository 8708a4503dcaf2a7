import { drawItem } from '../../../core/items/draw';
import { svgMarkup } from '../../../core/drawing/svg';
import type { Point } from '../../../core/geometry/matrix';
import type { Item, LineItem, Page } from '../../../core/schema/sheet';
import { everyItem, idsWithin } from '../../../core/sheet/tree';
import { imageUrl, pictureNow } from '../../drawing/resources';
import type { Bench } from '../../document/bench';
import { moveChange } from '../../commands/arrange';

/**
 * Moves things while they are dragged, past React. They are lifted into a layer of their own above the sheet, which the
 * compositor moves without drawing the page anew; only the lines that hold on to them are redrawn, in a second layer. So a
 * drag costs the same on a page of two thousand things as on a page of two.
 */
export class DragLayer {
  private lifted: SVGSVGElement | null = null;
  private lineLayer: SVGSVGElement | null = null;
  private originals: SVGGElement[] = [];
  private lines: LineItem[] = [];
  private marks: HTMLElement | null;
  /** Parts of an entered group are drawn by their group: then it is shown anew through React. */
  private parts: boolean;

  constructor(
    private bench: Bench,
    paper: HTMLElement,
    items: readonly Item[],
    private scale: number,
  ) {
    const { page } = bench;
    const held = new Set(items.flatMap(idsWithin));
    const elementOf = (id: string) => paper.querySelector<SVGGElement>(`.page-view > g[data-item="${id}"]`);
    this.parts = items.some((item) => elementOf(item.id) === null);
    this.marks = paper.querySelector('.sheet-over');
    if (this.parts) return;
    const isHeld = (item: LineItem) => [item.from.item, item.to.item].some((id) => id !== null && held.has(id));
    const atOneEnd = (item: LineItem) => item.from.item !== null || item.to.item !== null;
    for (const item of everyItem(page))
      if (item.kind === 'line' && elementOf(item.id) && (isHeld(item) || (held.has(item.id) && atOneEnd(item))))
        this.lines.push(item);
    const moved = page.items.filter((item) => items.includes(item) && !this.lines.some((line) => line.id === item.id));
    // Back to front, as they lie.
    this.lifted = this.layer(
      paper,
      moved.toReversed().map((item) => elementOf(item.id)!),
    );
    if (this.lines.length > 0)
      this.lineLayer = this.layer(
        paper,
        this.lines.map((item) => elementOf(item.id)!),
      );
  }

  private layer(paper: HTMLElement, elements: SVGGElement[]): SVGSVGElement {
    const view = paper.querySelector<SVGSVGElement>('.page-view')!;
    const layer = view.cloneNode(false) as SVGSVGElement;
    layer.setAttribute('class', 'lifted');
    layer.removeAttribute('aria-label');
    layer.setAttribute('aria-hidden', 'true');
    for (const element of elements) {
      layer.append(element.cloneNode(true));
      element.style.visibility = 'hidden';
      this.originals.push(element);
    }
    view.after(layer);
    return layer;
  }

  moveBy(by: Point): void {
    const shift = `translate(${by.x * this.scale}px, ${by.y * this.scale}px)`;
    if (this.lifted) this.lifted.style.transform = shift;
    const marks = this.marks?.querySelector<SVGElement>('.chosen-marks');
    marks?.setAttribute('transform', `translate(${by.x * this.scale} ${by.y * this.scale})`);
    if (this.parts || this.lineLayer) this.redraw(by);
  }

  private redraw(by: Point) {
    const { bench } = this;
    const next = new Map<string, Item>();
    for (const item of bench.selectedItems) {
      if (item.locked) continue;
      const change = moveChange(bench, item, by);
      if (change.kind === 'set') next.set(item.id, { ...item, ...change.values } as Item);
    }
    if (this.parts) return bench.show(next);
    const page: Page = { ...bench.page, items: bench.page.items.map((item) => next.get(item.id) ?? item) };
    const drawing = { faces: bench.faces!, pictures: pictureNow, roles: bench.sheet.roles, page };
    this.lineLayer!.innerHTML = this.lines
      .map((item) => {
        const node = drawItem(next.get(item.id) ?? item, drawing);
        return node ? svgMarkup([node], bench.faces!, { prefix: `lifted-${item.id}`, imageUrl }) : '';
      })
      .join('');
  }

  /** Puts everything back; what was decided is then drawn by React. */
  done(): void {
    this.lifted?.remove();
    this.lineLayer?.remove();
    for (const element of this.originals) element.style.visibility = '';
    this.marks?.querySelector('.chosen-marks')?.removeAttribute('transform');
    if (this.bench.preview.size > 0) this.bench.show(new Map());
  }
}
