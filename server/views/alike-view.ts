import { withParts } from '../../core/lookfors/all';
import type { Alike } from '../../core/review/alike';
import { alikeWording } from '../../core/review/alike';
import { Recent } from '../../core/values/recent';
import type { Database } from '../database/connection';
import type { ClassCopy } from '../stores/copies';
import { newestGoes } from '../stores/goes';
import type { Handout } from '../stores/handouts';

/** Which pieces of a class share wording: for their teacher only. */

/** By what was handed in of a handout: computed once for all pieces that are read one after another. */
const KEPT = 40;
const known = new Recent<string, Map<string, Alike[]>>(KEPT);

const asksOwnWords = ({ lookFors }: Pick<Handout, 'lookFors'>) =>
  withParts(lookFors).some(({ kind }) => kind === 'words');

/**
 * What is asked about a piece: the pieces whose newest go shares wording with its own.
 * @returns nothing where own words are not looked for
 */
export async function alikeTo(
  db: Database,
  handout: Handout,
  copies: readonly ClassCopy[],
  copyId: string,
): Promise<(Alike & { name: string })[]> {
  if (!asksOwnWords(handout)) return [];
  const key = [handout.id, handout.corrections, ...copies.map(({ goId }) => goId ?? '')].join(' ');
  let alike = known.get(key);
  if (!alike) {
    const goes = (await newestGoes(db, handout.id)).filter(({ damage }) => !damage);
    const pieces = goes.map(({ copyId: id, sheet }) => ({ id, sheet }));
    const printed = [...handout.versions.map(({ given }) => given), ...(handout.example ? [handout.example] : [])];
    alike = alikeWording(pieces, handout.given, printed);
    known.set(key, alike);
  }
  return (alike.get(copyId) ?? []).flatMap((one) => {
    const copy = copies.find(({ id }) => id === one.id);
    return copy ? [{ ...one, name: copy.studentName }] : [];
  });
}
