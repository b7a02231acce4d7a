/** Selectors that find other elements once a page has more of them. */
import { matcherFor, type PageElement } from '../markup/index.ts';
import { situationOf, type StyledSite, WIDE } from './declare.ts';

/** Only these look at what stands around an element, or in it. */
const LOOKS_AROUND = /[>+~:]/;

/** The first selector that finds one of two twins and not the other, with which of the pairs it is; null without one. */
export function unlikeFor(
  site: StyledSite,
  page: string,
  twins: readonly (readonly [before: PageElement, after: PageElement])[],
): { selector: string; pair: number } | null {
  for (const { rules } of situationOf(site, page, WIDE)?.stylesheets ?? []) {
    for (const { selectors, prelude } of rules) {
      for (const { text } of selectors) {
        const finds = LOOKS_AROUND.test(text) ? matcherFor(text) : null;
        const pair = finds ? twins.findIndex(([before, after]) => finds(before) !== finds(after)) : -1;
        // As the author wrote it.
        if (pair >= 0) return { selector: prelude.trim(), pair };
      }
    }
  }
  return null;
}
