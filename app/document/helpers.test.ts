import { beforeEach, expect, test, vi } from 'vitest';
import { workerOf } from '../../tests/support/worker';

/** What the worker was asked, to be answered when a test says so. */
type Asked = {
  args: unknown[];
  answer: (value: unknown) => void;
  refuse: (reason: string) => void;
};
let asked: Asked[];
let stopped: number[];
const wait = (...args: unknown[]) =>
  new Promise((answer, reject) => asked.push({ args, answer, refuse: (reason) => reject(new Error(reason)) }));
const Fake = workerOf(() => ({
  check: wait,
  suggest: wait,
  palette: wait,
  make: wait,
  stop: (run: number) => void stopped.push(run),
}));

beforeEach(() => {
  Fake.all = [];
  asked = [];
  stopped = [];
  vi.resetModules();
  vi.stubGlobal('Worker', Fake);
});
const count = (n: number) => vi.waitFor(() => expect(asked).toHaveLength(n));
const task = { asked: {} as never, roles: {}, fonts: [], pictures: [] };

test('a worker is started when it is first asked, and each answer finds its question', async () => {
  const { spelling } = await import('./helpers');
  expect(Fake.all).toHaveLength(0);
  const one = spelling.ask((worker) => worker.check(['a']));
  const two = spelling.ask((worker) => worker.check(['b']));
  await count(2);
  expect(asked.map(({ args }) => args)).toEqual([[['a']], [['b']]]);
  asked[1].answer(['b']);
  asked[0].answer([]);
  expect([await one, await two]).toEqual([[], ['b']]);
  expect(Fake.all).toHaveLength(1);
});

test('what fails is told to who asked', async () => {
  const { spelling } = await import('./helpers');
  const suggested = spelling.ask((worker) => worker.suggest('x', []));
  await count(1);
  asked[0].refuse('no dictionary');
  await expect(suggested).rejects.toThrow('no dictionary');
});

test('a worker that breaks fails all that wait, and the next question starts another', async () => {
  const { studio } = await import('./helpers');
  const ask = () => studio.ask((worker) => worker.palette({} as never, 3));
  const both = [ask(), ask()];
  await count(2);
  Fake.all[0].fail('out of memory');
  for (const one of both) await expect(one).rejects.toThrow('out of memory');
  expect(Fake.all[0].ended).toBe(true);
  const again = ask();
  await count(3);
  asked[2].answer(['#123456']);
  expect(await again).toEqual(['#123456']);
  expect(Fake.all).toHaveLength(2);
});

test('what takes long tells how far it is, and can be ended', async () => {
  const { makers } = await import('./helpers');
  const shares: number[] = [];
  const stop = new AbortController();
  const made = makers.ask((worker, { run, tell }) => worker.make(task, run, tell), {
    progress: (share) => shares.push(share),
    signal: stop.signal,
  });
  await count(1);
  const [, run, tell] = asked[0].args as [unknown, number, (share: number) => Promise<void>];
  await tell(0.25);
  await tell(0.5);
  stop.abort();
  await vi.waitFor(() => expect(stopped).toEqual([run]));
  asked[0].refuse('stopped');
  await expect(made).rejects.toThrow('stopped');
  expect(shares).toEqual([0.25, 0.5]);
});

test('one that says nothing for too long is ended and replaced; any sign of it gives it time', async () => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  // Messages come in real time.
  const messages = () => new Promise((go) => setImmediate(go));
  const until = async (done: () => boolean) => {
    while (!done()) await messages();
  };
  try {
    const { makers } = await import('./helpers');
    const ask = () => makers.ask((worker, { run, tell }) => worker.make(task, run, tell));
    const told = ask().then(
      () => 'made',
      (problem: Error) => problem.message,
    );
    await until(() => asked.length === 1);
    const tell = asked[0].args[2] as (share: number) => Promise<void>;
    for (let i = 0; i < 4; i++) {
      vi.advanceTimersByTime(30_000);
      await tell(i / 10);
    }
    expect(Fake.all[0].ended).toBe(false);
    vi.advanceTimersByTime(46_000);
    expect(Fake.all[0].ended).toBe(true);
    expect(await told).toContain('took too long');
    const again = ask();
    await until(() => asked.length === 2);
    asked[1].answer({ lost: true });
    expect(await again).toEqual({ lost: true });
    // With nothing to do it may be silent.
    vi.advanceTimersByTime(100_000);
    expect(Fake.all[1].ended).toBe(false);
  } finally {
    vi.useRealTimers();
  }
});
