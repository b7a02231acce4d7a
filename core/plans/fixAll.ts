/** What findings offer, made all together. */
import { findingsOf, type Fix } from '../checks/index.ts';
import type { SiteReading } from '../model/index.ts';
import { countOf, type FileChange, type Named, type Planned, refuse } from '../site/index.ts';
import { Steps } from './steps.ts';

type PlanFix = (site: SiteReading, fix: Fix | undefined) => Planned;

/** Many fixes as one change: each is planned for the site as those before it leave it. */
export function fixAll(site: SiteReading, findings: readonly string[], planFix: PlanFix): Planned {
  const steps = new Steps(site);
  const untold: Untold = { named: [], left: [], reasons: [] };
  let fixed = 0;
  // From the last to the first: of several alike the others keep their numbers.
  for (let waiting = findings.toReversed(); waiting.length > 0;) {
    const round = roundOf(steps.site, waiting, planFix, untold);
    if (round.files.length === 0) break;
    const trouble = steps.do({ ok: true, change: { label: '', files: round.files } });
    if (trouble !== null) return refuse(trouble);
    fixed += round.fixed;
    ({ waiting } = round);
  }
  const { named, left, reasons } = untold;
  if (fixed === 0)
    return refuse(reasons[0] ?? 'These findings are fixed already, or the pages have changed meanwhile.');
  return { ok: true, change: { label: `Fix ${countOf(fixed, 'finding')}`, files: steps.files() }, named, left };
}

/** What is told of fixes besides their changes. */
interface Untold {
  named: Named[];
  left: Named[];
  /** Why some could not be made. */
  reasons: string[];
}

interface Round {
  files: FileChange[];
  fixed: number;
  /** Findings for the next one. */
  waiting: string[];
}

/**
 * As many as touch no file twice, so that a site need not be read again after each; what renames files or puts them in
 * place has a round to itself. What another fix has mended already is passed over.
 */
function roundOf(site: SiteReading, findings: readonly string[], planFix: PlanFix, untold: Untold): Round {
  const known = new Map(findingsOf(site).map((finding) => [finding.id, finding]));
  const touched = new Set<string>();
  const round: Round = { files: [], fixed: 0, waiting: [] };
  let isAlone = false;
  for (const id of findings) {
    const finding = known.get(id);
    if (!finding) continue;
    const planned: Planned | null = isAlone ? null : planFix(site, finding.fixes[0]);
    const files: readonly FileChange[] = planned?.ok ? planned.change.files : [];
    const alone = files.some(({ kind }) => kind !== 'edit');
    const isFree = alone ? touched.size === 0 : files.every(({ path }) => !touched.has(path));
    if (!planned || (planned.ok && !isFree)) round.waiting.push(id);
    else if (!planned.ok) untold.reasons.push(planned.reason);
    else {
      round.files.push(...files);
      round.fixed++;
      for (const { path } of files) touched.add(path);
      untold.named.push(...(planned.named ?? []));
      untold.left.push(...(planned.left ?? []));
      isAlone = alone;
    }
  }
  return round;
}
