/** Small pictures of a site for the list of sites. */
import { openStore } from './store/idbStore';
import { readSmall } from './store/readSmall';

/** Those that are there, in the order of their hashes. */
export async function facesOf(hashes: readonly string[]): Promise<Blob[]> {
  const store = await openStore();
  const found = await Promise.all(hashes.map((hash) => readSmall(store, hash)));
  return found.flatMap((blob) => blob ?? []);
}
