import { Button, Checkbox, Input } from 'antd';
import { nanoid } from 'nanoid';
import { Form, useSubmit } from 'react-router';
import { z } from 'zod';
import type { Member } from '../../server/stores/classes';
import type { Group } from '../../server/stores/groups';
import { useKept } from '../keeping/kept';
import { Action, Chip } from '../parts/action';
import { Sure } from '../parts/sure';
import { groupPlace } from './places';
import styles from './class-card.module.css';

/** A group that is being made or changed, kept in the browser until it is saved. */
const Begun = z.object({ group: z.string(), name: z.string(), members: z.array(z.string()) });

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
  const [begun, setBegun] = useKept(personId, groupPlace(classId), Begun);
  const submit = useSubmit();
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
        <Form method="post" className={styles.group} aria-label="Group" preventScrollReset>
          <input type="hidden" name="classId" value={classId} />
          <input type="hidden" name="group" value={begun.group} />
          <input type="hidden" name="members" value={begun.members.join(' ')} />
          <Input
            name="name"
            aria-label="Name of the group"
            placeholder="Name of the group"
            autoFocus
            maxLength={80}
            value={begun.name}
            onChange={(event) => setBegun({ ...begun, name: event.target.value })}
          />
          <div className={styles.groupNames}>
            {members.map(({ id, name }) => (
              <Checkbox
                key={id}
                checked={begun.members.includes(id)}
                onChange={(event) =>
                  setBegun({
                    ...begun,
                    members: event.target.checked ? [...begun.members, id] : begun.members.filter((one) => one !== id),
                  })
                }
              >
                {name}
              </Checkbox>
            ))}
          </div>
          <div className={styles.groupActs}>
            <Button type="primary" htmlType="submit" name="do" value="set-group" loading={busy}>
              Save the group
            </Button>
            <Action onClick={() => setBegun(null)}>cancel</Action>
            {!isNew && (
              <Sure
                question={`The group ${begun.name} goes; what it was handed out stays with its students.`}
                verb="remove"
                onSure={() =>
                  void submit(
                    { do: 'remove-group', classId, group: begun.group },
                    { method: 'post', preventScrollReset: true },
                  )
                }
              >
                remove the group
              </Sure>
            )}
          </div>
        </Form>
      )}
    </div>
  );
}
