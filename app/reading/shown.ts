import type { Sheet } from '../../core/schema/sheet';
import type { Loaded } from './entries';

/** What can be shown of a piece: itself, another sheet over it, or how it grew. */

export type Shown = 'piece' | 'handed out' | 'go before' | 'key' | 'growth';
export type Other = {
  value: Shown;
  label: string;
  /** How a sentence calls it. */
  name: string;
  sheet: Sheet;
  /** It is the key: the piece is compared with what it would look like filled in. */
  isKey?: true;
};

export const othersOf = ({ handedOut, goBefore, key }: Loaded): Other[] => [
  { value: 'handed out', label: 'handed out', name: 'the sheet as handed out', sheet: handedOut },
  ...(goBefore
    ? [{ value: 'go before' as const, label: 'last go', name: `go ${goBefore.number}`, sheet: goBefore.sheet }]
    : []),
  { value: 'key', label: 'key', name: 'the key', sheet: key, isKey: true },
];
