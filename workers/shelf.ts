import { named } from './part-names';
import type { DrawnPicture, Pictures } from '../core/pictures/picture';
import { Faces } from '../core/text/faces';

/** @throws Error that says what a person can do */
async function fetched<T>(url: string, read: (answer: Response) => Promise<T>): Promise<T> {
  try {
    return await read(await fetch(url));
  } catch {
    throw new Error(
      'what it is drawn with can’t be fetched, for the school can’t be reached. It is tried again when it can.',
    );
  }
}

/** Faces and pictures in a worker of the page: fetched when first wanted, kept for its life. */
export class Shelf {
  private faces: Promise<Faces> | undefined;
  private fonts = new Map<string, Promise<void>>();
  private pictures = new Map<string, Promise<DrawnPicture | undefined>>();
  private here = new Map<string, DrawnPicture | undefined>();

  private font(open: Faces, file: string): Promise<void> {
    let way = this.fonts.get(file);
    if (!way) {
      way = fetched(`/art/fonts/${file}`, async (answer) => {
        if (answer.ok) open.add(file, await answer.arrayBuffer());
      });
      this.fonts.set(file, way);
      // A failed fetch can be tried again.
      way.catch(() => this.fonts.delete(file));
    }
    return way;
  }

  private picture(id: string): Promise<DrawnPicture | undefined> {
    let way = this.pictures.get(id);
    if (!way) {
      way = fetched(`/art/pictures/${id}.json`, async (answer) => {
        const picture = answer.ok ? await named((await answer.json()) as DrawnPicture) : undefined;
        this.here.set(id, picture);
        return picture;
      });
      this.pictures.set(id, way);
      way.catch(() => this.pictures.delete(id));
    }
    return way;
  }

  async ready(fonts: readonly string[], pictures: readonly string[]): Promise<{ faces: Faces; pictures: Pictures }> {
    const faces = await (this.faces ??= Faces.open());
    await Promise.all([...fonts.map((file) => this.font(faces, file)), ...pictures.map((id) => this.picture(id))]);
    return { faces, pictures: (id) => this.here.get(id) };
  }
}
