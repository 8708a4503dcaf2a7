import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import type { Saying } from '../../core/review/said';
import { saidNote } from '../../tests/support/said';
import { plainStorage } from '../../tests/support/storage';
import { keep, keptAt, keptWithin } from './kept';
import { asideOf, Draft, draftsOf, NotTaken, senderOf, Sound, soundOf } from './sender';

/** What a teacher says goes out once, in order, and never gets lost on its way. */

let answers: (() => Response | Promise<Response>)[] = [];
let sent: { path: string; go: string; steps: Saying[] }[] = [];
/** Goes that are with the student again. */
let shut = new Set<string>();
let count = 0;
let end: () => void = () => {};

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('localStorage', plainStorage());
  vi.stubGlobal('navigator', {});
  vi.stubGlobal('window', { addEventListener: vi.fn(), removeEventListener: vi.fn() });
  vi.stubGlobal('document', { addEventListener: vi.fn(), removeEventListener: vi.fn() });
  vi.stubGlobal('fetch', async (path: string, { body }: { body: string }) => {
    const said = JSON.parse(body) as { go: string; steps: Saying[] };
    sent.push({ path, ...said });
    return (shut.has(said.go) ? refused : (answers.shift() ?? taken))();
  });
  [answers, sent, shut] = [[], [], new Set()];
});
afterEach(() => {
  end();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const taken = () => Response.json({ taken: 1 });
const refused = () => Response.json({ message: 'This piece is with Ada again.' }, { status: 409 });
const gone = () => Promise.reject(new TypeError('Failed to fetch'));
const between = () => new Response('<html>bad gateway</html>', { status: 200 });

const spot = { page: 'p1', item: null, x: 1, y: 1 };
function begun() {
  const sender = senderOf(`teacher ${++count}`);
  end = sender.begin();
  const say = (goId: string, step: Saying) =>
    sender.say(goId, { handoutId: 'h', copyId: 'c', step, spot: 'body' in step ? spot : null });
  return { sender, say, rest: (ms = 0) => vi.advanceTimersByTimeAsync(ms) };
}
const mark = (level: number): Saying => ({ do: 'mark', row: 'neat', level });

describe('what is said', () => {
  test('goes out, in order, each go by itself', async () => {
    const { say, sender, rest } = begun();
    say('go-1', mark(0));
    say('go-1', mark(1));
    say('go-2', mark(2));
    say('go-1', mark(3));
    await rest();
    expect(sent.flatMap(({ go, steps }) => steps.map((step) => `${go} ${'level' in step ? step.level : ''}`))).toEqual([
      'go-1 0',
      'go-1 1',
      'go-1 3',
      'go-2 2',
    ]);
    expect(sent[0].path).toBe('/handouts/h/reading/c/said');
    expect(sender.waiting()).toEqual([]);
    expect(sender.state).toBe('idle');
  });
  test.each([
    ['the network is gone', gone],
    ['something in between answers', between],
    ['the server fails', () => Response.json({ message: 'Something went wrong.' }, { status: 500 })],
  ])('is kept while %s, and sent again', async (_, fails) => {
    answers = [fails, fails];
    const { say, sender, rest } = begun();
    say('go-1', mark(1));
    await rest();
    expect(sender.state).toBe('unreached');
    expect(sender.waiting('go-1')).toHaveLength(1);
    say('go-1', mark(2));
    await rest(4000);
    expect(sent.map(({ steps }) => steps.length)).toEqual([1, 2, 2]);
    expect(sender.waiting()).toEqual([]);
    expect(sender.state).toBe('idle');
  });
  test('waits while its teacher is signed out', async () => {
    answers = [() => Response.json({ message: 'You are signed out.' }, { status: 401 })];
    const { say, sender, rest } = begun();
    say('go-1', mark(1));
    await rest();
    expect(sender.state).toBe('signed out');
    await rest(1000);
    expect(sender.waiting()).toEqual([]);
  });
  test('that came too late is told; its words are a draft again, and hold back nothing', async () => {
    shut.add('go-1');
    const { say, sender, rest } = begun();
    say('go-1', saidNote('note-01', { body: 'Follow the line.' }));
    say('go-1', mark(1));
    say('go-2', mark(2));
    await rest();
    expect(sender.waiting()).toEqual([]);
    const at = sender.personId;
    expect(keptWithin(at, draftsOf('c'), Draft).map(({ value }) => value)).toMatchObject([
      { body: 'Follow the line.', spot, changes: false },
    ]);
    expect(keptWithin(at, asideOf('c'), NotTaken).map(({ value }) => value.what)).toEqual(['note', 'mark']);
    expect(sent.at(-1)).toMatchObject({ go: 'go-2' });
    expect(sender.stepsOn('go-1')).toEqual([]);
  });
  test('that was spoken goes out with its sound, which is kept until it has arrived, and stays with what came too late', async () => {
    const { sender, say, rest } = begun();
    const spoken = { seconds: 4, type: 'audio/webm' as const };
    const speak = (note: string, go: string) => {
      keep(sender.personId, soundOf(note), 'c291bmQ=');
      say(go, { ...saidNote(note, { body: '' }), spoken } as Saying);
    };
    const soundsKept = () => keptWithin(sender.personId, 'sounds/', Sound).map(({ value }) => value);
    answers = [gone];
    speak('note-1', 'go-1');
    await rest();
    expect(soundsKept()).toEqual(['c291bmQ=']);
    await rest(2000);
    expect(sent.at(-1)!.steps).toMatchObject([{ note: 'note-1', spoken, sound: 'c291bmQ=' }]);
    expect(soundsKept()).toEqual([]);

    shut.add('go-2');
    speak('note-2', 'go-2');
    await rest(2000);
    const [draft] = keptWithin(sender.personId, draftsOf('c'), Draft).map(({ value }) => value);
    expect(draft).toMatchObject({ body: '', spoken });
    expect(keptAt(sender.personId, soundOf(draft.note), Sound)).toBe('c291bmQ=');
    expect(soundsKept()).toHaveLength(1);
  });
  test('is known of until what is loaded has it', async () => {
    const { say, sender, rest } = begun();
    expect(sender.stepsOn('go-1')).toEqual([]);
    say('go-1', mark(1));
    expect(sender.stepsOn('go-1')).toMatchObject([{ step: mark(1), takenAt: null }]);
    const before = Date.now();
    await rest(5);
    const steps = sender.stepsOn('go-1');
    expect(steps).toMatchObject([{ step: mark(1) }]);
    expect(steps[0].takenAt).toBeGreaterThanOrEqual(before);
    expect(sender.stepsOn('go-1')).toBe(steps);
  });
  test('a go is settled when all of it is taken, and not while nobody answers', async () => {
    const { say, sender, rest } = begun();
    say('go-1', mark(1));
    const settled = sender.settled('go-1');
    await rest(100);
    expect(await settled).toBe(true);
    answers = Array.from({ length: 30 }, () => gone);
    say('go-1', mark(2));
    const not = sender.settled('go-1');
    await rest(3000);
    expect(await not).toBe(false);
    expect(sender.waiting('go-1')).toHaveLength(1);
  });
});
