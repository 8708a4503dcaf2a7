/** E-mail addresses as class lists have them. */

export const MOST_FAMILY = 6;
export const LONGEST_ADDRESS = 254;

/** Letters of any script, as addresses may have them now; what servers refuse beyond that they say themselves. */
const ADDRESS = /^[^\s@<>()[\]\\,;:"]+@[^\s@<>()[\]\\,;:"]+\.[^\s@<>()[\]\\,;:".]{2,}$/u;

export const isAddress = (text: string): boolean =>
  text.length <= LONGEST_ADDRESS && !text.includes('..') && !/[.]@|^[.]/.test(text) && ADDRESS.test(text);

/**
 * The addresses in a text, with commas, semicolons or spaces between, each once; names and angle brackets around them are dropped.
 * @returns also what looks meant as one and is none
 */
export function addressesIn(text: string): { addresses: string[]; unread: string[] } {
  const addresses = new Map<string, string>();
  const unread: string[] = [];
  for (const word of text.split(/[\s,;<>]+/)) {
    if (!word.includes('@')) continue;
    const address = word.normalize('NFC').replace(/^mailto:/i, '');
    if (isAddress(address)) addresses.set(address.toLowerCase(), addresses.get(address.toLowerCase()) ?? address);
    else unread.push(word);
  }
  return { addresses: [...addresses.values()], unread };
}
