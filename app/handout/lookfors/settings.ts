import type { ComponentType } from 'react';
import type { Sheet } from '../../../core/schema/sheet';

/** What is set of a look-for on the hand-out screen. */
export type SettingsProps<L> = {
  lookFor: L;
  sheet: Sheet;
  set: (patch: Partial<L>) => void;
  /** Says why something can't be done. */
  onRefuse: (reason: string) => void;
};
export type LookForSettings<L> = ComponentType<SettingsProps<L>>;
