import { drawItem } from '../../../core/items/draw';
import { svgMarkup } from '../../../core/drawing/svg';
import type { Point } from '../../../core/geometry/matrix';
import type { Item, LineItem, Page } from '../../../core/schema/sheet';
import { everyItem, idsWithin } from '../../../core/sheet/tree';
import { imageUrl, pictureNow } from '../../drawing/resources';
import type { Editor } from '../../document/editor';
import { moveChange } from '../../commands/arrange';

/**
 * Moves things while they are dragged, without React. They are lifted into a layer above the sheet, which the compositor moves
 * without drawing the page again. Only lines attached to them are redrawn, in a second layer. So a drag costs the same on a
 * page of two thousand things as on a page of two.
 */
export class DragLayer {
  private lifted: SVGSVGElement | null = null;
  private lineLayer: SVGSVGElement | null = null;
  private originals: SVGGElement[] = [];
  private lines: LineItem[] = [];
  private marks: HTMLElement | null;
  /** Parts of an open group are drawn by the group, so React has to draw it again. */
  private parts: boolean;

  constructor(
    private editor: Editor,
    paper: HTMLElement,
    items: readonly Item[],
    private scale: number,
  ) {
    const { page } = editor;
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
    // In drawing order, back to front.
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
    const { editor } = this;
    const next = new Map<string, Item>();
    for (const item of editor.selectedItems) {
      if (item.locked) continue;
      const change = moveChange(editor, item, by);
      if (change.kind === 'set') next.set(item.id, { ...item, ...change.values } as Item);
    }
    if (this.parts) return editor.show(next);
    const page: Page = { ...editor.page, items: editor.page.items.map((item) => next.get(item.id) ?? item) };
    const drawing = { faces: editor.faces!, pictures: pictureNow, roles: editor.sheet.roles, page };
    this.lineLayer!.innerHTML = this.lines
      .map((item) => {
        const node = drawItem(next.get(item.id) ?? item, drawing);
        return node ? svgMarkup([node], editor.faces!, { prefix: `lifted-${item.id}`, imageUrl }) : '';
      })
      .join('');
  }

  /** Puts everything back. React then draws the result. */
  done(): void {
    this.lifted?.remove();
    this.lineLayer?.remove();
    for (const element of this.originals) element.style.visibility = '';
    this.marks?.querySelector('.chosen-marks')?.removeAttribute('transform');
    if (this.editor.preview.size > 0) this.editor.show(new Map());
  }
}
