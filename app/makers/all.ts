import type { MakerKind } from '../../core/schema/recipes/recipes';
import { CALENDAR } from './calendar/maker';
import { CHART } from './chart/maker';
import { CLOUD } from './cloud/maker';
import type { AppMaker } from './kit/maker';
import { LABELS } from './labels/maker';
import { MAP } from './map/maker';
import { PRACTICE } from './practice/maker';
import { TABLE } from './table/maker';

/** All makers, in the order of their tiles. */
export const MAKERS = [MAP, LABELS, PRACTICE, CLOUD, CHART, TABLE, CALENDAR] as unknown as readonly AppMaker[];

const byKind = new Map(MAKERS.map((maker) => [maker.kind, maker]));
export const makerOf = (kind: MakerKind): AppMaker => byKind.get(kind)!;

/** What makers add to the sheet itself. */
export const ON_SHEET = MAKERS.flatMap(({ onSheet }) => onSheet ?? []);
