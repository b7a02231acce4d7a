/**
 * Answers held back as long as a line would take for them. One after the other goes over it, as fast as it goes, so that
 * together they take what they would take side by side.
 */
import type { SlowLine } from '../protocol/worker.ts';

export const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** To one host, as browsers have it of HTTP/1.1 (common practice, no source). */
const CONNECTIONS = 6;

interface Taken {
  /** When each connection is free again; ms of the clock. */
  connections: number[];
  /** When the line is. */
  line: number;
}

/** More pages on slow lines at once are forgotten. */
const MOST = 8;

export class SlowLines {
  readonly #taken = new Map<string, Taken>();

  /** Until an answer of so many bytes has gone over the line that a page of that token is on. */
  async sent(token: string, bytes: number, { speed, latency }: SlowLine): Promise<void> {
    const now = performance.now();
    const taken = this.#taken.get(token) ?? { connections: new Array<number>(CONNECTIONS).fill(0), line: 0 };
    if (this.#taken.size >= MOST) this.#taken.clear();
    this.#taken.set(token, taken);
    const soonest = taken.connections.indexOf(Math.min(...taken.connections));
    const begins = Math.max(now, taken.connections[soonest] ?? 0) + latency;
    // Bytes, and kbit/s, which are bits in a ms.
    const takes = speed === null ? 0 : (bytes * 8) / speed;
    const done = Math.max(begins, taken.line) + takes;
    taken.line = done;
    taken.connections[soonest] = done;
    await pause(done - now);
  }
}
