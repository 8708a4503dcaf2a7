import { useEffect } from 'react';
import type { Bench } from '../workbench/bench';
import { Making } from '../workbench/making';

/** Keeps what makers made on this bench in step while it is open. */
export function useMaking(bench: Bench): void {
  useEffect(() => {
    const making = new Making(bench);
    bench.making = making;
    bench.onChange = (...done) => making.follow(...done);
    bench.changed();
    return () => {
      making.close();
      bench.making = null;
      bench.onChange = null;
    };
  }, [bench]);
}
