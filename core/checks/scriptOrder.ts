import type { Edit } from '../site/index.ts';
import { verified, type PageElement } from '../markup/index.ts';
import type { PageReading } from '../model/index.ts';
import { placeIn, planEdits, type Finding, type Rule } from './finding.ts';

export const scriptOrder: Rule = {
  id: 'script-order',
  station: 'wiring',
  title: 'A viewer’s script is loaded before it is started',
  find: (site) => site.pages.flatMap((page): Finding[] => {
    const { kit, script, starts } = page.wiring;
    const early = starts.find((start) => start.tooEarly);
    if (!kit || !script || !early) return [];
    const name = early.include.written ?? 'this inline script';
    return [{
      id: `script-order:${page.path}`,
      rule: 'script-order',
      station: 'wiring',
      severity: 'broken',
      says: `${name} calls ${kit.manifest.start.call}() before ${script.written} is loaded.`,
      why: `The browser stops ${name} there with “${kit.manifest.start.call} is not defined”; its settings are lost.`,
      place: placeIn(page, early.include.element.range),
      strand: null,
      joint: 'viewer',
      fixes: [{ kind: 'change', label: 'Load them in the right order', plan: () => planEdits(`Put the scripts of ${page.path} in order`, page.path, exchange(page, early.include.element, script.element)) }],
    }];
  }),
};

/** The two tags change places; what stands between them stays. */
function exchange(page: PageReading, a: PageElement, b: PageElement) {
  if (!a.range || !b.range) return { ok: false as const, reason: 'One of the scripts is not in the source.' };
  const edits: Edit[] = [
    { ...a.range, text: page.text.slice(b.range.start, b.range.end) },
    { ...b.range, text: page.text.slice(a.range.start, a.range.end) },
  ];
  return verified(page.document, edits, (after) => (after.elements.length === page.document.elements.length ? null : 'other elements would appear or vanish'));
}
