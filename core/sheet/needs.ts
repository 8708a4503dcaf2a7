import { bodyText } from '../text/body';
import { shownId } from '../pictures/picture';
import type { Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem } from './tree';
import { fileFor, FIRST_FILE, signFiles } from '../text/catalogue';
import { fullStyle, roleOfItem } from '../text/style';

/** What a sheet is drawn with: the font files of its words, and its pictures by id. */
export type Needs = { fonts: string[]; pictures: string[] };

export function needsOf(sheet: Pick<Sheet, 'pages' | 'roles'>): Needs {
  const fonts = new Set([FIRST_FILE]);
  const pictures = new Set<string>();
  for (const page of sheet.pages)
    for (const item of everyItem(page)) {
      // Until the cleared one is there, the picture itself is shown.
      if (item.kind === 'picture') for (const id of [item.picture, shownId(item)]) pictures.add(id);
      if (!isWritten(item)) continue;
      const role = roleOfItem(sheet, item);
      const styles = [role.run, ...item.body.flatMap((p) => p.runs.map((run) => fullStyle(role, run.style)))];
      for (const { font, bold, italic } of styles) fonts.add(fileFor(font, bold, italic));
      for (const bold of new Set(styles.map((style) => style.bold)))
        for (const file of signFiles(bodyText(item.body), bold)) fonts.add(file);
    }
  return { fonts: [...fonts], pictures: [...pictures] };
}

/** The faces that a sheet names and that are not here: they are drawn in another, and said. */
export function unknownFaces(sheet: Sheet, known: (face: string) => boolean): string[] {
  const found = new Set<string>();
  for (const role of Object.values(sheet.roles)) if (!known(role.run.font)) found.add(role.run.font);
  for (const item of everyItem(sheet))
    if (isWritten(item))
      for (const p of item.body)
        for (const { style } of p.runs) if (style.font !== undefined && !known(style.font)) found.add(style.font);
  return [...found].sort();
}
