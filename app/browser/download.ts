import { z } from 'zod';

/** Downloads, left to the browser. */

/** Lets the browser fetch a file. Without a name, the server's name is used. */
export function download(place: string, name = ''): void {
  const link = document.createElement('a');
  link.href = place;
  link.download = name;
  link.click();
}

/** How long a browser may take to start saving a text, in milliseconds. */
const BEGUN = 10_000;

export const downloadText = (name: string, type: string, text: string): void =>
  downloadBlob(name, new Blob([text], { type }));

function downloadBlob(name: string, blob: Blob): void {
  const place = URL.createObjectURL(blob);
  download(place, name);
  setTimeout(() => URL.revokeObjectURL(place), BEGUN);
}

/** Why nothing came without a network. */
export const UNREACHED = 'The school can’t be reached. Download it when the network is back.';

const Refusal = z.object({ message: z.string() });

/** The server's reason for refusing. */
export async function refusalIn(answer: Response): Promise<string> {
  const told = Refusal.safeParse(await answer.json().catch(() => null));
  return told.success ? told.data.message : `The server answered ${answer.status}. Try again.`;
}

/** Downloads what an address gives. @returns why it could not be had; null where it could */
export async function downloadFrom(place: string): Promise<string | null> {
  const answer = await fetch(place).catch(() => null);
  if (!answer) return UNREACHED;
  if (!answer.ok) return refusalIn(answer);
  const name = /filename\*=UTF-8''([^;]+)/.exec(answer.headers.get('Content-Disposition') ?? '')?.[1] ?? '';
  downloadBlob(decodeURIComponent(name), await answer.blob());
  return null;
}
