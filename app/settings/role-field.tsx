import { TextLine } from '../fields/text-line';
import { useState } from 'react';
import { roleIds } from '../../core/schema/defaults';
import type { Sheet, TextItem } from '../../core/schema/sheet';
import type { Editor } from '../document/editor';
import { setValues } from '../commands/set-values';
import { Toggle } from '../fields/toggle';
import { Row } from '../parts/row';
import { addRole, removeRole, restyleRole } from '../commands/roles';
import { Choice } from '../fields/choice';

/** The text role: choosing it, restyling all its boxes, making a new one. */
export function RoleField({ editor, item, sheet }: { editor: Editor; item: TextItem; sheet: Sheet }) {
  const [naming, setNaming] = useState<string | null>(null);
  const id = item.role ?? 'body';
  const own = Object.hasOwn(sheet.roles, id) && !SHIPPED.has(id);
  const differs = item.body.some(
    (p) =>
      Object.keys(p.format).some((key) => key === 'align' || key === 'lineSpacing') ||
      p.runs.some((run) => Object.keys(run.style).length > 0),
  );
  return (
    <>
      <Row label="role">
        <Choice
          label="Role"
          value={id}
          options={[
            ...roleIds(sheet.roles).map((value) => ({ value, label: sheet.roles[value].name })),
            { value: '+', label: 'new role …' },
          ]}
          onChange={(role) => (role === '+' ? setNaming('') : setValues(editor, 'Role', { role }))}
        />
        {differs && (
          <Toggle label="Update all boxes of this role to match this one" onClick={() => restyleRole(editor, item)}>
            update all
          </Toggle>
        )}
        {own && !differs && (
          <Toggle label="Delete this role; its boxes keep their look" onClick={() => removeRole(editor, id)}>
            delete
          </Toggle>
        )}
      </Row>
      {naming !== null && (
        <Row label="">
          <TextLine
            autoFocus
            aria-label="Name of the role"
            placeholder="Name of the role, then Enter"
            value={naming}
            maxLength={60}
            onChange={(event) => setNaming(event.target.value)}
            onBlur={() => setNaming(null)}
            onKeyDown={(event) => {
              if (event.key === 'Escape') setNaming(null);
              if (event.key !== 'Enter') return;
              addRole(editor, item, naming);
              setNaming(null);
            }}
          />
        </Row>
      )}
    </>
  );
}
const SHIPPED = new Set(['title', 'heading', 'body', 'label', 'caption', 'quote', 'instruction', 'name', 'bank']);
