import type { z } from 'zod';

/** What a document has to know of a maker: one object for each, listed in recipes.ts. How it makes stands in core/makers. */
export type RecipeKind<K extends string, S extends z.ZodType> = {
  kind: K;
  /** What is made, as a person calls it. */
  name: string;
  recipe: S;
  /** It may come to students with its recipe: that holds no answers. */
  open?: true;
  /** It is made again after something was done to its parts by hand; the others only follow their frame. */
  followsParts?: true;
  /** The pictures that a recipe brings along, where students may make one. */
  pictures?(recipe: z.infer<S>): string[];
};
