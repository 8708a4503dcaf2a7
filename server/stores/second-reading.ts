import { z } from 'zod';
import type { Ruling, Saying } from '../../core/review/said';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import type { Sayer } from './reviews';

/** Who reads the pieces of a handout a second time, and what they make of them: beside what the first reader says, never in it. */

export type SecondReader = { id: string; name: string };
export const secondReaderOf = async (db: Queries, handoutId: string): Promise<SecondReader | null> =>
  one(
    await db.query<SecondReader>(
      'select p.id, p.name from second_reader s join person p on p.id = s.person_id where s.handout_id = $1',
      [handoutId],
    ),
  ) ?? null;

/** Those who may be: they teach the class of the handout now. */
export const readersFor = (db: Queries, handoutId: string) =>
  db.query<SecondReader>(
    `select distinct p.id, p.name from teaches t join person p on p.id = t.person_id
     where t.class_id = (select class_id from handout where id = $1) order by p.name, p.id`,
    [handoutId],
  );

/** What a reader before said is kept: it is there again when they are chosen again. */
export const setSecondReader = async (db: Queries, handoutId: string, personId: string | null): Promise<void> =>
  void (await (personId === null
    ? db.query('delete from second_reader where handout_id = $1', [handoutId])
    : db.query(
        'insert into second_reader (handout_id, person_id) values ($1, $2) on conflict (handout_id) do update set person_id = excluded.person_id',
        [handoutId, personId],
      )));

const Held = z.record(z.string(), z.object({ held: z.boolean(), reason: z.string().default('') }));
type Row = { goId: string; marks: Record<string, number>; rulings: unknown; word: string; done: boolean };
export type SecondReading = Omit<Row, 'rulings'> & { rulings: Ruling[] };

/** What one reader made of these goes; those that they have not begun are left out. */
export const secondReadingsOf = async (db: Queries, readerId: string, goIds: string[]): Promise<SecondReading[]> =>
  (
    await db.query<Row>(
      `select go_id as "goId", marks, rulings, word, done_at is not null as done from second_reading where reader_id = $1 and go_id = any($2)`,
      [readerId, goIds],
    )
  ).map((row) => ({ ...row, rulings: rulingsFrom(row.rulings) }));

const rulingsFrom = (stored: unknown): Ruling[] =>
  Object.entries(Held.parse(stored)).map(([key, { held, reason }]) => {
    const [lookForId, itemId = null] = key.split(' ');
    return { lookForId, itemId, held, reason };
  });

/** What a second reader can say. */
export type SecondSaying = Extract<Saying, { do: 'rule' | 'mark' | 'finish' }>;

/** Takes these steps on a go, all or none; false when it is no longer there. Steps that were taken before may come again. */
export const saySecond = (
  db: Database,
  { copyId, goId, authorId }: Sayer,
  steps: readonly SecondSaying[],
): Promise<boolean> =>
  db.transaction(async (tx) => {
    const there = await tx.query(
      `insert into second_reading (go_id, reader_id) select id, $3 from go where id = $1 and copy_id = $2
       on conflict (go_id, reader_id) do update set word = second_reading.word returning go_id`,
      [goId, copyId, authorId],
    );
    if (there.length === 0) return false;
    for (const step of steps) await take(tx, goId, authorId, step);
    return true;
  });

function take(tx: Queries, goId: string, readerId: string, step: SecondSaying): Promise<unknown> {
  const set = (values: string, ...parameters: unknown[]) =>
    tx.query(`update second_reading set ${values} where go_id = $1 and reader_id = $2`, [
      goId,
      readerId,
      ...parameters,
    ]);
  switch (step.do) {
    case 'rule': {
      const key = step.item === undefined ? step.lookFor : `${step.lookFor} ${step.item}`;
      return step.held === null
        ? set('rulings = rulings - $3', key)
        : set(
            'rulings = rulings || jsonb_build_object($3::text, $4::jsonb)',
            key,
            JSON.stringify({ held: step.held, reason: step.reason ?? '' }),
          );
    }
    case 'mark':
      return step.level === null
        ? set('marks = marks - $3', step.row)
        : set('marks = marks || jsonb_build_object($3::text, $4::int)', step.row, step.level);
    case 'finish':
      return set('done_at = coalesce(done_at, now()), word = $3', step.word);
  }
}
