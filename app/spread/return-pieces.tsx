import { Alert, Button } from 'antd';
import { useState } from 'react';
import { useFetcher } from 'react-router';
import type { Outcome } from '../../core/handout/state';
import { OUTCOME_WORDS, OUTCOMES } from '../../core/handout/state';
import { useZone, whenWords } from '../browser/time';
import type { Ready } from '../../core/review/ready';
import { isReady, lackWords } from '../../core/review/ready';
import { howMany } from '../../core/values/listed';
import { Ask } from '../parts/ask';
import { Segments } from '../fields/segments';
import type { Answer } from './changing';
import type { Card } from './piece-card';
import styles from './spread.module.css';

/** Several pieces returned at once: those that were read to the end, unless others are chosen. */

type Waiting = Card & { ready: Ready; goId: string };
const mayReturn = (card: Card): card is Waiting => card.ready !== null && card.goId !== null;

type Props = {
  cards: readonly Card[];
  /** They were chosen one by one: all of them are returned unless their teacher says otherwise. */
  chosen?: boolean;
};

export function ReturnPieces({ cards, chosen = false }: Props) {
  const [open, setOpen] = useState(false);
  const waiting = cards.filter(mayReturn);
  return (
    <>
      <Button
        disabled={waiting.length === 0}
        title={waiting.length === 0 ? 'Nothing is handed in at the moment' : undefined}
        onClick={() => setOpen(true)}
      >
        Return pieces …
      </Button>
      {open && <Choice waiting={waiting} all={chosen} onClose={() => setOpen(false)} />}
    </>
  );
}

const CHOICES = OUTCOMES.map((value) => ({ value, label: OUTCOME_WORDS[value] }));

function Choice({ waiting, all: every, onClose }: { waiting: readonly Waiting[]; all: boolean; onClose: () => void }) {
  const fetcher = useFetcher<Answer>();
  const zone = useZone();
  const [outcome, setOutcome] = useState<Outcome>('done');
  /** What was set by hand. The others follow what is known of them: marks may still be on their way. */
  const [set, setByHand] = useState<ReadonlyMap<string, boolean>>(new Map());
  const isChosen = ({ id, ready }: Pick<Waiting, 'id' | 'ready'>) => set.get(id) ?? (every || isReady(ready));
  const pieces = waiting.filter(isChosen);
  const { data } = fetcher;
  if (data?.said)
    return (
      <Ask title="Returned" onCancel={onClose}>
        <p role="status">
          {data.said}
          {data.until && ` They go out ${whenWords(data.until, Date.now(), zone)}, and until then you can change them.`}
        </p>
      </Ask>
    );
  const put = (ids: readonly string[], to: boolean) =>
    setByHand((before) => new Map([...before, ...ids.map((id) => [id, to] as const)]));
  const all = pieces.length === waiting.length;
  const send = () =>
    pieces.length > 0 &&
    // Pressed again once what was in the way is told, it goes even while the class is loaded anew.
    fetcher.state !== 'submitting' &&
    void fetcher.submit(
      { do: 'return', outcome, pieces: pieces.map(({ id, goId }) => `${id}:${goId}`).join(' ') },
      { method: 'post' },
    );
  return (
    <Ask
      title="Return pieces"
      ok={{ words: `Return ${howMany(pieces.length, 'piece')}`, act: send, disabled: pieces.length === 0 }}
      onCancel={onClose}
    >
      <p>
        <Segments label="How they are returned" value={outcome} onChange={setOutcome} options={CHOICES} />
      </p>
      <label className={styles.choice}>
        <input
          type="checkbox"
          checked={all}
          ref={(box) => {
            if (box) box.indeterminate = !all && pieces.length > 0;
          }}
          onChange={(event) =>
            put(
              waiting.map(({ id }) => id),
              event.target.checked,
            )
          }
        />
        <b>All that wait</b>
      </label>
      <ul className={styles.choices}>
        {waiting.map(({ id, studentName, ready }) => (
          <li key={id}>
            <label className={styles.choice}>
              <input
                type="checkbox"
                checked={isChosen({ id, ready })}
                onChange={(event) => put([id], event.target.checked)}
              />
              {studentName}
              <span className="spring" />
              <span className={isReady(ready) ? 'quiet' : styles.late}>{lackWords(ready)}</span>
            </label>
          </li>
        ))}
      </ul>
      {data?.problem && <Alert type="error" showIcon title={data.problem} role="alert" />}
    </Ask>
  );
}
