import type { Change } from '../../core/changes/change';
import type { Forget } from '../../core/makers/remake';
import type { MakerState } from '../../core/schema/recipes/recipes';
import type { Sheet } from '../../core/schema/sheet';

/** What an open sheet needs of making.ts, which keeps made items in step. */

export type State = Pick<MakerState, 'kind' | 'recipe' | 'seed'>;

export type Makes = {
  /** What a maker could not do, by the group's id. */
  notes: ReadonlyMap<string, readonly string[]>;
  /** Groups that are being made right now. */
  readonly busy: ReadonlySet<string>;
  /** Progress of the slow ones. */
  progress: ReadonlyMap<string, number>;
  /** Whether something that was done is not in the sheet yet. */
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
