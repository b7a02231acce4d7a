/**
 * One open site: its files in memory, its reading in the analysis worker, and the way by which every change goes:
 * planned in the worker, written in one transaction, then shown. Changes are done one after the other.
 */
import type { Tie } from '~core/markup/index.ts';
import type { PictureTask } from '~core/model/index.ts';
import { DEFAULT_RECIPE, Recipe } from '~core/photo/index.ts';
import type { Intent, MadeFile, UnitChoice } from '~core/plans/index.ts';
import { type FileContent, isPicturePath, notesIn, refuse, type Result } from '~core/site/index.ts';
import type { LayoutView, SiteView } from '~core/view/index.ts';
import type { Draft, Prediction } from '~core/wiring/index.ts';
import { diffsOf, type FileDiff } from './diffs';
import type { PlanView } from '../workers/analysis';
import type { PictureLook } from '../workers/pictures';
import { analysis, pictureWorkers } from '../workers/start';
import { Emitter } from './emitter';
import { glanceOf, INTAKE_LOCK, keepPictures, storageReason, type IntakeFile } from './intake';
import { entryWithFiles, namePoint, readHistory, type HistoryEntry } from './history';
import { lookAtPictures } from './looking';
import { dropQueue, makePictures } from './making';
import { Rehearsals } from './rehearsals';
import { SitePictures } from './pictures';
import { takeSiteLock } from './siteLock';
import type { SiteRecord } from './records';
import {
  journalLabels,
  keepLooks,
  openStore,
  readBlobs,
  readFiles,
  readSiteRecord,
  stepJournal,
  writeChange,
  type Store,
  type Written,
} from './store';
import { ViewReader } from './view';

export interface Job {
  says: string;
  done: number;
  of: number;
  /** Null where nothing is lost by letting it go on. */
  stop: (() => void) | null;
  /** ms that it will still take, as far as can be said. */
  left?: number;
}

export type Outcome = Result<{
  label: string;
  diffs: FileDiff[];
  /** Not by undoing the last change. */ undoable?: false;
}>;

export interface Snapshot {
  site: SiteRecord;
  files: ReadonlyMap<string, FileContent>;
  view: SiteView;
  undo: string | null;
  redo: string | null;
  readOnly: boolean;
}

export class SiteSession {
  readonly files: Map<string, FileContent>;
  site: SiteRecord;
  readOnly = true;
  job: Job | null = null;
  readonly pictures: SitePictures;
  readonly rehearsals = new Rehearsals();
  readonly #db: Store;
  readonly #views = new ViewReader(analysis());
  readonly #leaving = new AbortController();
  /** Hashes of pictures that were looked at; what was seen is kept where the site is read. */
  readonly #looked = new Set<string>();
  readonly #jobs = new Emitter();
  readonly #changed = new Emitter<[files: ReadonlyMap<string, FileContent | null>]>();
  readonly #stale = new Emitter();
  readonly #done = new Emitter<[outcome: Outcome]>();
  #queue: Promise<unknown> = Promise.resolve();
  #reading: Promise<void> = Promise.resolve();
  #release: () => void = () => undefined;
  #searching = false;
  /** Counts what may make a snapshot old. */
  #version = 0;
  #shown = -1;

