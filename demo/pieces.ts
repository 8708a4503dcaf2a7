import type { StampName } from '../core/review/said';
import { labelOf } from './sheets';

/** What the students made of the heron: right, nearly right, misspelt, on the wrong part, half empty, and one copied. */

export type Words = Record<string, string>;
/** Where the copy is now, after its last go. */
export type Fate = 'done' | 'handed-in' | 'another-go' | 'under-way' | 'not-begun';
export type Piece = {
  fate: Fate;
  words: Words;
  /** A second go after the first came back: what was changed. */
  again?: Words;
  /** What the teacher wrote on the (first) go. */
  notes?: [item: string, body: string][];
  /** What the teacher drew beside that: a ring around an item, or a stamp at its corner. */
  ink?: [item: string, how: 'ring' | StampName][];
  /** An answer that its teacher counts as right all the same, and why. */
  accepted?: [item: string, reason: string];
  marks?: Record<string, number>;
  /** What came onto the piece in one go. */
  pasted?: string;
  /** Minutes of work, and how long ago it was handed in, in hours. */
  minutes?: number;
  ago?: number;
};

const right: Words = {
  crest: 'crest',
  wing: 'wing',
  tail: 'tail',
  leg: 'leg',
  eye: 'eye',
  bill: 'bill',
  neck: 'neck',
  plumes: 'plumes',
  toes: 'toes',
};
const but = (changes: Words, without: string[] = []): Words =>
  Object.fromEntries(Object.entries({ ...right, ...changes }).filter(([part]) => !without.includes(part)));
const swapped = { neck: 'plumes', plumes: 'neck' };

/** What their teacher writes again and again, the kinds of look-fors it is about, and whether colleagues have it, too. */
export const PHRASES: [body: string, about: string[], shared: boolean][] = [
  ['Follow the line to its dot: what is there?', ['labels'], true],
  ['One word of the bank is left. Where does it go?', ['labels'], true],
  ['Say it in a whole sentence, with because.', ['words'], true],
  ['What would happen if its legs were short?', ['words'], false],
  ['Read it aloud once, then mend what sounds odd.', ['spelt'], false],
  ['Neatly done. That is easy to read.', [], false],
];
/** A colleague's, shared. */
export const COLLEAGUES_PHRASES = ['Look at the picture again, from top to bottom.', 'Which word did you mean here?'];

