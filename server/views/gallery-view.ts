import { hung, seenBy } from '../../core/review/gallery';
import { sheetWithoutNames } from '../../core/review/nameless';
import type { Sheet } from '../../core/schema/sheet';
import { seenHandout } from '../actions/class-rights';
import { missing } from '../actions/refused';
import type { Database } from '../database/connection';
import type { Gallery, GalleryPiece } from '../stores/gallery';
import { galleriesFor, galleryNotes, galleryOf, galleryPieces, ownCopies } from '../stores/gallery';
import { goesById } from '../stores/goes';
import type { Person } from '../stores/people';

/** A gallery as its teacher sees it, and as students do. */

const CLOSED: Gallery = { open: false, named: false, afterOwn: true };

/** How many pages each go has, and the size of the first. */
async function pagesOf(db: Database, pieces: readonly GalleryPiece[]) {
  const goes = new Map(
    (
      await goesById(
        db,
        pieces.map(({ goId }) => goId),
      )
    ).map((go) => [go.id, go.sheet]),
  );
  return (goId: string) => {
    const pages = goes.get(goId)?.pages ?? [];
    return { pages: pages.length, width: pages[0]?.width ?? 1, height: pages[0]?.height ?? 1 };
  };
}

/** @throws Refused where the handout is of no class of theirs */
export async function galleryView(db: Database, teacher: Pick<Person, 'id'>, handoutId: string) {
  const now = Date.now();
  const { handout, rights } = await seenHandout(db, teacher, handoutId);
  const [gallery = CLOSED, all, notes] = await Promise.all([
    galleryOf(db, handoutId),
    galleryPieces(db, handoutId),
    galleryNotes(db, handoutId),
  ]);
  const size = await pagesOf(db, all);
  const called = new Map(
    hung(
      all.filter(({ shown }) => shown),
      gallery.named,
    ).map(({ id, studentName }) => [id, studentName]),
  );
  return {
    handout: { id: handout.id, title: handout.title, rights },
    gallery,
    /** In the order in which they hang. `called`: what students read under it; null for one that was taken down. */
    pieces: [...called.keys(), ...all.flatMap(({ id, shown }) => (shown ? [] : [id]))]
      .map((id) => all.find((piece) => piece.id === id)!)
      .map(({ id, copyId, goId, shown, studentName }) => ({
        id,
        copyId,
        goId,
        shown,
        studentName,
        called: called.get(id) ?? null,
        ...size(goId),
        notes: notes.flatMap(({ pieceId, authorId: _, ...note }) => (pieceId === id ? [note] : [])),
      })),
    now,
  };
}

/** @throws Refused where it is not open to them */
export async function studentGalleryView(db: Database, student: Pick<Person, 'id'>, handoutId: string) {
  const [found] = await galleriesFor(db, student.id, handoutId);
  if (!found) throw missing();
  const [all, notes, own] = await Promise.all([
    galleryPieces(db, handoutId),
    galleryNotes(db, handoutId),
    ownCopies(db, student.id, handoutId),
  ]);
  const shown = all.filter((piece) => piece.shown);
  const size = await pagesOf(db, shown);
  return {
    personId: student.id,
    handoutId,
    title: found.title,
    named: found.named,
    pieces: hung(shown, found.named).map(({ id, goId, copyId, studentName }) => ({
      id,
      goId,
      called: studentName,
      isMine: own.includes(copyId),
      ...size(goId),
      notes: seenBy(
        notes.filter(({ pieceId }) => pieceId === id),
        student.id,
        found.named,
      ).map(({ id: note, kind, body, by, isMine, isShown }) => ({ id: note, kind, body, by, isMine, isShown })),
    })),
  };
}

/** A piece as it hangs, for whoever may see it. `key` tells it from the same without names. @throws Refused */
export async function hungSheet(
  db: Database,
  person: Pick<Person, 'id' | 'role'>,
  handoutId: string,
  pieceId: string,
): Promise<{ key: string; sheet: Sheet }> {
  const isTeacher = person.role === 'teacher';
  if (isTeacher) await seenHandout(db, person, handoutId);
  else if ((await galleriesFor(db, person.id, handoutId)).length === 0) throw missing();
  const [gallery, pieces] = await Promise.all([galleryOf(db, handoutId), galleryPieces(db, handoutId)]);
  const piece = pieces.find(({ id, shown }) => id === pieceId && (shown || isTeacher));
  const [go] = piece ? await goesById(db, [piece.goId]) : [];
  if (!go || !gallery) throw missing();
  return gallery.named
    ? { key: `go ${go.id}`, sheet: go.sheet }
    : { key: `nameless ${go.id}`, sheet: sheetWithoutNames(go.sheet) };
}
