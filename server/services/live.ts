import type { Database } from '../database/connection';
import type { News } from '../actions/live';

/** Milliseconds that what happened on a handout is kept, for those who loaded it before and follow it only now. */
const KEPT = 60_000;

/** What happens on documents, told to those who have them or their handout open: one listener on the database, many followers. */
export class Live {
  private followers = new Map<string, Set<(news: News) => void>>();
  /** News of handouts, the oldest first. */
  private heard: { at: number; news: News }[] = [];
  private readonly since: number;
  private stop: () => void;

  /** @param clock in milliseconds */
  constructor(
    db: Database,
    private clock = Date.now,
  ) {
    this.since = clock();
    this.stop = db.listen((text) => {
      const news = JSON.parse(text) as News;
      if (news.handoutId !== undefined) this.keep(news);
      for (const id of [news.documentId, news.handoutId])
        if (id !== undefined) for (const follower of this.followers.get(id) ?? []) follower(news);
    });
  }

  private keep(news: News): void {
    const at = this.clock();
    const first = this.heard.findIndex((one) => one.at > at - KEPT);
    this.heard.splice(0, first < 0 ? this.heard.length : first);
    this.heard.push({ at, news });
  }

  /** @param id of a document, or of a handout with all its copies */
  follow(id: string, follower: (news: News) => void): () => void {
    const all = this.followers.get(id) ?? new Set();
    this.followers.set(id, all.add(follower));
    return () => {
      all.delete(follower);
      if (all.size === 0) this.followers.delete(id);
    };
  }

  /** What happened on a handout since a time; null where that is too long ago to be known. */
  missed(handoutId: string, since: number): News[] | null {
    if (since < this.since || since < this.clock() - KEPT) return null;
    return this.heard.filter(({ at, news }) => at >= since && news.handoutId === handoutId).map(({ news }) => news);
  }

  close(): void {
    this.stop();
  }
}
