import { memo, useEffect, useLayoutEffect, useRef, useState } from 'react';
import type { ReactNode } from 'react';
import type { Box, Point } from '../../core/geometry/matrix';
import { place } from '../../core/margin/place';
import type { Lit } from './light';
import { LATCH, Light } from './light';
import { useNarrow } from './narrow';
import type { View } from './view';
import { onStage } from './view';
import styles from './margin.module.css';

/** The column beside the sheet. Each entry is at the height of the spot it is about, with a line to it. */

export type Tone = 'plain' | 'moss' | 'apricot' | 'sky' | 'straw';
export type MarginEntry = {
  id: string;
  /** The spot on the page, in points; null for what is about the whole sheet. */
  anchor: Point | null;
  /** Where an entry without a spot goes. */
  end?: 'top' | 'bottom';
  tone: Tone;
  /** Whether its line is drawn strongly. */
  active?: boolean;
  /** The spots that are lit while this entry is the lit one, in points. Asked for only then. */
  light?: () => readonly Box[];
  /** What is being worked on: the margin scrolls to keep it visible. */
  current?: boolean;
  label: string;
  content: ReactNode;
};

const GAP = 10;
const PAD = 12;

const useIsomorphicLayout = typeof window === 'undefined' ? useEffect : useLayoutEffect;

type Props = {
  entries: readonly MarginEntry[];
  view: View;
  label: string;
  lit?: Lit | null;
  /** Threads that are not lit are ticks at the edge of the sheet, which ends here, in points. */
  ticksFrom?: number;
  onChoose?: (id: string) => void;
};

/** How high each entry's card is, in pixels, measured again whenever one changes. Missing until it is measured. */
function useHeights(entries: readonly MarginEntry[]) {
  const [heights, setHeights] = useState<Record<string, number>>({});
  const cards = useRef(new Map<string, HTMLElement>());
  useIsomorphicLayout(() => {
    const measure = () =>
      setHeights((old) => {
        const now: Record<string, number> = {};
        for (const [id, card] of cards.current) now[id] = card.offsetHeight;
        const same =
          Object.keys(now).length === Object.keys(old).length &&
          Object.entries(now).every(([id, height]) => old[id] === height);
        return same ? old : now;
      });
    measure();
    const observer = new ResizeObserver(measure);
    for (const card of cards.current.values()) observer.observe(card);
    return () => observer.disconnect();
  }, [entries.map((entry) => entry.id).join()]);
  const hold = (id: string, card: HTMLElement | null) => {
    if (card) cards.current.set(id, card);
    else cards.current.delete(id);
  };
  return { heights, hold, cards };
}

export const Margin = memo(function Margin({ entries, view, label, lit, ticksFrom, onChoose }: Props) {
  const [scroll, setScroll] = useState(0);
  const below = useNarrow();
  const column = useRef<HTMLElement>(null);
  const { heights, hold, cards } = useHeights(entries);
  const wishes = entries.map((entry) => {
    const height = heights[entry.id] ?? 80;
    const wish = entry.anchor
      ? onStage(view, entry.anchor).y - LATCH
      : entry.end === 'bottom'
        ? view.stageHeight * 2
        : -1e5;
    return { id: entry.id, wish, height };
  });
  const tops = place(wishes, PAD, view.stageHeight - PAD, GAP);
  const bottom = Math.max(view.stageHeight, ...wishes.map(({ id, height }) => (tops.get(id) ?? 0) + height + PAD));
  const measured = entries.every((entry) => heights[entry.id] !== undefined);

  // What is being worked on stays visible, however full the margin is.
  const active = entries.find((entry) => entry.current && heights[entry.id] !== undefined);
  const activeId = active?.id;
  const activeTop = active && tops.get(active.id);
  const activeHeight = active && heights[active.id];
  useEffect(() => {
    const element = column.current;
    const card = activeId !== undefined && cards.current.get(activeId);
    if (!element || !card) return;
    // In the band cards stand one after the other, wherever their spots are.
    const top = (below ? card.offsetTop : (activeTop ?? 0)) - PAD;
    const low = top + (activeHeight ?? 0) + 2 * PAD - element.clientHeight;
    if (element.scrollTop < low) element.scrollTop = Math.min(low, top);
    else if (element.scrollTop > top) element.scrollTop = top;
  }, [cards, activeId, activeTop, activeHeight, below]);

  const source = lit ? entries.find(({ id }) => id === lit.id) : undefined;
  return (
    <>
      {measured && lit && source && (
        <Light
          view={view}
          lit={lit}
          spots={source.light?.() ?? []}
          card={below || !source.anchor ? null : { x: view.stageWidth, y: (tops.get(source.id) ?? 0) + LATCH - scroll }}
        />
      )}
      <aside
        ref={column}
        className={`margin-column${below ? ` ${styles.band}` : ''}`}
        aria-label={label}
        onScroll={(event) => setScroll(event.currentTarget.scrollTop)}
      >
        <div className={styles.room} style={below ? undefined : { height: bottom }}>
          {entries.map((entry) => (
            <section
              key={entry.id}
              ref={(card) => hold(entry.id, card)}
              className={`margin-card tone-${entry.tone}${entry.anchor ? ' tied' : ''}${entry.active ? ' active' : ''}${entry === source ? ' lit' : ''}`}
              // Not hidden until it is placed: somebody may already be typing in it.
              style={{ top: tops.get(entry.id) ?? PAD, opacity: heights[entry.id] === undefined ? 0 : undefined }}
              aria-label={entry.label}
              onPointerDown={() => onChoose?.(entry.id)}
            >
              {entry.content}
            </section>
          ))}
        </div>
      </aside>
      {measured && !below && <Threads {...{ entries, view, source, ticksFrom, tops, scroll }} />}
    </>
  );
});

type ThreadsProps = Pick<Props, 'entries' | 'view' | 'ticksFrom'> & {
  /** The entry that lights the sheet. */
  source: MarginEntry | undefined;
  /** Where each card begins, and how far the column is scrolled, in pixels. */
  tops: ReadonlyMap<string, number>;
  scroll: number;
};

/** The lines from spots on the sheet to their cards. */
const Threads = ({ entries, view, source, ticksFrom, tops, scroll }: ThreadsProps) => (
  <svg className={styles.lines} aria-hidden="true">
    {entries.map((entry) => {
      if (!entry.anchor) return null;
      const spot = onStage(view, entry.anchor);
      const quiet = ticksFrom !== undefined && entry !== source && !entry.active;
      const from = quiet ? { x: view.left + ticksFrom * view.scale + 3, y: spot.y } : spot;
      if (from.y < 0 || from.y > view.stageHeight || from.x < 0 || from.x > view.stageWidth) return null;
      const to = { x: view.stageWidth + 8, y: (tops.get(entry.id) ?? 0) + LATCH - scroll };
      // Horizontal at both ends.
      const reach = Math.max(24, Math.min(90, (to.x - from.x) * 0.5));
      return (
        <g
          key={entry.id}
          className={`tone-${entry.tone}${entry.active ? ' active' : ''}${entry === source ? ' lit' : ''}`}
        >
          <path d={`M${from.x} ${from.y}C${from.x + reach} ${from.y} ${to.x - reach} ${to.y} ${to.x} ${to.y}`} />
          <circle cx={from.x} cy={from.y} r="2.6" />
        </g>
      );
    })}
  </svg>
);
