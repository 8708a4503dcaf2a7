import { z } from 'zod';
import type { Sheet } from '../schema/sheet';
import { CONCEPT_MAP } from './concept-map';
import { ITEMS } from './items';
import type { Context, Evidence, LookForKind, Result } from './kind';
import { plainly } from './kind';
import { LABELS } from './labels';
import { NAME } from './name';
import { STYLE } from './style';
import { TEACHER, UNKNOWN } from './teacher';
import { WORDS } from './words';

/** What a teacher looks for in a piece: stated once, and counted by the program where it can. */

/** All kinds, in the order in which they are suggested and offered. Adding one is a file and a row here. */
const KINDS = [NAME, LABELS, WORDS, STYLE, ITEMS, CONCEPT_MAP, TEACHER, UNKNOWN] as const;

export type LookFor = z.infer<(typeof KINDS)[number]['schema']>;
const [first, ...others] = KINDS.map(({ schema }) => schema as unknown as z.core.$ZodTypeDiscriminable);
export const LookFor = z.discriminatedUnion('kind', [first, ...others]) as unknown as z.ZodType<LookFor>;
export type LookForOf<K extends LookFor['kind']> = Extract<LookFor, { kind: K }>;

const byKind = new Map(KINDS.map((kind) => [kind.kind as string, kind as unknown as LookForKind<LookFor>]));
export const lookForKindOf = (kind: LookFor['kind']): LookForKind<LookFor> => byKind.get(kind)!;

/** The kinds to choose from. Unknown kinds are only kept. */
export const OFFERED = KINDS.filter(({ kind }) => kind !== 'unknown').map(({ kind, name }) => ({ kind, name }));

/** A new look-for filled in from the sheet, or why the sheet has nothing for it. */
export function begun(kind: LookFor['kind'], sheet: Sheet, id: string): LookFor | string {
  const made = lookForKindOf(kind).begin(sheet);
  return 'nothing' in made ? made.nothing : ({ kind, id, ...made.settings } as LookFor);
}

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
  return { id: lookFor.id, held: counted.got >= counted.need, ...counted };
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
    return anew ? (anew(lookFor, sheet) ?? []) : lookFor;
  });

/** How one piece of evidence reads to the teacher. */
export const evidenceWords = (lookFor: LookFor, evidence: Evidence): string =>
  (lookForKindOf(lookFor.kind).worded ?? plainly)(evidence);

/** How much was found, in words: `13 words, 8 asked for`, or `8 of 9` for a share. */
export function countWords(lookFor: LookFor, { got, need }: Pick<Result, 'got' | 'need'>): string {
  const unit = lookForKindOf(lookFor.kind).unit?.(lookFor);
  return unit ? `${got} ${unit[got === 1 ? 0 : 1]}, ${need} asked for` : `${got} of ${need}`;
}

/** A look-for as a student may see it: without its key. */
export type StudentLookFor = { id: string; title: string; kind: LookFor['kind']; tell: LookFor['tell'] };
export const forStudent = ({ id, title, kind, tell }: LookFor): StudentLookFor => ({ id, title, kind, tell });

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
