import { Sheet } from '../schema/sheet';
import { LIMITS, ROLES_FULL } from '../sheet/limits';
import { withSettings } from '../sheet/tree';
import type { ChangeKind } from './kind';
import { done, firstIssue, pick, refused } from './kind';

/** Changes of the sheet's own settings and of its text roles. */

export const SHEET_SET: ChangeKind<'sheet-set'> = {
  apply(sheet, { values }) {
    const wrong = Object.keys(values).find((key) => !['title', 'unit', 'palette', 'ownWords'].includes(key));
    if (wrong) return refused(`“${wrong}” can’t be set on a sheet.`);
    const { title, unit, palette, ownWords } = sheet;
    const read = Sheet.pick({ title: true, unit: true, palette: true, ownWords: true }).safeParse({
      title,
      unit,
      palette,
      ownWords,
      ...values,
    });
    return read.success ? done(withSettings(sheet, read.data)) : refused(firstIssue(read.error));
  },
  invert: (sheet, { values }) => ({ kind: 'sheet-set', values: pick(sheet, Object.keys(values)) }),
  worksOn: () => [],
};

export const ROLE_SET: ChangeKind<'role-set'> = {
  apply(sheet, { id, role }, bounded) {
    const roles = { ...sheet.roles };
    if (role) roles[id] = role;
    else delete roles[id];
    if (bounded && role && !Object.hasOwn(sheet.roles, id) && Object.keys(roles).length > LIMITS.roles)
      return refused(ROLES_FULL);
    return done(withSettings(sheet, { roles }));
  },
  invert: (sheet, { id }) => ({
    kind: 'role-set',
    id,
    role: Object.hasOwn(sheet.roles, id) ? sheet.roles[id] : null,
  }),
  worksOn: () => [],
};
