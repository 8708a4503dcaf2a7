import type { Change } from '../../core/changes/change';
import type { Forget } from '../../core/makers/remake';
import type { MakerState } from '../../core/schema/recipes/recipes';
import type { Sheet } from '../../core/schema/sheet';

/** What an open sheet asks of what keeps its made things in step (making.ts). */

export type State = Pick<MakerState, 'kind' | 'recipe' | 'seed'>;

export type Makes = {
  /** What the maker of a group could not do, by its identity. */
  notes: ReadonlyMap<string, readonly string[]>;
  /** Groups that are being made right now. */
  readonly busy: ReadonlySet<string>;
  /** How far those are that take long. */
  progress: ReadonlyMap<string, number>;
  /** Whether something that was done is not part of the sheet yet. */
  readonly open: boolean;
  state(id: string): State | null;
  edit(id: string, name: string, state: State, keep?: 'soon' | 'now' | 'with last', then?: () => void): void;
  begin(id: string): void;
  tidy(id: string, forget: Exclude<Forget, 'nothing'>): void;
  follow(change: Change, before: Sheet, by: 'hand' | 'history'): void;
  settled(): Promise<void>;
  flush(): void;
  stop(id: string): void;
};
