import equal from 'fast-deep-equal';
import { keptBy } from '../../core/handout/correct';
import { givenOut } from '../../core/handout/copy';
import { isOpen } from '../../core/handout/state';
import type { CopyState } from '../../core/handout/state';
import { veiled } from '../../core/handout/veil';
import { itemName } from '../../core/items/name';
import { compare } from '../../core/review/compare';
import { find } from '../../core/sheet/tree';
import type { Pictures } from '../../core/pictures/picture';
import type { Sheet } from '../../core/schema/sheet';
import { ownHandout, sheetOfVersion, sheetsNow } from '../actions/correct';
import type { Workshop } from '../actions/means';
import { copiesOf } from '../stores/copies';
import { Damaged, loadDocuments } from '../stores/documents';
import type { Handout } from '../stores/handouts';
import { asVersion } from '../stores/handouts';
import type { Person } from '../stores/people';

/** What a correction would alter on one version: on the sheet, and in whose copies. */
function versionView(handout: Handout, number: number, now: Sheet, work: readonly Work[], pictures: Pictures) {
  const [before, after] = [asVersion(handout, number).given, givenOut(now)];
  const [was, is] = [veiled(before, pictures), veiled(after, pictures)];
  const kept = new Map<string, { name: string; students: string[] }>();
  for (const { sheet, studentName } of work)
    for (const item of keptBy(was, is, sheet)) {
      const known = kept.get(item.id) ?? { name: itemName(find(before, item.id)?.item ?? item), students: [] };
      kept.set(item.id, { ...known, students: [...known.students, studentName] });
    }
  return {
    before,
    after,
    /** Whether anything differs, if only in the key. */
    differs: !equal(sheetOfVersion(handout, number), now),
    differences: compare(before, after, pictures),
    kept: [...kept.values()],
  };
}

/** What a student has done on an open copy. */
type Work = { version: number; studentName: string; sheet: Sheet };

/** What a correction would alter: on each version, and on how many copies. @throws Refused where it is not theirs */
export async function correctionView(means: Workshop, person: Pick<Person, 'id'>, handoutId: string) {
  const { db, pictures } = means;
  const handout = await ownHandout(means, person, handoutId);
  const { sheets, seqs } = await sheetsNow(means, person, handout);
  const copies = await copiesOf(db, handout.id);
  const open = copies.filter(({ state }) => isOpen(state));
  const documents = await loadDocuments(
    db,
    open.map(({ documentId }) => documentId),
  );
  const work = open.flatMap(({ documentId, version, studentName }): Work[] => {
    const document = documents.get(documentId);
    return document && !(document instanceof Damaged) ? [{ version, studentName, sheet: document.sheet }] : [];
  });
  const count = (...states: CopyState[]) => copies.filter(({ state }) => states.includes(state)).length;
  return {
    personId: person.id,
    handout: { id: handout.id, title: handout.title, className: handout.className },
    seq: seqs.join(),
    versions: sheets.map((sheet, n) =>
      versionView(
        handout,
        n,
        sheet,
        work.filter(({ version }) => version === n),
        pictures,
      ),
    ),
    counts: {
      'not-begun': count('not-begun'),
      'under-way': count('under-way', 'another-go'),
      'handed-in': count('handed-in', 'done'),
    },
  };
}
