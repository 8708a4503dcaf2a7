import type { ReactNode } from 'react';
import { later } from '../browser/later';
import { card } from '../parts/card';
import type { Count } from './bars';
import styles from './spread.module.css';

const Bars = later(() => import('./bars').then((part) => part.default), <div className={styles.chart} />);

type Props = {
  title: string;
  /** What the bars count, or what is to be known of them. */ of: ReactNode;
  counts: readonly Count[];
};

/** A chart of the class margin. */
export const Figure = ({ title, of, counts }: Props) => (
  <section className={card(styles.figure)}>
    <h3>
      {title} <small>{of}</small>
    </h3>
    <Bars counts={counts} />
  </section>
);
