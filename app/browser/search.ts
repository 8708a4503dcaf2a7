import type MiniSearch from 'minisearch';
import { useMemo } from 'react';
import { rankedByName } from '../../core/language/words';
import { fetched, useFetched } from './later';

/** Search over lists that ship with the application: any word of what is wanted, begun or nearly right. */

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

/** Finds what is asked for in a list, the best first. Until the search engine is here, it finds parts of names. */
export function useSearch<T extends Named>(list: readonly T[]): (wanted: string) => T[] {
  const there = useFetched(engine);
  return useMemo(() => {
    if (there.kind !== 'here') {
      return (wanted) => list.filter(({ name }) => name.toLowerCase().includes(wanted.trim().toLowerCase()));
    }
    const index = indexed(there.value, list);
    return (wanted) => {
      const exact = index.search(wanted);
      // Slips count where nothing else is found: a pear is not what who types “hear” begins to write.
      const found = exact.length > 0 ? exact : index.search(wanted, { fuzzy: 0.25 });
      return rankedByName(
        wanted,
        found.map(({ id }) => list[id as number]),
      );
    };
  }, [there, list]);
}
