import { z } from 'zod';
import { longestWaiting, OUTCOMES } from '../../core/handout/state';
import { isSecond, MOST_INK, MOST_WORD, Saying } from '../../core/review/said';
import { Id } from '../../core/schema/sheet';
import type { Database } from '../database/connection';
import type { CopyView } from '../stores/copies';
import { copiesOf, copyForTeacher } from '../stores/copies';
import { goesOf, recall, releaseHeld, returnGo } from '../stores/goes';
import type { Person } from '../stores/people';
import { inkCountOn, sayOn } from '../stores/reviews';
import { mayChange } from './class-rights';
import { announce } from './live';
import { missing, Refused } from './refused';
import { areSecond, reviewSecond } from './second-reading';
import { spaced } from './spaced';

/** What a teacher does with a piece that was handed in. */

export type Piece = { handoutId: string; copyId: string };

/** @throws Refused where it is not theirs, or not of that handout */
export async function pieceOf(
  db: Database,
  person: Pick<Person, 'id'>,
  { handoutId, copyId }: Piece,
): Promise<CopyView> {
  const copy = await copyForTeacher(db, person.id, copyId);
  if (!copy || copy.handout.id !== handoutId) throw missing();
  return copy;
}

export const Review = z.strictObject({ go: Id, steps: z.array(Saying).min(1).max(100) });

/** Takes everything a teacher says on a go. @throws Refused, and takes nothing */
export async function review(
  db: Database,
  person: Pick<Person, 'id'>,
  piece: Piece,
  { go, steps }: z.infer<typeof Review>,
): Promise<void> {
  const copy = await pieceOf(db, person, piece);
  if (steps.some(isSecond)) await areSecond(db, person, copy.handout.id, steps);
  else await mayChange(db, person, copy.handout.id);
  for (const step of steps) {
    if (step.do !== 'mark' || step.level === null) continue;
    const row = copy.handout.rubric.rows.find(({ id }) => id === step.row);
    if (!row || step.level >= row.levels.length) throw new Refused(400, 'This rubric has no such level.');
  }
  if (steps.some(isSecond)) return reviewSecond(db, person, copy, go, steps);
  if (steps.some((step) => step.do === 'note' && (step.spoken === undefined) !== (step.sound === undefined)))
    throw new Refused(422, 'What was spoken did not come along. Record it once more.');
  const drawn = steps.filter((step) => step.do === 'draw').length;
  if (drawn > 0 && drawn + (await inkCountOn(db, go)) > MOST_INK)
    throw new Refused(422, `A piece holds ${MOST_INK} strokes and stamps. Delete some first.`);
  if (!(await sayOn(db, { goId: go, copyId: copy.id, authorId: person.id }, steps)))
    throw new Refused(409, `This piece is with ${copy.studentName} again.`);
  await announce(db, { documentId: copy.documentId, handoutId: copy.handout.id, kind: 'said', by: person.id });
}

export const Returning = z.strictObject({ go: Id, outcome: z.enum(OUTCOMES) });

/** Gives back what was held back and whose time is there, and tells those who have it open. */
export async function giveBackHeld(db: Database, handoutId: string | null = null): Promise<void> {
  for (const piece of await releaseHeld(db, handoutId)) await announce(db, { ...piece, kind: 'moved' });
}

/** Returns a piece to its student, and says which one waits longest now. @throws Refused where it can't be returned */
export async function returnPiece(
  db: Database,
  person: Pick<Person, 'id'>,
  piece: Piece,
  { go, outcome }: z.infer<typeof Returning>,
): Promise<{ next: string | null }> {
  const copy = await pieceOf(db, person, piece);
  await mayChange(db, person, copy.handout.id);
  if (!(await goesOf(db, copy.id)).some(({ id }) => id === go))
    throw new Refused(422, `${copy.studentName} has taken this piece back. What you wrote stays here for the next go.`);
  const moved = await returnGo(db, go, outcome);
  if (!moved.ok) throw new Refused(422, moved.reason);
  await announce(db, { documentId: copy.documentId, handoutId: copy.handout.id, kind: 'moved' });
  return { next: longestWaiting(await copiesOf(db, copy.handout.id))?.id ?? null };
}

/** Pieces of a class, each with the go that was looked at: one handed in since is another. */
export const ReturningMany = z.strictObject({
  outcome: z.enum(OUTCOMES),
  pieces: spaced.pipe(
    z
      .array(z.string().regex(/^[\w-]{1,40}:[\w-]{1,40}$/))
      .min(1, 'Choose a piece first.')
      .max(1000),
  ),
});

/**
 * Returns several pieces, each by itself: how many went, and whose did not, as they have taken them back or another teacher was
 * faster. @throws Refused where they are not of that handout, and returns none
 */
export async function returnPieces(
  db: Database,
  person: Pick<Person, 'id'>,
  handoutId: string,
  { outcome, pieces }: z.infer<typeof ReturningMany>,
): Promise<{ returned: number; left: string[]; until: Date | null }> {
  await mayChange(db, person, handoutId);
  const copies = new Map((await copiesOf(db, handoutId)).map((copy) => [copy.id, copy]));
  const chosen = [...new Set(pieces)].map((piece) => {
    const [copyId, goId] = piece.split(':');
    const copy = copies.get(copyId);
    if (!copy) throw missing();
    return { copy, goId };
  });
  const left: string[] = [];
  let until: Date | null = null;
  for (const { copy, goId } of chosen) {
    const moved = copy.goId === goId ? await returnGo(db, goId, outcome) : null;
    if (moved?.ok) {
      until = moved.until ?? null;
      await announce(db, { documentId: copy.documentId, handoutId, kind: 'moved' });
    } else left.push(copy.studentName);
  }
  return { returned: chosen.length - left.length, left, until };
}

export const Recalling = z.strictObject({
  word: z.string().trim().max(MOST_WORD, `At most ${MOST_WORD} letters.`).default(''),
});

/** Takes a piece that was returned back. @throws Refused where it can't be, naming the field where a word is missing */
export async function recallPiece(
  db: Database,
  person: Pick<Person, 'id'>,
  piece: Piece,
  { word }: z.infer<typeof Recalling>,
): Promise<void> {
  const copy = await pieceOf(db, person, piece);
  await mayChange(db, person, copy.handout.id);
  const moved = await recall(db, copy.id, word || null);
  if (!moved.ok) throw new Refused(422, moved.reason, moved.unsaid && 'word');
  await announce(db, { documentId: copy.documentId, handoutId: copy.handout.id, kind: 'moved' });
}
