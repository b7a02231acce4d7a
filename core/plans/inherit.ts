/**
 * What people and cameras have said of a picture goes along to whatever takes its place: what is made of it, the copy
 * that is kept, the same file under another name.
 */
import { dateInName } from '../photo/index.ts';
import type { SiteReading } from '../model/index.ts';
import { type PictureWords, type SiteNotes, stemOf } from '../site/index.ts';

/** A content that takes the place of another. */
export interface Heir {
  of: string;
  is: string;
  /** What the other one's file says, which the new one need not. */
  recorded: PictureWords;
}

/** What a picture's own file says of it, if it still holds that content, and the date that its name says. */
export function recordedIn(site: SiteReading, path: string, hash: string): PictureWords {
  const content = site.files.get(path);
  const facts = content?.kind === 'binary' && content.hash === hash ? site.factsOf(path) : undefined;
  const takenAt = facts?.takenAt ?? dateInName(stemOf(path));
  return { ...facts?.words, ...(takenAt === null ? {} : { takenAt }) };
}

/**
 * What is noted of a content by its hash is noted of what takes its place, too; the old note stays, for an undo.
 * Of two that one content takes the place of, the later in the list is the nearer: what it says holds.
 */
export function inherited(
  { words, tags, focus, placeKept, order, decisions }: SiteNotes,
  heirs: readonly Heir[],
): Partial<SiteNotes> {
  const passOn = <T>(all: Record<string, T>): Record<string, T> => {
    const added = heirs.flatMap(({ of, is }) =>
      all[of] !== undefined && all[is] === undefined ? [[is, all[of]] as const] : [],
    );
    return added.length === 0 ? all : { ...all, ...Object.fromEntries(added) };
  };
  const heirOf = new Map(heirs.map(({ of, is }) => [of, is]));
  const listed = (hashes: readonly string[]) => [
    ...new Set(hashes.flatMap((hash) => [hash, heirOf.get(hash) ?? hash])),
  ];
  const heir = (hash: string) => heirOf.get(hash) ?? hash;
  const more = decisions
    .filter(({ small, large }) => heirOf.has(small) || heirOf.has(large))
    .map((one) => ({ ...one, small: heir(one.small), large: heir(one.large) }));
  return {
    words: wordsPassedOn(words, heirs),
    tags: passOn(tags),
    focus: passOn(focus),
    placeKept: listed(placeKept),
    order: { ...order, hand: listed(order.hand) },
    decisions: [
      ...decisions,
      ...more.filter((one) => !decisions.some((known) => known.small === one.small && known.large === one.large)),
    ],
  };
}

/** Words are passed on one by one, so that what was said by hand joins what a camera recorded. */
function wordsPassedOn(words: SiteNotes['words'], heirs: readonly Heir[]): SiteNotes['words'] {
  const passed: SiteNotes['words'] = {};
  for (const { of, is, recorded } of heirs) passed[is] = { ...passed[is], ...recorded, ...words[of] };
  const said = Object.entries(passed).filter(([, one]) => Object.keys(one).length > 0);
  return said.length === 0
    ? words
    : { ...words, ...Object.fromEntries(said.map(([hash, one]) => [hash, { ...one, ...words[hash] }])) };
}

/**
 * Words for files that get other names: a date that only the old name says is noted, unless the new one says it too.
 */
export function datesKept(
  site: SiteReading,
  moves: Iterable<readonly [from: string, to: string]>,
): Partial<Pick<SiteNotes, 'words'>> {
  const { words } = site.notes.known;
  const noted: SiteNotes['words'] = {};
  for (const [from, to] of moves) {
    const content = site.files.get(from);
    const date = dateInName(stemOf(from));
    if (content?.kind !== 'binary' || date === null || date === dateInName(stemOf(to))) continue;
    // Of a picture that is not read yet nobody knows whether its file says another.
    const facts = site.factsOf(from);
    if (!facts || facts.takenAt !== undefined || words[content.hash]?.takenAt !== undefined) continue;
    noted[content.hash] = { ...words[content.hash], takenAt: date };
  }
  return Object.keys(noted).length === 0 ? {} : { words: { ...words, ...noted } };
}
