import { z } from 'zod';
import { Deal, MOST_VERSIONS } from '../../core/handout/deal';
import { LookFor } from '../../core/lookfors/all';
import { variedOn } from '../../core/makers/varied';
import { versionAt, versionsOf } from '../../core/makers/versions';
import { letterOf } from '../../core/values/letters';
import { needsOfRecipe } from '../../core/makers/kit/needs';
import { onVersion } from '../../core/lookfors/versions';
import type { Sheet } from '../../core/schema/sheet';
import { isBare } from '../../core/sheet/tree';
import { Turn } from '../process/turn';
import type { NewVersion } from '../stores/handing-out';
import type { Handout } from '../stores/handouts';
import type { Person } from '../stores/people';
import type { Workshop } from './means';
import { ownSheet, sheetStill, whole } from './opened';
import { Refused } from './refused';

/** Versions of what is handed out: the sheet made again, or other sheets. */

export const Versions = z.strictObject({
  from: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('made'), count: z.number().int().min(2).max(MOST_VERSIONS) }),
    z.strictObject({
      kind: z.literal('sheets'),
      ids: z
        .array(z.string().max(40))
        .min(1, 'Choose at least one more sheet, or give everybody the same.')
        .max(MOST_VERSIONS - 1),
    }),
  ]),
  deal: Deal,
});
export type Versions = z.infer<typeof Versions>;

/** So many made parts in all, counted over all versions. */
const MOST_MADE = 240;

async function kitFor({ faces, withOwn }: Workshop, sheet: Sheet) {
  const ids = variedOn(sheet).flatMap(({ maker }) => needsOfRecipe(maker.recipe, sheet.roles).pictures);
  const turn = new Turn();
  return { faces, pictures: await withOwn(ids), rest: () => turn.end() };
}

/** What is asked for to look at the versions before they are handed out. */
export const LookingAt = z.object({ from: Versions.shape.from, lookFors: z.array(LookFor).max(40) });

/** The versions of a sheet of the teacher's as they would be handed out, without the sheet itself. @throws Refused */
export async function versionsShown(
  means: Workshop,
  person: Pick<Person, 'id'>,
  sheetId: string,
  { from, lookFors }: z.infer<typeof LookingAt>,
): Promise<Sheet[]> {
  const found = await ownSheet(means.db, person.id, sheetId);
  const { sheet } = await whole(means.db, found.documentId);
  const versions = await versionsFor(means, person, found.id, sheet, { versions: { from }, lookFors });
  return versions.map((version) => version.sheet);
}

/** A sheet made again, once for each version. @throws Refused where nothing on it varies, or there are not so many */
async function madeAgain(means: Workshop, sheet: Sheet, count: number): Promise<NewVersion[]> {
  const varied = variedOn(sheet).length;
  if (varied === 0)
    throw new Refused(
      422,
      'Nothing on this sheet can be made again: versions are made of practice sheets, and of diagrams where some labels are blank.',
      'versions',
    );
  if (varied * count > MOST_MADE)
    throw new Refused(422, 'So many practice sheets can’t be made so often. Ask for fewer versions.', 'versions');
  const made = await versionsOf(sheet, count - 1, await kitFor(means, sheet));
  if (made.length < count - 1)
    throw new Refused(
      422,
      made.length === 0
        ? 'There is only this one version: what is practised leaves nothing to vary.'
        : `There are only ${made.length + 1} versions that differ. Ask for fewer.`,
      'versions',
    );
  return made.map(({ offset, sheet: version }) => ({ sheetId: null, seedsOn: offset, sheet: version }));
}

/** Other sheets of the same teacher, as they are now. @throws Refused where one is gone, or empty */
async function otherSheets({ db }: Workshop, person: Pick<Person, 'id'>, ids: readonly string[]) {
  const versions: NewVersion[] = [];
  for (const id of ids) {
    const { documentId } = await ownSheet(db, person.id, id);
    const { sheet } = await whole(db, documentId);
    if (isBare(sheet))
      throw new Refused(422, `“${sheet.title}” is empty. Put something on it, or choose another sheet.`, 'versions');
    versions.push({ sheetId: id, seedsOn: null, sheet });
  }
  return versions;
}

/**
 * The versions that are asked for beside the sheet itself.
 * @throws Refused where there are not so many, or a look-for can't be counted on one of them
 */
export async function versionsFor(
  means: Workshop,
  person: Pick<Person, 'id'>,
  sheetId: string,
  sheet: Sheet,
  { versions: asked, lookFors }: { versions: Pick<Versions, 'from'> | null; lookFors: readonly LookFor[] },
): Promise<NewVersion[]> {
  if (!asked) return [];
  if (asked.from.kind === 'sheets' && new Set([sheetId, ...asked.from.ids]).size <= asked.from.ids.length)
    throw new Refused(422, 'One sheet is chosen twice. Choose each version once.', 'versions');
  const versions =
    asked.from.kind === 'made'
      ? await madeAgain(means, sheet, asked.from.count)
      : await otherSheets(means, person, asked.from.ids);
  for (const [i, version] of versions.entries())
    for (const lookFor of lookFors) {
      const wrong = onVersion(lookFor, version.sheet, sheet);
      if (typeof wrong === 'string')
        throw new Refused(
          422,
          `“${lookFor.title}” can’t be counted on version ${letterOf(i + 1)}, “${version.sheet.title}”. ${wrong}`,
          'versions',
        );
    }
  return versions;
}

/**
 * All versions of a handout as their sheets are now, the first one given; a version whose sheet is gone stays as it was handed out.
 * `seqs`: the state of each that comes from a sheet of its own.
 */
export async function versionsNow(
  means: Workshop,
  person: Pick<Person, 'id'>,
  handout: Handout,
  base: { sheet: Sheet; seq: number },
): Promise<{ sheets: Sheet[]; seqs: number[] }> {
  const [sheets, seqs] = [[base.sheet], [base.seq]];
  const kit = await kitFor(means, base.sheet);
  for (const [n, { sheetId, seedsOn, sheet }] of handout.versions.entries()) {
    if (n === 0) continue;
    if (seedsOn !== null) sheets.push(await versionAt(base.sheet, seedsOn, n, kit));
    else {
      const now = await sheetStill(means.db, person.id, sheetId);
      sheets.push(now?.sheet ?? sheet);
      if (now) seqs.push(now.seq);
    }
  }
  return { sheets, seqs };
}
