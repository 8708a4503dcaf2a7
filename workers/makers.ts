import type { Remake } from '../core/makers/all';
import { reflowed } from '../core/makers/flow';
import type { MadeAnswer } from '../core/makers/remaker';
import { Remaker } from '../core/makers/remaker';
import type { Flow } from '../core/makers/table/pages';
import type { GroupItem, Sheet } from '../core/schema/sheet';
import { Layers } from './layers';
import { Shelf } from './shelf';

/** What makers make, worked out beside the page. */

export type MakersTask = MakeTask | FlowTask | StopTask;
/** Ends what is being made under the same identity. */
type StopTask = { id: number; kind: 'stop' };
type Needed = {
  id: number;
  roles: Sheet['roles'];
  /** Font files and pictures that it is made with, as far as the page knows them. */
  fonts: string[];
  pictures: string[];
};
type MakeTask = Needed & {
  kind: 'make';
  asked: Remake;
  /** The group's parts are those of this earlier answer, and are not sent again. */
  base?: number;
};
/** A table shared out over pages. */
type FlowTask = Needed & { kind: 'flow'; flow: Flow };
export type MakersAnswer =
  | ({ id: number; kind: 'make' } & MadeAnswer)
  | { id: number; kind: 'flow'; groups: GroupItem[] }
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

async function answer(task: MakeTask | FlowTask): Promise<MakersAnswer> {
  const { id, roles } = task;
  const resources = await shelf.ready(task.fonts, task.pictures);
  const kit = {
    ...resources,
    roles,
    rest: resting(id),
    layered: layers ? (graph: Parameters<Layers['lay']>[0]) => layers.lay(graph) : undefined,
  };
  return task.kind === 'flow'
    ? { id, kind: 'flow', groups: await reflowed(task.flow, kit) }
    : { id, kind: 'make', ...(await remaker.make(id, task.asked, task.base, kit)) };
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
