import { useEffect, useLayoutEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Outcome } from '../../core/handout/state';
import type { Question } from '../../core/review/questions';
import { answerBy, isSame, nextUnanswered, questionsOf } from '../../core/review/questions';
import { isWriting } from '../browser/writing';
import type { Loaded } from './entries';
import type { Writing } from './writing';

/** Reading by keyboard: what is asked about is answered by one key, and the next is asked. */

/** Arrows choose among options that stand in a row. */
const isChoice = (target: EventTarget | null) => target instanceof HTMLElement && target.matches('input[type=radio]');

/** A choice that was pressed with the pointer gives the arrow keys back; whoever moves by keyboard keeps them there. */
function useArrowsBack() {
  useEffect(() => {
    const onClick = ({ detail }: MouseEvent) => {
      if (detail > 0 && isChoice(document.activeElement)) (document.activeElement as HTMLElement).blur();
    };
    document.addEventListener('click', onClick);
    return () => document.removeEventListener('click', onClick);
  }, []);
}

type Does = {
  giveOrAsk: (outcome: Outcome) => void;
  /** As its second reader: it is read to the end. */
  finish?: () => void;
  takeBack: () => void;
  write: () => void;
  /** Says the last note again. */
  again: () => void;
  /** Takes the pen in hand, or puts it down. */
  draw: () => void;
  nextView: () => void;
  showKeys: () => void;
  /** Hides names, or shows them again. */
  hideNames: () => void;
};

/** What is asked about now; null where all is answered, or nothing can be said on the piece. */
export function useReadingKeys(
  loaded: Loaded,
  { said, say }: Writing,
  { open, judging }: { open: boolean; judging: boolean },
  does: Does,
): Question | null {
  const { band, copy, results, rubric } = loaded;
  const judged = { results, said };
  const all = questionsOf(results, rubric);
  const [chosen, setChosen] = useState<Question | null>(null);
  const asked = judging ? (all.find((one) => isSame(one, chosen)) ?? nextUnanswered(all, null, judged)) : null;

  useArrowsBack();
  const navigate = useNavigate();
  const at = band.findIndex(({ id }) => id === copy.id);
  const goTo = (to: { id: string } | undefined) => to && void navigate(`/handouts/${copy.handoutId}/reading/${to.id}`);
  const step = (by: 1 | -1) => {
    const from = all.findIndex((one) => isSame(one, asked));
    setChosen(all[from < 0 ? (by > 0 ? 0 : all.length - 1) : Math.min(all.length - 1, Math.max(0, from + by))] ?? null);
  };
  const answer = (key: string): boolean => {
    const said = asked ? answerBy(key, asked, judged, rubric) : undefined;
    if (said === undefined) return false;
    // One that agrees with what was counted says nothing, but the next is asked.
    if (said) say(said);
    setChosen(nextUnanswered(all, asked, judged));
    return true;
  };

  // Keys count from the moment the piece is seen: on a busy machine, what is only an effect comes later.
  useLayoutEffect(() => {
    const keys: Record<string, (() => void) | undefined> = {
      ArrowRight: () => goTo(band[at + 1]),
      ArrowLeft: () => goTo(band[at - 1]),
      '?': does.showKeys,
      v: does.nextView,
      h: does.hideNames,
      ...(loaded.mayRecall && { t: does.takeBack }),
      ...(judging && {
        ArrowDown: () => step(1),
        ArrowUp: () => step(-1),
        r: does.finish,
      }),
      ...(open && {
        r: () => does.giveOrAsk('done'),
        a: () => does.giveOrAsk('another-go'),
        w: does.write,
        l: does.again,
        d: does.draw,
      }),
    };
    const onKey = (event: KeyboardEvent) => {
      const { key, target } = event;
      if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || isWriting(target)) return;
      if (isChoice(target) && key.startsWith('Arrow')) return;
      if (answer(key)) return event.preventDefault();
      const act = keys[key.length === 1 ? key.toLowerCase() : key];
      // A key that is held down goes through the class, but returns one piece only.
      if (!act || (event.repeat && !key.startsWith('Arrow'))) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
  return asked;
}
