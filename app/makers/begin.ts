import { beginMap } from '../../core/makers/map/begin';
import { beginLabels, spotsOf } from '../../core/makers/labels/begin';
import type { MakerKind, MakerState } from '../../core/makers/recipes';
import { group } from '../../core/sheet/make';
import { pictureNow } from '../sheet/resources';
import type { Bench } from '../workbench/bench';
import { add, newId, placeFor, touch } from '../workbench/steps';
import type { Point } from '../../core/geometry/matrix';

/** What is made as it is first put down. */

type Beginning<K extends MakerKind> = {
  recipe: (palette: readonly string[]) => Extract<MakerState, { kind: K }>['recipe'];
  /** Its frame as shares of the page within its margins. */
  width: number;
  height: number;
};
const BEGINNINGS: { [K in MakerKind]: Beginning<K> } = {
  map: { recipe: beginMap, width: 0.8, height: 0.7 },
  labels: {
    recipe: (palette) => beginLabels(palette, 'diagram/heron', spotsOf(pictureNow('diagram/heron'))),
    width: 0.86,
    height: 0.72,
  },
};

/** Puts down something made, in the middle of the page or at a point, and opens its recipe. */
export function addMade(bench: Bench, kind: MakerKind, at?: Point): void {
  const { page, sheet } = bench;
  const begun = BEGINNINGS[kind];
  const width = Math.round((page.width - 2 * page.margin) * begun.width);
  const height = Math.round((page.height - 2 * page.margin) * begun.height);
  const maker = { kind, recipe: begun.recipe(sheet.palette), seed: 1, parts: [] } as MakerState;
  const id = newId();
  const item = group({
    id,
    ...placeFor(bench, width, height, at),
    width,
    height,
    maker,
    touch: touch(bench),
    items: [],
  });
  bench.put({ tab: 'make' });
  if (add(bench, 'Make', [item])) bench.making?.begin(id);
}
