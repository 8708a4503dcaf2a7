import { z } from 'zod';
import type { Supply } from '../handout/supplies';
import type { Sheet } from '../schema/sheet';
import { ANSWERS } from './answers';
import { CHART } from './chart';
import { CLOUD } from './cloud';
import { combinedOf } from './combined';
import { CONCEPT_MAP } from './concept-map';
import { ITEMS } from './items';
import type { Context, Evidence, LookForKind, Result } from './kind';
import { isMet, plainly } from './kind';
import { LABELS } from './labels';
import { NAME } from './name';
import { PAIRS } from './pairs';
import { PHRASE } from './phrase';
import { POINTS } from './points';
import { QUOTATION } from './quotation';
import { READABLE } from './readable';
import { SAMPLE } from './sample';
import type { Part } from './sentence';
import { titleFrom } from './sentence';
import { SORTED } from './sorted';
import { SPELT } from './spelt';
import { STYLE } from './style';
import { TEACHER, UNKNOWN } from './teacher';
import { WORDS } from './words';

/** What a teacher looks for in a piece: stated once, and counted by the program where it can. */

/** The kinds that several at once can be made of: those without a key. */
const WRITTEN = [NAME, WORDS, PHRASE, POINTS, QUOTATION, SPELT, STYLE, READABLE, SAMPLE] as const;
const MADE = [ITEMS, CLOUD] as const;
const PLAIN = [...WRITTEN, ...MADE] as const;

type Schemas = readonly { schema: z.ZodType<unknown> }[];
function unionOf<T>(kinds: Schemas): z.ZodType<T> {
  const [first, ...others] = kinds.map(({ schema }) => schema as unknown as z.core.$ZodTypeDiscriminable);
  return z.discriminatedUnion('kind', [first, ...others]) as unknown as z.ZodType<T>;
}

/** What can be a part of several at once. */
export type PlainLookFor = z.infer<(typeof PLAIN)[number]['schema']>;
const plainByKind = new Map(PLAIN.map((kind) => [kind.kind as string, kind as unknown as LookForKind<PlainLookFor>]));
const COMBINED = combinedOf<PlainLookFor>(unionOf<PlainLookFor>(PLAIN), (kind) => plainByKind.get(kind)!);

/** All kinds, in the order in which they are suggested and offered. Adding one is a file and a row here. */
const KINDS = [
  NAME,
  LABELS,
  ANSWERS,
  PAIRS,
  SORTED,
  WORDS,
  PHRASE,
  POINTS,
  QUOTATION,
  SPELT,
  STYLE,
  READABLE,
  SAMPLE,
  ITEMS,
  CONCEPT_MAP,
  CHART,
  CLOUD,
  COMBINED,
  TEACHER,
  UNKNOWN,
] as const;

export type LookFor = z.infer<(typeof KINDS)[number]['schema']>;
export const LookFor = unionOf<LookFor>(KINDS);
export type LookForOf<K extends LookFor['kind']> = Extract<LookFor, { kind: K }>;

/** A look-for from what differs: told at once, and with what is not given as it was before that could be chosen. */
export const lookFor = (given: { kind: LookFor['kind']; id: string } & Record<string, unknown>): LookFor =>
  LookFor.parse({ title: given.id, tell: 'result', ...given });

const byKind = new Map(KINDS.map((kind) => [kind.kind as string, kind as unknown as LookForKind<LookFor>]));
export const lookForKindOf = (kind: LookFor['kind']): LookForKind<LookFor> => byKind.get(kind)!;

const offered = (kinds: readonly { kind: LookFor['kind']; name: string }[]) =>
  kinds.map(({ kind, name }) => ({ kind, name }));
/** The kinds to choose from, under headings; unknown ones are only kept. And those that several at once can be made of. */
export const OFFERED = [
  { heading: 'Words', kinds: offered(WRITTEN) },
  { heading: 'Right answers', kinds: offered([LABELS, ANSWERS, PAIRS, SORTED, CONCEPT_MAP, CHART]) },
  { heading: 'What they make', kinds: offered(MADE) },
  { heading: 'More', kinds: offered([COMBINED, TEACHER]) },
];
export const PARTS_OFFERED = offered(PLAIN);

export const sentenceOf = (lookFor: LookFor, sheet: Sheet): Part<Partial<LookFor>>[] =>
  lookForKindOf(lookFor.kind).sentence(lookFor, sheet) as Part<Partial<LookFor>>[];

/** With the title that its settings make, unless a person wrote one. */
export function titled<L extends LookFor>(lookFor: L, sheet: Sheet): L {
  if (!lookFor.follows) return lookFor;
  const parts = lookFor.kind === 'combined' ? lookFor.parts.map((part) => titled(part, sheet)) : null;
  const now = parts ? { ...lookFor, parts } : lookFor;
  const title = titleFrom(sentenceOf(now, sheet));
  return title === lookFor.title && !parts ? lookFor : { ...now, title: title || lookFor.title };
}

/** Why it can never be met, or never missed, as it is set; null where it makes sense. */
export const contradictionOf = (lookFor: LookFor, sheet: Sheet): string | null =>
  lookForKindOf(lookFor.kind).contradicts?.(lookFor, sheet) ?? null;

