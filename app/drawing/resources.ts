import type { ImageNode } from '../../core/drawing/list';
import type { DrawnPicture } from '../../core/pictures/picture';
import type { Sheet } from '../../core/schema/sheet';
import { FALLBACK, fileFor } from '../../core/text/catalogue';
import { Faces } from '../../core/text/faces';
import { needsOf } from '../../core/sheet/needs';
import { fetchPicture } from './fetch-pictures';
import { named } from '../../workers/part-names';

/** Faces and pictures in the browser: fetched when first needed, kept while the page is open. */

let opening: Promise<Faces> | undefined;
let opened: Faces | null = null;
const pictures = new Map<string, DrawnPicture | null>();
const onTheirWay = new Map<string, Promise<void>>();
const listeners = new Set<() => void>();
let arrived = 0;

const tell = () => {
  arrived++;
  for (const listener of listeners) listener();
};

export const onArrival = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};
// What could not be fetched is asked for again.
if (typeof window !== 'undefined') window.addEventListener('online', tell);
/** Counts arrivals: what is drawn with them may have to be drawn again. */
export const arrivals = () => arrived;

async function bytes(url: string): Promise<ArrayBuffer> {
  const answer = await fetch(url);
  if (!answer.ok) throw new Error(`${url}: ${answer.status}`);
  return answer.arrayBuffer();
}

function once(key: string, work: () => Promise<void>): Promise<void> {
  let way = onTheirWay.get(key);
  if (!way) {
    // A failed fetch may be tried again.
    way = work().catch(() => void onTheirWay.delete(key));
    onTheirWay.set(key, way);
  }
  return way;
}

export function openFaces(): Promise<Faces> {
  opening ??= (async () => {
    const file = fileFor(FALLBACK.id, false, false);
    const [faces, fallback] = await Promise.all([Faces.open(), bytes(`/art/fonts/${file}`)]);
    faces.add(file, fallback);
    opened = faces;
    return faces;
  })();
  return opening;
}

/** The faces, if an earlier screen loaded them: then this one draws at once. */
export const facesNow = () => opened;

const loadFace = (faces: Faces, file: string) =>
  once(file, async () => {
    faces.add(file, await bytes(`/art/fonts/${file}`));
    tell();
  });

/** Fetches a picture once. Afterwards it is here, or there is none of that name. */
export const loadPicture = (id: string) =>
  once(id, async () => {
    const picture = await fetchPicture(id);
    pictures.set(id, picture && (await named(picture)));
    tell();
  });

/** The same for one that was just made, and may have been missing before. */
export function loadMade(id: string): Promise<void> {
  if (!pictures.get(id)) onTheirWay.delete(id);
  return loadPicture(id);
}

/** Where the pixels of own pictures are. */
export const imageUrl = ({ asset, screen }: Pick<ImageNode, 'asset' | 'screen'>) => `/art/pictures/${screen ?? asset}`;

/** A picture if it is here. Otherwise it is fetched. */
export function pictureNow(id: string): DrawnPicture | undefined {
  const known = pictures.get(id);
  if (known === undefined) void loadPicture(id);
  return known ?? undefined;
}

/** Font files that drawing needed and did not have. */
export function loadMissing(faces: Faces): void {
  for (const file of faces.missing) void loadFace(faces, file);
}

/** Loads everything a sheet is drawn with, before it is first shown. */
export async function prepare(sheet: Sheet): Promise<Faces> {
  const faces = await openFaces();
  const { fonts, pictures: wanted } = needsOf(sheet);
  await Promise.all([
    ...fonts.filter((file) => !faces.has(file)).map((file) => loadFace(faces, file)),
    ...wanted.map(loadPicture),
  ]);
  return faces;
}
