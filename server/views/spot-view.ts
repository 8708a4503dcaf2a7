import { blanksOn } from '../../core/handout/blanks';
import type { Box } from '../../core/geometry/matrix';
import { boxOf } from '../../core/items/hit';
import { itemName } from '../../core/items/name';
import { evidenceWords, lookForKindOf } from '../../core/lookfors/all';
import type { LookFor } from '../../core/lookfors/all';
import type { Result } from '../../core/lookfors/kind';
import type { Pictures } from '../../core/pictures/picture';
import { answerOf } from '../../core/review/questions';
import type { Picked } from '../../core/review/spot';
import { standing } from '../../core/review/spot';
import type { Sheet } from '../../core/schema/sheet';
import { isWritten } from '../../core/schema/sheet';
import { find } from '../../core/sheet/tree';
import { isEmpty } from '../../core/text/body';
import { seenHandout } from '../actions/class-rights';
import type { Means } from '../actions/means';
import type { Person } from '../stores/people';
import { notesOf, rulingsOf } from '../stores/reviews';
import { handedIn } from './handed-in';
import { saidTo } from './said-to';

/** One spot of a sheet on all pieces that were handed in. */

/** A thing of the sheet that can be looked at on all pieces: a blank, or what an answer stands in. */
type OfferedSpot = { item: string; page: string; box: Box; name: string; wrong: number };

/** The blanks of a sheet in reading order, then what else its answers stand in. */
function offeredSpots(given: Sheet, pieces: readonly (readonly Result[])[], pictures: Pictures): OfferedSpot[] {
  const wrong = new Map<string, number>();
  const meant = new Map<string, string>();
  for (const results of pieces)
    for (const result of results)
      for (const one of result.evidence) {
        const answer = answerOf(result, one);
        if (!answer) continue;
        const { item, right } = answer;
        wrong.set(item, (wrong.get(item) ?? 0) + (right ? 0 : 1));
        if (one.meant !== '' && !meant.has(item)) meant.set(item, one.meant);
      }
  const blanks = given.pages.flatMap((page) => blanksOn(page, pictures).map(({ item }) => item.id));
  return [...new Set([...blanks, ...wrong.keys()])].flatMap((id, i) => {
    const place = find(given, id);
    if (!place || place.item.hidden) return [];
    const { page, item } = place;
    return [
      {
        item: id,
        page: page.id,
        box: boxOf(page, item, pictures),
        name: meant.get(id) ?? (isWritten(item) && isEmpty(item.body) ? `Blank ${i + 1}` : itemName(item)),
        wrong: wrong.get(id) ?? 0,
      },
    ];
  });
}

/** The answer in a spot: what it says and counts as, by the first look-for that has one there. */
function answerAt(lookFors: readonly LookFor[], results: readonly Result[], item: string) {
  for (const result of results) {
    const lookFor = lookFors.find(({ id }) => id === result.id)!;
    if (!lookForKindOf(lookFor.kind).keyed) continue;
    for (const evidence of result.evidence) {
      const answer = answerOf(result, evidence);
      if (answer?.item === item) return { answer, evidence, words: evidenceWords(lookFor, evidence) };
    }
  }
  return undefined;
}

/**
 * @param asked the spot; without one, the one that most have wrong
 * @throws Refused where it is not theirs
 */
export async function spotView(means: Means, person: Pick<Person, 'id'>, handoutId: string, asked: Picked | null) {
  const { db } = means;
  const { handout: whole, rights } = await seenHandout(db, person, handoutId);
  const { copies, counted, pictures } = await handedIn(means, whole);
  const { given } = whole;
  const spots = offeredSpots(
    given,
    counted.map(({ results }) => results),
    pictures,
  );
  const worst = spots.reduce<OfferedSpot | undefined>(
    (best, spot) => (!best || spot.wrong > best.wrong ? spot : best),
    undefined,
  );
  const spot = asked ?? (worst ? { item: worst.item } : null);
  const ids = counted.map(({ go }) => go.id);
  const [notes, rulings, said] = await Promise.all([
    notesOf(db, ids),
    rulingsOf(db, ids),
    saidTo(db, person, handoutId, ids),
  ]);
  const pieces = counted.flatMap(({ copy, go, handout, given: before, results }) => {
    const counts = spot && 'item' in spot ? answerAt(handout.lookFors, results, spot.item) : undefined;
    const { answer = null, evidence, words = '' } = counts ?? {};
    const stands = spot && standing(go.sheet, before, spot, pictures, copy.id, evidence?.items.slice(1));
    if (!stands) return [];
    const written = evidence ? (evidence.verdict === 'empty' ? '' : evidence.said) : stands.written;
    return [
      {
        ...stands,
        copyId: copy.id,
        goId: go.id,
        studentName: copy.studentName,
        state: copy.state,
        version: copy.version,
        written,
        // The same words can be right on one version and wrong on another.
        key: answer ? written && `${written}\n${answer.right}` : stands.key,
        answer,
        /** What there is to say about it, beyond what it says itself. */
        words: evidence && !['right', 'empty'].includes(evidence.verdict) ? words : '',
        results: results.map(({ id, held }) => ({ id, held })),
        ...said.judged(
          go,
          rulings.filter(({ goId }) => goId === go.id),
        ),
        notes: notes.filter(({ goId }) => goId === go.id && said.sees(goId)),
      },
    ];
  });
  return {
    personId: person.id,
    /** A second reader judges piece by piece: what is judged here is the first reader's. */
    mayChange: rights === 'full' && !said.isSecond,
    handout: {
      id: whole.id,
      title: whole.title,
      versions: whole.versions.length,
      rubric: whole.rubric,
      lookFors: whole.lookFors.map(({ id, kind, title }) => ({ id, kind, title })),
    },
    pages: given.pages.map(({ id, width, height }) => ({ id, width, height })),
    spots,
    spot,
    pieces,
    /** Handed in or done, but without this spot: another version, or a page that was taken off. */
    without: counted.length - pieces.length,
    /** Not handed in. */
    atWork: copies.length - counted.length,
  };
}
