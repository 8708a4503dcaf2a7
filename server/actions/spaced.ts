import { z } from 'zod';
import { Id } from '../../core/values/primitives';

/** Identities as a form sends them: one after the other, with spaces between. */
export const spaced = z.string().transform((text) => text.split(' ').filter(Boolean));

/** Copies, as an address names them. */
export const SpacedIds = spaced.pipe(z.array(Id).max(1000));
