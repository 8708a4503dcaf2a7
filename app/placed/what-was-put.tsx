import { howMany } from '../../core/values/listed';
import { Link } from 'react-router';
import { whatWasPut } from '../../core/review/dots';
import { Action } from '../parts/action';
import { card } from '../parts/card';
import { Empty } from '../parts/empty';
import { Sign } from '../parts/sign';
import type { Dot, PlacedData } from './dots';
import { rightWords } from './dots';
import styles from './placed.module.css';

type Props = {
  handoutId: string;
  pieces: PlacedData['pieces'];
  atWork: number;
  dots: readonly Dot[];
  what: string | null;
  copyId: string | null;
  onWhat: (what: string | null) => void;
  onPiece: (copyId: string | null) => void;
};

/** What the class put on the page, how often and how often right, and who it was. */
export function WhatWasPut({ handoutId, pieces, atWork, dots, what, copyId, onWhat, onPiece }: Props) {
  const list = whatWasPut(dots);
  const most = Math.max(1, ...list.map(({ count }) => count));
  const piece = pieces.find((one) => one.copyId === copyId);
  const own = dots.filter((dot) => dot.copyId === copyId);
  const reading = (of: string) => `/handouts/${handoutId}/reading/${of}`;
  return (
    <aside className={`margin-column ${styles.margin}`} aria-label="What was put where">
      <h2>What was put where</h2>
      <p className="quiet">
        On {howMany(pieces.length, 'piece')}
        {atWork > 0 && ` · ${atWork} not handed in`}
      </p>
      {piece && (
        <section className={card(styles.piece)}>
          <h3>
            {piece.studentName}
            <Action aria-label="Show everybody again" onClick={() => onPiece(null)}>
              <Sign of="remove" />
            </Action>
          </h3>
          <p>
            {own
              .map((dot) => [dot.what, dot.right === false ? '(not right)' : ''].filter(Boolean).join(' '))
              .join(' · ')}
          </p>
          <Link to={reading(piece.copyId)}>Read this piece</Link>
        </section>
      )}
      {list.length === 0 && <Empty>Nothing like that is on this page.</Empty>}
      <ul className={styles.list}>
        {list.map((one) => (
          <li key={one.what}>
            <button
              type="button"
              aria-pressed={what === one.what}
              aria-label={[
                `${one.what}: ${one.count}`,
                one.right > 0 ? `${one.right} right` : '',
                one.wrong > 0 ? `${one.wrong} not right` : '',
              ]
                .filter(Boolean)
                .join(', ')}
              onClick={() => onWhat(what === one.what ? null : one.what)}
            >
              <span>{one.what}</span>
              <b>{one.count}</b>
              <span className={styles.bar} style={{ width: `${(100 * one.count) / most}%` }}>
                <i className={styles.right} style={{ flexGrow: one.right }} />
                <i className={styles.open} style={{ flexGrow: one.count - one.right - one.wrong }} />
                <i className={styles.wrong} style={{ flexGrow: one.wrong }} />
              </span>
            </button>
            {what === one.what && <Who dots={dots.filter((dot) => dot.what === one.what)} reading={reading} />}
          </li>
        ))}
      </ul>
    </aside>
  );
}

const ORDER = [true, null, false] as const;

/** Who put it there: right ones apart from those that are not. */
const Who = ({ dots, reading }: { dots: readonly Dot[]; reading: (copyId: string) => string }) =>
  ORDER.map((right) => {
    const those = dots.filter((dot) => dot.right === right);
    return (
      those.length > 0 && (
        <p key={String(right)} className={styles.who}>
          {those.length < dots.length && <b>{rightWords(right) || 'not judged'}: </b>}
          {those.map(({ copyId, item, studentName }, i) => (
            <span key={`${copyId} ${item}`}>
              {i > 0 && ', '}
              <Link to={reading(copyId)}>{studentName}</Link>
            </span>
          ))}
        </p>
      )
    );
  });
