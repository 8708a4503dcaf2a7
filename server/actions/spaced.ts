import { z } from 'zod';

/** Identities as a form sends them: one after the other, with spaces between. */
export const spaced = z.string().transform((text) => text.split(' ').filter(Boolean));
