import { readFileSync } from 'node:fs';
import path from 'node:path';
import { expect, test } from 'vitest';
import { defaultRoles } from '../../schema/defaults';
import { fileFor, FALLBACK } from '../../text/catalogue';
import { Faces } from '../../text/faces';
import { sizeOfWords } from './measure';

test('words are measured anew when the face that they are set in has come', async () => {
  const faces = await Faces.open();
  const add = (file: string) => faces.add(file, readFileSync(path.resolve('.generated/fonts', file)));
  add(fileFor(FALLBACK.id, false, false));
  const kit = { faces, roles: defaultRoles() };
  const size = (text: string, bold = false, most = 500) => sizeOfWords(text, { size: 20, bold }, 'label', most, kit);
  const early = size('glasswort', true);
  expect(size('glasswort', true)).toBe(early);
  for (const bold of [true, false]) add(fileFor(kit.roles.label?.run.font ?? FALLBACK.id, bold, false));
  expect(size('glasswort', true)).not.toEqual(early);
  expect(size('glasswort')).not.toEqual(size('glasswort', true));
  expect(size('glasswort and glasswort', false, 100).height).toBeGreaterThan(size('glasswort').height);
});
