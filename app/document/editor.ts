import { useCallback, useSyncExternalStore } from 'react';
import type { Change } from '../../core/changes/change';
import type { Hit } from '../../core/changes/search';
import type { Point } from '../../core/geometry/matrix';
import type { Look } from '../../core/items/look';
import { lookOf } from '../../core/items/look';
import { creditsChange, hasCreditLine } from '../../core/proof/credits';
import type { GroupItem, Item, Page, RunStyle, Sheet, WrittenItem } from '../../core/schema/sheet';
import { isWritten } from '../../core/schema/sheet';
import { LIMITS, NEARLY_FULL } from '../../core/sheet/limits';
import { find, findOn } from '../../core/sheet/tree';
import { bodyLength } from '../../core/text/body';
import type { Faces } from '../../core/text/faces';
import type { OnSheet } from './on-sheet';
import type { Setup } from './open-document';
import { OpenDocument } from './open-document';

/** The text being edited: `anchor` stays and `focus` moves. `typing` is the style of the next letters. */
export type Editing = { id: string; anchor: number; focus: number; typing: RunStyle | null };

/** What the pointer does on the sheet instead of selecting. */
export type Tool =
  | { kind: 'pen'; colour: string; weight: number }
  | { kind: 'eraser'; size: number }
  /** Takes the colour under the pointer. */
  | { kind: 'sampler'; taken: (hex: string) => void }
  /** Receives, once, where the pointer was pressed and released. */
  | { kind: 'spot'; taken: (from: Point, to: Point) => void };
/** Whether a message is no longer needed. */
export type Until = (editor: Editor) => boolean;

/** What scales along when several items, a group or a picture are resized: text, line weights, and the other side. */
export type Along = { words: boolean; weights: boolean; ratio: boolean };
/** Text typed for a node that is still being made. `left`: nobody goes on writing it. `from`: what was selected before. */
export type Begun = { group: string; node: string; words: string; left: boolean; from: readonly string[] };
/** The items under a point, front to back, offered as a list at the pointer. */
export type Dug = { ids: readonly string[]; x: number; y: number };
/** Where in the margin's card the settings stand. */
export type Tab = 'make' | 'words' | 'look' | 'place' | 'students';

/**
 * The editor of one open sheet: which page is seen, what is selected and edited, which tool is in hand, and what has to be said.
 * No React in here; components read slices of it through `useEditor`.
 */
export class Editor extends OpenDocument {
  pageId: string;
  selection: readonly string[] = [];
  /** The group whose parts are being chosen, or null for the page. */
  entered: string | null = null;
  editing: Editing | null = null;
  /** The picture that is being cropped. */
  cropping: string | null = null;
  begun: Begun | null = null;
  /** Items as they look during a drag. Not saved. */
  preview: ReadonlyMap<string, Item> = new Map();
  notice: { text: string; count: number; until: Until | null } | null = null;
  faces: Faces | null = null;
  /** What Tab does while text is edited: students go on to the next blank. */
  onTab: ((by: 1 | -1) => void) | null = null;
  /** Selects what lies under the selected item. */
  onDig: (() => void) | null = null;
  tool: Tool | null = null;
  along: Along = { words: true, weights: true, ratio: true };
  dug: Dug | null = null;
  tab: Tab = 'words';
  /** The last look of each kind of item: the next one starts with it. */
  looks: ReadonlyMap<string, Look> = new Map();
  /** The copied look. */
  copiedLook: Look | null = null;
  /** The first of the last duplicated items, and of its copies: they give the step. */
  repeat: { from: string; copies: readonly string[] } | null = null;
  recent: readonly string[] = [];
  /** The last colour drawn with. */
  recentPen: string | null = null;
  /** The gradient stop being edited. */
  stop = 0;
  /** Whether the search is open in the margin. */
  finding = false;
  /** Where the search is. */
  lit: Hit | null = null;
  /** Grows when more words were looked up. */
  checked = 0;
  /** An earlier state of the sheet that is being looked at. */
  past: { sheet: Sheet; label: string } | null = null;
  /** The compartment of the drawer that is open. */
  compartment: string | null = null;
  /** Whether the list of keys is open. */
  keySheet = false;
  /** What makers add to the sheet itself. */
  onSheet: readonly OnSheet<Editor>[] = [];
  /** Cancels the present gesture. Null when there is none. */
  cancelGesture: (() => void) | null = null;