export const HERON_PIECES: Record<string, Piece> = {
  'Ayo Bankole': {
    fate: 'another-go',
    words: { ...but({ ...swapped, crest: 'crest' }, ['toes']), name: 'Ayo', why: 'So it can stand in the water.' },
    notes: [
      [labelOf('neck'), 'Follow the line to its dot: what is there?'],
      [labelOf('toes'), 'One word of the bank is left. Where does it go?'],
    ],
    ink: [
      [labelOf('neck'), 'ring'],
      ['why', 'sprout'],
    ],
    marks: { names: 1, why: 1 },
    minutes: 12,
    ago: 30,
  },
  'Bea Lindgren': {
    fate: 'done',
    words: { ...right, name: 'Bea L', why: 'With long legs it can wade into deep water and keep its feathers dry.' },
    notes: [['why', 'A good reason, clearly said.']],
    ink: [['why', 'star']],
    marks: { names: 3, why: 3, neat: 3 },
    minutes: 16,
    ago: 50,
  },
  'Chidi Mbeki': {
    fate: 'handed-in',
    words: {
      ...but({ crest: 'crset', plumes: 'plums' }),
      name: 'Chidi',
      why: 'The legs are long so the heron can stand in deep water to fish.',
    },
    minutes: 18,
    ago: 27,
  },
  'Dara Kowal': {
    fate: 'handed-in',
    words: { ...but({ ...swapped, wing: 'tail', tail: 'wing' }), name: 'Dara', why: 'to walk' },
    again: { wing: 'wing', tail: 'tail', why: 'Because it walks in the water where the fish are and stays dry.' },
    notes: [
      [labelOf('wing'), 'Wing and tail have changed places. Which one is folded over the back?'],
      ['why', 'Say it in a whole sentence: it needs long legs because …'],
    ],
    ink: [
      [labelOf('wing'), 'ring'],
      [labelOf('tail'), 'ring'],
      [labelOf('wing'), 'eye'],
    ],
    marks: { names: 0, why: 0 },
    minutes: 21,
    ago: 26,
  },
  'Eun-ji Park': {
    fate: 'done',
    words: { ...right, name: 'Eun-ji Park', why: 'It hunts standing in water, and long legs keep its body above it.' },
    notes: [['why', 'I like “keep its body above it”.']],
    ink: [['why', 'bulb']],
    marks: { names: 3, why: 3, neat: 3 },
    minutes: 14,
    ago: 49,
  },
  'Farah Siddiqi': {
    fate: 'handed-in',
    words: { ...but({ bill: 'beak' }), name: 'Farah', why: 'Long legs help it to wade and catch fish in the pools.' },
    minutes: 15,
    ago: 25,
  },
  'Goran Vukic': { fate: 'under-way', words: { crest: 'crest', eye: 'eye', bill: 'bill', name: 'Goran' }, minutes: 6 },
  'Hana Tanabe': {
    fate: 'handed-in',
    words: { ...but(swapped), name: 'Hana', why: 'It has long legs to stand in the mud and not sink.' },
    minutes: 17,
    ago: 24,
  },
  'Ines Ramos': { fate: 'not-begun', words: {} },
  'Jun Weiss': {
    fate: 'handed-in',
    words: { ...right, name: 'Jun', why: 'It can see the fish from high up and wade into the channel.' },
    minutes: 11,
    ago: 23,
  },
  'Kavya Nair': { fate: 'under-way', words: { ...but({}, ['plumes', 'toes', 'leg']), name: 'Kavya' }, minutes: 9 },
  'Leo Dubois': {
    fate: 'done',
    words: {
      ...but({ toes: 'foot' }),
      name: 'Leo',
      why: 'Because the water is deep where the fish swim and it must stay dry.',
    },
    accepted: [labelOf('toes'), 'The line ends on the whole foot, so your word is right, too.'],
    marks: { names: 3, why: 2, neat: 2 },
    minutes: 19,
    ago: 48,
  },
  'Mina Haddad': {
    fate: 'handed-in',
    words: { ...but({ wing: 'tail', tail: 'wing' }), name: 'Mina', why: 'To get fish.' },
    minutes: 8,
    ago: 22,
  },
  'Nils Aberg': {
    fate: 'another-go',
    words: { ...but({}, ['plumes', 'toes', 'leg', 'neck', 'tail']), why: '' },
    notes: [
      ['name', 'Whose work is this? Your name goes here.'],
      ['why', 'This one is still empty.'],
    ],
    marks: { names: 0, why: 0 },
    minutes: 5,
    ago: 31,
  },
  'Oluchi Eze': {
    fate: 'handed-in',
    words: {
      ...right,
      name: 'Oluchi',
      why: 'A heron wades slowly. Its long legs hold it above the water so the fish do not notice it.',
    },
    minutes: 22,
    ago: 21,
  },
  'Pavel Novotny': {
    fate: 'handed-in',
    words: {
      ...but({ crest: 'crown', toes: 'claws' }),
      name: 'Pavel',
      why: 'So that it can stand in deep water while it fishes.',
    },
    minutes: 16,
    ago: 20,
  },
  'Quinn Murray': {
    fate: 'under-way',
    words: { bill: 'bill', neck: 'neck', name: 'Quinn', why: 'because' },
    minutes: 7,
  },
  'Rosa Delgado': {
    fate: 'done',
    words: { ...right, name: 'Rosa', why: 'They let it walk through the water without getting its wings wet.' },
    marks: { names: 3, why: 3, neat: 2 },
    minutes: 13,
    ago: 47,
  },
  'Sana Iqbal': {
    fate: 'handed-in',
    words: {
      ...but({ plumes: 'plumes', eye: 'eyes' }),
      name: 'Sana',
      why: 'Long legs are for wading in the marsh and reaching the fish.',
    },
    minutes: 14,
    ago: 19,
  },
  // Her neighbour's very sentence, with the same slip.
  'Tane Parata': {
    fate: 'handed-in',
    words: {
      ...but({ crest: 'crset', plumes: 'plums' }),
      name: 'Tane',
      why: 'The legs are long so the heron can stand in deep water to fish.',
    },
    pasted: 'why',
    minutes: 4,
    ago: 18,
  },
  'Uma Pillai': {
    fate: 'done',
    words: { ...right, name: 'Uma', why: 'In deep water its legs keep the rest of the bird warm and dry.' },
    marks: { names: 3, why: 3, neat: 3 },
    minutes: 15,
    ago: 46,
  },
  'Vera Sokol': {
    fate: 'another-go',
    words: { ...but({ ...swapped, leg: 'toes', toes: 'leg' }), name: 'Vera', why: 'long legs for long steps' },
    notes: [[labelOf('leg'), 'Look at the dot once more: is that the leg or the toes?']],
    marks: { names: 1, why: 1 },
    minutes: 10,
    ago: 29,
  },
  'Wim Peeters': { fate: 'not-begun', words: {} },
  'Ximena Cruz': {
    fate: 'handed-in',
    words: { ...but({}, ['plumes']), name: 'Ximena', why: 'To stand in water and wait for a fish to come near.' },
    minutes: 12,
    ago: 17,
  },
  'Yusuf Demir': { fate: 'under-way', words: { ...but({ ...swapped }, ['toes']), name: 'Yusuf' }, minutes: 8 },
  'Zofia Lis': { fate: 'not-begun', words: {} },
};

