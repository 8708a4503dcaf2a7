import { useEffect, useRef, useState } from 'react';
import { z } from 'zod';
import { sentence } from '../parts/sentence';
import { download, refusalIn, UNREACHED } from './download';

/** Requests a file from the server and follows its progress until it is ready. */

/** The progress, as it is shown. */
export type ExportState = { kind: 'asked' } | { kind: 'making'; done: number; of: number } | { kind: 'unreached' };

const State = z.discriminatedUnion('state', [
  z.object({ state: z.enum(['waiting', 'ready', 'stopped']) }),
  z.object({ state: z.literal('making'), progress: z.object({ done: z.number(), of: z.number() }).nullable() }),
  z.object({ state: z.literal('failed'), problem: z.string() }),
]);
const Asked = z.object({ id: z.string() });

/** Polling is fast at first, for quick files, then slower; in milliseconds. */
const POLLING = { first: 150, longest: 1000, unreached: 2000 };

/** Why there is no file, in words to show. */
export class ExportProblem extends Error {
  override name = 'ExportProblem';
}

const wait = (time: number, signal: AbortSignal) =>
  new Promise<void>((resolve) => {
    if (signal.aborted) return resolve();
    const done = () => {
      clearTimeout(timer);
      resolve();
    };
    const timer = setTimeout(done, time);
    signal.addEventListener('abort', done, { once: true });
  });

/**
 * @param from the address that makes it
 * @returns the file's address, or null if it was stopped by the signal
 * @throws ExportProblem
 */
async function exportFile(
  from: string,
  wanted: object,
  signal: AbortSignal,
  tell: (state: ExportState) => void,
): Promise<string | null> {
  tell({ kind: 'asked' });
  const asked = await fetch(from, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(wanted),
  }).catch(() => {
    throw new ExportProblem(UNREACHED);
  });
  if (!asked.ok) throw new ExportProblem(await refusalIn(asked));
  const place = `/exports/${Asked.parse(await asked.json()).id}`;
  // Stopped when the page closes: nobody waits for it then.
  const leave = () => void fetch(place, { method: 'DELETE', keepalive: true }).catch(() => {});
  window.addEventListener('pagehide', leave);
  try {
    const made = await follow(place, signal, tell);
    if (!made) await fetch(place, { method: 'DELETE' }).catch(() => {});
    return made ? `${place}/file` : null;
  } finally {
    window.removeEventListener('pagehide', leave);
  }
}

/** Polls until the file is ready. False if it was stopped. @throws ExportProblem */
async function follow(place: string, signal: AbortSignal, tell: (state: ExportState) => void): Promise<boolean> {
  let rest = POLLING.first;
  while (!signal.aborted) {
    await wait(rest, signal);
    const answer = await fetch(place, { signal }).catch(() => null);
    if (signal.aborted) break;
    if (!answer || answer.status >= 500) {
      tell({ kind: 'unreached' });
      rest = POLLING.unreached;
      continue;
    }
    if (!answer.ok) throw new ExportProblem(await refusalIn(answer));
    const now = State.parse(await answer.json());
    if (now.state === 'ready') return true;
    if (now.state === 'failed') throw new ExportProblem(now.problem);
    if (now.state === 'stopped') throw new ExportProblem('It was stopped before it was ready. Try again.');
    tell(now.state === 'making' && now.progress ? { kind: 'making', ...now.progress } : { kind: 'asked' });
    rest = Math.min(POLLING.longest, rest * 1.3);
  }
  return false;
}

type Asking = {
  /** The address that makes it, and what it is told. */
  from: string;
  wanted: object;
  /** What it is called, and what its progress is counted in. */
  what: string;
  unit: 'page' | 'piece';
  /** What has to be done first; may throw an ExportProblem. */
  before?: () => Promise<void>;
};

/** Files that are made for this person, one at a time. `say` is told why there is none. */
export function useExport(say: (problem: string) => void) {
  const [now, setNow] = useState<(Pick<Asking, 'what' | 'unit'> & { making: ExportState }) | null>(null);
  const stop = useRef<AbortController | null>(null);
  useEffect(() => () => stop.current?.abort(), []);
  return {
    /** How far it is, in words; null where nothing is being made. */
    words: now && wordsOf(now, now.making),
    stop: () => stop.current?.abort(),
    async take({ from, wanted, what, unit, before }: Asking): Promise<void> {
      const control = new AbortController();
      stop.current = control;
      setNow({ what, unit, making: { kind: 'asked' } });
      try {
        await before?.();
        const place = await exportFile(from, wanted, control.signal, (making) => setNow({ what, unit, making }));
        if (place) download(place);
      } catch (error) {
        say(error instanceof ExportProblem ? error.message : 'Couldn’t make the file. Try again.');
      } finally {
        setNow(null);
      }
    },
  };
}

function wordsOf({ what, unit }: Pick<Asking, 'what' | 'unit'>, making: ExportState): string {
  if (making.kind === 'unreached') return `${sentence(what)}: the school can’t be reached, trying again …`;
  if (making.kind === 'making' && making.of > 1) return `Making ${what}: ${unit} ${making.done} of ${making.of} …`;
  return `Making ${what} …`;
}
