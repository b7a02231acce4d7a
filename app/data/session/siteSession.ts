/**
 * One open site: its files in memory, its reading in the analysis worker, and those who work on it. Who changes it, who
 * analyses its pictures, makes and imports them stands in files of their own; here is what the screen asks for.
 */
import type { PictureTask } from '~core/model/index.ts';
import type { Intent } from '~core/plans/index.ts';
import type { Rotation } from '~core/photo/index.ts';
import type { FileContent } from '~core/site/index.ts';
import type { SiteView } from '~core/view/index.ts';
import { analysis } from '../../workers/start';
import { Emitter } from '../emitter';
import { LinkedFolder } from '../folder/linkedFolder';
import { HandOvers } from '../handOvers';
import { TestHost } from '../host/testHost';
import { Validity } from '../validity';
import type { IntakeFile } from '../intake/incoming';
import { glanceOf } from '../intake/newSite';
import { withOutside } from '../store/commit';
import { openStore } from '../store/idbStore';
import type { Gone } from '../store/store';
import type { SiteRecord } from '../store/records';
import type { SetAside } from '../store/setAside';
import { AnalysedPictures } from './analysedPictures';
import { Commits } from './commits';
import { doWith } from './doWith';
import { journalLabels } from './history';
import { importPictures } from './importing';
import { Jobs } from './jobs';
import { Making } from './makingJob';
import { Rehearsals } from './rehearsals';
import type { Outcome, SharedSite, Shut } from './shared';
import { takeSiteLock } from './siteLock';
import { Typing } from './typing';
import { SitePictures } from './sitePictures';
import { ViewReader } from './viewReader';

export interface Snapshot {
  site: SiteRecord;
  files: ReadonlyMap<string, FileContent>;
  view: SiteView;
  undo: string | null;
  redo: string | null;
  /** Why it is only shown; null where it may be changed. */
  shut: Shut | null;
  readOnly: boolean;
  /** What of it cannot be read. */
  aside: readonly SetAside[];
  /** Why what was typed last could not be written yet. */
  typingTrouble: string | null;
  /** Of the state that is told; {@link SiteSession.version} is ahead of it once there is more to tell. */
  version: number;
}

export class SiteSession {
  readonly jobs = new Jobs();
  readonly rehearsals = new Rehearsals();
  readonly pictures: SitePictures;
  readonly commits: Commits;
  readonly folder: LinkedFolder;
  /** What left to be uploaded. */
  readonly handOvers: HandOvers;
  readonly testHost: TestHost;
  readonly validity: Validity;
  readonly typing: Typing;
  /** What can be asked of the reading of the site. */
  readonly analysis = analysis();
  readonly #shared: SharedSite;
  readonly #analysed: AnalysedPictures;
  readonly #making: Making;
  readonly #views = new ViewReader(this.analysis);
  readonly #leaving: AbortController;
  readonly #changed = new Emitter<[files: ReadonlyMap<string, FileContent | null>]>();
  readonly #stale = new Emitter();
  readonly #done = new Emitter<[outcome: Outcome]>();
  #release: () => void = () => undefined;
  #version = 0;
  #aside: readonly SetAside[] = [];

