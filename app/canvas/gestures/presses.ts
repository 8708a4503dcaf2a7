import { focusSheet } from '../../fields/focus';
import { drawPage } from '../../../core/items/draw';
import { warpOfItem, wordsOf } from '../../../core/items/words';
import { Sampler } from '../../../core/drawing/sampler';
import { centre, contains, spanned } from '../../../core/geometry/box';
import { frameMatrix } from '../../../core/geometry/frame';
import { pageMatrix, parentMatrix } from '../../../core/placement/on-page';
import { wholeBox } from '../../../core/pictures/frame';
import { boxOf, itemsAt } from '../../../core/items/hit';
import { blanksOn } from '../../../core/handout/blanks';
import type { Point } from '../../../core/geometry/matrix';
import { compose, inverse, transform } from '../../../core/geometry/matrix';
import type { Handle } from '../../../core/geometry/resize';
import { bodyText, isEmpty } from '../../../core/text/body';
import { itemName } from '../../../core/items/name';
import type { GroupItem, Item, WrittenItem } from '../../../core/schema/sheet';
import { isWritten } from '../../../core/schema/sheet';
import { findOn } from '../../../core/sheet/tree';
import { positionAt, positionNear } from '../../../core/text/caret';
import { pictureNow } from '../../drawing/resources';
import { croppedNow, dragBelow, pullCrop } from './crop';
import { pullAmount, pullBend, pullEnd, pullPaint, pullShape, pullSize, pullTurn } from './grips';
import type { Press } from './ground';
import { FINGER, Ground, mayMove, REACH, reachable, unsnapped } from './ground';
import { takesPictures } from '../../pictures/takes-pictures';
import { PICTURE_DRAGGED } from '../../parts/dragged';
import { dragItems, sweepFrom } from './move';
import { drawStroke, erase } from './pen';

/** What presses on the sheet mean: selecting, digging, opening text, taking hold of a mark. */

/** A press with what was pressed. */
type PressOn = Press & { button: number; target: EventTarget | null };

/** Milliseconds after a pen was pressed in which fingers don't draw. */
const PALM = 20_000;

export class Presses {
  /** Pixels within which the last press hit a thin item. */
  private reach = REACH;
  /** When a pen was last pressed, by the clock of its events. */
  private penAt = -Infinity;

  constructor(
    private ground: Ground,
    private say: (words: string) => void,
  ) {}

  private get editor() {
    return this.ground.editor;
  }

  /** What a press at a point may mean, front to back. */
  under(point: Point): Item[] {
    return itemsAt(
      this.editor.page,
      this.editor.enteredGroup,
      point,
      this.reach / this.ground.scale,
      pictureNow,
    ).filter((item) => reachable(this.editor, item));
  }

  /** The picture that a dragged one would take the place of: not one that fills the page, and none while Alt is held. */
  pictureUnder(event: Pick<DragEvent, 'clientX' | 'clientY' | 'altKey' | 'dataTransfer'>): string | null {
    const { editor } = this;
    const types = event.dataTransfer?.types ?? [];
    // Else what a student brings becomes a page.
    const files = types.includes('Files') && takesPictures(editor);
    if (event.altKey || editor.past || !(files || types.includes(PICTURE_DRAGGED))) return null;
    const [top] = this.under(this.ground.pointOf(event));
    if (top?.kind !== 'picture' || top.made || !mayMove(editor, top)) return null;
    return top.width * top.height > (editor.page.width * editor.page.height) / 2 ? null : top.id;
  }

  private positionIn(item: Item, point: Point): number {
    if (!isWritten(item) || !this.editor.faces) return 0;
    const local = transform(inverse(compose(parentMatrix(this.editor.page, item.id), frameMatrix(item))), point);
    const { layout, origin } = wordsOf(item, {
      faces: this.editor.faces,
      roles: this.editor.sheet.roles,
    });
    const warp = warpOfItem(item, layout);
    return warp
      ? positionNear(layout, warp, local)
      : positionAt(layout, { x: local.x - origin.x, y: local.y - origin.y });
  }

  private editFrom(event: Press, item: Item, extend: boolean) {
    const position = this.positionIn(item, this.ground.pointOf(event));
    const anchor = extend && this.editor.editing?.id === item.id ? this.editor.editing.anchor : position;
    this.editor.edit({ id: item.id, anchor, focus: position, typing: null });
    // The focus may have been in a field beside the sheet.
    focusSheet();
    this.ground.follow(
      event,
      (point) =>
        this.editor.editing && this.editor.edit({ ...this.editor.editing, focus: this.positionIn(item, point) }),
      () => {},
      () => {},
    );
  }

  private canWrite(item: Item): item is WrittenItem {
    return (
      isWritten(item) &&
      !item.locked &&
      !this.editor.shut &&
      (this.editor.rights.kind === 'all' || item.touch !== 'fixed')
    );
  }

