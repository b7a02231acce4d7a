import { attributeOf, editAttribute, valueOf, type PageDocument, type PageElement } from '../markup/index.ts';
import { leadOf, type PageReading, type SiteReading } from '../model/index.ts';
import { planEdits, resolveInSite } from '../site/index.ts';
import { placeIn, type Fix, type Observation, type Rule } from './finding.ts';

export const anchorMissing: Rule = {
  id: 'anchor-missing',
  station: 'markup',
  title: 'Every link to a place in a page finds it there',
  find: (site) => {
    const known = new Map<PageReading, ReadonlySet<string>>();
    const placesOf = (page: PageReading): ReadonlySet<string> => {
      const places = known.get(page) ?? placesIn(page.document);
      known.set(page, places);
      return places;
    };
    return site.pages.flatMap((page) =>
      page.document.elements.flatMap((element): Observation[] => {
        const href = LINKS.has(element.tag) ? attributeOf(element, 'href') : undefined;
        const led = href && leadIn(site, page, href.value);
        if (!href || !led || isFound(led.fragment, placesOf(led.page))) return [];
        const { fragment } = led;
        const where = led.page === page ? 'this page' : led.page.path;
        return [
          {
            matter: `${page.path}:${href.value}`,
            severity: 'warning',
            says: `The link to #${fragment} finds no element of that id in ${where}.`,
            why: 'A click leads to the top of the page, or does nothing where it is open already.',
            place: placeIn(page, href.range),
            strand: null,
            joint: null,
            fixes: fixesFor(page, element, fragment, placesOf(led.page)),
          },
        ];
      }),
    );
  },
};

const LINKS = new Set(['a', 'area']);

/** What of an address is no place of a page: routes of scripts, and words to be found (URL Fragment Text Directives). */
const NO_PLACE = /^(?:[!/]|:~:)/;

/** WHATWG HTML §7.4.6.4: the top of a page needs no element. */
const isFound = (fragment: string, places: ReadonlySet<string>): boolean =>
  fragment.toLowerCase() === 'top' || places.has(fragment);

function placesIn({ elements }: PageDocument): ReadonlySet<string> {
  return new Set(
    elements.flatMap((element) => {
      const name = element.tag === 'a' ? valueOf(element, 'name') : undefined;
      return [valueOf(element, 'id'), name].flatMap((place) => (place ? [place] : []));
    }),
  );
}

/** The page of the site that a link leads to, and the place in it; null where it leads to none, or to no place. */
function leadIn(site: SiteReading, from: PageReading, address: string): { page: PageReading; fragment: string } | null {
  const target = resolveInSite(address, from.base);
  const fragment = 'fragment' in target ? (target.fragment ?? '') : '';
  if (fragment === '' || NO_PLACE.test(fragment)) return null;
  const lead = target.kind === 'file' ? leadOf(address, from.base, site.own) : null;
  const found = lead && site.index.lookup(lead.path);
  // A fragment alone counts from where the page's base leads.
  const there = found?.found === 'exact' ? found.path : null;
  const path = target.kind === 'fragment' ? from.base : there;
  const page = site.pages.find((one) => one.path === path);
  // What a server writes into a page is not known here.
  return page && page.document.templates.length === 0 ? { page, fragment } : null;
}

/** Another one is certain where it differs in capitals alone. */
function fixesFor(page: PageReading, element: PageElement, fragment: string, places: ReadonlySet<string>): Fix[] {
  const meant = [...places].filter((place) => place.toLowerCase() === fragment.toLowerCase());
  const [only] = meant;
  const before = (valueOf(element, 'href') ?? '').replace(/#.*$/s, '');
  if (only === undefined || meant.length > 1) return [];
  return [
    {
      kind: 'change',
      label: `Write #${only}`,
      plan: () =>
        planEdits(
          `Link to #${only}`,
          page.path,
          editAttribute(page.document, element, 'href', `${before}#${encodeURIComponent(only)}`),
        ),
    },
  ];
}
