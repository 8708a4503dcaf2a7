import type { NameLookFor } from '../../../core/lookfors/name';
import { itemName } from '../../../core/items/name';
import { find } from '../../../core/sheet/tree';
import type { SettingsProps } from './settings';

export function NameSettings({ lookFor, sheet }: SettingsProps<NameLookFor>) {
  const item = lookFor.item === null ? undefined : find(sheet, lookFor.item)?.item;
  return <span className="quiet">{item ? `On “${itemName(item)}”` : 'Anywhere they may write'}</span>;
}
