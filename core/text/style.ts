import type { ParagraphFormat, TextRole, RunStyle, Sheet, WrittenItem } from '../schema/sheet';
import { defaultRoles } from '../schema/defaults';

export type FullStyle = Required<RunStyle>;
export type FullFormat = Required<ParagraphFormat>;

/** The smallest size that can be read in print, in points. */
export const LEAST_PRINTED = 7;

const BODY = defaultRoles().body;

/** The role's settings, or those of plain body text for a role that the sheet no longer has. */
export const roleOf = (sheet: Pick<Sheet, 'roles'>, role: string | null): TextRole =>
  (role !== null && Object.hasOwn(sheet.roles, role) ? sheet.roles[role] : sheet.roles.body) ?? BODY;

/** The role that an item's words are set in: “label” for a shape without one. */
export const roleOfItem = (sheet: Pick<Sheet, 'roles'>, item: WrittenItem): TextRole =>
  roleOf(sheet, item.role ?? (item.kind === 'shape' ? 'label' : 'body'));

export const fullStyle = (role: TextRole, style: RunStyle): FullStyle => ({ ...role.run, script: 'none', ...style });

/** A style as a role can have it: superscript and subscript belong to words alone. */
export function roleRun(role: TextRole, style: RunStyle): TextRole['run'] {
  const { script: _, ...run } = fullStyle(role, style);
  return run;
}
export const fullFormat = (role: TextRole, format: ParagraphFormat): FullFormat => ({ ...role.paragraph, ...format });
