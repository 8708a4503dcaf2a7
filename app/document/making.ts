import type { Change } from '../../core/changes/change';
import { singles } from '../../core/changes/change';
import { between } from '../../core/changes/between';
import type { GroupItem, Sheet } from '../../core/schema/sheet';
import { everyItem, find, withItem } from '../../core/sheet/tree';
import type { MakerState } from '../../core/schema/recipes/recipes';
import { recipeKindOf } from '../../core/schema/recipes/recipes';
import { needsOfRecipe } from '../../core/makers/kit/needs';
import type { Forget } from '../../core/makers/remake';
import type { Editor } from './editor';
import { askMade } from './making-parts';
import type { Makes, State } from './makes';
import type { Together } from './on-sheet';

/**
 * Keeps made items in step with their recipes. They are made again when a recipe is edited, or when parts are changed by hand.
 * A worker does the work; late results are dropped.
 */

/** While a recipe is being typed the result is only shown. It is kept after this pause, in milliseconds. */
const REST = 600;

type Job = { state?: State; forget?: Forget; name: string; keep: 'soon' | 'now' | 'with last'; then?: () => void };

export class Making implements Makes {
  /** What a maker could not do, by the group's id. */
  notes: ReadonlyMap<string, readonly string[]> = new Map();
  /** Groups that are being made right now. */
  readonly busy = new Set<string>();
  /** Progress of the slow ones. */
  progress: ReadonlyMap<string, number> = new Map();
  private stops = new Map<string, AbortController>();
  private next = new Map<string, Job>();
  /** Groups whose recipe or text is being typed: what to do at the next pause. */
  private typing = new Map<string, ReturnType<typeof setTimeout>>();
  private writing = new Map<string, ReturnType<typeof setTimeout>>();
  /** What is shown but not kept yet. */
  private pending = new Map<string, { name: string; group: GroupItem; from: GroupItem; then?: () => void }>();

  private together: ReadonlyMap<string, Together>;

  constructor(private editor: Editor) {
    const finished = () => this.onFinished?.();
    this.together = new Map(
      editor.onSheet.flatMap(({ kind, together }) => (together ? [[kind, together(editor, finished)]] : [])),
    );
  }
  private get sharing(): boolean {
    return [...this.together.values()].some(({ busy }) => busy > 0);
  }

  private groupOf(id: string): GroupItem | null {
    const item = find(this.editor.sheet, id)?.item;
    return item?.kind === 'group' && item.maker ? item : null;
  }

  /** The present recipe, with the last letters typed. */
  state(id: string): State | null {
    return this.wanted.get(id) ?? this.shown(id)?.maker ?? null;
  }
  /** Recipes that are on their way. */
  private wanted = new Map<string, State>();
  private shown(id: string): GroupItem | null {
    return this.pending.get(id)?.group ?? this.groupOf(id);
  }

  /**
   * Sets a group's recipe. `soon`: while typing, kept as one step at the next pause. `with last`: joined with the step before.
   */
  edit(id: string, name: string, state: State, keep: Job['keep'] = 'now', then?: () => void): void {
    this.wanted.set(id, state);
    if (keep === 'soon') this.showAhead(id, state);
    this.editor.changed();
    this.ask(id, { name, state, keep, then });
  }

  /** Makes a group that was just added, in the same step. */
  begin(id: string): void {
    const state = this.groupOf(id)?.maker;
    if (state) this.ask(id, { name: 'Make', state, keep: 'with last' });
  }

  /** Makes everything again, or only puts parts back in place. */
  tidy(id: string, forget: Exclude<Forget, 'nothing'>): void {
    this.ask(id, { name: 'Tidy', forget, keep: 'now' });
  }

  /**
   * Brings made items in step after a change by hand. Called with each change a person makes. After undo and redo they are
   * already in step, except for text that may have been undone to where nothing followed yet.
   */
  follow(change: Change, before: Sheet, by: 'hand' | 'history'): void {
    if (by === 'history' && !writes(change)) return;
    for (const id of madeGroups(this.editor, change, before)) {
      clearTimeout(this.writing.get(id));
      const go = () => this.catchUp(id);
      // Text is taken in at the next pause.
      if (this.editor.editing) this.writing.set(id, setTimeout(go, REST));
      else go();
    }
  }

  private catchUp(id: string): void {
    clearTimeout(this.writing.get(id));
    this.writing.delete(id);
    this.ask(id, { name: 'Follow', keep: 'with last' });
  }

