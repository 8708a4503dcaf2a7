import type { Queries } from '../database/connection';

/** Doors into the demo school, by the addresses and codes that only its seeding uses. */
export const DEMO_TEACHER = 'maren@samphire.example';
export const DEMO_STUDENTS = ['Ayo Bankole', 'Dara Kowal', 'Ines Ramos'];
export const DEMO_CLASS = 'CURLW';

export const demoDoors = (db: Queries) =>
  db.query<{ id: string; name: string; what: string }>(
    `select id, name, 'teacher' as what from person where email = $1
     union all
     (select p.id, p.name, 'student in ' || c.name from class c join class_member m on m.class_id = c.id join person p on p.id = m.person_id
      where c.code = $3 and p.role = 'student' and p.name = any($2) order by p.name)`,
    [DEMO_TEACHER, DEMO_STUDENTS, DEMO_CLASS],
  );
