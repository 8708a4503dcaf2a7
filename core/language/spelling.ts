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

/** The plain form of each word: English plurals in -s, -es and -ies. */
export const singular = (text: string): string =>
  normalised(text).replace(/\p{L}+/gu, (word) =>
    /(ss|us|is)$/.test(word) || word.length < 4
      ? word
      : /(ch|sh|s|x|z)es$/.test(word)
        ? word.slice(0, -2)
        : /[^aeiou]ies$/.test(word)
          ? `${word.slice(0, -3)}y`
          : word.replace(/s$/, ''),
  );

/** More edits than any tolerance. */
const FAR = 4;

/** The numbers in a text, each as digits with a point: 1,000 and 1 000 are the same, 3,5 and 3.5, and −4 and -4. */
const numbersIn = (text: string): string =>
  text
    .normalize('NFKC')
    .replace(/(?<=\p{Nd})[,\s'’](?=\p{Nd}{3}(?!\p{Nd}))/gu, '')
    .replace(/(?<![\p{L}\p{N}.,])0+(?=\p{Nd})/gu, '')
    .match(/(?<![\p{L}\p{N}])[-−]?\p{Nd}+(?:[.,]\p{Nd}+)*|\p{Nd}+(?:[.,]\p{Nd}+)*/gu)
    ?.map((number) => number.replace('−', '-').replaceAll(',', '.'))
    .join(' ') ?? '';

/** How far a word is from another: nothing, half a slip where only its number differs, or the edits between them. */
function distance(said: string, word: string): number {
  // A slip in a number is another number.
  if (/\p{N}/u.test(said + word)) {
    const [numbers, asked] = [numbersIn(said), numbersIn(word)];
    if (numbers !== asked) return FAR;
    if (!/\p{L}/u.test(said + word)) return 0;
  }
  const [a, b] = [normalised(said), normalised(word)];
  if (a === b) return 0;
  const [one, other] = [singular(said), singular(word)];
  return one === other ? 0.5 : Math.min(editDistance(a, b, FAR), editDistance(one, other, FAR));
}

/**
 * exact: as written in the key, in the singular or plural; near: within the tolerance; null: another word.
 * @param others what else the key expects elsewhere: a slip that is as near to one of these says nothing, and one that is
 *   nearer means that
 */
export function matches(
  said: string,
  words: readonly string[],
  spelling: Spelling,
  others: readonly string[] = [],
): 'exact' | 'near' | null {
  if (!normalised(said)) return null;
  const within = words
    .map((word) => ({ far: distance(said, word), most: Math.max(0.5, tolerance(normalised(word).length, spelling)) }))
    .filter(({ far, most }) => far <= most);
  const far = Math.min(...within.map((one) => one.far));
  if (far === 0) return 'exact';
  if (far === Infinity) return null;
  const own = new Set(words.map(singular));
  const rival = Math.min(...others.filter((word) => !own.has(singular(word))).map((word) => distance(said, word)));
  if (rival <= far) return null;
  return far < 1 ? 'exact' : 'near';
}