/** A new look-for filled in from the sheet and from those before it, or why the sheet has nothing for it. */
export function begun(
  kind: LookFor['kind'],
  sheet: Sheet,
  id: string,
  before: readonly LookFor[] = [],
): LookFor | string {
  const made = lookForKindOf(kind).begin(
    sheet,
    before.findLast((one) => one.kind === kind),
  );
  return 'nothing' in made
    ? made.nothing
    : titled({ kind, id, title: '…', follows: true, ...made.settings } as LookFor, sheet);
}

/** All of them, with those that several at once are made of. */
export const withParts = (lookFors: readonly LookFor[]): LookFor[] =>
  lookFors.flatMap((one): LookFor[] => (one.kind === 'combined' ? [one, ...one.parts] : [one]));

/** Whether one of them asks for spelling: a dictionary and people's names have to be there then. */
export const anyAsksSpelling = (lookFors: readonly LookFor[]): boolean =>
  withParts(lookFors).some(({ kind }) => lookForKindOf(kind).asksSpelling);

/** Why nobody could meet one of them with these supplies; null where somebody can. */
export function lacksSupply(lookFors: readonly LookFor[], supplies: readonly Supply[]): string | null {
  for (const { kind } of lookFors) {
    const { needs } = lookForKindOf(kind);
    if (needs && !needs.any.some((one) => supplies.includes(one))) return needs.why;
  }
  return null;
}

/** Supplies with those that the look-fors need. */
export const openedFor = (lookFors: readonly LookFor[], supplies: readonly Supply[]): Supply[] =>
  lookFors.reduce<Supply[]>(
    (open, one) => (lacksSupply([one], open) === null ? open : [...open, ...lookForKindOf(one.kind).needs!.any]),
    [...supplies],
  );

/** What a sheet most likely wants looked for. */
export const suggested = (sheet: Sheet, id: () => string): LookFor[] =>
  KINDS.flatMap(({ kind, suits }) => {
    if (!suits?.(sheet)) return [];
    const made = begun(kind, sheet, id());
    return typeof made === 'string' ? [] : [made];
  });

export function count(lookFor: LookFor, sheet: Sheet, context: Context): Result {
  const counted = lookForKindOf(lookFor.kind).count(lookFor, sheet, context);
  if (!counted) return { id: lookFor.id, held: null, got: 0, need: 0, evidence: [] };
  const { got, need, evidence } = counted;
  return { id: lookFor.id, held: isMet(counted), got, need, evidence };
}

export const countAll = (lookFors: readonly LookFor[], sheet: Sheet, context: Context): Result[] =>
  lookFors.map((lookFor) => count(lookFor, sheet, context));

/**
 * Look-fors with the sheet's present keys: the sheet may have changed since. What a teacher added to a key stays; a look-for
 * whose diagram or map is gone is dropped.
 */
export const rekeyed = (lookFors: readonly LookFor[], sheet: Sheet): LookFor[] =>
  lookFors.flatMap((lookFor) => {
    const { rekeyed: anew } = lookForKindOf(lookFor.kind);
    const now = anew ? anew(lookFor, sheet) : lookFor;
    return now ? titled(now, sheet) : [];
  });

/** How one piece of evidence reads to the teacher. */
export const evidenceWords = (lookFor: LookFor, evidence: Evidence): string =>
  (lookForKindOf(lookFor.kind).worded ?? plainly)(evidence);

/** How much was found, in words: `13 words, 8 asked for`, or `8 of 9` for a share. */
export function countWords(lookFor: LookFor, { got, need }: Pick<Result, 'got' | 'need'>): string {
  const unit = lookForKindOf(lookFor.kind).unit?.(lookFor);
  return unit ? `${got} ${unit[got === 1 ? 0 : 1]}, ${unit[2] ?? ''}${need} asked for` : `${got} of ${need}`;
}

/** A look-for as a student may see it: without its key. */
export type StudentLookFor = Pick<LookFor, 'id' | 'title' | 'kind' | 'tell'> & { hint: string; saysWhy: boolean };
export const forStudent = (lookFor: LookFor): StudentLookFor => {
  const { id, title, kind, tell } = lookFor;
  const { hint, saysWhy = false } = lookForKindOf(kind);
  return { id, title, kind, tell, hint: hint?.(lookFor) ?? '', saysWhy };
};

/** A result as a student may see it while working: without anything that gives the key away. */
export function resultForStudent(lookFor: LookFor, result: Result): Result | null {
  if (lookFor.tell === 'after') return null;
  if (lookFor.tell === 'filled') {
    const { got, need, evidence } = (lookForKindOf(lookFor.kind).filled ?? filledIn)(result);
    return { id: result.id, held: result.held === null ? null : got >= need, got, need, evidence };
  }
  // Where a link is missing would be the answer.
  const told = result.evidence.filter(({ verdict }) => verdict !== 'missing');
  return { ...result, evidence: told.map((e) => ({ ...e, meant: '' })) };
}

/** How much is filled in, right or wrong. */
function filledIn({ got, need, evidence }: Result) {
  const written = evidence.filter((e) => e.verdict !== 'empty');
  return {
    got: evidence.length > 0 ? written.length : got,
    need: evidence.length > 0 ? evidence.length : need,
    evidence: evidence.map(({ items, verdict, said }) => ({
      items,
      said,
      meant: '',
      verdict: verdict === 'empty' ? ('empty' as const) : ('near' as const),
    })),
  };
}
