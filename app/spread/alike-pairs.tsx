import { z } from 'zod';
import { howMany, inWords } from '../../core/values/listed';
import { useAnswer } from '../browser/answer';
import { NotFetched } from '../browser/later';
import { card } from '../parts/card';
import type { Bar } from './picking';
import { barOf, byName, switchOf } from './picking';
import type { Card } from './piece-card';
import styles from './spread.module.css';

const Spots = z.array(z.object({ x: z.number(), y: z.number(), width: z.number(), height: z.number() }));
const Pairs = z.array(
  z.object({
    pieces: z.tuple([z.string(), z.string()]),
    spots: z.tuple([Spots, Spots]),
    words: z.number(),
    things: z.number(),
  }),
);

type Props = {
  handoutId: string;
  /** Those that were handed in. */
  pieces: readonly Card[];
  bar: Bar | null;
  onBar: (bar: Bar | null) => void;
};

/** Pairs that are listed. */
const MOST = 8;

/** Pieces that are alike, in pairs: each shows both, with what they share. */
export default function AlikePairs({ handoutId, pieces, bar, onBar }: Props) {
  // Asked anew when a piece comes in.
  const newest = Math.max(...pieces.map(({ handedInAt }) => Number(handedInAt)));
  const { now, again } = useAnswer(`/handouts/${handoutId}/alike?of=${pieces.length}-${newest}`, Pairs);
  if (now.kind === 'failed') return <NotFetched again={again} />;
  if (now.kind === 'on its way') return null;
  const pairs = now.value.flatMap((pair) => {
    const sides = pair.pieces.flatMap((id, i) => {
      const piece = pieces.find((one) => one.id === id);
      return piece ? [{ piece, spots: pair.spots[i] }] : [];
    });
    return sides.length === 2 ? [{ ...pair, sides: sides.sort((one, other) => byName(one.piece, other.piece)) }] : [];
  });
  if (pairs.length === 0) return null;
  return (
    <section className={card(styles.figure)}>
      <h3>Did they work together?</h3>
      {pairs.slice(0, MOST).map(({ sides, words, things }) => {
        const both = sides.map(({ piece }) => piece);
        const names = inWords(both.map(({ studentName }) => studentName));
        const shared = [
          ...(things > 0 ? [howMany(things, 'thing')] : []),
          ...(words > 0 ? [howMany(words, 'word')] : []),
        ].join(', ');
        const one: Bar = {
          ...barOf.these(`${names}, alike`, both),
          spots: new Map(sides.map(({ piece, spots }) => [piece.id, spots])),
        };
        const { chosen, choose } = switchOf(one, bar, onBar);
        return (
          <div key={names} className={styles.next}>
            <button type="button" className={styles.missed} aria-pressed={chosen} onClick={choose}>
              <b>{names}</b>
              <span>{shared} alike</span>
            </button>
          </div>
        );
      })}
      {pairs.length > MOST && <p className="quiet">and {howMany(pairs.length - MOST, 'more pair')}</p>}
    </section>
  );
}
