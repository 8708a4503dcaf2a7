import { nanoid } from 'nanoid';
import type { Member } from '../../server/stores/classes';
import type { Group } from '../../server/stores/groups';
import { later } from '../browser/later';
import { useKept } from '../keeping/kept';
import { Action, Chip } from '../parts/action';
import { useAsking } from './asking';
import { BegunGroup } from './begun';
import { groupPlace } from './places';
import styles from './class-card.module.css';

const GroupForm = later(() => import('./group-form').then((part) => part.default));

type Props = {
  personId: string;
  classId: string;
  className: string;
  groups: readonly Group[];
  members: readonly Member[];
  busy: boolean;
};

/** Groups of a class: something can be handed out to one of them only. */
export function ClassGroups({ personId, classId, className, groups, members, busy }: Props) {
  const [begun, setBegun] = useKept(personId, groupPlace(classId), BegunGroup);
  const ask = useAsking(classId);
  const isNew = begun !== null && !groups.some(({ id }) => id === begun.group);
  return (
    <div className={styles.groups} data-open={begun !== null || undefined}>
      <span className="quiet">Groups</span>
      {groups.map(({ id, name, members: of }) => (
        <Chip
          key={id}
          asIs
          aria-pressed={begun?.group === id}
          aria-label={`Group ${name}, ${of.length}`}
          onClick={() => setBegun(begun?.group === id ? null : { group: id, name, members: of })}
        >
          {name} {of.length}
        </Chip>
      ))}
      {!isNew && (
        <Action
          aria-label={`New group in ${className}`}
          onClick={() => setBegun({ group: nanoid(12), name: '', members: [] })}
        >
          new group
        </Action>
      )}
      {begun && (
        <GroupForm
          {...{ classId, members, busy, begun }}
          isNew={isNew}
          onChange={setBegun}
          onRemove={() => ask({ do: 'remove-group', group: begun.group })}
        />
      )}
    </div>
  );
}
