import { useEffect } from 'react';
import { needsOfRecipe } from '../../core/makers/kit/needs';
import { ahead } from '../browser/later';
import type { Editor } from '../document/editor';
import { ON_SHEET } from './all';
import { Making } from '../document/making';

/** Keeps made items of an open sheet in step. */
export function useMaking(editor: Editor): void {
  useEffect(() => {
    editor.onSheet = ON_SHEET;
    const making = new Making(editor);
    editor.making = making;
    editor.onChange = (...done) => making.follow(...done);
    editor.changed();
    const again = () => making.tryAgain();
    window.addEventListener('online', again);
    // Fetched early, in case the network is gone when something is made.
    for (const file of needsOfRecipe(null, editor.sheet.roles).fonts) ahead(() => fetch(`/art/fonts/${file}`));
    return () => {
      window.removeEventListener('online', again);
      making.close();
      editor.making = null;
      editor.onChange = null;
    };
  }, [editor]);
}
