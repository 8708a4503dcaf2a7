import type { ReactNode } from 'react';
import { later, useRested } from '../browser/later';
import { card } from '../parts/card';
import type { Count } from './bars';
import styles from './spread.module.css';

const room = <div className={styles.chart} />;
const Bars = later(() => import('./bars').then((part) => part.default), room);

type Props = {
  title: string;
  /** What the bars count, or what is to be known of them. */ of: ReactNode;
  counts: readonly Count[];
};

/** A chart of the class margin; the pieces beside it come first. */
export function Figure({ title, of, counts }: Props) {
  const rested = useRested();
  return (
    <section className={card(styles.figure)}>
      <h3>
        {title} <small>{of}</small>
      </h3>
      {rested ? <Bars counts={counts} /> : room}
    </section>
  );
}
