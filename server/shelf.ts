import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import type { Drawing } from '../core/items/kind';
import type { DrawnPicture, Pictures } from '../core/pictures/picture';
import { isOwn, withNames } from '../core/pictures/picture';
import { isHeavy, partOfSheet, thumbnailSvg } from '../core/items/thumbnail';
import { Recent } from '../core/values/recent';
import type { Sheet } from '../core/schema/sheet';
import { ALL_FILES } from '../core/text/catalogue';
import { Faces } from '../core/text/faces';
import { needsOf } from '../core/sheet/needs';
import type { Queries } from './database/connection';
import { projectRoot } from './place';
import type { Exporter } from './exports/exporter';
import { drawnPictures, pictureFiles } from './stores/pictures';

/** What the art folder was built into: fonts and pictures, read once. */

export const artFolder = () => path.join(projectRoot(), '.generated');
export const fontBytes = (file: string) => readFileSync(path.join(artFolder(), 'fonts', path.basename(file)));

/** What the parts of shipped pictures are called, in their order; kept from what is served to everybody. */
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

/** How much drawn pages and own pictures that were asked for last may take. */
const DRAWN_BYTES = 48e6;
const OWN_BYTES = 48e6;

/** Draws pages as SVG for thumbnails and remembers the last ones by a key that names their exact state. */
export class Shelf {
  private drawn = new Recent<string, string>(DRAWN_BYTES, (svg) => 2 * svg.length);
  private own = new Recent<string, DrawnPicture>(OWN_BYTES, (picture) => 2 * JSON.stringify(picture).length);
  readonly partNames = partNames();
  constructor(
    readonly resources: Resources,
    private exporter?: Exporter,
  ) {}

  static async open(exporter?: Exporter): Promise<Shelf> {
    return new Shelf({ faces: await openFaces(), pictures: openPictures() }, exporter);
  }

  /** Shipped pictures, and the own ones among `ids`. */
  async pictures(db: Queries, ids: readonly string[]): Promise<Pictures> {
    const wanted = ids.filter(isOwn);
    const left = wanted.filter((id) => !this.own.has(id));
    const here = new Map(wanted.map((id) => [id, this.own.get(id)]));
    for (const picture of left.length > 0 ? await drawnPictures(db, left) : []) {
      here.set(picture.id, picture);
      this.own.set(picture.id, picture);
    }
    return (id) => (isOwn(id) ? here.get(id) : this.resources.pictures(id));
  }

  async svg(db: Queries, key: string, sheet: Sheet, signal?: AbortSignal, pageIndex = 0): Promise<string> {
    const whole = `${key}/${pageIndex}`;
    let svg = this.drawn.get(whole);
    if (svg === undefined) {
      const part = partOfSheet(sheet, pageIndex);
      const wanted = needsOf({ ...part.sheet, pages: [part.page] }).pictures;
      svg =
        this.exporter && isHeavy(part)
          ? await this.exporter.thumbnail(part, await pictureFiles(db, wanted.filter(isOwn)), signal)
          : thumbnailSvg(part, { faces: this.resources.faces, pictures: await this.pictures(db, wanted) });
      this.drawn.set(whole, svg);
    }
    return svg;
  }
}
