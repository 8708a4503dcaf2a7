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

export function downloadText(name: string, type: string, text: string): void {
  const place = URL.createObjectURL(new Blob([text], { type }));
  download(place, name);
  setTimeout(() => URL.revokeObjectURL(place), BEGUN);
}
