import { expose } from 'comlink';

/** Stands in for a page's worker: what it exposes is called across a real channel, as from a page. */
export function workerOf(exposed: () => unknown) {
  return class FakeWorker {
    static all: FakeWorker[] = [];
    ended = false;
    private channel = new MessageChannel();
    private failing: ((event: { message: string }) => void)[] = [];

    constructor() {
      FakeWorker.all.push(this);
      expose(exposed(), this.channel.port2 as unknown as Parameters<typeof expose>[1]);
      this.channel.port1.start();
    }
    addEventListener(kind: string, listener: (event: never) => void) {
      if (kind === 'error') this.failing.push(listener as (event: { message: string }) => void);
      else this.channel.port1.addEventListener(kind, listener as unknown as EventListener);
    }
    removeEventListener(kind: string, listener: (event: never) => void) {
      this.channel.port1.removeEventListener(kind, listener as unknown as EventListener);
    }
    postMessage(message: unknown, moved: Transferable[] = []) {
      this.channel.port1.postMessage(message, moved as never);
    }
    /** Fails as when memory runs out. */
    fail(message: string) {
      for (const listener of this.failing) listener({ message });
    }
    terminate() {
      this.ended = true;
      this.channel.port1.close();
    }
  };
}
