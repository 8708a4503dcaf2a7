import { Input } from 'antd';
import { z } from 'zod';
import type { Answer } from '../../core/review/questions';
import { answerTo } from '../../core/review/questions';
import type { Ruling, Saying } from '../../core/review/said';
import { MOST_REASON } from '../../core/review/said';
import { useKept } from '../keeping/kept';
import { Chip, Chips } from '../parts/action';
import styles from './reading.module.css';

/** One answer, or another thing that was counted, in the margin: what it counts as, and the teacher's own ruling on it. */

type Props = {
  personId: string;
  goId: string | null;
  /** What there is to say about it. */
  words: string;
  /** Whether it counts as right, as it was counted or ruled. */
  right: boolean;
  /** As it was counted; undefined where it can't be ruled on by itself. */
  answer: Answer | undefined;
  ruling: Ruling | undefined;
  open: boolean;
  say: (step: Saying) => void;
  onNote?: () => void;
};

export function AnswerCard({ personId, goId, words, right, answer, ruling, open, say, onNote }: Props) {
  const rule = (to: boolean) => {
    const step = answer && answerTo(answer, ruling ? [ruling] : [], to);
    if (step) say(step);
  };
  const word = right ? 'counted as right' : ruling ? 'counted as wrong' : 'look-for';
  return (
    <>
      <h3>
        {words} <small>{ruling ? `${word} · your ruling` : word}</small>
      </h3>
      {open && (answer || onNote) && (
        <Chips>
          {answer && (
            <Chip onClick={() => rule(!right)}>
              {ruling ? 'Take this back' : right ? 'Count as wrong' : 'Count as right'}
            </Chip>
          )}
          {onNote && !ruling && <Chip onClick={onNote}>Write a note here</Chip>}
        </Chips>
      )}
      {answer && ruling && (
        <Reason
          key={ruling.reason}
          place={`reasons/${goId}/${answer.lookFor}/${answer.item}`}
          {...{ personId, open }}
          reason={ruling.reason}
          onSay={(reason) => say({ do: 'rule', lookFor: answer.lookFor, item: answer.item, held: ruling.held, reason })}
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
