import { Button } from 'antd';
import { Form, useSubmit } from 'react-router';
import { z } from 'zod';
import type { ClassTeacher } from '../../server/stores/teachers';
import { useZone, whenWords } from '../browser/time';
import { DayField } from '../fields/day-field';
import { momentOf } from '../fields/day-words';
import { useKept } from '../keeping/kept';
import { Action } from '../parts/action';
import { Sure } from '../parts/sure';
import { teacherPlace } from './places';
import styles from './class-card.module.css';

/** A teacher who is about to be let in. */
const Begun = z.object({ teacher: z.string(), rights: z.enum(['full', 'read']), until: z.string() });

const MAY = { full: 'may do all that you may', read: 'may look, not change' };

type Props = {
  personId: string;
  classId: string;
  className: string;
  teachers: readonly ClassTeacher[];
  /** The other teachers of the school. */
  others: readonly { id: string; name: string }[];
  now: number;
  busy: boolean;
};

/** Who else teaches a class: for good, or as a substitute until a time. */
export function ClassTeachers({ personId, classId, className, teachers, others, now, busy }: Props) {
  const [begun, setBegun] = useKept(personId, teacherPlace(classId), Begun);
  const submit = useSubmit();
  const zone = useZone();
  const free = others.filter(({ id }) => !teachers.some((one) => one.id === id));
  if (teachers.length === 0 && others.length === 0) return null;
  return (
    <div className={styles.groups} data-open={begun !== null || undefined}>
      <span className="quiet">Other teachers</span>
      {teachers.map(({ id, name, rights, endsAt }) => (
        <span key={id} className={styles.teacher}>
          {name}{' '}
          <span className="quiet">
            {endsAt && +endsAt <= now ? `until ${whenWords(endsAt, now, zone)}: over` : MAY[rights]}
            {endsAt && +endsAt > now && `, until ${whenWords(endsAt, now, zone)}`}
          </span>{' '}
          <Sure
            question={`${name} no longer sees ${className} and its work.`}
            verb="remove"
            onSure={() =>
              void submit({ do: 'let-out', classId, teacher: id }, { method: 'post', preventScrollReset: true })
            }
          >
            remove
          </Sure>
        </span>
      ))}
      {begun === null && free.length > 0 && (
        <Action
          aria-label={`Another teacher for ${className}`}
          onClick={() => setBegun({ teacher: '', rights: 'full', until: '' })}
        >
          another teacher
        </Action>
      )}
      {begun && (
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
              onChange={(event) => setBegun({ ...begun, teacher: event.target.value })}
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
              onChange={(event) => setBegun({ ...begun, rights: event.target.value === 'full' ? 'full' : 'read' })}
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
              onChange={(until) => setBegun({ ...begun, until })}
            />
            <Button type="primary" htmlType="submit" name="do" value="let-in" loading={busy}>
              Let in
            </Button>
            <Action onClick={() => setBegun(null)}>cancel</Action>
          </div>
        </Form>
      )}
    </div>
  );
}
