/** What crosses between the page and the analysis worker in pieces: each is unpacked in a task of its own, and other work comes between. */
import type { SiteView } from '~core/view/index.ts';
import type { PhotoFacts } from '~core/photo/index.ts';
import type { FileContent } from '~core/site/index.ts';
import { LONG_LISTS } from '../workers/longLists';
import { analysis } from '../workers/start';

/** Rows in a piece: some milliseconds of unpacking. */
const PIECE = 400;

/** The whole view, as it was when it was asked for. */
export async function readView(): Promise<SiteView> {
  for (;;) {
    const { number, head, lengths } = await analysis().viewHead();
    const view = { ...head } as Record<string, unknown>;
    let whole = true;
    for (const [n, name] of LONG_LISTS.entries()) {
      const list: unknown[] = [];
      for (let from = 0; whole && from < lengths[n]!; from += PIECE) {
        const part = await analysis().viewPart(number, name, from, PIECE);
        if (part) list.push(...part);
        else whole = false;
      }
      view[name] = list;
    }
    if (whole) return view as unknown as SiteView;
  }
}

/** Hands the worker a site, its facts piece by piece. */
export async function openReading(files: ReadonlyMap<string, FileContent>, facts: ReadonlyMap<string, PhotoFacts>): Promise<void> {
  await analysis().open([...files], []);
  const all = [...facts];
  for (let from = 0; from < all.length; from += PIECE) await analysis().update([], all.slice(from, from + PIECE));
}
