import type { Editor } from '../document/editor';

/** Puts another picture in the place of some. What that takes is fetched when it is first needed. */
export const replaceWith = (editor: Editor, ids: readonly string[], picture: string): Promise<void> =>
  import('./picture-commands')
    .then(({ replacePictures }) => replacePictures(editor, ids, picture))
    .catch(() => editor.say('Couldn’t load the picture. Try again.'));
