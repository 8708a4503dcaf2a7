import { useEffect, useMemo, useRef, useState } from 'react';
import { useRevalidator } from 'react-router';
import type { cardsView } from '../../server/views/spread-view';
import { followHandout } from '../browser/handout-news';
import type { Card, SpreadData } from './piece-card';

/** The cards of a spread while students work: what has changed is told by the server, and those cards alone are asked for. */

/** Milliseconds that changes are gathered for before they are asked for. */
const GATHER = 350;
/** Milliseconds after which cards that could not be had are asked for again. */
const AGAIN = 3000;
/** Copies that are asked for at once. */
const MOST = 100;

type Answer = Awaited<ReturnType<typeof cardsView>>;
type Fresh = ReadonlyMap<string, { card: Card; now: number }>;

export function useLiveCards({ handout, cards, now }: Pick<SpreadData, 'handout' | 'cards' | 'now'>): Card[] {
  const [fresh, setFresh] = useState<Fresh>(new Map());
  const known = useRef<ReadonlySet<string>>(new Set());
  useEffect(() => {
    known.current = new Set(cards.map(({ documentId }) => documentId));
  }, [cards]);
  const { revalidate } = useRevalidator();
  const [since] = useState(now);

  useEffect(() => {
    const waiting = new Set<string>();
    let timer: ReturnType<typeof setTimeout> | undefined;
    const stop = new AbortController();
    const later = (wait: number) => (timer ??= setTimeout(() => void ask(), wait));
    const ask = async () => {
      const of = [...waiting].slice(0, MOST);
      for (const id of of) waiting.delete(id);
      let wait = GATHER;
      try {
        const answer = await fetch(`/handouts/${handout.id}/cards?of=${of.join(',')}`, { signal: stop.signal });
        if (answer.ok) {
          const told = (await answer.json()) as Answer;
          // Dates come as text.
          const newer = told.cards.map((card) => [card.id, { card: withDates(card), now: told.now }] as const);
          setFresh((before) => new Map([...before, ...newer]));
        } else if (answer.status >= 500) throw new Error(String(answer.status));
      } catch {
        // The stream may have held, and then tells nothing of them again.
        for (const id of of) waiting.add(id);
        wait = AGAIN;
      }
      timer = undefined;
      if (waiting.size > 0 && !stop.signal.aborted) later(wait);
    };
    const leave = followHandout(
      handout.id,
      since,
      ({ kind, documentId }) => {
        // No card tells of it.
        if (kind === 'gallery') return;
        // Somebody has joined, or has begun to work with others.
        if (!known.current.has(documentId)) return void revalidate();
        waiting.add(documentId);
        later(GATHER);
      },
      () => void revalidate(),
    );
    return () => {
      leave();
      stop.abort();
      clearTimeout(timer);
    };
  }, [handout.id, since, revalidate]);

  return useMemo(
    () =>
      cards.map((card) => {
        const newer = fresh.get(card.id);
        return newer && newer.now > now ? newer.card : card;
      }),
    [cards, fresh, now],
  );
}

const DATES = ['extendedTo', 'begunAt', 'handedInAt', 'firstHandedInAt'] as const;
const withDates = (card: Card): Card => ({
  ...card,
  ...Object.fromEntries(DATES.map((name) => [name, card[name] && new Date(card[name])])),
});
