/** Reading lists of names as people have them: typed, numbered, with bullets, or pasted from a table. */

/** A bullet or a number at the start of a line: “1.”, “12)”, “(3)”, “- ”, “• ”. */
const MARK = /^(?:[-*•‣◦▪–—·●○■□]\s+|\(?\d{1,4}[.):\t]\s*)+/;

/** The names in a text, one from each line that has one, in their order. Two of the same name are two. */
export const namesIn = (text: string): string[] =>
  text
    .split(/\r\n|[\r\n\u2028\u2029]/)
    .map((line) => line.trim().replace(MARK, '').normalize('NFC').replace(/\s+/g, ' ').trim())
    .filter(Boolean);

/** Names are the same however they are spaced and whatever of them is in capitals. */
export const sameName = (name: string) => name.normalize('NFC').replace(/\s+/g, ' ').trim().toLowerCase();

/** Whether somebody or something in a list is called so. */
export const isTaken = (name: string, list: readonly { name: string }[]): boolean =>
  list.some((one) => sameName(one.name) === sameName(name));
