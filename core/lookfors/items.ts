import { z } from 'zod';
import { OUTLINES, SHAPES } from '../geometry/shapes/shapes';
import type { Sheet } from '../schema/sheet';
import { everyItem } from '../sheet/tree';
import {
  Each,
  eachApplies,
  eachBegun,
  eachHint,
  eachHolds,
  eachOptions,
  eachSlots,
  eachValue,
  eachWords,
} from './each';
import { thingsContradiction } from './contradictions';
import type { Context, Counted, Evidence, LookForKind, Own } from './kind';
import { atLeast, base } from './kind';
import type { Option, Part } from './sentence';
import { addSlot, eitherSlot, REMOVE, replaced, within } from './sentence';
import type { Thing, ThingKind } from './thing';
import { THING_KINDS, thingsOn, thingSources } from './thing';
import type { Together } from './together';
import {
  ARRANGEMENT_NAMES,
  ASPECT_NAMES,
  aspectOptions,
  isTogether,
  sorted,
  togetherApplies,
  togetherBegun,
  togetherHint,
  togetherOptions,
  togetherWrong,
} from './together';

/** So many things of a kind, each with some conditions, and all together with others. */

/** Conditions that one look-for can have; more read better as several. */
const [MOST_EACH, MOST_TOGETHER] = [8, 4];

const HOW = ['least', 'exactly', 'most', 'every'] as const;
const Arranged = z.union([
  z.strictObject({ is: z.enum(['different', 'same']), in: z.enum(ASPECT_NAMES) }),
  z.strictObject({ is: z.enum(ARRANGEMENT_NAMES) }),
]) as z.ZodType<Together>;

const ItemsLookFor = z.strictObject({
  kind: z.literal('items'),
  ...base,
  item: z.enum(THING_KINDS),
  shape: z.enum(SHAPES).nullable().default(null),
  how: z.enum(HOW).default('least'),
  min: atLeast,
  whose: z.enum(['added', 'open']).default('added'),
  /** Whether parts of maps, charts and the like count, too. They did before it could be chosen. */
  made: z.boolean().default(true),
  each: z.array(Each).max(MOST_EACH, `at most ${MOST_EACH} conditions`).default([]),
  together: z.array(Arranged).max(MOST_TOGETHER, `at most ${MOST_TOGETHER} conditions for all together`).default([]),
});
export type ItemsLookFor = z.infer<typeof ItemsLookFor>;

const NAMES: Record<ThingKind, readonly [one: string, many: string]> = {
  thing: ['thing', 'things'],
  shape: ['shape', 'shapes'],
  text: ['text', 'texts'],
  line: ['line', 'lines'],
  picture: ['picture', 'pictures'],
  ink: ['pen stroke', 'pen strokes'],
  group: ['group', 'groups'],
};
function plural(name: string): string {
  const [, first, rest] = /^(\S+)( (?:with|of) .*)?$/.exec(name) ?? [null, name, ''];
  const many = /(s|x|ch|sh)$/.test(first)
    ? `${first}es`
    : /(?:[^o]af|lf)$/.test(first)
      ? first.replace(/f$/, 'ves')
      : `${first}s`;
  return many + (rest ?? '');
}
const namesOf = ({ item, shape }: Pick<ItemsLookFor, 'item' | 'shape'>): readonly [one: string, many: string] =>
  shape === null ? NAMES[item] : [OUTLINES[shape].name, plural(OUTLINES[shape].name)];

const HOW_WORDS: Record<ItemsLookFor['how'], string> = {
  least: 'at least',
  exactly: 'exactly',
  most: 'at most',
  every: 'all',
};

