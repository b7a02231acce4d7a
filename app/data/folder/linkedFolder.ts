/**
 * The folder on disk that an open site is kept in step with: it is compared by content, what changed on one side goes
 * to the other, and what changed on both waits for somebody to choose.
 */
import {
  compareFolder,
  differs,
  goesByItself,
  takeOver,
  type FolderFile,
  type Side,
  type Taken,
} from '~core/folder/index.ts';
import { bytesOf, NOTES_FILE, refuse, sameContent, type FileContent } from '~core/site/index.ts';
import { Emitter } from '../emitter';
import { INTAKE_LOCK } from '../intake/lock';
import type { Commits } from '../session/commits';
import { diffsOf } from '../session/diffs';
import type { Jobs } from '../session/jobs';
import type { Outcome, SharedSite } from '../session/shared';
import type { FolderRecord } from '../store/records';
import type { IntakeFile } from '../intake/incoming';
import { askFor } from './access';
import { Agreement } from './agreement';
import { keepContents } from './keepContents';
import { readThere, type SeenFile } from './readThere';
import { blobOf, saveThere } from './saveThere';
import { diskSource, pickedSource, type FolderSource } from './source';
import { linkTo, reasonOf, saidOf, type FolderOptions, type FolderStanding, type Interrupted } from './standing';

interface Workers {
  commits: Commits;
  jobs: Jobs;
  /** Pictures that came in have to be looked at. */
  cameIn: () => Promise<void>;
  tell: (outcome: Outcome) => void;
}

/** ms after the last change before it is saved without being asked for. */
const PAUSE = 1000;

export class LinkedFolder {
  readonly #site: SharedSite;
  readonly #workers: Workers;
  readonly #changed = new Emitter();
  /** What is kept of it; null of a copy that was only picked to be compared. */
  #record: FolderRecord | null = null;
  #source: FolderSource | null = null;
  #standing: FolderStanding | null = null;
  readonly #agreed: Agreement;
  #there = new Map<string, SeenFile>();
  #queue: Promise<unknown> = Promise.resolve();
  #stopWatching: () => void = () => undefined;
  #pause: ReturnType<typeof setTimeout> | undefined;
  /** What was done last without being asked for. */
  #tried = '';

