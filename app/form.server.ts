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
