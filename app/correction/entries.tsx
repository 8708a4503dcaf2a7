import { Button } from 'antd';
import type { Page } from '../../core/schema/sheet';
import { letterOf } from '../../core/values/letters';
import type { correctionView } from '../../server/views/correction-view';
import { differenceEntries, differencesOn } from '../differences/differences';
import type { MarginEntry } from '../margin/margin';
import styles from './correction.module.css';

/** What stands beside a correction: who takes it, and each thing that it changes, at its height. */

export type Loaded = Awaited<ReturnType<typeof correctionView>>;
/** What changes on one version. */
export type Version = Loaded['versions'][number];

const times = (count: number, what: string) => `${count} ${what}${count === 1 ? '' : 's'}`;
const named = (names: readonly string[]) =>
  names.length <= 2 ? names.join(' and ') : `${names.slice(0, 2).join(', ')} and ${names.length - 2} more`;

type HeadProps = { loaded: Loaded; sending: boolean; problem: string | null; onSend: () => void };

function Head({ loaded, sending, problem, onSend }: HeadProps) {
  const { counts, versions } = loaded;
  const differences = versions.flatMap((version) => version.differences);
  const kept = versions.flatMap((version) => version.kept);
  const differs = versions.some((version) => version.differs);
  const taking = counts['not-begun'] + counts['under-way'];
  return (
    <div className={styles.head}>
      <h3>{differences.length === 0 ? 'Nothing that students see' : times(differences.length, 'thing')} changed</h3>
      {versions.length > 1 && differences.length > 0 && (
        <p className="quiet">
          {versions.map((version, n) => `${letterOf(n)}: ${version.differences.length || 'none'}`).join(' · ')}
        </p>
      )}
      <ul>
        {counts['not-begun'] > 0 && <li>{counts['not-begun']} not begun: simply follow.</li>}
        {counts['under-way'] > 0 && (
          <li>{counts['under-way']} under way: take it, and everything that the student did stays.</li>
        )}
        {counts['handed-in'] > 0 && <li>{counts['handed-in']} handed in: stay as they are, and say so.</li>}
      </ul>
      {kept.map(({ name, students }, i) => (
        <p key={i}>
          <b>{name}</b> goes, but stays with {named(students)}, who worked on it.
        </p>
      ))}
      {differs && differences.length === 0 && (
        <p>Only the key or hidden parts differ: answers are counted by the new key.</p>
      )}
      {problem && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
      <Button type="primary" loading={sending} disabled={!differs} onClick={onSend}>
        {taking > 0 ? `Send it to ${times(taking, 'student')}` : 'Take it over'}
      </Button>
    </div>
  );
}

export function correctionEntries(page: Page, version: Version, head: HeadProps, active: string | null): MarginEntry[] {
  return [
    {
      id: 'head',
      anchor: null,
      end: 'top',
      tone: 'plain',
      label: 'What the correction does',
      content: <Head {...head} />,
    },
    ...differenceEntries(differencesOn(version.differences, page), active),
  ];
}
