import type { ComponentType } from 'react';
import type { Sheet } from '../../../core/schema/sheet';

/** The settings of a kind of look-for on the hand-out screen. */
export type SettingsProps<L> = { lookFor: L; sheet: Sheet; set: (patch: Partial<L>) => void };
export type LookForSettings<L> = ComponentType<SettingsProps<L>>;
