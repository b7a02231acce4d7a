/** A rule for all elements of one kind on a page, where no stylesheet says anything of them. */
import type { Edit } from '../site/index.ts';
import { situationOf, type StyledSite, WIDE } from './declare.ts';
import { ruleAtEnd } from './write.ts';

interface KindRule {
  tag: string;
  property: string;
  value: string;
  /** What it is for: the comment above the rule. */
  purpose: string;
}

/** The edit of the page's last own stylesheet; null where that says something of such elements, or where there is none. */
export function ruleForKind(
  site: StyledSite,
  page: string,
  { tag, ...said }: KindRule,
): { path: string; edit: Edit } | null {
  const own = situationOf(site, page, WIDE)?.stylesheets.filter(({ kind }) => kind !== 'attribute') ?? [];
  const isNamed = new RegExp(`(?:^|[\\s>+~,])${tag}(?![\\w-])`, 'i');
  if (own.some(({ rules }) => rules.some(({ prelude }) => isNamed.test(prelude)))) return null;
  const stylesheet = own.findLast(({ path }) => !site.foreign(path));
  if (!stylesheet) return null;
  return { path: stylesheet.path, edit: ruleAtEnd(stylesheet, { selector: tag, media: null, ...said }) };
}
