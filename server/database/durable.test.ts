import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { PowerCut } from '../../tests/support/power-cut';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import { loadDocument } from '../stores/documents';
import { openEmbedded } from './embedded';
import { migrate } from './migrate';

/** Acknowledged means on disk: syncs are counted, and the power is cut. */

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'dappled-durable-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

test('each acknowledged batch is forced to disk, those that wait share one', { timeout: 120_000 }, async () => {
  const cut = new PowerCut(path.join(folder, 'data/pglite'), folder);
  const db = await openEmbedded(path.join(folder, 'data'), cut.onSync);
  const school = await SmallSchool.open(db);
  const students = await Promise.all(Array.from({ length: 12 }, (_, i) => school.student(`S${i}`)));
  const handout = await school.handOut(sampleSheet());
  const copies = await Promise.all(students.map((id) => school.copy(handout, id)));
  const since = (before: number) => cut.syncs.file - before;

  let before = cut.syncs.file;
  for (let i = 0; i < 10; i++) await school.save(copies[0], i, [{ kind: 'set', id: 'box', values: { x: i } }]);
  expect(since(before)).toBeGreaterThanOrEqual(10);
  before = cut.syncs.file;
  await Promise.all(
    copies.slice(1).map((copy) => school.save(copy, 0, [{ kind: 'set', id: 'box', values: { x: 1 } }])),
  );
  expect(since(before)).toBeGreaterThanOrEqual(1);
  expect(since(before)).toBeLessThan(11);
  before = cut.syncs.file;
  for (const copy of copies) await loadDocument(db, copy.documentId);
  // Nothing is written by reading.
  await db.transaction((tx) => tx.query('select 1'));
  expect(since(before)).toBe(0);
  await db.close();
});

test('a power cut loses nothing that was acknowledged, at any moment', { timeout: 120_000 }, async () => {
  const data = path.join(folder, 'data');
  const cut = new PowerCut(path.join(data, 'pglite'), folder);
  const db = await openEmbedded(data, cut.onSync);
  await migrate(db);
  await db.query('create table kept (id integer primary key, words text)');
  let acknowledged = 0;
  for (let round = 0; round < 2; round++) {
    for (let i = 0; i < 60; i++) {
      await db.query('insert into kept values ($1, $2)', [acknowledged, `${acknowledged} `.repeat(400)]);
      acknowledged++;
    }
    // New files, and files that are forced out in between.
    await db.script(`create table round_${round} (id integer); insert into round_${round} values (1);`);
    if (round % 2) await db.query('checkpoint');
    // Begun, but not acknowledged, when the power goes.
    const late = db.query('insert into kept values ($1, $2)', [1_000_000 + round, 'late']);
    const left = path.join(folder, `left-${round}`);
    mkdirSync(left);
    cut.leave(path.join(left, 'pglite'));
    await late;
    const again = await openEmbedded(left);
    const [{ count, most }] = await again.query<{ count: number; most: number }>(
      'select count(*)::int as count, max(id) as most from kept where id < 1000000',
    );
    expect([count, most]).toEqual([acknowledged, acknowledged - 1]);
    const rows = await again.query<{ words: string }>('select words from kept where id = $1', [acknowledged - 1]);
    expect(rows[0].words).toHaveLength(`${acknowledged - 1} `.length * 400);
    expect(await again.query(`select id from round_${round}`)).toEqual([{ id: 1 }]);
    await again.close();
  }
  await db.close();
});
