/** A text replaced by another in every text file of the site, as one change: the author's own typing, many times. */
import type { SiteReading } from '../model/index.ts';
import { byNaturalName, countOf, type Edit, type FileChange, type Planned, refuse } from '../site/index.ts';

export interface TextSought {
  find: string;
  /** Capitals and small letters are told apart. */
  matchCase: boolean;
  /** No letter or digit stands right before or behind it. */
  wholeWords: boolean;
}

/** Where a text stands in another; a line break in it is found however the file breaks its lines. */
function placesIn(text: string, { find, matchCase, wholeWords }: TextSought): { start: number; end: number }[] {
  if (find === '') return [];
  const escaped = find.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replace(/\r?\n/g, '\\r?\\n');
  const word = wholeWords ? `(?<![\\p{L}\\p{N}_])${escaped}(?![\\p{L}\\p{N}_])` : escaped;
  return [...text.matchAll(new RegExp(word, matchCase ? 'gu' : 'giu'))].map(({ index, 0: found }) => ({
    start: index,
    end: index + found.length,
  }));
}

/** Files in which it stands, with how often, by their names. */
export function textFound(
  { files }: Pick<SiteReading, 'files'>,
  sought: TextSought,
): { path: string; count: number }[] {
  return [...files]
    .map(([path, content]) => ({ path, count: content.kind === 'text' ? placesIn(content.text, sought).length : 0 }))
    .filter(({ count }) => count > 0)
    .sort((a, b) => byNaturalName(a.path, b.path));
}

export function replaceText(
  { files }: Pick<SiteReading, 'files'>,
  { replace, paths, ...sought }: TextSought & { replace: string; paths: readonly string[] },
): Planned {
  if (sought.find === '') return refuse('There is nothing to look for.');
  if (sought.find === replace) return refuse('Both texts are the same.');
  let count = 0;
  const changes = paths.flatMap((path): FileChange[] => {
    const content = files.get(path);
    if (content?.kind !== 'text') return [];
    const breaks = content.text.includes('\r\n') ? '\r\n' : '\n';
    const text = replace.replace(/\r?\n/g, breaks);
    const edits = placesIn(content.text, sought).map((place): Edit => ({ ...place, text }));
    count += edits.length;
    return edits.length === 0 ? [] : [{ kind: 'edit', path, edits }];
  });
  if (changes.length === 0) return refuse(`“${sought.find}” stands in none of these files.`);
  const where = changes.length === 1 ? (changes[0]?.path ?? '') : countOf(changes.length, 'file');
  const label = `Replace “${brief(sought.find)}” by “${brief(replace)}” (${countOf(count, 'place')} in ${where})`;
  return { ok: true, change: { label, files: changes } };
}

/** The beginning of a long text, in one line. */
const brief = (text: string): string => {
  const line = text.replace(/\s+/g, ' ').trim();
  return line.length > 30 ? `${line.slice(0, 29)}…` : line;
};
