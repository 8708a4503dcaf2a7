import { z } from 'zod';

/** The first thing that is wrong with an input, as a sentence that says what to do. */
export type Wrong = { problem: string; field?: string };

export function check<T>(schema: z.ZodType<T>, input: unknown): { ok: true; value: T } | { ok: false; wrong: Wrong } {
  const read = schema.safeParse(input);
  if (read.success) return { ok: true, value: read.data };
  const [issue] = read.error.issues;
  return { ok: false, wrong: { problem: issue.message, field: issue.path.map(String).join('.') || undefined } };
}

export const formOf = async (request: Request) => Object.fromEntries(await request.formData());

/** Which go a reader asks for with ?go=N; 0 for the newest, and for what is no number. */
export const askedGo = (request: Request): number =>
  z.coerce
    .number()
    .int()
    .min(0)
    .catch(0)
    .parse(new URL(request.url).searchParams.get('go') ?? 0);