  /** Whether something that was done is not in the sheet yet. */
  get open(): boolean {
    return this.pending.size > 0 || this.busy.size > 0 || this.writing.size > 0 || this.sharing;
  }

  /** Waits for everything being made and keeps it: before a sheet is handed out. */
  async settled(): Promise<void> {
    for (const id of [...this.writing.keys()]) this.catchUp(id);
    const finished = async () => {
      while (this.busy.size > 0 || this.sharing) await new Promise<void>((resolve) => (this.onFinished = resolve));
    };
    await finished();
    this.flush();
    await finished();
  }
  private onFinished: (() => void) | null = null;

  /** Keeps everything that is only shown so far. */
  flush(): void {
    for (const id of [...this.pending.keys()]) this.keep(id);
  }

  close(): void {
    this.flush();
    for (const timer of this.writing.values()) clearTimeout(timer);
    this.writing.clear();
  }

  private ask(id: string, job: Job): void {
    if (this.busy.has(id)) {
      // A pending recipe and what was to be done after it are not lost to the next one.
      const waiting = this.next.get(id);
      if (waiting?.state && !job.state && !job.forget) return;
      const then = () => (waiting?.then?.(), job.then?.());
      this.next.set(id, { ...job, state: job.state ?? waiting?.state, then });
      return;
    }
    const { editor } = this;
    if (!job.state && !job.forget) this.keep(id);
    const group = this.shown(id);
    if (!group) return this.finished(id);
    const state = job.state ?? group.maker!;
    const inGroup = new Set(group.items.map((item) => item.id));
    const taken = everyItem(editor.sheet)
      .map((item) => item.id)
      .filter((other) => other.startsWith(`${id}-`) && !inGroup.has(other));
    this.busy.add(id);
    const stop = new AbortController();
    this.stops.set(id, stop);
    editor.changed();
    askMade(
      {
        asked: { group, state: job.state, forget: job.forget, taken },
        roles: editor.sheet.roles,
        ...needsOfRecipe(state.recipe, editor.sheet.roles),
      },
      { signal: stop.signal, progress: (share) => this.put(id, share) },
    ).then(
      (answer) => this.arrived(id, group, job, withRecipe(answer.group, job.state), answer.notes),
      (problem: Error) => {
        const why = stop.signal.aborted
          ? 'Stopped.'
          : `This could not be made: ${problem.message.replace(/\.?$/, '.')}`;
        const kept = job.state !== undefined && this.keepRecipe(id, job.name, job.state);
        this.editor.say(kept ? `${why} What you entered is kept; it shows when it can be made.` : why);
        if (kept) this.notes = new Map(this.notes).set(id, [`${why} It shows as it was before.`]);
        if (!stop.signal.aborted) this.failed.add(id);
        this.showPending();
        this.finished(id);
      },
    );
  }

  /** Groups that could not be made. They are tried again when the network is back. */
  private failed = new Set<string>();
  tryAgain(): void {
    const all = [...this.failed];
    this.failed.clear();
    for (const id of all) {
      const state = this.groupOf(id)?.maker;
      if (state) this.ask(id, { name: 'Make', state, keep: 'with last' });
    }
  }

  /** Keeps what was entered although it can't be made. The parts stay as they are. */
  private keepRecipe(id: string, name: string, state: State): boolean {
    this.keep(id);
    const group = this.groupOf(id);
    const change = group && changeTo(this.editor.sheet, withRecipe(group, state));
    if (!change) return false;
    this.editor.make(name, change, 'made');
    return true;
  }

  /** Stops making a group. What waits behind it is not started. */
  stop(id: string): void {
    this.next.delete(id);
    this.stops.get(id)?.abort();
  }

  private put(id: string, share: number | null): void {
    const progress = new Map(this.progress);
    if (share === null) progress.delete(id);
    else progress.set(id, share);
    this.progress = progress;
    this.editor.changed();
  }

  private arrived(id: string, asked: GroupItem, job: Job, group: GroupItem, notes: readonly string[]): void {
    const now = this.shown(id);
    if (!now) return this.finished(id);
    if (now !== asked) {
      // Something was changed meanwhile: do it again on top of that.
      this.finished(id);
      if (!this.busy.has(id)) this.ask(id, job);
      return;
    }
    this.notes = new Map(this.notes).set(id, notes);
    this.failed.delete(id);
    if (job.keep === 'with last') {
      const change = changeTo(this.editor.sheet, group);
      if (change) this.editor.amend(job.name, change);
      this.shareOut(group);
    } else {
      const from = this.pending.get(id)?.from ?? asked;
      this.pending.set(id, { name: job.name, group, from, then: job.then });
      if (job.keep === 'now') this.keep(id);
      else {
        this.showPending();
        clearTimeout(this.typing.get(id));
        this.typing.set(
          id,
          setTimeout(() => this.keep(id), REST),
        );
      }
    }
    this.finished(id);
  }

