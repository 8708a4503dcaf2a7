import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { page, plain, sheet, text } from '../schema/defaults';
import type { Sheet } from '../schema/sheet';
import { alikeWording } from './alike';

/** Wording that two pieces share: copied outright, copied and changed a little, and honest work on the same task. */

const TASK = 'Write what the lugworm eats and how the tide covers the sand twice a day, in your own words.';
const piece = (said: string, more = '', at = { x: 40, y: 200 }): Sheet =>
  sheet({
    title: 'S',
    pages: [
      page({
        id: 'p',
        items: [
          text({ id: 'task', x: 20, y: 20, width: 400, body: plain(TASK) }),
          text({ id: 'own', touch: 'fill', ...at, width: 300, height: 90, body: plain(said) }),
          text({ id: 'more', touch: 'free', x: 400, y: 200, width: 300, height: 90, body: plain(more) }),
        ],
      }),
    ],
  });
const handedOut = piece('');
const AYO =
  'A lugworm lives in a bent burrow and swallows sand all day long. It keeps the tiny bits that it can eat and pushes the rest out as a coil.';
const BEA =
  'Lugworms eat mud. They take out what is good for them and leave little heaps of sand that you can see when the water has gone.';
const CHI =
  'The worm has a burrow that looks like the letter U, and at low water birds come to pull it out by its tail.';
const all = (...said: (string | Sheet)[]) =>
  alikeWording(
    said.map((one, i) => ({ id: `${i}`, sheet: typeof one === 'string' ? piece(one) : one })),
    handedOut,
  );

describe('two pieces are asked about', () => {
  test.each<[what: string, other: string | Sheet]>([
    ['where one is the other', AYO],
    ['in capitals and without full stops', AYO.toUpperCase().replaceAll('.', '')],
    ['with a word changed here and there', AYO.replace('tiny bits', 'little bits').replace('bent', 'curved')],
    ['with something of one’s own around it', `${CHI} ${AYO} That is how it lives.`],
    ['in another box, elsewhere on the page', piece('', AYO)],
    ['in the same box, moved', piece(AYO, '', { x: 90, y: 420 })],
    ['half of it', AYO.slice(0, 70)],
  ])('%s', (_, other) => {
    const found = all(AYO, BEA, other);
    expect([...found.keys()].sort()).toEqual(['0', '2']);
    expect(found.get('0')!.map(({ id }) => id)).toEqual(['2']);
    expect(found.get('2')![0].words).toBeGreaterThanOrEqual(12);
  });
  test('with the longest row that they share', () => {
    const [{ sample }] = all(AYO, `I think: ${AYO}`).get('1')!;
    expect(sample).toMatch(/^a lugworm lives in a bent burrow .* as a coil$/);
  });
  test('each with all it is like, the most alike first', () => {
    const found = all(AYO, AYO, `${AYO.slice(0, 75)} ${BEA}`, BEA);
    expect(found.get('0')!.map(({ id }) => id)).toEqual(['1', '2']);
    expect(found.get('3')!.map(({ id }) => id)).toEqual(['2']);
  });
});

describe('nobody is asked about', () => {
  test.each<[what: string, said: (string | Sheet)[]]>([
    ['honest answers to the same task', [AYO, BEA, CHI]],
    ['the words of the task', [TASK, `${TASK} ${TASK}`]],
    ['short answers, which are alike by themselves', ['The lugworm eats sand.', 'The lugworm eats sand.']],
    ['one short quotation in two long texts', [`${AYO} ${CHI}`, `${BEA} It keeps the tiny bits that it can eat.`]],
    ['empty boxes', ['', '']],
  ])('%s', (_, said) => expect(all(...said).size).toBe(0));
  test('what stands on the example', () => {
    const pieces = [0, 1].map((i) => ({ id: `${i}`, sheet: piece(AYO) }));
    expect(alikeWording(pieces, handedOut, [piece(AYO)]).size).toBe(0);
  });
});

test('of two copies of any text, whatever else stands around them, both are named', () => {
  const word = fc.stringMatching(/^[a-z]{3,9}$/);
  const words = (from: number, to: number) =>
    fc.array(word, { minLength: from, maxLength: to }).map((list) => list.join(' '));
  fc.assert(
    fc.property(words(20, 60), words(0, 15), words(0, 15), words(25, 40), (copied, before, after, other) => {
      const found = all(copied, `${before} ${copied} ${after}`, other);
      expect(found.get('0')?.map(({ id }) => id)).toContain('1');
      expect(found.get('1')?.map(({ id }) => id)).toContain('0');
      expect(found.get('2') ?? []).toEqual([]);
    }),
  );
});
