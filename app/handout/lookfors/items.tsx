import { InputNumber } from 'antd';
import type { ItemsLookFor } from '../../../core/lookfors/items';
import type { SettingsProps } from './settings';
import { Choice } from '../../fields/choice';

export function ItemsSettings({ lookFor, set }: SettingsProps<ItemsLookFor>) {
  return (
    <>
      <span className="quiet">at least</span>
      <InputNumber
        size="small"
        min={1}
        max={500}
        value={lookFor.min}
        aria-label="How many"
        style={{ width: 62 }}
        onChange={(min) => min && set({ min })}
      />
      <Choice
        label="Of what"
        value={lookFor.item}
        options={[
          { value: 'picture', label: 'pictures' },
          { value: 'shape', label: 'shapes' },
          { value: 'text', label: 'texts' },
          { value: 'line', label: 'lines' },
        ]}
        onChange={(item) => set({ item })}
        width={110}
      />
    </>
  );
}
