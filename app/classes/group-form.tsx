import { Button, Checkbox, Input } from 'antd';
import { Form } from 'react-router';
import { toggled } from '../../core/values/toggled';
import type { Member } from '../../server/stores/classes';
import { Action } from '../parts/action';
import { Sure } from '../parts/sure';
import type { BegunGroup } from './begun';
import styles from './class-card.module.css';

type Props = {
  classId: string;
  members: readonly Member[];
  busy: boolean;
  begun: BegunGroup;
  isNew: boolean;
  /** Null: it is left as it was. */
  onChange: (begun: BegunGroup | null) => void;
  onRemove: () => void;
};

/** What a group is called and who is in it. */
export default function GroupForm({ classId, members, busy, begun, isNew, onChange, onRemove }: Props) {
  return (
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
        onChange={(event) => onChange({ ...begun, name: event.target.value })}
      />
      <div className={styles.groupNames}>
        {members.map(({ id, name }) => (
          <Checkbox
            key={id}
            checked={begun.members.includes(id)}
            onChange={(event) => onChange({ ...begun, members: toggled(begun.members, id, event.target.checked) })}
          >
            {name}
          </Checkbox>
        ))}
      </div>
      <div className={styles.groupActs}>
        <Button type="primary" htmlType="submit" name="do" value="set-group" loading={busy}>
          Save the group
        </Button>
        <Action onClick={() => onChange(null)}>cancel</Action>
        {!isNew && (
          <Sure
            question={`The group ${begun.name} goes; what it was handed out stays with its students.`}
            verb="remove"
            onSure={onRemove}
          >
            remove the group
          </Sure>
        )}
      </div>
    </Form>
  );
}
