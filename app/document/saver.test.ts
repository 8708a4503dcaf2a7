import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { sampleSheet, typed } from '../../tests/support/sheets';
import type { Change } from '../../core/changes/change';
import type { TextItem } from '../../core/schema/sheet';
import { bodyText } from '../../core/text/body';
import { find } from '../../core/sheet/tree';
import type { Sheet } from '../../core/schema/sheet';
import type { SaveState } from './save-state';
import { Saver } from './saver';
import type { Aside, Pending, Slot } from '../keeping/vault';

/** The saver against a server that answers, keeps silent, or says no. */

const wordsOf = (sheet: Sheet) => bodyText((find(sheet, 'words')!.item as TextItem).body);

type Sent = { base: number; batch: string; changes: Change[] };
let sent: Sent[];
let answer: (body: Sent) => Response | Promise<Response>;
let missed: () => Promise<Response>;
let kept: Pending | undefined;
let atOnce: Pending | undefined;
let setAside: readonly Aside[];
/** What second windows left behind. */
let orphans: Pending[];
let told: { states: SaveState[]; notices: string[]; sheets: Sheet[] };
const slot = () =>
  ({
    keepNow: (pending: Pending) => (atOnce = pending),
    forgetNow: () => (atOnce = undefined),
    left: () =>
      Promise.resolve([
        ...(kept ? [{ pending: kept, own: true, forget: () => Promise.resolve() }] : []),
        ...orphans.map((pending) => ({
          pending,
          own: false,
          forget: () => Promise.resolve(void (orphans = orphans.filter((one) => one !== pending))),
        })),
      ]),
    aside: () => Promise.resolve([]),
    keepAside: (aside: readonly Aside[]) => Promise.resolve(void (setAside = aside)),
    keepPending: (pending: Pending) => {
      kept =
        pending.sent || pending.queue.length > 0
          ? { base: pending.base, sent: pending.sent, queue: pending.queue }
          : undefined;
      return Promise.resolve();
    },
  }) as unknown as Slot;

