import { useState } from 'react';
import { Link } from 'react-router';
import { z } from 'zod';
import type { NextGroup } from '../../core/review/next-groups';
import { nextGroups } from '../../core/review/next-groups';
import { inWords } from '../../core/values/listed';
import { useAnswer } from '../browser/answer';
import { Action } from '../parts/action';
import { Ask } from '../parts/ask';
import { card } from '../parts/card';
import type { Bar } from './picking';
import { barOf, switchOf } from './picking';
import type { Card } from './piece-card';
import styles from './spread.module.css';

/** Who needs what next: those who miss the same, and a sheet for them. */

type Props = {
  handoutId: string;
  /** Those that were handed in. */
  pieces: readonly Card[];
  bar: Bar | null;
  onBar: (bar: Bar | null) => void;
};

const READY = 'nothing missing';

export function WhoNeedsWhat({ handoutId, pieces, bar, onBar }: Props) {
  const [giving, setGiving] = useState<NextGroup<Card> | null>(null);
  const { groups, alone, ready } = nextGroups(pieces);
  const all = [...groups, ...alone, ...(ready.length > 0 ? [{ label: READY, pieces: ready }] : [])];
  return (
    <section className={card(styles.figure)}>
      <h3>Who needs what next</h3>
      {all.map((group) => {
        const { label, pieces: those } = group;
        const names = inWords(those.map(({ studentName }) => studentName));
        const one = barOf.these(`${label} · ${those.length === 1 ? names : `${those.length} together`}`, those);
        const { chosen, choose } = switchOf(one, bar, onBar);
        return (
          <div key={`${label} ${those[0].id}`} className={styles.next}>
            <button type="button" className={styles.missed} aria-pressed={chosen} onClick={choose}>
              <b>{label === READY ? 'Nothing missing' : label}</b>
              <span>{names}</span>
            </button>
            <Action aria-label={`A sheet for ${names}`} onClick={() => setGiving(group)}>
              a sheet for them
            </Action>
          </div>
        );
      })}
      {giving && <Sheets handoutId={handoutId} group={giving} onClose={() => setGiving(null)} />}
    </section>
  );
}

const OwnSheets = z.array(z.object({ id: z.string(), title: z.string() }));

/** The teacher's sheets: one press leads to handing it out to these students. */
function Sheets({ handoutId, group, onClose }: { handoutId: string; group: NextGroup<Card>; onClose: () => void }) {
  const { now, again } = useAnswer('/own-sheets', OwnSheets);
  const of = group.pieces.map(({ id }) => id).join('+');
  return (
    <Ask title="Which sheet?" onCancel={onClose}>
      <p>
        For {inWords(group.pieces.map(({ studentName }) => studentName))}. On the next page they are chosen already.
      </p>
      {now.kind === 'on its way' && <p role="status">Looking for your sheets …</p>}
      {now.kind === 'failed' && (
        <p role="alert">
          Your sheets can’t be fetched just now. <Action onClick={again}>try again</Action>
        </p>
      )}
      {now.kind === 'here' && (
        <ul className={styles.choices}>
          {now.value.map(({ id, title }) => (
            <li key={id}>
              <Link className={styles.choice} to={`/sheets/${id}/hand-out?after=${handoutId}&of=${of}`}>
                {title}
              </Link>
            </li>
          ))}
        </ul>
      )}
    </Ask>
  );
}
