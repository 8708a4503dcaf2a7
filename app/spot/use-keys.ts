import { useLayoutEffect } from 'react';
import type { Judging, Verdict } from '../../core/review/judging';
import { levelFor } from '../../core/review/questions';
import type { Rubric } from '../../core/lookfors/rubric';
import { isWriting } from '../browser/writing';

/** One spot judged straight through by keys. */

type Does = {
  judge: (to: Verdict) => void;
  /** To the group of answers before or after. */
  step: (by: 1 | -1) => void;
  /** To the spot before or after. */
  turn: (by: 1 | -1) => void;
  write: () => void;
  showKeys: () => void;
};

/** @param may whether anything can be said on the group that is looked at */
export function useSpotKeys(judging: Judging | null, rubric: Rubric, may: boolean, does: Does): void {
  // Keys count from the moment the pieces are seen.
  useLayoutEffect(() => {
    const row = judging?.ask === 'row' ? rubric.rows.find(({ id }) => id === judging.id) : undefined;
    const keys: Record<string, (() => void) | undefined> = {
      ArrowDown: () => does.step(1),
      ArrowUp: () => does.step(-1),
      ArrowRight: () => does.turn(1),
      ArrowLeft: () => does.turn(-1),
      '?': does.showKeys,
      ...(may && { w: does.write }),
      ...(may && judging && !row && { y: () => does.judge(true), n: () => does.judge(false) }),
    };
    const onKey = (event: KeyboardEvent) => {
      const { key, target } = event;
      if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || isWriting(target)) return;
      const level = row && may && /^\d$/.test(key) ? levelFor(key, row) : null;
      const act = level === null ? keys[key.length === 1 ? key.toLowerCase() : key] : () => does.judge(level);
      if (!act || (event.repeat && !key.startsWith('Arrow'))) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
}
