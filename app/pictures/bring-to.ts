import type { Point } from '../../core/geometry/matrix';
import type { Editor } from '../document/editor';
import { addPicture } from '../commands/commands';
import { replaceWith } from '../commands/replace';
import { bringPicture } from './picture-index';

/** The most pictures added at once. */
const MOST_AT_ONCE = 12;
/** How far the next one lies from the last, in points. */
const STEP = 18;

/** Uploads picture files and puts them on the sheet, the first one in the place of another where it is dropped `onto` that; on a student's copy files become pages, where that is opened. */
export async function bringTo(
  editor: Editor,
  files: readonly File[],
  at?: Point,
  onto: string | null = null,
): Promise<void> {
  if (editor.past) return;
  if (editor.rights.kind !== 'all') {
    // Only copies need it: the workbench does not load it.
    const { bringingOf } = await import('../brought/bringing');
    const bringing = bringingOf(editor);
    return bringing
      ? bringing.add(files)
      : editor.say('Your teacher has not opened work made elsewhere on this sheet.');
  }
  const pictures = files.filter(({ type }) => type.startsWith('image/'));
  if (pictures.length === 0) return editor.say('Only pictures can be put on the sheet: PNG, JPEG or WebP files.');
  if (pictures.length > MOST_AT_ONCE)
    editor.say(`The first ${MOST_AT_ONCE} pictures were uploaded. Upload the others after these.`);
  let place = at;
  let instead = onto;
  for (const file of pictures.slice(0, MOST_AT_ONCE)) {
    const brought = await bringPicture(file);
    if (typeof brought === 'string') editor.say(brought);
    else if (instead !== null) await replaceWith(editor, [instead], brought.id);
    else addPicture(editor, brought, place);
    if (typeof brought !== 'string') instead = null;
    place = place && { x: place.x + STEP, y: place.y + STEP };
  }
}
