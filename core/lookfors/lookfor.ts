import { z } from 'zod';
import type { Pictures } from '../drawing/picture';
import { Hex, Id, Sheet } from '../sheet/schema';
import { SPELLING } from './spelling';
import { countItems } from './kinds/items';
import { countLabels } from './kinds/labels';
import { countMap } from './kinds/map';
import { countName } from './kinds/name';
import { countStyle } from './kinds/style';
import { countWords } from './kinds/words';

/** What a teacher will look for in a piece: stated once, counted by the program where it can. */

const base = {
  id: Id,
  /** As the student reads it. */
  title: z.string().trim().min(1, 'say what you will look for').max(200),
  /** What the student is told while working: the count, only what is filled in, or nothing until it is returned. */
  tell: z.enum(['result', 'filled', 'after']),
};
const number = z.number().int().min(1, 'at least 1').max(500, 'at most 500');

export const LookFor = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('labels'),
    ...base,
    picture: Id,
    /** The key. Never sent to a student. */
    expect: z
      .array(z.strictObject({ target: z.string().max(60), words: z.array(z.string().max(200)).min(1).max(20) }))
      .min(1)
      .max(60),
    spelling: z.enum(SPELLING),
  }),
  z.strictObject({ kind: z.literal('words'), ...base, item: Id.nullable(), min: number }),
  z.strictObject({
    kind: z.literal('style'),
    ...base,
    role: z.string().max(40),
    bold: z.boolean().nullable(),
    italic: z.boolean().nullable(),
    colour: Hex.nullable(),
  }),
  z.strictObject({
    kind: z.literal('items'),
    ...base,
    item: z.enum(['text', 'shape', 'line', 'picture']),
    min: number,
  }),
  z.strictObject({ kind: z.literal('name'), ...base, item: Id.nullable() }),
  z.strictObject({
    kind: z.literal('map'),
    ...base,
    /** The key: concepts with all words that count for them, and what they are joined by. Never sent to a student. */
    concepts: z
      .array(z.strictObject({ id: z.string().max(16), words: z.array(z.string().min(1).max(300)).min(1).max(20) }))
      .min(1)
      .max(200),
    links: z
      .array(z.strictObject({ from: z.string().max(16), to: z.string().max(16), words: z.string().max(120) }))
      .max(400),
    spelling: z.enum(SPELLING),
    /** Whether arrows have to point the right way, and whether links have to say the same. */
    direction: z.boolean(),
    words: z.boolean(),
  }),
  z.strictObject({ kind: z.literal('teacher'), ...base }),
  /** One that was stored and that this program does not know: `was` is its kind. Never made, only kept. */
  z.strictObject({ kind: z.literal('unknown'), ...base, was: z.string().max(60) }),
]);
export type LookFor = z.infer<typeof LookFor>;
export type LookForOf<K extends LookFor['kind']> = Extract<LookFor, { kind: K }>;

/** Something on the page that counts for or against: shown on the piece itself. */
export type Evidence = {
  /** The items it is about; empty where something is missing altogether. */
  items: string[];
  /** reversed, missing, extra: of links between things, beside what is wrong and what is left empty. */
  verdict: 'right' | 'near' | 'wrong' | 'empty' | 'reversed' | 'missing' | 'extra';
  /** What stands there. */
  said: string;
  /** What should stand there; kept from students. */
  meant: string;
};
export type Counted = { got: number; need: number; evidence: Evidence[] };
export type Result = Counted & {
  id: string;
  /** null: the teacher has to judge. */
  held: boolean | null;
};

export type Context = {
  /** The sheet as it was handed out: what it already held does not count as the student's. */
  handedOut: Sheet;
  studentName: string;
  /** What the pictures on the sheet are drawn with: parts that lines end on are then told by where they are. */
  pictures?: Pictures;
};

type Counter<K extends LookFor['kind']> = (lookFor: LookForOf<K>, sheet: Sheet, context: Context) => Counted | null;

/** Adding a look-for is adding a file in kinds/ and a row here; null leaves the judgement to the teacher. */
const COUNTERS: { [K in LookFor['kind']]: Counter<K> } = {
  labels: countLabels,
  words: countWords,
  style: countStyle,
  items: countItems,
  name: countName,
  map: countMap,
  teacher: () => null,
  unknown: () => null,
};

export function count(lookFor: LookFor, sheet: Sheet, context: Context): Result {
  const counted = (COUNTERS[lookFor.kind] as Counter<LookFor['kind']>)(lookFor as never, sheet, context);
  if (!counted) return { id: lookFor.id, held: null, got: 0, need: 0, evidence: [] };
  return { id: lookFor.id, held: counted.got >= counted.need, ...counted };
}

export const countAll = (lookFors: readonly LookFor[], sheet: Sheet, context: Context): Result[] =>
  lookFors.map((lookFor) => count(lookFor, sheet, context));

/** A look-for as a student may see it: without its key. */
export type StudentLookFor = { id: string; title: string; kind: LookFor['kind']; tell: LookFor['tell'] };
export const forStudent = ({ id, title, kind, tell }: LookFor): StudentLookFor => ({ id, title, kind, tell });

/** A result as a student may see it while working: nothing that the key could be read from. */
export function resultForStudent(lookFor: LookFor, result: Result): Result | null {
  if (lookFor.tell === 'after') return null;
  if (lookFor.tell === 'filled') {
    if (lookFor.kind === 'map') {
      // How many links are drawn, not which of them count.
      const drawn = result.evidence.filter((e) => ['wrong', 'reversed', 'extra'].includes(e.verdict)).length;
      const got = Math.min(result.need, result.got + drawn);
      return { id: result.id, held: got >= result.need, got, need: result.need, evidence: [] };
    }
    const written = result.evidence.filter((e) => e.verdict !== 'empty');
    const filled = result.evidence.length > 0 ? written.length : result.got;
    const need = result.evidence.length > 0 ? result.evidence.length : result.need;
    return {
      id: result.id,
      held: result.held === null ? null : filled >= need,
      got: filled,
      need,
      evidence: result.evidence.map(({ items, verdict, said }) => ({
        items,
        said,
        meant: '',
        verdict: verdict === 'empty' ? 'empty' : 'near',
      })),
    };
  }
  // Between which two things a link is missing is the answer itself.
  const told = result.evidence.filter(({ verdict }) => verdict !== 'missing');
  return { ...result, evidence: told.map((e) => ({ ...e, meant: '' })) };
}
