import { useEffect, useState } from 'react';
import { Action } from '../parts/action';
import { rove, stopAt } from '../parts/rove';
import type { Sort } from './order';
import { SORTS } from './order';
import styles from './sorting.module.css';

const WORDS: Record<Sort, string> = { changed: 'last changed', name: 'name', begun: 'newest' };
/** Where the browser stores how sheets are sorted. */
const PLACE = 'dappled-margin/desk-sorted';

export function useSort(): [Sort, (sort: Sort) => void] {
  const [sort, set] = useState<Sort>('changed');
  useEffect(() => {
    const stored = SORTS.find((one) => one === localStorage.getItem(PLACE));
    if (stored) set(stored);
  }, []);
  const choose = (next: Sort) => {
    localStorage.setItem(PLACE, next);
    set(next);
  };
  return [sort, choose];
}

export const Sorting = ({ sort, onChoose }: { sort: Sort; onChoose: (sort: Sort) => void }) => (
  <span className={styles.sorting} role="radiogroup" aria-label="Sorted by" onKeyDown={(event) => rove(event, 'radio')}>
    <span className="quiet">Sorted by</span>
    {SORTS.map((one, i) => (
      <Action
        key={one}
        className={styles.way}
        role="radio"
        aria-checked={one === sort}
        tabIndex={stopAt(SORTS.indexOf(sort), i)}
        onClick={() => onChoose(one)}
      >
        {WORDS[one]}
      </Action>
    ))}
  </span>
);
