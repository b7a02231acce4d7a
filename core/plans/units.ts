/**
 * What an item is, as the author says it: confirmed, corrected, or that pictures are no gallery. Remembered in the
 * site's notes.
 */
import {
  ancestors,
  descendants,
  elementAt,
  galleriesOf,
  matches,
  shownAddress,
  valueOf,
  type PageElement,
  type UnitHint,
} from '../markup/index.ts';
import { changeNotes, type PageReading, type SiteReading } from '../model/index.ts';
import { type Planned, refuse } from '../site/index.ts';

/** One way to take an item: from the picture outwards. */
export interface UnitChoice {
  selector: string;
  /** The start tag in short: `<p class="shot">`. */
  says: string;
  /** How many items that would make. */
  items: number;
  /** Items are these elements now. */
  now: boolean;
}

const isPicture = (element: PageElement): boolean => shownAddress(element) !== null;
const NAME = /^[A-Za-z_][\w-]*$/;

/** A selector that finds an element and its like: by its class, or by what it stands in. */
function selectorOf(element: PageElement): string {
  const own = (valueOf(element, 'class') ?? '').split(/\s+/).find((name) => NAME.test(name));
  if (own) return `${element.tag}.${own}`;
  const id = element.parent && valueOf(element.parent, 'id');
  const { parent } = element;
  if (!parent || parent.tag === 'body' || parent.tag === 'html') return `body > ${element.tag}`;
  return `${id && NAME.test(id) ? `#${id}` : selectorOf(parent)} > ${element.tag}`;
}

/**
 * From the element at an offset of the source, or from the picture in it, outwards to the body. Empty where there is
 * no picture.
 */
export function unitChoices(
  { document: page, galleries }: Pick<PageReading, 'document' | 'galleries'>,
  offset: number,
): UnitChoice[] {
  const at = elementAt(page, offset);
  const picture = at && [at, ...descendants(at)].find(isPicture);
  if (!picture) return [];
  const around = [picture, ...ancestors(picture)].filter(
    ({ tag, range }) => range && !['html', 'body', 'picture'].includes(tag),
  );
  const items = new Set(galleries.flatMap((gallery) => gallery.items.flatMap(({ elements }) => elements)));
  const choices = around.map((element): UnitChoice => {
    const selector = selectorOf(element);
    const found = matches(page, selector);
    const bearing = found.ok ? found.elements.filter((one) => [one, ...descendants(one)].some(isPicture)) : [];
    const name = valueOf(element, 'class');
    return {
      selector,
      says: `<${element.tag}${name ? ` class="${name}"` : ''}>`,
      items: bearing.length,
      now: items.has(element),
    };
  });
  return choices.filter((one, n) => choices.findIndex(({ selector }) => selector === one.selector) === n);
}

/** `gallery` null takes back what was said of it. */
export function setUnits(
  site: SiteReading,
  { page: path, selector, gallery }: { page: string; selector: string; gallery: boolean | null },
): Planned {
  const page = site.pages.find((one) => one.path === path);
  if (!page) return refuse(`There is no page ${path} any more.`);
  const meant = matches(page.document, selector);
  if (!meant.ok || meant.elements.length === 0) return refuse(`No element of ${path} is “${selector}” any more.`);
  const touched = new Set(
    meant.elements.flatMap((element) => [element, ...ancestors(element), ...descendants(element)]),
  );
  const { units } = site.notes.known;
  // What was said of the same pictures before is taken back with it.
  const others = units.filter((one) => {
    const found = one.page === path ? matches(page.document, one.selector) : null;
    return !found?.ok || !found.elements.some((element) => touched.has(element) && element.tag !== 'body');
  });
  const said: UnitHint | null = gallery === null ? null : { selector, gallery };
  if (said?.gallery) {
    const hints = [...others.filter((one) => one.page === path), said];
    const read = galleriesOf({ ...page.document, units: hints });
    if (
      !read.some(({ items }) =>
        items.some(({ elements: [element], source }) => source !== null && element && meant.elements.includes(element)),
      )
    )
      return refuse('With that there would be no item with a picture.');
  } else if (said === null && others.length === units.length) return refuse('Nothing was said of it.');
  const taken = gallery
    ? `Set ${meant.elements.length} × ${selector} as items of ${path}`
    : `Set ${selector} as not a gallery on ${path}`;
  const label = gallery === null ? `Remove the choice of items on ${path}` : taken;
  return changeNotes(site, label, { units: said ? [...others, { page: path, ...said }] : others });
}
