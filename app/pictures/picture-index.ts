import { useEffect, useSyncExternalStore } from 'react';
import type { OwnPicture } from '../../server/stores/pictures';
import { MOST_BYTES } from '../../core/raster/limits';
import type { PictureAnswer, PicturesAnswer } from './answers';

/** The pictures to choose from: shipped ones and a teacher's uploads. */

export type PictureEntry = {
  id: string;
  name: string;
  tags: string[];
  group: string;
  width: number;
  height: number;
  credit: string;
  licence: string;
};

/** The group of uploaded pictures, before all others. */
export const OWN = 'uploaded';

/** `mayBring`: whether this person can upload pictures. */
type Index = { entries: readonly PictureEntry[]; mayBring: boolean };

let shipped: readonly PictureEntry[] = [];
let index: Index = { entries: [], mayBring: false };
let loading: Promise<readonly PictureEntry[]> | undefined;
const listeners = new Set<() => void>();

const entryOf = ({ id, name, width, height }: OwnPicture): PictureEntry => ({
  id,
  name,
  width,
  height,
  tags: [],
  group: OWN,
  credit: '',
  licence: '',
});

function put(own: readonly PictureEntry[], mayBring: boolean) {
  index = { entries: [...own, ...shipped], mayBring };
  for (const listener of listeners) listener();
}

const own = () => index.entries.filter((entry) => entry.group === OWN);

export const loadIndex = (): Promise<readonly PictureEntry[]> =>
  (loading ??= (async () => {
    const [art, brought] = await Promise.all([fetch('/art/pictures/index.json'), fetch('/pictures')]);
    shipped = (await art.json()) as PictureEntry[];
    const answer = brought.ok ? ((await brought.json()) as PicturesAnswer) : null;
    put((answer?.pictures ?? []).map(entryOf), answer?.mayBring ?? false);
    return index.entries;
  })().catch((problem: unknown) => {
    // It may load when asked for again.
    loading = undefined;
    throw problem;
  }));

/** Tried again the next time a picture is needed. */
const later = () => undefined;

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};
const indexNow = () => index;
/** The index as far as it has loaded. */
export const pictureIndex = indexNow;

export function usePictures(): Index {
  useEffect(() => void loadIndex().catch(later), []);
  return useSyncExternalStore(subscribe, indexNow, indexNow);
}

/** A picture's name with its source, if known. */
export const titleOf = ({ name, credit, licence }: PictureEntry): string =>
  credit ? `${name} · ${credit} (${licence})` : name;

/** What the server answers, or what went wrong as a sentence. */
async function sent(url: string, request: RequestInit): Promise<Response | string> {
  const answer = await fetch(url, request).catch(() => null);
  if (!answer) return 'The school’s server can’t be reached just now. Try again in a moment.';
  if (answer.ok) return answer;
  const said = (await answer.json().catch(() => null)) as { message?: string } | null;
  return said?.message ?? 'Couldn’t upload the picture. Try again.';
}

/** Uploads a picture, for this sheet and others. @returns it, or a sentence that says what is wrong with it */
export async function bringPicture(file: File): Promise<PictureEntry | string> {
  if (file.size > MOST_BYTES)
    return `“${file.name}” has ${Math.ceil(file.size / 1e6)} MB; at most ${MOST_BYTES / 1e6} MB can be uploaded. Save it smaller and try again.`;
  const answer = await sent(`/pictures?name=${encodeURIComponent(file.name.slice(-200))}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: file,
  });
  if (typeof answer === 'string') return answer;
  const entry = entryOf(((await answer.json()) as PictureAnswer).picture);
  put([entry, ...own().filter(({ id }) => id !== entry.id)], index.mayBring);
  return entry;
}

/** No longer offers a picture. @returns what went wrong, or nothing */
export async function putPictureAway(id: string): Promise<string | null> {
  const answer = await sent(`/pictures?id=${encodeURIComponent(id)}`, { method: 'DELETE' });
  if (typeof answer === 'string') return answer;
  put(
    own().filter((entry) => entry.id !== id),
    index.mayBring,
  );
  return null;
}
