/** What a rehearsal found wrong, as findings beside those of the checks: one for each matter, however many pictures have it. */
import type { Strand } from '../model/index.ts';
import { countOf, grouped } from '../site/index.ts';
import type { Sight, WindowName } from '../wiring/index.ts';
import type { FindingView } from './siteView.ts';

export interface SightOf {
  strand: Strand;
  window: WindowName;
  sight: Sight;
}

/** A matter of a page, the first picture that has it, and how many others in which windows. */
export interface SightView {
  key: string;
  sight: Sight;
  strand: Strand;
  /** Names of the others. */
  others: string[];
  windows: WindowName[];
}

export function sightsTogether(seen: readonly SightOf[]): SightView[] {
  const matters = grouped(seen, ({ sight }) => `${sight.rule} ${sight.severity} ${sight.about}`);
  return [...matters].flatMap(([key, all]) => {
    const [first] = all;
    if (!first) return [];
    const strands = new Map(all.map(({ strand }) => [strand.id, strand.name]));
    strands.delete(first.strand.id);
    const windows = [...new Set(all.map(({ window }) => window))];
    return [{ key, sight: first.sight, strand: first.strand, others: [...strands.values()], windows }];
  });
}

/** As a line: what, of which pictures, in which windows. */
export function sayingOf({ sight, strand, others, windows }: SightView): string {
  const whose = others.length > 0 ? `${strand.name} and ${countOf(others.length, 'other')}` : strand.name;
  return `${sight.says} (${whose}, ${windows.join(' and ')})`;
}

/** `stale` says that something of the site has changed since. */
export function rehearsalFindings(page: string, seen: readonly SightOf[], stale: boolean): FindingView[] {
  const since = stale ? ' Seen before the last change: rehearse the page again.' : '';
  return sightsTogether(seen).flatMap((matter): FindingView[] => {
    const { sight, strand, key } = matter;
    if (sight.severity === 'unconfirmed') return [];
    return [
      {
        id: `${sight.rule} ${page} ${key}`,
        rule: sight.rule,
        station: 'proof',
        severity: sight.severity,
        says: sayingOf(matter),
        why: `${sight.why}${since}`,
        place: { path: page, line: strand.lines.first, start: strand.range.start, end: strand.range.end },
        strand: strand.id,
        joint: null,
        fixes: [],
        certain: false,
      },
    ];
  });
}