  /** Text being typed shows at once in place. Positions follow when the group is made. */
  private showAhead(id: string, { kind, recipe }: State): void {
    const group = this.shown(id);
    const typed = group ? (onSheetOf(this.editor, kind)?.ahead?.(group, recipe) ?? null) : null;
    if (typed) this.showPending(typed);
  }

  /** Shows what is pending. */
  private showPending(ahead?: GroupItem): void {
    const shown = new Map([...this.pending].map(([id, { group }]) => [id, group]));
    if (ahead) shown.set(ahead.id, ahead);
    this.editor.show(shown);
  }

  /** Turns what is shown into a step. */
  private keep(id: string): void {
    const waiting = this.pending.get(id);
    if (!waiting) return;
    this.pending.delete(id);
    clearTimeout(this.typing.get(id));
    this.typing.delete(id);
    this.showPending();
    if (this.groupOf(id) !== waiting.from) {
      // The group has changed meanwhile: only the recipe is taken over.
      const { maker } = waiting.group;
      if (maker && this.groupOf(id))
        this.ask(id, { name: waiting.name, state: maker, keep: 'now', then: waiting.then });
      return;
    }
    const change = changeTo(this.editor.sheet, waiting.group);
    if (change) this.editor.make(waiting.name, change, 'made');
    else this.editor.changed();
    this.shareOut(waiting.group);
    // Only what is kept can be chosen.
    waiting.then?.();
  }

  private shareOut({ id, maker }: GroupItem): void {
    if (maker) void this.together.get(maker.kind)?.share(id);
  }

  private finished(id: string): void {
    this.busy.delete(id);
    this.stops.delete(id);
    if (this.progress.has(id)) this.put(id, null);
    const next = this.next.get(id);
    this.next.delete(id);
    if (!next) {
      this.wanted.delete(id);
      // The node was never made, so its typed text has no place.
      if (this.editor.begun?.group === id) this.editor.begun = null;
    }
    this.editor.changed();
    if (next) this.ask(id, next);
    this.onFinished?.();
  }
}

/** The result was made from the very recipe it was asked for with. */
const withRecipe = (group: GroupItem, state: State | undefined): GroupItem =>
  state && group.maker ? { ...group, maker: { ...group.maker, recipe: state.recipe } as MakerState } : group;

/** The change that gives a group its new parts. Null when nothing differs. */
function changeTo(sheet: Sheet, group: GroupItem): Change | null {
  const place = find(sheet, group.id);
  if (!place) return null;
  const change = between(sheet, withItem(sheet, place, group));
  return change.kind === 'all' && change.changes.length === 0 ? null : change;
}

const onSheetOf = (editor: Editor, kind: MakerState['kind']) => editor.onSheet.find((maker) => maker.kind === kind);
const SIZE: readonly string[] = ['width', 'height'];

/** Made groups that a change may affect. */
function madeGroups(editor: Editor, change: Change, before: Sheet): Set<string> {
  const { sheet: after } = editor;
  const out = new Set<string>();
  const around = (id: string) => {
    for (const sheet of [after, before])
      for (const group of find(sheet, id)?.groups ?? [])
        if (group.maker && recipeKindOf(group.maker.kind).followsParts && find(after, group.id)) out.add(group.id);
  };
  for (const one of singles(change)) {
    if (!('id' in one)) continue;
    const item = find(after, one.id)?.item;
    const maker = item?.kind === 'group' ? item.maker : null;
    const keys = (maker && onSheetOf(editor, maker.kind)?.frame) ?? SIZE;
    if (maker && one.kind === 'set' && keys.some((key) => key in one.values)) out.add(one.id);
    else if (one.kind !== 'set' || touchesPlace(one.values)) around(one.id);
  }
  return out;
}

const writes = (change: Change): boolean => [...singles(change)].some(({ kind }) => kind === 'splice');

/** Settings that affect other parts. */
const touchesPlace = (values: Record<string, unknown>) =>
  ['x', 'y', 'width', 'height', 'hidden', 'picture'].some((key) => key in values);
