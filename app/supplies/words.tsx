import { roleIds } from '../../core/schema/defaults';
import type { Sheet } from '../../core/schema/sheet';
import { addText } from '../commands/commands';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import { Supplied } from './supplied';
import type { Sort } from './sort';
import styles from './drawer.module.css';

/** Text to put on the sheet, by its role. */

/** Those that have a compartment of their own, or are the teacher's. */
const LABELS = ['label', 'bank'];
const TEACHERS = [...LABELS, 'title', 'name', 'instruction'];

const rolesFor = (editor: Editor) =>
  roleIds(editor.sheet.roles).filter((id) => !(editor.rights.kind === 'all' ? LABELS : TEACHERS).includes(id));

export const TEXT: Sort = {
  sort: 'text',
  called: 'text',
  supply: 'text',
  named: (editor) =>
    rolesFor(editor).map((id) => ({ id, name: editor.sheet.roles[id].name, tags: ['text', 'words', 'write'] })),
  put: addText,
};

const rolesOf = (editor: Editor) => editor.sheet.roles;

export function Words({ editor }: { editor: Editor }) {
  const roles = useEditor(editor, rolesOf);
  return rolesFor(editor).map((id) => (
    <Supplied key={id} name={roles[id].name} drag={`text ${id}`} onAdd={() => addText(editor, id)}>
      <RoleSample role={roles[id]} />
    </Supplied>
  ));
}

/** In the interface's fonts, with the role's weight, slope and colour. */
function RoleSample({ role }: { role: Sheet['roles'][string] }) {
  const { bold, italic, colour, size, font } = role.run;
  return (
    <em
      aria-hidden="true"
      className={styles.supplyWords}
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
