/**
 * Which files the preview has taken, batch by batch. Who shows a page looks when it is drawn, which may be after
 * several batches: each is told to each, however late.
 */
export class TakenLog {
  /** Sent and not taken yet, in the order in which they will be. */
  readonly #sent: (readonly string[])[] = [];
  readonly #taken: (readonly string[])[] = [];

  /** Batches that were taken. */
  get count(): number {
    return this.#taken.length;
  }

  sent(paths: readonly string[]): void {
    this.#sent.push(paths);
  }

  /** The bridge has taken the batch that was sent first of those that it did not have. */
  taken(): void {
    this.#taken.push(this.#sent.shift() ?? []);
  }

  /** Paths in the batches after the first so many. */
  since(count: number): readonly string[] {
    return this.#taken.slice(count).flat();
  }

  /** The bridge was made again: what it had not taken is sent with all the rest. */
  lost(): void {
    this.#sent.length = 0;
  }

  clear(): void {
    this.lost();
    this.#taken.length = 0;
  }
}
