import { existsSync } from 'node:fs';
import path from 'node:path';

/** The project's root: the nearest folder upwards that holds package.json, from source and from the built file alike. */
export function projectRoot(from = import.meta.dirname): string {
  for (let folder = from; ; folder = path.dirname(folder)) {
    if (existsSync(path.join(folder, 'package.json'))) return folder;
    if (folder === path.dirname(folder)) throw new Error(`no package.json above ${from}`);
  }
}
