import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream, renameSync, rmSync } from 'node:fs';
import path from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import type { Database, Queries } from '../database/connection';
import { StartProblem } from '../database/connection';
import { force } from '../database/syncing-fs';
import { TABLES } from './tables';

/**
 * A backup: one gzipped file of JSON lines, the same for both kinds of database. First a head, then for each table its columns
 * and its rows, every value as the text that PostgreSQL writes it in; at the end how many rows there are, and a hash of all
 * before. One that was cut short or damaged is told.
 */

export const FORMAT = 'dappled-margin-backup';
export const FORMAT_VERSION = 1;
export type Head = { format: string; version: number; migration: number; at: string };
export type End = { end: true; rows: Record<string, number>; sha256: string };
export type Column = { name: string; type: string };

export const rowsIn = ({ rows }: End): number => Object.values(rows).reduce((sum, count) => sum + count, 0);
/** The report of a finished backup. */
export const savedAs = (file: string, end: End): string => `${file}: ${rowsIn(end)} rows, read again and whole.`;

const PORTION = 200;

export const columnsOf = (db: Queries, table: string): Promise<Column[]> =>
  db.query<Column>(
    `select column_name as name, udt_name as type from information_schema.columns
     where table_schema = 'public' and table_name = $1 order by ordinal_position`,
    [table],
  );

async function* lines(db: Queries): AsyncGenerator<string> {
  const hash = createHash('sha256');
  const line = (value: unknown) => {
    const text = `${JSON.stringify(value)}\n`;
    hash.update(text);
    return text;
  };
  const [{ number }] = await db.query<{ number: number }>('select max(number)::int as number from migration');
  const at = new Date().toISOString();
  yield line({ format: FORMAT, version: FORMAT_VERSION, migration: number, at } satisfies Head);
  const rows: Record<string, number> = {};
  for (const table of TABLES) {
    const columns = await columnsOf(db, table);
    yield line({ table, columns });
    rows[table] = 0;
    const values = columns.map(({ name }) => `"${name}"::text`).join(', ');
    await db.query(`declare portion no scroll cursor for select json_build_array(${values}) as row from "${table}"`);
    for (;;) {
      const portion = await db.query<{ row: (string | null)[] }>(`fetch ${PORTION} from portion`);
      for (const { row } of portion) yield line(row);
      rows[table] += portion.length;
      if (portion.length < PORTION) break;
    }
    await db.query('close portion');
  }
  yield `${JSON.stringify({ end: true, rows, sha256: hash.digest('hex') } satisfies End)}\n`;
}

/**
 * Writes a backup of a database as it is at one moment, and reads it again before it gets its name.
 * @throws Error when it could not be written whole
 */
export async function writeBackup(db: Database, file: string): Promise<End> {
  const part = `${file}.part`;
  try {
    await db.transaction(async (tx) => {
      if (db.kind === 'server') await tx.query('set transaction isolation level repeatable read, read only');
      await pipeline(Readable.from(lines(tx)), createGzip(), createWriteStream(part, { mode: 0o600 }));
    });
    force(part);
    const end = await readBackup(part, {});
    renameSync(part, file);
    force(path.dirname(path.resolve(file)));
    return end;
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  }
}

export type Reader = {
  head?(head: Head): Promise<void>;
  table?(table: string, columns: Column[]): Promise<void>;
  rows?(rows: (string | null)[][]): Promise<void>;
};

/**
 * Reads a backup from its head to its end.
 * @throws StartProblem when it is none, is of a newer program, or is not whole
 */
export async function readBackup(file: string, reader: Reader): Promise<End> {
  const hash = createHash('sha256');
  const counted: Record<string, number> = {};
  const seen: { table: string; end?: End; first: boolean; problem?: unknown } = { table: '', first: true };
  let portion: (string | null)[][] = [];
  const flush = async () => {
    if (portion.length > 0) await reader.rows?.(portion);
    portion = [];
  };
  const take = async (text: string) => {
    const value = JSON.parse(text) as Head | End | { table: string; columns: Column[] } | (string | null)[];
    if (Array.isArray(value)) {
      counted[seen.table]++;
      portion.push(value);
      if (portion.length >= PORTION) await flush();
    } else if ('end' in value) seen.end = value;
    else if ('table' in value) {
      await flush();
      ({ table: seen.table } = value);
      counted[seen.table] = 0;
      await reader.table?.(seen.table, value.columns);
    } else {
      checkHead(value);
      await reader.head?.(value);
    }
    if (seen.first && !('format' in (value as object)))
      throw new StartProblem('This file is not a backup of Dappled Margin.');
    seen.first = false;
    if (!seen.end) hash.update(`${text}\n`);
  };
  try {
    await pipeline(createReadStream(file), createGunzip(), async (source: AsyncIterable<Buffer>) => {
      try {
        for await (const text of linesOf(source)) await take(text);
        await flush();
      } catch (error) {
        // The pipeline would tell that it was ended, and not by what.
        seen.problem ??= error;
        throw error;
      }
    });
  } catch (ended) {
    const error = seen.problem ?? ended;
    if (error instanceof StartProblem || !isOfFile(error)) throw error;
    throw new StartProblem(`${file} can’t be read as a backup: ${(error as Error).message}`);
  }
  const { end } = seen;
  const whole = end && end.sha256 === hash.digest('hex') && JSON.stringify(counted) === JSON.stringify(end.rows);
  if (!end || !whole) throw new StartProblem(`${file} is not whole: it was cut short or damaged. Use another backup.`);
  return end;
}

function checkHead({ format, version }: Head): void {
  if (format !== FORMAT) throw new StartProblem('This file is not a backup of Dappled Margin.');
  if (version > FORMAT_VERSION)
    throw new StartProblem('This backup was made by a newer version of Dappled Margin. Use that one to restore it.');
}

async function* linesOf(source: AsyncIterable<Buffer>): AsyncGenerator<string> {
  const decoder = new TextDecoder();
  let rest = '';
  for await (const chunk of source) {
    const parts = (rest + decoder.decode(chunk, { stream: true })).split('\n');
    rest = parts.pop()!;
    yield* parts;
  }
  if (rest) yield rest;
}

/** Trouble with the file itself, not with where its rows go. */
const isOfFile = (error: unknown) =>
  error instanceof SyntaxError || /^(Z_|ENOENT|EACCES|EISDIR|ERR_)/.test((error as NodeJS.ErrnoException).code ?? '');