function countItems(lookFor: ItemsLookFor, sheet: Sheet, context: Context): Counted {
  const { how, min, shape, each, together } = lookFor;
  const pool = thingsOn(sheet, lookFor, context).filter(
    ({ item, touched }) =>
      (shape === null || (item.kind === 'shape' && item.shape === shape)) && (how === 'every' || touched),
  );
  const wrong = new Map<Thing, string>();
  const matching = pool.filter((thing) => {
    const missed = each.find((condition) => !eachHolds(thing, condition));
    if (missed && how === 'every') wrong.set(thing, `not ${eachWords(missed)}`.replace(/^not not /, ''));
    return !missed;
  });
  const left = new Set<Thing>();
  for (const one of together) {
    const found = sorted(matching, one);
    const fine = new Set([...found.right, ...found.left]);
    found.left.forEach((thing) => left.add(thing));
    for (const thing of matching) if (!fine.has(thing) && !wrong.has(thing)) wrong.set(thing, togetherWrong(one));
  }
  const asked = (how === 'every' ? pool : matching).filter((thing) => !left.has(thing));
  const right = asked.filter((thing) => !wrong.has(thing));
  const evidence = asked.map((thing): Evidence => {
    const why = wrong.get(thing);
    return {
      items: [thing.item.id],
      verdict: why !== undefined || (how === 'most' && asked.length > min) ? 'wrong' : 'right',
      said: why ? `${thing.name}: ${why}` : thing.name,
      meant: '',
    };
  });
  if (how === 'least')
    return { got: right.length, need: together.length > 0 ? Math.max(min, asked.length) : min, evidence };
  if (how === 'every') return { got: right.length, need: Math.max(min, asked.length), evidence };
  const met = right.length === asked.length && (how === 'exactly' ? asked.length === min : asked.length <= min);
  return { got: asked.length, need: min, met, evidence };
}

type Patch = Partial<Own<ItemsLookFor>>;
const SHAPE_OPTIONS: readonly Option[] = SHAPES.filter((shape) => shape !== 'free').map((shape) => ({
  value: `shape ${shape}`,
  label: plural(OUTLINES[shape].name),
  under: 'Shapes of one kind',
}));
const ONE_SHAPE: readonly Option[] = SHAPE_OPTIONS.map((option) => ({
  ...option,
  label: OUTLINES[option.value.slice(6) as (typeof SHAPES)[number]].name,
}));

/** Another kind of thing, with the conditions that it can have. */
function asKind(lookFor: ItemsLookFor, chosen: string): Patch {
  const shape = chosen.startsWith('shape ') ? (chosen.slice(6) as (typeof SHAPES)[number]) : null;
  const item = shape === null ? (chosen as ThingKind) : 'shape';
  return {
    item,
    shape,
    each: lookFor.each.filter((condition) => eachApplies(condition, item)),
    together: lookFor.together.filter((one) => togetherApplies(one, item)),
  };
}

function whatParts(lookFor: ItemsLookFor): Part<Patch>[] {
  const { how, min, item, shape, whose, made } = lookFor;
  const one = min === 1 && how !== 'every';
  const what: Part<Patch> = {
    slot: 'choice',
    label: 'Of what',
    value: shape === null ? item : `shape ${shape}`,
    options: [
      ...THING_KINDS.map((value) => ({ value, label: NAMES[value][one ? 0 : 1], under: 'Any of these' })),
      ...(one ? ONE_SHAPE : SHAPE_OPTIONS),
    ],
    set: (chosen) => asKind(lookFor, chosen),
  };
  const many: Part<Patch> = {
    slot: 'number',
    label: 'How many',
    value: min,
    min: 1,
    max: 500,
    set: (to) => ({ min: to }),
  };
  return [
    {
      slot: 'choice',
      label: 'At least, exactly, at most or all',
      value: how,
      options: HOW.map((value) => ({ value, label: HOW_WORDS[value] })),
      set: (to) => ({ how: to as ItemsLookFor['how'] }),
    },
    ...(how === 'every' ? [what, ', at least', many] : [many, what]),
    {
      slot: 'choice',
      label: 'Whose things count',
      value: whose,
      quiet: true,
      options: [
        { value: 'added', label: 'that students add' },
        { value: 'open', label: 'that students add or change' },
      ],
      set: (to) => ({ whose: to as ItemsLookFor['whose'] }),
    },
    ...(made
      ? [
          {
            ...eitherSlot<Patch>(
              'Parts of maps and charts',
              true,
              ['without parts of maps and charts', 'with parts of maps and charts'],
              (to) => ({ made: to }),
            ),
            quiet: true as const,
          },
        ]
      : []),
  ];
}

