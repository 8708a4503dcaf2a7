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

/** Downloads what an address gives. @returns why it could not be had; null where it could */
export async function downloadFrom(place: string): Promise<string | null> {
  const answer = await fetch(place).catch(() => null);
  if (!answer) return 'The school can’t be reached. Download it when the network is back.';
  if (!answer.ok) {
    const told = (await answer.json().catch(() => null)) as { message?: string } | null;
    return told?.message ?? `The server answered ${answer.status}. Try again.`;
  }
  const name = /filename\*=UTF-8''([^;]+)/.exec(answer.headers.get('Content-Disposition') ?? '')?.[1] ?? '';
  downloadBlob(decodeURIComponent(name), await answer.blob());
  return null;
}
