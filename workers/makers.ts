import { expose } from 'comlink';
import type { Remake } from '../core/makers/all';
import { reflowed } from '../core/makers/flow';
import type { Kit } from '../core/makers/kit/maker';
import type { MadeAnswer } from '../core/makers/remaker';
import { Remaker } from '../core/makers/remaker';
import type { Flow } from '../core/makers/table/pages';
import type { GroupItem, Sheet } from '../core/schema/sheet';
import type { Needs } from '../core/sheet/needs';
import { Layers } from './layers';
import { Shelf } from './shelf';

/** Runs makers off the main thread. */

/** `fonts` and `pictures`: what it is made with, as far as the page knows. */
type Needed = Needs & { roles: Sheet['roles'] };
export type MakeTask = Needed & {
  asked: Remake;
  /** Names the earlier answer whose parts the group has, so that they are not sent again. */
  base?: number;
};
/** A table that runs over several pages. */
export type FlowTask = Needed & { flow: Flow };
/** `answer` names it, so that a later task can go on from its parts. */
export type MakeAnswer = MadeAnswer & { answer: number };

const shelf = new Shelf();
const layers = Layers.can ? new Layers() : null;
const stopped = new Set<number>();
const remaker = new Remaker();
let answers = 0;

/** How long a maker works before it checks whether it was told to stop, in milliseconds. */
const STRETCH = 40;

/** Lets messages in, now and then. */
function resting(run: number, tell: (share: number) => void): (share: number) => Promise<void> {
  let last = performance.now();
  return async (share) => {
    if (performance.now() - last < STRETCH) return;
    tell(share);
    await new Promise((go) => setTimeout(go));
    if (stopped.delete(run)) throw new Error('stopped');
    last = performance.now();
  };
}

async function kitFor({ fonts, pictures, roles }: Needed, rest?: Kit['rest']): Promise<Kit> {
  return {
    ...(await shelf.ready(fonts, pictures)),
    roles,
    rest,
    layered: layers ? (graph) => layers.lay(graph) : undefined,
  };
}

export const MAKERS = {
  /** @param run names it for `stop` */
  async make(task: MakeTask, run: number, tell: (share: number) => void): Promise<MakeAnswer> {
    const kit = await kitFor(task, resting(run, tell));
    const answer = ++answers;
    return { answer, ...(await remaker.make(answer, task.asked, task.base, kit)) };
  },
  async flow(task: FlowTask): Promise<GroupItem[]> {
    return reflowed(task.flow, await kitFor(task));
  },
  stop(run: number): void {
    stopped.add(run);
    layers?.end('stopped');
  },
};
export type MakersWorker = typeof MAKERS;
expose(MAKERS);
