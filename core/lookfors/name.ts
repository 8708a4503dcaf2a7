import type { Sheet } from '../schema/sheet';
import { everyItem } from '../sheet/tree';
import { z } from 'zod';
import { withoutAccents } from '../values/characters';
import { namesOf } from '../values/names';
import { Id } from '../values/primitives';
import type { Context, Counted, Evidence, LookForKind } from './kind';
import { rightIn } from './kind';
import { boxesFor, boxSlot, boxSources } from './boxes';
import { base } from './kind';
import { eitherSlot } from './sentence';
import { normalised } from '../language/spelling';

const NameLookFor = z.strictObject({
  kind: z.literal('name'),
  ...base,
  item: Id.nullable(),
  /** any: first name or surname alone is enough. */
  parts: z.enum(['any', 'first', 'whole']).default('any'),
  /** Whether accents and capitals have to be as in the list of students. */
  exact: z.boolean().default(false),
});
export type NameLookFor = z.infer<typeof NameLookFor>;

/** Letters without a decomposition, and how they are written plainly. */
const BARE: Record<string, string> = { ł: 'l', ø: 'o', đ: 'd', ð: 'd', þ: 'th', æ: 'ae', œ: 'oe', ß: 'ss', ı: 'i' };

const bare = (name: string): string => withoutAccents(name).replace(/[łøđðþæœßı]/g, (letter) => BARE[letter]);

/** The parts of a name; in plain form without accents and capitals. */
function partsOf(name: string, exact: boolean): string[] {
  const text = exact ? name.normalize('NFC').replace(/[^\p{L}\p{N}\s'-]/gu, ' ') : bare(normalised(name));
  return text.split(/[\s'-]+/).filter(Boolean);
}

/** Whether a text names a student: any part of the name, its first part, or all of it, whatever else stands there. */
export function isNamed(
  said: string,
  studentName: string,
  { parts = 'any', exact = false }: Partial<Pick<NameLookFor, 'parts' | 'exact'>> = {},
): boolean {
  const [all, words] = [partsOf(studentName, exact), new Set(partsOf(said, exact))];
  // An initial is a name only for who has no other.
  const whole = all.filter((part) => part.length > 1);
  const own = whole.length > 0 ? whole : all;
  if (own.length === 0) return false;
  if (parts === 'whole') return own.every((part) => words.has(part));
  return parts === 'first' ? words.has(own[0]) : own.some((part) => words.has(part));
}

/** The student's own name stands on the sheet, or those of all who work on it: on the name line, or wherever they may write. */
function countName(lookFor: NameLookFor, sheet: Sheet, context: Context): Counted {
  const boxes = boxesFor(lookFor.item, sheet, context);
  const names = namesOf(context.studentName);
  const line = lookFor.item === null ? undefined : boxes[0];
  const evidence = names.map((name): Evidence => {
    const named = boxes.find(({ text }) => isNamed(text, name, lookFor));
    if (named) return { items: [named.item.id], verdict: 'right', said: named.text.trim(), meant: name };
    const said = line?.text.trim() ?? '';
    return { items: line ? [line.item.id] : [], verdict: said ? 'wrong' : 'empty', said, meant: name };
  });
  return { got: rightIn(evidence), need: names.length, evidence };
}

const nameLine = (sheet: Sheet) => everyItem(sheet).find((item) => item.role === 'name' && item.touch !== 'fixed');

export const NAME: LookForKind<NameLookFor> = {
  schema: NameLookFor,
  kind: 'name',
  name: 'the student’s own name',
  begin: (sheet) => ({
    settings: { tell: 'result', item: nameLine(sheet)?.id ?? null, parts: 'any', exact: false },
  }),
  sentence: ({ item, parts, exact }, sheet) => [
    'your',
    {
      slot: 'choice',
      label: 'Which parts of the name',
      value: parts,
      options: [
        { value: 'any', label: 'name', listed: 'name: first name or surname is enough' },
        { value: 'first', label: 'first name' },
        { value: 'whole', label: 'whole name' },
      ],
      set: (to) => ({ parts: to as NameLookFor['parts'] }),
    },
    {
      ...eitherSlot(
        'Accents and capitals',
        exact,
        ['with or without accents and capitals', 'with accents and capitals as in your list'],
        (to) => ({ exact: to }),
      ),
      quiet: true,
    },
    boxSlot(item, sheet, (to) => ({ item: to })),
  ],
  suits: (sheet) => nameLine(sheet) !== undefined,
  count: countName,
  sources: ({ item }, sheet) => boxSources(item, sheet),
  worded: ({ verdict, said }) =>
    verdict === 'right' ? `“${said}”` : said ? `“${said}” is not the student’s name` : 'no name',
};
