import { pointsWords } from '../../core/lookfors/rubric';
import { missedMost } from '../../core/review/most-missed';
import { later, useRested } from '../browser/later';
import { card } from '../parts/card';
import { Empty } from '../parts/empty';
import type { Count } from './bars';
import { Figure } from './figure';
import { MarksLegend } from './marks';
import type { Bar } from './picking';
import { barOf, isIn, switchOf } from './picking';
import type { SpreadData } from './piece-card';
import { ThisHandout } from './this-handout';
import styles from './spread.module.css';

const WhoNeedsWhat = later(() => import('./who-needs-what').then((part) => part.WhoNeedsWhat), null);
const AlikePairs = later(() => import('./alike-pairs').then((part) => part.default), null);
const SecondReader = later(() => import('./second-reader').then((part) => part.default), null);
const TimeAndWords = later(() => import('./time-and-words').then((part) => part.default), null);

/** Labels that are listed. */
const MOST = 6;

type Props = SpreadData & {
  /** Whether the look-fors are shown on the pieces. */
  marked: boolean;
  bar: Bar | null;
  onBar: (bar: Bar | null) => void;
};

/** The class margin: how many have begun, what is missed most, look-fors, rubric, goes, time and words. Each bar shows its pieces. */
export function ClassSoFar({ marked, bar, onBar, ...data }: Props) {
  const { handout, cards } = data;
  const rested = useRested();
  const begun = cards.filter(({ state }) => state !== 'not-begun').length;
  const pieces = cards.filter(isIn);
  const countOf = (label: string, says: string, one: Bar): Count => {
    return { label, says, pieces: cards.filter(one.has).length, ...switchOf(one, bar, onBar) };
  };
  const missed = missedMost(cards)
    .slice(0, MOST)
    .map(({ label }) => countOf(label, label, barOf.missed(label)));
  const goes = Math.max(0, ...cards.map(({ go }) => go));
  const rows = handout.rubric.rows.filter(({ id }) => cards.some(({ levels }) => id in levels));
  const [late, overdue] = [barOf.late, barOf.overdue].map((one) => countOf('', one.words, one));
  return (
    <aside className={`margin-column ${styles.margin}`} aria-label="The class so far">
      <h2>The class so far</h2>
      <p className="quiet">
        {begun} of {cards.length} have begun · {pieces.length} {pieces.length === 1 ? 'piece' : 'pieces'} handed in
        {[late, overdue]
          .filter((one) => one.pieces > 0)
          .map((one) => (
            <span key={one.says}>
              {' · '}
              <button type="button" className={styles.flag} aria-pressed={one.chosen} onClick={one.choose}>
                {one.pieces} {one.says}
              </button>
            </span>
          ))}
      </p>
      {marked && <MarksLegend marks={cards.flatMap((one) => one.marks)} />}
      <ThisHandout {...data} />
      {(handout.second || handout.readers.length > 0) && <SecondReader {...data} {...{ bar, onBar }} />}
      {pieces.length > 0 && handout.lookFors > 0 && (
        <>
          <section className={card(styles.figure)}>
            <h3>What is missed most</h3>
            {missed.length === 0 ? (
              <p className="quiet">Nothing: every piece has all that can be counted.</p>
            ) : (
              missed.map(({ label, pieces: count, chosen, choose }) => (
                <button key={label} type="button" className={styles.missed} aria-pressed={chosen} onClick={choose}>
                  <span>{label}</span>
                  <span className={styles.missedBar}>
                    <i style={{ width: `${(100 * count) / missed[0].pieces}%` }} />
                    <b>{count}</b>
                  </span>
                </button>
              ))
            )}
          </section>
          <Figure
            title="Look-fors met"
            of="pieces"
            waits={!rested}
            counts={Array.from({ length: handout.lookFors + 1 }, (_, held) =>
              countOf(`${held}`, `${held} of ${handout.lookFors} look-fors met`, barOf.held(held, handout.lookFors)),
            )}
          />
        </>
      )}
      {pieces.length > 1 && handout.lookFors > 0 && <WhoNeedsWhat handoutId={handout.id} {...{ pieces, bar, onBar }} />}
      {rested && pieces.length > 1 && <AlikePairs handoutId={handout.id} {...{ pieces, bar, onBar }} />}
      {rows.map((row) => (
        <Figure
          key={row.id}
          title={row.name}
          of="pieces"
          waits={!rested}
          counts={row.levels.map(({ points }, level) =>
            countOf(pointsWords(points), `${row.name}, ${pointsWords(points)} points`, barOf.level(row, level, points)),
          )}
        />
      ))}
      {goes > 1 && (
        <Figure
          title="Goes"
          of="pieces"
          waits={!rested}
          counts={Array.from({ length: goes }, (_, i) => countOf(`${i + 1}`, `Go ${i + 1}`, barOf.go(i + 1)))}
        />
      )}
      {rested && pieces.length > 1 && <TimeAndWords handoutId={handout.id} {...{ pieces, bar, onBar }} />}
      {pieces.length === 0 && <Empty>When the first piece is handed in, this shows what the class found hard.</Empty>}
    </aside>
  );
}
