import { useMemo } from 'react';
import type { Named } from '../../core/language/find';
import { fetched, useFetched } from './later';

/** Search in lists that ship with the application, as somebody types. */

const engine = fetched(() => import('../../core/language/find').then((part) => part.Finder));

/** Finds items of a list, the best match first. Until the search engine has loaded, it finds parts of names. */
export function useSearch<T extends Named>(list: readonly T[]): (wanted: string) => T[] {
  const there = useFetched(engine);
  return useMemo(() => {
    if (there.kind !== 'here')
      return (wanted) => list.filter(({ name }) => name.toLowerCase().includes(wanted.trim().toLowerCase()));
    const finder = new there.value(list);
    return (wanted) => finder.find(wanted);
  }, [there, list]);
}
