/** What the database holds of a folder on disk that a site is kept in step with. */
import { below, unwaited, within, writing, type Database } from './idbSchema';
import { AgreedRecord, FolderRecord, SavingRecord } from './records';
import type { FolderStore } from './store';

const NAMES = ['folders', 'agreed', 'savings'] as const;

export function folderStore(db: Database): FolderStore {
  /** A store of a version before has nothing of folders. */
  const has = NAMES.every((name) => db.objectStoreNames.contains(name));
  return {
    readFolder: async (siteId) =>
      has ? (FolderRecord.safeParse(await within(db, 'folders').get(siteId)).data ?? null) : null,
    saveFolder: async (folder) => {
      const tx = writing(db, ['folders']);
      unwaited(tx.objectStore('folders').put(folder));
      await tx.done;
    },
    removeFolder: async (siteId) => {
      const tx = writing(db, [...NAMES]);
      unwaited(tx.objectStore('folders').delete(siteId));
      unwaited(tx.objectStore('agreed').delete(below(siteId)));
      unwaited(tx.objectStore('savings').delete(siteId));
      await tx.done;
    },
    readAgreed: async (siteId) => {
      const records = has ? await within(db, 'agreed').getAll(below(siteId)) : [];
      // What cannot be read counts as never in step: then somebody is asked.
      return new Map(records.flatMap((raw) => AgreedRecord.safeParse(raw).data ?? []).map((one) => [one.path, one]));
    },
    saveAgreed: async (siteId, agreed) => {
      const tx = writing(db, ['agreed']);
      for (const [path, one] of agreed) {
        if (one) unwaited(tx.objectStore('agreed').put({ ...one, siteId, path }));
        else unwaited(tx.objectStore('agreed').delete([siteId, path]));
      }
      await tx.done;
    },
    readSaving: async (siteId) =>
      has ? (SavingRecord.safeParse(await within(db, 'savings').get(siteId)).data ?? null) : null,
    saveSaving: async (siteId, saving) => {
      const tx = writing(db, ['savings']);
      unwaited(
        saving ? tx.objectStore('savings').put({ ...saving, siteId }) : tx.objectStore('savings').delete(siteId),
      );
      await tx.done;
    },
  };
}
