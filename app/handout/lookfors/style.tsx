import { Select } from 'antd';
import { roleIds } from '../../../core/schema/defaults';
import type { StyleLookFor } from '../../../core/lookfors/style';
import type { SettingsProps } from './settings';

export function StyleSettings({ lookFor, sheet, set }: SettingsProps<StyleLookFor>) {
  return (
    <>
      <Select
        size="small"
        aria-label="Role"
        value={lookFor.role}
        style={{ width: 110 }}
        onChange={(role) => set({ role })}
        options={roleIds(sheet.roles).map((value) => ({ value, label: sheet.roles[value].name }))}
      />
      <Select
        size="small"
        aria-label="Style"
        value={lookFor.bold ? 'bold' : lookFor.italic ? 'italic' : 'plain'}
        style={{ width: 90 }}
        onChange={(style) => set({ bold: style === 'bold' ? true : null, italic: style === 'italic' ? true : null })}
        options={[
          { value: 'bold', label: 'bold' },
          { value: 'italic', label: 'italic' },
          { value: 'plain', label: 'any' },
        ]}
      />
      <Select
        size="small"
        aria-label="Colour"
        value={lookFor.colour ?? ''}
        style={{ width: 92 }}
        onChange={(colour) => set({ colour: colour || null })}
        options={[
          { value: '', label: 'any colour' },
          ...sheet.palette.map((hex) => ({ value: hex, label: <span style={{ color: hex }}>■ {hex}</span> })),
        ]}
      />
    </>
  );
}
