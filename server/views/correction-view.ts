import equal from 'fast-deep-equal';
import { keptBy } from '../../core/handout/correct';
import { givenOut } from '../../core/handout/copy';
import { isOpen } from '../../core/handout/state';
import type { CopyState } from '../../core/handout/state';
import { veiled } from '../../core/handout/veil';
import { itemName } from '../../core/items/name';
import { compare } from '../../core/review/compare';
import { find } from '../../core/sheet/tree';
import { ownHandout, sheetNow } from '../actions/correct';
import type { Means } from '../actions/means';
import { copiesOf } from '../stores/copies';
import { Damaged, loadDocuments } from '../stores/documents';
import type { Person } from '../stores/people';

/** What a correction would alter: on the sheet, and on which copies. @throws Refused where it is not theirs */
export async function correctionView(means: Means, person: Pick<Person, 'id'>, handoutId: string) {
  const { db, pictures } = means;
  const handout = await ownHandout(means, person, handoutId);
  const { sheet, seq } = await sheetNow(means, person, handout);
  const [before, after] = [handout.given, givenOut(sheet)];
  const copies = await copiesOf(db, handout.id);
  const open = copies.filter(({ state }) => isOpen(state));
  const documents = await loadDocuments(
    db,
    open.map(({ documentId }) => documentId),
  );
  const [was, is] = [veiled(before, pictures), veiled(after, pictures)];
  const kept = new Map<string, { name: string; students: string[] }>();
  for (const { documentId, studentName } of open) {
    const document = documents.get(documentId);
    if (!document || document instanceof Damaged) continue;
    for (const item of keptBy(was, is, document.sheet)) {
      const known = kept.get(item.id) ?? { name: itemName(find(before, item.id)?.item ?? item), students: [] };
      kept.set(item.id, { ...known, students: [...known.students, studentName] });
    }
  }
  const count = (...states: CopyState[]) => copies.filter(({ state }) => states.includes(state)).length;
  return {
    personId: person.id,
    handout: { id: handout.id, title: handout.title, className: handout.className },
    seq,
    before,
    after,
    /** Whether anything differs, if only in the key. */
    differs: !equal(handout.sheet, sheet),
    differences: compare(before, after, pictures),
    kept: [...kept.values()],
    counts: {
      'not-begun': count('not-begun'),
      'under-way': count('under-way', 'another-go'),
      'handed-in': count('handed-in', 'done'),
    },
  };
}
