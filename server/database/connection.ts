/** What stores need of a database. Two kinds fill it: the embedded one and a PostgreSQL server. */

export type Row = Record<string, unknown>;
export interface Queries {
  /** Runs one statement; parameters are bound as $1, $2, … */
  query<T extends Row = Row>(sql: string, parameters?: unknown[]): Promise<T[]>;
}
export interface Database extends Queries {
  readonly kind: 'embedded' | 'server';
  /** Runs everything or nothing: an error rolls back. */
  transaction<T>(work: (queries: Queries) => Promise<T>): Promise<T>;
  /** Runs a script of several statements, without parameters; gives the rows of the last. */
  script(sql: string): Promise<Row[]>;
  /**
   * Does something with the files of the embedded database while nothing is written to them.
   * @throws Error for a server, whose files are not ours
   */
  atRest<T>(work: (directory: string) => Promise<T>): Promise<T>;
  /** Tells this to all who listen, in every process on this database. At most 7,000 letters. */
  notify(news: string): Promise<void>;
  /** Hears what is told from now on; gives how to stop. */
  listen(heard: (news: string) => void): () => void;
  close(): Promise<void>;
}

/** The program can't go on, and the message says what to do: shown without a stack. */
export class StartProblem extends Error {
  override name = 'StartProblem';
}

export const one = <T>(rows: T[]): T | undefined => rows[0];
