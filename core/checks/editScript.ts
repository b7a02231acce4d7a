/** Edits of a script, whether it stands in the page or in a file of its own. */
import type { PageReading, SiteReading } from '../model/index.ts';
import { applyEdits, type Edit, type Planned, refuse } from '../site/index.ts';
import { readScript, type Include } from '../wiring/index.ts';
import { type Finding, placeIn, planPage } from './finding.ts';

/** Where a piece of a script stands: in the page, or in the tag that loads its file. */
export const inScript = (
  page: PageReading,
  { inline, element }: Include,
  { start, end }: { start: number; end: number },
): Finding['place'] => placeIn(page, inline ? { start: inline.start + start, end: inline.start + end } : element.range);

/** Offsets are those of the script; what comes out must parse. */
export function editScript(
  page: PageReading,
  include: Include,
  edits: readonly Edit[],
  label: string,
  site: SiteReading,
): Planned {
  const file = include.lookup.found === 'exact' ? include.lookup.path : null;
  const path = include.inline ? page.path : file;
  const content = path === null ? undefined : site.files.get(path);
  const text = include.inline?.text ?? (content?.kind === 'text' ? content.text : null);
  if (path === null || text === null) return refuse(`${include.written ?? 'The script'} is not there any more.`);
  const applied = applyEdits(text, [...edits]);
  if (!applied.ok) return applied;
  const reading = readScript(applied.text, include.module ? 'module' : 'script');
  if (!reading.ok) return refuse(`The change was not made: the script would not parse (${reading.reason}).`);
  if (!include.inline) return { ok: true, change: { label, files: [{ kind: 'edit', path, edits: [...edits] }] } };
  const { start } = include.inline;
  return planPage(
    page,
    label,
    edits.map((edit) => ({ ...edit, start: edit.start + start, end: edit.end + start })),
  );
}
