import { z } from 'zod';
import { LONGEST_PHRASE } from '../../core/review/phrases';
import { Id } from '../../core/values/primitives';
import type { Database } from '../database/connection';
import type { Person } from '../stores/people';
import { changePhrase, keepPhrase, removePhrase } from '../stores/phrases';
import { Refused } from './refused';

/** A teacher's phrase bank. */

const Body = z
  .string()
  .trim()
  .min(1, 'Write something first.')
  .max(LONGEST_PHRASE, `A phrase has at most ${LONGEST_PHRASE} letters.`);
/** The kind of a look-for. */
const About = z.string().regex(/^[a-z-]{1,30}$/);

export const WithPhrases = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('keep'), phrase: Id, body: Body, about: z.array(About).max(10) }),
  z.strictObject({ do: z.literal('word'), phrase: Id, body: Body }),
  z.strictObject({ do: z.literal('share'), phrase: Id, shared: z.boolean() }),
  z.strictObject({ do: z.literal('remove'), phrase: Id }),
]);

export type WithPhrases = z.infer<typeof WithPhrases>;

/** @throws Refused where the phrase is not theirs */
export async function doWithPhrases(
  db: Database,
  { id: ownerId }: Pick<Person, 'id'>,
  asked: WithPhrases,
): Promise<void> {
  if (asked.do === 'keep') {
    const { phrase: id, body, about } = asked;
    return void (await keepPhrase(db, ownerId, { id, body, about }));
  }
  if (asked.do === 'remove') return void (await removePhrase(db, ownerId, asked.phrase));
  const change = asked.do === 'word' ? { body: asked.body } : { shared: asked.shared };
  const changed = await db.transaction((tx) => changePhrase(tx, ownerId, asked.phrase, change));
  if (!changed) throw new Refused(409, 'This phrase is not there any more. Keep it as a new one.');
}
