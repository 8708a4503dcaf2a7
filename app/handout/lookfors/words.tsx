import { itemName } from '../../../core/items/name';
import type { Sheet } from '../../../core/schema/sheet';
import { isWritten } from '../../../core/schema/sheet';
import { everyItem } from '../../../core/sheet/tree';
import type { WordsLookFor } from '../../../core/lookfors/words';
import { HowMany } from './how-many';
import type { SettingsProps } from './settings';
import { Choice } from '../../fields/choice';

const writable = (sheet: Sheet) => [...everyItem(sheet)].filter((item) => isWritten(item) && item.touch !== 'fixed');

export function WordsSettings({ lookFor, sheet, set }: SettingsProps<WordsLookFor>) {
  return (
    <>
      <HowMany label="How many words" value={lookFor.min} width={66} onChange={(min) => set({ min })} />
      <span className="quiet">words in</span>
      <Choice
        label="Where the words are counted"
        value={lookFor.item ?? ''}
        options={[
          { value: '', label: 'all they may write in' },
          ...writable(sheet).map((item) => ({ value: item.id, label: itemName(item) })),
        ]}
        onChange={(item) => set({ item: item || null })}
      />
    </>
  );
}
