/**
 * One open site: its files in memory, its reading in the analysis worker, and the way by which every change goes:
 * planned in the worker, written in one transaction, then shown. Changes are done one after the other.
 */
import type { PictureTask } from '~core/model/index.ts';
import { DEFAULT_RECIPE, Recipe, type Format, type PhotoFacts } from '~core/photo/index.ts';
import type { Intent, MadeFile, ReadyTask } from '~core/plans/index.ts';
import { isPicturePath, mediaTypeOf, nameOf, notesIn, type FileContent } from '~core/site/index.ts';
import type { SiteView } from '~core/view/index.ts';
import type { FileDiff, PlanView } from '../workers/analysis';
import type { PictureLook } from '../workers/pictures';
import type { EncodedBlob } from '../workers/encode';
import { analysis, pictures, pictureWorkers } from '../workers/start';
import { glanceOf, INTAKE_LOCK, storageReason } from './intake';
import { dropQueue, makePictures } from './making';
import type { SiteRecord } from './records';
import { openReading, readView } from './view';
import { journalLabels, keepLooks, openStore, readFacts, readFiles, readSiteRecord, stepJournal, writeChange, type Store, type Written } from './store';

export interface Job {
  says: string;
  done: number;
  of: number;
  /** Null where nothing is lost by letting it go on. */
  stop: (() => void) | null;
  /** ms that it will still take, as far as can be said. */
  left?: number;
}

export type Outcome = { ok: true; label: string; diffs: FileDiff[] } | { ok: false; reason: string };

export interface Snapshot {
  site: SiteRecord;
  files: ReadonlyMap<string, FileContent>;
  view: SiteView;
  undo: string | null;
  redo: string | null;
  readOnly: boolean;
}

/** How long what is read of pictures is gathered before the screen follows; ms. */
const REDRAW_MS = 1000;

type Changed = (files: ReadonlyMap<string, FileContent | null>) => void;

export class SiteSession {
  readonly files: Map<string, FileContent>;
  site: SiteRecord;
  readOnly = true;
  job: Job | null = null;
  readonly #db: Store;
  readonly #facts: Map<string, PhotoFacts>;
  readonly #urls = new Map<string, string>();
  readonly #watchers = new Set<() => void>();
  readonly #changed = new Set<Changed>();
  readonly #stale = new Set<() => void>();
  readonly #done = new Set<(outcome: Outcome) => void>();
  #queue: Promise<unknown> = Promise.resolve();
  #release: () => void = () => undefined;
  #closed = false;
  #searching = false;
  /** Counts what may make a snapshot old. */
  #version = 0;
  #shown = -1;

  private constructor(db: Store, site: SiteRecord, files: Map<string, FileContent>, facts: Map<string, PhotoFacts>) {
    this.#db = db;
    this.site = site;
    this.files = files;
    this.#facts = facts;
  }

  static async open(siteId: string): Promise<SiteSession | null> {
    const db = await openStore();
    const site = await readSiteRecord(db, siteId);
    if (!site) return null;
    const files = await readFiles(db, siteId);
    const facts = await readFacts(db, [...files.values()].flatMap((content) => (content.kind === 'binary' ? [content.hash] : [])));
    const session = new SiteSession(db, site, files, facts);
    await session.#takeLock();
    await openReading(files, facts);
    void session.#readPictures().then(() => session.#resume());
    return session;
  }

