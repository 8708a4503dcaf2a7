import { useState } from 'react';
import { Action } from '../parts/action';
import { ToldBar } from '../parts/told-bar';
import type { Answer } from './acting';
import { useActing } from './acting';

/** Says what was done, and offers to take it back. `came`: what was done on the way here. */
export function AnswerBar({ came }: { came?: Answer }) {
  const { act, answer: here, seen: forget } = useActing();
  const [left, setLeft] = useState<Answer>();
  const answer = here ?? (came === left ? undefined : came);
  const seen = () => {
    setLeft(came);
    forget();
  };
  if (!answer || (answer.problem === null && answer.said === null)) return null;
  const { problem, said, undo } = answer;
  return (
    <ToldBar problem={problem} about={answer} onClose={seen}>
      {said}
      {undo && <Action onClick={() => act(undo)}>undo</Action>}
    </ToldBar>
  );
}
