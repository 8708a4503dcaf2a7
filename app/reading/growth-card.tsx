import { useEffect, useMemo, useRef, useState } from 'react';
import { howMany, inWords } from '../../core/values/listed';
import { paceOf, seqAfter } from '../../core/review/growth';
import { timeWords, useZone, whenWords } from '../browser/time';
import { NotFetched } from '../browser/later';
import { Action, Chip } from '../parts/action';
import { Busy } from '../parts/busy';
import { AS_IT_IS } from './growing';
import type { Growing, GrowthMoment } from './growing';
import { useGrowth } from './growth-data';
import type { Grown } from './growth-data';
import styles from './growth.module.css';
import said from './last-go-card.module.css';

/** When a piece was worked on, how fast, and what came in one go; any moment of it is shown on the page. */

type Props = { growing: Growing; nameless: boolean; now: number };

export default function GrowthCard({ growing, nameless, now }: Props) {
  const { now: fetched, again } = useGrowth(growing.address, growing.asked);
  if (fetched.kind === 'failed') return <NotFetched again={again} />;
  if (fetched.kind === 'on its way') return <Busy>Loading how it grew …</Busy>;
  const grown = fetched.value;
  if (!grown)
    return (
      <>
        <h3>How it grew is not known</h3>
        <p>A part of its log can’t be read. The piece itself is fine.</p>
      </>
    );
  if (grown.growth.sittings.length === 0)
    return (
      <>
        <h3>How it grew</h3>
        <p className="quiet">Nobody has worked on it yet.</p>
      </>
    );
  return <Grew {...{ grown, growing, nameless, now }} />;
}

/** The most milliseconds a playback takes, however long the work. */
const PLAY = 12_000;

/** Lets the work pass by, from a moment to its end. */
function usePlayback(all: number, steps: number, worked: number, show: (moment: GrowthMoment) => void) {
  const [playing, setPlaying] = useState(false);
  const from = useRef(0);
  useEffect(() => {
    if (!playing) return;
    const time = Math.min(PLAY, 1500 + steps * 120) * (1 - from.current / Math.max(1, all));
    const begun = performance.now();
    let frame = requestAnimationFrame(function next(at: number) {
      const share = time === 0 ? 1 : Math.min(1, (at - begun) / time);
      show(share < 1 ? { worked: from.current + share * (all - from.current), seq: null } : AS_IT_IS);
      if (share < 1) frame = requestAnimationFrame(next);
      else setPlaying(false);
    });
    return () => cancelAnimationFrame(frame);
  }, [playing, all, steps, show]);
  return {
    playing,
    stop: () => setPlaying(false),
    play: () => {
      from.current = worked >= all ? 0 : worked;
      setPlaying(true);
    },
  };
}

const minutes = (milliseconds: number) => Math.round(milliseconds / 60_000);
const yields = ({ words, things }: { words: number; things: number }) => {
  const all = [words === 0 ? '' : howMany(words, 'word'), things === 0 ? '' : howMany(things, 'thing')].filter(Boolean);
  return all.length === 0 ? 'no more words or things' : inWords(all);
};
/** Bars that the pace is drawn with. */
const PARTS = 60;

type GrewProps = Props & { grown: Grown };

