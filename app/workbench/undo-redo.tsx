import type { Bench } from '../document/bench';
import { useBench } from '../document/bench';

const historyOf = (bench: Bench) => bench.history;

export function UndoRedo({ bench }: { bench: Bench }) {
  const { past, future } = useBench(bench, historyOf);
  const named = (word: string, step: { name: string } | undefined, keys: string) =>
    `${word}${step ? `: ${step.name}` : ''} (${keys})`;
  return (
    <>
      <button
        type="button"
        className="plainbtn"
        disabled={past.length === 0}
        onClick={() => bench.undo()}
        title={named('Undo', past.at(-1), 'Ctrl+Z')}
      >
        undo
      </button>
      <button
        type="button"
        className="plainbtn"
        disabled={future.length === 0}
        onClick={() => bench.redo()}
        title={named('Redo', future[0], 'Ctrl+Shift+Z')}
      >
        redo
      </button>
    </>
  );
}
