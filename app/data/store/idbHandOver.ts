/** What the database holds of what left to be uploaded. */
import { below, unwaited, within, writing, type Database } from './idbSchema';
import { HandOverRecord } from './records';
import { MOST_HAND_OVERS, type HandOverStore } from './store';

export function handOverStore(db: Database): HandOverStore {
  /** A store of a version before has none. */
  const has = db.objectStoreNames.contains('handOvers');
  return {
    readHandOvers: async (siteId) => {
      const records = has ? await within(db, 'handOvers').getAll(below(siteId)) : [];
      return records.flatMap((raw) => HandOverRecord.safeParse(raw).data ?? []).reverse();
    },
    saveHandOver: async (handOver) => {
      const tx = writing(db, ['handOvers']);
      const all = tx.objectStore('handOvers');
      unwaited(all.put(handOver));
      const keys = await all.getAllKeys(below(handOver.siteId));
      for (const key of keys.slice(0, -MOST_HAND_OVERS)) unwaited(all.delete(key));
      await tx.done;
    },
  };
}
