import type { BasicColour } from '../../core/colour/main-colours';
import type { DrawnPicture } from '../../core/pictures/picture';
import type { Queries } from '../database/connection';
import { one } from '../database/connection';
import type { Clearing } from '../../core/raster/recipe';
import type { ClearedIn, PictureIn } from '../pictures/read-in';
import { colleaguesOf } from './phrases';

/** Pictures that people brought along. They belong to a school: whoever is of it may see what is shown on a sheet. */

/** So many can one person have on offer. */
export const MOST_PICTURES = 500;

export type OwnPicture = {
  id: string;
  name: string;
  width: number;
  height: number;
  colours: BasicColour[];
  /** Where on the shelf it lies; empty for nowhere in particular. */
  section: string;
  credit: string;
  shared: boolean;
  /** Whose it is, where it is somebody else's. */
  by: string | null;
};

/**
 * Keeps a picture. One that was there already is offered again, by its new name.
 * @param offered false where it only shows a page of a file: it is not offered among the owner's pictures
 */
export async function keepPicture(
  db: Queries,
  { schoolId, ownerId, offered = true }: { schoolId: string; ownerId: string; offered?: boolean },
  { drawn, colours, pixels }: PictureIn,
): Promise<OwnPicture> {
  const { id, name, width, height } = drawn;
  const { type = null, image = null, screen = null, lines = null } = pixels ?? {};
  const [kept] = await db.query<Pick<OwnPicture, 'section' | 'credit' | 'shared'>>(
    `insert into picture (id, school_id, owner_id, name, width, height, type, image, screen, lines, drawn, colours, put_away)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13)
     on conflict (id) do update set name = excluded.name, drawn = jsonb_set(excluded.drawn, '{credit}', to_jsonb(picture.credit)),
       put_away = picture.put_away and excluded.put_away
     returning section, credit, shared`,
    [id, schoolId, ownerId, name, width, height, type, image, screen, lines, JSON.stringify(drawn), colours, !offered],
  );
  return { id, name, width, height, colours, by: null, ...kept };
}

/** How many pictures a person ever brought. */
export const countPictures = async (db: Queries, ownerId: string): Promise<number> =>
  (await db.query<{ n: number }>('select count(*)::int as n from picture where owner_id = $1', [ownerId]))[0].n;

/** How many of a person's pictures are on offer. */
export const countOffered = async (db: Queries, ownerId: string): Promise<number> =>
  (
    await db.query<{ n: number }>('select count(*)::int as n from picture where owner_id = $1 and not put_away', [
      ownerId,
    ])
  )[0].n;

const SHELF_COLUMNS = 'p.id, p.name, p.width, p.height, p.colours, p.section, p.credit, p.shared';

/** What a person has on offer, the newest first, and then what those share who teach the same classes. */
export async function shelfOf(db: Queries, ownerId: string): Promise<OwnPicture[]> {
  const owners = await colleaguesOf(db, ownerId);
  return db.query<OwnPicture>(
    `select ${SHELF_COLUMNS}, case when p.owner_id = $1 then null else o.name end as by
     from picture p join person o on o.id = p.owner_id
     where p.owner_id = any($2) and not p.put_away and (p.owner_id = $1 or p.shared)
     order by p.owner_id <> $1, p.created_at desc, p.id limit ${3 * MOST_PICTURES}`,
    [ownerId, owners],
  );
}

/** Some uploaded pictures of a school, whoever they belong to. */
export const picturesOf = async (db: Queries, schoolId: string, ids: readonly string[]): Promise<OwnPicture[]> =>
  ids.length === 0
    ? []
    : db.query<OwnPicture>(
        `select ${SHELF_COLUMNS}, o.name as by from picture p join person o on o.id = p.owner_id
         where p.school_id = $1 and p.id = any($2)`,
        [schoolId, [...ids]],
      );

export type ShelfChange = { name?: string; section?: string; credit?: string; shared?: boolean };

