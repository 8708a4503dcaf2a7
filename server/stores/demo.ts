import type { Queries } from '../database/connection';

/** Doors into the demo school, by the addresses and codes that only its seeding uses. */
export const DEMO_TEACHER = 'maren@samphire.example';
export const DEMO_STUDENTS = ['Ayo Bankole', 'Dara Kowal', 'Ines Ramos'];
export const DEMO_CLASS = 'CURLW';

export const demoDoors = (db: Queries) =>
  db.query<{ id: string; name: string; what: string }>(
    `select p.id, p.name, case when p.role = 'teacher' then 'teacher' else 'student in ' || c.name end as what
     from person p left join class_member m on m.person_id = p.id left join class c on c.id = m.class_id and c.code = $3
     where p.email = $1 or (p.role = 'student' and c.code = $3 and p.name = any($2)) order by p.role desc, p.name`,
    [DEMO_TEACHER, DEMO_STUDENTS, DEMO_CLASS],
  );
