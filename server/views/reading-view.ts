import { longestWaiting } from '../../core/handout/state';
import { daysLate } from '../../core/handout/times';
import { countWords, evidenceWords, lookForKindOf } from '../../core/lookfors/all';
import { namesOf } from '../../core/values/names';
import { countedOn, countingOf } from '../actions/counting';
import type { Means } from '../actions/means';
import { openedOr } from '../actions/opened';
import { missing } from '../actions/refused';
import type { Piece } from '../actions/review';
import { pieceOf } from '../actions/review';
import { copiesOf } from '../stores/copies';
import { secondReaderOf, secondReadingsOf } from '../stores/second-reading';
import { goesOf, hasGoneOn } from '../stores/goes';
import { rightsOn } from '../stores/handouts';
import { sharesOf } from '../stores/mates';
import type { Person } from '../stores/people';
import { personById } from '../stores/people';
import { allSaidOn, signedNotesOf } from '../stores/reviews';
import { alikeTo } from './alike-view';
import { saidToReader } from './said-to';

/** One piece as its teacher reads it: a go that was handed in, or the copy as it is now. */

/** @param number of the go that is asked for; the newest where there is none of that number. @throws Refused where it is not theirs */
export async function readingView(means: Means, person: Pick<Person, 'id'>, piece: Piece, number: number) {
  const { db } = means;
  const now = Date.now();
  const copy = await pieceOf(db, person, piece);
  const [goes, copies, reader] = await Promise.all([
    goesOf(db, copy.id),
    copiesOf(db, copy.handout.id),
    secondReaderOf(db, copy.handout.id),
  ]);
  const go = goes.find((g) => g.number === number) ?? goes.at(-1);
  const goBefore = goes.filter((one) => go && one.number < go.number).at(-1);
  const { handout } = copy;
  const opened = go ? null : await openedOr(db, copy.documentId);
  if (opened === undefined) throw missing();
  const { sheet } = go ?? opened!;
  const here = copies.find(({ id }) => id === copy.id);
  const mayChange = (await rightsOn(db, person.id, handout.id)) === 'full';
  const counting = await countingOf(means, handout);
  const idsOf = (all: readonly (typeof go)[]) => all.flatMap((one) => one?.id ?? []);
  const [saidOn, signed] = await Promise.all([allSaidOn(db, idsOf([go, goBefore])), signedNotesOf(db, idsOf([go]))]);
  const first = saidOn(go?.id ?? '');
  const isSecond = reader?.id === person.id;
  const readings = reader
    ? await secondReadingsOf(
        db,
        reader.id,
        copies.flatMap(({ goId }) => goId ?? []),
      )
    : [];
  const reading = readings.find(({ goId }) => goId === go?.id);
  const isFinished = (goId: string | null) => readings.some((one) => one.goId === goId && one.done);
  const done = reading?.done ?? false;
  const own = { rulings: reading?.rulings ?? [], marks: reading?.marks ?? {} };
  // Each reads without knowing what the other says, until the second has finished.
  const to = saidToReader(isSecond ? readings : null);
  const { notes, ink } = go && !to.sees(go.id) ? { notes: [], ink: [] } : first;
  const { rulings, marks } = to.judged(go ?? { id: '', marks: {} }, first.rulings);
  return {
    personId: person.id,
    mayChange,
    copy: {
      id: copy.id,
      studentName: copy.studentName,
      /** Where one student alone works on it; null for a group, and while names are hidden. */
      studentId: namesOf(copy.studentName).length > 1 ? null : copy.studentId,
      state: copy.state,
      /** Which version of the handout it is; null where everybody has the same. */
      version: handout.versions.length > 0 ? copy.version : null,
      title: handout.title,
      documentId: copy.documentId,
      handoutId: handout.id,
      dueAt: handout.dueAt,
      closesAt: handout.closesAt,
      returnsAt: handout.returnsAt,
      extendedTo: copy.extendedTo,
      daysLate: here ? daysLate(here, handout.dueAt) : 0,
      begunAt: here?.begunAt ?? null,
    },
    /** Pieces that are like this one: a question, and for the teacher only. */
    alike: go && go === goes.at(-1) ? await alikeTo(means, handout, copies, copy.id) : [],
    /** What each did, where several worked on it. */
    shares: namesOf(copy.studentName).length > 1 ? await sharesOf(db, copy.id) : [],
    lookFors: handout.lookFors.map((lookFor) => {
      const { id, title, kind, points } = lookFor;
      const { whole = false, keyed = false } = lookForKindOf(kind);
      return { id, kind, title, whole, keyed, points, partly: 'partly' in lookFor ? lookFor.partly : undefined };
    }),
    rubric: handout.rubric,
    damage: opened && 'damage' in opened ? opened.damage : null,
    goDamaged: Boolean(go?.damage),
    go: go
      ? {
          id: go.id,
          number: go.number,
          handedInAt: go.handedInAt,
          returnedAt: go.returnedAt,
          outcome: go.outcome,
          heldFor: go.heldFor,
          marks,
          seen: go.seenAt !== null,
        }
      : null,
    /** Whether it is the newest go, and can be taken back. */
    mayRecall:
      mayChange &&
      Boolean(go?.returnedAt ?? go?.heldFor) &&
      go === goes.at(-1) &&
      (go?.heldFor != null || !(await hasGoneOn(db, copy.id))),
    /** The go before this one with what was said on it, to see what was done since. */
    goBefore: goBefore
      ? { number: goBefore.number, sheet: goBefore.sheet, marks: goBefore.marks, ...saidOn(goBefore.id) }
      : null,
    goes: goes.map(({ number, outcome }) => ({ number, outcome })),
    sheet,
    handedOut: handout.given,
    key: handout.sheet,
    // In words: the page would otherwise load all that look-fors are counted with.
    results: countedOn(handout, sheet, copy.studentName, counting).map((result, i) => ({
      ...result,
      counted: countWords(handout.lookFors[i], result),
      evidence: result.evidence.map((one) => ({ ...one, words: evidenceWords(handout.lookFors[i], one) })),
    })),
    notes,
    /** Who wrote notes that this teacher did not, by the note's id. */
    notesBy: Object.fromEntries(
      signed.filter(({ authorId }) => authorId !== person.id).map(({ id, author }) => [id, author]),
    ),
    rulings,
    ink,
    /** Where it is read twice: by whom else, and what they say once the second reader has finished. */
    second: reader && {
      role: isSecond ? ('second' as const) : ('first' as const),
      name: isSecond ? ((await personById(db, handout.teacherId))?.name ?? '') : reader.name,
      done,
      word: done || isSecond ? (reading?.word ?? '') : '',
      other: !done ? null : isSecond ? { rulings: first.rulings, marks: go?.marks ?? {} } : own,
    },
    band: copies.map(({ id, studentName, state, heldFor, goId }) => ({
      id,
      studentName,
      state,
      heldFor,
      finished: isFinished(goId),
    })),
    /** Which piece will be read after this one. */
    next:
      (isSecond
        ? copies.find(({ id, goId }) => id !== copy.id && goId !== null && !isFinished(goId))
        : longestWaiting(copies.filter(({ id }) => id !== copy.id))
      )?.id ?? null,
    now,
  };
}
