import type { Change } from '../../core/changes/change';
import type { Logged } from '../../core/changes/queue';
import type { ToldResult } from '../../core/lookfors/checks';
import type { Sheet } from '../../core/schema/sheet';
import type { Aside } from '../keeping/vault';

/** The state of saving. */

export type SaveState =
  | { kind: 'saved'; at: number }
  | { kind: 'saving' }
  /** No answer, or with `trouble` a server that can't save. Changes are kept here and sent later. */
  | { kind: 'offline'; waiting: number; trouble: boolean }
  /** Signed out, handed in, or deleted: nothing more is saved. */
  | { kind: 'stopped'; reason: string };

export type SaveAnswer =
  | { outcome: 'saved'; seq: number; results?: (ToldResult | null)[] }
  | { outcome: 'behind'; seq: number; missed: Logged[] }
  | { outcome: 'refused'; index: number; reason: string };

export type Told = {
  /** The sheet has changed: by others, or because a change of ours was refused. */
  sheet(sheet: Sheet, over: Change[]): void;
  state(state: SaveState): void;
  notice(text: string): void;
  results(results: (ToldResult | null)[]): void;
  /** Changes that could not be saved: they are kept in the browser, to be downloaded. */
  aside(aside: readonly Aside[]): void;
};

/** What happens to the outbox, for the browser's following windows. `from`: the window that made the change. */
export type Happening =
  | { kind: 'pushed'; change: Change; from: string | null; k: number }
  | { kind: 'sent'; batch: string; count: number }
  | { kind: 'acked'; seq: number }
  /** Anything else; `theirs` is what others did. */
  | { kind: 'other'; theirs: Change[] };
