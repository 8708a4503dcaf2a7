import type { ElkNode } from 'elkjs/lib/elk-api.js';
import Elk from 'elkjs/lib/elk-api.js';
import elkUrl from 'elkjs/lib/elk-worker.min.js?url';

/**
 * Networks in layers, in a worker of their own: the library takes over whoever listens to messages where it is loaded, and while
 * it works it hears nothing. A worker that takes too long, or whose layout is no longer wanted, is ended; the next layout starts a new one.
 */

/** Longest time for one layout, in milliseconds. */
const MOST = 30_000;
const TOO_LONG = 'the network took too long. Take fewer links, or another layout.';

export class Layers {
  private elk: InstanceType<typeof Elk> | null = null;
  private fail: ((reason: Error) => void) | null = null;

  /** Whether this place can start workers. */
  static get can(): boolean {
    return typeof Worker !== 'undefined';
  }

  async lay(graph: ElkNode): Promise<ElkNode> {
    this.elk ??= new Elk({ workerFactory: () => new Worker(elkUrl) });
    const ended = new Promise<never>((_, fail) => (this.fail = fail));
    const limit = setTimeout(() => this.end(TOO_LONG), MOST);
    try {
      return await Promise.race([this.elk.layout(graph), ended]);
    } finally {
      clearTimeout(limit);
      this.fail = null;
    }
  }

  /** Ends what is being laid out, if anything is. */
  end(reason: string): void {
    if (!this.fail) return;
    this.elk?.terminateWorker();
    this.elk = null;
    this.fail(new Error(reason));
  }
}
