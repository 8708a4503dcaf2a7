import type { Sheet } from '../schema/sheet';

/** Two faces that go together: one for what is large, one for what is read. */
export type Pair = { id: string; large: string; small: string };

export const PAIRS: readonly Pair[] = [
  { id: 'meadow', large: 'fraunces', small: 'andika' },
  { id: 'street', large: 'anton', small: 'atkinson' },
  { id: 'nursery', large: 'fredoka', small: 'lexend' },
  { id: 'letter', large: 'caveat', small: 'gentium' },
  { id: 'fair', large: 'bungee', small: 'nunito' },
  { id: 'plain', large: 'lexend', small: 'andika' },
  { id: 'study', large: 'gentium', small: 'atkinson' },
];

/** Roles with large text. */
const LARGE = new Set(['title', 'heading']);

/** The sheet with all its text roles in a pair of fonts. Text with a font of its own keeps it. */
export function paired(sheet: Sheet, pair: Pair): Sheet {
  return {
    ...sheet,
    roles: Object.fromEntries(
      Object.entries(sheet.roles).map(([id, role]) => [
        id,
        { ...role, run: { ...role.run, font: LARGE.has(id) ? pair.large : pair.small } },
      ]),
    ),
  };
}
