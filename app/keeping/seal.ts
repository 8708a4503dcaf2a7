import { nanoid } from 'nanoid';
import { z } from 'zod';
import { forgetRaw, plainNames, putBack, rawWords, SEALED } from './kept';
import { heldSlots } from './windows';
import type { Aside, Pending } from './vault';
import { forgetNow, isUnsent, keptNow, mainSlot, namesNow, nowEntry, openVault, Slot, STUCK, within } from './vault';

/**
 * Signing out of a shared computer. Saved work is removed. Unsaved work is encrypted and stays: only its owner gets the key,
 * and finds it again in the sheet where it was made.
 */

/** One parcel for each window. */
type Parcel = { pending: Pending | null; aside: readonly Aside[] };

/** Keys in a store that belong to one person. */
const keysOf = (prefix: string) => IDBKeyRange.bound(`${prefix}/`, `${prefix}/\uffff`);
const stepsOf = (prefix: string) => IDBKeyRange.bound([`${prefix}/`], [`${prefix}/\uffff`]);

const Key = z.object({ key: z.string().regex(/^[0-9a-f]{64}$/) });
/** @throws Error when the school is not reached or this person is signed out */
async function cipher() {
  const answer = await fetch('/seal');
  if (!answer.ok) throw new Error(`no key: ${answer.status}`);
  const { key } = Key.parse(await answer.json());
  return (await import('./cipher')).cipherOf(key);
}

type Vault = Awaited<ReturnType<typeof openVault>>;

/**
 * What local storage holds of a person: typed text and, without IndexedDB, unsaved changes. It is encrypted as it is, under one
 * name.
 */
const sealedNames = (personId: string) => plainNames().filter((name) => name.startsWith(`${SEALED}${personId} `));
const Plain = z.array(z.tuple([z.string(), z.string()]));

/** All slots that hold something of a person. */
async function slotsOf(db: Vault, personId: string): Promise<string[]> {
  const early = namesNow(`${personId}/`);
  if (!db) return early;
  const within = await Promise.all([
    db.getAllKeys('pending', keysOf(personId)),
    db.getAllKeys('confirmed', keysOf(personId)),
    db.getAllKeys('aside', keysOf(personId)),
    db.getAllKeys('future', keysOf(personId)),
    db.getAllKeys('past', stepsOf(personId)).then((keys) => keys.map(([slot]) => slot)),
  ]);
  return [...new Set([...early, ...within.flat()])];
}

/** What in these slots is not saved. */
async function parcelsIn(db: Vault, slots: readonly string[]): Promise<[slot: string, parcel: Parcel][]> {
  const out: [string, Parcel][] = [];
  for (const slot of slots) {
    const pending = keptNow(slot) ?? (await db?.get('pending', slot)) ?? null;
    const aside = (await db?.get('aside', slot)) ?? [];
    if (isUnsent(pending) || aside.length > 0) out.push([slot, { pending, aside }]);
  }
  return out;
}

export type Unsent = { documents: number; words: number };
/** In how many documents a person has unsaved work here, in any window, and how much other typed text. */
export async function unsentOf(personId: string): Promise<Unsent> {
  const db = await openVault();
  const parcels = await parcelsIn(db, await slotsOf(db, personId));
  return { documents: new Set(parcels.map(([slot]) => slot.split('/')[1])).size, words: rawWords(personId).length };
}

/** Encrypts a person's unsaved work and removes everything else of theirs. @throws Error without the key */
export async function sealAll(personId: string): Promise<void> {
  const db = await openVault();
  // What a window still has open it stores itself.
  const held = new Set(await heldSlots());
  const left = (await slotsOf(db, personId)).filter((slot) => !held.has(slot));
  const parcels = await parcelsIn(db, left);
  const words = rawWords(personId);
  const sealer = parcels.length + words.length > 0 ? await cipher() : null;
  const plain = [...words, ...(db ? [] : parcels.flatMap(([slot]) => nowEntry(slot)))];
  if (plain.length > 0) localStorage.setItem(`${SEALED}${personId} ${nanoid(10)}`, sealer!.sealAsText(plain));
  for (const [key] of words) forgetRaw(key);
  if (!db) return left.forEach(forgetNow);
  const tx = db.transaction(['pending', 'confirmed', 'aside', 'past', 'future', 'sealed'], 'readwrite');
  for (const [slot, parcel] of parcels) void tx.objectStore('sealed').put(sealer!.seal(parcel), [slot, nanoid(10)]);
  for (const slot of left) {
    for (const store of ['pending', 'confirmed', 'aside', 'future'] as const) void tx.objectStore(store).delete(slot);
    void tx.objectStore('past').delete(IDBKeyRange.bound([slot, 0], [slot, Infinity]));
  }
  await tx.done;
  for (const slot of left) forgetNow(slot);
}

/** A window's slot, with what was encrypted there before. */
export async function slotOf(documentId: string, personId: string, isLed: () => Promise<boolean>): Promise<Slot> {
  const both = Promise.all([unsealWords(personId), unseal(documentId, personId)]);
  await within(STUCK, both, undefined).catch((error: unknown) =>
    console.warn('What was sealed here could not be opened:', error),
  );
  return Slot.take(documentId, personId, isLed);
}

/** Restores a person's encrypted text when they are back. Without the key it stays encrypted. */
export async function unsealWords(personId: string): Promise<void> {
  const names = sealedNames(personId);
  if (names.length === 0) return;
  const opener = await cipher();
  for (const name of names) {
    const sealed = localStorage.getItem(name);
    if (sealed === null) continue;
    for (const [key, raw] of Plain.parse(opener.openText(sealed))) putBack(key, raw);
    localStorage.removeItem(name);
  }
}

/** Decrypts what was stored of a document, so that its next window takes it up. Without the key it stays encrypted. */
async function unseal(documentId: string, personId: string): Promise<void> {
  const db = await openVault();
  const main = mainSlot(documentId, personId);
  const keys = (await db?.getAllKeys('sealed', IDBKeyRange.bound([main], [`${main}/\uffff`, []]))) ?? [];
  const mine = keys.filter(([slot]) => slot === main || slot.startsWith(`${main}/`));
  if (!db || mine.length === 0) return;
  const opener = await cipher();
  for (const key of mine) {
    const sealed = await db.get('sealed', key);
    if (!sealed) continue;
    const { pending, aside } = opener.open(sealed) as Parcel;
    const tx = db.transaction(['pending', 'aside', 'sealed'], 'readwrite');
    // Stored as if another window had left it: the main one takes it up after its own.
    if (pending) void tx.objectStore('pending').put(pending, `${main}/${nanoid(10)}`);
    const before = (await tx.objectStore('aside').get(main)) ?? [];
    if (aside.length > 0) void tx.objectStore('aside').put([...before, ...aside], main);
    void tx.objectStore('sealed').delete(key);
    await tx.done;
  }
}
