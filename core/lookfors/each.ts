import { z } from 'zod';
import { encloses, grown, overlaps } from '../geometry/box';
import type { Box } from '../geometry/matrix';
import { wholePage, withinMargins } from '../placement/on-page';
import { bodyText } from '../text/body';
import type { Sheet } from '../schema/sheet';
import { isFramed, isWritten } from '../schema/sheet';
import { find } from '../sheet/tree';
import { areaOf, areasOn, isCentred, SLACK } from './area';
import { isNamed } from './name';
import { rankOn } from './seen';
import type { Option, Part } from './sentence';
import type { Thing, ThingKind } from './thing';
import { fillOf, HUE_NAMES, hueName, isGradient, isHollow, isSeeThrough, outlineContrast, outlineOf } from './thing';

/** What can be asked of each single thing: one row each. Adding one is a row here. */

const flag = { not: z.literal(true).optional() };
const only = <K extends string>(is: K) => z.strictObject({ is: z.literal(is), ...flag });
const area = <K extends string>(is: K) => z.strictObject({ is: z.literal(is), ...flag, area: z.string().max(40) });

type Row<C> = {
  schema: z.ZodType<C>;
  /** The things that can have it. */
  of: readonly ThingKind[];
  under: string;
  /** How it reads, and how its contrary reads where that can be asked for. */
  words: string;
  contrary?: string;
  /** Its own slots, after the words. */
  slots?(condition: C, sheet: Sheet): Part<C>[];
  /** As it is first asked for; null where the sheet has nothing for it. Without it there is nothing to choose. */
  begin?(sheet: Sheet): C | null;
  holds(thing: Thing, condition: C): boolean;
  hint: string;
};

const FILLED = ['thing', 'shape', 'text'] as const;
const DRAWN = ['thing', 'shape', 'text', 'line', 'ink'] as const;
const FRAMED = ['thing', 'shape', 'text', 'picture', 'ink', 'group'] as const;
const ALL = ['thing', 'shape', 'text', 'line', 'picture', 'ink', 'group'] as const;
const WRITTEN = ['thing', 'shape', 'text'] as const;

const CONTRASTS = { '1.5': 'a little', '3': 'clearly', '4.5': 'strongly' } as const;

const areaSlot = <C extends { area: string }>(condition: C, sheet: Sheet): Part<C>[] => [
  {
    slot: 'choice',
    label: 'Area',
    value: condition.area,
    options: areasOn(sheet),
    set: (to) => ({ ...condition, area: to }),
  },
];
const beginIn =
  <K extends string>(is: K) =>
  (sheet: Sheet) => {
    const [first] = areasOn(sheet);
    return first ? { is, area: first.value } : null;
  };
const inArea =
  (holds: (thing: Thing, box: Box) => boolean) =>
  <C extends { area: string }>(thing: Thing, { area: id }: C) => {
    const box = areaOf(thing, id);
    return box !== null && thing.item.id !== id && holds(thing, box);
  };

const row = <C>(schema: z.ZodType<C>, rest: Omit<Row<NoInfer<C>>, 'schema'>): Row<C> => ({ schema, ...rest });

