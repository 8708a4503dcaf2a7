import type MiniSearch from 'minisearch';
import { useMemo } from 'react';
import { rankedByName } from '../../core/language/words';
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
      const exact = index.search(wanted);
      // Slips are allowed only where nothing else is found: “hear” begins “heart”, it is not a misspelt “pear”.
      const found = exact.length > 0 ? exact : index.search(wanted, { fuzzy: 0.25 });
      return rankedByName(
        wanted,
        found.map(({ id }) => list[id as number]),
      );
    };
  }, [there, list]);
}
