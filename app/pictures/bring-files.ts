import type { Point } from '../../core/geometry/matrix';
import type { Editor } from '../document/editor';

/** Takes files in, see bring-to.ts. What that takes is fetched when it is first needed. */
export const bringFiles = (editor: Editor, files: readonly File[], at?: Point, onto: string | null = null): void =>
  void import('./bring-to')
    .then(({ bringTo }) => bringTo(editor, files, at, onto))
    .catch(() => editor.say('That could not be loaded. Try again when the network is back.'));
