/** What left of the open site to be uploaded, and when: so that the next time only what changed since need be. */
import type { Leaving } from '~core/pack/index.ts';
import { Emitter } from './emitter';
import type { SharedSite } from './session/shared';

export interface HandOver {
  /** ms since 1970. */
  at: number;
  files: Leaving;
}

export class HandOvers {
  readonly #site: SharedSite;
  readonly #changed = new Emitter();
  #all: readonly HandOver[] = [];

  constructor(site: SharedSite) {
    this.#site = site;
  }

  /** The latest first; the same list until another is noted. */
  get all(): readonly HandOver[] {
    return this.#all;
  }

  /** Told when another is noted; gives what ends the telling. */
  watch = (watcher: () => void): (() => void) => this.#changed.on(watcher);

  async read(): Promise<void> {
    const records = await this.#site.store.readHandOvers(this.#site.site.id);
    this.#all = records.map(({ at, files }) => ({
      at,
      files: new Map(files.map(({ path, content, withPlace }) => [path, { content, withPlace }])),
    }));
    this.#changed.tell();
  }

  /** What the host holds once what left is uploaded. A tab that only shows the site notes nothing. */
  async note(files: Leaving): Promise<void> {
    const { store, site, shut } = this.#site;
    if (shut !== null) return;
    const all = [...files].map(([path, file]) => ({ path, ...file }));
    await store.saveHandOver({ siteId: site.id, at: Date.now(), files: all });
    await this.read();
  }
}
