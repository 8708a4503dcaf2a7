import { z } from 'zod';
import type { Span } from '../../core/review/effort';
import { isWithin, middleOf, spansOf } from '../../core/review/effort';
import { useAnswer } from '../browser/answer';
import { NotFetched } from '../browser/later';
import { Figure } from './figure';
import type { Bar } from './picking';
import { barOf, switchOf } from './picking';
import type { Card } from './piece-card';

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
      <Numbers title="Time at work" unit="minutes" all={of(({ minutes }) => minutes)} {...{ bar, onBar }} />
      <Numbers title="Words of their own" unit="words" all={of(({ words }) => words)} {...{ bar, onBar }} />
    </>
  );
}

type NumbersProps = Pick<Props, 'bar' | 'onBar'> & {
  title: string;
  unit: string;
  all: readonly { piece: Card; number: number }[];
};

const label = ({ from, to }: Span) => (from === to ? `${from}` : `${from}–${to}`);

function Numbers({ title, unit, all, bar, onBar }: NumbersProps) {
  const numbers = all.map(({ number }) => number);
  // A sheet without room for words tells nothing by having none.
  if (numbers.every((number) => number === 0)) return null;
  return (
    <Figure
      title={title}
      of={`half: up to ${middleOf(numbers)} ${unit}`}
      counts={spansOf(numbers).map((span) => {
        const those = all.filter(({ number }) => isWithin(number, span)).map(({ piece }) => piece);
        const words = `${label(span)} ${unit}`;
        return {
          label: label(span),
          says: `${title}, ${words}`,
          pieces: those.length,
          ...switchOf(barOf.these(words, those), bar, onBar),
        };
      })}
    />
  );
}
