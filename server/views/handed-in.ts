import { isOpen } from '../../core/handout/state';
import { veiled } from '../../core/handout/veil';
import type { Result } from '../../core/lookfors/kind';
import type { Pictures } from '../../core/pictures/picture';
import type { Sheet } from '../../core/schema/sheet';
import { countedOn, countingOf } from '../actions/counting';
import type { Means } from '../actions/means';
import { Turn } from '../process/turn';
import type { ClassCopy } from '../stores/copies';
import type { Go } from '../stores/goes';
import { copiesOf } from '../stores/copies';
import { newestGoes } from '../stores/goes';
import type { Handout } from '../stores/handouts';
import { asVersion } from '../stores/handouts';

/** The pieces of a class that are with their teacher or done, counted. */

type HandedIn = {
  copies: ClassCopy[];
  /** `handout` is the version that the copy is of, and `given` its sheet as students have it, without names of parts. */
  counted: { copy: ClassCopy; go: Go; handout: Handout; given: Sheet; results: Result[] }[];
  pictures: Pictures;
};

export async function handedIn(means: Means, whole: Handout): Promise<HandedIn> {
  const { db } = means;
  const [copies, goes] = await Promise.all([copiesOf(db, whole.id), newestGoes(db, whole.id)]);
  const counting = await countingOf(means, whole);
  const turn = new Turn();
  const sheets = new Map<number, Sheet>();
  const counted = [];
  for (const copy of copies) {
    const go = goes.find(({ copyId }) => copyId === copy.id);
    if (!go || go.damage || isOpen(copy.state)) continue;
    await turn.end();
    const handout = asVersion(whole, copy.version);
    const given = sheets.get(copy.version) ?? veiled(handout.given, counting.pictures);
    sheets.set(copy.version, given);
    counted.push({ copy, go, handout, given, results: countedOn(handout, go.sheet, copy.studentName, counting) });
  }
  return { copies, counted, pictures: counting.pictures };
}
