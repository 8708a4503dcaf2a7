import type { Source } from '../server/backup/run';
import { backupFrom } from '../server/backup/run';
import type { Answer } from '../server/exports/crew';

/** Makes a backup, in a process of its own: run for a crew of the server's. */

process.on('message', ({ source, file }: { source: Source; file: string }) => {
  backupFrom(source, file).then(
    (value) => process.send!({ ok: true, value } satisfies Answer),
    (error: unknown) => {
      const { name, message } = error instanceof Error ? error : new Error(String(error));
      process.send!({ ok: false, name, message } satisfies Answer);
    },
  );
});
process.on('disconnect', () => process.exit(0));
