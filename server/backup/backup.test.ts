import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { ownPicture } from '../../tests/support/own';
import { SmallSchool } from '../../tests/support/school';
import { saidNote } from '../../tests/support/said';
import { sampleSheet } from '../../tests/support/sheets';
import { plain } from '../../core/schema/defaults';
import { dailyWork, KEPT } from '../services/daily';
import type { Database } from '../database/connection';
import { openEmbedded } from '../database/embedded';
import { Jobs } from '../jobs/jobs';
import { handIn } from '../stores/goes';
import { keepPicture } from '../stores/pictures';
import { sayOn } from '../stores/reviews';
import { namesIn, openSession } from '../stores/sign-in';
import { restoreInto } from './restore';
import { backupOf } from './run';
import { LEFT_OUT, TABLES } from './tables';
import { readBackup, writeBackup } from './write';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'dappled-backup-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** All rows of a database that a backup holds, as text. */
const contents = async (db: Database) => {
  const out: Record<string, string[]> = {};
  for (const table of TABLES)
    out[table] = (await db.query<{ row: string }>(`select t::text as row from "${table}" t`))
      .map(({ row }) => row)
      .sort();
  return out;
};

async function filled(db: Database): Promise<SmallSchool> {
  const school = await SmallSchool.open(db);
  const student = await school.student('Éva 😀 “Ž”, \\n; O’Neill');
  const handout = await school.handOut(sampleSheet());
  const copy = await school.copy(handout, student);
  await school.save(copy, 0, [{ kind: 'splice', id: 'words', at: 0, remove: 0, insert: plain('Ελλάδα \\ "x"\nżółw') }]);
  await handIn(db, copy, 1);
  const [{ id: goId }] = await db.query<{ id: string }>('select id from go');
  const teacher = { copyId: copy.id, goId, authorId: school.teacherId };
  await sayOn(db, teacher, [saidNote('note-01', { x: 1.5, y: 2, body: 'Look' })]);
  const drawn = ownPicture(`own/${'ab'.repeat(16)}`, { name: 'gull' });
  const image = Buffer.from([0, 255, 10, 13, 92, 39]);
  await keepPicture(
    db,
    { schoolId: school.schoolId, ownerId: school.teacherId },
    {
      drawn,
      colours: ['grey'],
      pixels: { type: 'image/jpeg', image, screen: null, lines: image },
      leftOut: [],
    },
  );
  await namesIn(db, school.classId);
  return school;
}

describe.each(DATABASES)('a backup of the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let file: string;
  beforeAll(async () => {
    db = await open();
    school = await filled(db);
    file = path.join(mkdtempSync(path.join(folder, 'b-')), 'one.backup');
    await writeBackup(db, file);
  });
  afterAll(() => db.close());

  test('holds every table, but for what is of the moment only', async () => {
    const all = await db.query<{ name: string }>(
      `select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'`,
    );
    expect(all.map(({ name }) => name).sort()).toEqual([...TABLES, ...LEFT_OUT].sort());
  });

  test.each(DATABASES)('restored into the %s one, holds the same rows, and nobody is signed in', async (__, into) => {
    await openSession(db, school.teacherId, 'teacher');
    const other = await into();
    await restoreInto(other, file);
    expect(await contents(other)).toEqual(await contents(db));
    expect(await other.query('select 1 from session')).toEqual([]);
    await other.close();
  });

  test('that is not whole, or none, is refused', async () => {
    const whole = gunzipSync(readFileSync(file)).toString();
    const bad = (name: string, bytes: Buffer) => {
      const place = path.join(path.dirname(file), name);
      writeFileSync(place, bytes);
      return readBackup(place, {});
    };
    await expect(bad('cut', gzipSync(whole.slice(0, whole.lastIndexOf('{"end"'))))).rejects.toThrow(/not whole/);
    await expect(bad('short', readFileSync(file).subarray(0, 400))).rejects.toThrow(/can’t be read|not whole/);
    await expect(bad('changed', gzipSync(whole.replace('Look', 'Lock')))).rejects.toThrow(/not whole/);
    await expect(bad('other', gzipSync('{"what":1}\n'))).rejects.toThrow(/not a backup/);
    await expect(bad('text', Buffer.from('hello'))).rejects.toThrow(/can’t be read/);
    const newer = whole.replace('"version":1', '"version":9');
    await expect(bad('newer', gzipSync(newer))).rejects.toThrow(/newer version/);
    await expect(readBackup('/nowhere', {})).rejects.toThrow(/can’t be read/);
  });

  test('is made every day by a job, and only so many are kept', async () => {
    const dataDir = mkdtempSync(path.join(folder, 'd-'));
    let day = 0;
    const daily = dailyWork(
      db,
      dataDir,
      (to) => writeBackup(db, to),
      () => `2026-01-${String(++day).padStart(2, '0')}`,
    );
    for (let i = 0; i < KEPT + 3; i++) await daily[0].work();
    const kept = readdirSync(path.join(dataDir, 'backups')).sort();
    expect(kept).toHaveLength(KEPT);
    expect(kept[0]).toBe('daily-2026-01-04.backup');
    await daily[1].work();
    // By the clock: each is a job of its own in the database.
    let done = 0;
    const jobs = await Jobs.start(db, [{ name: 'tried', at: '0 0 1 1 *', work: async () => void done++ }], 0.5);
    await jobs.now('tried');
    await expect.poll(() => done, { timeout: 20_000 }).toBe(1);
    await jobs.stop();
  });
});

test('of an embedded database that is written to, is of one moment', { timeout: 60_000 }, async () => {
  const dataDir = mkdtempSync(path.join(folder, 'live-'));
  const db = await openEmbedded(dataDir);
  await filled(db);
  await db.script('create table one (n integer); create table two (n integer)');
  let going = true;
  const writing = (async () => {
    for (let i = 0; going; i++)
      await db.transaction(async (tx) => {
        await tx.query('insert into one values ($1)', [i]);
        await tx.query('insert into two values ($1)', [i]);
      });
  })();
  const copies: number[][] = [];
  await backupOf(db, { dataDir }, path.join(folder, 'live.backup'), async (source, file) => {
    const copy = await openEmbedded((source as { copy: string }).copy);
    const [counts] = await copy.query<{ a: number; b: number }>(
      'select (select count(*) from one)::int as a, (select count(*) from two)::int as b',
    );
    copies.push([counts.a, counts.b]);
    const end = await writeBackup(copy, file);
    await copy.close();
    return end;
  });
  going = false;
  await writing;
  expect(copies[0][0]).toBe(copies[0][1]);
  expect(readdirSync(dataDir).filter((name) => name.startsWith('copying-'))).toEqual([]);
  await db.close();
});
