import type { Supply } from '../../core/handout/supplies';
import type { UsablePictures } from '../../core/handout/laid-out';
import type { Most } from '../../core/handout/limits';
import { refusal } from '../../core/handout/permission';
import type { ToldResult } from '../../core/lookfors/checks';
import type { Change } from '../../core/changes/change';
import { apply, invert } from '../../core/changes/change';
import type { UndoHistory } from '../../core/changes/history';
import { NO_HISTORY, passUnder, record, redo, undo } from '../../core/changes/history';
import type { Sheet } from '../../core/schema/sheet';
import type { Aside } from '../keeping/vault';
import type { Opened } from './keeping';
import { Keeping } from './keeping';
import type { Makes } from './makes';
import type { SaveState } from './save-state';

export type Rights =
  | { kind: 'all' }
  | {
      kind: 'student';
      supplies: readonly Supply[];
      most?: Most;
      /** The pictures that may be on it, where these are laid out. */
      usable?: UsablePictures;
      mayUpload?: boolean;
      /** The copy that files with work made elsewhere are brought to. */
      copyId?: string;
    };

export type Setup = {
  documentId: string;
  personId: string;
  seq: number;
  sheet: Sheet;
  savedAt: number;
  rights: Rights;
  /** The address of the sheet's history. A student's copy has none. */
  historyAt?: string;
};

const SAVING: SaveState = { kind: 'saving' };
const joined = (first: Change, second: Change): Change => ({ kind: 'all', changes: [first, second] });

/**
 * An open sheet: what is on it, what can be undone, and how it is saved. What is seen and selected of it is the editor's
 * (editor.ts), which is told of changes through the abstract methods.
 */
export abstract class OpenDocument {
  sheet: Sheet;
  history: UndoHistory = NO_HISTORY;
  save: SaveState;
  /** Changes that could not be saved, kept in this browser. */
  aside: readonly Aside[] = [];
  results: (ToldResult | null)[] | null = null;
  /** Set while this sheet can't be written to, with the reason. */
  shut: string | null = null;
  readonly rights: Rights;
  readonly historyAt: string | null;
  /** Keeps made items in step; set while the workbench is open. */
  making: Makes | null = null;
  /** Called with each change a person makes, and the sheet before it. */
  onChange: ((change: Change, before: Sheet, by: 'hand' | 'history') => void) | null = null;

  private listeners = new Set<() => void>();
  private keeping: Keeping;

  constructor(private setup: Setup) {
    this.keeping = new Keeping(
      { ...setup, copy: setup.rights.kind === 'student' },
      {
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
      },
    );
    this.sheet = setup.sheet;
    this.save = { kind: 'saved', at: setup.savedAt };
    this.rights = setup.rights;
    this.historyAt = setup.historyAt ?? null;
  }

  /** Shows a message. */
  abstract say(text: string): void;
  /** Says why a change was refused. */
  protected abstract sayRefused(reason: string): void;
  /** Lets go of what is no longer on the sheet. */
  protected abstract dropGone(): void;
  /** Ends looking back at an earlier state. */
  protected abstract toPresent(): void;

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

  /** The number of changes on the server once all of ours are saved. Null when the server does not answer. */
  async settled(): Promise<number | null> {
    await this.keeping.opened();
    await this.making?.settled();
    return this.keeping.settled();
  }

  withOthers(together: boolean): void {
    this.keeping.withOthers(together);
  }
  othersChanged(seq: number): void {
    this.keeping.othersChanged(seq);
  }

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  changed(): void {
    for (const listener of this.listeners) listener();
  }

  /** The state of saving as it is shown. What is still being made counts as not saved. */
  get saveShown(): SaveState {
    return this.save.kind === 'saved' && this.making?.open ? SAVING : this.save;
  }

  /** Forgets what could not be saved: it was downloaded or is not wanted. */
  forgetAside(): void {
    this.keeping.forgetAside();
  }

  /** Why this person may not make the change; null when they may. */
  refusal(change: Change): string | null {
    if (this.shut) return this.shut;
    const { rights } = this;
    return rights.kind === 'all' ? null : refusal(this.sheet, change, rights.supplies, rights.most, rights.usable);
  }

  /** Makes a change: shown at once, undoable, saved soon. Returns false, with a message, when it can't be made. */
  make(name: string, change: Change, by: 'hand' | 'made' = 'hand'): boolean {
    if (change.kind === 'all' && change.changes.length === 0) return true;
    const result = this.attempt(change);
    if (!result) return false;
    const before = this.sheet;
    const step = { name, change, inverse: invert(before, change), at: Date.now() };
    // A change ends looking back at an earlier state.
    this.toPresent();
    this.sheet = result;
    this.history = record(this.history, step);
    this.keep(name, change);
    if (by === 'hand') this.onChange?.(change, before, 'hand');
    return true;
  }

  /** Adds a change to the last step, and is undone with it. For what follows from that step. */
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
      // What was undone can still be redone.
      this.history = passUnder(this.history, change);
    } else this.history = record(this.history, { name, change, inverse, at: Date.now() });
    this.keep(name, change);
  }

  private keep(name: string, change: Change): void {
    // What is only in this window must not count as saved.
    if (!this.keeping.keep(name, change, this.history) && !this.shut) this.save = SAVING;
    this.dropGone();
    this.changed();
  }

  /** The sheet as it would be after a change, without making it. Null when it can't be made. */
  triedSheet(change: Change): Sheet | null {
    const result = apply(this.sheet, change);
    return result.ok ? result.sheet : null;
  }

  private attempt(change: Change): Sheet | null {
    const no = this.refusal(change);
    if (no) {
      this.sayRefused(no);
      return null;
    }
    const result = apply(this.sheet, change);
    if (!result.ok) {
      this.sayRefused(result.reason);
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
    this.toPresent();
    this.history = taken.history;
    const { name, [side]: change } = taken.step;
    const before = this.sheet;
    const sheet = this.attempt(change);
    if (sheet) {
      this.sheet = sheet;
      this.keep(name, change);
      this.onChange?.(change, before, 'history');
    } else {
      this.keeping.keepHistory(this.history);
      this.changed();
    }
  }
}
