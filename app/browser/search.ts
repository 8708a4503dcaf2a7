import type MiniSearch from 'minisearch';
import { useMemo } from 'react';
import { fetched, useFetched } from './later';

/** Search over lists that ship with the application: any word of what is wanted, begun or nearly right. */

type Named = { name: string; tags: readonly string[]; group: string };

const engine = fetched(() => import('minisearch').then((part) => part.default));

function indexed<T extends Named>(Engine: typeof MiniSearch, list: readonly T[]): MiniSearch {
  const index = new Engine({
    fields: ['name', 'tags', 'group'],
    searchOptions: { prefix: true, fuzzy: 0.15, boost: { name: 3 } },
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
    return (wanted) => index.search(wanted).map(({ id }) => list[id as number]);
  }, [there, list]);
}
