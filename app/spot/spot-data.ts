import { nanoid } from 'nanoid';
import { useMemo, useSyncExternalStore } from 'react';
import type { Judging, Verdict } from '../../core/review/judging';
import { judgeAll } from '../../core/review/judging';
import type { Note, Said } from '../../core/review/said';
import { saidAfter } from '../../core/review/said';
import type { spotView } from '../../server/views/spot-view';
import { keep } from '../keeping/kept';
import { asideOn, senderOf, stepsSince, useSending } from '../keeping/sender';

/** What teachers said on all pieces at once, whether the school has it yet or not, and saying more. */

export type SpotData = Awaited<ReturnType<typeof spotView>> & { begun: number };
export type Piece = SpotData['pieces'][number] & { said: Said };

/** What is drawn by hand is not shown here. */
const NO_INK: Said['ink'] = [];

/** Only what is with its teacher can be judged. */
export const mayJudge = ({ state }: Pick<Piece, 'state'>): boolean => state === 'handed-in';

export function useSpotPieces({ personId, handout, pieces, begun }: SpotData) {
  const sender = senderOf(personId);
  const sending = useSending(personId);
  const version = useSyncExternalStore(
    sender.subscribe,
    () => sender.version,
    () => 0,
  );
  const now = useMemo(
    () =>
      pieces.map((piece): Piece => {
        const { goId, notes, rulings, marks } = piece;
        return {
          ...piece,
          said: saidAfter(goId, { notes, rulings, marks, ink: NO_INK }, stepsSince(sender.stepsOn(goId), begun)),
        };
      }),
    // What was said since is another with each version.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [pieces, begun, sender, version],
  );
  const ids = useMemo(() => new Set(pieces.map(({ copyId }) => copyId)), [pieces]);
  // Whatever is refused is told with another version.
  const refused = useMemo(() => (version > 0 ? asideOn(personId, ids) : []), [personId, ids, version]);
  const waiting = now.flatMap(({ goId }) => sender.stepsOn(goId)).filter(({ takenAt }) => takenAt === null).length;
  const piece = (copyId: string) => ({ handoutId: handout.id, copyId });
  return {
    pieces: now,
    sending,
    waiting,
    /** Why something that was said could not be taken; each is also told where its piece is read. */
    reasons: [...new Set(refused.map(({ value }) => value.reason))],
    seen: () => refused.forEach(({ place }) => keep(personId, place, null)),
    /** @param to null takes what was said back */
    judge(judging: Judging, on: readonly Piece[], to: Verdict | null) {
      for (const { piece: one, step } of judgeAll(judging, on.filter(mayJudge), to))
        sender.say(one.goId, { ...piece(one.copyId), step, spot: null });
    },
    /** The same note on each of these pieces. */
    note(on: readonly Piece[], body: string, about?: string) {
      for (const { goId, copyId, page, item, at } of on.filter(mayJudge)) {
        const spot = { page, item, ...at };
        sender.say(goId, { ...piece(copyId), step: { do: 'note', note: nanoid(), ...spot, body, about }, spot });
      }
    },
    removeNotes(on: readonly Piece[], body: string) {
      for (const one of on.filter(mayJudge))
        for (const note of notesHere(one))
          if (note.body === body)
            sender.say(one.goId, { ...piece(one.copyId), step: { do: 'remove-note', note: note.id }, spot: null });
    },
  };
}

/** Points between a note and the middle of the spot, below which it is about the spot. */
const NEAR = 12;
/** What was written on this spot of a piece. */
export const notesHere = ({ said, item, page, at }: Piece): Note[] =>
  said.notes.filter((note) =>
    item !== null
      ? note.itemId === item
      : note.pageId === page && note.x !== null && note.y !== null && Math.hypot(note.x - at.x, note.y - at.y) < NEAR,
  );
