import { Button, Input } from 'antd';
import equal from 'fast-deep-equal';
import { useEffect } from 'react';
import { useFetcher } from 'react-router';
import { effectsOf, effectWords } from '../../core/handout/effects';
import { hasOpened, isLate } from '../../core/handout/times';
import { howMany } from '../../core/values/listed';
import { LateRule } from '../fields/late-rule';
import { HandoutMoment } from '../fields/handout-moment';
import { localOf, momentOf } from '../fields/day-words';
import { sentence } from '../parts/sentence';
import type { Answer, Words } from './changing';
import type { SpreadData } from './piece-card';
import styles from './spread.module.css';

type Props = Pick<SpreadData, 'handout' | 'cards' | 'now'> & {
  /** What was typed already. */
  begun: Words | null;
  onType: (words: Words) => void;
  /** It is saved, or left as it was. */
  onDone: () => void;
};

const MOMENTS = ['opens', 'due', 'closes', 'returns'] as const;
/** What the times are called where their names say too little. */
const CALLED: Partial<Record<(typeof MOMENTS)[number], string>> = { returns: 'Goes back' };

/** Changes what a handout is called, what it asks, and until when; says what that alters before it is saved. */
export default function ChangeForm({ handout, cards, now, begun, onType, onDone }: Props) {
  const fetcher = useFetcher<Answer>();
  const words = begun ?? {
    title: handout.title,
    brief: handout.brief,
    opens: localOf(handout.opensAt),
    due: localOf(handout.dueAt),
    closes: localOf(handout.closesAt),
    returns: localOf(handout.returnsAt),
  };
  const late = words.late === undefined ? handout.rubric.late : (words.late ?? undefined);
  const set = (patch: Partial<Words>) => onType({ ...words, ...patch });
  const [opensAt, dueAt, closesAt, returnsAt] = [words.opens, words.due, words.closes, words.returns].map(momentOf);
  const answer = fetcher.state === 'idle' ? fetcher.data : undefined;
  const isSaved = answer?.problem === null;
  useEffect(() => {
    if (isSaved) onDone();
  }, [isSaved, onDone]);
  const altered = effectWords(effectsOf(cards, handout, { opensAt, dueAt, closesAt, returnsAt }, now));
  const lateOnes = equal(late, handout.rubric.late) ? 0 : cards.filter((card) => isLate(card, dueAt)).length;
  const save = () =>
    void fetcher.submit(
      {
        do: 'change',
        title: words.title,
        brief: words.brief,
        opensAt: opensAt?.toISOString() ?? '',
        dueAt: dueAt?.toISOString() ?? '',
        closesAt: closesAt?.toISOString() ?? '',
        returnsAt: returnsAt?.toISOString() ?? '',
        ...(handout.weighs && { late: late?.each ?? 'nothing', ...(late && { off: String(late.off) }) }),
      },
      { method: 'post' },
    );
  return (
    <div className={styles.change}>
      <label htmlFor="handout-title">Name</label>
      <Input
        id="handout-title"
        value={words.title}
        maxLength={200}
        status={answer?.field === 'title' ? 'error' : undefined}
        onChange={(event) => set({ title: event.target.value })}
      />
      <label htmlFor="handout-brief">Brief: what to do</label>
      <Input.TextArea
        id="handout-brief"
        autoSize={{ minRows: 2, maxRows: 8 }}
        maxLength={4000}
        value={words.brief}
        onChange={(event) => set({ brief: event.target.value })}
      />
      {MOMENTS.map((name) => (
        <span key={name} className={styles.moment}>
          {CALLED[name] ?? sentence(name)}
          <HandoutMoment
            name={name}
            none={name === 'opens' ? 'Open' : undefined}
            value={words[name]}
            wrong={answer?.field}
            onChange={(value) => set({ [name]: value })}
          />
        </span>
      ))}
      {handout.weighs && <LateRule rule={late} onChange={(to) => set({ late: to ?? null })} />}
      <ul className={styles.altered} role="status">
        {hasOpened(opensAt, now) && (
          <li>{cards.length === 1 ? 'Its student sees' : `All ${cards.length} students see`} the change at once.</li>
        )}
        {lateOnes > 0 && <li>{howMany(lateOnes, 'late piece')} will have other points.</li>}
        {altered.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      {answer?.problem && (
        <p className={styles.late} role="alert">
          {answer.problem}
        </p>
      )}
      <div className={styles.acts}>
        <Button type="primary" loading={fetcher.state !== 'idle'} onClick={save}>
          Save
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </div>
    </div>
  );
}
