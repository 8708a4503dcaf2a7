import { useMemo } from 'react';
import type { z } from 'zod';
import { Fetched, useFetched } from './later';

/** What an address of ours answers. @throws Error where it answers nothing, or something else */
export async function answerOf<T>(address: string, shape: z.ZodType<T>): Promise<T> {
  const answer = await fetch(address);
  if (!answer.ok) throw new Error(`${address}: ${answer.status}`);
  return shape.parse(await answer.json());
}

/** What an address of ours answers, asked again when the network is back. `shape` must be the same each time. */
export function useAnswer<T>(address: string, shape: z.ZodType<T>) {
  const where = useMemo(() => new Fetched(() => answerOf(address, shape)), [address, shape]);
  return { now: useFetched(where), again: where.again };
}
