import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import type { Drawing } from '../core/drawing/item';
import { drawPage } from '../core/drawing/item';
import type { DrawnPicture, Pictures } from '../core/drawing/picture';
import { pageSvg } from '../core/drawing/svg';
import type { Sheet } from '../core/sheet/schema';
import { ALL_FILES } from '../core/text/catalogue';
import { Faces } from '../core/text/faces';
import { projectRoot } from './place';

/** What the art folder was built into: fonts and pictures, read once. */

export const artFolder = () => path.join(projectRoot(), '.generated');
export const fontBytes = (file: string) => readFileSync(path.join(artFolder(), 'fonts', path.basename(file)));

export function openPictures(): Pictures {
  const known = new Map<string, DrawnPicture | undefined>();
  return (id) => {
    if (!known.has(id)) {
      const file = path.join(artFolder(), 'pictures', `${id}.json`);
      const usable = /^[a-z]+\/[a-z0-9-]+$/.test(id) && existsSync(file);
      known.set(id, usable ? (JSON.parse(readFileSync(file, 'utf8')) as DrawnPicture) : undefined);
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

/** Draws pages as SVG for thumbnails and remembers the last ones by a key that names their exact state. */
export class Shelf {
  private drawn = new Map<string, string>();
  constructor(readonly resources: Resources) {}

  static async open(): Promise<Shelf> {
    return new Shelf({ faces: await openFaces(), pictures: openPictures() });
  }

  svg(key: string, sheet: Sheet, pageIndex = 0): string {
    const whole = `${key}/${pageIndex}`;
    let svg = this.drawn.get(whole);
    if (svg === undefined) {
      svg = pageSvg(drawPage(sheet, sheet.pages[pageIndex] ?? sheet.pages[0], this.resources), this.resources.faces);
      this.drawn.set(whole, svg);
      if (this.drawn.size > 400) this.drawn.delete(this.drawn.keys().next().value!);
    }
    return svg;
  }
}
