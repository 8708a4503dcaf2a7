import { closeSync, existsSync, fdatasyncSync, fstatSync, fsyncSync, openSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { NodeFS } from '@electric-sql/pglite/nodefs';

/**
 * The files of the embedded database, forced to disk when PostgreSQL asks for it. As it ships, its file system passes over every
 * such call, so that a power cut could take what was acknowledged.
 */

/** What is forced to disk, told as it happens: a file's contents, or the names in a directory. */
export type OnSync = (path: string, what: 'file' | 'directory') => void;

type Stream = { nfd: number; node: object };
type Mod = {
  NODEFS: {
    stream_ops: { fsync?: (stream: Stream) => number };
    node_ops: Record<'mknod' | 'rename', (...given: object[]) => unknown>;
    realPath(node: object): string;
  };
  FS: { ErrnoError: new (errno: number) => Error };
};
/** The number for an input or output error in WebAssembly's system interface. */
const EIO = 29;

export class SyncingFS extends NodeFS {
  constructor(
    directory: string,
    private onSync: OnSync = () => {},
  ) {
    super(directory);
  }

  override async init(...[pg, options]: Parameters<NodeFS['init']>): ReturnType<NodeFS['init']> {
    const { emscriptenOpts } = await super.init(pg, options);
    const { onSync } = this;
    const before = emscriptenOpts.preRun ?? [];
    const steps = Array.isArray(before) ? before : [before];
    const patch = (mod: object) => {
      const { NODEFS, FS } = mod as Mod;
      // PostgreSQL syncs a new file of a table, but leaves it to the file system to keep its name: here that is made sure of.
      const named = new Set<string>();
      for (const [name, at] of [
        ['mknod', 0],
        ['rename', 1],
      ] as const) {
        const call = NODEFS.node_ops[name];
        NODEFS.node_ops[name] = (...given) => {
          const result = call(...given);
          named.add(NODEFS.realPath(given[at]));
          return result;
        };
      }
      NODEFS.stream_ops.fsync = ({ nfd, node }) => {
        try {
          for (const directory of named) {
            if (!existsSync(directory)) continue;
            force(directory);
            onSync(directory, 'directory');
          }
          named.clear();
          const isDirectory = fstatSync(nfd).isDirectory();
          if (isDirectory) fsyncSync(nfd);
          else fdatasyncSync(nfd);
          onSync(NODEFS.realPath(node), isDirectory ? 'directory' : 'file');
          return 0;
        } catch (error) {
          // PostgreSQL stops at this rather than acknowledging what may not be there.
          const { code } = error as NodeJS.ErrnoException;
          console.error('a file of the database could not be forced to disk:', code ?? 'no code');
          throw new FS.ErrnoError(EIO);
        }
      };
    };
    return { emscriptenOpts: { ...emscriptenOpts, preRun: [patch, ...steps] as typeof emscriptenOpts.preRun } };
  }
}

/** Forces a file, or the names in a directory, to disk. */
export function force(place: string): void {
  const handle = openSync(place, 'r');
  try {
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
}

/** Forces a whole directory to disk: a database that was just laid out, or one that was restored. */
export function forceTree(directory: string, onSync: OnSync = () => {}): void {
  for (const entry of readdirSync(directory, { withFileTypes: true })) {
    const place = path.join(directory, entry.name);
    if (entry.isDirectory()) forceTree(place, onSync);
    else if (entry.isFile()) {
      force(place);
      onSync(place, 'file');
    }
  }
  force(directory);
  onSync(directory, 'directory');
}
