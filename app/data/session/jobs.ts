/** The long work in hand, for the bar that shows how far it is. */
import { Emitter } from '../emitter';

export interface Job {
  says: string;
  done: number;
  of: number;
  /** Null where nothing is lost by letting it go on. */
  stop: (() => void) | null;
  /** ms that it will still take, as far as can be said. */
  left?: number;
}

export class Jobs {
  #current: Job | null = null;
  readonly #changed = new Emitter();

  get current(): Job | null {
    return this.#current;
  }

  /** Null where nothing is done any more. */
  show(job: Job | null): void {
    this.#current = job;
    this.#changed.tell();
  }

  /** Told when the job in hand goes on; gives what ends the telling. */
  watch(watcher: () => void): () => void {
    return this.#changed.on(watcher);
  }
}
