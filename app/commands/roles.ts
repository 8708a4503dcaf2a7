import { cutTo } from '../../core/values/characters';
import { bodyLength, runsWithin } from '../../core/text/body';
import type { Change } from '../../core/changes/change';
import type { Role, TextItem } from '../../core/schema/sheet';
import { everyItem } from '../../core/sheet/tree';
import { refitted } from '../../core/changes/refit';
import { fullFormat, fullStyle, roleOf, roleRun } from '../../core/text/style';
import type { Bench } from '../document/bench';
import { untilChanged } from '../document/bench';
import { all, newId, set } from './steps';

/** Text roles: restyled for all their boxes, made from a box, taken away. */

/** All boxes of a role take over how the first words of this one are set; its own exceptions go. */
export function restyleRole(bench: Bench, item: TextItem): void {
  const id = item.role ?? 'body';
  const role = roleOf(bench.sheet, id);
  const first = item.body.find((p) => p.runs.length > 0) ?? item.body[0];
  const next: Role = {
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
  setRoles(bench, 'Restyle role', changes);
}

/** Makes changes of roles, and lets the boxes that grow with their words grow. */
export function setRoles(bench: Bench, name: string, changes: Change[]): void {
  const after = bench.triedSheet(all(changes));
  if (!after || !bench.faces) return;
  bench.make(name, all([...changes, ...refitted(bench.sheet, after, bench.faces)]));
}

/** A role of one's own from how this box is set. */
export function addRole(bench: Bench, item: TextItem, name: string): void {
  const clean = cutTo(name.trim(), 60);
  if (!clean) return bench.say('Give the role a name first.', untilChanged(bench));
  if (Object.values(bench.sheet.roles).some((role) => role.name.toLowerCase() === clean.toLowerCase()))
    return bench.say('There is already a role with this name. Choose another name.', untilChanged(bench));
  const role = roleOf(bench.sheet, item.role);
  const first = item.body.find((p) => p.runs.length > 0) ?? item.body[0];
  const id = newId();
  bench.make(
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

/** Takes a role of one's own away; its boxes are body text then, and keep their look. */
export function removeRole(bench: Bench, id: string): void {
  const role = bench.sheet.roles[id];
  if (!role) return;
  const changes = [...everyItem(bench.sheet)].flatMap((item): Change[] => {
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
  bench.make('Remove role', all([...changes, { kind: 'role-set', id, role: null }]));
}
