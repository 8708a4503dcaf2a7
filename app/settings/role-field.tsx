import { useState } from 'react';
import { roleIds } from '../../core/schema/defaults';
import type { Sheet, TextItem } from '../../core/schema/sheet';
import type { Bench } from '../document/bench';
import { setValues } from '../commands/commands';
import { Row, Toggle } from '../fields/fields';
import { addRole, removeRole, restyleRole } from '../commands/roles';
import { Choice } from '../fields/choice';

/** The text role, and what is done with it: restyle all its boxes, make one of one's own. */
export function RoleField({ bench, item, sheet }: { bench: Bench; item: TextItem; sheet: Sheet }) {
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
          onChange={(role) => (role === '+' ? setNaming('') : setValues(bench, 'Role', { role }))}
        />
        {differs && (
          <Toggle label="Updates all boxes of this role to match this one" onClick={() => restyleRole(bench, item)}>
            update all
          </Toggle>
        )}
        {own && !differs && (
          <Toggle label="Deletes this role; its boxes keep their look" onClick={() => removeRole(bench, id)}>
            delete
          </Toggle>
        )}
      </Row>
      {naming !== null && (
        <Row label="">
          <input
            className="inline-name"
            autoFocus
            aria-label="Name of the role"
            placeholder="name of the role, then Enter"
            value={naming}
            maxLength={60}
            onChange={(event) => setNaming(event.target.value)}
            onBlur={() => setNaming(null)}
            onKeyDown={(event) => {
              if (event.key === 'Escape') setNaming(null);
              if (event.key !== 'Enter') return;
              addRole(bench, item, naming);
              setNaming(null);
            }}
          />
        </Row>
      )}
    </>
  );
}
const SHIPPED = new Set(['title', 'heading', 'body', 'label', 'caption', 'quote', 'instruction', 'name', 'bank']);
