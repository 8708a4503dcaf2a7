import { roleIds } from '../../../core/schema/defaults';
import type { StyleLookFor } from '../../../core/lookfors/style';
import type { SettingsProps } from './settings';
import { Choice } from '../../fields/choice';

export function StyleSettings({ lookFor, sheet, set }: SettingsProps<StyleLookFor>) {
  return (
    <>
      <Choice
        label="Role"
        value={lookFor.role}
        options={roleIds(sheet.roles).map((value) => ({ value, label: sheet.roles[value].name }))}
        onChange={(role) => set({ role })}
        width={110}
      />
      <Choice
        label="Style"
        value={lookFor.bold ? 'bold' : lookFor.italic ? 'italic' : 'plain'}
        names={{ bold: 'bold', italic: 'italic', plain: 'any' }}
        onChange={(style) => set({ bold: style === 'bold' ? true : null, italic: style === 'italic' ? true : null })}
        width={90}
      />
      <Choice
        label="Colour"
        value={lookFor.colour ?? ''}
        options={[
          { value: '', label: 'any colour' },
          ...sheet.palette.map((hex) => ({ value: hex, label: <span style={{ color: hex }}>■ {hex}</span> })),
        ]}
        onChange={(colour) => set({ colour: colour || null })}
        width={92}
      />
    </>
  );
}