  private constructor(db: Store, site: SiteRecord, files: Map<string, FileContent>) {
    this.#db = db;
    this.site = site;
    this.files = files;
    this.pictures = new SitePictures(db, files, (hash) => this.#looked.has(hash));
    this.#changed.on(() => this.rehearsals.age());
  }

  static async open(siteId: string): Promise<SiteSession | null> {
    const db = await openStore();
    const site = await readSiteRecord(db, siteId);
    if (!site) return null;
    const files = await readFiles(db, siteId);
    const session = new SiteSession(db, site, files);
    await session.#takeLock();
    session.#note(await analysis().open([...files]));
    void session.#readPictures().then(() => session.#resume());
    return session;
  }

  async #takeLock(): Promise<void> {
    const { granted, release } = await takeSiteLock(this.site.id, this.#leaving.signal, async () => {
      // The other tab has written meanwhile: begin anew from the store.
      this.readOnly = false;
      await this.#reload();
      void this.#resume();
    });
    this.readOnly = !granted;
    this.#release = release;
  }

  async #reload(): Promise<void> {
    const site = await readSiteRecord(this.#db, this.site.id);
    if (!site) return;
    this.site = site;
    const fresh = await readFiles(this.#db, site.id);
    const gone = [...this.files.keys()].filter((path) => !fresh.has(path));
    this.files.clear();
    for (const [path, content] of fresh) this.files.set(path, content);
    this.#note(await analysis().open([...fresh]));
    this.#changed.tell(new Map([...fresh, ...gone.map((path): [string, null] => [path, null])]));
    this.#goStale();
  }

  close(): void {
    this.#leaving.abort();
    this.#release();
    this.pictures.release();
  }

  /** Told when work that was not asked for through an action has made the last snapshot old. */
  onStale(stale: () => void): () => void {
    return this.#stale.on(stale);
  }

  /** Whether the last snapshot still tells the truth. */
  get fresh(): boolean {
    return this.#shown === this.#version;
  }

  #goStale(): void {
    this.#version++;
    this.#stale.tell();
  }

  /** Told when the job in hand goes on. */
  watch(watcher: () => void): () => void {
    return this.#jobs.on(watcher);
  }

  /** Told which files changed, for the preview. */
  onFiles(changed: (files: ReadonlyMap<string, FileContent | null>) => void): () => void {
    return this.#changed.on(changed);
  }

  async snapshot(): Promise<Snapshot> {
    const version = this.#version;
    const view = await this.#views.read();
    const { undo, redo } = await journalLabels(this.#db, this.site);
    await this.#noteGlance(view);
    if (view.unsearched > 0) void this.#searchOn(view.unsearched);
    this.#shown = version;
    return { site: this.site, files: new Map(this.files), view, undo, redo, readOnly: this.readOnly };
  }

  /** The element of a page at an offset of its source, or at child numbers of its tree; null where there is none to show. */
  tie(page: string, at: number | number[]): Promise<Tie | null> {
    return analysis().tie(page, at);
  }

  /** What could be an item around the picture at an offset of a page's source. */
  unitChoices(page: string, at: number): Promise<UnitChoice[]> {
    return analysis().unitChoices(page, at);
  }

  /** How a gallery is laid out in a window up to `at` CSS px wide, or in a wide one. */
  layout(page: string, gallery: number, at: number | null): Promise<LayoutView | null> {
    return analysis().layout(page, gallery, at);
  }

  draftKit(name: string, texts: Record<string, string>): Promise<Draft> {
    return analysis().draftKit(name, texts);
  }

  predictions(page: string): Promise<[string, Prediction][]> {
    return analysis().predictions(page);
  }

  plan(intent: Intent): Promise<PlanView> {
    return analysis().plan(intent);
  }

  do(intent: Intent): Promise<Outcome> {
    return this.#inTurn(async () => {
      const planned = await this.plan(intent);
      if (!planned.ok) return planned;
      // What is asked for twice (by Enter and by leaving the field) is done once, and leaves one entry to undo.
      if (planned.change.files.every((file) => file.kind === 'edit' && file.edits.length === 0))
        return { ok: true, label: planned.change.label, diffs: [] };
      return this.#take(await writeChange(this.#db, this.site.id, planned.change), planned.diffs);
    });
  }

  step(way: 'undo' | 'redo'): Promise<Outcome> {
    return this.#inTurn(async () =>
      this.#take(await stepJournal(this.#db, this.site.id, way), [], way === 'undo' ? 'Undone' : 'Done again'),
    );
  }

  history(): Promise<HistoryEntry[]> {
    return readHistory(this.#db, this.site);
  }

  /** What an entry of the journal did, file by file; null where it is no longer there. */
  async diffsAt(number: number): Promise<FileDiff[] | null> {
    const found = await entryWithFiles(this.#db, this.site, number, this.files);
    return found && diffsOf(found.change, found.before);
  }

  /** Goes back, or forth again, to the state after an entry; each step is whole, so that a crash on the way leaves a state that was. */
  goTo(number: number): Promise<Outcome> {
    return this.#inTurn(async () => {
      const all = await readHistory(this.#db, this.site);
      const target = all.find((entry) => entry.number === number);
      if (!target) return refuse('This point of the history is no longer there.');
      while (this.site.head !== number) {
        const outcome = await this.#take(
          await stepJournal(this.#db, this.site.id, this.site.head > number ? 'undo' : 'redo'),
          [],
        );
        if (!outcome.ok) return outcome;
      }
      return { ok: true, label: `Gone to: ${target.name ?? target.label}`, diffs: [], undoable: false };
    });
  }

  /** Names a point, or with null takes its name away. */
  namePoint(number: number, name: string | null): Promise<Outcome> {
    return this.#inTurn(async () => {
      if (!(await namePoint(this.#db, this.site.id, number, name)))
        return refuse('This point of the history is no longer there.');
      if (number === 0) this.site = { ...this.site, ...(name === null ? {} : { beginning: name }) };
      if (number === 0 && name === null) delete this.site.beginning;
      return {
        ok: true,
        label: name === null ? 'A restore point has no name any more' : `Restore point “${name}”`,
        diffs: [],
        undoable: false,
      };
    });
  }

  async #inTurn(work: () => Promise<Outcome>): Promise<Outcome> {
    if (this.readOnly) return refuse('This site is open in another tab, which may write to it. Close it there first.');
    const turn = this.#queue
      .then(work)
      .catch((error: unknown): Outcome => ({ ok: false, reason: storageReason(error) }));
    this.#queue = turn;
    return turn;
  }

  async #take(written: Written, diffs: FileDiff[], prefix?: string): Promise<Outcome> {
    if (!written.ok) return written;
    this.#version++;
    this.site = written.site;
    for (const [path, content] of written.files) {
      if (content) this.files.set(path, content);
      else this.files.delete(path);
    }
    await analysis().update([...written.files], []);
    await this.#recall(written.files.values());
    this.#changed.tell(written.files);
    const { label } = written.change;
    return { ok: true, label: prefix ? `${prefix}: ${label.charAt(0).toLowerCase()}${label.slice(1)}` : label, diffs };
  }

  /**
   * Takes pictures into the site beside those of a gallery, and makes the thumbnails that they lack. Gives where they stand,
   * none where they could not be taken in; what came of it is told to {@link onDone}.
   */
  async takeIn(
    files: readonly IntakeFile[],
    beside: { page: string; gallery: number | null } | null,
  ): Promise<string[]> {
    const stop = new AbortController();
    let paths: string[] = [];
    const outcome = await this.#inTurn(() =>
      navigator.locks.request(INTAKE_LOCK, { mode: 'shared' }, async (): Promise<Outcome> => {
        const kept = await keepPictures(
          this.#db,
          files,
          (done) => this.#work({ says: 'Taking in pictures', done, of: files.length, stop: () => stop.abort() }),
          stop.signal,
        );
        if (kept === null) return refuse('Stopped. Nothing was taken in.');
        const { planned, paths: places } = await analysis().takeIn(kept, beside);
        if (!planned.ok) return planned;
        paths = places;
        if (planned.change.files.length === 0)
          return { ok: true, label: planned.change.label, diffs: [], undoable: false };
        return this.#take(await writeChange(this.#db, this.site.id, planned.change), planned.diffs);
      }),
    );
    this.#work(null);
    this.#tellDone(outcome);
    if (paths.length === 0) return [];
    await this.#readPictures();
    const { missing } = await this.#views.read();
    const tasks = missing.filter(({ from }) => paths.includes(from));
    if (tasks.length > 0) this.#tellDone(await this.make(tasks));
    return paths;
  }

  #tellDone(outcome: Outcome): void {
    this.#done.tell(outcome);
    this.#goStale();
  }

  /** Makes pictures from others and puts them in place as one change. What cannot be made is named and stops nothing. */
  make(tasks: readonly PictureTask[], before: readonly MadeFile[] = []): Promise<Outcome> {
    return this.#inTurn(() =>
      navigator.locks.request(INTAKE_LOCK, { mode: 'shared' }, async (): Promise<Outcome> => {
        const ready = await analysis().readyTasks([...tasks]);
        const { words, exact } = Recipe.safeParse(notesIn(this.files).recipe).data ?? DEFAULT_RECIPE;
        const made = await makePictures(this.#db, this.site.id, ready, {
          before,
          recipe: { words, exact },
          workers: pictureWorkers(),
          sourceOf: (task) => this.pictures.sourceOf(task),
          leaving: this.#leaving.signal,
          onJob: (job) => this.#work(job),
        });
        this.#work(null);
        if (made === null) return refuse('Stopped. No picture was written.');
        const { files, looks, failed, told } = made;
        if (files.length === 0) {
          await dropQueue(this.#db, this.site.id);
          return refuse(`No picture could be made. ${failed.join('; ')}`);
        }
        await this.#learn(looks);
        const planned = await analysis().placeMade(files);
        if (!planned.ok) return planned;
        // After a crash between the two writes below all is in place already.
        const done: Outcome = { ok: true, label: planned.change.label, diffs: planned.diffs };
        const outcome =
          planned.change.files.length === 0
            ? done
            : await this.#take(await writeChange(this.#db, this.site.id, planned.change), planned.diffs);
        await dropQueue(this.#db, this.site.id);
        const more = [...told, ...(failed.length > 0 ? [`not made: ${failed.join('; ')}`] : [])];
        return outcome.ok && more.length > 0 ? { ...outcome, label: `${outcome.label}; ${more.join('; ')}` } : outcome;
      }),
    );
  }

  /** Pictures that were being made when the page went away are made to their end. */
  async #resume(): Promise<void> {
    const queue = this.readOnly ? undefined : await this.#db.get('queues', this.site.id);
    if (!queue) return;
    this.#tellDone(await this.make(queue.tasks, queue.done));
  }

  /** Told of the outcome of work that nobody here asked for. */
  onDone(tell: (outcome: Outcome) => void): () => void {
    return this.#done.on(tell);
  }

  #work(job: Job | null): void {
    this.job = job;
    this.#jobs.tell();
  }

  /** Content that comes back by an undo has been read before; its facts are in the store. */
  async #recall(contents: Iterable<FileContent | null>): Promise<void> {
    const unknown = new Set(
      [...contents].flatMap((content) =>
        content?.kind === 'binary' && !this.#looked.has(content.hash) ? [content.hash] : [],
      ),
    );
    if (unknown.size === 0) return;
    const known = await analysis().recall([...unknown]);
    this.#note(known);
    if (known.length < unknown.size) void this.#readPictures();
  }

  #note(hashes: Iterable<string>): void {
    for (const hash of hashes) this.#looked.add(hash);
  }

  /** Keeps what was seen of pictures, and tells the reading of it. */
  async #learn(looks: ReadonlyMap<string, PictureLook>): Promise<void> {
    await keepLooks(this.#db, looks);
    this.#note(looks.keys());
    await analysis().update(
      [],
      [...looks].map(([hash, { facts }]) => [hash, facts]),
    );
  }

  /** Looks at all pictures that are new; what is there is shown meanwhile. Who asks in between waits, and finds little left. */
  #readPictures(): Promise<void> {
    return (this.#reading = this.#reading.then(() => this.#lookAtUnread()));
  }

  async #lookAtUnread(): Promise<void> {
    const unread = new Map(
      [...this.files].flatMap(([path, content]) =>
        content.kind === 'binary' && isPicturePath(path) && !this.#looked.has(content.hash)
          ? [[content.hash, path] as const]
          : [],
      ),
    );
    await lookAtPictures({
      unread,
      lookers: pictureWorkers().map((worker) => (blob: Blob, path: string) => worker().look(blob, path)),
      blobsOf: (hashes) => readBlobs(this.#db, hashes),
      learn: async (looks, done) => {
        await this.#learn(looks);
        this.#work(done < unread.size ? { says: 'Reading pictures', done, of: unread.size, stop: null } : null);
        this.#goStale();
      },
      behind: () => this.#views.busy,
      gone: () => this.#leaving.signal.aborted,
    });
  }

  /** Searches for the pictures of thumbnails with unhelpful names, a few at a time, so that other work comes between. */
  async #searchOn(of: number): Promise<void> {
    if (this.#searching) return;
    this.#searching = true;
    for (let left = of; left > 0 && !this.#leaving.signal.aborted;) {
      this.#work({ says: 'Comparing pictures', done: of - left, of, stop: null });
      left = await analysis().searchOn();
    }
    this.#searching = false;
    this.#work(null);
    this.#goStale();
  }

  /** What the shelf shows is kept with the site, so that the shelf need not read it. */
  async #noteGlance(view: SiteView): Promise<void> {
    if (this.readOnly || view.unread > 0) return;
    const glance = glanceOf(this.files, view.strands.filter((strand) => strand.state === 'broken').length);
    if (JSON.stringify(glance) === JSON.stringify(this.site.glance)) return;
    this.site = { ...this.site, glance };
    const tx = this.#db.transaction('sites', 'readwrite');
    const current = await tx.store.get(this.site.id);
    if (current) await tx.store.put({ ...current, glance });
    await tx.done;
  }
}
