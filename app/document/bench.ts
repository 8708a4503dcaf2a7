import { useCallback, useSyncExternalStore } from 'react';
import type { Supply } from '../../core/handout/permission';
import { refusal } from '../../core/handout/permission';
import type { Result } from '../../core/lookfors/kind';
import type { Point } from '../../core/geometry/matrix';
import type { Change } from '../../core/changes/change';
import { apply, invert } from '../../core/changes/change';
import type { UndoHistory } from '../../core/changes/history';
import { NO_HISTORY, passUnder, record, redo, undo } from '../../core/changes/history';
import type { Look } from '../../core/items/look';
import { lookOf } from '../../core/items/look';
import type { Hit } from '../../core/changes/search';
import { bodyLength } from '../../core/text/body';
import { LIMITS, NEARLY_FULL } from '../../core/sheet/limits';
import type { GroupItem, Item, Page, RunStyle, Sheet } from '../../core/schema/sheet';
import { isWritten } from '../../core/schema/sheet';
import { find, findOn } from '../../core/sheet/tree';
import type { Faces } from '../../core/text/faces';
import type { Makes } from './makes';
import type { OnSheet } from './on-sheet';
import type { Opened } from './keeping';
import { Keeping } from './keeping';
import type { SaveState } from './save-state';
import type { Aside } from '../keeping/vault';

/** A stretch of words being edited: `anchor` stays, `focus` moves; `typing` is the style of what is typed next. */
export type Editing = { id: string; anchor: number; focus: number; typing: RunStyle | null };

export type Rights = { kind: 'all' } | { kind: 'student'; supplies: readonly Supply[] };

/** What the pointer does on the sheet instead of choosing. */
export type Tool =
  | { kind: 'pen'; colour: string; weight: number }
  | { kind: 'eraser'; size: number }
  /** Takes the colour under the pointer. */
  | { kind: 'sampler'; taken: (hex: string) => void }
  /** Takes where the pointer was pressed and let go, once. */
  | { kind: 'spot'; taken: (from: Point, to: Point) => void };
/** Whether a message has had its time. */
export type Until = (bench: Bench) => boolean;

/** What goes along when several things, a group or a picture are resized: text, line weights, and the other side. */
export type Along = { words: boolean; weights: boolean; ratio: boolean };
/** Words typed for a node that is still being made; `left` when it is not to be written on, `from` was chosen then. */
export type Begun = { group: string; node: string; words: string; left: boolean; from: readonly string[] };
/** What lies under a spot, front to back, offered as a list at the pointer. */
export type Dug = { ids: readonly string[]; x: number; y: number };
/** Where in the margin's card the settings stand. */
export type Tab = 'make' | 'words' | 'look' | 'place' | 'students';

type Setup = {
  documentId: string;
  personId: string;
  seq: number;
  sheet: Sheet;
  savedAt: number;
  rights: Rights;
  /** The address of the sheet whose history can be looked at; a student's copy has none. */
  historyAt?: string;
};

/**
 * The state of one open sheet: what is on it, what is chosen, what can be undone, how saving stands. No React in here;
 * components read slices of it through `useBench`.
 */
export class Bench {
  sheet: Sheet;
  pageId: string;
  selection: readonly string[] = [];
  /** The group whose parts are being chosen, or null for the page. */
  entered: string | null = null;
  editing: Editing | null = null;
  begun: Begun | null = null;
  /** Items as they look while a handle is dragged; nothing of it is saved. */
  preview: ReadonlyMap<string, Item> = new Map();
  history: UndoHistory = NO_HISTORY;
  save: SaveState;
  notice: { text: string; count: number; until: Until | null } | null = null;
  /** Changes that could not be saved, kept in this browser. */
  aside: readonly Aside[] = [];
  results: (Result | null)[] | null = null;
  faces: Faces | null = null;
  /** Set while this sheet can't be written to, with the reason. */
  shut: string | null = null;
  readonly rights: Rights;
  readonly historyAt: string | null;
  /** What Tab does while words are edited: a student goes on to the next part to fill in. */
  onTab: ((by: 1 | -1) => void) | null = null;
  /** Chooses what lies deeper where the chosen thing is. */
  onDig: (() => void) | null = null;
  tool: Tool | null = null;
  along: Along = { words: true, weights: true, ratio: true };
  dug: Dug | null = null;
  tab: Tab = 'words';
  /** The looks that things were last given, by kind: the next of a kind starts with it. */
  looks: ReadonlyMap<string, Look> = new Map();
  /** A look that was copied, to be given to others. */
  copiedLook: Look | null = null;
  /** The first of the last things that were duplicated, and of the copies: they tell the step. */
  repeat: { from: string; copies: readonly string[] } | null = null;
  recent: readonly string[] = [];
  /** The ink that was drawn with last. */
  recentPen: string | null = null;
  /** The stop of a gradient that is being coloured. */
  stop = 0;
  /** Whether words are being searched for; the margin then shows it. */
  finding = false;
  /** The stretch of words that the search stands at. */
  lit: Hit | null = null;
  /** Grows when more words were looked up. */
  checked = 0;
  /** The sheet as it was at another time, looked at but not changed. */
  past: { sheet: Sheet; label: string } | null = null;
  /** Whether the sheet of keys lies open. */
  keySheet = false;

