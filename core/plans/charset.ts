/**
 * New letters on pages that declare another encoding than UTF-8 and hold nothing but ASCII: written as UTF-8 they would
 * be read as other letters, so they stand as references.
 */
import {
  asReferences,
  charsetOf,
  isAscii,
  isUtf8,
  lacksLetters,
  parsePage,
  rawPlaces,
  type PageDocument,
} from '../markup/index.ts';
import type { SiteReading } from '../model/index.ts';
import {
  applyEdits,
  type Edit,
  type FileChange,
  isPagePath,
  type Planned,
  refuse,
  type Result,
} from '../site/index.ts';

export function inCharset(site: SiteReading, planned: Planned): Planned {
  if (!planned.ok) return planned;
  const files: FileChange[] = [];
  for (const file of planned.change.files) {
    const written = fileInCharset(site, file);
    if (!written.ok) return written;
    files.push(written.file);
  }
  return { ...planned, change: { ...planned.change, files } };
}

type Written = Result<{ file: FileChange }>;

function fileInCharset(site: SiteReading, file: FileChange): Written {
  if (file.kind === 'edit') {
    const page = site.pages.find(({ path }) => path === file.path);
    if (!page || file.edits.every(({ text }) => isAscii(text)) || !lacksLetters(page.document))
      return { ok: true, file };
    const edits = editsInCharset(page.document, file.edits);
    return edits.ok ? { ok: true, file: { ...file, edits: edits.edits } } : refuse(`${file.path}: ${edits.reason}`);
  }
  // A page that is made from another one has that one's declaration.
  if (file.kind !== 'put' || file.after?.kind !== 'text' || !isPagePath(file.path) || isAscii(file.after.text))
    return { ok: true, file };
  return madeInCharset(site, file, file.after.text);
}

const REFUSED =
  'this page does not declare UTF-8, and its encoding has no way to write these letters in a script, a style or a comment; let it declare UTF-8 first';

function editsInCharset(page: PageDocument, edits: readonly Edit[]): Result<{ edits: Edit[] }> {
  const applied = applyEdits(page.text, [...edits]);
  if (!applied.ok) return applied;
  const raw = rawPlaces(parsePage(applied.text, page.units));
  const written: Edit[] = [];
  let shift = 0;
  for (const edit of [...edits].sort((a, b) => a.start - b.start)) {
    const start = edit.start + shift;
    shift += edit.text.length - (edit.end - edit.start);
    const text = referred(edit.text, start, raw);
    if (text === null) return refuse(REFUSED);
    written.push({ ...edit, text });
  }
  return { ok: true, edits: written };
}

function madeInCharset(site: SiteReading, file: FileChange & { kind: 'put' }, text: string): Written {
  const page = parsePage(text);
  const declared = charsetOf(page);
  const others = site.pages.filter(({ document }) => charsetOf(document)?.label === declared?.label);
  // Where its like hold such letters already, the declaration is what is wrong.
  if (!declared || isUtf8(declared) || !others.some(({ document }) => lacksLetters(document)))
    return { ok: true, file };
  const written = referred(text, 0, rawPlaces(page));
  return written === null
    ? refuse(`${file.path}: ${REFUSED}`)
    : { ok: true, file: { ...file, after: { kind: 'text', text: written } } };
}

/** A text that stands at an offset of a page; null where it has letters that no reference can stand for. */
function referred(text: string, at: number, raw: readonly { start: number; end: number }[]): string | null {
  const end = at + text.length;
  const inside = raw.filter((place) => place.start < end && place.end > at);
  for (const place of inside)
    if (!isAscii(text.slice(Math.max(0, place.start - at), Math.max(0, place.end - at)))) return null;
  return asReferences(text);
}
