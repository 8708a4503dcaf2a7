import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import type { Database } from './connection';
import { migrate, shippedMigrations } from './migrate';

const step = (number: number, sql: string) => ({ number, name: `${number}_test.sql`, sql });

describe.each(DATABASES)('migrations on the %s database', (_, open) => {
  let db: Database;
  beforeAll(async () => {
    db = await open();
  });
  afterAll(() => db.close());

  test('run in order, each statement of each script', async () => {
    await migrate(db, [
      step(1, 'create table one (id integer);\ninsert into one values (1);'),
      step(2, '-- a remark; with a semicolon inside\nalter table one add column name text;'),
    ]);
    expect(await db.query('select id, name from one')).toEqual([{ id: 1, name: null }]);
    expect(await db.query('select number from migration order by number')).toEqual([{ number: 1 }, { number: 2 }]);
  });

  test('run only what is new', async () => {
    await migrate(db, [
      step(1, 'this is not run again;'),
      step(2, 'nor this;'),
      step(3, 'insert into one values (3);'),
    ]);
    expect(await db.query('select id from one order by id')).toEqual([{ id: 1 }, { id: 3 }]);
  });

  test('that fail leave nothing half done', async () => {
    const broken = step(4, 'insert into one values (4);\ninsert into nowhere values (1);');
    await expect(migrate(db, [step(1, ''), step(2, ''), step(3, ''), broken])).rejects.toThrow();
    expect(await db.query('select id from one where id = 4')).toEqual([]);
    expect(await db.query('select number from migration where number = 4')).toEqual([]);
  });

  test('bind their parameters: words are never taken for SQL', async () => {
    const hostile = "x'); drop table one; --";
    await db.query('insert into one (id, name) values ($1, $2)', [9, hostile]);
    expect(await db.query('select name from one where id = 9')).toEqual([{ name: hostile }]);
  });

  test('a transaction that throws is as if it had not been', async () => {
    const attempt = db.transaction(async (tx) => {
      await tx.query('insert into one values (77)');
      throw new Error('changed my mind');
    });
    await expect(attempt).rejects.toThrow('changed my mind');
    expect(await db.query('select id from one where id = 77')).toEqual([]);
  });

  test('a transaction gives back what its work gave', async () => {
    expect(await db.transaction((tx) => tx.query<{ two: number }>('select 1 + 1 as two'))).toEqual([{ two: 2 }]);
  });
});

test('the shipped scripts are numbered without a gap, and none twice', () => {
  const numbers = shippedMigrations().map((migration) => migration.number);
  expect(numbers).toEqual(numbers.map((_, i) => i + 1));
});
