import type { Change } from '../../core/changes/change';
import type { Logged } from '../../core/changes/queue';
import type { Result } from '../../core/lookfors/kind';
import type { Sheet } from '../../core/schema/sheet';
import type { Aside } from '../keeping/vault';

/** How saving stands, and what is told of it. */

export type SaveState =
  | { kind: 'saved'; at: number }
  | { kind: 'saving' }
  /** No answer, or with `trouble` a server that can't save: the changes are kept here and go out later. */
  | { kind: 'offline'; waiting: number; trouble: boolean }
  /** Signed out, handed in, or gone: nothing more is taken. */
  | { kind: 'stopped'; reason: string };

export type SaveAnswer =
  | { outcome: 'saved'; seq: number; results?: (Result | null)[] }
  | { outcome: 'behind'; seq: number; missed: Logged[] }
  | { outcome: 'refused'; index: number; reason: string };

export type Told = {
  /** The sheet changed beneath: others' changes, or something of ours that was refused. */
  sheet(sheet: Sheet, over: Change[]): void;
  state(state: SaveState): void;
  notice(text: string): void;
  results(results: (Result | null)[]): void;
  /** Changes that could not be saved: they are kept in the browser, to be downloaded. */
  aside(aside: readonly Aside[]): void;
};

/** What happens to the outbox, for other windows of the browser that follow it. `from`: the window that did it, if another. */
export type Happening =
  | { kind: 'pushed'; change: Change; from: string | null; k: number }
  | { kind: 'sent'; batch: string; count: number }
  | { kind: 'acked'; seq: number }
  /** Anything else; `theirs` is what others did. */
  | { kind: 'other'; theirs: Change[] };