function eachParts(lookFor: ItemsLookFor, sheet: Sheet): Part<Patch>[] {
  const { item, each } = lookFor;
  return each.flatMap((condition, i): Part<Patch>[] => [
    ', each',
    {
      slot: 'choice',
      label: 'Condition for each',
      value: eachValue(condition),
      options: [REMOVE, ...eachOptions(item, sheet)],
      set: (chosen) => ({ each: replaced(each, i, chosen === '' ? null : eachBegun(chosen, sheet)) }),
    },
    ...within(eachSlots(condition, sheet), (now: Each): Patch => ({ each: replaced(each, i, now) })),
  ]);
}

function togetherParts(lookFor: ItemsLookFor): Part<Patch>[] {
  const { item, together } = lookFor;
  return together.flatMap((one, i): Part<Patch>[] => [
    ',',
    {
      slot: 'choice',
      label: 'Condition for all together',
      value: one.is,
      options: [REMOVE, ...togetherOptions(item)],
      set: (chosen) => ({ together: replaced(together, i, chosen === '' ? null : togetherBegun(chosen, item)) }),
    },
    ...('in' in one
      ? [
          {
            slot: 'choice' as const,
            label: 'In what',
            value: one.in,
            options: aspectOptions(item, one.is),
            set: (to: string): Patch => ({ together: replaced(together, i, { ...one, in: to } as Together) }),
          },
        ]
      : []),
  ]);
}

function sentence(lookFor: ItemsLookFor, sheet: Sheet): Part<Patch>[] {
  const { item, each, together, made } = lookFor;
  return [
    ...whatParts(lookFor),
    ...eachParts(lookFor, sheet),
    ...togetherParts(lookFor),
    addSlot(
      'Add a condition',
      'and …',
      [
        ...(each.length < MOST_EACH ? eachOptions(item, sheet) : []),
        ...(together.length < MOST_TOGETHER ? togetherOptions(item) : []),
        ...(made ? [] : [{ value: 'made', label: 'with parts of maps and charts', under: 'What counts' }]),
      ],
      (chosen): Patch => {
        if (chosen === 'made') return { made: true };
        if (isTogether(chosen)) return { together: [...together, togetherBegun(chosen, item)] };
        const begun = eachBegun(chosen, sheet);
        return begun ? { each: [...each, begun] } : {};
      },
    ),
  ];
}

/** The same things as before; at first, shapes that are handed out to be coloured, where there are some. */
function begin(sheet: Sheet, last?: ItemsLookFor): { settings: Own<ItemsLookFor> } {
  if (last) {
    const { tell, item, shape, whose, made } = last;
    return { settings: { tell, item, shape, how: 'least', min: 1, whose, made, each: [], together: [] } };
  }
  const open = everyItem(sheet).filter((item) => item.kind === 'shape' && item.touch !== 'fixed').length >= 3;
  return {
    settings: {
      tell: 'result',
      item: open ? 'shape' : 'picture',
      shape: null,
      how: 'least',
      min: 3,
      whose: open ? 'open' : 'added',
      made: false,
      each: [],
      together: [],
    },
  };
}

export const ITEMS: LookForKind<ItemsLookFor> = {
  schema: ItemsLookFor,
  kind: 'items',
  name: 'things: how many, and how they are',
  unit: (lookFor) =>
    lookFor.how === 'every' || lookFor.together.length > 0
      ? undefined
      : [...namesOf(lookFor), lookFor.how === 'least' ? '' : `${HOW_WORDS[lookFor.how]} `],
  begin,
  sentence,
  contradicts: thingsContradiction,
  hint: ({ each, together }) => [...each.map(eachHint), ...together.map(togetherHint)].filter(Boolean).join(' '),
  count: countItems,
  /** How many there are, whether they fit or not. */
  filled: ({ need, evidence }) => ({
    got: Math.min(need, evidence.length),
    need,
    evidence: evidence.map((one) => ({ ...one, verdict: 'near', said: '' })),
  }),
  sources: ({ item }, sheet) => (['text', 'thing', 'group'].includes(item) ? sheet.pages : thingSources(sheet)),
  worded: ({ said }) => said,
  saysWhy: true,
};
