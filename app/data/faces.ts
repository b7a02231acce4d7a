/** Small pictures of a site for the list of sites. */
import { openStore } from './store/idbStore';

/** Those that are there, in the order of their hashes. */
export async function facesOf(hashes: readonly string[]): Promise<Blob[]> {
  const store = await openStore();
  const whole = await store.readBlobs(hashes);
  const small = await Promise.all(hashes.map((hash) => store.readGlance(hash)));
  return hashes.flatMap((_, n) => small[n] ?? whole[n] ?? []);
}
