import { mkdtempSync, readdirSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test, vi } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import type { ExportJob } from './job';
import type { Database } from '../database/connection';
import { Jobs } from '../jobs/jobs';
import { addPerson } from '../stores/people';
import { createSheet } from '../stores/sheets';
import type { Progress } from './crew';
import { CrewProblem } from './crew';
import type { Exporter } from './exporter';
import type { Wanted } from './exports';
import { Exports } from './exports';

/** What makes files, in the hands of the test: each waits until it is told how it ends. */
class Bench {
  made: { job: ExportJob; end: (bytes: Uint8Array | Error) => void; tell: (progress: Progress) => void }[] = [];
  run = (job: ExportJob, signal: AbortSignal, tell: (progress: Progress) => void): Promise<Uint8Array> =>
    new Promise((resolve, reject) => {
      signal.addEventListener('abort', () => reject(new CrewProblem('left', 'Stopped.')));
      this.made.push({ job, tell, end: (with_) => (with_ instanceof Error ? reject(with_) : resolve(with_)) });
    });
}

const PDF: Wanted = { as: 'pdf', side: 'students', page: 0 };
const until = (what: () => unknown) => vi.waitFor(what, { timeout: 10_000, interval: 20 });

describe.each(DATABASES)('files to take out, on the %s database', (_, open) => {
  let db: Database;
  let jobs: Jobs;
  let folder: string;
  let [teacher, other, sheet, damaged] = ['', '', '', ''];
  let bench: Bench;
  let exports: Exports;
  const begun = async (count: number) => until(() => expect(bench.made).toHaveLength(count));
  const stateOf = async (id: string, state: string) =>
    until(async () => expect(await exports.look(teacher, id)).toMatchObject({ state }));
  const bytesOf = async (id: string) => {
    const file = (await exports.file(teacher, id))!;
    const chunks: Buffer[] = [];
    for await (const chunk of file.open()) chunks.push(chunk as Buffer);
    return { name: file.name, type: file.type, text: Buffer.concat(chunks).toString() };
  };

  beforeAll(async () => {
    db = await open();
    const school = await SmallSchool.open(db);
    teacher = school.teacherId;
    other = await addPerson(db, { schoolId: school.schoolId, role: 'teacher', name: 'O', email: 'o@school.example' });
    const given = { schoolId: school.schoolId, ownerId: teacher, purpose: 'blank' as const };
    sheet = await createSheet(db, { ...given, sheet: { ...sampleSheet(), title: 'Żaba / 1' } });
    damaged = await createSheet(db, { ...given, sheet: sampleSheet() });
    await db.query(`update document set snapshot = '{}' where id = (select document_id from sheet where id = $1)`, [
      damaged,
    ]);
  });
  afterAll(() => db.close());
  beforeEach(async () => {
    folder = mkdtempSync(path.join(tmpdir(), 'dappled-exports-'));
    jobs = await Jobs.start(db, [], 1);
    bench = new Bench();
    exports = await Exports.start(db, jobs, bench as unknown as Exporter, folder);
  });
  afterEach(async () => {
    await jobs.stop();
    // What waits would be made by the next.
    await db.query(`delete from job.job where name = 'export'`);
    rmSync(folder, { recursive: true, force: true });
  });

  test('one is asked for, made, told how far it is, and fetched by whoever asked', async () => {
    const id = (await exports.ask(teacher, sheet, { ...PDF, side: 'key' }))!;
    await begun(1);
    expect(await exports.look(teacher, id)).toEqual({ state: 'making', progress: null });
    bench.made[0].tell({ done: 1, of: 3 });
    expect(await exports.look(teacher, id)).toEqual({ state: 'making', progress: { done: 1, of: 3 } });
    expect(await exports.file(teacher, id)).toBeNull();
    bench.made[0].end(Buffer.from('all of it'));
    await stateOf(id, 'ready');
    const file = await bytesOf(id);
    expect(file).toMatchObject({ type: 'application/pdf', text: 'all of it' });
    expect(file.name).toContain('(key).pdf');
    expect(file.name).not.toContain('/');
    // Nobody else is told of it, and what is no identity is none.
    expect(await exports.look(other, id)).toBeUndefined();
    expect(await exports.file(other, id)).toBeNull();
    for (const none of ['x', '../..', "' or 1=1", '00000000-0000-0000-0000-000000000000'])
      expect(await exports.look(teacher, none)).toBeUndefined();
  });

  test('what waits is not begun when it is stopped, what is under way ends; others can’t stop it', async () => {
    const [first, second] = [(await exports.ask(teacher, sheet, PDF))!, (await exports.ask(teacher, sheet, PDF))!];
    await begun(1);
    expect(await exports.look(teacher, second)).toEqual({ state: 'waiting' });
    await exports.stop(other, first);
    await exports.stop(other, second);
    expect(await exports.look(teacher, first)).toMatchObject({ state: 'making' });
    await exports.stop(teacher, second);
    await exports.stop(teacher, first);
    for (const id of [first, second]) expect(await exports.look(teacher, id)).toEqual({ state: 'stopped' });
    const third = (await exports.ask(teacher, sheet, PDF))!;
    await begun(2);
    bench.made[1].end(Buffer.from('x'));
    await stateOf(third, 'ready');
    expect(readdirSync(folder + '/exports')).toEqual([third]);
  });

  test('what goes wrong is told in words for the person, and the next is made', async () => {
    const report = vi.spyOn(console, 'error').mockImplementation(() => {});
    const ids = [];
    for (const end of [new CrewProblem('time', 'This took too long.'), new Error('select secret from person')]) {
      const id = (await exports.ask(teacher, sheet, PDF))!;
      await begun(ids.push(id));
      bench.made.at(-1)!.end(end);
      await stateOf(id, 'failed');
    }
    expect(await exports.look(teacher, ids[0])).toEqual({ state: 'failed', problem: 'This took too long.' });
    expect(JSON.stringify(await exports.look(teacher, ids[1]))).not.toContain('secret');
    for (const [of, words] of [
      ['none', 'no longer there'],
      [damaged, 'damaged'],
    ]) {
      const id = (await exports.ask(teacher, of, PDF))!;
      await stateOf(id, 'failed');
      expect(JSON.stringify(await exports.look(teacher, id))).toContain(words);
    }
    expect(await exports.ask(other, sheet, PDF).then((id) => id !== null)).toBe(true);
    expect(bench.made).toHaveLength(2);
    report.mockRestore();
  });

  test('those that wait are made right after one another', async () => {
    const ids: string[] = [];
    for (const person of [teacher, other, teacher, other, teacher]) ids.push((await exports.ask(person, sheet, PDF))!);
    for (let i = 1; i <= ids.length; i++) {
      // The other teacher does not own this sheet: theirs end without being made.
      if (i % 2 === 0) continue;
      await begun((i + 1) / 2);
      bench.made.at(-1)!.end(Buffer.from('x'));
    }
    for (const [i, id] of ids.entries()) if (i % 2 === 0) await stateOf(id, 'ready');
  });

  test('only three are under way for one person; another gets theirs', async () => {
    const ids = [];
    for (let i = 0; i < 3; i++) ids.push((await exports.ask(teacher, sheet, PDF))!);
    expect(await exports.ask(teacher, sheet, PDF)).toBeNull();
    expect(await exports.ask(other, sheet, PDF)).not.toBeNull();
    await exports.stop(teacher, ids[2]);
    expect(await exports.ask(teacher, sheet, PDF)).not.toBeNull();
  });

  test('what a program was at when it ended is told so by the next, on a database that is its own', async () => {
    const id = (await exports.ask(teacher, sheet, PDF))!;
    await begun(1);
    const next = await Exports.start(db, jobs, bench as unknown as Exporter, folder);
    const state = db.kind === 'embedded' ? 'failed' : 'making';
    expect(await next.look(teacher, id)).toMatchObject({ state });
  });

  test('what nobody looks for any more is stopped, and what waits behind it is not begun', async () => {
    const [first, second] = [(await exports.ask(teacher, sheet, PDF))!, (await exports.ask(teacher, sheet, PDF))!];
    await begun(1);
    const clock = vi.spyOn(Date, 'now').mockReturnValue(Date.now() + 80_000);
    const ended = `select count(*)::int as n from job.job where id::text = any($1) and state = 'completed'`;
    await until(async () => expect(await db.query(ended, [[first, second]])).toEqual([{ n: 2 }]));
    clock.mockRestore();
    for (const id of [first, second]) await stateOf(id, 'failed');
    expect(bench.made).toHaveLength(1);
  });

  test('files are thrown away after a while', async () => {
    const old = path.join(folder, 'exports', 'old');
    writeFileSync(old, 'x');
    utimesSync(old, 1, 1);
    writeFileSync(path.join(folder, 'exports', 'new'), 'x');
    await exports.ask(teacher, sheet, PDF);
    expect(readdirSync(path.join(folder, 'exports'))).toEqual(['new']);
  });
});
