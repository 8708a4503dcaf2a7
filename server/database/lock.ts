import { linkSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { hostname } from 'node:os';
import path from 'node:path';
import { StartProblem } from './connection';

/**
 * One process to a data directory. The embedded database lets two open it, and one would lose everything it acknowledged.
 * The lock is a file with the holder's process id and start time; a holder that is no longer running does not count.
 */

type Holder = { pid: number; started: string; host: string };

/** When a process started, in clock ticks since boot; empty where the system does not tell. */
function startOf(pid: number): string {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? '';
  } catch {
    return '';
  }
}

function isRunning({ pid, started, host }: Holder): boolean {
  if (host !== hostname()) return true;
  try {
    process.kill(pid, 0);
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
  const now = startOf(pid);
  return !started || !now || now === started;
}

/**
 * Takes the lock; the answer gives it back.
 * @throws StartProblem when another process holds it.
 */
export function lockDirectory(directory: string): () => void {
  mkdirSync(directory, { recursive: true });
  const file = path.join(directory, 'lock');
  const mine = `${file}.${process.pid}`;
  const content = JSON.stringify({
    pid: process.pid,
    started: startOf(process.pid),
    host: hostname(),
  } satisfies Holder);
  writeFileSync(mine, content);
  try {
    for (let tries = 0; tries < 5; tries++) {
      try {
        // A link is made whole or not at all, and fails when the name is taken.
        linkSync(mine, file);
        return () => {
          if (readOr(file) === content) rmSync(file, { force: true });
        };
      } catch (error) {
        if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
      }
      const found = readOr(file);
      if (found === null) continue;
      const holder = parse(found);
      if (holder && isRunning(holder))
        throw new StartProblem(
          `Dappled Margin already runs on this data (process ${holder.pid} on ${holder.host}, ${directory}).\n` +
            (holder.host === hostname()
              ? 'Stop that one first, or give this one a directory of its own with DATA_DIR.'
              : `That is another machine, which can’t be asked. If nothing runs there any more, remove ${file} and start again;\n` +
                'otherwise stop that one first, or give this one a directory of its own with DATA_DIR.'),
        );
      const aside = `${file}.stale.${process.pid}`;
      try {
        renameSync(file, aside);
      } catch {
        continue;
      }
      // Somebody quicker may have put a lock of its own there meanwhile: that one goes back.
      if (readOr(aside) !== found) linkSync(aside, file);
      rmSync(aside, { force: true });
    }
    throw new StartProblem(`The lock in ${directory} could not be taken. Try again.`);
  } finally {
    rmSync(mine, { force: true });
  }
}

function readOr(file: string): string | null {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    return null;
  }
}

function parse(text: string): Holder | null {
  try {
    return JSON.parse(text) as Holder;
  } catch {
    return null;
  }
}
