import type { Database } from '../database/connection';
import type { News } from '../actions/live';

/** What happens on documents, told to those who have them or their handout open: one listener on the database, many followers. */
export class Live {
  private followers = new Map<string, Set<(news: News) => void>>();
  private stop: () => void;

  constructor(db: Database) {
    this.stop = db.listen((text) => {
      const news = JSON.parse(text) as News;
      for (const id of [news.documentId, news.handoutId])
        if (id !== undefined) for (const follower of this.followers.get(id) ?? []) follower(news);
    });
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

  close(): void {
    this.stop();
  }
}