  constructor(site: SharedSite, workers: Workers) {
    this.#site = site;
    this.#workers = workers;
    this.#agreed = new Agreement(site);
    site.leaving.addEventListener('abort', () => this.#leave());
  }

  /** Null where the site has no folder. */
  get standing(): FolderStanding | null {
    return this.#standing;
  }

  /** Told when the standing is another; gives what ends the telling. */
  watch(watcher: () => void): () => void {
    return this.#changed.on(watcher);
  }

  /** Takes up the folder that the site had, if it may still be read. */
  async open(): Promise<void> {
    const record = await this.#site.store.readFolder(this.#site.site.id);
    if (record) await this.#begin(diskSource(record.handle), record);
  }

  async link(handle: FileSystemDirectoryHandle): Promise<Outcome> {
    const { store, site, shut } = this.#site;
    if (shut !== null) return refuse('This site is only shown here and cannot be linked to a folder.');
    this.#leave();
    await store.removeFolder(site.id);
    const record = linkTo(site.id, handle);
    await store.saveFolder(record);
    await this.#begin(diskSource(handle), record);
    return { ok: true, label: `Linked to ${handle.name}/`, diffs: [], undoable: false };
  }

  /** For browsers that link no folder: a copy that was edited elsewhere, out of a folder or of a ZIP. */
  async compareWith(name: string, files: readonly IntakeFile[]): Promise<void> {
    await this.#begin(pickedSource(name, files), null);
  }

  /** What left in a ZIP is what a copy out of it is compared with later. */
  async leftAs(files: ReadonlyMap<string, FileContent>): Promise<void> {
    if (this.#record || this.#site.shut !== null) return;
    const records = [...files].map(
      ([path, content]) => [path, { content, modified: null, size: bytesOf(content) }] as const,
    );
    await this.#site.store.saveAgreed(this.#site.site.id, new Map(records));
  }

  /** The folder stays as it is; the site forgets it. */
  async unlink(): Promise<void> {
    if (this.#record && this.#site.shut !== null) return;
    this.#leave();
    const wasLinked = this.#record !== null;
    this.#record = null;
    this.#source = null;
    this.#standing = null;
    if (wasLinked) await this.#site.store.removeFolder(this.#site.site.id);
    this.#changed.tell();
  }

  /** Asks the browser's user for the folder; only in answer to a press. */
  async allow(): Promise<void> {
    if (!this.#record) return;
    this.#show({ access: await askFor(this.#record.handle) });
    await this.compare();
  }

  async set(options: Partial<FolderOptions>): Promise<void> {
    if (!this.#record || this.#site.shut !== null) return;
    this.#record = { ...this.#record, ...options };
    await this.#site.store.saveFolder(this.#record);
    this.#show(options);
    await this.compare();
  }

  async forgetInterrupted(): Promise<void> {
    if (this.#site.shut !== null) return;
    await this.#site.store.saveSaving(this.#site.site.id, null);
    this.#show({ interrupted: null });
  }

  /** Looks at the folder anew. */
  compare(): Promise<void> {
    return this.#inTurn(() => this.#compare());
  }

  /** A change of the site: what was read of the folder stands. */
  siteChanged(): void {
    if (!this.#standing?.compared) return;
    this.#show({ files: this.#files() });
    this.#goOn();
  }

  /** Writes what was changed here alone; all of it, or some paths. */
  save(paths: ReadonlySet<string> | null = null): Promise<Outcome> {
    return this.#reasoned(async () => {
      await this.#compare();
      const files = this.#of('here', paths);
      return files.length === 0
        ? { ok: true, label: 'The folder has all of it already', diffs: [], undoable: false }
        : this.#save(files);
    });
  }

  /** Takes in what was changed there alone; all of it, or some paths. */
  takeIn(paths: ReadonlySet<string> | null = null): Promise<Outcome> {
    return this.#reasoned(async () => {
      await this.#compare();
      const files = this.#of('there', paths);
      const taken = files.map(({ path, here, there }) => ({ path, before: here, after: there }));
      return taken.length === 0
        ? { ok: true, label: 'The site has all of it already', diffs: [], undoable: false }
        : this.#take(taken);
    });
  }

  /** Of a file that both changed: whose it is to be, or the text that was put together of both. */
  choose(path: string, choice: Side | { text: string }): Promise<Outcome> {
    return this.#reasoned(async () => {
      const file = this.#standing?.files.find((one) => one.path === path);
      if (!file) return refuse(`${path} is the same on both sides by now.`);
      const after = typeof choice === 'object' ? { kind: 'text' as const, text: choice.text } : file[choice];
      const outcome: Outcome = sameContent(after, file.here)
        ? { ok: true, label: `${path}: this version is saved next`, diffs: [], undoable: false }
        : await this.#take([{ path, before: file.here, after }]);
      if (!outcome.ok) return outcome;
      // From now on the folder's version counts as known: what differs from it was done here.
      await this.#agreed.on(new Map([[path, this.#there.get(path) ?? null]]));
      this.#show({ files: this.#files() });
      return outcome;
    });
  }

  /** What a file of the folder holds, for whoever looks at both. */
  async pictureThere(path: string): Promise<Blob | null> {
    const raw = this.#there.get(path)?.raw ?? path;
    return (await this.#source?.fileAt(raw).catch(() => null)) ?? null;
  }

  async #begin(source: FolderSource, record: FolderRecord | null): Promise<void> {
    this.#leave();
    this.#record = record;
    this.#source = source;
    await this.#agreed.read();
    this.#there = new Map();
    this.#standing = {
      name: source.name,
      linked: source.root !== null,
      access: await source.access().catch(() => 'denied' as const),
      compared: false,
      files: [],
      inStep: record?.inStep ?? null,
      takesIn: record?.takesIn ?? false,
      saves: record?.saves ?? false,
      withNotes: record?.withNotes ?? false,
      trouble: null,
      interrupted: null,
      heldBack: false,
    };
    this.#changed.tell();
    this.#stopWatching = source.watch(() => void this.compare());
    await this.compare();
  }

