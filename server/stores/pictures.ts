import type { DrawnPicture } from '../../core/pictures/picture';
import type { Queries } from '../database/connection';
import { one } from '../database/connection';
import type { PictureIn } from '../pictures/read-in';

/** Pictures that people brought along. They belong to a school: whoever is of it may see what is shown on a sheet. */

/** So many can one person have on offer. */
export const MOST_PICTURES = 500;

export type OwnPicture = { id: string; name: string; width: number; height: number };

/**
 * Keeps a picture. One that was there already is offered again, by its new name.
 * @param offered false where it only shows a page of a file: it is not offered among the owner's pictures
 */
export async function keepPicture(
  db: Queries,
  { schoolId, ownerId, offered = true }: { schoolId: string; ownerId: string; offered?: boolean },
  { drawn, type, image, lines }: PictureIn,
): Promise<OwnPicture> {
  const { id, name, width, height } = drawn;
  await db.query(
    `insert into picture (id, school_id, owner_id, name, width, height, type, image, lines, drawn, put_away)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)
     on conflict (id) do update set name = excluded.name, drawn = excluded.drawn, put_away = picture.put_away and excluded.put_away`,
    [id, schoolId, ownerId, name, width, height, type, image, lines, JSON.stringify(drawn), !offered],
  );
  return { id, name, width, height };
}

/** How many pictures a person ever brought. */
export const countPictures = async (db: Queries, ownerId: string): Promise<number> =>
  (await db.query<{ n: number }>('select count(*)::int as n from picture where owner_id = $1', [ownerId]))[0].n;

/** What a person has on offer, the newest first. */
export const ownPictures = (db: Queries, ownerId: string) =>
  db.query<OwnPicture>(
    'select id, name, width, height from picture where owner_id = $1 and not put_away order by created_at desc, id',
    [ownerId],
  );

/** No longer offers a picture; sheets that show it keep it. @returns whether there was such a one */
export const putAway = async (db: Queries, ownerId: string, id: string): Promise<boolean> =>
  (await db.query('update picture set put_away = true where id = $1 and owner_id = $2 returning id', [id, ownerId]))
    .length > 0;

/** Which of some pictures a school has. */
export const knownPictures = async (db: Queries, schoolId: string, ids: readonly string[]): Promise<Set<string>> =>
  ids.length === 0
    ? new Set()
    : new Set(
        (
          await db.query<{ id: string }>('select id from picture where school_id = $1 and id = any($2)', [
            schoolId,
            [...ids],
          ])
        ).map(({ id }) => id),
      );

/** What some pictures are drawn with. */
export const drawnPictures = async (db: Queries, ids: readonly string[]): Promise<DrawnPicture[]> =>
  (await db.query<{ drawn: DrawnPicture }>('select drawn from picture where id = any($1)', [[...ids]])).map(
    ({ drawn }) => drawn,
  );

/** What own pictures are drawn with, and their files by the names of their assets. */
export type PictureFiles = { drawn: DrawnPicture[]; files: ReadonlyMap<string, Uint8Array> };

export async function pictureFiles(db: Queries, ids: readonly string[]): Promise<PictureFiles> {
  const rows =
    ids.length === 0
      ? []
      : await db.query<{ image: Uint8Array; lines: Uint8Array; drawn: DrawnPicture }>(
          'select image, lines, drawn from picture where id = any($1)',
          [[...ids]],
        );
  const files = rows.flatMap(({ image, lines, drawn: { raster } }): [string, Uint8Array][] => [
    [raster!.whole.asset, image],
    [raster!.lines.asset, lines],
  ]);
  return { drawn: rows.map(({ drawn }) => drawn), files: new Map(files) };
}

/** What one picture of a school is drawn with. */
export const drawnPicture = async (db: Queries, schoolId: string, id: string): Promise<DrawnPicture | undefined> =>
  one(
    await db.query<{ drawn: DrawnPicture }>('select drawn from picture where id = $1 and school_id = $2', [
      id,
      schoolId,
    ]),
  )?.drawn;

/** One of the two files of a picture of a school. */
export const pictureFile = async (db: Queries, schoolId: string, id: string, file: 'image' | 'lines') =>
  one(
    await db.query<{ type: string; bytes: Uint8Array }>(
      file === 'image'
        ? 'select type, image as bytes from picture where id = $1 and school_id = $2'
        : `select 'image/png' as type, lines as bytes from picture where id = $1 and school_id = $2`,
      [id, schoolId],
    ),
  );
