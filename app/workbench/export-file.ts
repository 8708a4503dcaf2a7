import { z } from 'zod';
import type { Wanted as Whole } from '../../server/exports/exports';

/** Requests a file from the server and follows its progress until it is ready. */

/** By default as students get it, from the first page. */
export type Wanted = Pick<Whole, 'as'> & Partial<Whole>;
/** The progress, as shown in the strip. */
export type ExportState = { kind: 'asked' } | { kind: 'making'; done: number; of: number } | { kind: 'unreached' };

const State = z.discriminatedUnion('state', [
  z.object({ state: z.enum(['waiting', 'ready', 'stopped']) }),
  z.object({ state: z.literal('making'), progress: z.object({ done: z.number(), of: z.number() }).nullable() }),
  z.object({ state: z.literal('failed'), problem: z.string() }),
]);
const Refusal = z.object({ message: z.string() });
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

/** The server's reason for refusing. */
async function refusalIn(answer: Response): Promise<ExportProblem> {
  const told = Refusal.safeParse(await answer.json().catch(() => null));
  return new ExportProblem(told.success ? told.data.message : `The server answered ${answer.status}. Try again.`);
}

/** @returns the file's address, or null if it was stopped by the signal @throws ExportProblem */
export async function exportFile(
  sheetId: string,
  wanted: Wanted,
  signal: AbortSignal,
  tell: (state: ExportState) => void,
): Promise<string | null> {
  tell({ kind: 'asked' });
  const asked = await fetch(`/sheets/${sheetId}/export`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(wanted),
  }).catch(() => {
    throw new ExportProblem('The school can’t be reached. Download the sheet when the network is back.');
  });
  if (!asked.ok) throw await refusalIn(asked);
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
    if (!answer.ok) throw await refusalIn(answer);
    const now = State.parse(await answer.json());
    if (now.state === 'ready') return true;
    if (now.state === 'failed') throw new ExportProblem(now.problem);
    if (now.state === 'stopped') throw new ExportProblem('It was stopped before it was ready. Try again.');
    tell(now.state === 'making' && now.progress ? { kind: 'making', ...now.progress } : { kind: 'asked' });
    rest = Math.min(POLLING.longest, rest * 1.3);
  }
  return false;
}
