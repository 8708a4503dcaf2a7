import { useEffect, useSyncExternalStore } from 'react';
import { inWords } from '../../core/values/listed';
import type { BasicColour } from '../../core/colour/main-colours';
import type { Clearing } from '../../core/raster/recipe';
import type { OwnPicture } from '../../server/stores/pictures';
import { MOST_BYTES, MOST_ZIPPED, tooLarge } from '../../core/raster/limits';
import type { PicturesAnswer, ShelfAnswer, UploadAnswer } from './answers';

/** The pictures to choose from: shipped ones, one's own, and on a copy those that a teacher laid out. */

export type PictureEntry = {
  id: string;
  name: string;
  tags: string[];
  group: string;
  width: number;
  height: number;
  credit: string;
  licence: string;
  /** What it mostly shows, the widest first. */
  colours: readonly BasicColour[];
  /** Of an uploaded one: where on the shelf it lies, whether colleagues have it too, and whose it is if not one's own. */
  shelf?: { section: string; shared: boolean; by: string | null };
};

/** The group of uploaded pictures, before those that ship. */
export const OWN = 'uploaded';
/** The group of those that a teacher laid out, before all others. */
export const LAID_OUT = 'for this sheet';

type Index = {
  entries: readonly PictureEntry[];
  /** Whether this person can upload pictures. */
  mayBring: boolean;
  loaded: boolean;
};

let shipped: readonly PictureEntry[] = [];
let uploaded: readonly PictureEntry[] = [];
const EMPTY: Index = { entries: [], mayBring: false, loaded: false };
let index = EMPTY;
/** The copy that pictures are wanted for; null for a sheet of one's own. */
let copy: string | null = null;
const NOTHING: PicturesAnswer['laidOut'] = { ids: [], only: false };
let laidOut = NOTHING;
let loading: Promise<void> | undefined;
const listeners = new Set<() => void>();

const entryOf = ({ id, name, width, height, colours, credit, section, shared, by }: OwnPicture): PictureEntry => ({
  id,
  name,
  width,
  height,
  colours,
  // Found by the name of its section, too.
  tags: section ? [section] : [],
  group: OWN,
  credit,
  licence: '',
  shelf: { section, shared, by },
});

function put(own: readonly PictureEntry[], mayBring = index.mayBring) {
  uploaded = own;
  const all = new Map([...shipped, ...own].map((entry) => [entry.id, entry]));
  const laid = laidOut.ids.flatMap((id) => all.get(id) ?? []).map((entry) => ({ ...entry, group: LAID_OUT }));
  const ids = new Set(laidOut.ids);
  const others = [...own, ...(laidOut.only ? [] : shipped)].filter(({ id }) => !ids.has(id));
  show({ entries: [...laid, ...others], mayBring, loaded: true });
}

function show(next: Index) {
  index = next;
  for (const listener of listeners) listener();
}

/** Says for which copy pictures are wanted from now on; null for sheets of one's own. */
export function picturesFor(copyId: string | null) {
  if (copyId === copy) return;
  copy = copyId;
  loading = undefined;
  show(EMPTY);
}

/** The pictures as they are now, once they have loaded. */
export async function loadIndex(): Promise<readonly PictureEntry[]> {
  await (loading ??= load(copy));
  return index.entries;
}

async function load(wanted: string | null): Promise<void> {
  try {
    const [art, brought] = await Promise.all([
      shipped.length > 0 ? null : fetch('/art/pictures/index.json'),
      fetch(uploadsUrl({})),
    ]);
    if (art) shipped = (await art.json()) as PictureEntry[];
    const answer = brought.ok ? ((await brought.json()) as PicturesAnswer) : null;
    if (wanted !== copy) return await (loading ??= load(copy));
    laidOut = answer?.laidOut ?? NOTHING;
    put((answer?.pictures ?? []).map(entryOf), answer?.mayBring ?? false);
  } catch (problem) {
    // It may load when asked for again.
    if (wanted === copy) loading = undefined;
    throw problem;
  }
}