  constructor(setup: Setup) {
    super(setup);
    this.pageId = setup.sheet.pages[0].id;
    if (setup.rights.kind === 'all') this.compartment = 'words';
  }

  override changed(): void {
    if (this.notice?.until?.(this)) this.notice = null;
    super.changed();
  }

  get page(): Page {
    return this.sheet.pages.find((page) => page.id === this.pageId) ?? this.sheet.pages[0];
  }
  /** The page as shown, with dragged items where they are now. */
  get shownPage(): Page {
    const { page, preview } = this;
    if (preview.size === 0) return page;
    const swap = (items: readonly Item[]): Item[] =>
      items.map(
        (item) => preview.get(item.id) ?? (item.kind === 'group' ? { ...item, items: swap(item.items) } : item),
      );
    return { ...page, items: swap(page.items) };
  }
  get enteredGroup(): GroupItem | null {
    const item = this.entered === null ? undefined : findOn(this.page, this.entered)?.item;
    return item?.kind === 'group' ? item : null;
  }
  get selectedItems(): Item[] {
    return this.selection.flatMap((id) => findOn(this.page, id)?.item ?? []);
  }
  get chosen(): Item | null {
    return this.selection.length === 1 ? (findOn(this.page, this.selection[0])?.item ?? null) : null;
  }

  /** @param until the message leaves by itself once this holds */
  override say(text: string, until: Until | null = null): void {
    // If that holds already, it stays until something changes.
    const leaves = until?.(this) ? untilChanged(this) : until;
    this.notice = { text, count: (this.notice?.count ?? 0) + 1, until: leaves };
    this.changed();
  }
  hush(): void {
    this.notice = null;
    this.changed();
  }

  protected override sayRefused(reason: string): void {
    this.say(reason, untilChanged(this));
  }

  override make(name: string, change: Change, by: 'hand' | 'made' = 'hand'): boolean {
    const before = this.sheet;
    const made = super.make(name, change, by);
    if (made && change.kind === 'splice') this.sayNearlyFull(change.id, before);
    if (made) this.keepCredits(before);
    return made;
  }

  override amend(name: string, change: Change): void {
    const before = this.sheet;
    super.amend(name, change);
    this.keepCredits(before);
  }

  /** Lines that say where pictures are from follow each change, and are undone with it. */
  private keepCredits(before: Sheet): void {
    if (this.rights.kind !== 'all' || this.sheet === before || !hasCreditLine(this.sheet)) return;
    const change = creditsChange(before, this.sheet);
    if (change) super.amend('Credits', change);
  }

  /** Warns once when a box is nearly full. */
  private sayNearlyFull(id: string, before: Sheet): void {
    const [was, is] = [before, this.sheet].map((sheet) => {
      const item = find(sheet, id)?.item;
      return item && isWritten(item) ? bodyLength(item.body) : 0;
    });
    if (was < NEARLY_FULL && is >= NEARLY_FULL)
      this.say(
        `This box is nearly full: ${LIMITS.boxLetters - is} letters are left. Go on in another one soon.`,
        ({ editing }) => editing?.id !== id,
      );
  }

  /** The page as it would be after a change, without making it. */
  tried(change: Change): Page | null {
    return this.triedSheet(change)?.pages.find((page) => page.id === this.pageId) ?? null;
  }

  override undo(): void {
    this.forgetTyping();
    super.undo();
  }
  override redo(): void {
    this.forgetTyping();
    super.redo();
  }
  private forgetTyping(): void {
    if (this.editing) this.editing = { ...this.editing, typing: null };
  }

  protected override toPresent(): void {
    this.past = null;
  }

