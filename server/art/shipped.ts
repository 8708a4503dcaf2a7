import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import type { Drawing } from '../../core/items/kind';
import type { DrawnPicture, Pictures } from '../../core/pictures/picture';
import { withNames } from '../../core/pictures/picture';
import { ALL_FILES } from '../../core/text/catalogue';
import { Faces } from '../../core/text/faces';
import { projectRoot } from '../process/place';

/** What the art folder was built into: fonts and pictures, read once. */

export const artFolder = () => path.join(projectRoot(), '.generated');
export const fontBytes = (file: string) => readFileSync(path.join(artFolder(), 'fonts', path.basename(file)));

/** The names of the parts of shipped pictures, in order. Not served to everybody. */
export const partNames = (): Record<string, string[]> =>
  JSON.parse(readFileSync(path.join(artFolder(), 'kept/parts.json'), 'utf8')) as Record<string, string[]>;

export function openPictures(names = partNames()): Pictures {
  const known = new Map<string, DrawnPicture | undefined>();
  return (id) => {
    if (!known.has(id)) {
      const file = path.join(artFolder(), 'pictures', `${id}.json`);
      const usable = /^[a-z]+\/[a-z0-9-]+$/.test(id) && existsSync(file);
      known.set(id, usable ? withNames(JSON.parse(readFileSync(file, 'utf8')) as DrawnPicture, names[id]) : undefined);
    }
    return known.get(id);
  };
}

export async function openFaces(): Promise<Faces> {
  const faces = await Faces.open();
  for (const file of ALL_FILES) faces.add(file, fontBytes(file));
  return faces;
}

export type Resources = Pick<Drawing, 'faces' | 'pictures'>;
