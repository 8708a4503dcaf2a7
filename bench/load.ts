import { mkdtempSync, rmSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Change } from '../core/changes/change';
import { plain } from '../core/schema/defaults';
import type { Database } from '../server/database/connection';
import { openDatabase } from '../server/database/open';
import { newId } from '../server/database/id';
import { openPictures } from '../server/art/shipped';
import { lookFor } from '../core/lookfors/all';
import { addClass, addStudent } from '../server/stores/classes';
import { copiesOf } from '../server/stores/copies';
import { handIn } from '../server/stores/goes';
import { createHandout } from '../server/stores/handing-out';
import { addPerson, addSchool } from '../server/stores/people';
import { openSession } from '../server/stores/sign-in';
import { richSheet } from '../tests/support/rich';
import type { Figure } from './measure';
import { figure, median, share } from './measure';
import { cookieOf, Served } from './server';

/**
 * 150 students who save every three seconds while their teacher reads, against the built server on loopback: the embedded
 * database, and a PostgreSQL server where BENCH_DATABASE_URL names one. LOAD_SECONDS says for how long: by default three minutes,
 * since the server's caches go on filling for the first one.
 */

const STUDENTS = 150;
/** So many more have handed in, and are read. */
const READY = 10;
const EVERY = 3000;
const SECONDS = Number(process.env.LOAD_SECONDS ?? 180);
/** Memory is looked at so often. */
const SAMPLES = 20;
const PORT = 4690;
const BASE = `http://localhost:${PORT}`;

type Client = { copyId: string; documentId: string; cookie: string; base: number };
type Prepared = { clients: Client[]; ready: string[]; teacher: string; handout: string; bare: number };

/** A school with a class that works on one handout, everybody signed in. */
async function prepared(db: Database): Promise<Prepared> {
  const schoolId = await addSchool(db, 'Load');
  const teacherId = await addPerson(db, { schoolId, role: 'teacher', name: 'T' });
  const classId = await addClass(db, { schoolId, teacherId, name: 'All' });
  for (let i = 0; i < STUDENTS + READY; i++) await addStudent(db, { schoolId, classId, name: `Student ${i}` });
  const sheet = richSheet();
  const free = {
    ...sheet,
    pages: sheet.pages.map((page) => ({
      ...page,
      items: page.items.map((item) => ({ ...item, touch: 'free' as const })),
    })),
  };
  const handout = await createHandout(
    db,
    {
      schoolId,
      teacherId,
      classId,
      sheetId: null,
      title: 'Load',
      brief: '',
      dueAt: null,
      sheet: free,
      lookFors: [lookFor({ kind: 'words', id: 'w', item: 'title', min: 10 })],
      rubric: { rows: [] },
      supplies: [],
    },
    openPictures(),
  );
  const copies = await copiesOf(db, handout);
  const done = copies.slice(STUDENTS);
  for (const copy of done) await handIn(db, copy, 0);
  const clients = await Promise.all(
    copies.slice(0, STUDENTS).map(async ({ id, documentId, studentId }) => {
      const { token } = await openSession(db, studentId, 'student');
      return { copyId: id, documentId, cookie: cookieOf(token), base: 0 };
    }),
  );
  const teacher = cookieOf((await openSession(db, teacherId, 'teacher')).token);
  const ready = done.map(({ id }) => id);
  return { clients, ready, teacher, handout, bare: await bareSave(db, schoolId, teacherId) };
}

/** The median time that a save needs in the database alone, one at a time. */
async function bareSave(db: Database, schoolId: string, authorId: string): Promise<number> {
  const id = newId();
  await db.query(`insert into document (id, school_id, snapshot) values ($1, $2, '{}')`, [id, schoolId]);
  const times: number[] = [];
  for (let i = 1; i <= 60; i++) {
    const begun = performance.now();
    await db.transaction(async (tx) => {
      await tx.query('update document set seq = $2 where id = $1', [id, i]);
      await tx.query(
        `insert into document_change (document_id, seq, batch, author_id, change) values ($1, $2, 'bare', $3, '{}')`,
        [id, i, authorId],
      );
    });
    times.push(performance.now() - begun);
  }
  return median(times);
}

const agent = new Agent({ keepAlive: true, maxSockets: 300 });
function call(method: string, place: string, cookie: string, body?: string): Promise<{ status: number; text: string }> {
  return new Promise((resolve, reject) => {
    const headers: Record<string, string> = { cookie, origin: BASE };
    if (body !== undefined)
      Object.assign(headers, { 'content-type': 'application/json', 'content-length': `${Buffer.byteLength(body)}` });
    const req = request(`${BASE}${place}`, { method, agent, headers }, (res) => {
      let text = '';
      res.on('data', (chunk: Buffer) => (text += chunk.toString()));
      res.on('end', () => resolve({ status: res.statusCode!, text }));
    });
    req.on('error', reject);
    req.end(body);
  });
}

