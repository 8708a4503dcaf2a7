import type { ClassTeacher } from '../../server/stores/teachers';
import { later } from '../browser/later';
import { useZone, whenWords } from '../browser/time';
import { useKept } from '../keeping/kept';
import { Action } from '../parts/action';
import { Sure } from '../parts/sure';
import { useAsking } from './asking';
import { BegunTeacher, MAY } from './begun';
import { teacherPlace } from './places';
import styles from './class-card.module.css';

const TeacherForm = later(() => import('./teacher-form').then((part) => part.default));

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
  const [begun, setBegun] = useKept(personId, teacherPlace(classId), BegunTeacher);
  const ask = useAsking(classId);
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
            onSure={() => ask({ do: 'let-out', teacher: id })}
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
      {begun && <TeacherForm {...{ classId, busy, free, begun }} onChange={setBegun} />}
    </div>
  );
}
