import type { Spoken } from '../../core/review/said';
import { keptAt } from '../keeping/kept';
import { Sound, soundOf } from '../keeping/sender';

/** The address of what was spoken and has not been sent yet. */
export function keptSound(personId: string, note: string, { type }: Pick<Spoken, 'type'>): string | undefined {
  const sound = keptAt(personId, soundOf(note), Sound);
  return sound === null ? undefined : `data:${type};base64,${sound}`;
}