const typed: Change = { kind: 'splice', id: 'title', at: 0, remove: 0, insert: plain('a') };
const wait = (time: number) => new Promise((resolve) => setTimeout(resolve, time));

async function underLoad(name: string, env: Record<string, string>): Promise<Figure[]> {
  const settings = { databaseUrl: env.DATABASE_URL || undefined, dataDir: env.DATA_DIR };
  const db = await openDatabase(settings);
  const { clients, ready, teacher, handout, bare } = await prepared(db);
  await db.close();
  const server = await Served.start(PORT, env);
  const times: number[] = [];
  let [errors, reads] = [0, 0];
  /** Milliseconds that a piece takes to be read. */
  const readOne = async (i: number) => {
    const begun = performance.now();
    const answer = await call('GET', `/handouts/${handout}/reading/${ready[i % READY]}.data`, teacher).catch(
      () => null,
    );
    if (answer?.status === 200) reads++;
    else errors++;
    return performance.now() - begun;
  };
  const [alone, among]: [number[], number[]] = [[], []];
  try {
    for (let i = -2 * READY; i < 4 * READY; i++) {
      const took = await readOne(i + 2 * READY);
      if (i >= 0) alone.push(took);
    }
    const end = Date.now() + SECONDS * 1000;
    const student = async (client: Client, i: number) => {
      await wait((i / STUDENTS) * EVERY);
      while (Date.now() < end) {
        const begun = performance.now();
        const batch = `load-${i}-${client.base}`;
        const answer = await call(
          'POST',
          `/documents/${client.documentId}/changes`,
          client.cookie,
          JSON.stringify({ base: client.base, batch, changes: [typed] }),
        ).catch(() => null);
        const took = performance.now() - begun;
        const told = answer?.status === 200 ? (JSON.parse(answer.text) as { outcome: string; seq: number }) : null;
        if (told?.outcome === 'saved') {
          times.push(took);
          client.base = told.seq;
        } else errors++;
        await wait(Math.max(0, EVERY - took));
      }
    };
    const reading = async () => {
      for (let i = 0; Date.now() < end; i++) {
        for (const place of [`/handouts/${handout}.data`, `/copies/${clients[i % STUDENTS].copyId}/picture.svg`]) {
          const answer = await call('GET', place, teacher).catch(() => null);
          if (answer?.status === 200) reads++;
          else errors++;
        }
        for (let k = 0; k < 4; k++) {
          await wait(500);
          among.push(await readOne(4 * i + k));
        }
      }
    };
    // Caches fill, and garbage collection takes its time. What counts is that memory stops growing.
    const course: number[] = [];
    const measured = (async () => {
      for (let i = 0; i < SAMPLES; i++) {
        await wait(Math.max(0, end - SECONDS * (1 - (i + 1) / SAMPLES) * 1000 - 500 - Date.now()));
        course.push(server.memory);
      }
    })();
    await Promise.all([...clients.map(student), reading(), measured]);
    console.error(
      `  ${name}: ${times.length} saves, ${reads} spreads and pieces read, ${errors} errors, worst ${Math.max(...times).toFixed(0)} ms; ${course.map((n) => n.toFixed(0)).join(' ')} MB`,
    );
    return [
      figure(`${name}, 150 saving: median, against the bare SQL alone`, median(times), bare, 12),
      figure(`${name}, 150 saving: 95%, against 100 ms`, share(times, 0.95), 100, 1),
      figure(`${name}, 150 saving: 99.9%, against 500 ms`, share(times, 0.999), 500, 1),
      figure(
        `${name}, 150 saving: memory in the last quarter, against the second`,
        median(course.slice(-SAMPLES / 4)),
        median(course.slice(SAMPLES / 4, SAMPLES / 2)),
        1.1,
        'MB',
      ),
      figure(`${name}, 150 saving: reading a piece, against alone`, median(among), median(alone), 2),
      figure(`${name}, 150 saving: errors and one, against one`, errors + 1, 1, 1, ''),
    ];
  } finally {
    await server.stop();
  }
}

export async function run(): Promise<Figure[]> {
  const out: Figure[] = [];
  const kinds: [string, Record<string, string>][] = [['embedded', { DATABASE_URL: '' }]];
  const url = process.env.BENCH_DATABASE_URL;
  if (url) kinds.push(['PostgreSQL server', { DATABASE_URL: url }]);
  for (const [name, env] of kinds) {
    const folder = mkdtempSync(path.join(tmpdir(), 'dappled-load-'));
    try {
      out.push(...(await underLoad(name, { ...env, DATA_DIR: folder })));
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  }
  return out;
}
