import { z } from 'zod';
import type { LookForKind } from './kind';
import { base } from './kind';

/** What only a person can judge, and what a newer program stored: neither is counted. */

const TeacherLookFor = z.strictObject({ kind: z.literal('teacher'), ...base });
/** One that was stored and that this program does not know: `was` is its kind. Never made, only kept. */
const UnknownLookFor = z.strictObject({ kind: z.literal('unknown'), ...base, was: z.string().max(60) });

export const TEACHER: LookForKind<z.infer<typeof TeacherLookFor>> = {
  schema: TeacherLookFor,
  kind: 'teacher',
  name: 'something I judge',
  begin: () => ({ settings: { tell: 'after' } }),
  sentence: () => ['neat and easy to read'],
  count: () => null,
  sources: () => [],
};

export const UNKNOWN: LookForKind<z.infer<typeof UnknownLookFor>> = {
  schema: UnknownLookFor,
  kind: 'unknown',
  name: 'something from a newer version',
  begin: () => ({ nothing: 'This version does not know it.' }),
  sentence: () => [],
  count: () => null,
  sources: () => [],
};
