import { useMemo, useState } from 'react';
import type { BasicColour } from '../../core/colour/main-colours';
import { useSearch } from '../browser/search';
import type { PictureEntry } from './picture-index';
import { LAID_OUT, OWN, usePictures } from './picture-index';

/** The one way in which pictures are looked for, wherever one is asked for. */

export type Finding = {
  wanted: string;
  colour: BasicColour | null;
  /** They are shown, and put on the sheet, as outlines to be coloured in. */
  outlines: boolean;
  /** The group that is shown, or that a search is narrowed to. */
  group: string | null;
  /** All groups; of a search, those with something in them, and how much. */
  groups: readonly { id: string; count: number | null }[];
  found: readonly PictureEntry[];
  /** Whether the list of all pictures has loaded. */
  loaded: boolean;
  mayBring: boolean;
  setWanted(words: string): void;
  setColour(colour: BasicColour | null): void;
  setOutlines(outlines: boolean): void;
  setGroup(group: string): void;
};

/**
 * @param first the group that is shown at first
 * @param near groups whose pictures are shown first, where that is more than one
 */
export function useFinding({ first = null, near }: { first?: string | null; near?: readonly string[] } = {}): Finding {
  const { entries, mayBring, loaded } = usePictures();
  const [wanted, setWanted] = useState('');
  const [colour, setColour] = useState<BasicColour | null>(null);
  const [outlines, setOutlines] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const [narrowed, setNarrowed] = useState<string | null>(null);
  const search = useSearch(entries);
  const searching = wanted.trim() !== '';
  const names = useMemo(() => {
    const all = [...new Set(entries.map((entry) => entry.group))];
    if (mayBring && !all.includes(OWN)) all.splice(Number(all[0] === LAID_OUT), 0, OWN);
    return all;
  }, [entries, mayBring]);
  // What is laid out is shown before what is shown elsewhere; of a few pictures there may be no such group.
  const opening = first === null ? null : names[0] === LAID_OUT || !names.includes(first) ? (names[0] ?? first) : first;
  const browsed = chosen ?? opening;

  const hits = useMemo(() => {
    const all = searching
      ? search(wanted)
      : browsed === null && near
        ? entries.filter(({ group }) => group === OWN || group === LAID_OUT || near.includes(group))
        : entries;
    // Of a picture that was uploaded long ago it may not be known.
    return colour === null ? all : all.filter(({ colours }) => colours.length === 0 || colours.includes(colour));
  }, [searching, search, wanted, browsed, near, entries, colour]);
  const groups = useMemo(() => {
    if (!searching) return names.map((id) => ({ id, count: null }));
    const counts = new Map<string, number>();
    for (const { group } of hits) counts.set(group, (counts.get(group) ?? 0) + 1);
    return names.flatMap((id) => (counts.has(id) ? [{ id, count: counts.get(id)! }] : []));
  }, [searching, hits, names]);

  const group = searching ? narrowed : browsed;
  return {
    wanted,
    colour,
    outlines,
    group,
    groups,
    found: group === null ? hits : hits.filter((entry) => entry.group === group),
    loaded,
    mayBring,
    setWanted(words) {
      setWanted(words);
      setNarrowed(null);
    },
    setColour,
    setOutlines,
    setGroup: (id) => (searching ? setNarrowed(id === narrowed ? null : id) : setChosen(id)),
  };
}

/** Where the small form of a picture is, in its colours or in outlines. */
export const tileUrl = (id: string, outlines = false): string => `/art/pictures/${id}${outlines ? '-lines' : ''}.svg`;

/** What to say where nothing is found. */
export function nothingFound({ wanted, colour }: Finding): string {
  const called = wanted.trim();
  if (colour !== null)
    return `No ${colour} picture${called ? ` is called “${called}”` : ' is in this group'}. Choose “any colour” to see the others.`;
  return called
    ? `No picture is called “${called}”. Try a simpler word: “bird” rather than “oystercatcher”.`
    : 'Nothing is here yet.';
}
