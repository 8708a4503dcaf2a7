import { expect } from 'vitest';
import { Refused } from '../../server/actions/refused';

/** The refusal that something ends with; nothing else will do. */
export async function refusalOf(work: Promise<unknown>): Promise<Refused> {
  const error = await work.then(
    () => null,
    (problem: unknown) => problem,
  );
  expect(error).toBeInstanceOf(Refused);
  return error as Refused;
}

/** Its status and its words. */
export async function why(work: Promise<unknown>): Promise<string> {
  const { status, message } = await refusalOf(work);
  return `${status} ${message}`;
}
