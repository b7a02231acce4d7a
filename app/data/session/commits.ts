/**
 * The one way by which an open site changes: planned in the worker, written in one transaction, then told. One after
 * the other.
 */
import type { Intent } from '~core/plans/index.ts';
import { type Change, type FileChange, type FileContent, isMarkdownPath, refuse } from '~core/site/index.ts';
import { analysis } from '../../workers/start';
import { storageReason } from '../storageReason';
import type { Written } from '../store/store';
import { diffsOf, type FileDiff } from './diffs';
import { entryWithFiles, readHistory, type HistoryEntry } from './history';
import type { Outcome, SharedSite, Shut } from './shared';

/** Who has to know of a change, in this order. */
interface Listeners {
  /** What was shown is old from now on. */
  outdate: () => void;
  /** Contents that come back by an undo were analysed before. */
  recall: (contents: Iterable<FileContent | null>) => Promise<void>;
  changed: (files: ReadonlyMap<string, FileContent | null>) => void;
}

const SHUT: Record<Shut, string> = {
  'other tab': 'This site is open in another tab, which may write to it. Close it there first.',
  closed:
    'The browser’s storage was cleared or closed, and nothing can be written to it. Save an archive of what is shown.',
  'taken over': 'A newer version of Heathmoor took the storage over in another tab. Load this page again to go on.',
  newer: 'A newer version of Heathmoor wrote this site. Load this page again to get that version.',
};

const POINT_GONE = 'This point of the history no longer exists.';

export class Commits {
  readonly #site: SharedSite;
  readonly #listeners: Listeners;
  #queue: Promise<unknown> = Promise.resolve();

  constructor(site: SharedSite, listeners: Listeners) {
    this.#site = site;
    this.#listeners = listeners;
  }

  do(intent: Intent): Promise<Outcome> {
    return this.inTurn(() => this.perform(intent));
  }

  /** What a change that is typed brings along: the page that a Markdown file is the text of. */
  async along(change: Change): Promise<FileChange[]> {
    return change.files.some(({ path }) => isMarkdownPath(path)) ? analysis().typedAlong(change) : [];
  }

  /** What is asked for, by who has the turn. */
  async perform(intent: Intent): Promise<Outcome> {
    const planned = await analysis().plan(intent);
    if (!planned.ok) return planned;
    const { change, diffs, named = [], left = [] } = planned;
    // What is asked for twice (by Enter and by leaving the field) is done once, and leaves one entry to undo.
    if (change.files.every((file) => file.kind === 'edit' && file.edits.length === 0))
      return { ok: true, label: change.label, diffs: [] };
    const outcome = await this.commit(await this.#site.store.writeChange(this.#site.site.id, change), diffs);
    return outcome.ok ? { ...outcome, named, left } : outcome;
  }

  step(way: 'undo' | 'redo'): Promise<Outcome> {
    return this.inTurn(async () => {
      const written = await this.#site.store.stepJournal(this.#site.site.id, way);
      return this.commit(written, [], way === 'undo' ? 'Undone' : 'Redone');
    });
  }

  history(): Promise<HistoryEntry[]> {
    return readHistory(this.#site.store, this.#site.site);
  }

  /** What an entry of the journal did, file by file; null where it is no longer there. */
  async diffsAt(number: number): Promise<FileDiff[] | null> {
    const found = await entryWithFiles(this.#site.store, this.#site.site, number, this.#site.files);
    return found && diffsOf(found.change, found.before);
  }

  /** Goes to the state after an entry; each step is whole, so that a crash on the way leaves a state that was. */
  goTo(number: number): Promise<Outcome> {
    return this.inTurn(async () => {
      const target = (await this.history()).find((entry) => entry.number === number);
      if (!target) return refuse(POINT_GONE);
      const { store, site } = this.#site;
      while (this.#site.site.head !== number) {
        const way = this.#site.site.head > number ? 'undo' : 'redo';
        const outcome = await this.commit(await store.stepJournal(site.id, way), []);
        if (!outcome.ok) return outcome;
      }
      return { ok: true, label: `Restored: ${target.name ?? target.label}`, diffs: [], undoable: false };
    });
  }

  /** Names a point, or with null takes its name away. */
  namePoint(number: number, name: string | null): Promise<Outcome> {
    return this.inTurn(async () => {
      const { store, site } = this.#site;
      if (!(await store.nameEntry(site.id, number, name))) return refuse(POINT_GONE);
      this.#site.site = (await store.readSite(site.id)) ?? site;
      const label = name === null ? 'Restore point name removed' : `Restore point “${name}”`;
      return { ok: true, label, diffs: [], undoable: false };
    });
  }

  /** Work that changes the site, when that before it is done; none where it is only shown. */
  inTurn(work: () => Promise<Outcome>): Promise<Outcome> {
    const { shut } = this.#site;
    if (shut !== null) return Promise.resolve(refuse(SHUT[shut]));
    const turn = this.#queue.then(work).catch((error: unknown): Outcome => refuse(storageReason(error)));
    this.#queue = turn;
    return turn;
  }

  /** Takes over what was written, and tells whoever has to know. */
  async commit(written: Written, diffs: FileDiff[], prefix?: string): Promise<Outcome> {
    if (!written.ok) return written;
    const { site, files, change } = written;
    this.#site.site = site;
    for (const [path, content] of files) {
      if (content) this.#site.files.set(path, content);
      else this.#site.files.delete(path);
    }
    await analysis().update([...files], []);
    // Only now: what is read before would be old and seem new.
    this.#listeners.outdate();
    await this.#listeners.recall(files.values());
    this.#listeners.changed(files);
    return { ok: true, label: prefix ? `${prefix}: ${inSentence(change.label)}` : change.label, diffs };
  }
}

const inSentence = (label: string): string => label.charAt(0).toLowerCase() + label.slice(1);
