import type { Point } from '../../core/geometry/matrix';
import type { Editor } from '../document/editor';
import { untilChanged } from '../document/editor';
import { addPictures } from '../commands/commands';
import { replaceWith } from '../commands/replace';
import { bringPictures } from './picture-index';
import { takesPictures } from './takes-pictures';

/** The most files taken in at once. */
const MOST_AT_ONCE = 30;
const MAY_BE = /\.(?:png|jpe?g|webp|gif|svg|zip)$/i;

/**
 * Takes picture files in and puts them on the sheet, or beside it: the first one in the place of another where it is dropped `onto`
 * that, several beside the page, to be chosen from. On a student's copy this is done where uploading is opened; other files become
 * pages, where that is opened.
 */
export async function bringTo(
  editor: Editor,
  files: readonly File[],
  at?: Point,
  onto: string | null = null,
): Promise<void> {
  if (editor.past) return;
  const taken = ({ type, name }: File) => takesPictures(editor) && (type.startsWith('image/') || MAY_BE.test(name));
  const pictures = files.filter(taken);
  let others = files.filter((file) => !taken(file));
  if (editor.rights.kind !== 'all' && others.length > 0) {
    // Only copies need it: the workbench does not load it.
    const { bringingOf } = await import('../brought/bringing');
    const bringing = bringingOf(editor);
    if (bringing) {
      bringing.add(others);
      others = [];
    } else if (!takesPictures(editor))
      return editor.say('Your teacher has not opened work made elsewhere on this sheet.');
  }
  const said = others.map(
    ({ name }) => `“${name}” is no picture: PNG, JPEG, WebP, GIF, SVG or ZIP files can be taken in.`,
  );
  if (pictures.length > MOST_AT_ONCE)
    said.push(`Only the first ${MOST_AT_ONCE} files were taken in. Bring the others after these.`);
  if (pictures.length > 0) {
    const wanted = pictures.slice(0, MOST_AT_ONCE);
    const [first] = wanted;
    const what = wanted.length === 1 ? `“${first.name}” is` : `${wanted.length} files are`;
    editor.say(`${what} being taken in …`);
    const { entries, said: more } = await bringPictures(wanted);
    said.push(...more);
    const left = onto === null ? entries : entries.slice(1);
    if (onto !== null && entries.length > 0) await replaceWith(editor, [onto], entries[0].id);
    if (left.length > 0) addPictures(editor, left, onto === null ? at : undefined);
    if (left.length > 1)
      said.unshift(
        `${left.length} pictures lie beside the page. Select one on the page and press T to try them in its place.`,
      );
    else if (left.length === 1 && said.length === 0) editor.say('The picture was taken in.', untilChanged(editor));
  }
  if (said.length > 0) editor.say(said.join(' '));
}