  private listeners = new Set<() => void>();
  private keeping: Keeping;

  constructor(private setup: Setup) {
    this.keeping = new Keeping(setup, {
      opened: (opened) => this.begin(opened),
      sheet: (sheet, over) => {
        this.sheet = sheet;
        for (const change of over) this.history = passUnder(this.history, change);
        this.dropGone();
        this.changed();
      },
      state: (save) => {
        this.save = save;
        if (save.kind === 'stopped') this.shut = save.reason;
        this.changed();
      },
      steps: () => this.history,
      notice: (text) => this.say(text),
      aside: (aside) => {
        this.aside = aside;
        this.changed();
      },
      results: (results) => {
        this.results = results;
        this.changed();
      },
    });
    this.sheet = setup.sheet;
    this.pageId = setup.sheet.pages[0].id;
    this.save = { kind: 'saved', at: setup.savedAt };
    this.rights = setup.rights;
    this.historyAt = setup.historyAt ?? null;
  }

  open(): Promise<void> {
    return this.keeping.open();
  }
  close(): void {
    this.keeping.close();
  }

  private begin({ sheet, history, early, whole }: Opened): void {
    this.sheet = sheet;
    this.history = history;
    const kept = early.filter(({ name, change }) => this.make(name, change));
    if (kept.length === 0 && this.save.kind === 'saving') this.save = { kind: 'saved', at: this.setup.savedAt };
    if (!whole) this.say('This browser can keep nothing by itself: all is saved only while the school is reached.');
    this.changed();
  }

  /** The number of changes on the server once all of ours are there; null when the server does not answer. */
  async settled(): Promise<number | null> {
    await this.keeping.opened();
    await this.making?.settled();
    return this.keeping.settled();
  }

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  changed(): void {
    if (this.notice?.until?.(this)) this.notice = null;
    for (const listener of this.listeners) listener();
  }

  /** How saving stands, to be said: what is still being made is not saved. */
  get saveShown(): SaveState {
    return this.save.kind === 'saved' && this.making?.open ? SAVING : this.save;
  }

  get page(): Page {
    return this.sheet.pages.find((page) => page.id === this.pageId) ?? this.sheet.pages[0];
  }
  /** The page as it is shown: with items that are being dragged as they look now. */
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

  /** @param until when what it asks for is done: then it leaves by itself */
  say(text: string, until: Until | null = null): void {
    // What seems to be done already was not all: then it is there until something changes.
    const leaves = until?.(this) ? untilChanged(this) : until;
    this.notice = { text, count: (this.notice?.count ?? 0) + 1, until: leaves };
    this.changed();
  }
  /** What could not be saved has been downloaded, or is not wanted. */
  forgetAside(): void {
    this.keeping.forgetAside();
  }
  hush(): void {
    this.notice = null;
    this.changed();
  }

  /** Why this person may not make the change; null when they may. */
  refusal(change: Change): string | null {
    if (this.shut) return this.shut;
    return this.rights.kind === 'all' ? null : refusal(this.sheet, change, this.rights.supplies);
  }

  /**
   * Makes a change: shown at once, undoable, saved soon. False, and the reason is said, when it does not fit. What a maker
   * made needs no following.
   */
  make(name: string, change: Change, by: 'hand' | 'made' = 'hand'): boolean {
    if (change.kind === 'all' && change.changes.length === 0) return true;
    const result = this.attempt(change);
    if (!result) return false;
    const before = this.sheet;
    const step = { name, change, inverse: invert(before, change), at: Date.now() };
    // Whoever changes something is back in the present.
    this.past = null;
    this.sheet = result;
    this.history = record(this.history, step);
    this.keep(name, change);
    if (change.kind === 'splice') this.sayNearlyFull(change.id, before);
    if (by === 'hand') this.onChange?.(change, before, 'hand');
    return true;
  }

  /** Says that a box is nearly full, once, when it becomes so. */
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

  /** Adds a change to the last step, with which it is taken back; for what follows from that step. */
  amend(name: string, change: Change): void {
    const result = this.attempt(change);
    if (!result) return;
    const inverse = invert(this.sheet, change);
    const last = this.history.past.at(-1);
    this.sheet = result;
    if (last && this.history.future.length === 0) {
      const whole = {
        ...last,
        change: joined(last.change, change),
        inverse: joined(inverse, last.inverse),
        at: Date.now(),
      };
      this.history = { past: [...this.history.past.slice(0, -1), whole], future: [] };
    } else if (this.history.future.length > 0) {
      // What was taken back can still be done again.
      this.history = passUnder(this.history, change);
    } else this.history = record(this.history, { name, change, inverse, at: Date.now() });
    this.keep(name, change);
  }

