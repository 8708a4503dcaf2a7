import { roleIds } from '../../core/schema/defaults';
import type { Sheet } from '../../core/schema/sheet';
import { addText } from '../commands/commands';
import type { Bench } from '../document/bench';
import { useBench } from '../document/bench';
import { Supplied } from './supplied';
import type { Sort } from './sort';

/** Text to put on the sheet, by its role. */

/** Those that have a compartment of their own, or are the teacher's. */
const LABELS = ['label', 'bank'];
const TEACHERS = [...LABELS, 'title', 'name', 'instruction'];

const rolesFor = (bench: Bench) =>
  roleIds(bench.sheet.roles).filter((id) => !(bench.rights.kind === 'all' ? LABELS : TEACHERS).includes(id));

export const TEXT: Sort = {
  sort: 'text',
  supply: 'text',
  named: (bench) =>
    rolesFor(bench).map((id) => ({ id, name: bench.sheet.roles[id].name, tags: ['text', 'words', 'write'] })),
  put: addText,
};

const rolesOf = (bench: Bench) => bench.sheet.roles;

export function Words({ bench }: { bench: Bench }) {
  const roles = useBench(bench, rolesOf);
  return rolesFor(bench).map((id) => (
    <Supplied key={id} name={roles[id].name} drag={`text ${id}`} onAdd={() => addText(bench, id)}>
      <RoleSample role={roles[id]} />
    </Supplied>
  ));
}

/** Set in the interface's faces, but with the role's own weight, slope and colour. */
function RoleSample({ role }: { role: Sheet['roles'][string] }) {
  const { bold, italic, colour, size, font } = role.run;
  return (
    <em
      aria-hidden="true"
      className="supply-words"
      style={{
        fontWeight: bold ? 700 : 400,
        fontStyle: italic ? 'italic' : 'normal',
        color: colour,
        fontSize: Math.min(30, 13 + size / 2.2),
        fontFamily: font === 'fraunces' ? 'var(--show)' : 'inherit',
      }}
    >
      Aa
    </em>
  );
}
