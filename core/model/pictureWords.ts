/**
 * What is said of a picture: by hand, else by its file; its name gives a title
 * and a caption at most, where it is made of words.
 */
import type { SiteReading } from './reading.ts';
import {
  dateInName,
  saysNothing,
  toldByName,
  wordsFromName,
  type PhotoFacts,
  type PhotoWords,
} from '../photo/index.ts';
import { stemOf, type SiteNotes } from '../site/index.ts';

export interface WordsView {
  title: string;
  caption: string;
  alt: string;
  /** Title and caption are the file's name in words; nobody has said them. */
  isFromName: boolean;
  credit: string;
  copyright: string;
}

/** What a file says of its picture, but for what a camera writes into every one. */
function saidBy(facts: PhotoFacts | undefined): PhotoWords {
  const { title, caption, ...others } = facts?.words ?? {};
  return {
    ...others,
    ...(title === undefined || saysNothing(title) ? {} : { title }),
    ...(caption === undefined || saysNothing(caption) ? {} : { caption }),
  };
}

const rightsIn = ({ credit, copyright }: PhotoWords, all: SiteNotes['rights']): SiteNotes['rights'] => ({
  credit: credit ?? all.credit,
  copyright: copyright ?? all.copyright,
});

export function wordsFor(
  { words, rights }: SiteNotes,
  hash: string,
  facts: PhotoFacts | undefined,
  path: string,
): WordsView {
  const said = words[hash] ?? {};
  const file = saidBy(facts);
  const fromName = toldByName(stemOf(path));
  const title = said.title ?? file.title ?? fromName;
  const caption = said.caption ?? file.caption ?? title;
  // The name of a file is no alt text, whatever it says (WCAG 2.2, failure F30).
  const told = said.caption ?? file.caption ?? said.title ?? file.title ?? '';
  return {
    title,
    caption,
    alt: said.alt ?? told,
    isFromName: caption !== '' && told === '',
    ...rightsIn({ ...file, ...said }, rights),
  };
}

/**
 * When a picture was taken: by what is noted of it, else by its file, else by its name; ISO date, mostly with its
 * time, without zone.
 */
export const takenAtOf = (
  { words }: SiteNotes,
  hash: string,
  facts: PhotoFacts | undefined,
  path: string,
): string | null => words[hash]?.takenAt ?? facts?.takenAt ?? dateInName(stemOf(path));

/** What is said of a file of the site, with what its name alone says. */
export function wordsOf(site: SiteReading, path: string): WordsView & { fromName: string } {
  const content = site.files.get(path);
  return {
    ...wordsFor(site.notes.known, content?.kind === 'binary' ? content.hash : '', site.factsOf(path), path),
    fromName: wordsFromName(stemOf(path)),
  };
}
