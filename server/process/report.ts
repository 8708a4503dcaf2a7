/**
 * What goes wrong, for whoever looks after the server: what was being done and where it failed. Never parameters, answers or
 * anything that people wrote: an error of the database quotes them in its message and details.
 */

/** Codes such as 23505 or ECONNRESET say enough and hold nothing of anybody's. */
const codeOf = (error: unknown): string => {
  const code = (error as { code?: unknown } | null)?.code;
  return typeof code === 'string' && /^[A-Z0-9_]{3,40}$/.test(code) ? ` (${code})` : '';
};

/** The places in the code that it came through; the first line, which is the message, is left out. */
const placesOf = (error: unknown): string =>
  error instanceof Error
    ? (error.stack ?? '')
        .split('\n')
        .filter((line) => /^\s+at /.test(line))
        .slice(0, 8)
        .join('\n')
    : '';

export function report(what: string, error: unknown): void {
  const name = error instanceof Error ? error.name : typeof error;
  console.error(`${new Date().toISOString()} ${what}: ${name}${codeOf(error)}\n${placesOf(error)}`);
}
