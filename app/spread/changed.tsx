import { useEffect, useRef, useState } from 'react';
import { z } from 'zod';
import { howMany } from '../../core/values/listed';
import { sentence } from '../parts/sentence';
import styles from './spread.module.css';

/** What students changed on their pieces, asked for when it is wanted, and again for those that go on. */

const Spot = z.object({ x: z.number(), y: z.number(), width: z.number(), height: z.number(), gone: z.boolean() });
const Told = z.array(z.object({ id: z.string(), spots: z.array(Spot), count: z.number() }));
export type Changed = z.infer<typeof Told>[number];
/** `picture`: the state of it that is shown. */
type Piece = { id: string; documentId: string; picture: string };
type Known = { /** Which state of the piece it is of. */ picture: string; changed: Changed | null };

/** Pieces that are asked for at once. */
const MOST = 40;
/** Milliseconds after which what could not be had is asked for again. */
const AGAIN = 3000;

export function useChanged(handoutId: string, pieces: readonly Piece[], wanted: boolean): ReadonlyMap<string, Known> {
  const [known, setKnown] = useState<ReadonlyMap<string, Known>>(new Map());
  const [tries, setTries] = useState(0);
  const stale = wanted ? pieces.filter(({ id, picture }) => known.get(id)?.picture !== picture).slice(0, MOST) : [];
  const of = stale.map(({ documentId, picture }) => `${documentId} ${picture}`).join(',');
  const busy = useRef(false);
  const stop = useRef<AbortController | null>(null);
  useEffect(() => () => stop.current?.abort(), []);
  useEffect(() => {
    // While students type, each answer is waited for: else none would ever come.
    if (of === '' || busy.current) return;
    busy.current = true;
    stop.current = new AbortController();
    const { signal } = stop.current;
    const next = (wait: number) =>
      setTimeout(() => {
        busy.current = false;
        if (!signal.aborted) setTries((count) => count + 1);
      }, wait);
    const ids = stale.map(({ documentId }) => documentId).join(',');
    fetch(`/handouts/${handoutId}/changed?of=${ids}`, { signal })
      .then(async (answer) => {
        if (!answer.ok) throw new Error(`${answer.status}`);
        const told = Told.parse(await answer.json());
        const now = stale.map(({ id, picture }): [string, Known] => [
          id,
          { picture, changed: told.find((one) => one.id === id) ?? null },
        ]);
        setKnown((before) => new Map([...before, ...now]));
        next(0);
      })
      .catch(() => next(AGAIN));
    // What is asked for is told by the ids and states in `of`.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [handoutId, of, tries]);
  return known;
}

export const changesWords = ({ count }: Changed) => (count === 0 ? 'nothing changed' : howMany(count, 'change'));

/** Frames around what a student changed; broken where something was taken away. */
export function Changes({ changed, page }: { changed: Changed; page: { width: number; height: number } }) {
  return (
    <svg
      className={styles.pieceMarks}
      viewBox={`0 0 ${page.width} ${page.height}`}
      role="img"
      aria-label={`${sentence(changesWords(changed))} against the sheet as handed out`}
    >
      {changed.spots.map(({ x, y, width, height, gone }, i) => (
        <rect
          key={i}
          className={`${styles.pieceMark} ${gone ? 'gone' : 'changed'}`}
          x={x - 3}
          y={y - 3}
          width={width + 6}
          height={height + 6}
          rx="6"
        />
      ))}
    </svg>
  );
}
