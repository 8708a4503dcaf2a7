import { Alert } from 'antd';
import { useEffect, useState } from 'react';
import { Action } from '../parts/action';
import { card } from '../parts/card';
import type { Answer } from './acting';
import { useActing } from './acting';
import styles from '../parts/answer-bar.module.css';
import { Sign } from '../parts/sign';

/** Milliseconds. */
const STAYS = 12_000;

/** Says at the bottom of the window what was done, and offers to take it back. `came`: what was done on the way here. */
export function AnswerBar({ came }: { came?: Answer }) {
  const { act, answer: here, seen: forget } = useActing();
  const [left, setLeft] = useState<Answer>();
  const answer = here ?? (came === left ? undefined : came);
  const seen = () => {
    setLeft(came);
    forget();
  };
  useEffect(() => {
    // A problem stays until it is closed.
    if (!answer || answer.problem !== null) return;
    const timer = setTimeout(seen, STAYS);
    return () => clearTimeout(timer);
  }, [answer]); // eslint-disable-line react-hooks/exhaustive-deps
  if (!answer || (answer.problem === null && answer.said === null)) return null;
  const { problem, said, undo } = answer;
  return (
    <div className={styles.bar}>
      {problem !== null ? (
        <Alert type="error" showIcon title={problem} role="alert" closable={{ onClose: seen }} />
      ) : (
        <div className={card(styles.said)} role="status">
          {said}
          {undo && <Action onClick={() => act(undo)}>undo</Action>}
          <Action aria-label="Close this message" onClick={seen}>
            <Sign of="remove" />
          </Action>
        </div>
      )}
    </div>
  );
}
