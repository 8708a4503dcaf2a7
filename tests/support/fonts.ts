import { readFileSync } from 'node:fs';
import path from 'node:path';
import { ALL_FILES } from '../../core/text/catalogue';
import { Faces } from '../../core/text/faces';

/** Every shipped face, opened from the built art. */
export async function allFaces(): Promise<Faces> {
  const faces = await Faces.open();
  for (const file of ALL_FILES) faces.add(file, readFileSync(path.resolve('.generated/fonts', file)));
  return faces;
}
