/** Files under other names, changed places, and copies given up; references follow. */
import { notesChange, mergeFiles, renames, type SiteReading, stillNamed } from '../model/index.ts';
import { datesKept, inherited, recordedIn } from './inherit.ts';
import {
  cleanPath,
  extensionOf,
  type FileChange,
  type FollowedList,
  nameOf,
  type Planned,
  refuse,
} from '../site/index.ts';

export interface Renaming {
  from: string;
  to: string;
}

export function rename(site: SiteReading, { from, to }: Renaming): Planned {
  if (to === from) return refuse('That is its name already.');
  return renameMany(site, { renames: [{ from, to }] });
}

/** Many files under other names as one change; what would be lost or doubled refuses the whole. */
export function renameMany(site: SiteReading, { renames: asked }: { renames: readonly Renaming[] }): Planned {
  const moves = new Map<string, string>();
  for (const { from, to: raw } of asked) {
    if (!site.files.has(from)) return refuse(`There is no ${from} any more.`);
    const clean = cleanPath(raw.trim());
    if (!clean.ok) return refuse(`“${raw}” cannot be a file’s name: ${clean.reason}.`);
    if (extensionOf(clean.path) !== extensionOf(from))
      return refuse(
        `${nameOf(from)} would become a .${extensionOf(clean.path)} by name alone; its content would not change.`,
      );
    if (clean.path !== from) moves.set(from, clean.path);
  }
  const wanted = new Map<string, string>();
  for (const [from, to] of moves) {
    const twin = wanted.get(to.toLowerCase());
    if (twin !== undefined)
      return refuse(`${nameOf(twin)} and ${nameOf(from)} would both be called ${to}. Put {number} into the pattern.`);
    wanted.set(to.toLowerCase(), from);
    const there = site.index.lookup(to);
    // The same name in other capitals is what is often asked for; a name that is given up is free.
    if (there.found !== 'nothing' && there.path !== from && !moves.has(there.path))
      return refuse(`There is a file ${there.path} already.`);
  }
  if (moves.size === 0) return refuse('All files have these names already.');
  const [only] = moves;
  const label = moves.size === 1 && only ? `Rename ${only[0]} to ${only[1]}` : `Rename ${moves.size} files`;
  const files = renames(site, moves);
  const named = stillNamed(site, moves, files);
  return { ok: true, change: { label, files: [...files, ...followed(site, moves)] }, named };
}

/** What is noted by path goes along: what was made, and the pages of a gallery. */
function followed(site: SiteReading, moves: ReadonlyMap<string, string>): FileChange[] {
  const { collections, emptied, follows, links, made, spreads, texts, units } = site.notes.known;
  const to = (path: string) => moves.get(path) ?? path;
  const changed = {
    ...datesKept(site, moves),
    ...(made.some(({ path, from }) => moves.has(path) || moves.has(from))
      ? { made: made.map((record) => ({ ...record, path: to(record.path), from: to(record.from) })) }
      : {}),
    ...(spreads.some(({ pages }) => pages.some((path) => moves.has(path)))
      ? { spreads: spreads.map((spread) => ({ ...spread, pages: spread.pages.map(to) })) }
      : {}),
  };
  if (units.some(({ page }) => moves.has(page)))
    Object.assign(changed, { units: units.map((one) => ({ ...one, page: to(one.page) })) });
  if (collections.some(({ page, pages }) => [page, ...(pages ?? [])].some((path) => moves.has(path))))
    Object.assign(changed, {
      collections: collections.map((one) => ({ ...one, page: to(one.page), pages: one.pages?.map(to) ?? null })),
    });
  if (
    follows.some(({ page, source, rows }) =>
      [page, source.path, ...rows.map(({ full }) => full)].some((path) => moves.has(path)),
    )
  )
    Object.assign(changed, { follows: follows.map((one) => followedTo(one, to)) });
  if (texts.some(({ page }) => moves.has(page)))
    Object.assign(changed, { texts: texts.map((one) => ({ ...one, page: to(one.page) })) });
  if (emptied.some(({ page }) => moves.has(page)))
    Object.assign(changed, { emptied: emptied.map((one) => ({ ...one, page: to(one.page) })) });
  if (links.some(({ page, picture }) => moves.has(page) || moves.has(picture)))
    Object.assign(changed, { links: links.map((one) => ({ ...one, page: to(one.page), picture: to(one.picture) })) });
  return Object.keys(changed).length === 0 ? [] : notesChange(site, changed);
}

const followedTo = (one: FollowedList, to: (path: string) => string): FollowedList => ({
  ...one,
  page: to(one.page),
  source: { ...one.source, path: to(one.source.path) },
  rows: one.rows.map((row) => ({ ...row, full: to(row.full) })),
});

export function exchange(site: SiteReading, { one, other }: { one: string; other: string }): Planned {
  const [a, b] = [site.files.get(one), site.files.get(other)];
  if (!a || !b) return refuse(`There is no ${a ? other : one} any more.`);
  if (extensionOf(one) !== extensionOf(other))
    return refuse(
      `${nameOf(one)} and ${nameOf(other)} are of different formats; under one another’s names they would be told wrongly.`,
    );
  return {
    ok: true,
    change: {
      label: `Swap ${nameOf(one)} and its partner`,
      files: [
        { kind: 'put', path: one, before: a, after: b },
        { kind: 'put', path: other, before: b, after: a },
      ],
    },
  };
}

export function merge(site: SiteReading, { from, into }: { from: string; into: string }): Planned {
  return mergeMany(site, { merges: [{ from, into }] });
}

/** Copies given up, several at once; every reference leads to the one that is kept. */
export function mergeMany(
  site: SiteReading,
  { merges }: { merges: readonly { from: string; into: string }[] },
): Planned {
  const moves = new Map<string, string>();
  for (const { from, into } of merges) {
    if (!site.files.has(from) || !site.files.has(into))
      return refuse(`There is no ${site.files.has(from) ? into : from} any more.`);
    if (from === into) return refuse('A file cannot take its own place.');
    moves.set(from, into);
  }
  const given = [...moves.values()].find((into) => moves.has(into));
  if (given !== undefined) return refuse(`${nameOf(given)} would be deleted and kept at once.`);
  const [only] = moves;
  if (!only) return refuse('There is nothing to delete.');
  const files = [...mergeFiles(site, moves), ...wordsKept(site, moves)];
  const label = moves.size === 1 ? `Use ${only[1]} instead of ${only[0]}` : `Delete ${moves.size} copies`;
  return { ok: true, change: { label, files }, named: stillNamed(site, moves, files) };
}

/** What was said of a copy that goes, and not of the one that stays, is said of that one. */
function wordsKept(site: SiteReading, moves: ReadonlyMap<string, string>): FileChange[] {
  const hashOf = (path: string) => {
    const content = site.files.get(path);
    return content?.kind === 'binary' ? content.hash : null;
  };
  const heirs = [...moves].flatMap(([from, into]) => {
    const [of, is] = [hashOf(from), hashOf(into)];
    if (of === null || is === null) return [];
    const own = recordedIn(site, into, is);
    // What the file that stays says itself holds.
    const lacking = Object.entries(recordedIn(site, from, of)).filter(([name]) => !(name in own));
    return [{ of, is, recorded: Object.fromEntries(lacking) }];
  });
  const { known } = site.notes;
  const { words, tags } = inherited(known, heirs);
  return words === known.words && tags === known.tags ? [] : notesChange(site, { words, tags });
}
