/** Texts and their files in step with one another, whichever of them a change is of. */
import { cutLine } from '../../markup/index.ts';
import {
  type FileChange,
  lineprint,
  type Named,
  nameOf,
  type Planned,
  refuse,
  type SiteNotes,
} from '../../site/index.ts';
import { notesChange } from '../notesChange.ts';
import type { SiteReading } from '../reading.ts';
import { type PageText, textsOf } from './texts.ts';
import { sourceWritten, textWritten } from './written.ts';

/** What each of these pages shows from now on is what was written there last. */
function textsNoted(site: SiteReading, shown: ReadonlyMap<string, string>): Partial<SiteNotes> {
  const { texts } = site.notes.known;
  const fresh = [...shown].map(([page, lines]) => ({ page, print: lineprint(lines) }));
  const isKnown = fresh.every((one) => texts.some(({ page, print }) => page === one.page && print === one.print));
  if (isKnown) return {};
  return { texts: [...texts.filter(({ page }) => !shown.has(page)), ...fresh] };
}

/**
 * What a change means for texts: what changed in a file comes onto its page, and what the program has changed in a page
 * goes into its file. Where both would be needed, or it cannot be done, both stay; a finding asks which of them leads.
 */
export function textsInStep(before: SiteReading, site: SiteReading): Planned {
  const files: FileChange[] = [];
  const shown = new Map<string, string>();
  const left: Named[] = [];
  for (const one of textsOf(site)) {
    const was = textsOf(before).find(({ page, source }) => page.path === one.page.path && source === one.source);
    if (one.state === 'same') shown.set(one.page.path, one.now);
    else if (isFileAhead(one, was)) {
      const written = textWritten(one);
      // Until its file can be read otherwise the page stays as it is; a finding says so.
      if (!written.ok) continue;
      files.push({ kind: 'edit', path: one.page.path, edits: written.edits });
      shown.set(one.page.path, one.made);
    } else if (was?.state === 'same' && was.markdown === one.markdown) {
      const written = sourceWritten(one);
      if (written.ok) {
        files.push(...written.files);
        shown.set(one.page.path, written.made);
      } else left.push(notCarried(one, written.reason));
    }
  }
  return { ok: true, change: { label: '', files: [...files, ...notedAs(site, shown)] }, left };
}

/** The file has changed, and nobody has touched the page. */
const isFileAhead = (now: PageText, was: PageText | undefined): boolean =>
  now.state === 'behind' || (was?.state === 'same' && was.now === now.now);

function notCarried({ page, source, region: { range } }: PageText, reason: string): Named {
  const line = page.document.lines.lineAt(range.start);
  return {
    path: page.path,
    start: range.start,
    line,
    name: page.path,
    why: `cannot be written into ${source}: ${reason}`,
  };
}

/** Which of both says what the other says from now on. */
export function leadText(site: SiteReading, path: string, leads: 'file' | 'page'): Planned {
  const text = textsOf(site).find(({ page }) => page.path === path);
  if (!text) return refuse(GONE);
  const { source } = text;
  if (text.state === 'same') return refuse(`${path} and ${source} say the same.`);
  if (leads === 'file') {
    const written = textWritten(text);
    if (!written.ok) return refuse(`${source} cannot be written into ${path}: ${written.reason}.`);
    const files: FileChange[] = [{ kind: 'edit', path, edits: written.edits }];
    const label = `Write ${nameOf(path)} from ${nameOf(source)}`;
    return { ok: true, change: { label, files: [...files, ...notedAs(site, new Map([[path, text.made]]))] } };
  }
  const written = sourceWritten(text);
  if (!written.ok)
    return refuse(
      `${path} cannot be written into ${source}: ${written.reason}. Change it in ${source}, or keep the text of the page alone.`,
    );
  const label = `Write ${nameOf(source)} from ${nameOf(path)}`;
  const files = [...written.files, ...notedAs(site, new Map([[path, written.made]]))];
  return { ok: true, change: { label, files } };
}

const GONE = 'This page has no text out of a Markdown file any more.';

/** The page keeps its text, and is its author's alone from now on; the file stays. */
export function partText(site: SiteReading, path: string): Planned {
  const text = textsOf(site).find(({ page }) => page.path === path);
  if (!text) return refuse(GONE);
  const { begin, end } = text.region;
  const edits = [begin, end].map((mark) => cutLine(text.page.document, mark));
  const { texts } = site.notes.known;
  const notes = texts.some(({ page }) => page === path)
    ? notesChange(site, { texts: texts.filter(({ page }) => page !== path) })
    : [];
  const label = `Keep the text of ${nameOf(path)} in the page`;
  return { ok: true, change: { label, files: [{ kind: 'edit', path, edits }, ...notes] } };
}

const notedAs = (site: SiteReading, shown: ReadonlyMap<string, string>): FileChange[] => {
  const noted = textsNoted(site, shown);
  return Object.keys(noted).length === 0 ? [] : notesChange(site, noted);
};
