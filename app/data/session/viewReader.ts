/**
 * Views come from the analysis worker in pieces: each is unpacked in a task of its own, and other work comes between.
 * What has not changed stays the very same.
 */
import type { SiteView } from '~core/view/index.ts';
import type { ViewHead } from '../../workers/analysis';
import { LONG_LISTS, PIECE, type LongList } from '../../workers/longLists';

/** Where views come from. */
export interface ViewSource {
  /** `known` is the number of the view that the asker has; null where it has none. */
  viewHead: (known: number | null) => Promise<ViewHead>;
  /** Null where another view was handed out since. */
  viewPart: (number: number, name: LongList, piece: number) => Promise<unknown[] | null>;
}

interface KnownView {
  number: number;
  view: SiteView;
}

async function readView(source: ViewSource, last: KnownView | null): Promise<KnownView> {
  const { number, head, lengths, same } = await source.viewHead(last?.number ?? null);
  const lists: Record<string, unknown[]> = {};
  for (const [n, name] of LONG_LISTS.entries()) {
    const unchanged = same[n] ?? [];
    const before: unknown[] = last?.view[name] ?? [];
    if (before.length === lengths[n] && unchanged.every(Boolean)) {
      lists[name] = before;
      continue;
    }
    const list: unknown[] = (lists[name] = []);
    for (const [piece, kept] of unchanged.entries()) {
      const part = kept ? before.slice(piece * PIECE, (piece + 1) * PIECE) : await source.viewPart(number, name, piece);
      if (!part) throw new Error('Another site was opened meanwhile.');
      list.push(...part);
    }
  }
  return { number, view: { ...head, ...lists } };
}

/**
 * Reads views one at a time. Who asks while one is being read gets the next, together with all others who ask: a site
 * that changes faster than it can be read would otherwise be read by ever more at once.
 */
export class ViewReader {
  readonly #source: ViewSource;
  #running: Promise<unknown> | null = null;
  #next: Promise<SiteView> | null = null;
  #last: KnownView | null = null;

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
    const read = readView(this.#source, this.#last).then((known) => {
      this.#last = known;
      return known.view;
    });
    const ended = read
      .then(
        () => undefined,
        () => undefined,
      )
      .then(() => {
        if (this.#running === ended) this.#running = null;
      });
    this.#running = ended;
    return read;
  }
}
