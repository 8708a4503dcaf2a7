import { Busy } from '../parts/busy';
import { Chip, Chips } from '../parts/action';
import { Sign } from '../parts/sign';
import { TextLine } from '../fields/text-line';
import { useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react';
import { useSubmit } from 'react-router';
import { between } from '../../core/changes/between';
import { useZone, whenWords } from '../browser/time';
import { SmallPicture } from '../drawing/small-picture';
import type { Editor } from '../document/editor';
import { untilChanged, useEditor } from '../document/editor';
import type { DatedFilm, Moment } from './film';
import { useHistory } from './film';
import styles from './drawer.module.css';

/** The sheet's history: a slider over all that was ever done, named moments with pictures, and the way back to any of them. */

/** The most milliseconds a playback takes, however long the history. */
const PLAY = 9000;

/** Shows the states of a film one after another, until it is stopped or over. */
function usePlayback(film: DatedFilm | null, show: (seq: number, film: DatedFilm) => void) {
  const [playing, setPlaying] = useState(false);
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
  return { playing, setPlaying };
}

export function SheetHistory({ editor }: { editor: Editor }) {
  const { film, moments, problem, post } = useHistory(editor);
  const [seq, setSeq] = useState(0);
  const past = useEditor(editor, 'past');
  const zone = useZone();
  const now = useRef(Date.now());
  useLayoutEffect(() => {
    if (film) setSeq(film.last);
  }, [film]);
  const show = useCallback(
    (to: number, shown: DatedFilm) => {
      setSeq(to);
      const words = whenWords(shown.when(to), now.current, zone);
      editor.put({ past: to >= shown.last ? null : { sheet: shown.at(to), label: words } });
    },
    [editor, zone],
  );
  const { playing, setPlaying } = usePlayback(film, show);

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
        <AtThisMoment
          editor={editor}
          seq={seq}
          steps={steps}
          playing={playing}
          onPlay={() => setPlaying(!playing)}
          onNow={() => show(film.last, film)}
          post={post}
        />
      </div>
      {moments
        .filter((moment) => moment.seq >= film.from && moment.seq <= film.last)
        .map((moment) => (
          <MomentTile
            key={moment.id}
            editor={editor}
            moment={moment}
            film={film}
            onLook={() => show(moment.seq, film)}
            onDelete={() => void post({ do: 'drop', id: moment.id })}
          />
        ))}
    </div>
  );
}

type AtProps = {
  editor: Editor;
  /** The state that the slider is at, and how many there are. */
  seq: number;
  steps: number;
  playing: boolean;
  onPlay: () => void;
  onNow: () => void;
  post: ReturnType<typeof useHistory>['post'];
};

/** What can be done with the state that is shown: play on, go back to it, copy it, name it. */
function AtThisMoment({ editor, seq, steps, playing, onPlay, onNow, post }: AtProps) {
  const [name, setName] = useState('');
  const past = useEditor(editor, 'past');
  const submit = useSubmit();

  /** The number of the state shown: by default all changes so far. */
  const shownSeq = async (): Promise<number | null> => {
    if (editor.past) return seq;
    const settled = await editor.settled();
    if (settled === null) editor.say('This can be done once the sheet is saved and the network is back.');
    return settled;
  };
  function goBack() {
    if (!past) return;
    const change = between(editor.sheet, past.sheet);
    onNow();
    if (editor.make('Go back', change))
      editor.say('The sheet is as it was then. Undo brings back what it was.', untilChanged(editor));
  }
  async function makeCopy() {
    const shown = await shownSeq();
    if (shown !== null)
      void submit({ do: 'copy', seq: `${shown}` }, { method: 'post', action: `${editor.historyAt}/history` });
  }
  async function nameIt() {
    const shown = await shownSeq();
    if (shown !== null && (await post({ do: 'name', seq: `${shown}`, name }))) setName('');
  }
  return (
    <>
      <Chips>
        <Chip disabled={steps === 0} onClick={onPlay}>
          {playing ? 'stop' : 'play history'}
        </Chip>
        {past && (
          <>
            <Chip tone="apricot" onClick={goBack}>
              go back to this
            </Chip>
            <Chip onClick={onNow}>back to now</Chip>
          </>
        )}
        <Chip onClick={() => void makeCopy()}>make a copy of this</Chip>
      </Chips>
      <form
        className="history-name"
        onSubmit={(event) => {
          event.preventDefault();
          void nameIt();
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
    </>
  );
}

type TileProps = { editor: Editor; moment: Moment; film: DatedFilm; onLook: () => void; onDelete: () => void };

function MomentTile({ editor, moment, film, onLook, onDelete }: TileProps) {
  const faces = useEditor(editor, 'faces');
  const sheet = film.at(moment.seq);
  return (
    <div className={styles.moment}>
      <button type="button" className={styles.look} onClick={onLook} title={`Look at “${moment.name}”`}>
        <SmallPicture sheet={sheet} page={sheet.pages[0]} faces={faces} />
        <span>{moment.name}</span>
      </button>
      <button
        type="button"
        className={styles.momentDrop}
        aria-label={`Delete the moment ${moment.name}`}
        onClick={onDelete}
      >
        <Sign of="remove" />
      </button>
    </div>
  );
}