/** Where uploaded pictures are, for the copy that they are wanted for. */
function uploadsUrl(asked: Record<string, string>): string {
  const query = new URLSearchParams({ ...asked, ...(copy === null ? {} : { copy }) }).toString();
  return query === '' ? '/pictures' : `/pictures?${query}`;
}

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
export const titleOf = ({ name, credit, licence, shelf }: PictureEntry): string =>
  [name, credit && (licence ? `${credit} (${licence})` : credit), shelf?.by && `shared by ${shelf.by}`]
    .filter(Boolean)
    .join(' · ');

/** What the server answers, or what went wrong as a sentence. */
async function sent(url: string, request: RequestInit): Promise<Response | string> {
  const answer = await fetch(url, request).catch(() => null);
  if (!answer) return 'The school’s server can’t be reached just now. Try again in a moment.';
  if (answer.ok) return answer;
  const said = (await answer.json().catch(() => null)) as { message?: string } | null;
  return said?.message ?? 'That did not work. Try again.';
}

/** What came of some files: the pictures, and sentences about what could not be taken, each with the name of its file. */
export type Brought = { entries: PictureEntry[]; said: string[] };

const isZip = ({ name, type }: File) => /\.zip$/i.test(name) || type.includes('zip');
const about = (name: string, problem: string) => `“${name}”: ${problem}`;

/** Uploads pictures, also those in ZIP files, for this sheet and others. @param onEach is told how many files are done */
export async function bringPictures(
  files: readonly File[],
  onEach: (done: number) => void = () => {},
): Promise<Brought> {
  const all: Brought = { entries: [], said: [] };
  for (const [i, file] of files.entries()) {
    const { entries, said } = await bringFile(file);
    all.entries.push(...entries);
    all.said.push(...said);
    onEach(i + 1);
  }
  return all;
}

async function bringFile(file: File): Promise<Brought> {
  const none = (problem: string): Brought => ({ entries: [], said: [about(file.name, problem)] });
  const most = isZip(file) ? MOST_ZIPPED : MOST_BYTES;
  if (file.size > most) return none(`It has ${tooLarge(file.size, most)}. Save it smaller and try again.`);
  const answer = await sent(uploadsUrl({ name: file.name.slice(-200) }), {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: file,
  });
  if (typeof answer === 'string') return none(answer);
  const { pictures, refused, leftOut } = (await answer.json()) as UploadAnswer;
  const entries = pictures.map(entryOf);
  const ids = new Set(entries.map(({ id }) => id));
  put([...entries, ...uploaded.filter(({ id }) => !ids.has(id))]);
  return {
    entries,
    said: [
      ...refused.map(({ name, problem }) => about(name, problem)),
      ...leftOut.map(({ name, what }) => about(name, `It was taken without ${inWords(what)}.`)),
    ],
  };
}

/** Changes what is said of own pictures. @returns what went wrong, or nothing */
export async function tidyPictures(
  ids: readonly string[],
  change: { name?: string; section?: string; credit?: string; shared?: boolean },
): Promise<string | null> {
  const answer = await sent('/pictures/shelf', { method: 'POST', body: JSON.stringify({ ids, ...change }) });
  if (typeof answer === 'string') return answer;
  const changed = new Map(((await answer.json()) as ShelfAnswer).pictures.map((one) => [one.id, entryOf(one)]));
  put(uploaded.map((entry) => changed.get(entry.id) ?? entry));
  return null;
}

/** Has a picture made without its background, before a sheet shows it so. @returns what went wrong, or nothing */
export async function clearPicture(picture: string, recipe: Clearing): Promise<string | null> {
  const answer = await sent('/pictures/clearing', { method: 'POST', body: JSON.stringify({ picture, recipe }) });
  return typeof answer === 'string' ? answer : null;
}

/** No longer offers a picture. @returns what went wrong, or nothing */
export async function putPictureAway(id: string): Promise<string | null> {
  const answer = await sent(uploadsUrl({ id }), { method: 'DELETE' });
  if (typeof answer === 'string') return answer;
  put(uploaded.filter((entry) => entry.id !== id));
  return null;
}
