import type { Change } from '../../core/changes/change';
import type { Outbox } from '../../core/changes/queue';
import type { ToldResult } from '../../core/lookfors/checks';
import type { SaveState } from './save-state';

/**
 * Messages between the windows of one browser that show the same sheet. The one that holds the sheet's main slot leads: it
 * keeps the outbox and sends it. The others hand it their changes and follow.
 */

/** A change of a follower: `k` counts on from 1. */
export type Mine = { k: number; change: Change };
export type Said =
  /** To the leading window. `n` is the version that `items` are based on. */
  | { kind: 'hello'; from: string }
  | { kind: 'mine'; from: string; n: number; items: Mine[] }
  | { kind: 'settle'; from: string; ask: number }
  | { kind: 'bye'; from: string }
  /** From whoever leads. */
  | { kind: 'lead' }
  | { kind: 'state'; n: number; outbox: Outbox; theirs: Change[]; save: SaveState | null }
  | { kind: 'pushed'; n: number; from: string | null; k: number; change: Change }
  | { kind: 'refused'; from: string; k: number; reason: string }
  | { kind: 'sent'; batch: string; count: number }
  | { kind: 'acked'; seq: number }
  | { kind: 'save'; save: SaveState }
  | { kind: 'results'; results: (ToldResult | null)[] }
  | { kind: 'settled'; ask: number; seq: number | null };

export type Line = { say(said: Said): void; close(): void };

/** null in a browser that can't. */
export function openLine(name: string, heard: (said: Said) => void): Line | null {
  if (typeof BroadcastChannel === 'undefined' || !globalThis.navigator?.locks) return null;
  const channel = new BroadcastChannel(`dappled-margin sheet ${name}`);
  channel.onmessage = ({ data }: MessageEvent<Said>) => heard(data);
  return { say: (said) => channel.postMessage(said), close: () => channel.close() };
}
