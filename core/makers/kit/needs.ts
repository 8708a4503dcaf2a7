import type { Sheet } from '../../schema/sheet';
import { fileFor, FIRST_FILE, signFiles } from '../../text/catalogue';
import type { Needs } from '../../sheet/needs';

/** What a recipe may be made with: every face of the sheet's roles in all its styles, and what the recipe names itself. */
export function needsOfRecipe(recipe: unknown, roles: Sheet['roles']): Needs {
  const fonts = new Set([FIRST_FILE]);
  const pictures = new Set<string>();
  const face = (font: string) => {
    for (const bold of [false, true]) for (const italic of [false, true]) fonts.add(fileFor(font, bold, italic));
  };
  for (const { run } of Object.values(roles)) face(run.font);
  const walk = (value: unknown, key: string): void => {
    if (typeof value === 'string') {
      if (key === 'font' || key === 'face') face(value);
      else if (/^[a-z]+\/[a-z0-9-]{1,80}$/.test(value)) pictures.add(value);
      else for (const bold of [false, true]) for (const file of signFiles(value, bold)) fonts.add(file);
    } else if (Array.isArray(value)) for (const one of value) walk(one, key);
    else if (value && typeof value === 'object') for (const [name, inner] of Object.entries(value)) walk(inner, name);
  };
  walk(recipe, '');
  return { fonts: [...fonts], pictures: [...pictures] };
}
