/** Views come from the analysis worker in pieces: each is unpacked in a task of its own, and other work comes between. */
import type { SiteView } from '~core/view/index.ts';
import type { ViewHead } from '../workers/analysis';
import { LONG_LISTS, type LongList } from '../workers/longLists';

/** Rows in a piece: some milliseconds of unpacking. */
const PIECE = 400;

/** Where views come from. */
export interface ViewSource {
  viewHead: () => Promise<ViewHead>;
  /** Null where another view was handed out since. */
  viewPart: (number: number, name: LongList, from: number, count: number) => Promise<unknown[] | null>;
}

async function readView(source: ViewSource): Promise<SiteView> {
  const { number, head, lengths } = await source.viewHead();
  const lists: Record<string, unknown[]> = {};
  for (const [n, name] of LONG_LISTS.entries()) {
    const list: unknown[] = (lists[name] = []);
    for (let from = 0; from < lengths[n]!; from += PIECE) {
      const part = await source.viewPart(number, name, from, PIECE);
      if (!part) throw new Error('Another site was opened meanwhile.');
      list.push(...part);
    }
  }
  return { ...head, ...lists };
}

/**
 * Reads views one at a time. Who asks while one is being read gets the next, together with all others who ask: a site
 * that changes faster than it can be read would otherwise be read by ever more at once.
 */
export class ViewReader {
  readonly #source: ViewSource;
  #running: Promise<unknown> | null = null;
  #next: Promise<SiteView> | null = null;

  constructor(source: ViewSource) {
    this.#source = source;
  }

  get busy(): boolean {
    return this.#running !== null;
  }

  /** A view of the site as it is now, or is when its turn comes. */
  read(): Promise<SiteView> {
    if (this.#running) return (this.#next ??= this.#running.then(() => this.#start()));
    return this.#start();
  }

  #start(): Promise<SiteView> {
    this.#next = null;
    const read = readView(this.#source);
    const ended = read.then(() => undefined, () => undefined).then(() => {
      if (this.#running === ended) this.#running = null;
    });
    this.#running = ended;
    return read;
  }
}
