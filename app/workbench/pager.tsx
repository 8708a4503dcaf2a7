import type { Bench } from '../document/bench';
import { useBench } from '../document/bench';
import { turnPage } from '../commands/page-commands';

const sheetOf = (bench: Bench) => bench.sheet;
const pageOf = (bench: Bench) => bench.page;

/** Turns the pages of a sheet that has several. */
export function Pager({ bench }: { bench: Bench }) {
  const { pages } = useBench(bench, sheetOf);
  const page = useBench(bench, pageOf);
  if (pages.length < 2) return null;
  const at = pages.indexOf(page);
  const turn = (by: 1 | -1, name: string, sign: string) => (
    <button
      type="button"
      className="plainbtn"
      aria-label={name}
      disabled={!pages[at + by]}
      onClick={() => turnPage(bench, by)}
    >
      {sign}
    </button>
  );
  return (
    <span className="pager">
      {turn(-1, 'Previous page', '‹')}
      page {at + 1} of {pages.length}
      {turn(1, 'Next page', '›')}
    </span>
  );
}
