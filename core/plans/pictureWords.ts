/** What is said of a picture: by hand, else by its file, else by its name. */
import type { SiteReading } from '../model/index.ts';
import { wordsFromName, type PhotoFacts } from '../photo/index.ts';
import { stemOf, type SiteNotes } from '../site/index.ts';

export interface WordsView {
  title: string;
  caption: string;
  alt: string;
  credit: string;
  copyright: string;
}

export function wordsFor(
  { words, rights }: SiteNotes,
  hash: string,
  facts: PhotoFacts | undefined,
  path: string,
): WordsView {
  const said = words[hash] ?? {};
  const file = facts?.words ?? {};
  const title = said.title ?? file.title ?? wordsFromName(stemOf(path));
  const caption = said.caption ?? file.caption ?? title;
  return {
    title,
    caption,
    alt: said.alt ?? caption,
    credit: said.credit ?? file.credit ?? rights.credit,
    copyright: said.copyright ?? file.copyright ?? rights.copyright,
  };
}

/** When a picture was taken: by what is noted of it, else by its file; ISO date and time without zone. */
export const takenAtOf = ({ words }: SiteNotes, hash: string, facts: PhotoFacts | undefined): string | null =>
  words[hash]?.takenAt ?? facts?.takenAt ?? null;

/** What is said of a file of the site, with what its name alone says. */
export function wordsOf(site: SiteReading, path: string): WordsView & { fromName: string } {
  const content = site.files.get(path);
  return {
    ...wordsFor(site.notes.known, content?.kind === 'binary' ? content.hash : '', site.factsOf(path), path),
    fromName: wordsFromName(stemOf(path)),
  };
}
