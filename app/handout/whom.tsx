import { Checkbox } from 'antd';
import { useZone, whenWords } from '../browser/time';
import { Action } from '../parts/action';
import type { Class, Draft } from './draft';
import { toggled } from '../../core/values/toggled';
import styles from './hand-out.module.css';

/** To whom it goes: whole classes, or of a class some groups and students. */

type Props = {
  draft: Pick<Draft, 'classes' | 'only'>;
  set: (patch: Partial<Draft>) => void;
  classes: readonly Class[];
};

export function Whom({ draft, set, classes }: Props) {
  const zone = useZone();
  const setOnly = (id: string, some: Draft['only'][string] | null) => {
    const { [id]: _, ...others } = draft.only;
    set({ only: some ? { ...others, [id]: some } : others });
  };
  return (
    <ul className={styles.whom}>
      {classes.map((one) => {
        const { id, name, size, hadAt } = one;
        const some = draft.only[id];
        const isChosen = draft.classes.includes(id);
        return (
          <li key={id}>
            <Checkbox
              checked={isChosen}
              onChange={(event) => set({ classes: toggled(draft.classes, id, event.target.checked) })}
            >
              {name} ({size})
            </Checkbox>
            {isChosen && size > 0 && (
              <Action
                aria-label={some ? `Everybody of ${name}` : `Only some of ${name}`}
                onClick={() => setOnly(id, some ? null : { groups: [], students: [] })}
              >
                {some ? 'everybody' : 'only some'}
              </Action>
            )}
            {hadAt && <span className="quiet">had it {whenWords(hadAt, Date.now(), zone)}</span>}
            {isChosen && some && <Some of={one} some={some} onChange={(next) => setOnly(id, next)} />}
          </li>
        );
      })}
    </ul>
  );
}

type SomeProps = { of: Class; some: Draft['only'][string]; onChange: (some: Draft['only'][string]) => void };

/** Groups, and students one by one. Who is in a chosen group is ticked with it. */
function Some({ of: { name, groups, members }, some, onChange }: SomeProps) {
  const inGroups = new Set(groups.filter(({ id }) => some.groups.includes(id)).flatMap((group) => group.members));
  return (
    <div className={styles.some} role="group" aria-label={`Who of ${name}`}>
      {groups.length > 0 && (
        <div className={styles.whoRow}>
          {groups.map((group) => (
            <Checkbox
              key={group.id}
              checked={some.groups.includes(group.id)}
              onChange={(event) => onChange({ ...some, groups: toggled(some.groups, group.id, event.target.checked) })}
            >
              <b>{group.name}</b> ({group.members.length})
            </Checkbox>
          ))}
        </div>
      )}
      <div className={styles.someNames}>
        {members.map((member) => (
          <Checkbox
            key={member.id}
            checked={some.students.includes(member.id) || inGroups.has(member.id)}
            disabled={inGroups.has(member.id)}
            onChange={(event) =>
              onChange({ ...some, students: toggled(some.students, member.id, event.target.checked) })
            }
          >
            {member.name}
          </Checkbox>
        ))}
      </div>
    </div>
  );
}
