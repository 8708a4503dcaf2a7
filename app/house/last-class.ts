/** The class that was last opened in this browser: on a shared computer the next student need not type its code. */

const KEY = 'dappled-margin last class';
export type LastClass = { code: string; name: string; school: string };

/** Read without a schema: the first page is to stay small. */
const isLastClass = (value: unknown): value is LastClass =>
  typeof value === 'object' &&
  value !== null &&
  (['code', 'name', 'school'] as const).every((key) => typeof (value as Partial<LastClass>)[key] === 'string');

export function lastClass(): LastClass | null {
  try {
    const value: unknown = JSON.parse(localStorage.getItem(KEY) ?? 'null');
    return isLastClass(value) ? value : null;
  } catch {
    return null;
  }
}

/** Storage that is full or refused remembers nothing. */
export function rememberClass({ code, name, school }: LastClass): void {
  try {
    localStorage.setItem(KEY, JSON.stringify({ code, name, school }));
  } catch {
    // The code is typed then.
  }
}

/** Its code may not hold any more: where it does, opening the class remembers it again. */
export function forgetClass(): void {
  try {
    localStorage.removeItem(KEY);
  } catch {
    // Nothing was remembered.
  }
}