/** Changes what is said of a person's own pictures. @returns those that were theirs to change */
export const changeShelf = async (
  db: Queries,
  ownerId: string,
  ids: readonly string[],
  { name, section, credit, shared }: ShelfChange,
): Promise<OwnPicture[]> =>
  db.query<OwnPicture>(
    `update picture p set name = coalesce($3, p.name), section = coalesce($4, p.section), credit = coalesce($5, p.credit),
       shared = coalesce($6, p.shared),
       drawn = p.drawn || jsonb_build_object('name', coalesce($3, p.name), 'credit', coalesce($5, p.credit))
     where p.owner_id = $1 and p.id = any($2) and not p.put_away
     returning ${SHELF_COLUMNS}, null::text as by`,
    [ownerId, [...ids], name ?? null, section ?? null, credit ?? null, shared ?? null],
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
  (
    await db.query<{ drawn: DrawnPicture }>(
      `select drawn from picture where id = any($1)
       union all select drawn from cleared_picture where id = any($1)`,
      [[...ids]],
    )
  ).map(({ drawn }) => drawn);

/** What own pictures are drawn with, and their files by the names of their assets. */
export type PictureFiles = {
  drawn: DrawnPicture[];
  files: ReadonlyMap<string, Uint8Array>;
  /** What is left of pictures without their backgrounds, and of which asset, by the names of theirs. */
  masks?: ReadonlyMap<string, { of: string; mask: Uint8Array }>;
};

type Files = { image: Uint8Array | null; screen: Uint8Array | null; lines: Uint8Array | null; drawn: DrawnPicture };

export async function pictureFiles(db: Queries, ids: readonly string[]): Promise<PictureFiles> {
  const rows =
    ids.length === 0
      ? []
      : await db.query<Files>('select image, screen, lines, drawn from picture where id = any($1)', [[...ids]]);
  const files = new Map<string, Uint8Array>();
  for (const { image, screen, lines, drawn } of rows) {
    const { whole, lines: drawing } = drawn.raster ?? {};
    if (whole && image) files.set(whole.asset, image);
    if (whole?.screen && screen) files.set(whole.screen, screen);
    if (drawing && lines) files.set(drawing.asset, lines);
  }
  const cleared = await clearedFiles(db, ids);
  const masks = new Map<string, { of: string; mask: Uint8Array }>();
  for (const { picture_id, mask, screen, lines, drawn } of cleared) {
    const { whole, lines: drawing } = drawn.raster!;
    files.set(whole.asset, screen).set(whole.screen!, screen).set(drawing.asset, lines);
    const of = rows.find((row) => row.drawn.id === picture_id)?.drawn.raster?.whole.asset;
    if (of !== undefined) masks.set(whole.asset, { of, mask });
  }
  return { drawn: [...rows, ...cleared].map(({ drawn }) => drawn), files, masks };
}

type ClearedRow = {
  picture_id: string;
  mask: Uint8Array;
  screen: Uint8Array;
  lines: Uint8Array;
  drawn: DrawnPicture;
};

const clearedFiles = async (db: Queries, ids: readonly string[]): Promise<ClearedRow[]> =>
  ids.length === 0
    ? []
    : db.query<ClearedRow>('select picture_id, mask, screen, lines, drawn from cleared_picture where id = any($1)', [
        [...ids],
      ]);

/** Keeps a picture without its background. */
export const keepCleared = (
  db: Queries,
  { schoolId, pictureId, recipe }: { schoolId: string; pictureId: string; recipe: Clearing },
  { drawn, mask, screen, lines }: ClearedIn,
) =>
  db.query(
    `insert into cleared_picture (id, picture_id, school_id, recipe, drawn, mask, screen, lines)
     values ($1, $2, $3, $4, $5, $6, $7, $8) on conflict (id) do nothing`,
    [drawn.id, pictureId, schoolId, JSON.stringify(recipe), JSON.stringify(drawn), mask, screen, lines],
  );

/** In how many ways a picture is kept without its background. */
export const countCleared = async (db: Queries, pictureId: string): Promise<number> =>
  (
    await db.query<{ n: number }>('select count(*)::int as n from cleared_picture where picture_id = $1', [pictureId])
  )[0].n;

/** The file of a picture of a school as screens show it, and what it is drawn with; none for a drawing. */
export const shownPicture = async (
  db: Queries,
  schoolId: string,
  id: string,
): Promise<{ drawn: DrawnPicture; bytes: Uint8Array } | undefined> =>
  one(
    await db.query<{ drawn: DrawnPicture; bytes: Uint8Array }>(
      `select drawn, coalesce(screen, image) as bytes from picture
       where id = $1 and school_id = $2 and image is not null`,
      [id, schoolId],
    ),
  );

/** What one picture of a school is drawn with. */
export const drawnPicture = async (db: Queries, schoolId: string, id: string): Promise<DrawnPicture | undefined> =>
  one(
    await db.query<{ drawn: DrawnPicture }>(
      `select drawn from picture where id = $1 and school_id = $2
       union all select drawn from cleared_picture where id = $1 and school_id = $2`,
      [id, schoolId],
    ),
  )?.drawn;

export type PictureFileName = 'image' | 'screen' | 'lines';

const FILE_COLUMNS: Record<PictureFileName, { own: string; cleared: string }> = {
  image: { own: 'type, image as bytes', cleared: 'screen' },
  screen: { own: 'type, screen as bytes', cleared: 'screen' },
  lines: { own: `'image/png' as type, lines as bytes`, cleared: 'lines' },
};

/** One of the files of a picture of a school; none for a drawing. */
export const pictureFile = async (db: Queries, schoolId: string, id: string, file: PictureFileName) => {
  const found = one(
    await db.query<{ type: string; bytes: Uint8Array | null }>(
      `select ${FILE_COLUMNS[file].own} from picture where id = $1 and school_id = $2
       union all select 'image/png', ${FILE_COLUMNS[file].cleared} from cleared_picture where id = $1 and school_id = $2`,
      [id, schoolId],
    ),
  );
  return found?.bytes ? { type: found.type, bytes: found.bytes } : undefined;
};
