import { copyFileSync, existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';

/**
 * What a power cut leaves of a directory, at its worst: files as they were when they were last forced to disk, under the names
 * that their directories had when those were. Everything since is gone.
 */
export class PowerCut {
  /** The contents that are on disk, by the file's own number, each as a copy. */
  private contents = new Map<number, string>();
  private names = new Map<string, Map<string, number>>();
  private copies: string;
  private count = 0;
  readonly syncs = { file: 0, directory: 0 };

  constructor(
    private root: string,
    aside: string,
  ) {
    this.copies = mkdtempSync(path.join(aside, 'on-disk-'));
  }

  readonly onSync = (place: string, what: 'file' | 'directory'): void => {
    this.syncs[what]++;
    // A file that is open may have no name any more: then nothing of it would be found again.
    if (!existsSync(place)) return;
    if (what === 'file') {
      const copy = path.join(this.copies, `${this.count++}`);
      copyFileSync(place, copy);
      const { ino } = statSync(place);
      const old = this.contents.get(ino);
      if (old) rmSync(old);
      this.contents.set(ino, copy);
    } else this.names.set(place, this.namesIn(place));
  };

  private namesIn(directory: string): Map<string, number> {
    const names = new Map<string, number>();
    for (const entry of readdirSync(directory, { withFileTypes: true }))
      names.set(entry.name, entry.isDirectory() ? -1 : statSync(path.join(directory, entry.name)).ino);
    return names;
  }

  /** Lays out what is left. */
  leave(to: string): void {
    const lay = (from: string, into: string) => {
      mkdirSync(into, { recursive: true });
      for (const [name, ino] of this.names.get(from) ?? []) {
        if (ino === -1) lay(path.join(from, name), path.join(into, name));
        else {
          const copy = this.contents.get(ino);
          // A name that is on disk without anything of its file is an empty one.
          if (copy) copyFileSync(copy, path.join(into, name));
          else copyFileSync('/dev/null', path.join(into, name));
        }
      }
    };
    lay(this.root, to);
  }
}
