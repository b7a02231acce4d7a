import { rewire, type KitUse } from '../wiring/index.ts';
import { itemsOf, placeIn, type Finding, type Fix, type Rule } from './finding.ts';
import { answers } from '../wiring/index.ts';

export const claimedTwice: Rule = {
  id: 'claimed-twice',
  station: 'wiring',
  title: 'One script answers a click, and one attribute belongs to one script',
  find: (site) => {
    const findings = new Map<string, Finding>();
    for (const { page, strand, item } of itemsOf(site)) {
      const uses = page.wiring.uses.filter((use) => use.kit.manifest.does === 'overlay' && answers(use, item));
      const [first, second] = uses;
      const key = `claimed-twice:${page.path}:${uses.map(({ kit }) => kit.manifest.name).join('+')}`;
      if (!first || !second || findings.has(key)) continue;
      const off = (use: KitUse): Fix => ({ kind: 'change', label: `Take the ${use.kit.manifest.name} off this page`, plan: () => rewire(site, page, { from: use.kit, to: null }) });
      findings.set(key, {
        id: key,
        rule: 'claimed-twice',
        station: 'wiring',
        severity: 'broken',
        says: `Both the ${first.kit.manifest.name} and the ${second.kit.manifest.name} answer this link.`,
        why: 'Each opens the picture for itself: one lies over the other, and closing the first shows the second.',
        place: placeIn(page, item.link?.open),
        strand: strand.id,
        joint: 'viewer',
        fixes: [off(second), off(first)],
      });
    }
    return [...findings.values()];
  },
};
