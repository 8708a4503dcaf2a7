import { cutTo } from '../text/characters';
import type { Pictures } from '../drawing/picture';
import { boxOf } from '../geometry/hit';
import type { Box } from '../geometry/matrix';
import type { Evidence, LookFor, Result } from '../lookfors/lookfor';
import type { Sheet } from '../sheet/schema';
import { find } from '../sheet/tree';

/** Evidence as it is shown on the piece itself: a box on a page with what it counts as. */
export type PieceMark = { page: string; item: string; box: Box; verdict: Evidence['verdict'] };

/** One mark for each item that is evidence; where several look-fors speak of one item, the worst verdict shows. */
export function pieceMarks(sheet: Sheet, results: readonly Result[], pictures: Pictures): PieceMark[] {
  const order = ['right', 'near', 'extra', 'missing', 'empty', 'reversed', 'wrong'];
  const byItem = new Map<string, PieceMark>();
  for (const { evidence } of results)
    for (const { items, verdict } of evidence)
      for (const id of items) {
        const place = find(sheet, id);
        if (!place) continue;
        const before = byItem.get(id);
        if (before && order.indexOf(before.verdict) >= order.indexOf(verdict)) continue;
        byItem.set(id, { page: place.page.id, item: id, box: boxOf(place.page, place.item, pictures), verdict });
      }
  return [...byItem.values()];
}

/** What stands in a class's way: each look-for, or each part of a diagram, with how many pieces miss it. */
export type Missed = { label: string; count: number };

type Ruled = readonly { lookForId: string; held: boolean }[];
/** What was counted on a piece, and how its teacher ruled. */
export type Judged = { results: readonly Result[]; rulings: Ruled };

export function missedMost(lookFors: readonly LookFor[], pieces: readonly Judged[]): Missed[] {
  const counts = new Map<string, number>();
  const add = (label: string) => counts.set(label, (counts.get(label) ?? 0) + 1);
  for (const { results, rulings } of pieces)
    lookFors.forEach((lookFor, i) => {
      const result = results[i];
      if (!result || heldAfter(result, rulings) !== false) return;
      // Ruled against what was counted: only the teacher knows which part it is.
      if (result.held !== false) return add(lookFor.title);
      if (lookFor.kind === 'labels') {
        for (const evidence of result.evidence) {
          if (evidence.verdict === 'wrong') add(`“${evidence.meant}” named wrongly`);
          else if (evidence.verdict === 'empty') add(`“${evidence.meant}” left empty`);
        }
      } else if (lookFor.kind === 'map') {
        for (const { verdict, meant } of result.evidence) {
          if (verdict === 'missing') add(`“${meant}” not linked`);
          else if (verdict === 'reversed') add(`“${meant}” the other way round`);
        }
      } else add(lookFor.title);
    });
  return [...counts]
    .map(([label, count]) => ({ label, count }))
    .sort((a, b) => b.count - a.count || a.label.localeCompare(b.label));
}

/** How one piece of evidence reads to the teacher. */
export function evidenceWords(lookFor: LookFor, { verdict, said, meant }: Evidence): string {
  if (lookFor.kind === 'labels') {
    if (verdict === 'right')
      return said.toLowerCase() === meant.toLowerCase()
        ? `“${said}” is right`
        : `“${said}” for ${meant} is one of your other words`;
    if (verdict === 'near') return `“${said}” taken for “${meant}”`;
    if (verdict === 'wrong') return `“${said}” points at the ${meant}`;
    return `nothing points at the ${meant}`;
  }
  if (lookFor.kind === 'map') return mapWords(verdict, said, meant);
  if (lookFor.kind === 'name')
    return verdict === 'right' ? `“${said}”` : said ? `“${said}” is not the student’s name` : 'no name';
  if (verdict === 'empty') return 'nothing written';
  return said.length > 60 ? `“${cutTo(said, 58)}…”` : `“${said}”`;
}

function mapWords(verdict: Evidence['verdict'], said: string, meant: string): string {
  switch (verdict) {
    case 'right':
      return `“${said}”`;
    case 'near':
      return `“${said}” taken for “${meant}”`;
    case 'wrong':
      return `“${said}”, where you have “${meant}”`;
    case 'reversed':
      return `“${said}” goes the other way: “${meant}”`;
    case 'extra':
      return `“${said}” is not in your map`;
    case 'missing':
      return `no link “${meant}”`;
    case 'empty':
      return `no “${meant}”`;
  }
}

/** A result with the teacher's ruling, where there is one. */
export const heldAfter = (result: Result, rulings: Ruled): boolean | null =>
  rulings.find((ruling) => ruling.lookForId === result.id)?.held ?? result.held;
