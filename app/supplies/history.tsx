import { Busy } from '../parts/busy';
import { Chip, Chips } from '../parts/action';
import { TextLine } from '../fields/text-line';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useSubmit } from 'react-router';
import { z } from 'zod';
import { between } from '../../core/changes/between';
import { replay, Change } from '../../core/changes/change';
import { readSheet } from '../../core/schema/read';
import type { Sheet } from '../../core/schema/sheet';
import { useZone, whenWords } from '../browser/time';
import { SmallPicture } from '../drawing/small-picture';
import type { Editor } from '../document/editor';
import { untilChanged, useEditor } from '../document/editor';
import styles from './drawer.module.css';

/** The sheet's history: a slider over all that was ever done, named moments with pictures, and the way back to any of them. */

const Moments = z.array(z.object({ id: z.string(), seq: z.number(), name: z.string() }));
const Grown = z.object({
  from: z.number(),
  sheet: z.unknown(),
  log: z.array(z.object({ seq: z.number(), at: z.string(), change: Change })),
  moments: Moments,
});
type Moment = z.infer<typeof Moments>[number];

/** The states of a sheet along its log, each computed once: keyframes at intervals, the others from the one before. */
class Film {
  private frames = new Map<number, Sheet>();
  readonly last: number;
  constructor(
    readonly from: number,
    sheet: Sheet,
    private log: z.infer<typeof Grown>['log'],
  ) {
    this.frames.set(from, sheet);
    this.last = from + log.length;
  }
  at(seq: number): Sheet {
    const known = this.frames.get(seq);
    if (known) return known;
    let start = seq;
    while (!this.frames.has(start)) start--;
    let sheet = this.frames.get(start)!;
    for (let i = start; i < seq; i++) {
      sheet = replay(sheet, [this.log[i - this.from].change]);
      if ((i + 1) % 50 === 0) this.frames.set(i + 1, sheet);
    }
    return sheet;
  }
  when(seq: number): string | null {
    return this.log[Math.max(0, seq - this.from - 1)]?.at ?? null;
  }
}

const lastStep = (editor: Editor) => editor.history.past.at(-1);
/** The most milliseconds a playback takes, however long the history. */
const PLAY = 9000;
/** Milliseconds after a change before the history is fetched again. */
const FRESH = 900;

export function SheetHistory({ editor }: { editor: Editor }) {
  const [film, setFilm] = useState<Film | null>(null);
  const [moments, setMoments] = useState<Moment[]>([]);
  const [seq, setSeq] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  const [name, setName] = useState('');
  const [playing, setPlaying] = useState(false);
  const past = useEditor(editor, 'past');
  const faces = useEditor(editor, 'faces');
  const zone = useZone();
  const submit = useSubmit();
  const at = editor.historyAt;
  const now = useRef(Date.now());
  const [fetched, setFetched] = useState(0);

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
      const made = new Film(read.data.from, readSheet(read.data.sheet), read.data.log);
      setFilm(made);
      setMoments(read.data.moments);
      setSeq(made.last);
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

  const show = useCallback(
    (to: number, shown: Film) => {
      setSeq(to);
      const words = whenWords(shown.when(to), now.current, zone);
      editor.put({ past: to >= shown.last ? null : { sheet: shown.at(to), label: words } });
    },
    [editor, zone],
  );

  useEffect(() => {
    if (!playing || !film) return;
    const steps = Math.max(1, film.last - film.from);
    const begun = performance.now();
    const time = Math.min(PLAY, 600 + steps * 90);
    let frame = requestAnimationFrame(function next(t: number) {
      const share = Math.min(1, (t - begun) / time);
      show(film.from + Math.round(share * steps), film);
      if (share < 1) frame = requestAnimationFrame(next);
      else setPlaying(false);
    });
    return () => cancelAnimationFrame(frame);
  }, [playing, film, show]);

  const post = async (form: Record<string, string>) => {
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

  /** The number of the state shown: by default all changes so far. */
  const shownSeq = async (): Promise<number | null> => {
    if (editor.past) return seq;
    const settled = await editor.settled();
    if (settled === null) editor.say('This can be done once the sheet is saved and the network is back.');
    return settled;
  };

  if (problem) return <p className="quiet">{problem}</p>;
  if (!film) return <Busy>Loading the history …</Busy>;
  const steps = film.last - film.from;
  return (
    <div className={styles.history}>
      <div className={styles.historyLine}>
        <label className={styles.historySlider}>
          <span className="quiet">
            {steps === 0 ? 'Nothing has been done yet' : `${seq - film.from} of ${steps} steps`}
          </span>
          <input
            type="range"
            aria-label="History of the sheet"
            aria-valuetext={`${seq - film.from} of ${steps} steps, ${past?.label ?? 'as it is now'}`}
            min={film.from}
            max={film.last}
            value={seq}
            onChange={(event) => (setPlaying(false), show(Number(event.target.value), film))}
          />
          <span className="quiet">{past ? past.label : 'As it is now'}</span>
        </label>
        <Chips>
          <Chip disabled={steps === 0} onClick={() => setPlaying(!playing)}>
            {playing ? 'stop' : 'play history'}
          </Chip>
          {past && (
            <>
              <Chip
                tone="apricot"
                onClick={() => {
                  const change = between(editor.sheet, past.sheet);
                  editor.put({ past: null });
                  if (editor.make('Go back', change))
                    editor.say('The sheet is as it was then. Undo brings back what it was.', untilChanged(editor));
                  setSeq(film.last);
                }}
              >
                go back to this
              </Chip>
              <Chip onClick={() => show(film.last, film)}>back to now</Chip>
            </>
          )}
          <Chip
            onClick={() =>
              void shownSeq().then((now) => {
                if (now !== null)
                  void submit({ do: 'copy', seq: `${now}` }, { method: 'post', action: `${at}/history` });
              })
            }
          >
            make a copy of this
          </Chip>
        </Chips>
        <form
          className="history-name"
          onSubmit={(event) => {
            event.preventDefault();
            void shownSeq().then(async (now) => {
              if (now !== null && (await post({ do: 'name', seq: `${now}`, name }))) setName('');
            });
          }}
        >
          <TextLine
            aria-label="Name of this moment"
            placeholder="Name this moment, then Enter"
            value={name}
            maxLength={80}
            onChange={(event) => setName(event.target.value)}
          />
        </form>
      </div>
      {moments
        .filter((moment) => moment.seq >= film.from && moment.seq <= film.last)
        .map((moment) => (
          <div key={moment.id} className={styles.moment}>
            <button
              type="button"
              className={styles.look}
              onClick={() => show(moment.seq, film)}
              title={`Look at “${moment.name}”`}
            >
              <SmallPicture sheet={film.at(moment.seq)} page={film.at(moment.seq).pages[0]} faces={faces} />
              <span>{moment.name}</span>
            </button>
            <button
              type="button"
              className={styles.momentDrop}
              aria-label={`Delete the moment ${moment.name}`}
              onClick={() => void post({ do: 'drop', id: moment.id })}
            >
              ×
            </button>
          </div>
        ))}
    </div>
  );
}
