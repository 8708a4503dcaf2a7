import type { Point } from '../../core/geometry/matrix';
import type { Bench } from '../document/bench';
import { addPicture } from '../commands/commands';
import { bringPicture } from './picture-index';

/** So many pictures are put on a sheet at once. */
const MOST_AT_ONCE = 12;
/** How far the next one lies from the last, in points. */
const STEP = 18;

/** Brings picture files along and puts them on the sheet, where a teacher may. */
export async function bringTo(bench: Bench, files: readonly File[], at?: Point): Promise<void> {
  if (bench.rights.kind !== 'all' || bench.past) return;
  const pictures = files.filter(({ type }) => type.startsWith('image/'));
  if (pictures.length === 0) return bench.say('Only pictures can be put on the sheet: PNG or JPEG files.');
  if (pictures.length > MOST_AT_ONCE)
    bench.say(`The first ${MOST_AT_ONCE} pictures were uploaded. Upload the others after these.`);
  let place = at;
  for (const file of pictures.slice(0, MOST_AT_ONCE)) {
    const brought = await bringPicture(file);
    if (typeof brought === 'string') bench.say(brought);
    else addPicture(bench, brought, place);
    place = place && { x: place.x + STEP, y: place.y + STEP };
  }
}
