import { useCallback } from 'react';
import type { OnDrop } from '../canvas/dropping';
import type { Editor } from '../document/editor';
import { bringFiles } from '../pictures/bring-files';
import { dropSupply } from './sorts';

/** Takes in what is dropped: files from anywhere, and supplies on the sheet or beside it. */
export const useTaking = (editor: Editor): OnDrop =>
  useCallback(
    (data, at, files, onto) => {
      if (files.length > 0) bringFiles(editor, files, at, onto);
      else if (at) dropSupply(editor, data, at, onto);
    },
    [editor],
  );
