import { z } from 'zod';
import { colourName } from '../colour/name';
import { roleIds } from '../schema/defaults';
import type { Sheet, WrittenItem } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem } from '../sheet/tree';
import { bodyText, isEmpty } from '../text/body';
import { FACES, faceById } from '../text/catalogue';
import type { FullFormat, FullStyle } from '../text/style';
import { fullFormat, fullStyle, roleOfItem } from '../text/style';
import { Hex } from '../values/primitives';
import type { Context, Counted, LookForKind, Own } from './kind';
import { base } from './kind';
import { isSeen } from './seen';
import type { Part } from './sentence';
import { addSlot, joined, REMOVE, replaced } from './sentence';
import { alikeColours } from './thing';

/** Words that are set in a given style, by their role or however they came to be so. */

const StyleLookFor = z.strictObject({
  kind: z.literal('style'),
  ...base,
  /** null: any text. */
  role: z.string().max(40).nullable(),
  how: z.enum(['every', 'some']).default('every'),
  bold: z.boolean().nullable(),
  italic: z.boolean().nullable(),
  underline: z.boolean().nullable().default(null),
  colour: Hex.nullable(),
  /** One of these faces; any where there are none. */
  faces: z.array(z.string().max(40)).max(12).default([]),
  /** The least size in points. */
  least: z.number().min(1).max(500).nullable().default(null),
  align: z.enum(['left', 'centre', 'right', 'justify']).nullable().default(null),
});
export type StyleLookFor = z.infer<typeof StyleLookFor>;
type Patch = Partial<Own<StyleLookFor>>;

/** What can be asked of a style: one row each. */
type Row<K extends keyof StyleLookFor> = {
  /** The value that is asked for when the condition is added. */
  first: StyleLookFor[K];
  listed: string;
  fits(style: FullStyle, format: FullFormat, asked: NonNullable<StyleLookFor[K]>): boolean;
  parts(asked: NonNullable<StyleLookFor[K]>, sheet: Sheet, set: (to: StyleLookFor[K]) => Patch): Part<Patch>[];
};
const onOff = (key: 'bold' | 'italic' | 'underline', yes: string, no: string): Row<typeof key> => ({
  first: true,
  listed: yes,
  fits: (style, _, asked) => style[key] === asked,
  parts: (asked, _, set) => [
    {
      slot: 'choice',
      label: yes,
      value: asked ? 'yes' : 'no',
      options: [REMOVE, { value: 'yes', label: yes }, { value: 'no', label: no }],
      set: (to) => set(to === '' ? null : to === 'yes'),
    },
  ],
});
const removable = (label: string, words: string, remove: () => Patch): Part<Patch> => ({
  slot: 'choice',
  label,
  value: 'on',
  options: [REMOVE, { value: 'on', label: words }],
  set: (to) => (to === '' ? remove() : {}),
});

const ALIGNED = { left: 'left', centre: 'centred', right: 'right', justify: 'justified' } as const;

const ROWS = {
  bold: onOff('bold', 'bold', 'not bold') as Row<'bold'>,
  italic: onOff('italic', 'italic', 'not italic') as Row<'italic'>,
  underline: onOff('underline', 'underlined', 'not underlined') as Row<'underline'>,
  colour: {
    first: '#b3402a',
    listed: 'in a colour',
    fits: (style, _, asked) => alikeColours(style.colour, asked),
    parts: (asked, sheet, set) => [
      removable('Colour of the words', 'in', () => set(null)),
      {
        slot: 'colour',
        label: 'Colour',
        value: asked,
        options: [...new Set([asked, ...sheet.palette])],
        set,
      },
    ],
  } as Row<'colour'>,
  least: {
    first: 18,
    listed: 'of a size',
    fits: (style, _, asked) => style.size >= asked - 0.01,
    parts: (asked, _, set) => [
      removable('Size', 'at least', () => set(null)),
      { slot: 'number', label: 'Size in points', value: asked, min: 1, max: 500, set },
      'pt large',
    ],
  } as Row<'least'>,
  faces: {
    first: [FACES[0].id],
    listed: 'in a font',
    fits: (style, _, asked) => asked.includes(style.font),
    parts: (asked, _, set) => [
      removable('Font', 'in', () => set([])),
      ...asked.flatMap((face, i): Part<Patch>[] => [
        ...(i > 0 ? [i === asked.length - 1 ? 'or' : ','] : []),
        {
          slot: 'choice',
          label: 'Font',
          value: face,
          options: [REMOVE, ...FACES.map(({ id, name }) => ({ value: id, label: name }))],
          set: (to) => set(replaced(asked, i, to || null)),
        },
      ]),
      addSlot(
        'Or another font',
        'or …',
        FACES.filter(({ id }) => !asked.includes(id)).map(({ id, name }) => ({ value: id, label: name })),
        (to) => set([...asked, to]),
      ),
    ],
  } as Row<'faces'>,
  align: {
    first: 'centre',
    listed: 'aligned',
    fits: (_, format, asked) => format.align === asked,
    parts: (asked, _, set) => [
      {
        slot: 'choice',
        label: 'Alignment',
        value: asked,
        options: [REMOVE, ...Object.entries(ALIGNED).map(([value, label]) => ({ value, label }))],
        set: (to) => set(to === '' ? null : (to as keyof typeof ALIGNED)),
      },
    ],
  } as Row<'align'>,
};
type Key = keyof typeof ROWS;
const KEYS = Object.keys(ROWS) as Key[];
const rowOf = (key: Key) => ROWS[key] as unknown as Row<Key>;
const isAsked = (lookFor: StyleLookFor, key: Key) => {
  const value = lookFor[key];
  return Array.isArray(value) ? value.length > 0 : value !== null;
};

