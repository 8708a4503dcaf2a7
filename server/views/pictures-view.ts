import { mayUploadOn } from '../../core/handout/laid-out';
import { isOpen } from '../../core/handout/state';
import { isOwn } from '../../core/pictures/picture';
import { missing } from '../actions/refused';
import type { Database } from '../database/connection';
import { copyOfStudent } from '../stores/copies';
import type { Person } from '../stores/people';
import type { OwnPicture } from '../stores/pictures';
import { picturesOf, shelfOf } from '../stores/pictures';

/** The pictures to choose from besides those that ship. */

export type PicturesView = {
  /** Uploaded ones: one's own, those that colleagues share, and those that are laid out. */
  pictures: OwnPicture[];
  mayBring: boolean;
  /** On a copy: what its teacher laid out, which may also be pictures that ship, and whether there are no others. */
  laidOut: { ids: readonly string[]; only: boolean };
};

/**
 * @param copyId the copy that they are wanted for; null for a sheet of one's own
 * @throws Refused where there is no such copy of theirs
 */
export async function picturesView(
  db: Database,
  person: Pick<Person, 'id' | 'role' | 'schoolId'>,
  copyId: string | null,
): Promise<PicturesView> {
  if (copyId === null) {
    const mayBring = person.role === 'teacher';
    const pictures = mayBring ? await shelfOf(db, person.id) : [];
    return { pictures, mayBring, laidOut: { ids: [], only: false } };
  }
  const copy = await copyOfStudent(db, person.id, copyId);
  if (!copy) throw missing();
  const { supplies, laidOut } = copy.handout;
  const mayBring = isOpen(copy.state) && mayUploadOn(supplies, laidOut);
  const laid = await picturesOf(db, person.schoolId, laidOut.pictures.filter(isOwn));
  const own = mayBring ? (await shelfOf(db, person.id)).filter(({ by }) => by === null) : [];
  const ids = new Set(laid.map(({ id }) => id));
  return {
    pictures: [...laid, ...own.filter(({ id }) => !ids.has(id))],
    mayBring,
    laidOut: { ids: laidOut.pictures, only: laidOut.only },
  };
}
