/** What checkers say of pages, mended where it is beyond doubt: a browser builds the same page of it as before. */
import { type MarkupFix, markupFix } from '../checks/index.ts';
import { differenceOf, parsePage } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { applyEdits, countOf, type Edit, type FileChange, grouped, type Planned, refuse } from '../site/index.ts';

interface Said {
  page: string;
  /** As the checker calls it. */
  rule: string;
  /** Where it stands in the page's text. */
  at: number;
}

/** Those that a browser would make something else of are left out. */
export function fixMarkup(site: SiteReading, { messages }: { messages: readonly Said[] }): Planned {
  const files: FileChange[] = [];
  let fixed = 0;
  let trouble: string | null = null;
  for (const [path, said] of grouped(messages, ({ page }) => page)) {
    const page = site.pages.find((one) => one.path === path);
    if (!page) return refuse(`There is no page ${path} any more.`);
    const fixes = apart(said.flatMap(({ rule, at }) => markupFix(site, page, rule, at) ?? []));
    const done = harmless(page, fixes);
    trouble ??= done.trouble;
    if (done.fixes.length > 0) files.push({ kind: 'edit', path, edits: done.fixes.map(({ edit }) => edit) });
    fixed += done.fixes.length;
  }
  if (fixed === 0)
    return refuse(trouble ?? 'This is fixed already, or the page has changed meanwhile. Wait for the next check.');
  return { ok: true, change: { label: `Fix ${countOf(fixed, 'message')} of the checkers`, files } };
}

/** In their order, without those that touch another one. */
function apart(fixes: readonly MarkupFix[]): MarkupFix[] {
  const sorted = [...fixes].sort((a, b) => a.edit.start - b.edit.start || a.edit.end - b.edit.end);
  return sorted.filter(({ edit }, n) => {
    const before = sorted[n - 1]?.edit;
    return !before || edit.start > before.end || (edit.start === before.end && edit.end > edit.start);
  });
}

/** All of them; where the page would be another one, as many as leave it as it is. */
function harmless(page: PageReading, fixes: readonly MarkupFix[]): { fixes: MarkupFix[]; trouble: string | null } {
  const trouble = troubleWith(page, fixes);
  const [only] = fixes;
  if (trouble === null || !only || fixes.length === 1) return { fixes: trouble === null ? [...fixes] : [], trouble };
  const middle = fixes.length >> 1;
  const [first, second] = [harmless(page, fixes.slice(0, middle)), harmless(page, fixes.slice(middle))];
  const both = [...first.fixes, ...second.fixes];
  return troubleWith(page, both) === null ? { fixes: both, trouble } : first;
}

function troubleWith({ document }: PageReading, fixes: readonly MarkupFix[]): string | null {
  const edits: Edit[] = fixes.map(({ edit }) => edit);
  const applied = applyEdits(document.text, edits);
  if (!applied.ok) return applied.reason;
  const wishes = new Map(fixes.flatMap(({ sets }) => (sets ? [[sets.element.index, sets] as const] : [])));
  const wrong = differenceOf(
    document,
    parsePage(applied.text, document.units),
    new Map([...wishes].map(([n, { name, value }]) => [n, new Map([[name, value]])])),
  );
  return wrong && `The change was not made: ${wrong}.`;
}