/** Every text of a role that the student wrote, or one of them, has the style throughout; at least one must be there. */
function countStyle(lookFor: StyleLookFor, sheet: Sheet, context: Context): Counted {
  const asked = KEYS.filter((key) => isAsked(lookFor, key));
  const fits = (item: WrittenItem) => {
    const role = roleOfItem(sheet, item);
    return item.body.every((p) =>
      p.runs.every((run) => {
        if (run.text.trim() === '') return true;
        const [style, format] = [fullStyle(role, run.style), fullFormat(role, p.format)];
        return asked.every((key) => rowOf(key).fits(style, format, lookFor[key]!));
      }),
    );
  };
  const evidence = everyItem(sheet)
    .filter(
      (item): item is WrittenItem =>
        isWritten(item) &&
        (lookFor.role === null || item.role === lookFor.role) &&
        item.touch !== 'fixed' &&
        !isEmpty(item.body) &&
        isSeen(sheet, item.id, context.pictures),
    )
    .map((item) => ({
      items: [item.id],
      verdict: fits(item) ? ('right' as const) : ('wrong' as const),
      said: bodyText(item.body),
      meant: '',
    }));
  const right = evidence.filter(({ verdict }) => verdict === 'right');
  if (lookFor.how === 'some') return { got: Math.min(1, right.length), need: 1, evidence: right };
  return { got: right.length, need: Math.max(1, evidence.length), evidence };
}

export const STYLE: LookForKind<StyleLookFor> = {
  schema: StyleLookFor,
  kind: 'style',
  name: 'words in a style',
  begin: ({ roles }) => ({
    settings: {
      tell: 'result',
      role: roles.heading ? 'heading' : (roleIds(roles)[0] ?? 'body'),
      how: 'every',
      bold: true,
      italic: null,
      underline: null,
      colour: null,
      faces: [],
      least: null,
      align: null,
    },
  }),
  sentence(lookFor, sheet) {
    const { role, how } = lookFor;
    const asked = KEYS.filter((key) => isAsked(lookFor, key));
    return [
      {
        slot: 'choice',
        label: 'Every text, or one',
        value: how,
        options: [
          { value: 'every', label: 'every' },
          { value: 'some', label: 'at least one' },
        ],
        set: (to) => ({ how: to as StyleLookFor['how'] }),
      },
      {
        slot: 'choice',
        label: 'Role',
        value: role ?? '',
        options: [
          { value: '', label: 'text', listed: 'text of any role' },
          ...roleIds(sheet.roles).map((value) => ({ value, label: sheet.roles[value].name.toLowerCase() })),
        ],
        set: (to) => ({ role: to || null }),
      },
      ...asked.flatMap((key, i): Part<Patch>[] => [
        i === 0 ? 'is' : 'and',
        ...rowOf(key).parts(lookFor[key]!, sheet, (to) => ({ [key]: to })),
      ]),
      addSlot(
        'Add a condition',
        'and …',
        KEYS.filter((key) => !isAsked(lookFor, key)).map((value) => ({ value, label: ROWS[value].listed })),
        (to) => ({ [to]: rowOf(to as Key).first }),
      ),
    ];
  },
  contradicts: (lookFor) =>
    KEYS.some((key) => isAsked(lookFor, key)) ? null : 'Choose a style: as it is, any words would do.',
  hint: ({ colour, faces }) =>
    [
      colour ? `The colour is ${colourName(colour)}.` : '',
      faces.length > 0
        ? `The font is ${joined(
            faces.map((face) => faceById(face).name),
            'or',
          )}.`
        : '',
    ]
      .filter(Boolean)
      .join(' '),
  count: countStyle,
  sources: (_, sheet) => [...sheet.pages, sheet.roles],
};
