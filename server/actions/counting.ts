import type { Context, Result } from '../../core/lookfors/kind';
import { partsOfNames, withoutPossessive } from '../../core/language/words';
import { anyAsksSpelling, countAll } from '../../core/lookfors/all';
import type { Tally } from '../../core/lookfors/recount';
import { tallied } from '../../core/lookfors/recount';
import { foundOnce } from '../../core/values/remembered';
import { Recent } from '../../core/values/recent';
import type { Sheet } from '../../core/schema/sheet';
import type { Handout } from '../stores/handouts';
import { isInDictionary } from '../art/dictionary';
import type { Database } from '../database/connection';
import { namesAround } from '../stores/people';
import type { Kit, Means } from './means';

/** Look-fors of a handout counted on its pieces. */

/** How many copies in work are remembered with their counts. */
const KEPT = 400;
const tallies = new Recent<string, Tally>(KEPT);

/** What the look-fors of a handout are counted with. */
export type Counting = Kit & Pick<Context, 'example' | 'isWord'>;

/** Names are asked for again after so many milliseconds: every save counts, and a class has the same names for long. */
const FRESH = 20_000;
type IsWord = NonNullable<Context['isWord']>;
const fetched = foundOnce((_db: Database) => new Map<string, { at: number; isWord: IsWord }>());
/** The same function for as long as the names are fresh: what it said of the words of a box is kept with it. */
async function isWordFor(db: Database, teacherId: string): Promise<IsWord> {
  const known = fetched(db);
  const last = known.get(teacherId);
  if (last && Date.now() - last.at < FRESH) return last.isWord;
  const names = new Set(partsOfNames(await namesAround(db, teacherId)));
  const isName = (word: string) => names.has(withoutPossessive(word).toLowerCase());
  const isWord: IsWord = (word) => isName(word) || isInDictionary(word);
  known.set(teacherId, { at: Date.now(), isWord });
  return isWord;
}

/** Names are fetched where spelling is asked for. */
export async function countingOf({ db, pictures, faces }: Means, handout: Handout): Promise<Counting> {
  const { example, lookFors, teacherId } = handout;
  const kit = { pictures, faces, example };
  return anyAsksSpelling(lookFors) ? { ...kit, isWord: await isWordFor(db, teacherId) } : kit;
}

const contextOf = (handout: Handout, studentName: string, counting: Counting): Context => ({
  handedOut: handout.given,
  studentName,
  ...counting,
});

/** What was counted on a sheet, by the look-for list that asked: a piece is looked at many times after it was handed in. */
type Counted = { context: Context; results: Result[] };
const countsOn = foundOnce((_sheet: Sheet) => new WeakMap<Handout['lookFors'], Counted>());
const isSame = (one: Context, other: Context) =>
  (Object.keys({ ...one, ...other }) as (keyof Context)[]).every((key) => one[key] === other[key]);

export function countedOn(handout: Handout, sheet: Sheet, studentName: string, counting: Counting): Result[] {
  const { lookFors } = handout;
  const context = contextOf(handout, studentName, counting);
  const counts = countsOn(sheet);
  const last = counts.get(lookFors);
  if (last && isSame(last.context, context)) return last.results;
  const results = countAll(lookFors, sheet, context);
  counts.set(lookFors, { context, results });
  return results;
}

/** The same for a copy in work: only what the last change affects is counted again. */
export function countedOnCopy(
  handout: Handout,
  copy: { id: string; sheet: Sheet },
  studentName: string,
  counting: Counting,
): Result[] {
  const tally = tallied(handout.lookFors, copy.sheet, contextOf(handout, studentName, counting), tallies.get(copy.id));
  tallies.set(copy.id, tally);
  return tally.results;
}
