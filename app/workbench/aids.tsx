import type { MarginEntry } from '../margin/margin';
import type { Bench } from '../document/bench';
import { useBench } from '../document/bench';
import { FindCard } from './find';
import { Notice } from './save-words';
import { later } from '../browser/later';

/** What every open sheet has, a teacher's and a student's: messages, the sheet of keys, the search. */

const KeySheet = later(() => import('./key-sheet').then((part) => part.default), null);
const keySheetOf = (bench: Bench) => bench.keySheet;

export function Aids({ bench }: { bench: Bench }) {
  const keySheet = useBench(bench, keySheetOf);
  return (
    <>
      <Notice bench={bench} />
      {keySheet && <KeySheet bench={bench} />}
    </>
  );
}

/** The search, at the top of the margin. */
export const findEntry = (bench: Bench): MarginEntry => ({
  id: 'find',
  anchor: null,
  end: 'top',
  tone: 'sky',
  current: true,
  label: 'Find words',
  content: <FindCard bench={bench} />,
});
