import type { ToldResult } from '../../core/lookfors/checks';
import type { StudentLookFor } from '../../core/lookfors/all';
import { Chip } from '../parts/action';
import styles from './student.module.css';
import { Tick } from './tick';

/** What the teacher will look for, counted as the student works. */

type Counted = { lookFors: readonly StudentLookFor[]; results: readonly (ToldResult | null)[]; done: boolean };

/** If only filling in is shown, whether it is right is not known here. */
const onlyFilled = ({ tell }: StudentLookFor, result: ToldResult | null, done: boolean) =>
  !done && (tell === 'filled' || result?.check?.right === null);

function counts({ lookFors, results, done }: Counted): { held: number; of: number } {
  const counted = results.filter(
    (result, i) => result && result.held !== null && !onlyFilled(lookFors[i], result, done),
  );
  return { held: counted.filter((result) => result!.held).length, of: counted.length };
}

/** How many look-fors are met, in a few words. */
export function countOf(lookFors: Counted['lookFors'], results: Counted['results'], done: boolean): string {
  const { held, of } = counts({ lookFors, results, done });
  return of > 0 ? `Checks ${held} of ${of}` : 'Checks';
}

/** Reasons that are listed; the rest is lit on the sheet. */
const REASONS = 3;

/** How to get there, and what does not fit yet. */
function Why({ lookFor, result }: { lookFor: StudentLookFor; result: ToldResult | null }) {
  const wrong = lookFor.saysWhy ? (result?.evidence.filter(({ verdict }) => verdict === 'wrong') ?? []) : [];
  const hint = result?.held ? '' : lookFor.hint;
  if (wrong.length === 0 && hint === '') return null;
  return (
    <span className={styles.why}>
      {hint}
      {wrong.slice(0, REASONS).map(({ items: [item], said }) => (
        <span key={`${item} ${said}`}>{said}</span>
      ))}
      {wrong.length > REASONS && <span>and {wrong.length - REASONS} more</span>}
    </span>
  );
}

type Props = Counted & {
  /** What their teacher said on ruling on one of them, when it came back. */
  reasons: readonly { lookFor: string; words: string }[];
  /** Nothing can be changed: nothing leads on. */
  shut: boolean;
  /** The one whose spots are lit. */
  chosen: string | null;
  onShow: (id: string) => void;
  onGo: (item: string) => void;
  /** The look-for whose answers are being checked. */
  checking: string | null;
  onCheck: (id: string) => void;
};

const changedWords = ({ check }: ToldResult) => (check && check.changed > 0 ? `, ${check.changed} changed since` : '');

type CheckProps = { left: number; busy: boolean; onCheck: () => void };

const CheckAnswers = ({ left, busy, onCheck }: CheckProps) =>
  left > 0 ? (
    <Chip disabled={busy} onClick={onCheck}>
      {busy ? 'Checking …' : `Check answers (${left === 1 ? 'last try' : `${left} tries left`})`}
    </Chip>
  ) : (
    <span className="quiet"> · no tries left</span>
  );

export function LookForList({
  lookFors,
  results,
  reasons,
  done,
  shut,
  chosen,
  onShow,
  onGo,
  checking,
  onCheck,
}: Props) {
  const { held, of } = counts({ lookFors, results, done });
  return (
    <>
      <h3>
        Your teacher {done ? 'looked' : 'will look'} for <small>{of > 0 && `${held} of ${of}`}</small>
      </h3>
      <ul className={styles.lookfors}>
        {lookFors.map((lookFor, i) => {
          const result = results[i];
          const open = result?.evidence.find(
            (e) => !['right', 'near', 'extra'].includes(e.verdict) && e.items.length > 0,
          );
          const unsaid = onlyFilled(lookFor, result, done);
          const filled = unsaid && result?.held === true;
          const partly = result && result.held === false && result.need > 1;
          const somewhere = result?.evidence.some(({ items }) => items.length > 0);
          const words = (
            <>
              {lookFor.title}
              {partly && (
                <span className="quiet">
                  {' '}
                  · {result.got > result.need ? result.got : `${result.got} of ${result.need}`}
                  {result.check && (unsaid ? ' filled in' : ' right')}
                  {!unsaid && changedWords(result)}
                </span>
              )}
              {filled && <span className="quiet"> · filled in</span>}
              {!result && <span className="quiet"> · your teacher looks at this</span>}
            </>
          );
          return (
            <li key={lookFor.id}>
              <Tick held={filled ? 'filled' : (result?.held ?? null)} />
              <span>
                {somewhere || lookFor.hint ? (
                  <button
                    type="button"
                    className={styles.lookfor}
                    aria-pressed={chosen === lookFor.id}
                    title="Show me where"
                    onClick={() => onShow(lookFor.id)}
                  >
                    {words}
                  </button>
                ) : (
                  words
                )}
                {reasons
                  .filter((reason) => reason.lookFor === lookFor.id)
                  .map(({ words }, i) => (
                    <span key={i} className={styles.why}>
                      Your teacher: {words}
                    </span>
                  ))}
                {chosen === lookFor.id && <Why lookFor={lookFor} result={result} />}
                {result?.check && !shut && (
                  <CheckAnswers
                    left={result.check.left}
                    busy={checking === lookFor.id}
                    onCheck={() => onCheck(lookFor.id)}
                  />
                )}
                {open && !shut && (
                  <button type="button" className={styles.lookforGo} onClick={() => onGo(open.items[0])}>
                    Next one
                  </button>
                )}
              </span>
            </li>
          );
        })}
      </ul>
    </>
  );
}
