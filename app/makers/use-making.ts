import { useEffect } from 'react';
import { needsOfRecipe } from '../../core/makers/kit/needs';
import { ahead } from '../browser/later';
import type { Bench } from '../document/bench';
import { ON_SHEET } from './all';
import { Making } from '../document/making';

/** Keeps what makers made on this bench in step while it is open. */
export function useMaking(bench: Bench): void {
  useEffect(() => {
    bench.onSheet = ON_SHEET;
    const making = new Making(bench);
    bench.making = making;
    bench.onChange = (...done) => making.follow(...done);
    bench.changed();
    const again = () => making.tryAgain();
    window.addEventListener('online', again);
    // What anything that is made here is drawn with, should the network be gone by then.
    for (const file of needsOfRecipe(null, bench.sheet.roles).fonts) ahead(() => fetch(`/art/fonts/${file}`));
    return () => {
      window.removeEventListener('online', again);
      making.close();
      bench.making = null;
      bench.onChange = null;
    };
  }, [bench]);
}
