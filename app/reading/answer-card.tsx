import { Input } from 'antd';
import { z } from 'zod';
import { isRight } from '../../core/review/marks';
import { answerIn, answerTo } from '../../core/review/questions';
import type { Said, Saying } from '../../core/review/said';
import { MOST_REASON } from '../../core/review/said';
import { useKept } from '../keeping/kept';
import { Chip, Chips } from '../parts/action';
import type { Route } from '../routes/+types/reading';
import styles from './reading.module.css';

/** One answer, or another thing that was counted, in the margin: what it counts as, and the teacher's own ruling on it. */

type Result = Route.ComponentProps['loaderData']['results'][number];

type Props = {
  personId: string;
  goId: string | null;
  /** As it was counted. */
  result: Result;
  evidence: Result['evidence'][number];
  /** By which the answer is told; undefined where it can't be ruled on by itself. */
  item: string | undefined;
  rulings: Said['rulings'];
  open: boolean;
  say: (step: Saying) => void;
  onNote?: () => void;
};

export function AnswerCard({ personId, goId, result, evidence, item, rulings, open, say, onNote }: Props) {
  const ruling =
    item === undefined ? undefined : rulings.find((one) => one.lookForId === result.id && one.itemId === item);
  const right = ruling ? ruling.held : isRight(evidence);
  const rule = (to: boolean) => {
    const answer = item === undefined ? undefined : answerIn(result, item);
    const step = answer && answerTo(answer, rulings, to);
    if (step) say(step);
  };
  const word = right ? 'counted as right' : ruling ? 'counted as wrong' : 'look-for';
  return (
    <>
      <h3>
        {evidence.words} <small>{ruling ? `${word} · your ruling` : word}</small>
      </h3>
      {open && (item !== undefined || onNote) && (
        <Chips>
          {item !== undefined && (
            <Chip onClick={() => rule(!right)}>
              {ruling ? 'Take this back' : right ? 'Count as wrong' : 'Count as right'}
            </Chip>
          )}
          {onNote && !ruling && <Chip onClick={onNote}>Write a note here</Chip>}
        </Chips>
      )}
      {ruling && item !== undefined && (
        <Reason
          key={ruling.reason}
          place={`reasons/${goId}/${result.id}/${item}`}
          {...{ personId, open }}
          reason={ruling.reason}
          onSay={(reason) => say({ do: 'rule', lookFor: result.id, item, held: ruling.held, reason })}
        />
      )}
    </>
  );
}

type ReasonProps = {
  personId: string;
  /** Where it is kept while it is written. */
  place: string;
  reason: string;
  open: boolean;
  onSay: (reason: string) => void;
};

function Reason({ personId, place, reason, open, onSay }: ReasonProps) {
  const [written, setWritten] = useKept(personId, place, z.string());
  if (!open) return reason === '' ? null : <p className="quiet">{reason}</p>;
  const finish = () => {
    if (written !== null && written.trim() !== reason) onSay(written.trim());
    setWritten(null);
  };
  return (
    <Input
      size="small"
      className={styles.reason}
      aria-label="Why, for the student to read"
      placeholder="Why, for the student to read"
      maxLength={MOST_REASON}
      value={written ?? reason}
      onChange={(event) => setWritten(event.target.value)}
      onBlur={finish}
      onPressEnter={(event) => {
        if (!event.nativeEvent.isComposing) event.currentTarget.blur();
      }}
    />
  );
}
