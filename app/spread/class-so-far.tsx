import { later } from '../browser/later';
import { card } from '../parts/card';
import { Empty } from '../parts/empty';
import { MarksLegend } from './marks';
import type { SpreadData } from './piece-card';
import { ThisHandout } from './this-handout';
import styles from './spread.module.css';

const Histogram = later(() => import('./histogram').then((part) => part.default), <div style={{ height: 128 }} />);

/** The class margin: what the frames on the pieces mean, how many have begun, what is missed most, and how many look-fors the pieces meet. */
export function ClassSoFar({ marked, ...data }: SpreadData & { marked: boolean }) {
  const { handout, cards, missed, pieces } = data;
  const begun = cards.filter((one) => one.state !== 'not-begun').length;
  const handedIn = cards.filter((one) => one.state !== 'under-way' && one.state !== 'not-begun');
  const counts = Array.from({ length: handout.lookFors + 1 }, (_, held) => ({
    held,
    pieces: handedIn.filter((one) => one.held === held).length,
  }));
  return (
    <aside className={`margin-column ${styles.margin}`} aria-label="The class so far">
      <h2>The class so far</h2>
      <p className="quiet">
        {begun} of {cards.length} have begun · {pieces} {pieces === 1 ? 'piece' : 'pieces'} handed in
      </p>
      {marked && <MarksLegend marks={cards.flatMap((one) => one.marks)} />}
      <ThisHandout {...data} />
      {pieces > 0 && handout.lookFors > 0 && (
        <>
          <section className={card(styles.figure)}>
            <h3>What is missed most</h3>
            {missed.length === 0 ? (
              <p className="quiet">Nothing: every piece has all that can be counted.</p>
            ) : (
              missed.map(({ label, count }) => (
                <div key={label} className={styles.missed}>
                  <span>{label}</span>
                  <span className={styles.missedBar}>
                    <i style={{ width: `${(100 * count) / missed[0].count}%` }} />
                    <b>{count}</b>
                  </span>
                </div>
              ))
            )}
          </section>
          <section className={card(styles.figure)}>
            <h3>
              Look-fors met <small>pieces</small>
            </h3>
            <Histogram counts={counts} />
          </section>
        </>
      )}
      {pieces === 0 && <Empty>When the first piece is handed in, this shows what the class found hard.</Empty>}
    </aside>
  );
}
