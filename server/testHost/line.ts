/** A slow line that all connections to one part of the host share. */
import { Transform, type TransformCallback } from 'node:stream';
import { setTimeout as sleep } from 'node:timers/promises';

/** Bytes that go at once: so few that a slow line is slow within a file, too. */
const PIECE = 4096;

export class Line {
  /** When what was sent until now has gone through; ms of the machine's clock. */
  #free = 0;
  readonly #speed: () => number | null;

  /** @param speed gives kbit/s, null for no limit; it is asked each time. */
  constructor(speed: () => number | null) {
    this.#speed = speed;
  }

  /** Until so many bytes have gone through. */
  async pass(bytes: number): Promise<void> {
    const speed = this.#speed();
    if (speed === null) return;
    const now = performance.now();
    // 1 kbit/s is a bit each millisecond.
    this.#free = Math.max(this.#free, now) + (bytes * 8) / speed;
    await sleep(this.#free - now);
  }

  /** What is piped through goes as fast as the line. */
  stream(): Transform {
    const through = async (chunk: Buffer, done: TransformCallback, push: (piece: Buffer) => void) => {
      try {
        for (let at = 0; at < chunk.length; at += PIECE) {
          const piece = chunk.subarray(at, at + PIECE);
          await this.pass(piece.length);
          push(piece);
        }
        done();
      } catch (error) {
        done(error instanceof Error ? error : new Error(String(error)));
      }
    };
    return new Transform({
      transform(chunk: Buffer, _encoding, done) {
        void through(chunk, done, (piece) => void this.push(piece));
      },
    });
  }
}
