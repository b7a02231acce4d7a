/** What a site and its folder held when they were last in step, in memory and in the store. */
import { inStep } from '~core/folder/index.ts';
import { sameContent, type FileContent } from '~core/site/index.ts';
import type { SharedSite } from '../session/shared';
import type { AgreedRecord } from '../store/records';
import type { SeenFile } from './readThere';

export class Agreement {
  readonly #site: SharedSite;
  #agreed = new Map<string, AgreedRecord>();

  constructor(site: SharedSite) {
    this.#site = site;
  }

  async read(): Promise<void> {
    this.#agreed = await this.#site.store.readAgreed(this.#site.site.id);
  }

  get size(): number {
    return this.#agreed.size;
  }

  at(path: string): AgreedRecord | undefined {
    return this.#agreed.get(path);
  }

  contents(): Map<string, FileContent> {
    return new Map([...this.#agreed].map(([path, { content }]) => [path, content]));
  }

  /** What is the same on both sides is in step, whoever made it so. */
  async onSame(here: ReadonlyMap<string, FileContent>, there: ReadonlyMap<string, SeenFile>): Promise<void> {
    const contents = new Map([...there].map(([path, { content }]) => [path, content]));
    const same = inStep(here, contents, this.contents());
    const news = [...same.keys()].flatMap((path): [string, SeenFile | null][] => {
      const [now, known] = [there.get(path), this.#agreed.get(path)];
      const isKnown = known && now ? known.modified === now.modified && sameContent(known.content, now.content) : false;
      return isKnown ? [] : [[path, now ?? null]];
    });
    if (news.length > 0) await this.on(new Map(news));
  }

  /** Null where neither side has the file any more. A tab that only shows the site keeps it for itself. */
  async on(files: ReadonlyMap<string, SeenFile | null>): Promise<void> {
    const { store, site, shut } = this.#site;
    const records = new Map(
      [...files].map(([path, seen]) => {
        const { content, modified, size } = seen ?? {};
        return [path, content && modified !== undefined && size !== undefined ? { content, modified, size } : null];
      }),
    );
    if (shut === null) await store.saveAgreed(site.id, records);
    for (const [path, record] of records) {
      if (record) this.#agreed.set(path, { ...record, siteId: site.id, path });
      else this.#agreed.delete(path);
    }
  }
}
