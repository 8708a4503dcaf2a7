import { useEffect, useRef, useState } from 'react';
import { z } from 'zod';
import { Change } from '../../core/changes/change';
import { Film } from '../../core/changes/film';
import { readSheet } from '../../core/schema/read';
import type { Sheet } from '../../core/schema/sheet';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';

/** A sheet's history as it is on the server, and every state of the sheet along it. */

export const Moments = z.array(z.object({ id: z.string(), seq: z.number(), name: z.string() }));
const Grown = z.object({
  from: z.number(),
  sheet: z.unknown(),
  log: z.array(z.object({ seq: z.number(), at: z.string(), change: Change })),
  moments: Moments,
});
export type Moment = z.infer<typeof Moments>[number];

/** The states of a sheet along its log, and when each came about. */
export class DatedFilm extends Film {
  constructor(
    from: number,
    sheet: Sheet,
    private dated: z.infer<typeof Grown>['log'],
  ) {
    super(from, sheet, dated);
  }
  when(seq: number): string | null {
    return this.dated[Math.max(0, seq - this.from - 1)]?.at ?? null;
  }
}

const lastStep = (editor: Editor) => editor.history.past.at(-1);
/** Milliseconds after a change before the history is fetched again. */
const FRESH = 900;

/**
 * The history of the sheet that is open, fetched again a moment after each change.
 * @returns what has been fetched: null while it is loading, and a sentence when it could not be had.
 */
export function useHistory(editor: Editor) {
  const [film, setFilm] = useState<DatedFilm | null>(null);
  const [moments, setMoments] = useState<Moment[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const [fetched, setFetched] = useState(0);
  const at = editor.historyAt;

  useEffect(() => {
    let current = true;
    void (async () => {
      // What was just done belongs to the history too.
      const settled = await editor.settled();
      const answer = settled === null ? null : await fetch(`${at}/history`).catch(() => null);
      if (!current) return;
      if (!answer?.ok) return setProblem('The history can be shown once the sheet is saved and the network is back.');
      const read = Grown.safeParse(await answer.json());
      if (!read.success) return setProblem('Couldn’t load the history of this sheet. Try again.');
      setFilm(new DatedFilm(read.data.from, readSheet(read.data.sheet), read.data.log));
      setMoments(read.data.moments);
    })();
    return () => {
      current = false;
      editor.put({ past: null });
    };
  }, [editor, at, fetched]);

  // What is done while this is open belongs to the history a moment later.
  const done = useEditor(editor, lastStep);
  const known = useRef(done);
  useEffect(() => {
    if (known.current === done) return;
    const timer = setTimeout(() => {
      known.current = done;
      setFetched((count) => count + 1);
    }, FRESH);
    return () => clearTimeout(timer);
  }, [done]);

  /** Names or deletes a moment. True when that is done; what is in the way is said. */
  const post = async (form: Record<string, string>): Promise<boolean> => {
    const answer = await fetch(`${at}/history`, { method: 'POST', body: new URLSearchParams(form) }).catch(() => null);
    const body = (await answer?.json().catch(() => null)) as { moments?: unknown; message?: string } | null;
    const read = Moments.safeParse(body?.moments);
    if (answer?.ok && read.success) {
      setMoments(read.data);
      setProblem(null);
      return true;
    }
    editor.say(body?.message ?? 'This could not be saved. Try again when the network is back.');
    return false;
  };

  return { film, moments, problem, post };
}
