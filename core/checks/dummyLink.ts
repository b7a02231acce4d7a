import { ancestors, attributeOf, editAttribute, textOf, titleOf, type PageElement } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { byNaturalName, planEdits, relativeReference, stemOf } from '../site/index.ts';
import { itemsOf, placeIn, type Observation, type Fix, type Rule } from './finding.ts';

export const dummyLink: Rule = {
  id: 'dummy-link',
  station: 'markup',
  title: 'No link is a placeholder',
  find: (site) => {
    const items = [...itemsOf(site)].map(({ item }) => item);
    const inGallery = new Set(items.map(({ link }) => link));
    // What a link to an id lets appear is closed by a link to none (Selectors 4, `:target`).
    const shown = new Set(items.flatMap(({ elsewhere }) => elsewhere));
    const closes = (element: PageElement) => [...ancestors(element)].some((one) => shown.has(one));
    return site.pages.flatMap((page) =>
      page.document.elements.flatMap((element): Observation[] => {
        const attribute = element.tag === 'a' ? attributeOf(element, 'href') : undefined;
        if (attribute?.value.trim() !== '#' || inGallery.has(element) || closes(element)) return [];
        const words = textOf(element).trim();
        const fixes = likelyPages(site, page, words).map((target): Fix => ({
          kind: 'change',
          label: `Link to ${target.path}`,
          plan: () =>
            planEdits(
              `Link “${words}” to ${target.path}`,
              page.path,
              editAttribute(page.document, element, 'href', relativeReference(page.base, target.path)),
            ),
        }));
        return [
          {
            matter: `${page.path}:${words}`,
            severity: 'error',
            says: `“${words}” links to #, which is no page.`,
            why: 'A click jumps to the top of the same page.',
            place: placeIn(page, attribute.range),
            strand: null,
            joint: null,
            fixes,
          },
        ];
      }),
    );
  },
};

/**
 * Pages whose name, title or other pages' links share a word with the text of the link, likeliest first; at most two.
 */
function likelyPages(site: SiteReading, from: PageReading, words: string): PageReading[] {
  const wanted = tokens(words);
  const score = (page: PageReading) => {
    const linked = site.pages.flatMap((other) => (other === page ? [] : linkTexts(other, page.path)));
    const names = [stemOf(page.path), titleOf(page.document) ?? '', ...linked].flatMap(tokens);
    return wanted.filter((word) => names.includes(word)).length;
  };
  return site.pages
    .filter((page) => page.path !== from.path)
    .map((page) => ({ page, points: score(page) }))
    .filter(({ points }) => points > 0)
    .sort((a, b) => b.points - a.points || byNaturalName(a.page.path, b.page.path))
    .slice(0, 2)
    .map(({ page }) => page);
}

function linkTexts(page: PageReading, target: string): string[] {
  const leads = (element: PageElement) =>
    element.tag === 'a' && relativeReference(page.base, target) === attributeOf(element, 'href')?.value;
  return page.document.elements.filter(leads).map(textOf);
}

const tokens = (text: string) => text.toLowerCase().match(/[\p{L}\d]{3,}/gu) ?? [];
