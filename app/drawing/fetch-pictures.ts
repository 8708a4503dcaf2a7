import type { DrawnPicture } from '../../core/pictures/picture';
import { isOwn } from '../../core/pictures/picture';
import { KEPT_ART } from '../browser/kept-art';

/** What pictures are drawn with, from the server: those that ship come together where many are wanted at once. */

/** From so many on they are asked for together. */
const MANY = 8;
const IN_ONE_REQUEST = 60;

const urlOf = (id: string) => `/art/pictures/${id}.json`;

async function single(id: string): Promise<DrawnPicture | null> {
  const answer = await fetch(urlOf(id));
  return answer.ok ? ((await answer.json()) as DrawnPicture) : null;
}

/** Kept one by one for a time without a network: another page asks for others together. */
async function keep(found: readonly (DrawnPicture | null)[]): Promise<void> {
  if (typeof navigator === 'undefined' || !navigator.serviceWorker?.controller) return;
  const kept = await caches.open(KEPT_ART);
  for (const picture of found) if (picture) await kept.put(urlOf(picture.id), Response.json(picture));
}

async function together(ids: readonly string[]): Promise<(DrawnPicture | null)[]> {
  const answer = await fetch(`/art/several?ids=${ids.join(',')}`);
  if (!answer.ok) throw new Error(`several pictures: ${answer.status}`);
  const found = (await answer.json()) as (DrawnPicture | null)[];
  void keep(found).catch(() => {});
  return found;
}

type Way = { id: string; arrive: (picture: Promise<DrawnPicture | null>) => void };
let wanted: Way[] = [];

function send(): void {
  const all = wanted;
  wanted = [];
  if (all.length < MANY) return all.forEach(({ id, arrive }) => arrive(single(id)));
  for (let from = 0; from < all.length; from += IN_ONE_REQUEST) {
    const some = all.slice(from, from + IN_ONE_REQUEST);
    const found = together(some.map(({ id }) => id));
    // Without a network each may still be here.
    some.forEach(({ id, arrive }, i) => arrive(found.then((list) => list[i] ?? null).catch(() => single(id))));
  }
}

/** What a picture is drawn with; null where there is none of that name. */
export function fetchPicture(id: string): Promise<DrawnPicture | null> {
  if (isOwn(id)) return single(id);
  return new Promise((arrive) => {
    wanted.push({ id, arrive });
    if (wanted.length === 1) queueMicrotask(send);
  });
}
