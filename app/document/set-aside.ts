import type { Change } from '../../core/changes/change';
import type { Told } from './save-state';
import type { Aside, Slot } from '../keeping/vault';

/** Changes that could not be saved: stored in the browser and shown until they are downloaded or discarded. */
export class SetAside {
  private all: readonly Aside[] = [];
  constructor(
    private slot: Slot,
    private told: Told,
  ) {}

  /** Takes up what was set aside before. */
  async open(): Promise<void> {
    this.all = await this.slot.aside();
    if (this.all.length > 0) this.told.aside(this.all);
  }

  put(change: Change, reason: string): void {
    this.keep([...this.all, { at: Date.now(), reason, change }]);
    this.told.notice(`A change of yours could not be saved: ${reason}`);
  }

  forget(): void {
    this.keep([]);
  }

  private keep(all: readonly Aside[]): void {
    this.all = all;
    void this.slot.keepAside(all);
    this.told.aside(all);
  }
}
