import type { Point } from '../../core/geometry/matrix';
import { whenLoaded } from '../commands/when-loaded';
import type { Editor } from '../document/editor';

/** Takes files in, see bring-to.ts. What that takes is fetched when it is first needed. */
export const bringFiles = (editor: Editor, files: readonly File[], at?: Point, onto: string | null = null): void =>
  void whenLoaded(
    editor,
    import('./bring-to'),
    ({ bringTo }) => bringTo(editor, files, at, onto),
    'That could not be loaded. Try again when the network is back.',
  );
