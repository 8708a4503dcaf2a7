import { useEffect, useMemo, useState } from 'react';
import { plain, text } from '../../core/schema/defaults';
import { fetched, NotFetched, useFetched } from '../browser/later';
import { useSearch } from '../browser/search';
import type { Editor } from '../document/editor';
import { add, newId, placeFor, touch } from '../commands/steps';
import { typeWords } from '../commands/word-commands';
import { Ways } from './ways';
import styles from './drawer.module.css';

/** Symbols and emoji by search, the last used first. They go into the text being edited, or become a text box. */

type Sign = { sign: string; name: string; tags: string[]; group: string };
const shipped = fetched(() => fetch('/art/signs.json').then((answer) => answer.json() as Promise<Sign[]>));
const NONE: Sign[] = [];
const KEPT = 'dappled-margin/signs';
/** Shown at once; a search finds the others. */
const MOST = 240;

function recentSigns(): string[] {
  try {
    const list: unknown = JSON.parse(localStorage.getItem(KEPT) ?? '[]');
    return Array.isArray(list) ? list.filter((sign): sign is string => typeof sign === 'string').slice(0, 14) : [];
  } catch {
    return [];
  }
}

function put(editor: Editor, sign: string): void {
  const { editing } = editor;
  if (editing) {
    const [from, to] = [Math.min(editing.anchor, editing.focus), Math.max(editing.anchor, editing.focus)];
    if (typeWords(editor, editing, from, to - from, sign))
      editor.edit({ ...editing, anchor: from + sign.length, focus: from + sign.length });
    return;
  }
  const item = text({
    id: newId(),
    touch: touch(editor),
    ...placeFor(editor, 64, 64),
    width: 64,
    height: 64,
    body: plain(sign).map((p) => ({
      ...p,
      format: { align: 'centre' as const },
      runs: p.runs.map((run) => ({ ...run, style: { size: 40 } })),
    })),
  });
  add(editor, 'Add sign', [item]);
}

export function Signs({ editor }: { editor: Editor }) {
  const there = useFetched(shipped);
  const signs = there.kind === 'here' ? there.value : NONE;
  const [wanted, setWanted] = useState('');
  const [group, setGroup] = useState<string | null>(null);
  const [recent, setRecent] = useState<string[]>([]);
  useEffect(() => {
    setRecent(recentSigns());
  }, []);
  const search = useSearch(signs);
  const groups = useMemo(() => [...new Set(signs.map((sign) => sign.group))], [signs]);
  const byName = useMemo(() => new Map(signs.map((sign) => [sign.sign, sign])), [signs]);
  const shown = wanted.trim()
    ? search(wanted)
    : group === null
      ? recent.flatMap((sign) => byName.get(sign) ?? [])
      : signs.filter((sign) => sign.group === group);
  const first = groups[0];
  useEffect(() => {
    if (group === null && recent.length === 0 && first) setGroup(first);
  }, [group, recent.length, first]);
  return (
    <div className={`${styles.pictures} signs`}>
      <Ways
        label="Find a sign"
        wanted={wanted}
        group={group}
        groups={[
          ...(recent.length > 0 ? [{ id: null, name: 'recent' }] : []),
          ...groups.map((name) => ({ id: name, name })),
        ]}
        onWanted={setWanted}
        onGroup={setGroup}
      />
      <div className={styles.signsFound} aria-live="polite">
        {there.kind === 'failed' && <NotFetched again={shipped.again} />}
        {shown.length === 0 && wanted.trim() && (
          <p className="quiet">No sign is called “{wanted}”. Try a simpler word, such as “arrow”, “fish” or “pi”.</p>
        )}
        {shown.slice(0, MOST).map(({ sign, name }) => (
          <button
            key={sign}
            type="button"
            className={styles.sign}
            title={name}
            aria-label={name}
            onMouseDown={(event) => event.preventDefault()}
            onClick={() => {
              put(editor, sign);
              const next = [sign, ...recent.filter((one) => one !== sign)].slice(0, 14);
              setRecent(next);
              localStorage.setItem(KEPT, JSON.stringify(next));
            }}
          >
            {sign}
          </button>
        ))}
      </div>
    </div>
  );
}
