/** Rules that a page needs once for a class of its own, in its last own stylesheet, behind those that are there. */
import type { Edit } from '../site/index.ts';
import { situationOf, type StyledSite, WIDE } from './declare.ts';
import type { Rule, Stylesheet } from './stylesheets.ts';
import { type WholeRule, wholeRules } from './write.ts';

/** Null where the page's stylesheets have them all, or where it has none that is the author's own. */
export function rulesForClass(
  site: StyledSite,
  page: string,
  rules: readonly WholeRule[],
): { path: string; edit: Edit } | null {
  const own = situationOf(site, page, WIDE)?.stylesheets.filter(({ kind }) => kind !== 'attribute') ?? [];
  const said = (selector: string) =>
    own.flatMap((stylesheet) => stylesheet.rules).find(({ prelude }) => prelude.trim() === selector) ?? null;
  const missing = rules.filter(({ selector }) => said(selector) === null);
  if (missing.length === 0) return null;
  const last = lastOfClass(own, rules[0]?.selector ?? '', site);
  const stylesheet = last?.stylesheet ?? own.findLast(({ path }) => !site.foreign(path));
  return stylesheet ? { path: stylesheet.path, edit: wholeRules(stylesheet, missing, last) } : null;
}

/** The last rule of the class that stands by itself in a stylesheet of the author's. */
function lastOfClass(own: readonly Stylesheet[], name: string, site: StyledSite): Rule | null {
  const isOf = ({ prelude, within }: Rule) => within === null && prelude.trim().startsWith(name);
  const theirs = own.filter(({ path }) => !site.foreign(path)).map(({ rules }) => rules.filter(isOf));
  return theirs.findLast((rules) => rules.length > 0)?.at(-1) ?? null;
}
