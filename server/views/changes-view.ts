import type { Box } from '../../core/geometry/matrix';
import { isOpen } from '../../core/handout/state';
import { against } from '../../core/review/against';
import { spotOf } from '../../core/review/compare';
import { seenHandout } from '../actions/class-rights';
import { countingOf } from '../actions/counting';
import type { Means } from '../actions/means';
import { shownOf } from '../actions/opened';
import { Turn } from '../process/turn';
import { copiesOf } from '../stores/copies';
import { newestGoes } from '../stores/goes';
import { loadDocuments } from '../stores/documents';
import { asVersion } from '../stores/handouts';
import type { Person } from '../stores/people';

/** What students changed on their pieces against the sheet as handed out. */

export type Changed = {
  id: string;
  /** Where something differs on the first page, in points; `gone` where it was taken away. */
  spots: (Box & { gone: boolean })[];
  /** How much differs on all pages. */
  count: number;
};

/**
 * Pieces as they are now, by the documents of their copies; what was not begun, or can't be read, is left out.
 * @throws Refused where the handout is not theirs
 */
export async function changesView(
  means: Means,
  person: Pick<Person, 'id'>,
  handoutId: string,
  documentIds: readonly string[],
): Promise<Changed[]> {
  const { db } = means;
  const { handout } = await seenHandout(db, person, handoutId);
  const copies = (await copiesOf(db, handout.id)).filter(
    ({ documentId, state }) => documentIds.includes(documentId) && state !== 'not-begun',
  );
  const ids = copies.map(({ id }) => id);
  const open = copies.filter(({ state }) => isOpen(state)).map(({ documentId }) => documentId);
  const [goes, documents, { pictures }] = await Promise.all([
    newestGoes(db, handout.id, ids),
    loadDocuments(db, open),
    countingOf(means, handout),
  ]);
  const turn = new Turn();
  const out: Changed[] = [];
  for (const { id, documentId, version, state } of copies) {
    const document = documents.get(documentId);
    const go = goes.find(({ copyId }) => copyId === id);
    const piece = isOpen(state) ? document && shownOf(document, handout.title) : go;
    if (!piece || piece.damage) continue;
    const { sheet } = piece;
    await turn.end();
    const all = against(asVersion(handout, version).given, sheet, pictures);
    const spots = all.flatMap((difference) => {
      const box = spotOf(difference, sheet.pages[0], pictures);
      return box ? [{ ...box, gone: difference.after === null }] : [];
    });
    out.push({ id, spots, count: all.length });
  }
  return out;
}
