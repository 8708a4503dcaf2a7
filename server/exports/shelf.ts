import type { Box } from '../../core/geometry/matrix';
import type { DrawnPicture, Pictures } from '../../core/pictures/picture';
import { isOwn } from '../../core/pictures/picture';
import { isHeavy, partOfSheet, thumbnailSvg } from '../../core/items/thumbnail';
import { Recent } from '../../core/values/recent';
import type { Sheet } from '../../core/schema/sheet';
import { needsOf } from '../../core/sheet/needs';
import type { Queries } from '../database/connection';
import type { Resources } from '../art/shipped';
import { openFaces, openPictures, partNames } from '../art/shipped';
import type { Exporter } from './exporter';
import { drawnPictures, pictureFiles } from '../stores/pictures';

/** Pages drawn for thumbnails, and the pictures that they are drawn with. */

/** How much drawn pages and own pictures that were asked for last may take. */
const DRAWN_BYTES = 48e6;
const OWN_BYTES = 48e6;

/** Draws pages as SVG for thumbnails and remembers the last ones by a key that names their exact state. */
export class Shelf {
  private drawn = new Recent<string, string>(DRAWN_BYTES, (svg) => svg.length);
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

  /**
   * @param from asked for its sheet only where the picture is not remembered
   * @param area of the page, in points; else all of it
   */
  async svg(
    db: Queries,
    key: string,
    from: Sheet | (() => Promise<Sheet>),
    signal?: AbortSignal,
    pageIndex = 0,
    area?: Box,
  ): Promise<string> {
    const whole = [key, pageIndex, ...(area ? [area.x, area.y, area.width, area.height] : [])].join('/');
    let svg = this.drawn.get(whole);
    if (svg === undefined) {
      const part = partOfSheet(typeof from === 'function' ? await from() : from, pageIndex, area);
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
