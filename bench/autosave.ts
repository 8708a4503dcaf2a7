import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { refusal } from '../core/handout/permission';
import type { Change } from '../core/changes/change';
import { plain } from '../core/schema/defaults';
import { openDatabase } from '../server/database/open';
import { createDocument, saveChanges } from '../server/stores/documents';
import { addPerson, addSchool } from '../server/stores/people';
import { richSheet } from '../tests/support/rich';
import { figure, inTurn } from './measure';

/** Saving one change on the server against the SQL it needs: lock, append, count on; in one transaction, on disk. */
export async function run() {
  const folder = mkdtempSync(path.join(tmpdir(), 'dappled-bench-'));
  const db = await openDatabase({ dataDir: folder });
  try {
    const schoolId = await addSchool(db, 'Bench');
    const authorId = await addPerson(db, { schoolId, role: 'teacher', name: 'B' });
    const [ours, theirs] = [
      await createDocument(db, schoolId, richSheet()),
      await createDocument(db, schoolId, richSheet()),
    ];
    const change: Change = { kind: 'splice', id: 'title', at: 0, remove: 0, insert: plain('x') };
    let [base, seq, batch] = [0, 0, 0];
    const save = async () => {
      const saved = await saveChanges(
        db,
        { documentId: ours, authorId, base, batch: `bench-${batch++}`, changes: [change] },
        (sheet, one) => (refusal(sheet, one, []), null),
      );
      if (saved.outcome !== 'saved') throw new Error(saved.outcome);
      base = saved.seq;
    };
    const bare = () =>
      db.transaction(async (tx) => {
        await tx.query('select seq, snapshot_seq from document where id = $1 for update', [theirs]);
        seq++;
        await tx.query(
          'insert into document_change (document_id, seq, batch, author_id, change) values ($1, $2, $3, $4, $5::jsonb)',
          [theirs, seq, 'bare', authorId, JSON.stringify(change)],
        );
        await tx.query('update document set seq = $2, changed_at = now() where id = $1', [theirs, seq]);
      });
    const [a, b] = await inTurn(80, save, bare);
    return [figure('autosave of one change, against its bare SQL', a, b, 3)];
  } finally {
    await db.close();
    rmSync(folder, { recursive: true, force: true });
  }
}
