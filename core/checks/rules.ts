/** Every rule. A new one is a file of its own and a line here. */
import { altMissing } from './altMissing.ts';
import { anotherPicture } from './anotherPicture.ts';
import { caseDiffers } from './caseDiffers.ts';
import { dummyLink } from './dummyLink.ts';
import { fileMissing } from './fileMissing.ts';
import type { Finding, Rule } from './finding.ts';
import { groupMissing } from './groupMissing.ts';
import { linkOpensPage } from './linkOpensPage.ts';
import { markerUnlike } from './markerUnlike.ts';
import { scriptOrder } from './scriptOrder.ts';
import { tooLarge } from './tooLarge.ts';
import type { SiteReading } from '../model/index.ts';

export const RULES: readonly Rule[] = [caseDiffers, fileMissing, anotherPicture, linkOpensPage, altMissing, markerUnlike, groupMissing, tooLarge, scriptOrder, dummyLink];

/** All findings: what is broken first, then by page and line. */
export function findingsOf(site: SiteReading): Finding[] {
  const rank = (finding: Finding) => (finding.severity === 'broken' ? 0 : 1);
  return RULES.flatMap((rule) => rule.find(site)).sort((a, b) => rank(a) - rank(b) || a.place.path.localeCompare(b.place.path) || (a.place.line ?? 0) - (b.place.line ?? 0));
}
