import type { Item, Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { plain } from '../schema/defaults';

/** Pieces read without knowing whose they are. What students wrote of themselves in other places still stands there. */

type Piece = { id: string; studentName: string };

/** Pieces in an order that tells nothing of their names, as their ids are made by chance; each is called by its number. */
export const numbered = <T extends Piece>(pieces: readonly T[]): T[] =>
  pieces.toSorted((a, b) => (a.id < b.id ? -1 : 1)).map((piece, i) => ({ ...piece, studentName: `Piece ${i + 1}` }));

function unnamed(item: Item): Item {
  if (item.kind === 'group') return { ...item, items: item.items.map(unnamed) };
  // What is printed beside the line stays.
  return isWritten(item) && item.role === 'name' && item.touch !== 'fixed' ? { ...item, body: plain('') } : item;
}

/** A sheet with its lines for names empty, and files called by no name. */
export const sheetWithoutNames = (sheet: Sheet): Sheet => ({
  ...sheet,
  pages: sheet.pages.map((page) => ({
    ...page,
    items: page.items.map(unnamed),
    brought: page.brought && { ...page.brought, name: 'file' },
  })),
});

type Read = {
  copy: Piece & { studentId: string | null };
  band: readonly Piece[];
  alike: readonly { id: string; name: string; theirs: readonly unknown[] }[];
  shares: readonly unknown[];
  sheet: Sheet;
  goBefore: { sheet: Sheet } | null;
  lookFors: readonly { kind: string }[];
  results: readonly { evidence: readonly unknown[] }[];
};

/** A piece as it is read, without names. Who worked on it together, and what was written as a name, is left out. */
export function withoutNames<T extends Read>(piece: T): T {
  const band = numbered(piece.band);
  const called = (id: string) => band.find((one) => one.id === id)?.studentName ?? 'Another piece';
  const { goBefore } = piece;
  return {
    ...piece,
    copy: { ...piece.copy, studentName: called(piece.copy.id), studentId: null },
    band,
    // The other piece is not shown: a name may stand on it.
    alike: piece.alike.map((one) => ({ ...one, name: called(one.id), theirs: [] })),
    shares: [],
    sheet: sheetWithoutNames(piece.sheet),
    goBefore: goBefore && { ...goBefore, sheet: sheetWithoutNames(goBefore.sheet) },
    results: piece.results.map((result, i) =>
      piece.lookFors[i]?.kind === 'name' ? { ...result, evidence: [] } : result,
    ),
  };
}
