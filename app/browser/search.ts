import type MiniSearch from 'minisearch';
import { useMemo } from 'react';
import { nearestByName, rankedByName } from '../../core/language/words';
import { fetched, useFetched } from './later';

/** Search in lists that ship with the application. It takes beginnings of words and allows for slips. */

type Named = { name: string; tags: readonly string[]; group: string };

const engine = fetched(() => import('minisearch').then((part) => part.default));

function indexed<T extends Named>(Engine: typeof MiniSearch, list: readonly T[]): MiniSearch {
  const index = new Engine({
    fields: ['name', 'tags', 'group'],
    searchOptions: { prefix: true, boost: { name: 3 } },
  });
  index.addAll(list.map(({ name, tags, group }, id) => ({ id, name, tags, group })));
  return index;
}

/** Finds items of a list, the best match first. Until the search engine has loaded, it finds parts of names. */
export function useSearch<T extends Named>(list: readonly T[]): (wanted: string) => T[] {
  const there = useFetched(engine);
  return useMemo(() => {
    if (there.kind !== 'here') {
      return (wanted) => list.filter(({ name }) => name.toLowerCase().includes(wanted.trim().toLowerCase()));
    }
    const index = indexed(there.value, list);
    return (wanted) => {
      const found = (fuzzy: number | false) => index.search(wanted, { fuzzy }).map(({ id }) => list[id as number]);
      const exact = found(false);
      // Slips are allowed only where nothing else is found: “hear” begins “heart”, it is not a misspelt “pear”.
      return exact.length > 0 ? rankedByName(wanted, exact) : nearestByName(wanted, found(0.25));
    };
  }, [there, list]);
}
