/** How long work may go on before others get a turn, in milliseconds. */
const TURN = 12;

/** Long work on the main thread in pieces: asked after each, it lets others in when the time is up. */
export class Turn {
  private began = performance.now();
  async end(): Promise<void> {
    if (performance.now() - this.began < TURN) return;
    await new Promise(setImmediate);
    this.began = performance.now();
  }
}
