import { report } from '../process/report';

/** Work that each process looks for again and again, one look at a time. */
export type InTime = {
  /** There is something to do now. */
  look(): void;
  /** Ends it, once the look that is under way has ended. */
  end(): Promise<void>;
};

/**
 * @param name under which what goes wrong is reported
 * @param work is told whether it may go on
 * @param every milliseconds between two looks
 */
export function inTime(name: string, work: (mayGoOn: () => boolean) => Promise<void>, every: number): InTime {
  let ended = false;
  let looking: Promise<void> | null = null;
  const look = () => {
    looking ??= work(() => !ended)
      .catch((error: unknown) => report(name, error))
      .finally(() => (looking = null));
  };
  const timer = setInterval(look, every);
  timer.unref();
  return {
    look,
    async end() {
      ended = true;
      clearInterval(timer);
      await looking;
    },
  };
}
