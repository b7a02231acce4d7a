import { STATES } from '../markup/index.ts';
import type { PageReading } from '../model/index.ts';
import { answers, groupAttribute, opensOnClick, rewire, type KitUse } from '../wiring/index.ts';
import { inScript } from './editScript.ts';
import { itemsOf, placeIn, type Observation, type Fix, type Rule } from './finding.ts';

export const claimedTwice: Rule = {
  id: 'claimed-twice',
  station: 'wiring',
  title: 'One script answers a click, and one attribute belongs to one script',
  find: (site) => {
    const findings = new Map<string, Observation>();
    for (const { page, strand, item } of itemsOf(site)) {
      const uses = page.wiring.uses.filter((use) => opensOnClick(use.kit.manifest) && answers(use, item));
      const [first, second] = uses;
      const key = `${page.path}:${uses.map(({ kit }) => kit.manifest.name).join('+')}`;
      if (!first || !second || findings.has(key)) continue;
      const off = (use: KitUse): Fix => ({
        kind: 'change',
        states: STATES.wires,
        label: `Remove the ${use.kit.manifest.name} from this page`,
        plan: () => rewire(site, page, { from: use.kit, to: null }),
      });
      findings.set(key, {
        matter: key,
        severity: 'error',
        says: `Both the ${first.kit.manifest.name} and the ${second.kit.manifest.name} answer this link.`,
        why: 'Each opens the picture for itself: one lies over the other, and closing the first shows the second.',
        place: placeIn(page, item.link?.open),
        strand: strand.id,
        joint: 'viewer',
        fixes: [off(second), off(first)],
      });
    }
    return [...findings.values(), ...site.pages.flatMap(takenFindings)];
  },
};

/** A script of one's own that changes an attribute which a viewer reads. */
function takenFindings(page: PageReading): Observation[] {
  return page.wiring.uses.flatMap(({ kit, claimed }): Observation[] => {
    const { marker, caption, name } = kit.manifest;
    const reads = [
      marker.attribute,
      groupAttribute(kit.manifest) ?? undefined,
      caption.attribute,
      caption.from.includes('title') ? 'title' : undefined,
    ];
    const [taken] = claimed.size === 0 ? [] : page.wiring.taken.filter((one) => reads.includes(one.name));
    if (!taken) return [];
    const { include } = taken.run;
    return [
      {
        matter: `${page.path}:${taken.name}:${include.written ?? 'inline'}`,
        severity: 'warning',
        says: `${include.written ?? 'This inline script'} changes ${taken.name}, which the ${name} reads.`,
        why:
          taken.name === 'title'
            ? 'Where it takes the titles away before a click, the viewer finds no caption in them.'
            : `Where it does so on a link that is meant for the ${name}, the viewer finds something else than what is written.`,
        place: inScript(page, include, { start: taken.at, end: taken.at }),
        strand: null,
        joint: 'viewer',
        fixes: [],
      },
    ];
  });
}