function Grew({ grown, growing, nameless, now }: GrewProps) {
  const { growth, from, log, people, goes } = grown;
  const { shown, show } = growing;
  const zone = useZone();
  const { sittings, shares, atOnce, worked } = growth;
  const all = worked.at(-1) ?? 0;
  const playback = usePlayback(all, log.length, shown.worked, show);
  const seq = shown.seq ?? seqAfter(growth, from, shown.worked);
  const soFar = Math.min(shown.worked, all);
  /** What one press of an arrow key moves on by, and the end in such steps. */
  const step = Math.max(1, Math.round(all / 200));
  const end = Math.max(1, Math.ceil(all / step)) * step;
  const when = log[Math.max(0, seq - from - 1)].at;
  const goTo = (change: number) => {
    playback.stop();
    show({ worked: worked[change - from], seq: change });
  };
  const called = (by: string) => {
    const at = shares.findIndex((share) => share.by === by);
    return nameless ? `Student ${at + 1}` : (people.find(({ id }) => id === by)?.name ?? 'Somebody who has left');
  };
  const several = shares.length > 1;
  return (
    <>
      <h3>How it grew</h3>
      <p className="quiet">
        {minutes(all) === 0 ? 'Less than a minute' : howMany(minutes(all), 'minute')} of work{' '}
        {sittings.length === 1 ? 'without a longer pause' : `in ${sittings.length} sittings`}
        {from > 0 && '. What came before is no longer told'}
      </p>
      <Pace grown={grown} shown={all === 0 ? 1 : soFar / all} />
      <input
        type="range"
        className={styles.slider}
        aria-label="Moment of the work"
        aria-valuetext={`${whenWords(new Date(when), now, zone)}, ${minutes(soFar)} of ${minutes(all)} minutes`}
        min={0}
        max={end}
        step={step}
        value={soFar >= all ? end : soFar}
        onChange={(event) => {
          playback.stop();
          const to = Number(event.target.value);
          show(to >= end ? AS_IT_IS : { worked: to, seq: null });
        }}
      />
      <p className={styles.now}>
        <Chip onClick={playback.playing ? playback.stop : playback.play}>{playback.playing ? 'stop' : 'play'}</Chip>
        <span>{shown.worked === Infinity ? 'As it is' : whenWords(new Date(when), now, zone)}</span>
      </p>
      <ol className={`${said.list} ${styles.moments}`} aria-label="When it was worked on">
        {sittings.map((sitting) => (
          <li key={sitting.from}>
            <Action aria-current={seq >= sitting.from && seq <= sitting.to} onClick={() => goTo(sitting.to)}>
              {whenWords(new Date(sitting.begun), now, zone)}
              {minutes(sitting.ended - sitting.begun) > 0 && `–${timeWords(sitting.ended, zone)}`}
            </Action>{' '}
            {yields(sitting)}
            {goes
              .filter((go) => go.seq >= sitting.from && go.seq <= sitting.to)
              .map(({ number }) => (
                <span key={number} className="quiet">
                  {' '}
                  · go {number}
                </span>
              ))}
          </li>
        ))}
      </ol>
      {several && (
        <ul className={`${said.list} ${styles.moments}`} aria-label="Who brought what">
          {shares.map((share) => (
            <li key={share.by}>
              <b>{called(share.by)}</b> {yields(share)}
            </li>
          ))}
        </ul>
      )}
      {atOnce.length > 0 && (
        <>
          <h4 className={styles.question}>Where did {atOnce.length === 1 ? 'this' : 'these'} come from?</h4>
          <p className="quiet">
            Words that came in one go: spoken, pasted, or written elsewhere. A question to ask, no more.
          </p>
          <ul className={`${said.list} ${styles.moments}`} aria-label="What came in one go">
            {atOnce.map((one) => (
              <li key={`${one.seq} ${one.item}`}>
                <Action onClick={() => goTo(one.seq)}>{whenWords(new Date(one.at), now, zone)}</Action>{' '}
                {howMany(one.words, 'word')}
                {several && ` by ${called(one.by)}`}
                <q className={styles.said}>{one.said}</q>
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

/** How much was done along the work, and where words came in one go. */
function Pace({ grown: { growth, from }, shown }: { grown: Grown; shown: number }) {
  const pace = useMemo(() => paceOf(growth, PARTS), [growth]);
  const most = Math.max(1, ...pace);
  const all = growth.worked.at(-1) ?? 0;
  const at = (seq: number) => (all === 0 ? 0 : (growth.worked[seq - from] / all) * PARTS);
  return (
    <svg className={styles.pace} viewBox={`0 0 ${PARTS} 20`} preserveAspectRatio="none" aria-hidden="true">
      {pace.map((count, i) => {
        const height = count === 0 ? 0 : 2 + (15 * count) / most;
        return (
          <rect
            key={i}
            className={i < shown * PARTS ? styles.done : styles.ahead}
            x={i + 0.12}
            y={20 - height}
            width={0.76}
            height={height}
          />
        );
      })}
      {growth.atOnce.map(({ seq, item }) => (
        <rect
          key={`${seq} ${item}`}
          className={styles.once}
          x={Math.min(PARTS - 1, at(seq))}
          y={0}
          width={1}
          height={3}
        />
      ))}
    </svg>
  );
}
