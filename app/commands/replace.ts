import type { Editor } from '../document/editor';
import { whenLoaded } from './when-loaded';

/** Puts another picture in the place of some. What that takes is fetched when it is first needed. */
export const replaceWith = (editor: Editor, ids: readonly string[], picture: string): Promise<void> =>
  whenLoaded(
    editor,
    import('./picture-commands'),
    ({ replacePictures }) => replacePictures(editor, ids, picture),
    'Couldn’t load the picture. Try again.',
  );
