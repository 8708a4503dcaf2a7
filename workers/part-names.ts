import { withNames } from '../core/pictures/picture';
import type { DrawnPicture } from '../core/pictures/picture';

/** The names of parts of pictures, in pages and workers: teachers get them, students none. */

type Names = Record<string, readonly string[]>;
let asked: Promise<Names> | undefined;

const namesOf = (): Promise<Names> =>
  (asked ??= fetch('/parts')
    .then((answer) => (answer.ok ? (answer.json() as Promise<Names>) : {}))
    .catch(() => {
      asked = undefined;
      return {};
    }));

/** A picture as it was fetched, with the names of its parts where this person may know them. */
export const named = async (picture: DrawnPicture): Promise<DrawnPicture> =>
  picture.targets.length === 0 ? picture : withNames(picture, (await namesOf())[picture.id]);
