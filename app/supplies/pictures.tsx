import MiniSearch from 'minisearch';
import { useEffect, useMemo, useState } from 'react';
import type { Bench } from '../workbench/bench';
import { addPicture } from '../workbench/commands';
import { Ways } from './ways';

/** The shipped pictures, by group or by a word. */

export type PictureEntry = {
  id: string;
  name: string;
  tags: string[];
  group: string;
  width: number;
  height: number;
  credit: string;
  licence: string;
  parts: string[];
};

let loadedIndex: Promise<PictureEntry[]> | undefined;
export const loadIndex = () =>
  (loadedIndex ??= fetch('/art/pictures/index.json').then((answer) => answer.json() as Promise<PictureEntry[]>));

export function Pictures({ bench }: { bench: Bench }) {
  const [index, setIndex] = useState<PictureEntry[]>([]);
  const [wanted, setWanted] = useState('');
  const [group, setGroup] = useState('diagrams');
  useEffect(() => void loadIndex().then(setIndex), []);
  const search = useMemo(() => {
    const mini = new MiniSearch<PictureEntry>({
      fields: ['name', 'tags', 'group'],
      searchOptions: { prefix: true, fuzzy: 0.15, boost: { name: 3 } },
    });
    mini.addAll(index);
    return mini;
  }, [index]);
  const groups = useMemo(() => [...new Set(index.map((entry) => entry.group))], [index]);
  const byId = useMemo(() => new Map(index.map((entry) => [entry.id, entry])), [index]);
  const found = wanted.trim()
    ? search
        .search(wanted)
        .slice(0, 80)
        .flatMap((hit) => byId.get(hit.id as string) ?? [])
    : index.filter((entry) => entry.group === group);
  return (
    <div className="pictures">
      <Ways
        label="Find a picture"
        wanted={wanted}
        group={group}
        groups={groups.map((name) => ({ id: name, name }))}
        onWanted={setWanted}
        onGroup={(id) => id && setGroup(id)}
      />
      <div className="pictures-found" aria-live="polite">
        {found.length === 0 && index.length > 0 && (
          <p className="quiet">Nothing is called “{wanted}”. Try a simpler word: “bird” rather than “oystercatcher”.</p>
        )}
        {found.map((entry) => (
          <button
            key={entry.id}
            type="button"
            className="picture"
            title={`${entry.name} · ${entry.credit} (${entry.licence})`}
            aria-label={entry.name}
            draggable
            onDragStart={(event) => event.dataTransfer.setData('text/plain', `supply:picture ${entry.id}`)}
            onClick={() => addPicture(bench, entry)}
          >
            <img src={`/art/pictures/${entry.id}.svg`} alt="" loading="lazy" draggable={false} />
          </button>
        ))}
      </div>
    </div>
  );
}
