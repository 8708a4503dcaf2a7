import type { Editor } from '../document/editor';

/** Goes on with a part of the program that is fetched when it is first wanted. @param problem is said where that or the work fails */
export const whenLoaded = <T>(
  editor: Editor,
  part: Promise<T>,
  work: (part: T) => unknown,
  problem = 'That could not be loaded. Try again.',
): Promise<void> =>
  part
    .then(work)
    .then(() => {})
    .catch(() => editor.say(problem));
