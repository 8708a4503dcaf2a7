import type { GalleryKind } from '../core/review/gallery';
import type { Database } from '../server/database/connection';
import { newId } from '../server/database/id';
import { copiesOf } from '../server/stores/copies';
import { galleryPieces, hangPieces, judgeNotes, setGallery, writeNote } from '../server/stores/gallery';

/** A few good herons, shown to those of the class who have handed theirs in. */

const HUNG = ['Bea Lindgren', 'Eun-ji Park', 'Leo Dubois', 'Uma Pillai'];
type Said = { by: string; about: string; kind: GalleryKind; body: string; waits?: boolean };
const SAID: Said[] = [
  { by: 'Chidi Mbeki', about: 'Bea Lindgren', kind: 'like', body: 'that you say what the long legs are good for.' },
  {
    by: 'Dara Kowal',
    about: 'Eun-ji Park',
    kind: 'notice',
    body: 'that you knew the plumes. I had to guess.',
  },
  {
    by: 'Farah Siddiqi',
    about: 'Bea Lindgren',
    kind: 'wonder',
    body: 'how deep it can go before it swims.',
    waits: true,
  },
  {
    by: 'Hana Tanabe',
    about: 'Leo Dubois',
    kind: 'like',
    body: 'your sentence. It is short and says it all.',
    waits: true,
  },
];

export async function heronGallery(db: Database, handoutId: string): Promise<void> {
  const copies = new Map((await copiesOf(db, handoutId)).map((copy) => [copy.studentName, copy]));
  await hangPieces(
    db,
    handoutId,
    HUNG.map((name) => copies.get(name)!.id),
  );
  await setGallery(db, handoutId, { open: true });
  const pieces = new Map((await galleryPieces(db, handoutId)).map(({ id, studentName }) => [studentName, id]));
  for (const { by, about, kind, body, waits } of SAID) {
    const note = newId();
    await writeNote(db, copies.get(by)!.studentId, { note, piece: pieces.get(about)!, kind, body });
    if (!waits) await judgeNotes(db, handoutId, [note], 'shown');
  }
}