  /** What is gone can't stay selected or edited. */
  protected override dropGone(): void {
    if (!this.sheet.pages.some((page) => page.id === this.pageId)) this.pageId = this.sheet.pages[0].id;
    const { page } = this;
    if (this.selection.some((id) => !findOn(page, id))) {
      this.selection = this.selection.filter((id) => findOn(page, id));
      // If a made part is gone the whole is selected, so that its recipe stays at hand.
      const whole = this.selection.length === 0 ? this.enteredGroup : null;
      if (whole?.maker) {
        this.selection = [whole.id];
        this.entered = null;
      }
    }
    if (this.entered !== null && !findOn(page, this.entered)) this.entered = null;
    if (this.editing && !find(this.sheet, this.editing.id)) this.editing = null;
    if (this.cropping !== null && !findOn(page, this.cropping)) this.cropping = null;
  }

  select(ids: readonly string[]): void {
    this.dug = null;
    this.stop = 0;
    if (this.editing && !(ids.length === 1 && ids[0] === this.editing.id)) this.editing = null;
    this.selection = ids;
    if (ids.length !== 1 || ids[0] !== this.cropping) this.cropping = null;
    if (this.entered !== null) {
      const outside = ids.some(
        (id) => id !== this.entered && !findOn(this.page, id)?.groups.some((group) => group.id === this.entered),
      );
      if (outside || ids.length === 0) this.entered = ids.length === 0 ? this.entered : null;
    }
    this.changed();
  }

  enter(group: string | null): void {
    this.entered = group;
    this.changed();
  }

  edit(editing: Editing | null): void {
    this.editing = editing;
    this.cropping = null;
    if (editing) this.selection = [editing.id];
    this.changed();
  }

  /** Sets state of the view, which is not part of the sheet. */
  put(
    values: Partial<
      Pick<
        Editor,
        | 'tool'
        | 'cropping'
        | 'along'
        | 'dug'
        | 'tab'
        | 'stop'
        | 'finding'
        | 'lit'
        | 'checked'
        | 'past'
        | 'copiedLook'
        | 'begun'
        | 'repeat'
        | 'recent'
        | 'recentPen'
        | 'keySheet'
        | 'compartment'
      >
    >,
  ): void {
    Object.assign(this, values);
    this.changed();
  }

  /** Remembers the look of items for the next of their kind, and the colour for the recent ones. */
  remember(ids: readonly string[], colour?: string): void {
    const looks = new Map(this.looks);
    for (const id of ids) {
      const item = find(this.sheet, id)?.item;
      if (item) looks.set(lookKey(item), lookOf(item));
    }
    this.looks = looks;
    if (colour) this.recent = [colour, ...this.recent.filter((hex) => hex !== colour)].slice(0, 10);
    this.changed();
  }

  show(preview: ReadonlyMap<string, Item>): void {
    this.preview = preview;
    this.changed();
  }

  /** Opens a text for typing, with all of it selected. */
  openText({ id, body }: Pick<WrittenItem, 'id' | 'body'>): void {
    this.edit({ id, anchor: 0, focus: bodyLength(body), typing: null });
  }

  turnTo(pageId: string): void {
    this.pageId = pageId;
    this.dug = null;
    this.selection = [];
    this.entered = null;
    this.editing = null;
    this.cropping = null;
    this.changed();
  }
}

/** Until that many things are selected. */
export const selected =
  (least: number): Until =>
  ({ selection }) =>
    selection.length >= least;

/** Until nothing that is selected is locked. */
export const noneLocked: Until = ({ selectedItems }) => selectedItems.every(({ locked }) => !locked);

/** Until something is changed, undone or redone. */
export function untilChanged({ history: { past, future } }: Editor): Until {
  return ({ history }) => history.past !== past || history.future !== future;
}

/** For text, by role: a title must not start with the look of the last quote. */
export const lookKey = (item: Item) => (item.kind === 'text' ? `text ${item.role}` : item.kind);

/** A field of the editor, or what `slice` makes of it: the same object while nothing in it changed. */
export function useEditor<K extends keyof Editor>(editor: Editor, slice: K): Editor[K];
export function useEditor<T>(editor: Editor, slice: (editor: Editor) => T): T;
export function useEditor(editor: Editor, slice: keyof Editor | ((editor: Editor) => unknown)): unknown {
  const get = useCallback(() => (typeof slice === 'string' ? editor[slice] : slice(editor)), [editor, slice]);
  return useSyncExternalStore(editor.subscribe, get, get);
}