const ROWS = {
  hollow: row(only('hollow'), {
    of: FILLED,
    under: 'Fill',
    words: 'hollow',
    contrary: 'with a fill',
    holds: isHollow,
    hint: 'Hollow means without a fill: select the thing and choose “none” under Fill.',
  }),
  'one-colour': row(only('one-colour'), {
    of: FILLED,
    under: 'Fill',
    words: 'filled with one colour',
    holds: (thing) => fillOf(thing) !== null && !isGradient(fillOf(thing)),
    hint: 'Select the thing and choose one colour under Fill.',
  }),
  gradient: row(only('gradient'), {
    of: FILLED,
    under: 'Fill',
    words: 'filled with a gradient',
    contrary: 'without a gradient',
    holds: (thing) => isGradient(fillOf(thing)),
    hint: 'Select the thing and choose a gradient under Fill, with two colours that differ.',
  }),
  'see-through': row(only('see-through'), {
    of: FRAMED,
    under: 'Fill',
    words: 'see-through',
    contrary: 'not see-through',
    holds: isSeeThrough,
    hint: 'Select the thing and lower its opacity. It still has to be seen.',
  }),
  filled: row(z.strictObject({ is: z.literal('filled'), ...flag, colour: z.enum(HUE_NAMES) }), {
    of: FILLED,
    under: 'Fill',
    words: 'filled with',
    contrary: 'not filled with',
    slots: (condition) => [
      {
        slot: 'choice',
        label: 'Colour of the fill',
        value: condition.colour,
        options: HUE_NAMES.map((value) => ({ value, label: value })),
        set: (colour) => ({ ...condition, colour: colour as (typeof HUE_NAMES)[number] }),
      },
    ],
    begin: () => ({ is: 'filled' as const, colour: 'red' as const }),
    holds: (thing, { colour }) => {
      const fill = fillOf(thing);
      return (
        fill !== null &&
        !isGradient(fill) &&
        hueName(fill.kind === 'solid' ? fill.colour : fill.stops[0].colour) === colour
      );
    },
    hint: 'Select the thing and choose the colour under Fill. Light and dark ones count, too.',
  }),
  outlined: row(only('outlined'), {
    of: FILLED,
    under: 'Outline',
    words: 'with an outline',
    contrary: 'without an outline',
    holds: (thing) => outlineOf(thing) !== null,
    hint: 'Select the thing and choose a colour under Outline.',
  }),
  'stands-out': row(z.strictObject({ is: z.literal('stands-out'), ...flag, least: z.enum(['1.5', '3', '4.5']) }), {
    of: FILLED,
    under: 'Outline',
    words: 'with an outline that stands out',
    slots: (condition) => [
      {
        slot: 'choice',
        label: 'How much it stands out',
        value: condition.least,
        options: Object.entries(CONTRASTS).map(([value, label]) => ({ value, label })),
        set: (least) => ({ ...condition, least: least as keyof typeof CONTRASTS }),
      },
      { aside: '(contrast with the fill)' },
    ],
    begin: () => ({ is: 'stands-out' as const, least: '3' as const }),
    holds: (thing, { least }) => (outlineContrast(thing) ?? 0) >= Number(least),
    hint: 'Make the outline much darker or much lighter than the fill.',
  }),
  weight: row(
    z.strictObject({
      is: z.literal('weight'),
      ...flag,
      least: z.number().min(0.5).max(60),
    }),
    {
      of: DRAWN,
      under: 'Outline',
      words: 'with an outline of at least',
      contrary: 'with an outline thinner than',
      slots: (condition) => [
        {
          slot: 'number',
          label: 'Weight in points',
          value: condition.least,
          min: 0.5,
          max: 60,
          set: (least) => ({ ...condition, least }),
        },
        'pt',
      ],
      begin: () => ({ is: 'weight' as const, least: 3 }),
      holds: (thing, { least }) => (outlineOf(thing)?.width ?? 0) >= least - 0.01,
      hint: 'Select the thing and set the weight of its outline.',
    },
  ),
  dashed: row(only('dashed'), {
    of: ['thing', 'shape', 'text', 'line'],
    under: 'Outline',
    words: 'dashed or dotted',
    contrary: 'with a solid line',
    holds: (thing) => (outlineOf(thing)?.dash ?? 'solid') !== 'solid',
    hint: 'Select the thing and choose dashes or dots for its outline.',
  }),
  arrow: row(only('arrow'), {
    of: ['line'],
    under: 'Outline',
    words: 'with an arrowhead',
    contrary: 'without an arrowhead',
    holds: ({ item }) =>
      item.kind === 'line' && [item.startCap, item.endCap].some((cap) => cap === 'arrow' || cap === 'open'),
    hint: 'Select the line and choose an arrow for one of its ends.',
  }),
  joins: row(only('joins'), {
    of: ['line'],
    under: 'Place',
    words: 'that joins two things',
    contrary: 'with a loose end',
    holds: ({ item, page }) =>
      item.kind === 'line' &&
      item.from.item !== item.to.item &&
      [item.from, item.to].every(
        (end) => end.item !== null && find({ pages: [page] } as Sheet, end.item) !== undefined,
      ),
    hint: 'Drag each end of the line onto a thing until it holds on to it.',
  }),
  rotated: row(only('rotated'), {
    of: FRAMED,
    under: 'Place',
    words: 'rotated',
    contrary: 'not rotated',
    holds: ({ item, groups }) => {
      const turn = [...groups, item].reduce((sum, one) => sum + (isFramed(one) ? one.angle : 0), 0);
      const off = ((turn % 360) + 360) % 360;
      return off >= 1 && off <= 359;
    },
    hint: 'Select the thing and turn it by the handle, or set its angle.',
  }),
  flipped: row(only('flipped'), {
    of: FRAMED,
    under: 'Place',
    words: 'flipped',
    contrary: 'not flipped',
    holds: ({ item, groups }) => {
      const flips = (of: 'flipX' | 'flipY') =>
        [...groups, item].filter((one) => isFramed(one) && one[of]).length % 2 === 1;
      return flips('flipX') || flips('flipY');
    },
    hint: 'Select the thing and flip it, horizontally or vertically.',
  }),
  grouped: row(only('grouped'), {
    of: ['thing', 'shape', 'text', 'line', 'picture', 'ink'],
    under: 'Place',
    words: 'in a group',
    contrary: 'not in a group',
    holds: ({ groups }) => groups.some(({ items }) => items.length > 1),
    hint: 'Select what belongs together and group it.',
  }),
  inside: row(area('inside'), {
    of: ALL,
    under: 'Place',
    words: 'inside',
    contrary: 'not inside',
    slots: areaSlot,
    begin: beginIn('inside'),
    holds: inArea(({ box }, around) => encloses(grown(around, SLACK), box)),
    hint: 'Move the thing until all of it lies inside.',
  }),
  outside: row(area('outside'), {
    of: ALL,
    under: 'Place',
    words: 'outside',
    slots: areaSlot,
    begin: beginIn('outside'),
    holds: inArea(({ box }, around) => !overlaps(grown(around, -SLACK), box)),
    hint: 'Move the thing until no part of it lies inside.',
  }),
  'in-front': row(area('in-front'), {
    of: ALL,
    under: 'Place',
    words: 'in front of',
    slots: areaSlot,
    begin: beginIn('in-front'),
    holds: (thing, { area: id }) => {
      const box = areaOf(thing, id);
      return box !== null && overlaps(box, thing.box) && rankOn(thing.page, thing.item.id) < rankOn(thing.page, id);
    },
    hint: 'Let the two overlap, and bring the thing forward.',
  }),
  'on-page': row(only('on-page'), {
    of: ALL,
    under: 'Place',
    words: 'wholly on the page',
    holds: (thing) => encloses(grown(wholePage(thing.page), 0.5), thing.box),
    hint: 'Move or shrink the thing until no part of it is cut off.',
  }),
  margins: row(only('margins'), {
    of: ALL,
    under: 'Place',
    words: 'within the margins of the page',
    holds: (thing) => encloses(grown(withinMargins(thing.page), 0.5), thing.box),
    hint: 'Move or shrink the thing until it keeps away from the edges of the page.',
  }),
  written: row(only('written'), {
    of: WRITTEN,
    under: 'Words',
    words: 'with words in it',
    contrary: 'without words',
    holds: ({ item }) => isWritten(item) && /[\p{L}\p{N}]/u.test(bodyText(item.body)),
    hint: 'Double-click the thing and type.',
  }),
  named: row(only('named'), {
    of: WRITTEN,
    under: 'Words',
    words: 'with your name in it',
    holds: ({ item, context }) => isWritten(item) && isNamed(bodyText(item.body), context.studentName),
    hint: 'Type your name. First name or surname is enough.',
  }),
  centred: row(only('centred'), {
    of: WRITTEN,
    under: 'Words',
    words: 'with its words in the middle',
    holds: isCentred,
    hint: 'Centre the words, across and from top to bottom, in their box or in the shape around them.',
  }),
  credited: row(only('credited'), {
    of: ['picture'],
    under: 'Picture',
    words: 'with a credit',
    contrary: 'without a credit',
    holds: ({ item, context }) =>
      item.kind === 'picture' && (item.credit.trim() !== '' || (context.pictures?.(item.picture)?.credit ?? '') !== ''),
    hint: 'Say whose picture it is: select it and fill in its credit.',
  }),
  'of-what': row(
    z.strictObject({
      is: z.literal('of-what'),
      ...flag,
      words: z.array(z.string().trim().min(1).max(60)).max(20),
    }),
    {
      of: ['picture'],
      under: 'Picture',
      words: 'showing',
      contrary: 'not showing',
      slots: (condition) => [
        {
          slot: 'words',
          label: 'What the picture shows',
          value: condition.words,
          most: 20,
          longest: 60,
          set: (words) => ({ ...condition, words }),
        },
      ],
      begin: () => ({ is: 'of-what' as const, words: [] }),
      holds: ({ item, context }, { words }) => {
        if (item.kind !== 'picture') return false;
        const name = ` ${[context.pictures?.(item.picture)?.name, item.picture.split('/')[1], item.alt]
          .join(' ')
          .toLowerCase()
          .replace(/[^\p{L}\p{N}]+/gu, ' ')} `;
        return words.some(
          (word) => name.includes(` ${word.toLowerCase().trim()} `) || name.includes(` ${word.toLowerCase().trim()}s `),
        );
      },
      hint: '',
    },
  ),
};

