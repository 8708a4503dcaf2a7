import { useState } from 'react';
import type { ReactNode } from 'react';
import { Action } from './action';
import styles from './action.module.css';

type Props = {
  /** What is asked first, such as “Delete 3 sheets?” */
  question: string;
  verb: string;
  children: ReactNode;
  onSure: () => void;
};

/** An action that can't be undone: it asks in its own place before it does anything. */
export function Sure({ question, verb, children, onSure }: Props) {
  const [asking, setAsking] = useState(false);
  if (!asking) return <Action onClick={() => setAsking(true)}>{children}</Action>;
  return (
    <span className={styles.sure} role="group" aria-label={question}>
      {question}
      <Action
        className={styles.danger}
        autoFocus
        onClick={() => {
          setAsking(false);
          onSure();
        }}
      >
        {verb}
      </Action>
      <Action onClick={() => setAsking(false)}>cancel</Action>
    </span>
  );
}
