/** The pictures of an open site are analysed as they come: what is known is shown meanwhile. */
import { isPicturePath, type FileContent } from '~core/site/index.ts';
import type { PictureAnalysis } from '../../workers/pictures';
import { analysis, pictureWorkers } from '../../workers/start';
import type { Jobs } from './jobs';
import { analysePictures } from './analysePictures';
import type { SharedSite } from './shared';

interface Listeners {
  /** Something was learnt that no change told of. */
  outdate: () => void;
  /** Whether the screen is still busy with what was learnt before. */
  behind: () => boolean;
}

/** Nothing can be kept of what is learnt. */
const isGone = ({ shut }: SharedSite): boolean => shut === 'closed' || shut === 'taken over';

export class AnalysedPictures {
  readonly #site: SharedSite;
  readonly #jobs: Jobs;
  readonly #listeners: Listeners;
  /** Hashes of pictures that were analysed; what was seen is kept where the site is read. */
  readonly #known = new Set<string>();
  #reading: Promise<void> = Promise.resolve();
  #searching = false;

  constructor(site: SharedSite, jobs: Jobs, listeners: Listeners) {
    this.#site = site;
    this.#jobs = jobs;
    this.#listeners = listeners;
  }

  has(hash: string): boolean {
    return this.#known.has(hash);
  }

  note(hashes: Iterable<string>): void {
    for (const hash of hashes) this.#known.add(hash);
  }

  /** Saves what was seen of pictures, and tells the reading of it. */
  async learn(analyses: ReadonlyMap<string, PictureAnalysis>): Promise<void> {
    await this.#site.store.saveAnalyses(analyses);
    this.note(analyses.keys());
    await analysis().update(
      [],
      [...analyses].map(([hash, { facts }]) => [hash, facts]),
    );
  }

  /** Content that comes back by an undo has been analysed before; its facts are in the store. */
  async recall(contents: Iterable<FileContent | null>): Promise<void> {
    const hashes = [...contents].flatMap((content) => (content?.kind === 'binary' ? [content.hash] : []));
    const unknown = new Set(hashes.filter((hash) => !this.#known.has(hash)));
    if (unknown.size === 0) return;
    const known = await analysis().recall([...unknown]);
    this.note(known);
    if (known.length < unknown.size) void this.read();
  }

  /** Analyses all pictures that are new. Who asks in between waits, and finds little left. */
  read(): Promise<void> {
    return (this.#reading = this.#reading.then(() => this.#readNew()));
  }

  async #readNew(): Promise<void> {
    if (isGone(this.#site)) return;
    const unread = this.#unread();
    await analysePictures({
      unread,
      analysers: pictureWorkers().map((worker) => (blob: Blob, path: string) => worker().look(blob, path)),
      blobsOf: (hashes) => this.#site.store.readBlobs(hashes),
      learn: async (analyses, done) => {
        await this.learn(analyses);
        const more = done < unread.size;
        this.#jobs.show(more ? { says: 'Reading pictures', done, of: unread.size, stop: null } : null);
        this.#listeners.outdate();
      },
      behind: this.#listeners.behind,
      gone: () => this.#site.leaving.aborted || isGone(this.#site),
    });
  }

  /** Paths of pictures that nobody has analysed, by their hashes. */
  #unread(): Map<string, string> {
    const unread = new Map<string, string>();
    for (const [path, content] of this.#site.files) {
      if (content.kind === 'binary' && isPicturePath(path) && !this.#known.has(content.hash))
        unread.set(content.hash, path);
    }
    return unread;
  }

  /**
   * Searches for the pictures of thumbnails with unhelpful names, a few at a time, so that other work comes between.
   */
  async search(of: number): Promise<void> {
    if (this.#searching) return;
    this.#searching = true;
    for (let left = of; left > 0 && !this.#site.leaving.aborted;) {
      this.#jobs.show({ says: 'Comparing pictures', done: of - left, of, stop: null });
      left = await analysis().searchOn();
    }
    this.#searching = false;
    this.#jobs.show(null);
    this.#listeners.outdate();
  }
}
