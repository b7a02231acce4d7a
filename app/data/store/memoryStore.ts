/** The store in memory: nothing outlives the page. Tests use it, and it proves that nothing else knows the database. */
import { refuse, type FileContent } from '~core/site/index.ts';
import type { PhotoFacts } from '~core/photo/index.ts';
import { changeOf, commitOf, hashesIn, neededEntry, renamed, SITE_GONE, withOutside, type JournalStep } from './commit';
import { memoryFolder } from './memoryFolder';
import { memoryHandOvers } from './memoryHandOvers';
import type { JournalRecord, QueueRecord, SiteRecord, TypingRecord } from './records';
import { setAside, type SetAside } from './setAside';
import type { Store, Written } from './store';

interface Held {
  site: SiteRecord;
  files: Map<string, FileContent>;
  journal: JournalRecord[];
}

interface Memory {
  sites: Map<string, Held>;
  queues: Map<string, QueueRecord>;
  typing: Map<string, TypingRecord[]>;
  blobs: Map<string, Blob>;
  facts: Map<string, PhotoFacts>;
  glances: Map<string, Blob>;
  folder: ReturnType<typeof memoryFolder>;
  handOvers: ReturnType<typeof memoryHandOvers>;
}

export function memoryStore(): Store {
  const memory: Memory = {
    sites: new Map(),
    queues: new Map(),
    typing: new Map(),
    blobs: new Map(),
    facts: new Map(),
    glances: new Map(),
    folder: memoryFolder(),
    handOvers: memoryHandOvers(),
  };
  const { sites, queues, typing, blobs, facts, glances, folder, handOvers } = memory;
  const soon = <T>(value: T): Promise<T> => Promise.resolve(value);
  return {
    newer: false,
    onGone: () => () => undefined,
    listSites: () => soon([...sites.values()].map(({ site }) => site).sort((a, b) => b.changed - a.changed)),
    readSite: (siteId) => soon(sites.get(siteId)?.site ?? null),
    addSite: (site, files) => soon(void sites.set(site.id, { site, files: new Map(files), journal: [] })),
    removeSite: (siteId) => {
      queues.delete(siteId);
      typing.delete(siteId);
      folder.forget(siteId);
      handOvers.forget(siteId);
      return soon(void sites.delete(siteId));
    },
    allowOutside: (siteId, allowed) => {
      const held = sites.get(siteId);
      if (held) held.site = withOutside(held.site, allowed);
      return soon(undefined);
    },
    renameSite: (siteId, name) => {
      const held = sites.get(siteId);
      if (held) held.site = { ...held.site, name };
      return soon(undefined);
    },
    saveGlance: (siteId, glance) => {
      const held = sites.get(siteId);
      if (held) held.site = { ...held.site, glance };
      return soon(undefined);
    },
    readFiles: (siteId) => soon(new Map(sites.get(siteId)?.files)),
    readFile: (siteId, path) => soon(sites.get(siteId)?.files.get(path) ?? null),
    readAside: (siteId) => soon(missingContents(memory, siteId)),
    writeChange: (siteId, change) => soon(step(memory, siteId, { do: 'write', change })),
    stepJournal: (siteId, way) => soon(step(memory, siteId, { do: way })),
    readJournal: (siteId, { from, to } = { from: 1, to: Infinity }) =>
      soon((sites.get(siteId)?.journal ?? []).filter(({ number }) => number >= from && number <= to)),
    nameEntry: (siteId, number, name) => soon(nameEntry(memory, siteId, number, name)),
    saveBlobs: (more) => soon(more.forEach((blob, hash) => blobs.set(hash, blob))),
    readBlobs: (hashes) => soon(hashes.map((hash) => blobs.get(hash))),
    sweepBlobs: () => soon(sweep(memory)),
    saveAnalyses: (analyses) => {
      for (const [hash, look] of analyses) {
        facts.set(hash, look.facts);
        if (look.glance) glances.set(hash, look.glance);
      }
      return soon(undefined);
    },
    readFacts: (hashes) => {
      const wanted = new Set(hashes);
      return soon(new Map([...facts].filter(([hash]) => wanted.has(hash))));
    },
    readGlance: (hash) => soon(glances.get(hash)),
    readQueue: (siteId) => soon(queues.get(siteId) ?? null),
    saveQueue: (queue) => soon(void queues.set(queue.siteId, queue)),
    removeQueue: (siteId) => soon(void queues.delete(siteId)),
    readTyping: (siteId) => soon(typing.get(siteId) ?? []),
    saveTyping: (one) => soon(void typing.set(one.siteId, [...typingBut(memory, one.siteId, one.path), one])),
    saveLastTyping: (one) => void typing.set(one.siteId, [...typingBut(memory, one.siteId, one.path), one]),
    removeTyping: (siteId, path) => soon(void typing.set(siteId, typingBut(memory, siteId, path))),
    ...folder,
    ...handOvers,
  };
}

const typingBut = ({ typing }: Memory, siteId: string, path: string): TypingRecord[] =>
  (typing.get(siteId) ?? []).filter((one) => one.path !== path);

function step({ sites }: Memory, siteId: string, wanted: JournalStep): Written {
  const held = sites.get(siteId);
  if (!held) return refuse(SITE_GONE);
  const number = neededEntry(held.site, wanted);
  const chosen = changeOf(
    wanted,
    held.journal.find((entry) => entry.number === number),
  );
  if (!chosen.ok) return chosen;
  const commit = commitOf(held.site, wanted, chosen.change, held.files, Date.now());
  if (!commit.ok) return commit;
  const { site, files, entry, change } = commit;
  held.site = site;
  for (const [path, content] of files) {
    if (content) held.files.set(path, content);
    else held.files.delete(path);
  }
  if (entry) held.journal = [...held.journal.filter((one) => one.number < entry.number), entry];
  return { ok: true, site, files, change };
}

/** Records in memory are what they were made as; only a content may never have come. */
function missingContents({ sites, blobs }: Memory, siteId: string): SetAside[] {
  return [...(sites.get(siteId)?.files ?? [])].flatMap(([path, content]) =>
    content.kind === 'binary' && !blobs.has(content.hash) ? [setAside('content', path)] : [],
  );
}

/** Hashes that a file, an entry of the journal or a queue names. */
function named({ sites, queues }: Memory): Set<string> {
  const hashes = new Set<string>();
  for (const { files, journal } of sites.values()) {
    for (const content of files.values()) if (content.kind === 'binary') hashes.add(content.hash);
    for (const entry of journal) for (const hash of hashesIn(entry)) hashes.add(hash);
  }
  for (const { done } of queues.values()) for (const { hash } of done) hashes.add(hash);
  return hashes;
}

function sweep(memory: Memory): number {
  const { blobs, facts, glances } = memory;
  const needed = named(memory);
  const stray = [...blobs.keys()].filter((hash) => !needed.has(hash));
  for (const hash of stray) for (const kept of [blobs, facts, glances]) kept.delete(hash);
  return stray.length;
}

function nameEntry({ sites }: Memory, siteId: string, number: number, name: string | null): boolean {
  const held = sites.get(siteId);
  if (!held) return false;
  if (number === 0) {
    held.site = renamed(held.site, 'beginning', name);
    return true;
  }
  const at = held.journal.findIndex((entry) => entry.number === number);
  const entry = held.journal[at];
  if (entry) held.journal[at] = renamed(entry, 'name', name);
  return entry !== undefined;
}
