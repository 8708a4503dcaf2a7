import { nanoid } from 'nanoid';
import { useEffect, useSyncExternalStore } from 'react';
import type { Phrase } from '../../core/review/phrases';
import type { WithPhrases } from '../../server/actions/phrases';
import { UNREACHED } from '../browser/reached';

/** A teacher's phrases as this window knows them. */

type State = { phrases: readonly Phrase[]; problem: string | null };

const NONE: State = { phrases: [], problem: null };

class Bank {
  state = NONE;
  private loaded = false;
  private listeners = new Set<() => void>();

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  private put(state: State) {
    this.state = state;
    this.listeners.forEach((listener) => listener());
  }

  /** Asks once for what is there; without a network there is nothing to suggest. */
  load(): void {
    if (this.loaded) return;
    this.loaded = true;
    void this.ask().then((ok) => (this.loaded = ok));
  }

  private async ask(asked?: WithPhrases): Promise<boolean> {
    const sent = asked && {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(asked),
    };
    try {
      const answer = await fetch('/phrases', sent);
      const told = (await answer.json()) as Phrase[] | { message?: string };
      if (answer.ok && Array.isArray(told)) {
        this.put({ phrases: told, problem: null });
        return true;
      }
      if (asked) this.put({ ...this.state, problem: (told as { message?: string }).message ?? UNREACHED });
    } catch {
      // An answer that isn't ours comes from something in between.
      if (asked) this.put({ ...this.state, problem: UNREACHED });
    }
    return false;
  }

  /** Whether it was kept. */
  keep = (body: string, about: readonly string[]) =>
    this.ask({ do: 'keep', phrase: nanoid(), body: body.trim(), about: [...about] });
  word = (phrase: string, body: string) => this.ask({ do: 'word', phrase, body: body.trim() });
  share = (phrase: string, shared: boolean) => this.ask({ do: 'share', phrase, shared });
  remove = (phrase: string) => this.ask({ do: 'remove', phrase });
  seen = () => this.put({ ...this.state, problem: null });
}

const banks = new Map<string, Bank>();
function bankOf(personId: string): Bank {
  const there = banks.get(personId) ?? new Bank();
  banks.set(personId, there);
  return there;
}

/** The phrases of whoever is signed in, and what can be done with them. */
export function usePhrases(personId: string): State & Pick<Bank, 'keep' | 'word' | 'share' | 'remove' | 'seen'> {
  const bank = bankOf(personId);
  useEffect(() => bank.load(), [bank]);
  const state = useSyncExternalStore(
    bank.subscribe,
    () => bank.state,
    () => NONE,
  );
  const { keep, word, share, remove, seen } = bank;
  return { ...state, keep, word, share, remove, seen };
}
