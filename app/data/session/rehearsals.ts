/** What rehearsals of the open site's pages saw, until something of the site changes. */
import type { Disagreement, Seen } from '~core/wiring/index.ts';
import { Emitter } from '../emitter';

export interface Rehearsed {
  /** Null where the page gave no answer. */
  seen: Seen | null;
  disagreements: Disagreement[];
}

export interface PageRehearsal {
  strands: ReadonlyMap<string, Rehearsed>;
  /** Something of the site is another since; what was seen may not hold. */
  stale: boolean;
}

const NONE: PageRehearsal = { strands: new Map(), stale: false };

export class Rehearsals {
  readonly #pages = new Map<string, PageRehearsal>();
  readonly #changed = new Emitter();

  of(page: string): PageRehearsal {
    return this.#pages.get(page) ?? NONE;
  }

  begin(page: string): void {
    this.#pages.set(page, NONE);
    this.#changed.tell();
  }

  note(page: string, strand: string, rehearsed: Rehearsed): void {
    const before = this.of(page);
    this.#pages.set(page, { ...before, strands: new Map([...before.strands, [strand, rehearsed]]) });
    this.#changed.tell();
  }

  /** Another file is another site. */
  age(): void {
    for (const [page, one] of this.#pages) this.#pages.set(page, { ...one, stale: true });
    this.#changed.tell();
  }

  watch = (tell: () => void): (() => void) => this.#changed.on(tell);
}
