import type { Database, Queries } from '../database/connection';
import { StartProblem } from '../database/connection';
import { migrate, shippedMigrations } from '../database/migrate';
import type { Column, End } from './write';
import { readBackup } from './write';

/** Puts a backup into an empty database, as it was when it was made, and brings it up to date. */
export async function restoreInto(db: Database, file: string): Promise<End> {
  const all = shippedMigrations();
  let [table, columns]: [string, Column[]] = ['', []];
  const put = (queries: Queries, rows: (string | null)[][]) =>
    queries.query(
      `insert into "${table}" (${columns.map(({ name }) => `"${name}"`).join(', ')})
       select ${columns.map(({ type }, i) => `(row ->> ${i})::"${type}"`).join(', ')} from jsonb_array_elements($1::jsonb) as row`,
      [JSON.stringify(rows)],
    );
  const end = await readBackup(file, {
    async head({ migration }) {
      if (migration > Math.max(...all.map(({ number }) => number)))
        throw new StartProblem(
          'This backup was made by a newer version of Dappled Margin. Use that one to restore it.',
        );
      await migrate(
        db,
        all.filter(({ number }) => number <= migration),
      );
      // What this installation made for itself is not what the backup's made.
      await db.query('delete from house');
    },
    async table(name, of) {
      table = name;
      columns = of;
    },
    rows: async (rows) => void (await put(db, rows)),
  });
  await migrate(db, all);
  return end;
}
