import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { sampleSheet } from '../../tests/support/sheets';
import { historyOf, sheetAt } from '../stores/history';
import type { Database } from './connection';
import { migrate, shippedMigrations } from './migrate';

/** A database from before history was kept: its documents can be looked back on from then on. */
describe.each(DATABASES)('an older %s database', (_, open) => {
  let db: Database;
  beforeAll(async () => {
    db = await open();
    const [first] = shippedMigrations();
    await migrate(db, [first]);
    await db.query('insert into school (id, name) values ($1, $2)', ['s', 'School']);
    await db.query("insert into person (id, school_id, role, name) values ('t', 's', 'teacher', 'T')");
    const insert =
      'insert into document (id, school_id, seq, snapshot, snapshot_seq) values ($1, $2, $3, $4::jsonb, $5)';
    await db.query(insert, ['young', 's', 1, JSON.stringify(sampleSheet()), 0]);
    await db.query(insert, ['old', 's', 240, JSON.stringify(sampleSheet()), 240]);
    const change = { kind: 'set', id: 'box', values: { x: 7 } };
    await db.query(
      "insert into document_change (document_id, seq, batch, author_id, change) values ('young', 1, 'first-batch', 't', $1::jsonb)",
      [JSON.stringify(change)],
    );
    await migrate(db);
  });
  afterAll(() => db.close());

  test('a document whose first state was still there is seen from its beginning', async () => {
    expect(await historyOf(db, 'young')).toMatchObject({ from: 0, log: [{ seq: 1 }], moments: [] });
    expect(await sheetAt(db, 'young', 0)).toEqual(sampleSheet());
    const after = await sheetAt(db, 'young', 1);
    expect(after?.pages[0].items.find((item) => item.id === 'box')).toMatchObject({ x: 7 });
  });
  test('one that has gone on since is seen from its last snapshot, and not before', async () => {
    expect(await historyOf(db, 'old')).toMatchObject({ from: 240, log: [] });
    expect(await sheetAt(db, 'old', 240)).toEqual(sampleSheet());
    expect(await sheetAt(db, 'old', 100)).toBeUndefined();
  });
});