type Rows = typeof ROWS;
export type Each = { [K in keyof Rows]: Rows[K] extends Row<infer C> ? C : never }[keyof Rows];
const schemas = Object.values(ROWS).map(({ schema }) => schema as unknown as z.core.$ZodTypeDiscriminable);
export const Each = z.discriminatedUnion('is', [schemas[0], ...schemas.slice(1)]) as unknown as z.ZodType<Each>;

const rowOf = (is: Each['is']) => ROWS[is] as unknown as Row<Each>;

export const eachHolds = (thing: Thing, condition: Each): boolean =>
  rowOf(condition.is).holds(thing, condition) !== (condition.not ?? false);
export const eachHint = ({ is, not }: Each): string => (not ? '' : rowOf(is).hint);
/** The words of a condition, without its slots. */
export const eachWords = ({ is, not }: Each): string => (not ? rowOf(is).contrary! : rowOf(is).words);
export const eachSlots = (condition: Each, sheet: Sheet): Part<Each>[] =>
  rowOf(condition.is).slots?.(condition, sheet) ?? [];

export const eachApplies = ({ is }: Each, kind: ThingKind): boolean => rowOf(is).of.includes(kind);
/** The conditions that things of a kind can be asked to have, and their contraries as `not …`; only what the sheet has areas for. */
export const eachOptions = (kind: ThingKind, sheet: Sheet): Option[] =>
  Object.entries(ROWS as unknown as Record<string, Row<Each>>).flatMap(([is, { of, words, contrary, under, begin }]) =>
    of.includes(kind) && begin?.(sheet) !== null
      ? [{ value: is, label: words, under }, ...(contrary ? [{ value: `not ${is}`, label: contrary, under }] : [])]
      : [],
  );
/** A condition as it is chosen from the list; null where the sheet has nothing for it. */
export function eachBegun(chosen: string, sheet: Sheet): Each | null {
  const not = chosen.startsWith('not ');
  const is = (not ? chosen.slice(4) : chosen) as Each['is'];
  const { begin } = rowOf(is);
  const begun = begin ? begin(sheet) : ({ is } as Each);
  return begun && not ? { ...begun, not: true } : begun;
}
export const eachValue = ({ is, not }: Each) => (not ? `not ${is}` : is);