  #leave(): void {
    clearTimeout(this.#pause);
    this.#stopWatching();
    this.#stopWatching = () => undefined;
  }

  #show(part: Partial<FolderStanding>): void {
    if (!this.#standing) return;
    this.#standing = { ...this.#standing, ...part };
    this.#changed.tell();
  }

  /** One look or one work after the other. */
  #inTurn<T>(work: () => Promise<T>): Promise<T> {
    const turn = this.#queue.then(work);
    this.#queue = turn.catch(() => undefined);
    return turn;
  }

  #reasoned(work: () => Promise<Outcome>): Promise<Outcome> {
    return this.#inTurn(work).catch((error: unknown): Outcome => refuse(reasonOf(error)));
  }

  /** The site's files as they are to stand in the folder. */
  #here(): Map<string, FileContent> {
    const files = new Map(this.#site.files);
    if (!this.#record?.withNotes) files.delete(NOTES_FILE);
    return files;
  }

  #contentsThere(): Map<string, FileContent> {
    return new Map([...this.#there].map(([path, { content }]) => [path, content]));
  }

  #files(): FolderFile[] {
    return compareFolder(this.#here(), this.#contentsThere(), this.#agreed.contents());
  }

  #of(side: Side, paths: ReadonlySet<string> | null): FolderFile[] {
    const files = this.#standing?.files ?? [];
    return files.filter((file) => differs(file) === side && (paths?.has(file.path) ?? true));
  }

  async #compare(): Promise<void> {
    const source = this.#source;
    if (!source || this.#site.leaving.aborted) return;
    const access = await source.access().catch(() => 'denied' as const);
    if (access !== 'granted') {
      this.#show({ access });
      return;
    }
    try {
      await this.#look(source);
    } catch (error) {
      if (!this.#site.leaving.aborted) this.#show({ access, trouble: reasonOf(error) });
    }
  }

  async #look(source: FolderSource): Promise<void> {
    const signal = this.#site.leaving;
    const listed = await source.list(signal);
    if (!listed.ok) {
      const named = listed.refused.slice(0, 3).map(({ path, reason }) => `${path.replace(/^folder\//, '')}: ${reason}`);
      this.#show({ access: 'granted', trouble: [listed.reason, ...named].join(' ') });
      return;
    }
    const files = new Map(listed.files);
    if (!this.#record?.withNotes) files.delete(NOTES_FILE);
    const there = await readThere(files, (path) => [this.#there.get(path), this.#agreed.at(path)], signal);
    // Another folder may have been linked meanwhile.
    if (source !== this.#source) return;
    this.#there = there;
    await this.#agreed.onSame(this.#here(), this.#there);
    const differing = this.#files();
    if (differing.length === 0) await this.#writeInStep();
    // Told once, by the first look; that may have had to wait until somebody allowed it.
    const told = this.#standing?.compared ? {} : { interrupted: await this.#interrupted() };
    this.#show({ access: 'granted', compared: true, files: differing, trouble: null, ...told });
    this.#goOn();
  }

  async #writeInStep(): Promise<void> {
    if (!this.#record || this.#site.shut !== null) return;
    this.#record = { ...this.#record, inStep: Date.now() };
    await this.#site.store.saveFolder(this.#record);
    this.#show({ inStep: this.#record.inStep });
  }

  async #save(files: readonly FolderFile[]): Promise<Outcome> {
    const { store, site, shut } = this.#site;
    const { root, name } = this.#source ?? {};
    if (!root || name === undefined) return refuse('This copy cannot be written. Link the folder to save to it.');
    if (shut !== null) return refuse('This site is only shown here; nothing was saved.');
    const stop = new AbortController();
    const show = (done: number) =>
      this.#workers.jobs.show({ says: `Saving to ${name}`, done, of: files.length, stop: () => stop.abort() });
    // Written down before the first file, so that the next opening can say how far it came.
    await store.saveSaving(site.id, {
      began: Date.now(),
      files: files.map(({ path, here, there }) => ({ path, before: there, after: here })),
    });
    try {
      const saved = await saveThere({
        root,
        files,
        seen: (path) => this.#there.get(path),
        blobOf: (content) => blobOf(store, content),
        onProgress: show,
        onSaved: async (some) => {
          for (const [path, seen] of some) {
            if (seen) this.#there.set(path, seen);
            else this.#there.delete(path);
          }
          await this.#agreed.on(some);
        },
        signal: AbortSignal.any([stop.signal, this.#site.leaving]),
      });
      await store.saveSaving(site.id, null);
      this.#show({ interrupted: null });
      return saidOf(saved, files.length, name);
    } finally {
      this.#workers.jobs.show(null);
      await this.#compare();
    }
  }

  /** One change that can be undone; contents of pictures are kept first. */
  async #take(taken: readonly Taken[]): Promise<Outcome> {
    const { store, site, files } = this.#site;
    const source = this.#source;
    if (!source) return refuse('There is no folder any more.');
    const { commits, cameIn } = this.#workers;
    const outcome = await commits.inTurn(() =>
      navigator.locks.request(INTAKE_LOCK, { mode: 'shared' }, async (): Promise<Outcome> => {
        const moved = await keepContents(store, source, taken, (path) => this.#there.get(path)?.raw ?? path);
        if (moved !== null) return refuse(`${moved} was changed in the folder meanwhile; compare again`);
        const planned = takeOver(files, taken, source.name);
        if (!planned.ok) return planned;
        const diffs = diffsOf(planned.change, files);
        return commits.commit(await store.writeChange(site.id, planned.change), diffs);
      }),
    );
    if (outcome.ok) {
      await this.#agreed.onSame(this.#here(), this.#there);
      this.#show({ files: this.#files() });
      void cameIn();
    }
    return outcome;
  }

  async #interrupted(): Promise<Interrupted | null> {
    const saving = this.#record && (await this.#site.store.readSaving(this.#site.site.id));
    if (!saving) return null;
    const now = (path: string) => this.#there.get(path)?.content ?? null;
    const are = (which: 'before' | 'after') =>
      saving.files.filter((file) => sameContent(now(file.path), file[which])).map(({ path }) => path);
    return { began: saving.began, written: are('after'), old: are('before') };
  }

  /** What is done without being asked for, where it was asked for once. */
  #goOn(): void {
    clearTimeout(this.#pause);
    const standing = this.#standing;
    if (!standing || standing.trouble !== null || standing.access !== 'granted' || this.#site.shut !== null) return;
    const changed = { here: this.#of('here', null), there: this.#of('there', null) };
    const wished = { here: standing.saves, there: standing.takesIn };
    const { from, heldBack } = goesByItself({ changed, wished, agreed: this.#agreed.size });
    if (heldBack !== standing.heldBack) this.#show({ heldBack });
    if (from === null) return;
    // What was tried once and was left as it is waits for somebody who looks at it.
    const wanted = JSON.stringify([from, changed[from]]);
    if (wanted === this.#tried) return;
    this.#tried = wanted;
    this.#pause = setTimeout(() => void this.#byItself(from), PAUSE);
  }

  async #byItself(from: Side): Promise<void> {
    const outcome = await (from === 'there' ? this.takeIn() : this.save());
    if (outcome.ok) this.#workers.tell(outcome);
    // Told once; it is tried again after the next change.
    else this.#show({ trouble: outcome.reason });
  }
}
