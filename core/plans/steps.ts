/** A change of several steps, each planned on the site as those before it leave it. */
import { newReadingMemory, readSite, type SiteReading } from '../model/index.ts';
import type { PhotoFacts } from '../photo/index.ts';
import {
  applyChange,
  type FileChange,
  type FileContent,
  NOTES_FILE,
  type Planned,
  type SiteFiles,
} from '../site/index.ts';
import { Merged } from './merged.ts';

export class Steps {
  readonly #merged: Merged;
  readonly #read: (files: SiteFiles) => SiteReading;
  #now: SiteReading;

  constructor(site: SiteReading) {
    const memory = newReadingMemory();
    const facts = factsByHash(site);
    const shipped = site.kits.filter(({ kind }) => kind !== 'own');
    this.#merged = new Merged(allFiles(site));
    this.#read = (files) => readSite(files, facts, shipped, memory);
    this.#now = site;
  }

  get site(): SiteReading {
    return this.#now;
  }

  /** The reason why it cannot be done; null where it was. */
  do(planned: Planned): string | null {
    if (!planned.ok) return planned.reason;
    const { files } = planned.change;
    if (files.length === 0) return null;
    const applied = applyChange(allFiles(this.#now), { label: '', files });
    if (!applied.ok) return applied.reason;
    this.#merged.add(files);
    this.#now = this.#read(applied.files);
    return null;
  }

  files(): FileChange[] {
    return this.#merged.files();
  }
}

/** The site's files with the program's notes of it. */
export function allFiles({ files, notes: { file } }: SiteReading): Map<string, FileContent> {
  return new Map([...files, ...(file ? [[NOTES_FILE, file] as const] : [])]);
}

export function factsByHash(site: SiteReading): Map<string, PhotoFacts> {
  const facts = new Map<string, PhotoFacts>();
  for (const [path, content] of site.files) {
    const known = site.factsOf(path);
    if (content.kind === 'binary' && known) facts.set(content.hash, known);
  }
  return facts;
}
