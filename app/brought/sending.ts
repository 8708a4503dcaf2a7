import type { OwnPicture } from '../../server/stores/pictures';

/** Sends files with work made elsewhere to a copy. */

/** The picture of it; null for a PDF, whose pages come one by one. */
export type WorkAnswer = { picture: OwnPicture | null };

export type Sent = { ok: true; picture: OwnPicture | null } | { ok: false; problem: string; again: boolean };

const UNREACHED = 'The school’s server can’t be reached just now.';

/** @param page which page of a PDF this is a picture of; null for the file itself */
export async function sendWork(
  copyId: string,
  { file, name, page, body }: { file: string; name: string; page: number | null; body: Blob },
): Promise<Sent> {
  const query = new URLSearchParams({ file, name, ...(page === null ? {} : { page: String(page) }) });
  const answer = await fetch(`/copies/${copyId}/files?${query}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream' },
    body,
  }).catch(() => null);
  if (!answer) return { ok: false, problem: UNREACHED, again: true };
  const said = (await answer.json().catch(() => null)) as (WorkAnswer & { message?: string }) | null;
  if (answer.ok && said) return { ok: true, picture: said.picture };
  // What is refused would be refused again; a server that failed may come back.
  return { ok: false, problem: said?.message ?? UNREACHED, again: answer.status >= 500 || !said };
}
