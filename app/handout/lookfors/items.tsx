import type { ItemsLookFor } from '../../../core/lookfors/items';
import { HowMany } from './how-many';
import type { SettingsProps } from './settings';
import { Choice } from '../../fields/choice';

export function ItemsSettings({ lookFor, set }: SettingsProps<ItemsLookFor>) {
  return (
    <>
      <span className="quiet">at least</span>
      <HowMany label="How many" value={lookFor.min} width={62} onChange={(min) => set({ min })} />
      <Choice
        label="Of what"
        value={lookFor.item}
        names={{ picture: 'pictures', shape: 'shapes', text: 'texts', line: 'lines' }}
        onChange={(item) => set({ item })}
        width={110}
      />
    </>
  );
}
