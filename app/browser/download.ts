/** Files into the hands of the browser. */

/** Has it fetch a file, under the name that the server gives it where none is said. */
export function download(place: string, name = ''): void {
  const link = document.createElement('a');
  link.href = place;
  link.download = name;
  link.click();
}

/** So long a browser may take to begin with a text, in milliseconds. */
const BEGUN = 10_000;

export function downloadText(name: string, type: string, text: string): void {
  const place = URL.createObjectURL(new Blob([text], { type }));
  download(place, name);
  setTimeout(() => URL.revokeObjectURL(place), BEGUN);
}
