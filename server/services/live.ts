import type { Database } from '../database/connection';
import type { News } from '../actions/live';

/** What happens on documents, told to those who have them open: one listener on the database, many followers. */
export class Live {
  private followers = new Map<string, Set<(news: News) => void>>();
  private stop: () => void;

  constructor(db: Database) {
    this.stop = db.listen((text) => {
      const news = JSON.parse(text) as News;
      for (const follower of this.followers.get(news.documentId) ?? []) follower(news);
    });
  }

  follow(documentId: string, follower: (news: News) => void): () => void {
    const all = this.followers.get(documentId) ?? new Set();
    this.followers.set(documentId, all.add(follower));
    return () => {
      all.delete(follower);
      if (all.size === 0) this.followers.delete(documentId);
    };
  }

  close(): void {
    this.stop();
  }
}
