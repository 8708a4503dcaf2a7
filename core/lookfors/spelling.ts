/** How far a word may be from the right one: chosen by the teacher for each look-for. */
export const SPELLING = ['exact', 'near', 'loose'] as const;
export type Spelling = (typeof SPELLING)[number];

/** Case, articles, punctuation and doubled spaces never count. */
export const normalised = (text: string) =>
  text
    .normalize('NFC')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}\s'-]/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/^(the|a|an) /, '');

/**
 * Edits between two words: insert, delete, replace, or swap two neighbours (optimal string alignment after Damerau 1964).
 * Stops counting above `most`.
 */
export function editDistance(a: string, b: string, most = Infinity): number {
  if (Math.abs(a.length - b.length) > most) return most + 1;
  let before: number[] = [];
  let last = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const row = [i];
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1];
      row[j] = Math.min(last[j] + 1, row[j - 1] + 1, last[j - 1] + (same ? 0 : 1));
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        row[j] = Math.min(row[j], before[j - 2] + 1);
    }
    before = last;
    last = row;
  }
  return last[b.length];
}

/** Edits allowed for a word of this length. */
export function tolerance(length: number, spelling: Spelling): number {
  if (spelling === 'exact') return 0;
  if (spelling === 'near') return length < 4 ? 0 : length < 8 ? 1 : 2;
  return length < 3 ? 0 : length < 5 ? 1 : length < 9 ? 2 : 3;
}

/** exact: as written in the key; near: within the tolerance; null: another word. */
export function matches(said: string, words: readonly string[], spelling: Spelling): 'exact' | 'near' | null {
  const given = normalised(said);
  if (!given) return null;
  const wanted = words.map(normalised);
  if (wanted.includes(given)) return 'exact';
  return wanted.some((word) => editDistance(given, word, 4) <= tolerance(word.length, spelling)) ? 'near' : null;
}
