import { createHash } from 'node:crypto';
import { tmpdir } from 'node:os';
import path from 'node:path';

/** Where a running server can be spoken to by whoever may write to its data: a socket beside them, which no network reaches. */

/** The system takes no longer names for sockets. */
const LONGEST = 100;

export function controlSocket(dataDir: string): string {
  const beside = path.join(path.resolve(dataDir), 'control.sock');
  if (beside.length <= LONGEST) return beside;
  return path.join(tmpdir(), `dappled-${createHash('sha256').update(beside).digest('hex').slice(0, 16)}.sock`);
}

export const backupFolder = (dataDir: string) => path.join(dataDir, 'backups');