  /** One tab writes to a site; another shows it read-only until the first one is closed. */
  async #takeLock(): Promise<void> {
    const name = `heathmoor-site-${this.site.id}`;
    const held = new Promise<void>((release) => (this.#release = release));
    const granted = await new Promise<boolean>((answer) => {
      void navigator.locks.request(name, { ifAvailable: true }, (lock) => {
        answer(lock !== null);
        return lock === null ? undefined : held;
      });
    });
    this.readOnly = !granted;
    if (granted) return;
    void navigator.locks.request(name, async () => {
      if (this.#closed) return undefined;
      // The other tab has written meanwhile: begin anew from the store.
      this.readOnly = false;
      await this.#reload();
      return held;
    });
  }

  async #reload(): Promise<void> {
    const site = await readSiteRecord(this.#db, this.site.id);
    if (!site) return;
    this.site = site;
    const fresh = await readFiles(this.#db, site.id);
    const gone = [...this.files.keys()].filter((path) => !fresh.has(path));
    this.files.clear();
    for (const [path, content] of fresh) this.files.set(path, content);
    await openReading(fresh, this.#facts);
    this.#announce(new Map([...fresh, ...gone.map((path): [string, null] => [path, null])]));
    this.#goStale();
  }

  close(): void {
    this.#closed = true;
    this.job?.stop?.();
    this.#release();
    for (const url of this.#urls.values()) URL.revokeObjectURL(url);
  }

  /** Told when work that was not asked for through an action has made the last snapshot old. */
  onStale(stale: () => void): () => void {
    this.#stale.add(stale);
    return () => this.#stale.delete(stale);
  }

  /** Whether the last snapshot still tells the truth. */
  get fresh(): boolean {
    return this.#shown === this.#version;
  }

  #goStale(): void {
    this.#version++;
    for (const stale of this.#stale) stale();
  }

  /** Told when the job in hand goes on. */
  watch(watcher: () => void): () => void {
    this.#watchers.add(watcher);
    return () => this.#watchers.delete(watcher);
  }

  /** Told which files changed, for the preview. */
  onFiles(changed: Changed): () => void {
    this.#changed.add(changed);
    return () => this.#changed.delete(changed);
  }

  #announce(files: ReadonlyMap<string, FileContent | null>): void {
    for (const changed of this.#changed) changed(files);
  }

  #tell(): void {
    for (const watcher of this.#watchers) watcher();
  }

  async snapshot(): Promise<Snapshot> {
    const version = this.#version;
    const view = await readView();
    const { undo, redo } = await journalLabels(this.#db, this.site);
    await this.#noteGlance(view);
    if (view.unsearched > 0) void this.#searchOn(view.unsearched);
    this.#shown = version;
    return { site: this.site, files: new Map(this.files), view, undo, redo, readOnly: this.readOnly };
  }

  plan(intent: Intent): Promise<PlanView> {
    return analysis().plan(intent);
  }

  do(intent: Intent): Promise<Outcome> {
    return this.#inTurn(async () => {
      const planned = await this.plan(intent);
      if (!planned.ok) return planned;
      // What is asked for twice (by Enter and by leaving the field) is done once, and leaves one entry to undo.
      if (planned.change.files.every((file) => file.kind === 'edit' && file.edits.length === 0)) return { ok: true, label: planned.change.label, diffs: [] };
      return this.#take(await writeChange(this.#db, this.site.id, planned.change), planned.diffs);
    });
  }

  step(way: 'undo' | 'redo'): Promise<Outcome> {
    return this.#inTurn(async () => this.#take(await stepJournal(this.#db, this.site.id, way), [], way === 'undo' ? 'Undone' : 'Done again'));
  }

  async #inTurn(work: () => Promise<Outcome>): Promise<Outcome> {
    if (this.readOnly) return { ok: false, reason: 'This site is open in another tab, which may write to it. Close it there first.' };
    const turn = this.#queue.then(work).catch((error: unknown): Outcome => ({ ok: false, reason: storageReason(error) }));
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
    this.#announce(written.files);
    const { label } = written.change;
    return { ok: true, label: prefix ? `${prefix}: ${label.charAt(0).toLowerCase()}${label.slice(1)}` : label, diffs };
  }

  /** Makes pictures from others and puts them in place as one change. What cannot be made is named and stops nothing. */
  make(tasks: readonly PictureTask[], before: readonly MadeFile[] = []): Promise<Outcome> {
    return this.#inTurn(() =>
      navigator.locks.request(INTAKE_LOCK, { mode: 'shared' }, async (): Promise<Outcome> => {
        const ready = await analysis().readyTasks([...tasks]);
        const { words, exact } = Recipe.safeParse(notesIn(this.files).recipe).data ?? DEFAULT_RECIPE;
        const made = await makePictures(this.#db, this.site.id, ready, { before, recipe: { words, exact }, sourceOf: (task) => this.#sourceOf(task), onJob: (job) => this.#work(job) });
        this.#work(null);
        if (made === null) return { ok: false, reason: 'Stopped. No picture was written.' };
        const { files, looks, failed, told } = made;
        if (files.length === 0) {
          await dropQueue(this.#db, this.site.id);
          return { ok: false, reason: `No picture could be made. ${failed.join('; ')}` };
        }
        await this.#learn(looks);
        const planned = await analysis().placeMade(files);
        if (!planned.ok) return planned;
        // After a crash between the two writes below all is in place already.
        const done: Outcome = { ok: true, label: planned.change.label, diffs: planned.diffs };
        const outcome = planned.change.files.length === 0 ? done : await this.#take(await writeChange(this.#db, this.site.id, planned.change), planned.diffs);
        await dropQueue(this.#db, this.site.id);
        const more = [...told, ...(failed.length > 0 ? [`not made: ${failed.join('; ')}`] : [])];
        return outcome.ok && more.length > 0 ? { ...outcome, label: `${outcome.label}; ${more.join('; ')}` } : outcome;
      }),
    );
  }

  /** The content that a task is made from. What stood in a file's own place before may have gone with an archive; then the file as it is. */
  async #sourceOf({ source, from }: ReadyTask): Promise<Blob | null> {
    return (await this.#db.get('blobs', source)) ?? this.blob(from);
  }

  /** Pictures that were being made when the page went away are made to their end. */
  async #resume(): Promise<void> {
    const queue = this.readOnly ? undefined : await this.#db.get('queues', this.site.id);
    if (!queue) return;
    const outcome = await this.make(queue.tasks, queue.done);
    for (const tell of this.#done) tell(outcome);
    this.#goStale();
  }

  /** Told of the outcome of work that nobody here asked for. */
  onDone(tell: (outcome: Outcome) => void): () => void {
    this.#done.add(tell);
    return () => this.#done.delete(tell);
  }

  #work(job: Job | null): void {
    this.job = job;
    this.#tell();
  }

  /** Content that comes back by an undo has been read before; its facts are in the store. */
  async #recall(contents: Iterable<FileContent | null>): Promise<void> {
    const unknown = [...contents].flatMap((content) => (content?.kind === 'binary' && !this.#facts.has(content.hash) ? [content.hash] : []));
    const facts = await readFacts(this.#db, unknown);
    for (const [hash, one] of facts) this.#facts.set(hash, one);
    if (facts.size > 0) await analysis().update([], [...facts]);
    if (facts.size < new Set(unknown).size) void this.#readPictures();
  }

  /** Keeps what was seen of pictures, and tells the reading of it. */
  async #learn(looks: ReadonlyMap<string, PictureLook>): Promise<void> {
    await keepLooks(this.#db, looks);
    for (const [hash, { facts }] of looks) this.#facts.set(hash, facts);
    await analysis().update([], [...looks].map(([hash, { facts }]) => [hash, facts]));
  }

  /** Looks at all pictures that are new; what is there is shown meanwhile. */
  async #readPictures(): Promise<void> {
    const unread = new Map([...this.files].flatMap(([path, content]) => (content.kind === 'binary' && isPicturePath(path) && !this.#facts.has(content.hash) ? [[content.hash, path] as const] : [])));
    let looks = new Map<string, PictureLook>();
    let since = performance.now();
    let done = 0;
    const waiting = unread.entries();
    const tell = async () => {
      // A screen that redraws for every picture would keep the reading waiting.
      if (performance.now() - since < REDRAW_MS && done < unread.size) return;
      since = performance.now();
      const learnt = looks;
      looks = new Map();
      await this.#learn(learnt);
      this.#work(done < unread.size ? { says: 'Reading pictures', done, of: unread.size, stop: null } : null);
      this.#goStale();
    };
    await Promise.all(
      pictureWorkers().map(async (worker) => {
        for (const [hash, path] of waiting) {
          if (this.#closed) return;
          const blob = await this.#db.get('blobs', hash);
          const look = blob && (await worker().look(blob, path));
          // Only now: while it was looked at, what others had seen may have been handed on.
          if (look) looks.set(hash, look);
          done++;
          await tell();
        }
      }),
    );
  }

  /** Searches for the pictures of thumbnails with unhelpful names, a few at a time, so that other work comes between. */
  async #searchOn(of: number): Promise<void> {
    if (this.#searching) return;
    this.#searching = true;
    for (let left = of; left > 0 && !this.#closed; ) {
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

  async blob(path: string): Promise<Blob | null> {
    const content = this.files.get(path);
    if (!content) return null;
    return content.kind === 'text' ? new Blob([content.text]) : ((await this.#db.get('blobs', content.hash)) ?? null);
  }

  /** The address of a small copy of a picture, by its hash; null while nobody has looked at the picture. */
  async glanceUrl(hash: string): Promise<string | null> {
    if (!this.#facts.has(hash)) return null;
    const blob = (await this.#db.get('glances', hash)) ?? (await this.#db.get('blobs', hash));
    if (!blob) return null;
    const url = this.#urls.get(hash) ?? URL.createObjectURL(blob);
    this.#urls.set(hash, url);
    return url;
  }

  /** An address of the whole picture, and how to give it back. */
  async wholeUrl(path: string): Promise<{ url: string; release: () => void } | null> {
    const blob = await this.blob(path);
    if (!blob) return null;
    const url = URL.createObjectURL(blob.type ? blob : blob.slice(0, blob.size, mediaTypeOf(path)));
    return { url, release: () => URL.revokeObjectURL(url) };
  }

  /** Makes one size of a picture ready to be tried at other qualities. */
  async prepareTrials(task: PictureTask, key: string): Promise<{ reference: Blob; width: number; height: number }> {
    const [ready] = await analysis().readyTasks([task]);
    const source = ready && (await this.#sourceOf(ready));
    if (!source) throw new Error(`${nameOf(task.from)} is no longer there.`);
    return pictures().prepare(key, source, task.from, task.size, ready.focus);
  }

  /** Null where another picture is looked at meanwhile. */
  trial(key: string, format: Format, quality: number): Promise<EncodedBlob | null> {
    return pictures().trial(key, format, quality);
  }

  /** A page with everything in it that it shows, for where the preview origin does not answer; large pictures are small copies. */
  async pageStandingAlone(path: string, nonce: string): Promise<string> {
    const shown = await analysis().picturesShownBy(path);
    const pictures = await Promise.all(
      shown.map(async (one): Promise<[string, string]> => {
        const content = this.files.get(one);
        const blob = content?.kind === 'binary' ? ((await this.#db.get('glances', content.hash)) ?? (await this.blob(one))) : null;
        return [one, blob ? await dataAddress(blob.slice(0, blob.size, blob.type || mediaTypeOf(one))) : 'data:,'];
      }),
    );
    return analysis().pageStandingAlone(path, pictures, nonce);
  }

  /** The address that was made for a picture before, without waiting. */
  knownUrl(hash: string): string | null {
    return this.#urls.get(hash) ?? null;
  }
}

function dataAddress(blob: Blob): Promise<string> {
  return new Promise((done, fail) => {
    const reader = new FileReader();
    reader.onload = () => done(String(reader.result));
    reader.onerror = () => fail(reader.error ?? new Error('A picture could not be read.'));
    reader.readAsDataURL(blob);
  });
}

let current: { id: string; session: Promise<SiteSession | null>; open: SiteSession | null } | null = null;

/** The open site; another one is closed first, for the workers serve one at a time. */
export function sessionOf(siteId: string): Promise<SiteSession | null> {
  if (current?.id === siteId) return current.session;
  const before = current?.session;
  void before?.then((session) => session?.close());
  const opening: NonNullable<typeof current> = { id: siteId, session: SiteSession.open(siteId), open: null };
  void opening.session.then((session) => (opening.open = session)).catch(() => undefined);
  current = opening;
  return opening.session;
}

/** Whether what the screen has of a site is still true, so that going to another station need not read it again. */
export const isFresh = (siteId: string): boolean => current?.id === siteId && current.open?.fresh === true;

export function leaveSite(): void {
  void current?.session.then((session) => session?.close());
  current = null;
}
