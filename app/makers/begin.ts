import dayjs from 'dayjs';
import { withinMargins } from '../../core/placement/on-page';
import { beginCalendar } from '../../core/makers/calendar/begin';
import { beginChart } from '../../core/makers/chart/begin';
import { beginCloud } from '../../core/makers/cloud/begin';
import { beginMap } from '../../core/makers/map/begin';
import { beginLabels, spotsOf } from '../../core/makers/labels/begin';
import type { Spot } from '../../core/schema/recipes/labels';
import { beginPractice } from '../../core/makers/practice/begin';
import { beginTable } from '../../core/makers/table/begin';
import type { MakerKind, MakerState, RecipeOf } from '../../core/schema/recipes/recipes';
import { group } from '../../core/schema/defaults';
import { loadPicture, pictureNow } from '../sheet/resources';
import type { Bench } from '../workbench/bench';
import { add, newId, placeFor, touch } from '../workbench/steps';
import type { Point } from '../../core/geometry/matrix';

/** What is made as it is first put down. */

type Beginning<K extends MakerKind> = {
  recipe: (palette: readonly string[]) => RecipeOf<K> | Promise<RecipeOf<K>>;
  /** Its frame as shares of the page within its margins. */
  width: number;
  height: number;
};
const FIRST_DIAGRAM = 'diagram/heron';
const BEGINNINGS: { [K in MakerKind]: Beginning<K> } = {
  map: { recipe: beginMap, width: 0.8, height: 0.7 },
  labels: {
    recipe: async (palette) => beginLabels(palette, FIRST_DIAGRAM, await spotsIn(FIRST_DIAGRAM)),
    width: 0.86,
    height: 0.72,
  },
  practice: { recipe: (palette) => beginPractice('matching', palette), width: 1, height: 1 },
  cloud: { recipe: (palette) => beginCloud(palette), width: 0.8, height: 0.72 },
  table: { recipe: (palette) => beginTable(palette), width: 0.7, height: 0.3 },
  calendar: { recipe: (palette) => beginCalendar(palette, dayjs().format('YYYY-MM-01')), width: 1, height: 1 },
  chart: { recipe: (palette) => beginChart(palette, 'bar', newId().slice(0, 12)), width: 0.6, height: 0.6 },
};

/** The spots of all named parts of a picture. */
export async function spotsIn(id: string): Promise<Spot[]> {
  await loadPicture(id);
  return spotsOf(pictureNow(id));
}

/** Puts down something made, in the middle of the page or at a point, and opens its recipe. */
export async function addMade(bench: Bench, kind: MakerKind, at?: Point, recipe?: unknown): Promise<void> {
  const { page, sheet } = bench;
  const begun = BEGINNINGS[kind];
  const room = withinMargins(page);
  const width = Math.round(room.width * begun.width);
  const height = Math.round(room.height * begun.height);
  const state = { kind, recipe: recipe ?? (await begun.recipe(sheet.palette)), seed: 1, parts: [] };
  const id = newId();
  const item = group({
    id,
    ...placeFor(bench, width, height, at),
    width,
    height,
    maker: state as unknown as MakerState,
    touch: touch(bench),
    items: [],
  });
  bench.put({ tab: 'make' });
  if (add(bench, 'Make', [item])) bench.making?.begin(id);
}
