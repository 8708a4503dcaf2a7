import { z } from 'zod';
import { Share } from '../../values/primitives';
import { base, frame } from './common';

export const PictureItem = z.strictObject({
  kind: z.literal('picture'),
  ...base,
  ...frame,
  /** SET/NAME of a shipped picture. */
  picture: z.string().regex(/^[a-z]+\/[a-z0-9-]{1,80}$/),
  credit: z.string().max(300),
  /** In its colours, or as clean outlines to be coloured in. */
  form: z.enum(['colour', 'outline']).default('colour'),
  /** How far its colours are washed out towards white. */
  soften: Share.default(0),
  /** The height of its mirror image below, as a share of its own. */
  reflection: Share.default(0),
});
export type PictureItem = z.infer<typeof PictureItem>;
