/** Tags of pictures: kept with the pictures, and written where a page lets its visitors choose by them. */
import { notesChange, type SiteReading, writeTags } from '../model/index.ts';
import { nameOf, type Planned, refuse, type SiteNotes } from '../site/index.ts';

/** Tags that some pictures get, and tags that they lose; by their full-size files. */
interface TagsWish {
  paths: readonly string[];
  add: readonly string[];
  remove: readonly string[];
}

export function setTags(site: SiteReading, wish: TagsWish): Planned {
  const { paths, add, remove } = wish;
  const what = [...add.map((tag) => `“${tag}”`), ...remove.map((tag) => `not “${tag}”`)].join(', ');
  const whom = paths.length === 1 ? nameOf(paths[0] ?? '') : `${paths.length} pictures`;
  return tagAll(site, [wish], `Tag ${whom} ${what}`);
}

/** Several wishes as one change. */
export function tagAll(site: SiteReading, wishes: readonly TagsWish[], label: string): Planned {
  const tags: SiteNotes['tags'] = { ...site.notes.known.tags };
  const deltas = new Map<string, Delta>();
  for (const { paths, add, remove } of wishes) {
    for (const path of paths) {
      const content = site.files.get(path);
      if (content?.kind !== 'binary') return refuse(`There is no ${path} any more.`);
      const delta = deltas.get(path) ?? { add: new Set(), remove: new Set() };
      for (const tag of add) delta.add.add(tag);
      for (const tag of remove) delta.remove.add(tag);
      deltas.set(path, delta);
      const merged = changed(tags[content.hash] ?? [], delta).sort((a, b) => a.localeCompare(b));
      if (merged.length > 0) tags[content.hash] = merged;
      else delete tags[content.hash];
    }
  }
  const written = writeTags(site, ({ strand, tags: now }) => {
    const delta = strand.full === null ? undefined : deltas.get(strand.full);
    return delta ? changed(now, delta) : now;
  });
  if (!written.ok) return written;
  return { ok: true, change: { label, files: [...written.change.files, ...notesChange(site, { tags })] } };
}

interface Delta {
  add: Set<string>;
  remove: Set<string>;
}

const changed = (tags: readonly string[], { add, remove }: Delta): string[] => [
  ...new Set([...tags.filter((tag) => !remove.has(tag)), ...add]),
];
