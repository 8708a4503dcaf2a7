import { expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { shelfOf } from '../stores/pictures';
import { migrate, shippedMigrations } from './migrate';

test.each(DATABASES)('pictures of an older %s database have their sizes', async (_, open) => {
  const db = await open();
  await migrate(db, shippedMigrations().slice(0, 3));
  await db.query('insert into school (id, name) values ($1, $2)', ['s', 'School']);
  await db.query("insert into person (id, school_id, role, name) values ('t', 's', 'teacher', 'T')");
  await db.query(
    `insert into picture (id, school_id, owner_id, name, type, image, lines, drawn)
     values ('own/1', 's', 't', 'gull', 'image/png', '', '', $1::jsonb)`,
    [JSON.stringify({ width: 640, height: 480 })],
  );
  await migrate(db);
  expect(await shelfOf(db, 't')).toMatchObject([{ id: 'own/1', name: 'gull', width: 640, height: 480, section: '' }]);
  await db.close();
});
