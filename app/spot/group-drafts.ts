import { useState } from 'react';
import { z } from 'zod';
import { keep, useKeptWithin } from '../keeping/kept';

/** Notes being written for all pieces that say the same: kept in this browser by that answer; an empty one only in this window. */

const Draft = z.string();

/** @param place under which they are kept, for this spot alone */
export function useGroupDrafts(personId: string, place: string, groups: readonly { key: string }[]) {
  const kept = useKeptWithin(personId, place, Draft);
  const [empty, setEmpty] = useState<string | null>(null);
  const placeOf = (answer: string) => `${place}${answer.length}-${encodeURIComponent(answer).slice(0, 300)}`;
  return {
    /** null where none is begun. */
    draftOf: (answer: string): string | null =>
      kept.find((one) => one.place === placeOf(answer))?.value ?? (empty === answer ? '' : null),
    setDraft(answer: string, draft: string | null) {
      setEmpty(draft === '' ? answer : null);
      keep(personId, placeOf(answer), draft === '' ? null : draft);
    },
    /** For answers that no piece has any more. */
    lost: kept.filter((one) => !groups.some(({ key }) => placeOf(key) === one.place)),
    forget: (where: string) => keep(personId, where, null),
  };
}
