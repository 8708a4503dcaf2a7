import type { Remake } from '../core/makers/all';
import { remake } from '../core/makers/all';
import type { GroupItem, Sheet } from '../core/sheet/schema';
import { Shelf } from './shelf';

/** What makers make, worked out beside the page. */

export type MakersTask = {
  id: number;
  kind: 'make';
  asked: Remake;
  roles: Sheet['roles'];
  /** Font files and pictures that it is made with, as far as the page knows them. */
  fonts: string[];
  pictures: string[];
};
export type MakersAnswer =
  { id: number; kind: 'make'; group: GroupItem; notes: string[] } | { id: number; kind: 'failed'; reason: string };

const shelf = new Shelf();

async function answer({ id, asked, roles, fonts, pictures }: MakersTask): Promise<MakersAnswer> {
  const resources = await shelf.ready(fonts, pictures);
  const { group, notes } = await remake(asked, { ...resources, roles });
  return { id, kind: 'make', group, notes };
}

self.onmessage = (event: MessageEvent<MakersTask>) => {
  answer(event.data).then(
    (done) => self.postMessage(done),
    (error: unknown) => self.postMessage({ id: event.data.id, kind: 'failed', reason: String(error) }),
  );
};