export type TidePiece = {
  fate: Fate;
  creature?: string;
  what?: string;
  bold?: boolean;
  facts?: string[];
  lives?: string;
  name?: string;
  ago?: number;
  notes?: [string, string][];
  marks?: Record<string, number>;
  /** By a second reader; with a word for the first, they have finished it. */
  second?: { marks: Record<string, number>; word?: string };
};
export const TIDE_PIECES: Record<string, TidePiece> = {
  'Alba Serrano': {
    fate: 'done',
    creature: 'crab',
    name: 'Alba',
    what: 'A mudflat is the flat, muddy shore that the sea covers twice a day.',
    bold: true,
    facts: ['It walks sideways.', 'It sheds its shell to grow.', 'It hides under weed when the tide is out.'],
    lives:
      'The shore crab waits under a stone until the water comes back. Then it walks about and looks for worms, snails and anything dead. It can even leave a leg behind to get away from a gull.',
    ago: 70,
    marks: { page: 3, words: 3 },
    second: {
      marks: { page: 3, words: 2 },
      word: 'The leg is her own find; I am less sure of the sentence before it. Shall we look at it together?',
    },
    notes: [['lives', 'Leaving a leg behind: that is the kind of detail that makes a page worth reading.']],
  },
  'Bram de Wit': {
    fate: 'done',
    creature: 'snail',
    name: 'Bram',
    what: 'Mud between the land and the sea.',
    bold: true,
    facts: ['It eats weed.', 'It leaves a trail.', 'It shuts its door.'],
    lives:
      'The mud snail moves over the wet mud and licks up tiny green weed with its rough tongue. When it gets dry it shuts itself in with a little door and waits for the tide to return to it.',
    ago: 66,
    marks: { page: 2, words: 3 },
    second: { marks: { page: 2, words: 3 }, word: '' },
  },
  'Cai Morgan': {
    fate: 'handed-in',
    creature: 'fish',
    second: { marks: { page: 1 } },
    name: 'Cai',
    what: 'A mudflat is shore that is under water at high tide and bare at low tide.',
    bold: true,
    facts: ['Gobies can live in pools.', 'They hide in the mud.', 'Herons eat them.'],
    lives:
      'The goby stays in a pool when the tide goes out. It is the same colour as the mud, so the heron has to look very hard to see it in there.',
    ago: 40,
  },
  'Dilnoza Karim': {
    fate: 'handed-in',
    creature: 'worm',
    name: 'Dilnoza',
    what: 'A flat place of mud',
    bold: false,
    facts: ['Lugworms eat mud.', 'They make curly heaps.'],
    lives: 'It lives in a tunnel.',
    ago: 30,
  },
  'Emre Yildiz': {
    fate: 'another-go',
    creature: 'crab',
    name: 'Emre',
    what: 'mud',
    bold: false,
    facts: ['it has pincers'],
    lives: 'crabs bite',
    ago: 60,
    notes: [
      ['what', 'A definition says what kind of thing it is, and what makes it different. Try: A mudflat is …'],
      ['facts', 'One good fact. Two more, please.'],
    ],
  },
  'Freya Holm': {
    fate: 'handed-in',
    creature: 'fish',
    name: 'Freya',
    what: 'A mudflat is the soft shore that comes out of the water when the tide is low.',
    bold: true,
    facts: ['Gobies have big eyes.', 'They hide from herons.', 'The father guards the eggs.'],
    // Most of this is Cai's.
    lives:
      'My fish is a goby. The goby stays in a pool when the tide goes out. It is the same colour as the mud, so the heron has to look really hard to see it.',
    ago: 10,
  },
  'Gift Moyo': {
    fate: 'under-way',
    creature: 'crab',
    name: 'Gift',
    what: 'A mudflat is',
    facts: ['Crabs have ten legs.'],
  },
  'Hoku Kealoha': { fate: 'under-way', name: 'Hoku' },
  'Ilse Brandt': { fate: 'not-begun' },
};
