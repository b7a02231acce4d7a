/** The two ways between a Markdown file and the part of a page that is made from it. */
import { carried, type TextRegion, textRegion } from '../../markdown/index.ts';
import { newlineOf, parsePage } from '../../markup/index.ts';
import { applyEdits, type Edit, type FileChange, refuse, type Result, smallestEdit } from '../../site/index.ts';
import type { PageReading } from '../reading.ts';
import { rebased } from './rebased.ts';
import { asOn, type PageText } from './texts.ts';

/** The page with what its file says. */
export function textWritten({ page, region: { range }, made }: PageText): Result<{ edits: Edit[] }> {
  const { text, units } = page.document;
  const before = text.slice(range.start, range.end);
  const after = made.replaceAll('\n', newlineOf(page.document));
  const edits = smallestEdit(before, after).map((edit) => ({
    ...edit,
    start: edit.start + range.start,
    end: edit.end + range.start,
  }));
  const applied = applyEdits(text, edits);
  if (!applied.ok) return applied;
  const now = parsePage(applied.text, units);
  const region = textRegion(now);
  const isOutside = (within: TextRegion) => (one: PageReading['document']['elements'][number]) =>
    one.open && (one.open.start < within.range.start || one.open.start >= within.range.end);
  const outside = (document: PageReading['document'], within: TextRegion) =>
    document.elements
      .filter(isOutside(within))
      .map(({ tag, parent }) => `${tag} ${parent?.tag ?? ''}`)
      .join();
  const stays = region && outside(page.document, { ...region, range }) === outside(now, region);
  return stays ? { ok: true, edits } : refuse('a tag that it opens and does not close would hold the rest of the page');
}

/** The file with what its page says; blocks that have not changed stay as they are written. */
export function sourceWritten(text: PageText): Result<{ files: FileChange[]; made: string }> {
  const { page, source, markdown, now } = text;
  const written = carried(markdown, rebased(now, page.base, source), asOn(page));
  if (!written.ok) return written;
  const made = rebased(written.made, source, page.base);
  const files: FileChange[] = [{ kind: 'edit', path: source, edits: written.edits }];
  // Blank lines between blocks are not what Markdown leaves there.
  const again = made === now ? null : textWritten({ ...text, made });
  if (again?.ok === false) return again;
  if (again) files.push({ kind: 'edit', path: page.path, edits: again.edits });
  return { ok: true, files, made };
}