  private pulled(event: Press, mark: SVGElement) {
    const [kind, x, y] = mark.dataset.grip!.split(' ');
    if (kind === 'size') {
      const handle = { x: Number(x), y: Number(y) } as Handle;
      const cropped = croppedNow(this.editor);
      return cropped ? pullCrop(this.ground, event, cropped, handle) : pullSize(this.ground, event, handle);
    }
    if (kind === 'turn') return pullTurn(this.ground, event);
    if (kind === 'shape') return pullShape(this.ground, event, Number(x));
    if (kind === 'bend') return pullBend(this.ground, event);
    if (kind === 'amount') return pullAmount(this.ground, event);
    if (kind === 'paint') return pullPaint(this.ground, event, x);
    return pullEnd(this.ground, event, kind as 'from' | 'to');
  }

  /** The colour of the page at a point, with letters and pictures. */
  private sample(point: Point) {
    const { nodes } = drawPage(this.editor.sheet, this.editor.page, {
      faces: this.editor.faces!,
      pictures: pictureNow,
    });
    return new Sampler(nodes, this.editor.faces!).at(point).hex;
  }

  private takeSpot(event: Press, taken: (from: Point, to: Point) => void) {
    const start = this.ground.pointOf(event);
    let last = start;
    this.ground.follow(
      event,
      (point) => {
        last = point;
        this.ground.show({ sweep: spanned(start, point) });
      },
      () => {
        this.ground.show({ sweep: null });
        this.editor.put({ tool: null });
        taken(start, last);
      },
      () => this.ground.show({ sweep: null }),
    );
  }

  private work(event: Press): boolean {
    if (!this.editor.tool) return false;
    if (this.editor.shut) {
      this.editor.say(this.editor.shut);
      return true;
    }
    const draws = this.editor.tool.kind === 'pen' || this.editor.tool.kind === 'eraser';
    // Whoever holds a pen rests the hand on the sheet.
    if (draws && event.pointerType === 'touch' && event.timeStamp - this.penAt < PALM) return true;
    if (this.editor.tool.kind === 'pen') drawStroke(this.ground, event, this.editor.tool);
    else if (this.editor.tool.kind === 'eraser') erase(this.ground, event, this.editor.tool);
    else if (this.editor.tool.kind === 'spot') this.takeSpot(event, this.editor.tool.taken);
    else {
      const { taken } = this.editor.tool;
      this.editor.put({ tool: null });
      taken(this.sample(this.ground.pointOf(event)));
    }
    return true;
  }

  /** Each press goes one item deeper: first the one on top, then the one under it, and round again. */
  private dig(point: Point, here: readonly Item[]) {
    if (here.length === 0) return;
    const at = here.findIndex((item) => this.editor.selection.length === 1 && item.id === this.editor.selection[0]);
    const next = here[(at + 1) % here.length];
    this.editor.select([next.id]);
    this.showDug(point, here);
    this.say(`${itemName(next)}, ${here.indexOf(next) + 1} of ${here.length} here`);
  }
  showDug(point: Point, here: readonly Item[]): void {
    this.editor.put({ dug: here.length > 1 ? { ids: here.map((item) => item.id), ...point } : null });
  }

  onPointerDown(event: PressOn) {
    if (event.button !== 0 || !this.editor.faces || this.editor.past) return;
    // With a second finger the browser zooms: what the first began is not meant.
    if (!event.isPrimary) return void this.editor.cancelGesture?.();
    this.reach = event.pointerType === 'touch' ? FINGER : REACH;
    if (event.pointerType === 'pen') {
      // The hand may have come down before it.
      this.editor.cancelGesture?.();
      this.penAt = event.timeStamp;
    }
    if ((event.target as Element).closest('.dig-list')) return;
    const mark = (event.target as Element).closest<SVGElement>('[data-grip]');
    // While text is edited the text area keeps the focus, otherwise the stage takes it.
    event.preventDefault();
    if (this.work(event)) return;
    if (mark) return this.pulled(event, mark);
    const point = this.ground.pointOf(event);
    const cropped = croppedNow(this.editor);
    if (cropped) {
      const local = transform(inverse(pageMatrix(this.editor.page, cropped)), point);
      if (contains(wholeBox(cropped), local)) return dragBelow(this.ground, event, cropped);
      this.editor.put({ cropping: null });
    }
    const { editing } = this.editor;
    const editedItem = editing && findOn(this.editor.page, editing.id)?.item;
    const here = this.under(point);
    if (editedItem && contains(boxOf(this.editor.page, editedItem, pictureNow), point))
      return this.editFrom(event, editedItem, event.shiftKey);
    if (!editing) this.ground.paper().closest<HTMLElement>('[data-stage]')?.focus({ preventScroll: true });
    if (this.editor.dug && !unsnapped(event)) this.editor.put({ dug: null });
    // A blank opens at the first press, also inside made items and groups.
    const blank = this.editor.rights.kind === 'student' ? this.blankAt(null, point) : null;
    if (blank) return this.editFrom(event, blank, false);
    const [top] = here;
    if (!top) {
      if (
        this.editor.enteredGroup &&
        itemsAt(this.editor.page, null, point, this.reach / this.ground.scale, pictureNow).length > 0
      ) {
        this.editor.enter(null);
        this.editor.select([]);
      }
      return sweepFrom(this.ground, event, event.shiftKey);
    }
    if (event.shiftKey) {
      const chosen = this.editor.selection.includes(top.id);
      this.editor.select(
        chosen ? this.editor.selection.filter((id) => id !== top.id) : [...this.editor.selection, top.id],
      );
      return;
    }
    const already = here.find((item) => this.editor.selection.includes(item.id));
    const item = already ?? top;
    const wasOnly = this.editor.selection.length === 1 && this.editor.selection[0] === item.id;
    if (unsnapped(event))
      return dragItems(this.ground, event, already ? this.editor.selectedItems : [top], () => this.dig(point, here));
    if (!already) this.editor.select([item.id]);
    this.say(`${itemName(item)}, chosen`);
    dragItems(this.ground, event, already ? this.editor.selectedItems : [item], () => {
      if (wasOnly && top.id !== item.id) this.editor.select([top.id]);
      else if (already && this.editor.selection.length > 1) this.editor.select([item.id]);
    });
  }

