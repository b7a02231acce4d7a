/** What the store in memory holds of folders on disk that sites are kept in step with. */
import type { AgreedRecord, FolderRecord, SavingRecord } from './records';
import type { FolderStore } from './store';

/** `forget` goes with the site. */
export function memoryFolder(): FolderStore & { forget: (siteId: string) => void } {
  const folders = new Map<string, FolderRecord>();
  const agreed = new Map<string, Map<string, AgreedRecord>>();
  const savings = new Map<string, SavingRecord>();
  const soon = <T>(value: T): Promise<T> => Promise.resolve(value);
  const forget = (siteId: string) => [folders, agreed, savings].forEach((all) => all.delete(siteId));
  return {
    forget,
    readFolder: (siteId) => soon(folders.get(siteId) ?? null),
    saveFolder: (folder) => soon(void folders.set(folder.siteId, folder)),
    removeFolder: (siteId) => soon(forget(siteId)),
    readAgreed: (siteId) => soon(new Map(agreed.get(siteId))),
    saveAgreed: (siteId, more) => {
      const all = new Map(agreed.get(siteId));
      for (const [path, one] of more) {
        if (one) all.set(path, { ...one, siteId, path });
        else all.delete(path);
      }
      return soon(void agreed.set(siteId, all));
    },
    readSaving: (siteId) => soon(savings.get(siteId) ?? null),
    saveSaving: (siteId, saving) => {
      if (saving) savings.set(siteId, { ...saving, siteId });
      else savings.delete(siteId);
      return soon(undefined);
    },
  };
}
