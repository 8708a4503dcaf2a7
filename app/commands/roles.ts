import { cutTo } from '../../core/values/characters';
import { bodyLength, runsWithin } from '../../core/text/body';
import type { Change } from '../../core/changes/change';
import type { TextRole, TextItem } from '../../core/schema/sheet';
import { everyItem } from '../../core/sheet/tree';
import { refitted } from '../../core/changes/refit';
import { fullFormat, fullStyle, roleOf, roleRun } from '../../core/text/style';
import type { Editor } from '../document/editor';
import { untilChanged } from '../document/editor';
import { all, newId, set } from './steps';

/** Text roles: restyled for all their boxes, made from a box, deleted. */

/** Gives all boxes of a role the style of this one's first words. The box's own exceptions are dropped. */
export function restyleRole(editor: Editor, item: TextItem): void {
  const id = item.role ?? 'body';
  const role = roleOf(editor.sheet, id);
  const first = item.body.find((p) => p.runs.length > 0) ?? item.body[0];
  const next: TextRole = {
    name: role.name,
    run: roleRun(role, first.runs[0]?.style ?? {}),
    paragraph: { ...fullFormat(role, first.format), list: role.paragraph.list, level: role.paragraph.level },
  };
  const length = bodyLength(item.body);
  const cleared = Object.fromEntries(Object.keys(next.run).map((key) => [key, null]));
  const changes: Change[] = [
    { kind: 'role-set', id, role: next },
    { kind: 'style', id: item.id, from: 0, to: length, patch: cleared },
    { kind: 'paragraph', id: item.id, from: 0, to: length, patch: { align: null, lineSpacing: null, before: null } },
  ];
  setRoles(editor, 'Restyle role', changes);
}

/** Changes roles, and lets boxes grow with their text. */
export function setRoles(editor: Editor, name: string, changes: Change[]): void {
  const after = editor.triedSheet(all(changes));
  if (!after || !editor.faces) return;
  editor.make(name, all([...changes, ...refitted(editor.sheet, after, editor.faces)]));
}

/** A new role from the style of this box. */
export function addRole(editor: Editor, item: TextItem, name: string): void {
  const clean = cutTo(name.trim(), 60);
  if (!clean) return editor.say('Give the role a name first.', untilChanged(editor));
  if (Object.values(editor.sheet.roles).some((role) => role.name.toLowerCase() === clean.toLowerCase()))
    return editor.say('There is already a role with this name. Choose another name.', untilChanged(editor));
  const role = roleOf(editor.sheet, item.role);
  const first = item.body.find((p) => p.runs.length > 0) ?? item.body[0];
  const id = newId();
  editor.make(
    'Add role',
    all([
      {
        kind: 'role-set',
        id,
        role: {
          name: clean,
          run: roleRun(role, first.runs[0]?.style ?? {}),
          paragraph: fullFormat(role, first.format),
        },
      },
      set(item.id, { role: id }),
    ]),
  );
}

/** Deletes a role. Its boxes become body text and keep their look. */
export function removeRole(editor: Editor, id: string): void {
  const role = editor.sheet.roles[id];
  if (!role) return;
  const changes = everyItem(editor.sheet).flatMap((item): Change[] => {
    if (item.kind !== 'text' || item.role !== id) return [];
    const length = bodyLength(item.body);
    return [
      set(item.id, { role: 'body' }),
      ...runsWithin(item.body, 0, length).map((run): Change => ({
        kind: 'style',
        id: item.id,
        from: run.from,
        to: run.to,
        patch: fullStyle(role, run.style),
      })),
    ];
  });
  editor.make('Remove role', all([...changes, { kind: 'role-set', id, role: null }]));
}
