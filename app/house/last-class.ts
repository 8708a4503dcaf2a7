import { z } from 'zod';
import { quietly } from '../keeping/kept';

/** The class that was last opened in this browser: on a shared computer the next student need not type its code. */

const KEY = 'dappled-margin last class';
const LastClass = z.object({ code: z.string(), name: z.string(), school: z.string() });
export type LastClass = z.infer<typeof LastClass>;

export const lastClass = (): LastClass | null =>
  quietly(() => LastClass.parse(JSON.parse(localStorage.getItem(KEY) ?? 'null')), null);

export const rememberClass = ({ code, name, school }: LastClass): void =>
  quietly(() => localStorage.setItem(KEY, JSON.stringify({ code, name, school })), undefined);

/** Its code may not hold any more: where it does, opening the class remembers it again. */
export const forgetClass = (): void => quietly(() => localStorage.removeItem(KEY), undefined);
