import type { Store } from './store';

/** A small copy of a picture, or the picture itself where that is small; null where neither is there. */
export async function readSmall(store: Store, hash: string): Promise<Blob | null> {
  return (await store.readGlance(hash)) ?? (await store.readBlobs([hash]))[0] ?? null;
}
