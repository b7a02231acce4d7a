/** Tells, once, that a store is not there any more. */
import type { Gone } from './store';

export class GoneTeller {
  #why: Gone | null = null;
  readonly #listeners = new Set<(why: Gone) => void>();

  on(tell: (why: Gone) => void): () => void {
    if (this.#why !== null) tell(this.#why);
    this.#listeners.add(tell);
    return () => this.#listeners.delete(tell);
  }

  tell(why: Gone): void {
    if (this.#why !== null) return;
    this.#why = why;
    for (const listener of this.#listeners) listener(why);
  }
}
