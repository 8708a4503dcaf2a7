import { placedOn } from '../../core/review/placed';
import { seenHandout } from '../actions/class-rights';
import type { Means } from '../actions/means';
import type { Person } from '../stores/people';
import { rulingsOf } from '../stores/reviews';
import { handedIn } from './handed-in';
import { saidTo } from './said-to';

/** What all students put where, on one sheet. */

/**
 * @param version of the handout, from 0: those who have another are left out, as their sheet is another
 * @throws Refused where it is not theirs
 */
export async function placedView(means: Means, person: Pick<Person, 'id'>, handoutId: string, version: number) {
  const { db } = means;
  const { handout: whole } = await seenHandout(db, person, handoutId);
  const { copies, counted, pictures } = await handedIn(means, whole);
  const shown = whole.versions[version] ? version : 0;
  const own = counted.filter(({ copy }) => whole.versions.length === 0 || copy.version === shown);
  const ids = own.map(({ go }) => go.id);
  const [rulings, said] = await Promise.all([rulingsOf(db, ids), saidTo(db, person, handoutId, ids)]);
  const { given } = whole.versions[shown] ?? whole;
  return {
    handout: { id: whole.id, title: whole.title, versions: whole.versions.length },
    version: shown,
    pages: given.pages.map(({ id, width, height }) => ({ id, width, height })),
    pieces: own.map(({ copy: { id, studentName }, go, given: before, results }) => ({
      copyId: id,
      studentName,
      placed: placedOn(
        {
          sheet: go.sheet,
          results,
          rulings: said.judged(
            go,
            rulings.filter(({ goId }) => goId === go.id),
          ).rulings,
        },
        before,
        pictures,
      ),
    })),
    /** Not handed in. */
    atWork: copies.length - counted.length,
  };
}
