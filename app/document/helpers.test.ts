import { beforeEach, expect, test, vi } from 'vitest';

/** A worker that answers when it is told to. */
class Slow {
  static all: Slow[] = [];
  onmessage: ((event: { data: unknown }) => void) | null = null;
  onerror: ((event: { message: string }) => void) | null = null;
  got: { id: number; kind: string; words?: string[] }[] = [];
  constructor() {
    Slow.all.push(this);
  }
  postMessage(task: { id: number; kind: string }) {
    this.got.push(task);
  }
  ended = false;
  terminate() {
    this.ended = true;
  }
  answer(data: unknown) {
    this.onmessage!({ data });
  }
}

beforeEach(() => {
  Slow.all = [];
  vi.resetModules();
  vi.stubGlobal('Worker', Slow);
});

test('a worker is started when it is first asked, and each answer finds its question', async () => {
  const { spelling } = await import('./helpers');
  expect(Slow.all).toHaveLength(0);
  const one = spelling.ask<'check'>({ kind: 'check', words: ['a'] });
  const two = spelling.ask<'check'>({ kind: 'check', words: ['b'] });
  const [worker] = Slow.all;
  expect(worker.got.map((task) => task.words)).toEqual([['a'], ['b']]);
  worker.answer({ id: worker.got[1].id, kind: 'check', wrong: ['b'] });
  worker.answer({ id: worker.got[0].id, kind: 'check', wrong: [] });
  expect([(await one).wrong, (await two).wrong]).toEqual([[], ['b']]);
  expect(Slow.all).toHaveLength(1);
});

test('what fails is told to who asked', async () => {
  const { spelling } = await import('./helpers');
  const asked = spelling.ask<'suggest'>({ kind: 'suggest', word: 'x', names: [] });
  Slow.all[0].answer({ id: Slow.all[0].got[0].id, kind: 'failed', reason: 'no dictionary' });
  await expect(asked).rejects.toThrow('no dictionary');
});

test('a worker that breaks fails all that wait, and the next question starts another', async () => {
  const { studio } = await import('./helpers');
  const picture = {} as never;
  const asked = studio.ask<'palette'>({ kind: 'palette', picture, count: 3 });
  Slow.all[0].onerror!({ message: 'out of memory' });
  await expect(asked).rejects.toThrow('out of memory');
  void studio.ask<'palette'>({ kind: 'palette', picture, count: 3 });
  expect(Slow.all).toHaveLength(2);
});

test('what takes long tells how far it is, and can be ended', async () => {
  const { makers } = await import('./helpers');
  const shares: number[] = [];
  const stop = new AbortController();
  const asked = makers.ask<'make'>(
    { kind: 'make', asked: {} as never, roles: {}, fonts: [], pictures: [] },
    { progress: (share) => shares.push(share), signal: stop.signal },
  );
  const [worker] = Slow.all;
  const [{ id }] = worker.got;
  worker.answer({ id, kind: 'progress', share: 0.25 });
  worker.answer({ id, kind: 'progress', share: 0.5 });
  stop.abort();
  expect(worker.got.at(-1)).toEqual({ id, kind: 'stop' });
  worker.answer({ id, kind: 'failed', reason: 'stopped' });
  await expect(asked).rejects.toThrow('stopped');
  expect(shares).toEqual([0.25, 0.5]);
});

test('one that says nothing for too long is ended and replaced; any sign of it gives it time', async () => {
  vi.useFakeTimers();
  try {
    const { makers } = await import('./helpers');
    const ask = () => makers.ask<'make'>({ kind: 'make', asked: {} as never, roles: {}, fonts: [], pictures: [] });
    const told = ask().then(
      () => 'made',
      (problem: Error) => problem.message,
    );
    const [worker] = Slow.all;
    for (let i = 0; i < 4; i++) {
      await vi.advanceTimersByTimeAsync(30_000);
      worker.answer({ id: worker.got[0].id, kind: 'progress', share: i / 10 });
    }
    expect(worker.ended).toBe(false);
    await vi.advanceTimersByTimeAsync(46_000);
    expect(worker.ended).toBe(true);
    expect(await told).toContain('took too long');
    const again = ask();
    Slow.all[1].answer({ id: Slow.all[1].got[0].id, kind: 'make' });
    expect(await again).toMatchObject({ kind: 'make' });
    // With nothing to do it may be silent.
    await vi.advanceTimersByTimeAsync(100_000);
    expect(Slow.all[1].ended).toBe(false);
  } finally {
    vi.useRealTimers();
  }
});
