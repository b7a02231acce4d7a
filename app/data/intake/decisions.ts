/** What was decided of pictures before, here or in another site of the shelf: pictures that come in again stay paired. */
import { NOTES_FILE, notesIn, type FileContent, type PairDecision } from '~core/site/index.ts';
import type { Store } from '../store/store';

/** What was decided by hand in all sites, the latest changed first. */
async function decisionsOfAll(store: Store): Promise<PairDecision[]> {
  const sites = await store.listSites();
  const notes = await Promise.all(sites.map(({ id }) => store.readFile(id, NOTES_FILE)));
  return notes.flatMap((content) => (content ? notesIn(new Map([[NOTES_FILE, content]])).decisions : []));
}

/** `own` stand in what comes in, and go before what is known. */
export async function decisionsFor(
  store: Store,
  contents: ReadonlyMap<string, FileContent>,
  own: readonly PairDecision[],
): Promise<PairDecision[]> {
  const hashes = new Set(
    [...contents.values()].flatMap((content) => (content.kind === 'binary' ? [content.hash] : [])),
  );
  const known = new Map(own.map((one) => [`${one.small} ${one.large}`, one]));
  for (const one of await decisionsOfAll(store)) {
    const key = `${one.small} ${one.large}`;
    if (!known.has(key) && hashes.has(one.small) && hashes.has(one.large)) known.set(key, one);
  }
  return [...known.values()];
}