beforeEach(() => {
  vi.useFakeTimers();
  atOnce = undefined;
  setAside = [];
  [sent, kept, orphans, told] = [[], undefined, [], { states: [], notices: [], sheets: [] }];
  answer = ({ base, changes }) => Response.json({ outcome: 'saved', seq: base + changes.length });
  missed = () => Promise.resolve(Response.json({ seq: 0, missed: [] }));
  vi.stubGlobal('window', { addEventListener() {}, removeEventListener() {} });
  vi.stubGlobal('document', { addEventListener() {}, removeEventListener() {}, visibilityState: 'visible' });
  vi.stubGlobal('fetch', async (url: string, options?: { body: string; signal: AbortSignal }) => {
    if (url === '/healthz') return Response.json({ ready: true });
    if (!options?.body) return missed();
    const body = JSON.parse(options.body) as Sent;
    sent.push(body);
    return Promise.race([
      answer(body),
      new Promise<never>((_, fail) => options.signal.addEventListener('abort', () => fail(new Error('ended')))),
    ]);
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

async function open(seq = 0, sheet = sampleSheet()) {
  const saver = new Saver('doc', { seq, sheet }, slot(), {
    sheet: (now) => told.sheets.push(now),
    state: (state) => told.states.push(state),
    notice: (text) => told.notices.push(text),
    results: () => {},
    aside: () => {},
  });
  const shown = await saver.start();
  return { saver, shown };
}
const wait = (time: number) => vi.advanceTimersByTimeAsync(time);
const state = () => told.states.at(-1);

test('sends what was done in one batch after a moment, and says when it is saved', async () => {
  const { saver } = await open();
  saver.push(typed(0, 'a'));
  saver.push(typed(1, 'b'));
  expect(state()).toEqual({ kind: 'saving' });
  expect(kept).toBeDefined();
  await wait(400);
  expect(sent).toMatchObject([{ base: 0, changes: [typed(0, 'ab')] }]);
  expect(state()).toMatchObject({ kind: 'saved' });
  expect(kept).toBeUndefined();
  saver.stop();
});

test('keeps everything while nobody answers, and sends the same batch again', async () => {
  answer = () => Promise.reject(new Error('no network'));
  const { saver } = await open();
  saver.push(typed(0, 'a'));
  await wait(400);
  saver.push(typed(1, 'b'));
  expect(state()).toEqual({ kind: 'offline', waiting: 2, trouble: false });
  await wait(1500);
  answer = ({ base, changes }) => Response.json({ outcome: 'saved', seq: base + changes.length });
  await wait(10_000);
  expect(new Set(sent.slice(0, -1).map((batch) => batch.batch)).size).toBe(1);
  expect(sent.at(-1)).toMatchObject({ base: 1, changes: [typed(1, 'b')] });
  expect(state()).toMatchObject({ kind: 'saved' });
  saver.stop();
});

test('an answer that does not come is not waited for without end; the same batch goes out again', async () => {
  const first = answer;
  answer = () => new Promise(() => {});
  const { saver } = await open();
  saver.push(typed(0, 'a'));
  await wait(29_000);
  expect(state()).toEqual({ kind: 'saving' });
  answer = first;
  await wait(3000);
  expect(state()).toMatchObject({ kind: 'saved' });
  expect(sent).toHaveLength(2);
  expect(sent[1].batch).toBe(sent[0].batch);
  saver.stop();
});

test('a sheet opens although nobody can tell what was missed, with what a closed window left', async () => {
  kept = { base: 0, sent: null, queue: [typed(0, 'a')] };
  missed = () => Promise.reject(new Error('no network'));
  const { saver, shown } = await open(1);
  expect(wordsOf(shown)).toMatch(/^a/);
  saver.stop();
});

test('says that it is the server’s trouble when that can’t save (a full disk), and keeps the changes', async () => {
  answer = () => new Response('oh no', { status: 500 });
  const { saver } = await open();
  saver.push(typed(0, 'a'));
  await wait(400);
  expect(state()).toEqual({ kind: 'offline', waiting: 1, trouble: true });
  expect(kept!.sent!.changes).toHaveLength(1);
  saver.stop();
});

test('puts its own on top when others were quicker, and sends it again', async () => {
  const theirs = { batch: 'theirs', change: typed(0, 'zero ') };
  answer = ({ base }) =>
    base === 0
      ? Response.json({ outcome: 'behind', seq: 1, missed: [theirs] })
      : Response.json({ outcome: 'saved', seq: 2 });
  const { saver } = await open();
  saver.push(typed(3, '!'));
  await wait(2000);
  expect(wordsOf(told.sheets[0])).toBe('zero one! two\nthree');
  expect(sent.at(-1)).toMatchObject({ base: 1, changes: [typed(8, '!')] });
  saver.stop();
});

test('drops only the change that is refused, and says why', async () => {
  answer = ({ changes, base }) =>
    changes.length > 1
      ? Response.json({ outcome: 'refused', index: 0, reason: 'Your teacher has fixed this part.' })
      : Response.json({ outcome: 'saved', seq: base + 1 });
  const { saver } = await open();
  saver.push({ kind: 'set', id: 'box', values: { x: 1 } });
  saver.push(typed(0, 'a'));
  await wait(2000);
  expect(told.notices).toEqual(['A change of yours could not be saved: Your teacher has fixed this part.']);
  expect(sent.at(-1)!.changes).toEqual([typed(0, 'a')]);
  saver.stop();
});

test('stops for good when the copy is handed in or the person signed out', async () => {
  answer = () => Response.json({ message: 'This copy is handed in.' }, { status: 409 });
  const { saver } = await open();
  saver.push(typed(0, 'a'));
  await wait(400);
  expect(state()).toEqual({ kind: 'stopped', reason: 'This copy is handed in.' });
  await wait(30_000);
  expect(sent).toHaveLength(1);
  saver.stop();
});

test('takes up what a closed window left, under the batch’s own name', async () => {
  kept = { base: 0, sent: { batch: 'left-behind', changes: [typed(0, 'a')] }, queue: [typed(1, 'b')] };
  const { saver, shown } = await open();
  expect(wordsOf(shown)).toBe('abone two\nthree');
  await wait(1000);
  expect(sent[0].batch).toBe('left-behind');
  expect(await saver.settled()).toBe(2);
  saver.stop();
});

test('a window that closes leaves what is unsent for the next', async () => {
  let release: (response: Response) => void = () => {};
  answer = () => new Promise((resolve) => (release = resolve));
  const { saver } = await open();
  saver.push(typed(0, 'a'));
  await wait(400);
  saver.stop();
  release(Response.json({ outcome: 'saved', seq: 1 }));
  await wait(1000);
  expect(kept!.sent!.changes).toEqual([typed(0, 'a')]);
});

test('what is unsent when the page goes is kept at once; what is sent is not', async () => {
  const { saver } = await open();
  saver.leave();
  expect(atOnce).toBeUndefined();
  saver.push(typed(0, 'a'));
  saver.leave();
  expect(atOnce).toMatchObject({ base: 0, queue: [typed(0, 'a')] });
  saver.back();
  expect(atOnce).toBeUndefined();
  await wait(400);
  saver.leave();
  expect(atOnce).toBeUndefined();
  saver.stop();
});

test('takes up what second windows left as well, each on top of the other', async () => {
  kept = { base: 0, sent: null, queue: [typed(0, 'a')] };
  orphans = [{ base: 0, sent: { batch: 'other', changes: [typed(3, '!')] }, queue: [typed(4, '?')] }];
  const { saver, shown } = await open();
  expect(wordsOf(shown)).toBe('aone!? two\nthree');
  await wait(1000);
  expect(sent.flatMap((batch) => batch.changes)).toHaveLength(3);
  saver.stop();
});

/** A server that takes batches of what it can take, and answers with `status` to those that hold a change it can't. */
const failsWith = (word: string, status: number) => {
  let seq = 0;
  answer = ({ changes }) => {
    if (JSON.stringify(changes).includes(word)) return Response.json({ message: 'no' }, { status });
    return Response.json({ outcome: 'saved', seq: (seq += changes.length) });
  };
};
const moves = (count: number): Change[] =>
  Array.from({ length: count }, (_, i) => ({ kind: 'set', id: i % 2 ? 'box' : 'label', values: { x: i } }));

test('thousands of changes made offline go out in slices, in their order', async () => {
  answer = () => Promise.reject(new Error('no network'));
  const { saver } = await open();
  for (const change of moves(2600)) saver.push(change);
  await wait(400);
  failsWith('nothing', 500);
  sent = [];
  await wait(60_000);
  expect(Math.max(...sent.map(({ changes }) => changes.length))).toBeLessThanOrEqual(300);
  expect(sent.flatMap(({ changes }) => changes)).toEqual(moves(2600));
  expect(state()).toMatchObject({ kind: 'saved' });
  saver.stop();
});

test.each([400, 413, 500])(
  'one change that can’t be saved (%i) is set aside, and holds back no other',
  async (status) => {
    failsWith('poison', status);
    const { saver } = await open();
    const poison = { kind: 'set', id: 'box', values: { alt: 'poison' } } as Change;
    const all = [...moves(20), poison, ...moves(15)];
    for (const change of all) saver.push(change);
    await wait(300_000);
    expect(setAside.map(({ change }) => change)).toEqual([poison]);
    const saved = sent.filter(({ changes }) => !JSON.stringify(changes).includes('poison'));
    expect(saved.flatMap(({ changes }) => changes)).toEqual([...moves(20), ...moves(15)]);
    expect(state()).toMatchObject({ kind: 'saved' });
    expect(kept).toBeUndefined();
    saver.stop();
  },
);

test('nothing is set aside while the server as a whole is in trouble', async () => {
  answer = () => Response.json({}, { status: 503 });
  const { saver } = await open();
  for (const change of moves(5)) saver.push(change);
  await wait(300_000);
  expect(setAside).toEqual([]);
  expect(kept?.sent?.changes).toHaveLength(5);
  expect(state()).toMatchObject({ kind: 'offline', trouble: true });
  saver.stop();
});

test('what others do is fetched as it is heard of, also what is heard of while that is on its way', async () => {
  const { saver } = await open();
  const theirs = [typed(0, 'a'), typed(1, 'b'), typed(2, 'c')];
  let log: Change[] = [];
  let asked = 0;
  let arrive = () => {};
  // Each answer knows what was there when it was asked for, and comes late.
  missed = () => {
    asked++;
    const known = log.map((change, i) => ({ seq: i + 1, batch: `t-${i}`, change }));
    return new Promise<void>((resolve) => (arrive = resolve)).then(() =>
      Response.json({ seq: known.length, missed: known.slice(saver.outboxNow.base) }),
    );
  };
  log = theirs.slice(0, 1);
  saver.heard(1);
  log = theirs;
  saver.heard(2);
  saver.heard(3);
  arrive();
  await wait(0);
  arrive();
  await wait(0);
  expect(wordsOf(saver.sheetNow)).toMatch(/^abc/);
  expect([asked, saver.outboxNow.base]).toEqual([2, 3]);
  // One's own change is announced too: that asks for nothing.
  saver.push(typed(3, 'd'));
  await wait(400);
  saver.heard(4);
  await wait(0);
  expect([asked, saver.outboxNow.base]).toEqual([2, 4]);
  saver.stop();
});
test('while others work on the sheet, a change goes out after a blink', async () => {
  const { saver } = await open();
  saver.together = true;
  saver.push(typed(0, 'a'));
  await wait(80);
  expect(sent).toHaveLength(1);
  saver.stop();
});
