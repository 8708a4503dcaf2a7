import { z } from 'zod';
import { seeded } from '../values/random';
import { Id } from '../values/primitives';

/** Who gets which version of a handout. */

export const MOST_VERSIONS = 8;

/** So many work on one copy at most. */
export const MOST_TOGETHER = 5;

const Version = z
  .number()
  .int()
  .min(0)
  .max(MOST_VERSIONS - 1);
export const Deal = z.strictObject({
  /** Of the order in which versions are dealt to those who have none by hand or by group. */
  seed: z.number().int().min(0).max(4_294_967_295),
  /** The version of a group. Who is in several gets that of the first. */
  groups: z.record(Id, Version),
  /** Chosen for students one by one: this goes before their groups. */
  students: z.record(Id, Version),
});
export type Deal = z.infer<typeof Deal>;

export type Receiver = { id: string; groups: readonly string[] };

const ofGroup = ({ groups }: Receiver, deal: Deal): number | undefined =>
  groups.map((group) => deal.groups[group]).find((version) => version !== undefined);

/**
 * Which of `versions` each gets: what was chosen for them or their group, else the one that the fewest have. The same seed deals the
 * same, in whatever order they are given. `had`: how many have each version already.
 */
export function dealt(
  receivers: readonly Receiver[],
  deal: Deal,
  versions: number,
  had: readonly number[] = [],
): Map<string, number> {
  const counts = Array.from({ length: versions }, (_, n) => had[n] ?? 0);
  const out = new Map<string, number>();
  const give = (id: string, version: number) => {
    counts[version]++;
    out.set(id, version);
  };
  const others: string[] = [];
  for (const one of receivers) {
    const chosen = ofGroup(one, deal);
    if (chosen !== undefined && chosen < versions) give(one.id, chosen);
    else others.push(one.id);
  }
  const random = seeded(deal.seed);
  const drawn = others.sort().map((id) => ({ id, at: random() }));
  for (const { id } of drawn.sort((a, b) => a.at - b.at)) give(id, counts.indexOf(Math.min(...counts)));
  // Last, so that a choice for one leaves all others as they were.
  for (const { id } of receivers) {
    const chosen = deal.students[id];
    if (chosen !== undefined && chosen < versions) out.set(id, chosen);
  }
  return out;
}

/** Who works on one copy. `id`: of one of `people`, the same in whatever order they are given. */
export type Team = Receiver & { groupId: string | null; people: string[] };

/** Who works together: the members of each group, where some were chosen of these; everybody else alone. */
export function teamsOf(receivers: readonly Receiver[], only: readonly string[] | null): Team[] {
  const teams = new Map<string, Team>();
  for (const { id, groups } of receivers) {
    const groupId = groups.find((group) => only === null || only.length === 0 || only.includes(group)) ?? null;
    const key = groupId ?? `alone ${id}`;
    const team = teams.get(key);
    if (!team) teams.set(key, { id, groups: groupId ? [groupId] : groups, groupId, people: [id] });
    else {
      team.people.push(id);
      if (id < team.id) team.id = id;
    }
  }
  return [...teams.values()];
}
