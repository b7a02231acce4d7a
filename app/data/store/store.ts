/**
 * The store as the rest of the program knows it. Every change of a site is one transaction with its journal entry, so
 * that a crash leaves all of it or none. What implements it is a file of its own beside this one.
 */
import type { PhotoFacts } from '~core/photo/index.ts';
import type { Change, FileContent, Result } from '~core/site/index.ts';
import type { PictureAnalysis } from '../../workers/pictures';
import type {
  AgreedRecord,
  FolderRecord,
  HandOverRecord,
  JournalRecord,
  QueueRecord,
  SavingRecord,
  SiteRecord,
  TypingRecord,
} from './records';
import type { SetAside } from './setAside';

export type Files = ReadonlyMap<string, FileContent>;

/** A change that is written: the site after it, and what each file that it touched holds now (null: it is gone). */
export type Written = Result<{ site: SiteRecord; files: Map<string, FileContent | null>; change: Change }>;

/**
 * Why a store is not there any more: the browser closed it (it was cleared, or a disk is full; nobody can tell which), or
 * a newer version of the program took it over.
 */
export type Gone = 'closed' | 'taken over';

/** What is known of a folder on disk that a site is kept in step with. */
export interface FolderStore {
  readFolder: (siteId: string) => Promise<FolderRecord | null>;
  saveFolder: (folder: FolderRecord) => Promise<void>;
  /** With all that was known of it; the folder itself stays as it is. */
  removeFolder: (siteId: string) => Promise<void>;
  /** What was the same on both sides, by paths. */
  readAgreed: (siteId: string) => Promise<Map<string, AgreedRecord>>;
  /** Null where neither side has the file any more. */
  saveAgreed: (
    siteId: string,
    agreed: ReadonlyMap<string, Omit<AgreedRecord, 'siteId' | 'path'> | null>,
  ) => Promise<void>;
  /** A saving that was begun and has not ended. */
  readSaving: (siteId: string) => Promise<SavingRecord | null>;
  /** Null ends it. */
  saveSaving: (siteId: string, saving: Omit<SavingRecord, 'siteId'> | null) => Promise<void>;
}

/** What left to be uploaded, so that the next time only what has changed since need be. */
export interface HandOverStore {
  /** The latest first, without those that cannot be read. */
  readHandOvers: (siteId: string) => Promise<HandOverRecord[]>;
  /** The oldest beyond {@link MOST_HAND_OVERS} of its site goes. */
  saveHandOver: (handOver: HandOverRecord) => Promise<void>;
}

/** So many of a site are kept (our own value, no source). */
export const MOST_HAND_OVERS = 12;

export interface Store extends FolderStore, HandOverStore {
  /** A newer version of the program wrote it: what can be read is shown, and nothing is written. */
  readonly newer: boolean;
  /** Told when the store goes away; at once where it has. Gives what ends the telling. */
  onGone: (tell: (why: Gone) => void) => () => void;

  /** The latest changed first; a record of which not everything can be read stands with what can be. */
  listSites: () => Promise<SiteRecord[]>;
  readSite: (siteId: string) => Promise<SiteRecord | null>;
  /** A whole new site in one transaction. */
  addSite: (site: SiteRecord, files: Files) => Promise<void>;
  /** With its files, its journal and its queue; contents stay until they are swept. */
  removeSite: (siteId: string) => Promise<void>;
  renameSite: (siteId: string, name: string) => Promise<void>;
  saveGlance: (siteId: string, glance: SiteRecord['glance']) => Promise<void>;
  /** Whether pages of the site may ask for outside addresses while they are previewed. */
  allowOutside: (siteId: string, allowed: boolean) => Promise<void>;

  /** Without those that cannot be read. */
  readFiles: (siteId: string) => Promise<Map<string, FileContent>>;
  readFile: (siteId: string, path: string) => Promise<FileContent | null>;
  /** Everything of a site that cannot be read, also what was put aside when something else took its place. */
  readAside: (siteId: string) => Promise<SetAside[]>;

  /** Applies a change to a site's files and writes it into the journal. What was undone before is given up. */
  writeChange: (siteId: string, change: Change) => Promise<Written>;
  /** Takes the last change back, or puts the next one in force again. */
  stepJournal: (siteId: string, way: 'undo' | 'redo') => Promise<Written>;
  /** The oldest first, without those that cannot be read; `from` and `to` are numbers of entries, both included. */
  readJournal: (siteId: string, range?: { from: number; to: number }) => Promise<JournalRecord[]>;
  /**
   * Names the state after an entry, or the site as it was at first (0); null takes the name away. False where it is
   * gone.
   */
  nameEntry: (siteId: string, number: number, name: string | null) => Promise<boolean>;

  /**
   * Contents are addressed by their hashes and go in first; until a file names one, it is nobody's and may be swept.
   */
  saveBlobs: (blobs: ReadonlyMap<string, Blob>) => Promise<void>;
  /** In the order of the hashes. */
  readBlobs: (hashes: readonly string[]) => Promise<(Blob | undefined)[]>;
  /** Takes away what no file, journal entry or queue of any site names; gives how many contents those were. */
  sweepBlobs: () => Promise<number>;

  /** What was learnt of pictures, by their hashes; it can be learnt again at any time. */
  saveAnalyses: (analyses: ReadonlyMap<string, PictureAnalysis>) => Promise<void>;
  readFacts: (hashes: Iterable<string>) => Promise<Map<string, PhotoFacts>>;
  /** A small copy for lists. */
  readGlance: (hash: string) => Promise<Blob | undefined>;

  readQueue: (siteId: string) => Promise<QueueRecord | null>;
  saveQueue: (queue: QueueRecord) => Promise<void>;
  removeQueue: (siteId: string) => Promise<void>;

  /** Without those that cannot be read. */
  readTyping: (siteId: string) => Promise<TypingRecord[]>;
  /** In place of what was kept of the file. */
  saveTyping: (typing: TypingRecord) => Promise<void>;
  /** The same where the page is going: it is kept when this returns. */
  saveLastTyping: (typing: TypingRecord) => void;
  removeTyping: (siteId: string, path: string) => Promise<void>;
}
