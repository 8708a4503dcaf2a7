import { Duplex } from 'node:stream';
import type { PGlite } from '@electric-sql/pglite';
import pg from 'pg';

/** What PostgreSQL's client writes goes to the embedded database, and its answers come back: a connection without a network. */
class Wire extends Duplex {
  constructor(private pglite: PGlite) {
    super();
  }

  // What the client does with a socket.
  connect(): this {
    queueMicrotask(() => this.emit('connect'));
    return this;
  }
  setNoDelay = (): this => this;
  setKeepAlive = (): this => this;
  ref = (): this => this;
  unref = (): this => this;

  override _read() {}
  override _write(chunk: Buffer, _: BufferEncoding, done: (error?: Error | null) => void) {
    this.pass(chunk, done);
  }
  override _writev(chunks: { chunk: Buffer }[], done: (error?: Error | null) => void) {
    this.pass(Buffer.concat(chunks.map(({ chunk }) => chunk)), done);
  }

  private pass(message: Buffer, done: (error?: Error | null) => void) {
    // As a stream: taken as a whole, answers are parsed by PGlite too, and never let go of.
    const options = { syncToFs: false, onRawData: (answer: Uint8Array) => void this.push(Buffer.from(answer)) };
    this.pglite.execProtocolRawStream(message, options).then(() => done(), done);
  }
}

/** A client of the embedded database, connected. It must be given one thing to do at a time. */
export async function clientOf(pglite: PGlite): Promise<pg.Client> {
  const client = new pg.Client({ user: 'postgres', database: 'postgres', stream: () => new Wire(pglite) });
  // Whoever asked is told as well; without a listener it would end the process.
  client.on('error', (error) => console.error('the embedded database stopped:', error.message));
  await client.connect();
  return client;
}
