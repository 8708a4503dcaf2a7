import type { Shows } from '../../core/review/letter';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import { newId } from '../database/id';

/** Letters home: one for each go, student and address. */

export type Letter = {
  id: string;
  copyId: string;
  goId: string;
  studentId: string;
  student: string;
  address: string | null;
  createdAt: Date;
  sentAt: Date | null;
  problem: string | null;
  words: string;
  shows: Shows;
  /** Whether it is kept as it was sent. */
  kept: boolean;
};

/** The letters about a handout, the newest first. */
export const lettersOn = (db: Queries, handoutId: string) =>
  db.query<Letter>(
    `select l.id, l.copy_id as "copyId", l.go_id as "goId", l.student_id as "studentId", p.name as student, l.address, l.created_at as "createdAt",
       l.sent_at as "sentAt", l.problem, l.words, l.shows, l.eml is not null as kept
     from letter l join person p on p.id = l.student_id where l.handout_id = $1 order by l.created_at desc, p.name, l.id`,
    [handoutId],
  );

/** A copy that has come back: which go of it, its students, and where letters about them go. */
export type Receiver = { copyId: string; goId: string; studentId: string; student: string; addresses: string[] };
export const receiversOf = (db: Queries, handoutId: string) =>
  db.query<Receiver>(
    `with back as (
       select distinct on (copy.id) copy.id as copy, copy.student_id, g.id as go, g.returned_at
       from copy join go g on g.copy_id = copy.id where copy.handout_id = $1 order by copy.id, g.number desc),
     works as (
       select copy, go, student_id as person from back where returned_at is not null
       union all select back.copy, back.go, m.person_id from copy_mate m join back on back.copy = m.copy_id where returned_at is not null)
     select works.copy as "copyId", works.go as "goId", p.id as "studentId", p.name as student,
       (select coalesce(jsonb_agg(a.address order by a.address), '[]') from family_address a where a.person_id = p.id) as addresses
     from works join person p on p.id = works.person order by p.name, p.id`,
    [handoutId],
  );

/**
 * Puts letters down to be sent. One that is there is not written again; one that could not be sent is tried once more.
 * @returns how many are to be sent by it
 */
export const putLetters = (
  db: Database,
  { handoutId, senderId, words, shows }: { handoutId: string; senderId: string; words: string; shows: Shows },
  receivers: readonly Receiver[],
): Promise<number> =>
  db.transaction(async (tx) => {
    let count = 0;
    for (const { copyId, goId, studentId, addresses } of receivers)
      for (const address of addresses) {
        const put = await tx.query(
          `insert into letter (id, handout_id, copy_id, go_id, student_id, sender_id, address, words, shows) values ($1, $2, $3, $4, $5, $6, $7, $8, $9::jsonb)
           on conflict (go_id, student_id, address) do update
             set problem = null, begun_at = null, sender_id = excluded.sender_id, words = excluded.words, shows = excluded.shows, created_at = now()
             where letter.problem is not null returning id`,
          [newId(), handoutId, copyId, goId, studentId, senderId, address, words, JSON.stringify(shows)],
        );
        count += put.length;
      }
    return count;
  });

export type Waiting = {
  id: string;
  handoutId: string;
  copyId: string;
  goId: string;
  studentId: string;
  senderId: string;
  address: string;
  words: string;
  shows: Shows;
};

/** Takes the letter that has waited longest, so that nobody else sends it for `seconds`; undefined where none waits. */
export const takeLetter = async (db: Queries, seconds: number): Promise<Waiting | undefined> =>
  one(
    await db.query<Waiting>(
      `update letter set begun_at = now() where id = (
         select id from letter where sent_at is null and problem is null and (begun_at is null or begun_at < now() - make_interval(secs => $1))
         order by created_at, id limit 1 for update skip locked)
       returning id, handout_id as "handoutId", copy_id as "copyId", go_id as "goId", student_id as "studentId", sender_id as "senderId", address, words, shows`,
      [seconds],
    ),
  );

export const keepSent = async (db: Queries, id: string, problem: string | null): Promise<void> =>
  void (await db.query(
    'update letter set sent_at = case when $2::text is null then now() end, problem = $2 where id = $1',
    [id, problem],
  ));

/** Keeps a letter as it was sent. */
export const keepEml = async (db: Queries, id: string, eml: Buffer): Promise<void> =>
  void (await db.query('update letter set eml = $2 where id = $1', [id, eml]));

/** A letter as it was sent, for a teacher of its class. */
export const emlFor = async (
  db: Queries,
  teacherId: string,
  { handoutId, letterId }: { handoutId: string; letterId: string },
): Promise<{ eml: Uint8Array; student: string } | undefined> =>
  one(
    await db.query<{ eml: Uint8Array; student: string }>(
      `select l.eml, p.name as student from letter l join person p on p.id = l.student_id join handout h on h.id = l.handout_id
       where l.id = $1 and l.handout_id = $2 and l.eml is not null and h.binned_at is null
         and exists (select 1 from teaches t where t.class_id = h.class_id and t.person_id = $3 and t.rights = 'full')`,
      [letterId, handoutId, teacherId],
    ),
  );

/** Where letters about these students went is known no more. */
export const forgetAddresses = async (tx: Queries, studentIds: readonly string[]): Promise<number> => {
  await tx.query('update letter set address = null, eml = null where student_id = any($1) and sent_at is not null', [
    studentIds,
  ]);
  await tx.query('delete from letter where student_id = any($1) and sent_at is null', [studentIds]);
  const gone = await tx.query<{ personId: string }>(
    'delete from family_address where person_id = any($1) returning person_id as "personId"',
    [studentIds],
  );
  return new Set(gone.map(({ personId }) => personId)).size;
};

/** Who writes, and from where. */
export const senderOf = async (db: Queries, id: string) =>
  one(
    await db.query<{ name: string; email: string | null; school: string }>(
      'select p.name, p.email, s.name as school from person p join school s on s.id = p.school_id where p.id = $1',
      [id],
    ),
  );
