import { chmodSync, rmSync } from 'node:fs';
import { createServer, request } from 'node:http';
import type { Server } from 'node:http';
import { controlSocket } from './place';

/** Asking the running server for a backup: it alone may open the embedded database. */

export type Told = { ok: boolean; message: string };
const PATH = '/backup';

export function listenForControl(dataDir: string, backup: (file: string) => Promise<Told>): Promise<Server> {
  const socket = controlSocket(dataDir);
  rmSync(socket, { force: true });
  const server = createServer((req, res) => {
    let body = '';
    req.on('data', (chunk: Buffer) => (body += chunk.toString().slice(0, 5000)));
    req.on('end', () => {
      void (async () => {
        let told: Told = { ok: false, message: 'The server does not know what was asked of it.' };
        if (req.method === 'POST' && req.url === PATH) told = await backup(body);
        res.end(JSON.stringify(told));
      })();
    });
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(socket, () => {
      chmodSync(socket, 0o600);
      resolve(server);
    });
  });
}

/** What the running server says to being asked for a backup; null when none is running there. */
export function askForBackup(dataDir: string, file: string): Promise<Told | null> {
  return new Promise((resolve, reject) => {
    const asked = request({ socketPath: controlSocket(dataDir), path: PATH, method: 'POST' }, (res) => {
      let text = '';
      res.on('data', (chunk: Buffer) => (text += chunk.toString()));
      res.on('end', () => resolve(JSON.parse(text) as Told));
    });
    asked.on('error', (error: NodeJS.ErrnoException) =>
      error.code === 'ENOENT' || error.code === 'ECONNREFUSED' ? resolve(null) : reject(error),
    );
    asked.end(file);
  });
}
