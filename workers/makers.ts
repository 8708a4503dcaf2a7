import type { Remake } from '../core/makers/all';
import type { MadeAnswer } from '../core/makers/parts';
import { Remaker } from '../core/makers/parts';
import type { Sheet } from '../core/sheet/schema';
import { Layers } from './layers';
import { Shelf } from './shelf';

/** What makers make, worked out beside the page. */

export type MakersTask = MakeTask | StopTask;
/** Ends what is being made under the same identity. */
type StopTask = { id: number; kind: 'stop' };
type MakeTask = {
  id: number;
  kind: 'make';
  asked: Remake;
  /** The group's parts are those of this earlier answer, and are not sent again. */
  base?: number;
  roles: Sheet['roles'];
  /** Font files and pictures that it is made with, as far as the page knows them. */
  fonts: string[];
  pictures: string[];
};
export type MakersAnswer =
  | ({ id: number; kind: 'make' } & MadeAnswer)
  | { id: number; kind: 'progress'; share: number }
  | { id: number; kind: 'failed'; reason: string };

const shelf = new Shelf();
const layers = Layers.can ? new Layers() : null;
const stopped = new Set<number>();

/** So long a maker works, in milliseconds, before it looks whether it was told to stop. */
const STRETCH = 40;

/** Lets messages in, now and then. */
function resting(id: number): (share: number) => Promise<void> {
  let last = performance.now();
  return async (share) => {
    if (performance.now() - last < STRETCH) return;
    self.postMessage({ id, kind: 'progress', share });
    await new Promise((go) => setTimeout(go));
    if (stopped.delete(id)) throw new Error('stopped');
    last = performance.now();
  };
}

const remaker = new Remaker();

async function answer({ id, asked, base, roles, fonts, pictures }: MakeTask): Promise<MakersAnswer> {
  const resources = await shelf.ready(fonts, pictures);
  const made = await remaker.make(id, asked, base, {
    ...resources,
    roles,
    rest: resting(id),
    layered: layers ? (graph) => layers.lay(graph) : undefined,
  });
  return { id, kind: 'make', ...made };
}

// Not by `onmessage`: the library for networks sets that to its own when it is loaded.
self.addEventListener('message', ({ data }: MessageEvent<MakersTask>) => {
  if (data.kind === 'stop') {
    stopped.add(data.id);
    return layers?.end('stopped');
  }
  answer(data).then(
    (done) => self.postMessage(done),
    (error: unknown) =>
      self.postMessage({ id: data.id, kind: 'failed', reason: error instanceof Error ? error.message : String(error) }),
  );
});
