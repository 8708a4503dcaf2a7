import { z } from 'zod';
import { MOST_BYTES } from '../core/raster/limits';
import { JsonProblem, readJson } from '../core/formats/json';
import { wellFormed } from '../core/values/characters';
import { Id } from '../core/values/primitives';
import { SpacedIds } from '../server/actions/spaced';
import { missing, refuse } from './who.server';

/** The first problem with an input, as a sentence that says what to do. */
export type Wrong = { problem: string; field?: string };

export function check<T>(schema: z.ZodType<T>, input: unknown): { ok: true; value: T } | { ok: false; wrong: Wrong } {
  const read = schema.safeParse(input);
  if (read.success) return { ok: true, value: read.data };
  const [issue] = read.error.issues;
  return { ok: false, wrong: { problem: issue.message, field: issue.path.map(String).join('.') || undefined } };
}

/** A form of ours has a handful of fields. */
const MOST_FIELDS = 50;

/** The fields of a form, with text that can be stored. @throws a 400 answer for anything but a form */
export async function formOf(request: Request): Promise<Record<string, FormDataEntryValue>> {
  const form = await request.formData().catch(() => null);
  const fields = form && [...form];
  if (!fields || fields.length > MOST_FIELDS)
    throw refuse(400, 'This could not be read as a form. Reload the page and try again.');
  return Object.fromEntries(
    fields.map(([name, value]) => [wellFormed(name), typeof value === 'string' ? wellFormed(value) : value]),
  );
}

/** JSON from a request or a form field, with text that can be stored. @throws a 400 answer for anything else */
export function jsonOf(text: unknown): unknown {
  try {
    return readJson(String(text ?? ''));
  } catch (error) {
    if (error instanceof JsonProblem)
      throw refuse(400, 'This could not be read. Reload the page and try again; what you did is kept.');
    throw error;
  }
}

/** A file that is sent as the body of a request. @throws a 413 answer where it is too large */
export async function fileIn(request: Request, most = MOST_BYTES): Promise<Uint8Array> {
  const chunks: Uint8Array[] = [];
  let length = 0;
  // Node's streams are iterable, although the browser's types don't say so.
  for await (const chunk of (request.body ?? []) as unknown as AsyncIterable<Uint8Array>) {
    length += chunk.length;
    if (length > most) throw refuse(413, `This file has more than ${most / 1e6} MB. Save it smaller and try again.`);
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}

const Named = z
  .string()
  .max(8000)
  .transform((text) => text.split(',').filter(Boolean))
  .pipe(z.array(Id).min(1).max(200));

/** The pieces that are asked for with ?of=ID,ID, by the documents of their copies. @throws a 400 answer where there are none */
export function askedPieces(request: Request): string[] {
  const named = Named.safeParse(new URL(request.url).searchParams.get('of'));
  if (!named.success) throw refuse(400, 'Say which pieces are meant. Reload the page.');
  return named.data;
}

/** The go asked for with ?go=N. 0 for the newest, and for anything but a number. */
export const askedGo = (request: Request): number =>
  z.coerce
    .number()
    .int()
    .min(0)
    .catch(0)
    .parse(new URL(request.url).searchParams.get('go') ?? 0);

const isZone = (zone: string): boolean => {
  try {
    new Intl.DateTimeFormat('en-GB', { timeZone: zone });
    return true;
  } catch {
    return false;
  }
};
/** Pieces by their copies, and the time zone that days are told in. */
const MarksAsked = z.object({
  of: z.string().default('').pipe(SpacedIds),
  zone: z.string().max(60).refine(isZone).default('UTC'),
});
/** Whose marks are asked for, by an address. @throws 404 where that can't be read */
export function marksAsked(request: Request): z.infer<typeof MarksAsked> {
  const read = MarksAsked.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!read.success) throw missing();
  return read.data;
}
