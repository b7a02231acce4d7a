/**
 * What a change of some files means for what is written from them is a part of the same change: the text of a page that
 * comes out of Markdown, pages that show the pictures of others, and scripts that hand items to a feed.
 */
import {
  bringInStep,
  feedsOf,
  isInStep,
  newReadingMemory,
  readSite,
  type SiteReading,
  textsInStep,
  textsOf,
  writtenFeed,
} from '../model/index.ts';
import {
  applyChange,
  type Change,
  type FileChange,
  type FileContent,
  NOTES_FILE,
  notesIn,
  type Planned,
  refuse,
  type SiteFiles,
} from '../site/index.ts';
import { allFiles, factsByHash } from './steps.ts';
import { Merged } from './merged.ts';

/** Reads a site again after a change; whoever keeps a reading in memory does it faster. */
export type ReadAgain = (files: SiteFiles) => SiteReading;

export function keepInStep(site: SiteReading, planned: Planned, again?: ReadAgain): Planned {
  if (!planned.ok) return planned;
  const { change } = planned;
  const may = { tell: mayTell(site, change), collect: mayCollect(site, change), feed: mayFeed(site, change) };
  if (!Object.values(may).includes(true)) return planned;
  const before = allFiles(site);
  const applied = applyChange(before, change);
  // Who makes the change says why it cannot be made.
  if (!applied.ok) return planned;
  const plans: ((now: SiteReading) => Planned)[] = [];
  if (may.tell) plans.push((now) => textsInStep(site, now));
  if (may.collect && notesIn(applied.files).collections.length > 0) plans.push(bringInStep);
  if (may.feed) plans.push((now) => fed(site, now));
  if (plans.length === 0) return planned;
  const step = new Along(before, planned, applied.files, again ?? ((files) => readAgain(site, files)));
  for (const plan of plans) {
    const reason = step.add(plan);
    if (reason !== null) return refuse(reason);
  }
  return step.planned();
}

/** What somebody types into a Markdown file comes onto its page at once; null where nothing comes along. */
export function typedAlong(site: SiteReading, change: Change, again: ReadAgain): FileChange[] {
  if (!textsOf(site).some(({ source }) => change.files.some((file) => file.kind === 'edit' && file.path === source)))
    return [];
  const before = allFiles(site);
  const applied = applyChange(before, change);
  if (!applied.ok) return [];
  const along = textsInStep(site, again(applied.files));
  return along.ok ? [...along.change.files] : [];
}

/** A page has its text from a file, or the change may bring such a page. */
function mayTell(site: SiteReading, { files }: Change): boolean {
  const concerned = new Set(textsOf(site).flatMap(({ page, source }) => [page.path, source]));
  return files.some(
    (file) =>
      file.kind === 'rename' || concerned.has(file.path) || textsIn(file).some((text) => text.includes('text from ')),
  );
}

/** There are pages of all pictures, or the change may make one. */
const mayCollect = ({ notes: { known } }: SiteReading, { files }: Change): boolean =>
  known.collections.length > 0 || files.some((file) => file.kind !== 'rename' && file.path === NOTES_FILE);

/** There is a script that is written from a page, or the change may name one. */
function mayFeed(site: SiteReading, { files }: Change): boolean {
  const names = site.kits.flatMap(({ manifest: { more } }) => (more ? [more.data] : []));
  const isNamed = (text: string) => names.some((name) => text.toLowerCase().includes(name));
  return feedsOf(site).length > 0 || files.some((file) => textsIn(file).some(isNamed));
}

function textsIn(file: FileChange): string[] {
  if (file.kind === 'edit') return file.edits.map(({ text }) => text);
  return file.kind === 'put' && file.after?.kind === 'text' ? [file.after.text] : [];
}

/** A script that its author has written otherwise since stays; a finding says so. */
function fed(before: SiteReading, now: SiteReading): Planned {
  const theirs = new Set(
    feedsOf(before)
      .filter((feed) => !isInStep(feed))
      .map(({ path }) => path),
  );
  const seen = new Set<string>();
  const meant = feedsOf(now).filter((feed) => {
    const isFirst = !seen.has(feed.path);
    seen.add(feed.path);
    return isFirst && !isInStep(feed) && !theirs.has(feed.path);
  });
  return { ok: true, change: { label: '', files: meant.map((feed) => writtenFeed(feed, now)) } };
}

/** A change, and what comes along with it. */
class Along {
  readonly #planned: Extract<Planned, { ok: true }>;
  readonly #merged: Merged;
  readonly #again: ReadAgain;
  readonly #left: NonNullable<Extract<Planned, { ok: true }>['left']>[number][] = [];
  #now: Map<string, FileContent>;
  /** As the site is read now; null where something has been added since. */
  #read: SiteReading | null = null;
  #isAlone = true;

  constructor(
    before: SiteFiles,
    planned: Extract<Planned, { ok: true }>,
    now: Map<string, FileContent>,
    again: ReadAgain,
  ) {
    this.#planned = planned;
    this.#again = again;
    this.#now = now;
    this.#merged = new Merged(before);
    this.#merged.add(planned.change.files);
  }

  /** The reason why it cannot be done; null where it was. */
  add(plan: (site: SiteReading) => Planned): string | null {
    this.#read ??= this.#again(this.#now);
    const more = plan(this.#read);
    if (!more.ok) return more.reason;
    this.#left.push(...(more.left ?? []));
    if (more.change.files.length === 0) return null;
    const applied = applyChange(this.#now, more.change);
    if (!applied.ok) return applied.reason;
    this.#now = applied.files;
    this.#read = null;
    this.#isAlone = false;
    this.#merged.add(more.change.files);
    return null;
  }

  planned(): Planned {
    if (this.#isAlone && this.#left.length === 0) return this.#planned;
    const { change, left = [] } = this.#planned;
    const files = this.#isAlone ? change.files : this.#merged.files();
    return { ...this.#planned, change: { ...change, files }, left: [...left, ...this.#left] };
  }
}

function readAgain(site: SiteReading, files: SiteFiles): SiteReading {
  const shipped = site.kits.filter(({ kind }) => kind !== 'own');
  return readSite(files, factsByHash(site), shipped, newReadingMemory());
}
