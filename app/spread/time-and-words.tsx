import { z } from 'zod';
import type { Span } from '../../core/review/effort';
import { isWithin, middleOf, spansOf } from '../../core/review/effort';
import { useAnswer } from '../browser/answer';
import { later, NotFetched } from '../browser/later';
import { card } from '../parts/card';
import type { Bar } from './picking';
import { barOf } from './picking';
import type { Card } from './piece-card';
import styles from './spread.module.css';

const Bars = later(() => import('./bars').then((part) => part.default), <div className={styles.chart} />);

const Efforts = z.array(z.object({ id: z.string(), minutes: z.number().nullable(), words: z.number() }));

type Props = {
  handoutId: string;
  /** Those that were handed in. */
  pieces: readonly Card[];
  bar: Bar | null;
  onBar: (bar: Bar | null) => void;
};

/** How long pieces took, and how many words they have. */
export default function TimeAndWords({ handoutId, pieces, bar, onBar }: Props) {
  // Asked anew when a piece comes in.
  const goes = pieces.reduce((sum, { go }) => sum + go, 0);
  const { now, again } = useAnswer(`/handouts/${handoutId}/effort?goes=${goes}`, Efforts);
  if (now.kind === 'failed') return <NotFetched again={again} />;
  if (now.kind === 'on its way') return null;
  const of = (number: (effort: z.infer<typeof Efforts>[number]) => number | null) =>
    pieces.flatMap((piece) => {
      const effort = now.value.find(({ id }) => id === piece.id);
      const found = effort ? number(effort) : null;
      return found === null ? [] : [{ piece, number: found }];
    });
  return (
    <>
      <Spread title="Time at work" unit="minutes" all={of(({ minutes }) => minutes)} {...{ bar, onBar }} />
      <Spread title="Words of their own" unit="words" all={of(({ words }) => words)} {...{ bar, onBar }} />
    </>
  );
}

type SpreadProps = Pick<Props, 'bar' | 'onBar'> & {
  title: string;
  unit: string;
  all: readonly { piece: Card; number: number }[];
};

const label = ({ from, to }: Span) => (from === to ? `${from}` : `${from}–${to}`);

function Spread({ title, unit, all, bar, onBar }: SpreadProps) {
  const numbers = all.map(({ number }) => number);
  // A sheet without room for words tells nothing by having none.
  if (numbers.every((number) => number === 0)) return null;
  return (
    <section className={card(styles.figure)}>
      <h3>
        {title}{' '}
        <small>
          half: up to {middleOf(numbers)} {unit}
        </small>
      </h3>
      <Bars
        counts={spansOf(numbers).map((span) => {
          const those = all.filter(({ number }) => isWithin(number, span)).map(({ piece }) => piece);
          const one = barOf.these(`${label(span)} ${unit}`, those);
          const chosen = bar?.words === one.words;
          return {
            label: label(span),
            says: `${title}, ${label(span)} ${unit}`,
            pieces: those.length,
            chosen,
            choose: () => onBar(chosen ? null : one),
          };
        })}
      />
    </section>
  );
}
