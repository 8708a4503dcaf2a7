import type { Box } from '../../core/geometry/matrix';
import { lookForKindOf, withParts } from '../../core/lookfors/all';
import { boxOn } from '../../core/lookfors/seen';
import type { Alike } from '../../core/review/alike';
import { alikeWording } from '../../core/review/alike';
import type { BuiltAlike, Work } from '../../core/review/alike-things';
import { alikeInSteps } from '../../core/review/alike-things';
import type { Sheet } from '../../core/schema/sheet';
import { find } from '../../core/sheet/tree';
import { Recent } from '../../core/values/recent';
import { seenHandout } from '../actions/class-rights';
import { countedOn, countingOf } from '../actions/counting';
import type { Means } from '../actions/means';
import { Turn } from '../process/turn';
import type { ClassCopy } from '../stores/copies';
import { copiesOf } from '../stores/copies';
import type { Go } from '../stores/goes';
import { newestGoes } from '../stores/goes';
import type { Handout } from '../stores/handouts';
import { asVersion } from '../stores/handouts';
import type { Person } from '../stores/people';

/** Which pieces of a class share wording, or are built alike: for their teacher only. */

/** What a piece has in common with another one. */
export type Like = {
  /** The other piece, and its newest go. */
  id: string;
  goId: string;
  /** Shared words, and the longest row of them; none where too few are shared. */
  words: number;
  sample: string;
  /** Of so many things that this piece has of its own so many are like the other's. */
  things: number;
  of: number;
  /** What is shared: items of this piece, and where its likeness stands on the first page of the other, in points. */
  items: string[];
  theirs: Box[];
};

/** By what was handed in of a handout: computed once for all pieces that are read one after another. */
const KEPT = 40;
const known = new Recent<string, Promise<Map<string, Like[]>>>(KEPT);
/** A piece of more than so many is not kept waiting for it: it is asked about the next time. */
const AT_ONCE = 60;

const asksOwnWords = ({ lookFors }: Pick<Handout, 'lookFors'>) =>
  withParts(lookFors).some(({ kind }) => kind === 'words');

/** Where items stand on the first page of a sheet. */
const spotsOn = (sheet: Sheet, items: readonly string[]): Box[] =>
  items.flatMap((id) => {
    const place = find(sheet, id);
    return place?.page === sheet.pages[0] ? [boxOn(place.page, place.item)] : [];
  });

/** Pieces of one version that are built alike, each without the answers that are right. */
async function builtAlike(means: Means, handout: Handout, copies: readonly ClassCopy[], goes: readonly Go[]) {
  const out = new Map<string, BuiltAlike[]>();
  const counting = await countingOf(means, handout);
  const turn = new Turn();
  const versions = handout.versions.length > 0 ? handout.versions.map((_, i) => i) : [0];
  for (const version of versions) {
    const own = asVersion(handout, version);
    const works: Work[] = [];
    for (const { copyId, sheet } of goes) {
      const copy = copies.find(({ id }) => id === copyId);
      if (!copy || (handout.versions.length > 0 && copy.version !== version)) continue;
      await turn.end();
      const results = countedOn(own, sheet, copy.studentName, counting);
      const right = new Set(
        results.flatMap(({ evidence }, i) =>
          // The same slip in spelling is no answer that one expects of everybody.
          lookForKindOf(own.lookFors[i].kind).keyed
            ? evidence.filter(({ verdict }) => verdict === 'right').flatMap(({ items }) => items)
            : [],
        ),
      );
      works.push({ id: copyId, sheet, right });
    }
    const printed = [own.sheet, ...(own.example ? [own.example] : [])];
    const steps = alikeInSteps(works, own.given, printed);
    let step = steps.next();
    for (; !step.done; step = steps.next()) await turn.end();
    for (const [id, those] of step.value) out.set(id, those);
  }
  return out;
}

async function compared(means: Means, handout: Handout, copies: readonly ClassCopy[]): Promise<Map<string, Like[]>> {
  const goes = (await newestGoes(means.db, handout.id)).filter(({ damage }) => !damage);
  const pieces = goes.map(({ copyId: id, sheet }) => ({ id, sheet }));
  const printed = [...handout.versions.map(({ given }) => given), ...(handout.example ? [handout.example] : [])];
  const worded = asksOwnWords(handout) ? alikeWording(pieces, handout.given, printed) : new Map<string, Alike[]>();
  const built = await builtAlike(means, handout, copies, goes);
  const goOf = new Map(goes.map((go) => [go.copyId, go]));
  return new Map(
    pieces.map(({ id }) => {
      const [wording, things] = [worded.get(id) ?? [], built.get(id) ?? []];
      const others = [...new Set([...wording, ...things].map((one) => one.id))];
      const likes = others.map((other): Like => {
        const go = goOf.get(other)!;
        const [said, made] = [wording, things].map((list) => list.find((one) => one.id === other)) as [
          Alike | undefined,
          BuiltAlike | undefined,
        ];
        const back = worded.get(other)?.find((one) => one.id === id)?.boxes ?? [];
        return {
          id: other,
          goId: go.id,
          words: said?.words ?? 0,
          sample: said?.sample ?? '',
          things: made?.mine.length ?? 0,
          of: made?.of ?? 0,
          items: [...new Set([...(said?.boxes ?? []), ...(made?.mine ?? [])])],
          theirs: spotsOn(go.sheet, [...new Set([...back, ...(made?.theirs ?? [])])]),
        };
      });
      return [id, likes];
    }),
  );
}

/** Computed once, also for those who ask meanwhile. */
function alikeIn(means: Means, handout: Handout, copies: readonly ClassCopy[]): Promise<Map<string, Like[]>> {
  const key = [handout.id, handout.corrections, ...copies.map(({ goId }) => goId ?? '')].join(' ');
  let alike = known.get(key);
  if (!alike) {
    known.set(key, (alike = compared(means, handout, copies)));
    alike.catch(() => known.delete(key));
  }
  return alike;
}

const NOTHING = Promise.resolve(new Map<string, Like[]>());

/** What is asked about a piece: the pieces whose newest go is like its own. */
export async function alikeTo(
  means: Means,
  handout: Handout,
  copies: readonly ClassCopy[],
  copyId: string,
  atOnce = AT_ONCE,
): Promise<(Like & { name: string })[]> {
  const alike = alikeIn(means, handout, copies);
  const isLarge = copies.filter(({ goId }) => goId !== null).length > atOnce;
  const found = isLarge ? await Promise.race([alike, NOTHING]) : await alike;
  return (found.get(copyId) ?? []).flatMap((one) => {
    const copy = copies.find(({ id }) => id === one.id);
    return copy ? [{ ...one, name: copy.studentName }] : [];
  });
}

/** Two pieces of a class that are alike: what they share, and where it stands on the first page of each. */
export type AlikePair = {
  pieces: [string, string];
  spots: [Box[], Box[]];
  words: number;
  things: number;
};

/** @throws Refused where it is not theirs */
export async function alikeView(means: Means, person: Pick<Person, 'id'>, handoutId: string): Promise<AlikePair[]> {
  const { handout } = await seenHandout(means.db, person, handoutId);
  const alike = await alikeIn(means, handout, await copiesOf(means.db, handout.id));
  return [...alike].flatMap(([id, likes]) =>
    likes
      .filter((like) => id < like.id)
      .map((like): AlikePair => {
        const back = alike.get(like.id)!.find((one) => one.id === id)!;
        return {
          pieces: [id, like.id],
          spots: [back.theirs, like.theirs],
          words: Math.max(like.words, back.words),
          things: like.things,
        };
      }),
  );
}
