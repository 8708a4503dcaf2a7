import type { Change } from './change';
import { merge, rebase } from './change';

/** A person's steps, to undo and redo. Others' changes pass beneath them and are not undone. */
export type Step = {
  name: string;
  change: Change;
  /** Takes `change` back. */
  inverse: Change;
  /** Milliseconds since 1970. */
  at: number;
};
export type UndoHistory = { past: readonly Step[]; future: readonly Step[] };

export const NO_HISTORY: UndoHistory = { past: [], future: [] };
/** Typing or moving that continues within this many milliseconds stays one step. */
const PAUSE = 1500;

/** Adds a step; one that carries on the last step becomes part of it. */
export function record(history: UndoHistory, step: Step): UndoHistory {
  const last = history.past.at(-1);
  if (last && history.future.length === 0 && last.name === step.name && step.at - last.at < PAUSE) {
    const change = merge(last.change, step.change);
    // Inverses run backwards: the later one first.
    const inverse =
      change && (merge(step.inverse, last.inverse) ?? { kind: 'all' as const, changes: [step.inverse, last.inverse] });
    if (change && inverse) {
      const merged: Step = {
        name: last.name,
        change,
        inverse: last.change.kind === 'splice' ? inverse : last.inverse,
        at: step.at,
      };
      return { past: [...history.past.slice(0, -1), merged], future: [] };
    }
  }
  return { past: [...history.past, step], future: [] };
}

/** The step to undo and the history after it. Null when there is none. */
export function undo(history: UndoHistory): { step: Step; history: UndoHistory } | null {
  const step = history.past.at(-1);
  return step ? { step, history: { past: history.past.slice(0, -1), future: [step, ...history.future] } } : null;
}

export function redo(history: UndoHistory): { step: Step; history: UndoHistory } | null {
  const [step, ...future] = history.future;
  return step ? { step, history: { past: [...history.past, step], future } } : null;
}

/** The history after somebody else's change: positions in text move along. */
export function passUnder(history: UndoHistory, over: Change): UndoHistory {
  const step = (s: Step): Step => ({ ...s, change: rebase(s.change, over), inverse: rebase(s.inverse, over) });
  return { past: history.past.map(step), future: history.future.map(step) };
}
