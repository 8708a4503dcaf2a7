/** How many things a map could not draw as they were wanted. */
export type NotKept = {
  /** Words of links that lie over nodes. */
  covered: number;
  /** Links that run through other things. */
  through: number;
  /** What the layout has no place for. */
  words: number;
  pictures: number;
  links: number;
};

/** Sentences that say what could not be kept. */
export function notKept({ covered, through, words, pictures, links }: NotKept): string[] {
  const notes: string[] = [];
  if (covered > 0) notes.push(`${wordsOfLinks(covered)} no room of their own. A larger frame would give it to them.`);
  if (through > 0)
    notes.push(
      `${through === 1 ? 'One link runs' : `${through} links run`} through other things, since there is no room around them. A larger frame, or another layout, would give it.`,
    );
  if (words > 0) notes.push(`${wordsOfLinks(words)} no place in this layout: the links are not drawn in it.`);
  if (pictures > 0)
    notes.push(
      `${pictures === 1 ? 'One picture has' : `${pictures} pictures have`} no place in this layout: what it belongs to is drawn together with another.`,
    );
  if (links > 0) notes.push(`${links === 1 ? 'One link' : `${links} links`} across can’t be drawn in this layout.`);
  return notes;
}

const wordsOfLinks = (count: number) =>
  count === 1 ? 'The words of one link have' : `The words of ${count} links have`;