  /** What makers add to the sheet itself. */
  onSheet: readonly OnSheet<Bench>[] = [];
  /** Gives up what the pointer is doing; null while it does nothing. */
  cancelGesture: (() => void) | null = null;
  /** Keeps what makers made in step; set while the workbench is open. */
  making: Makes | null = null;
  /** Told of each change that a person made, with the sheet before it. */
  onChange: ((change: Change, before: Sheet, by: 'hand' | 'history') => void) | null = null;

  private keep(name: string, change: Change): void {
    // What is in this window only is not said to be saved.
    if (!this.keeping.keep(name, change, this.history) && !this.shut) this.save = SAVING;
    this.dropGone();
    this.changed();
  }

  /** The page as it would be after a change, without making it. */
  tried(change: Change): Page | null {
    return this.triedSheet(change)?.pages.find((page) => page.id === this.pageId) ?? null;
  }
  triedSheet(change: Change): Sheet | null {
    const result = apply(this.sheet, change);
    return result.ok ? result.sheet : null;
  }

  private attempt(change: Change): Sheet | null {
    const no = this.refusal(change);
    if (no) {
      this.say(no, untilChanged(this));
      return null;
    }
    const result = apply(this.sheet, change);
    if (!result.ok) {
      this.say(result.reason, untilChanged(this));
      return null;
    }
    return result.sheet;
  }

  undo(): void {
    this.step(undo(this.history), 'inverse');
  }
  redo(): void {
    this.step(redo(this.history), 'change');
  }

  private step(taken: ReturnType<typeof undo>, side: 'inverse' | 'change') {
    if (!taken) return;
    this.past = null;
    this.history = taken.history;
    const { name, [side]: change } = taken.step;
    const before = this.sheet;
    const sheet = this.attempt(change);
    if (this.editing) this.editing = { ...this.editing, typing: null };
    if (sheet) {
      this.sheet = sheet;
      this.keep(name, change);
      this.onChange?.(change, before, 'history');
    } else {
      this.keeping.keepHistory(this.history);
      this.changed();
    }
  }

  /** What is no longer there can't be chosen or edited. */
  private dropGone() {
    if (!this.sheet.pages.some((page) => page.id === this.pageId)) this.pageId = this.sheet.pages[0].id;
    const { page } = this;
    if (this.selection.some((id) => !findOn(page, id))) {
      this.selection = this.selection.filter((id) => findOn(page, id));
      // Where a part went that a maker made, its whole is chosen, so that its recipe stays at hand.
      const whole = this.selection.length === 0 ? this.enteredGroup : null;
      if (whole?.maker) {
        this.selection = [whole.id];
        this.entered = null;
      }
    }
    if (this.entered !== null && !findOn(page, this.entered)) this.entered = null;
    if (this.editing && !find(this.sheet, this.editing.id)) this.editing = null;
  }

  select(ids: readonly string[]): void {
    this.dug = null;
    this.stop = 0;
    if (this.editing && !(ids.length === 1 && ids[0] === this.editing.id)) this.editing = null;
    this.selection = ids;
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
    if (editing) this.selection = [editing.id];
    this.changed();
  }

  /** Sets passing state of the interface: what is set is not part of the sheet. */
  put(
    values: Partial<
      Pick<
        Bench,
        | 'tool'
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
      >
    >,
  ): void {
    Object.assign(this, values);
    this.changed();
  }

  /** Remembers the look of things for the next of their kind, and the colour for the recent ones. */
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

  turnTo(pageId: string): void {
    this.pageId = pageId;
    this.dug = null;
    this.selection = [];
    this.entered = null;
    this.editing = null;
    this.changed();
  }
}

/** Until so many things are selected. */
export const selected =
  (least: number): Until =>
  ({ selection }) =>
    selection.length >= least;

/** Until nothing that is selected is locked. */
export const noneLocked: Until = ({ selectedItems }) => selectedItems.every(({ locked }) => !locked);

/** Until something else is changed, done again or taken back. */
export function untilChanged({ history: { past, future } }: Bench): Until {
  return ({ history }) => history.past !== past || history.future !== future;
}

const SAVING: SaveState = { kind: 'saving' };
const joined = (first: Change, second: Change): Change => ({ kind: 'all', changes: [first, second] });

/** Text is remembered by its role: a title does not start as the last quote did. */
export const lookKey = (item: Item) => (item.kind === 'text' ? `text ${item.role}` : item.kind);

/** A slice of the bench; it must give the same object while nothing of it has changed. */
export function useBench<T>(bench: Bench, slice: (bench: Bench) => T): T {
  const get = useCallback(() => slice(bench), [bench, slice]);
  return useSyncExternalStore(bench.subscribe, get, get);
}
