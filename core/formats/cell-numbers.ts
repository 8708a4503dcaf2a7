/** Numbers in table cells, as written in any country. */

const SIGNS = /[\s  '’%€£$¥]/g;

/** The decimal mark of a column: a comma only where it can't mean anything else. */
export function markOf(cells: readonly string[]): '.' | ',' {
  const bare = cells.map((cell) => cell.replace(SIGNS, ''));
  const withComma = bare.filter((cell) => /^[-−+]?[\d.]*,\d+$/.test(cell));
  if (withComma.length === 0) return '.';
  // 1,234 is a thousand unless something contradicts it.
  const thousands = withComma.every((cell) => /^[-−+]?\d{1,3}(,\d{3})+$/.test(cell));
  const points = bare.some((cell) => /^[-−+]?[\d,]*\.\d+$/.test(cell));
  return thousands || points ? '.' : ',';
}

/** The number in a cell; null where there is none. */
export function numberIn(cell: string, mark: '.' | ','): number | null {
  const bare = cell.replace(SIGNS, '').replace('−', '-');
  const plain = mark === ',' ? bare.replaceAll('.', '').replace(',', '.') : bare.replaceAll(',', '');
  return /^[-+]?(\d+\.?\d*|\.\d+)$/.test(plain) && Math.abs(Number(plain)) < 1e12 ? Number(plain) : null;
}
