import type { Phrase } from '../../core/review/phrases';
import { LONGEST_PHRASE } from '../../core/review/phrases';
import type { Queries } from '../database/connection';

/** A teacher's phrases for notes: their own, those that teachers of the same classes share, and what they wrote before. */

/** Phrases and earlier notes that are looked through. */
const [MOST, MOST_EARLIER] = [500, 150];

/** Teachers of the same classes, themselves among them. */
export async function colleaguesOf(db: Queries, personId: string): Promise<string[]> {
  const classes = await db.query<{ id: string }>('select class_id as id from teaches where person_id = $1', [personId]);
  const teachers = await Promise.all(
    classes.map(({ id }) => db.query<{ id: string }>('select person_id as id from teaches where class_id = $1', [id])),
  );
  return [...new Set([personId, ...teachers.flat().map(({ id }) => id)])];
}

export async function phrasesOf(db: Queries, personId: string): Promise<Phrase[]> {
  const owners = await colleaguesOf(db, personId);
  const [kept, earlier] = await Promise.all([
    db.query<Phrase>(
      `select p.id, p.body, p.shared, p.about, p.used, case when p.owner_id = $1 then null else o.name end as by
       from phrase p join person o on o.id = p.owner_id
       where p.owner_id = any($2) and (p.owner_id = $1 or p.shared)
       order by p.used desc, p.created_at desc limit ${MOST}`,
      [personId, owners],
    ),
    db.query<{ body: string; used: number }>(
      `select body, count(*)::int as used from
         (select body from margin_note where author_id = $1 order by created_at desc limit ${MOST_EARLIER}) n
       where length(body) <= ${LONGEST_PHRASE} group by body`,
      [personId],
    ),
  ]);
  const known = new Set(kept.map(({ body }) => body));
  const written = earlier.filter(({ body }) => !known.has(body));
  return [...kept, ...written.map((one): Phrase => ({ ...one, id: null, by: null, shared: false, about: [] }))];
}

/** Keeps a phrase, unless it is there: then it is about one thing more. */
export const keepPhrase = (
  db: Queries,
  ownerId: string,
  { id, body, about }: { id: string; body: string; about: string[] },
) =>
  db.query(
    `insert into phrase (id, owner_id, body, about, used) values ($1, $2, $3, $4, 1)
     on conflict (owner_id, body) do update set about = array(select distinct unnest(phrase.about || excluded.about))`,
    [id, ownerId, body, about],
  );

/** Whether it was theirs to change. A phrase that says the same already takes its place. */
export async function changePhrase(
  db: Queries,
  ownerId: string,
  id: string,
  { body, shared }: { body?: string; shared?: boolean },
): Promise<boolean> {
  if (body !== undefined)
    await db.query(`delete from phrase where owner_id = $2 and body = $3 and id <> $1`, [id, ownerId, body]);
  const changed = await db.query(
    'update phrase set body = coalesce($3, body), shared = coalesce($4, shared) where id = $1 and owner_id = $2 returning id',
    [id, ownerId, body ?? null, shared ?? null],
  );
  return changed.length > 0;
}

export const removePhrase = (db: Queries, ownerId: string, id: string) =>
  db.query('delete from phrase where id = $1 and owner_id = $2', [id, ownerId]);

/** A note that says what a phrase of its writer's says was made with it. */
export const countUse = (db: Queries, ownerId: string, body: string, about: string | null) =>
  db.query(
    `update phrase set used = used + 1, about = case when $3::text is null then about else array(select distinct unnest(about || $3::text)) end
     where owner_id = $1 and body = $2`,
    [ownerId, body, about],
  );
