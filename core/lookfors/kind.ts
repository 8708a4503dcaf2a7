import { z } from 'zod';
import type { Supply } from '../handout/supplies';
import type { Pictures } from '../pictures/picture';
import type { Faces } from '../text/faces';
import type { Sheet } from '../schema/sheet';
import type { Part } from './sentence';
import { TITLE_LENGTH } from './sentence';
import { find } from '../sheet/tree';
import { cutTo } from '../values/characters';
import { Id } from '../values/primitives';

/** A look-for kind: one object each, listed in all.ts. */

export const MOST_POINTS = 100;
/** The settings that every look-for has. */
export const base = {
  id: Id,
  /** As the student reads it. */
  title: z.string().trim().min(1, 'say what you will look for').max(TITLE_LENGTH),
  /** The title follows the settings; without it a person wrote the title. */
  follows: z.literal(true).optional(),
  /** What the student is told while working: the count, only what is filled in, or nothing until it is returned. */
  tell: z.enum(['result', 'filled', 'after']),
  /** What it brings towards the marks; without it nothing. */
  points: z.number().min(0.5, 'at least half a point').max(MOST_POINTS, `at most ${MOST_POINTS} points`).optional(),
};
export const MOST_TRIES = 20;
/** The settings of those with a key. */
export const keyedBase = {
  ...base,
  /** How often a student may ask on one go whether the answers are right. */
  tries: z.number().int().min(1).max(MOST_TRIES).optional(),
  /** Each right answer brings its share of the points; without it they come when all are right. */
  partly: z.literal(true).optional(),
};
/** How many of something a look-for asks for. */
export const atLeast = z.number().int().min(1, 'at least 1').max(500, 'at most 500');

/** Something on the page that counts for or against, shown on the piece. */
export type Evidence = {
  /** The items it is about; empty where something is missing altogether. */
  items: string[];
  /**
   * swapped: two answers stand in each other's place; reversed, missing, extra: of links between things, beside what is wrong
   * and what is left empty.
   */
  verdict: 'right' | 'near' | 'wrong' | 'swapped' | 'empty' | 'reversed' | 'missing' | 'extra';
  /** What stands there. */
  said: string;
  /** What should stand there; kept from students. */
  meant: string;
};
export type Counted = {
  got: number;
  need: number;
  evidence: Evidence[];
  /** Whether it is met, where that is not simply `got` reaching `need`. */
  met?: boolean;
};
export const isMet = ({ met, got, need }: Counted): boolean => met ?? got >= need;
/** Answers that are right, or taken for right. */
export const rightIn = (evidence: readonly Evidence[]): number =>
  evidence.filter(({ verdict }) => verdict === 'right' || verdict === 'near').length;
export type Result = Omit<Counted, 'met'> & {
  id: string;
  /** null: the teacher has to judge. */
  held: boolean | null;
};

export type Context = {
  /** The sheet as it was handed out: what it already held does not count as the student's. */
  handedOut: Sheet;
  /** What students could look at beside it. */
  example?: Sheet | null;
  studentName: string;
  /** Whether a word is spelt as a dictionary or somebody's name has it; without it, spelling is left to the teacher. */
  isWord?: (word: string) => boolean;
  /** What the pictures on the sheet are drawn with: parts that lines end on are then told by where they are. */
  pictures?: Pictures;
  /** What words are drawn with; without it, whether they can be read is left to the teacher. */
  faces?: Faces;
};

export type Base = {
  kind: string;
  id: string;
  title: string;
  follows?: true;
  tell: 'result' | 'filled' | 'after';
  points?: number;
};
/** What a kind decides on itself. */
export type Own<L extends Base> = Omit<L, 'id' | 'kind' | 'title' | 'follows' | 'points'>;

/** A kind of look-for: how it is stored, begun, counted and put into words. */
export type LookForKind<L extends Base> = {
  kind: L['kind'];
  /** Its name in the list to choose from. */
  name: string;
  schema: z.ZodType<L>;
  /**
   * A new one, filled from the sheet; or the reason why the sheet has nothing for it.
   * @param last the one of its kind that was chosen last, where there is one
   */
  begin(sheet: Sheet, last?: L): { settings: Own<L> } | { nothing: string };
  /** What it looks for, with its settings as slots. The sheet is the one that is handed out. */
  sentence(lookFor: L, sheet: Sheet): Part<Partial<Own<L>>>[];
  /** Why it can never be met, or never missed, as it is set. */
  contradicts?(lookFor: L, sheet: Sheet): string | null;
  /** How a student gets there, in a sentence or two; empty where the title says it all. */
  hint?(lookFor: L): string;
  /** Its evidence says in words why something does not fit, and nothing that would be an answer. */
  saysWhy?: boolean;
  /** It asks whether words are spelt rightly: a dictionary and people's names have to be there. */
  asksSpelling?: true;
  /** Supplies of which one has to be open to students, and why. */
  needs?: { any: readonly Supply[]; why: string };
  /** Whether it is suggested for a sheet as a matter of course. */
  suits?(sheet: Sheet): boolean;
  /** null leaves the judgement to the teacher. */
  count(lookFor: L, sheet: Sheet, context: Context): Counted | null;
  /** What it is counted from. Sheets are immutable: while these are the same objects the count stays. */
  sources(lookFor: L, sheet: Sheet): readonly unknown[];
  /** With its key as the sheet has it now; null when the sheet has nothing for it any more. */
  rekeyed?(lookFor: L, sheet: Sheet): L | null;
  /** How much is filled in, for students who are told no more than that. */
  filled?(result: Result): Counted;
  /** What is counted, one and several of it; without it the count is a share, such as 8 of 9. */
  unit?(lookFor: L): readonly [one: string, many: string, how?: string] | undefined;
  /** How a piece of evidence reads to the teacher. */
  worded?(evidence: Evidence): string;
  /** What a class misses, from the evidence of one piece; without it the look-for itself is named. */
  missed?(evidence: Evidence): string | null;
  /** Its evidence is not shown spot by spot. */
  whole?: boolean;
  /** Each piece of evidence has a right answer of its own, so that a ruling on the whole does not settle it. */
  keyed?: boolean;
};

/** An item with what decides whether it is seen. */
export function placed(sheet: Sheet, id: string): readonly unknown[] {
  const place = find(sheet, id);
  return place ? [place.item, ...place.groups, place.page.width, place.page.height] : [];
}

/** What evidence says when nothing else is known of it. */
export function plainly({ verdict, said }: Evidence): string {
  if (verdict === 'empty') return 'nothing written';
  return said.length > 60 ? `“${cutTo(said, 58)}…”` : `“${said}”`;
}