  /** The blank at a point, however deep. Items a student can move hide it, fixed ones don't. */
  private blankAt(within: GroupItem | null, point: Point): WrittenItem | null {
    for (const item of itemsAt(this.editor.page, within, point, this.reach / this.ground.scale, pictureNow)) {
      if (item.touch === 'free') return null;
      const found =
        item.kind === 'group' ? this.blankAt(item, point) : item.touch === 'fill' && this.canWrite(item) ? item : null;
      if (found) return found;
    }
    return null;
  }

  /** The text item at a point, however deep; in a group, one of its own. */
  private wordsAt(items: readonly Item[], point: Point): { item: WrittenItem; group: string | null } | null {
    for (const item of items) {
      if (item.kind === 'group') {
        const inner = this.wordsAt(
          itemsAt(this.editor.page, item, point, this.reach / this.ground.scale, pictureNow),
          point,
        );
        if (inner) return { item: inner.item, group: inner.group ?? item.id };
      } else if (this.canWrite(item) && (item === items[0] || item.kind === 'text' || !isEmpty(item.body)))
        return { item, group: null };
    }
    return null;
  }

  onDoubleClick(event: { clientX: number; clientY: number }) {
    if (this.editor.past || this.editor.tool) return;
    const point = this.ground.pointOf(event);
    const here = this.under(point);
    const [top] = here;
    if (!top) return;
    const found = this.wordsAt(here, point);
    if (found && this.editor.editing?.id === found.item.id) {
      // The word under the pointer.
      const words = bodyText(found.item.body);
      const at = this.positionIn(found.item, point);
      const start = words.slice(0, at).search(/[\p{L}\p{N}'’-]+$/u);
      const end = words.slice(at).search(/[^\p{L}\p{N}'’-]/u);
      this.editor.edit({
        id: found.item.id,
        anchor: start < 0 ? at : start,
        focus: end < 0 ? words.length : at + end,
        typing: null,
      });
      return;
    }
    if (top.kind === 'group' && found?.group !== top.id) {
      this.editor.enter(top.id);
      const [inner] = itemsAt(this.editor.page, top, point, this.reach / this.ground.scale, pictureNow);
      if (inner) this.editor.select([inner.id]);
      return;
    }
    if (!found) {
      if (top.kind === 'picture' && this.editor.chosen === top) this.editor.put({ cropping: top.id });
      return;
    }
    if (found.group) this.editor.enter(found.group);
    this.editor.openText(found.item);
  }

  /** A student goes from blank to blank with Tab, in reading order. */
  walk(by: number): void {
    const { editor } = this;
    const fields = blanksOn(editor.page, pictureNow).filter(({ item }) => this.canWrite(item));
    const at = fields.findIndex(({ item }) => item.id === editor.editing?.id);
    const next = fields[(at + by + fields.length) % fields.length]?.item;
    if (next) editor.openText(next);
  }

  /** By keyboard: what lies under the middle of the selected item. */
  digChosen(): void {
    const { editor } = this;
    const item = editor.chosen;
    if (!item) return;
    const box = boxOf(editor.page, item, pictureNow);
    const { x, y } = editor.dug ?? centre(box);
    const here = this.under({ x, y });
    if (here.length < 2) return this.say('Nothing else lies here.');
    this.dig({ x, y }, here);
  }
}
