import { Button } from 'antd';
import { Form } from 'react-router';
import { DayField } from '../fields/day-field';
import { momentOf } from '../fields/day-words';
import { Action } from '../parts/action';
import type { BegunTeacher } from './begun';
import { MAY } from './begun';
import styles from './class-card.module.css';

type Props = {
  classId: string;
  busy: boolean;
  /** Who can be let in. */
  free: readonly { id: string; name: string }[];
  begun: BegunTeacher;
  /** Null: nobody is let in. */
  onChange: (begun: BegunTeacher | null) => void;
};

/** Who is let in, what they may do, and until when. */
export default function TeacherForm({ classId, busy, free, begun, onChange }: Props) {
  return (
    <Form method="post" className={styles.group} aria-label="Another teacher" preventScrollReset>
      <input type="hidden" name="classId" value={classId} />
      <input type="hidden" name="until" value={momentOf(begun.until)?.toISOString() ?? ''} />
      <div className={styles.groupActs}>
        <select
          className="pick"
          name="teacher"
          aria-label="Teacher"
          value={begun.teacher}
          required
          onChange={(event) => onChange({ ...begun, teacher: event.target.value })}
        >
          <option value="">Choose a teacher</option>
          {free.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
        <select
          className="pick"
          name="rights"
          aria-label="What they may do"
          value={begun.rights}
          onChange={(event) => onChange({ ...begun, rights: event.target.value === 'full' ? 'full' : 'read' })}
        >
          <option value="full">{MAY.full}</option>
          <option value="read">{MAY.read}</option>
        </select>
        <DayField
          time
          mayBeNone
          label="until"
          none="For good"
          value={begun.until}
          onChange={(until) => onChange({ ...begun, until })}
        />
        <Button type="primary" htmlType="submit" name="do" value="let-in" loading={busy}>
          Let in
        </Button>
        <Action onClick={() => onChange(null)}>cancel</Action>
      </div>
    </Form>
  );
}