  private constructor(shared: SharedSite, leaving: AbortController) {
    this.#shared = shared;
    this.#leaving = leaving;
    this.#analysed = new AnalysedPictures(shared, this.jobs, {
      outdate: () => this.#goStale(),
      behind: () => this.#views.busy,
    });
    this.pictures = new SitePictures(shared.store, shared.files, (hash) => this.#analysed.has(hash));
    this.commits = new Commits(shared, {
      outdate: () => void this.#version++,
      recall: (contents) => this.#analysed.recall(contents),
      changed: (files) => this.#changed.tell(files),
    });
    this.typing = new Typing(shared, this.commits, () => this.#goStale());
    this.#making = new Making(shared, this.commits, this.jobs, this.#analysed, this.pictures);
    this.handOvers = new HandOvers(shared);
    this.testHost = new TestHost(shared, this.pictures);
    this.validity = new Validity(shared);
    this.folder = new LinkedFolder(shared, {
      commits: this.commits,
      jobs: this.jobs,
      cameIn: () => this.#analysed.read(),
      tell: (outcome) => this.#tellDone(outcome),
    });
    this.#changed.on(() => {
      this.rehearsals.age();
      this.folder.siteChanged();
    });
  }

  /** Null where the site is not in the store. */
  static async open(siteId: string): Promise<SiteSession | null> {
    const store = await openStore();
    const site = await store.readSite(siteId);
    if (!site) return null;
    const files = new Map<string, FileContent>();
    const leaving = new AbortController();
    const shared: SharedSite = { store, site, files, shut: 'other tab', leaving: leaving.signal };
    const session = new SiteSession(shared, leaving);
    await session.#takeLock();
    // Only now: a tab that was just going may have written until this one was let in.
    await session.#readFiles();
    session.#aside = await store.readAside(siteId);
    session.#analysed.note(await analysis().open([...files]));
    const stopListening = store.onGone((why) => session.#shutFor(why));
    leaving.signal.addEventListener('abort', stopListening);
    await session.typing.recover();
    void session.#analysed.read().then(() => session.#resume());
    void session.folder.open().catch(() => undefined);
    void session.handOvers.read().catch(() => undefined);
    return session;
  }

  get site(): SiteRecord {
    return this.#shared.site;
  }

  /** Whether pages of the site may ask for outside addresses while they are previewed. */
  async allowOutside(allowed: boolean): Promise<void> {
    const { store, site } = this.#shared;
    this.#shared.site = withOutside(site, allowed);
    await store.allowOutside(site.id, allowed).catch(() => undefined);
    this.#goStale();
  }

  get files(): ReadonlyMap<string, FileContent> {
    return this.#shared.files;
  }

  close(): void {
    this.#leaving.abort();
    this.#release();
    this.pictures.release();
  }

  async snapshot(): Promise<Snapshot> {
    const version = this.#version;
    const view = await this.#views.read();
    const { undo, redo } = await this.#journalLabels();
    await this.#saveGlance(view);
    if (view.unsearched > 0) void this.#analysed.search(view.unsearched);
    const { site, files, shut } = this.#shared;
    const readOnly = shut !== null;
    const { trouble: typingTrouble } = this.typing;
    const aside = this.#aside;
    return { site, files: new Map(files), view, undo, redo, shut, readOnly, aside, typingTrouble, version };
  }

  make(tasks: readonly PictureTask[]): Promise<Outcome> {
    return this.#making.make(tasks);
  }

  async rotate(picture: string, rotation: Rotation): Promise<Outcome> {
    const asked = await this.analysis.rotation(picture, rotation);
    return asked.ok ? this.make(asked.tasks) : asked;
  }

  /** Where the pictures stand afterwards; what came of it is told to {@link onDone}. */
  importPictures(
    files: readonly IntakeFile[],
    beside: { page: string; gallery: number | null } | null,
  ): Promise<string[]> {
    const { commits, jobs } = this;
    const workers = { commits, jobs, analysed: this.#analysed, making: this.#making, views: this.#views };
    return importPictures(this.#shared, workers, files, beside, (outcome) => this.#tellDone(outcome));
  }

  /** An intent that brings files along; what came of it is told to {@link onDone}. */
  async doWith(files: readonly IntakeFile[], intentFor: (contents: readonly FileContent[]) => Intent): Promise<void> {
    this.#tellDone(await doWith(this.#shared, this.commits, files, intentFor));
  }

  /** Counts what makes a snapshot old. */
  get version(): number {
    return this.#version;
  }

  /** Told when work that was not asked for through an action has made the last snapshot old. */
  onStale(stale: () => void): () => void {
    return this.#stale.on(stale);
  }

  /** Told which files changed, for the preview. */
  onFiles(changed: (files: ReadonlyMap<string, FileContent | null>) => void): () => void {
    return this.#changed.on(changed);
  }

  /** Work that was asked for through an action has come to its end. */
  tellOutcome(outcome: Outcome): void {
    this.#done.tell(outcome);
  }

  /** Told of the outcome of all work but typing. */
  onDone(tell: (outcome: Outcome) => void): () => void {
    return this.#done.on(tell);
  }

  #goStale(): void {
    this.#version++;
    this.#stale.tell();
  }

  #tellDone(outcome: Outcome): void {
    this.#done.tell(outcome);
    this.#goStale();
  }

  /** What is in memory stays and can be saved; from now on nothing is written. */
  #shutFor(why: Gone): void {
    this.#shared.shut = why;
    this.#goStale();
  }

  async #journalLabels(): Promise<{ undo: string | null; redo: string | null }> {
    try {
      return await journalLabels(this.#shared.store, this.site);
    } catch {
      // A store that has gone tells so by itself; what is shown does not depend on it.
      return { undo: null, redo: null };
    }
  }

  async #resume(): Promise<void> {
    const outcome = await this.#making.resume();
    if (outcome) this.#tellDone(outcome);
  }

  async #takeLock(): Promise<void> {
    const { granted, release } = await takeSiteLock(this.site.id, this.#leaving.signal, async () => {
      // The other tab has written meanwhile: begin again from the store.
      this.#shared.shut = this.#shared.store.newer ? 'newer' : null;
      await this.#reload();
      await this.typing.recover();
      void this.folder.open().catch(() => undefined);
      void this.#resume();
    });
    this.#shared.shut = granted ? null : 'other tab';
    if (this.#shared.store.newer) this.#shared.shut = 'newer';
    this.#release = release;
  }

  /** Null where the site is not in the store any more. */
  async #readFiles(): Promise<ReadonlyMap<string, FileContent> | null> {
    const { store, files } = this.#shared;
    const site = await store.readSite(this.site.id);
    if (!site) return null;
    const fresh = await store.readFiles(site.id);
    this.#shared.site = site;
    files.clear();
    for (const [path, content] of fresh) files.set(path, content);
    return fresh;
  }

  async #reload(): Promise<void> {
    const before = [...this.files.keys()];
    const fresh = await this.#readFiles();
    if (!fresh) return;
    const gone = before.filter((path) => !fresh.has(path));
    this.#analysed.note(await analysis().open([...fresh]));
    this.#changed.tell(new Map([...fresh, ...gone.map((path): [string, null] => [path, null])]));
    this.#goStale();
  }

  /** What the list of sites shows is kept with the site, so that the list need not read it. */
  async #saveGlance(view: SiteView): Promise<void> {
    const { shut, files, site, store } = this.#shared;
    if (shut !== null || view.unread > 0) return;
    const glance = glanceOf(files, view.strands.filter((strand) => strand.state === 'broken').length);
    if (JSON.stringify(glance) === JSON.stringify(site.glance)) return;
    this.#shared.site = { ...site, glance };
    await store.saveGlance(site.id, glance);
  }
}
