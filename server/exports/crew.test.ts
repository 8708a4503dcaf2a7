import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, afterEach, beforeAll, expect, test } from 'vitest';
import { Crew, CrewProblem } from './crew';

/** A process that does what it is told, also what no process should. */
const SCRIPT = `
const hoard = [];
process.on('message', async (job) => {
  if (job.do === 'add') process.send({ ok: true, value: job.a + job.b });
  if (job.do === 'echo') process.send({ ok: true, value: job.bytes });
  if (job.do === 'who') process.send({ ok: true, value: process.pid });
  if (job.do === 'throw') process.send({ ok: false, name: 'PictureProblem', message: 'no' });
  if (job.do === 'abort') process.abort();
  if (job.do === 'hang') for (;;);
  if (job.do === 'eat') for (;;) hoard.push(Buffer.alloc(2 ** 23, 1)), await new Promise((r) => setTimeout(r, 5));
});`;
let folder: string;
let crew: Crew;
const crews: Crew[] = [];
const engage = (limits: object = {}) => {
  crew = new Crew(path.join(folder, 'work.cjs'), { most: 2, time: 60_000, memory: 250e6, waiting: 20, ...limits });
  crews.push(crew);
  return crew;
};
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'dappled-crew-'));
  writeFileSync(path.join(folder, 'work.cjs'), SCRIPT);
});
afterEach(() => Promise.all(crews.splice(0).map((one) => one.close())));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const why = (work: Promise<unknown>) =>
  work.then(
    () => 'done',
    (error: unknown) => (error instanceof CrewProblem ? error.why : (error as Error).name),
  );

test('work is done in processes of its own, bytes come back as bytes', async () => {
  engage();
  expect(await crew.run({ do: 'add', a: 2, b: 3 })).toBe(5);
  expect(await crew.run({ do: 'who' })).not.toBe(process.pid);
  expect(Buffer.from(await crew.run<Uint8Array>({ do: 'echo', bytes: Buffer.from([1, 2, 255]) }))).toEqual(
    Buffer.from([1, 2, 255]),
  );
  expect(await why(crew.run({ do: 'throw' }))).toBe('PictureProblem');
});

test('one that aborts is told to who asked, and replaced: all others are done', async () => {
  engage();
  const jobs = ['add', 'abort', 'add', 'add', 'abort', 'add'].map((what) => why(crew.run({ do: what, a: 1, b: 1 })));
  expect(await Promise.all(jobs)).toEqual(['done', 'ended', 'done', 'done', 'ended', 'done']);
});

test('one that never ends is stopped in its time, one that takes all memory before it has', async () => {
  engage({ time: 1500 });
  expect(await why(crew.run({ do: 'hang' }))).toBe('time');
  engage();
  expect(await why(crew.run({ do: 'eat' }))).toBe('memory');
  expect(await crew.run({ do: 'add', a: 1, b: 1 })).toBe(2);
});

test('work stops when nobody waits for it any more, begun or not', async () => {
  engage({ most: 1 });
  const [running, waiting] = [new AbortController(), new AbortController()];
  const both = [why(crew.run({ do: 'hang' }, running.signal)), why(crew.run({ do: 'hang' }, waiting.signal))];
  waiting.abort();
  expect(await both[1]).toBe('left');
  running.abort();
  expect(await both[0]).toBe('left');
  expect(await crew.run({ do: 'add', a: 1, b: 1 })).toBe(2);
  expect(await why(crew.run({ do: 'add', a: 1, b: 1 }, AbortSignal.abort()))).toBe('left');
});

test('only so many wait; the rest are told at once', async () => {
  engage({ most: 1, waiting: 2, time: 400 });
  const all = await Promise.all(Array.from({ length: 5 }, () => why(crew.run({ do: 'hang' }))));
  expect(all.filter((one) => one === 'busy')).toHaveLength(2);
});

test('closing ends whatever runs', async () => {
  engage();
  const hanging = why(crew.run({ do: 'hang' }));
  await crew.run({ do: 'add', a: 1, b: 1 });
  await crew.close();
  expect(await hanging).toBe('left');
  expect(await why(crew.run({ do: 'add', a: 1, b: 1 }))).toBe('left');
});
