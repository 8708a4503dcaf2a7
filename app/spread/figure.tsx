import type { ReactNode } from 'react';
import { later } from '../browser/later';
import { card } from '../parts/card';
import type { Count } from './bars';
import styles from './spread.module.css';

const room = <div className={styles.chart} />;
const Bars = later(() => import('./bars').then((part) => part.default), room);

type Props = {
  title: string;
  /** What the bars count, or what is to be known of them. */ of: ReactNode;
  counts: readonly Count[];
  /** Its bars are not drawn yet: other things come first. */
  waits?: boolean;
};

/** A chart of the class margin. */
export const Figure = ({ title, of, counts, waits = false }: Props) => (
  <section className={card(styles.figure)}>
    <h3>
      {title} <small>{of}</small>
    </h3>
    {waits ? room : <Bars counts={counts} />}
  </section>
);
