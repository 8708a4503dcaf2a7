import type { Database } from '../../server/database/connection';

/** A thousand schools of very different sizes, with 300,000 copies: small rows, made by the database itself. */
export async function fillManySchools(db: Database): Promise<void> {
  const run = (sql: string) => db.script(sql);
  // References are right by construction; checking a million rows would take minutes.
  await run(`set session_replication_role = replica`);
  await run(`
    insert into school select 's' || k, 'School ' || k from generate_series(1, 1000) k;
    create temp table size as select k, greatest(3, (40000.0 / (k + 12))::int) as students from generate_series(1, 1000) k;
    insert into person (id, school_id, role, name, email)
      select 't' || k || '-' || t, 's' || k, 'teacher', 'Teacher ' || t, 't' || t || '@s' || k || '.example'
      from size, generate_series(1, 3) t;
    insert into person (id, school_id, role, name)
      select 'p' || k || '-' || n, 's' || k, 'student', 'Student ' || n from size, generate_series(1, students) n;
    insert into class select 'c' || k || '-' || c, 's' || k, 't' || k || '-' || (1 + c % 3), 'Class ' || c, 'C' || k || 'X' || c
      from size, generate_series(0, students / 25) c;
    insert into class_member select 'c' || k || '-' || (n / 26), 'p' || k || '-' || n from size, generate_series(1, students) n;
    insert into family_address select id, id || '@home.example' from person where role = 'student';
    insert into class_group select 'g' || id, id, 'Group' from class;
    insert into group_member select 'g' || class_id, person_id from class_member;
    insert into class_teacher select c.id, replace(c.teacher_id, '-1', '-2'), 'read' from class c where c.teacher_id like '%-1';
    insert into document (id, school_id, seq, snapshot, title)
      select 'ds' || k || '-' || h, 's' || k, 1, '{}', 'Sheet ' || h from size, generate_series(0, students / 25) h;
    insert into sheet select 'h' || k || '-' || h, 's' || k, 't' || k || '-' || (1 + h % 3), 'ds' || k || '-' || h, 'blank'
      from size, generate_series(0, students / 25) h;
    insert into folder select 'f' || id, school_id, id, 'Folder' from person where role = 'teacher';
    insert into handout select 'o' || k || '-' || h || '-' || i, 's' || k, 't' || k || '-' || (1 + h % 3), 'h' || k || '-' || h,
        'c' || k || '-' || h, 'Handout', '', null, '{"version": 3}', '[]', '{"rows": []}', '[]'
      from size, generate_series(0, students / 25) h, generate_series(0, 2) i;
    insert into handout_version (handout_id, number, sheet_id, sheet) select id, 1, sheet_id, '{"version": 3}' from handout;
    insert into handout_group select id, 'g' || class_id from handout;
    insert into copy (id, school_id, handout_id, student_id, document_id, state)
      select 'y' || k || '-' || n || '-' || i, 's' || k, 'o' || k || '-' || (n / 26) || '-' || i, 'p' || k || '-' || n,
        'dc' || k || '-' || n || '-' || i, (array['not-begun', 'under-way', 'handed-in', 'done'])[1 + (n + i) % 4]
      from size, generate_series(1, students) n, generate_series(0, 2) i;
    insert into brought_file (id, school_id, copy_id, person_id, name, type, bytes) select id, school_id, id, student_id, 'work.pdf', 'application/pdf', '' from copy where state = 'handed-in';
    insert into copy_mate select 'y' || k || '-' || n || '-' || i, 'p' || k || '-' || (n + 1) from size, generate_series(1, students - 1) n, generate_series(0, 2) i;
    update copy set group_id = 'g' || h.class_id from handout h where h.id = copy.handout_id;
    insert into document (id, school_id, seq, snapshot) select document_id, school_id, 2, '{}' from copy;
    insert into document_snapshot select id, 0, '{}' from document;
    insert into document_change (document_id, seq, batch, author_id, change)
      select document_id, q, 'b' || q, student_id, '{}' from copy, generate_series(1, 2) q;
    insert into go (id, copy_id, number, seq, sheet) select 'g' || id, id, 1, 1, '{}' from copy where state in ('handed-in', 'done');
    insert into margin_note (id, go_id, author_id, page_id, body)
      select 'n' || g.id, g.id, h.teacher_id, 'p', 'x' from go g join copy on copy.id = g.copy_id join handout h on h.id = copy.handout_id;
    insert into spoken_note select id, '' from margin_note;
    insert into ink select 'i' || id, go_id, author_id, page_id, null, 0, 0, '{}' from margin_note;
    insert into ruling select id, 'l', true from go;
    insert into phrase (id, owner_id, body, shared) select 'r' || id, id, 'x', true from person where role = 'teacher';
    insert into gallery select id, true from handout;
    insert into letter (id, handout_id, copy_id, go_id, student_id, sender_id, address, words, shows, sent_at)
      select 'l' || g.id, copy.handout_id, copy.id, g.id, copy.student_id, h.teacher_id, 'x', '', '{}', now() from go g join copy on copy.id = g.copy_id join handout h on h.id = copy.handout_id;
    insert into second_reader select h.id, t.person_id from handout h join class_teacher t on t.class_id = h.class_id on conflict do nothing;
    insert into second_reading (go_id, reader_id, marks) select g.id, s.person_id, '{"r": 1}' from go g join copy on copy.id = g.copy_id join second_reader s on s.handout_id = copy.handout_id;
    insert into gallery_piece select g.id, copy.handout_id, copy.id, g.id from go g join copy on copy.id = g.copy_id;
    insert into gallery_note (id, piece_id, author_id, kind, body) select p.id, p.id, copy.student_id, 'like', 'x' from gallery_piece p join copy on copy.id = p.copy_id;
    insert into answer_check select id, 'l', 1, 1, 'x', '{}' from copy;
    insert into handout_before select id, 0, '{}' from handout;
    insert into moment (id, document_id, author_id, seq, name)
      select 'm' || document_id, document_id, owner_id, 1, 'x' from sheet;
    insert into picture (id, school_id, owner_id, name, width, height, type, image, lines, drawn)
      select 'own/' || id, school_id, id, 'x', 1, 1, 'image/png', '', '', '{}' from person where role = 'teacher';
    insert into cleared_picture select id || '-0', id, school_id, '{}', '{}', '', '', '' from picture;
    insert into session (token_hash, person_id, expires_at) select 'k' || id, id, now() + interval '1 day' from person;
    insert into device (token_hash, person_id) select 'v' || id, id from person;
    insert into allowance select 'account ' || id, now() + interval '1 hour' from person;
    insert into set_aside_change (document_id, seq, batch, author_id, at, change)
      select document_id, 9, 'b', student_id, now(), '{}' from copy where id like '%9-1';
    drop table size;
  `);
  await run(`set session_replication_role = default`);
  await run('analyze');
}
