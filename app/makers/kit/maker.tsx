import type { Editor } from '../../document/editor';
import type { ComponentType, ReactNode } from 'react';
import type { MakerKind } from '../../../core/schema/recipes/recipes';
import type { OnSheet } from '../../document/on-sheet';
import type { Beginning } from './begin';
import type { PanelProps } from './parts';

/** A maker's part on the workbench: one object each, listed in ../all.ts. */
export type AppMaker<K extends MakerKind = MakerKind> = {
  kind: K;
  begin: Beginning<K>;
  /** The title of its recipe's tab. */
  tab: string;
  Panel: ComponentType<PanelProps>;
  /** Its tile among the supplies; the drawing fills 80 x 54. */
  tile: { name: string; says: string; drawing: ReactNode };
  onSheet?: OnSheet<Editor>;
};

/** How tiles are drawn. */
export const stroke = { fill: 'none', stroke: 'var(--moss)', strokeWidth: 1.6, strokeLinejoin: 'round' as const };
