/** Every plan, held against what it may take and give, before it is made. */
import { type Changed, parsePage, type Stated, unstated } from '../markup/index.ts';
import type { SiteReading } from '../model/index.ts';
import { applyChange, isPagePath, type Planned, refuse } from '../site/index.ts';

/** The plan, or why it is refused: the first thing that would vanish, appear or move without having been asked for. */
export function conserved(site: SiteReading, planned: Planned, stated: Stated): Planned {
  if (!planned.ok) return planned;
  const touched = new Set(planned.change.files.flatMap((file) => (file.kind === 'rename' ? [] : [file.path])));
  const pages = [...touched].filter(isPagePath);
  if (pages.length === 0) return planned;
  // Names may have changed besides; what stands in a page is found under its name before.
  const files = planned.change.files.filter(({ kind }) => kind !== 'rename');
  const applied = applyChange(site.files, { ...planned.change, files });
  // Who makes the change says why it cannot be made.
  if (!applied.ok) return planned;
  const changed = pages.map((path): Changed => {
    const content = applied.files.get(path);
    const before = site.pages.find((page) => page.path === path)?.document ?? null;
    return { before, after: content?.kind === 'text' ? parsePage(content.text) : null };
  });
  const wrong = unstated(changed, stated);
  if (!wrong) return planned;
  const page = changed[wrong.page]?.[wrong.kind === 'appeared' ? 'after' : 'before'];
  const line = page ? page.lines.lineAt(wrong.at) : 0;
  return refuse(
    `The change was not made: ${wrong.says} would have ${wrong.kind}, in line ${line} of ${pages[wrong.page]}.`,
  );
}
