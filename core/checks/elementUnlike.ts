import { closest, cutLine, someInside, STATES, valueOf, type PageElement } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import type { Edit } from '../site/index.ts';
import { isSlipOf, openable, rewire, type KitUse } from '../wiring/index.ts';
import { placeIn, planPage, type Observation, type Rule } from './finding.ts';

export const elementUnlike: Rule = {
  id: 'element-unlike',
  station: 'wiring',
  title: 'A viewer’s own element is written as its script defines it, around all that is meant',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.wiring.uses.flatMap(
        (use) => undefinedName(page, use) ?? misspelt(page, use) ?? outside(page, use) ?? frameless(site, page, use),
      ),
    ),
};

/** Names with a hyphen that stand around pictures of the page, and are no viewer's. */
const othersOn = (page: PageReading, element: string): PageElement[] =>
  page.document.elements.filter(({ tag, open }) => tag.includes('-') && tag !== element && open !== null);

function misspelt(page: PageReading, { kit }: KitUse): Observation[] | null {
  const { element } = kit.manifest.marker;
  if (element === undefined) return null;
  const wrong = othersOn(page, element).filter(({ tag }) => isSlipOf(tag, element));
  if (wrong.length === 0) return null;
  return wrong.map((one) => ({
    matter: `${page.path}:${one.tag}`,
    severity: 'error',
    says: `<${one.tag}> is nothing that a script defines; the ${kit.manifest.name} defines <${element}>.`,
    why: 'To a browser an element of an unknown name is a plain one: what stands in it is shown, and nothing answers a click.',
    place: placeIn(page, one.open),
    strand: null,
    joint: 'viewer',
    fixes: [
      {
        kind: 'change',
        states: STATES.includes,
        label: `Correct to <${element}>`,
        plan: () => planPage(page, `Correct <${one.tag}> on ${page.path}`, renamed(page, one, element)),
      },
    ],
  }));
}

/** In the opening and the closing tag. */
function renamed({ text }: PageReading, { open, close, tag }: PageElement, name: string): Edit[] {
  return [open, close].flatMap((one) => {
    if (!one) return [];
    const start = one.start + (text.startsWith('</', one.start) ? 2 : 1);
    return [{ start, end: start + tag.length, text: name }];
  });
}

/** The script defines another name than pages and manual say. */
function undefinedName(page: PageReading, { kit, marked, files }: KitUse): Observation[] | null {
  const { element } = kit.manifest.marker;
  const own = new Set(files.flatMap(({ includes }) => includes));
  const defined = page.wiring.scripts
    .filter(({ include }) => own.has(include))
    .flatMap(({ reading }) => (reading?.ok ? reading.elements : []));
  const [first] = marked;
  if (element === undefined || !first || defined.length === 0 || defined.some(({ name }) => name === element))
    return null;
  const names = defined.map(({ name }) => `<${name}>`).join(', ');
  return [
    {
      matter: `${page.path}:${element} not defined`,
      severity: 'error',
      says: `<${element}> is never defined; the script defines ${names}.`,
      why: 'To a browser an element of an unknown name is a plain one: what stands in it is shown, and nothing answers a click.',
      place: placeIn(page, first.open),
      strand: null,
      joint: 'viewer',
      // Which of the two names is meant, only its author knows.
      fixes: [],
    },
  ];
}

/** Pictures that stand beside the element which holds their neighbours. */
function outside(page: PageReading, { kit, marked }: KitUse): Observation[] | null {
  const { element } = kit.manifest.marker;
  if (element === undefined || marked.length === 0) return null;
  if (kit.manifest.marker.on === 'link') return null;
  const isIn = (one: PageElement) => closest(one, ({ tag }) => tag === element) !== null;
  const links = page.document.elements.filter((one) => one.tag === 'a' && showsPicture(page, one) && !isIn(one));
  return links.flatMap((link): Observation[] => {
    const beside = besideOf(link, marked);
    if (!beside) return [];
    return [
      {
        matter: `${page.path}:${valueOf(link, 'href') ?? ''} outside`,
        severity: 'error',
        says: `This link stands outside of <${element}>, which holds its neighbours.`,
        why: `The ${kit.manifest.name} hears clicks in its element alone: this one leaves the page and shows the picture by itself.`,
        place: placeIn(page, link.open),
        strand: null,
        joint: 'viewer',
        fixes: [
          {
            kind: 'change',
            states: { ...STATES.includes, moves: true },
            label: `Let <${element}> hold it as well`,
            plan: () => planPage(page, `Let <${element}> hold more on ${page.path}`, widened(page, beside)),
          },
        ],
      },
    ];
  });
}

/** Links that lack the element which their neighbours have around them. */
function frameless(site: SiteReading, page: PageReading, { kit }: KitUse): Observation[] {
  const { element, on } = kit.manifest.marker;
  if (element === undefined || on !== 'link') return [];
  const isIn = ({ link }: Item) => link !== null && closest(link, ({ tag }) => tag === element) !== null;
  return page.galleries.flatMap(({ items, container }, g) => {
    // One that is written otherwise may be read as a gallery of its own beside the others.
    const beside = page.galleries.filter((one) => one.container === container).flatMap((one) => one.items);
    const count = beside.filter(isIn).length;
    return items.flatMap((item, n): Observation[] => {
      const strand = page.strands[g]?.[n];
      if (count === 0 || isIn(item) || !openable(page.base, item) || !strand) return [];
      return [
        {
          matter: `${page.path}:${strand.name} without element`,
          severity: 'error',
          says: `This link has no <${element}> around it; ${count} of its neighbours have.`,
          why: `The ${kit.manifest.name} does not know of it: a click leaves the page and shows the picture alone.`,
          place: placeIn(page, item.link?.open),
          strand: strand.id,
          joint: 'viewer',
          fixes: [
            {
              kind: 'change',
              states: STATES.wires,
              label: `Put <${element}> around it`,
              plan: () => rewire(site, page, { from: null, to: kit }),
            },
          ],
        },
      ];
    });
  });
}

type Item = PageReading['galleries'][number]['items'][number];

const showsPicture = (page: PageReading, link: PageElement): boolean =>
  openable(page.base, { link }) && someInside(link, ({ tag }) => tag === 'img');

interface Beside {
  holder: PageElement;
  /** What stands in the same place as the holder, and has the link in it. */
  sibling: PageElement;
}

/** Null for a link elsewhere on the page. */
function besideOf(link: PageElement, marked: readonly PageElement[]): Beside | null {
  for (const holder of marked) {
    const sibling = closest(link, ({ parent }) => parent === holder.parent);
    if (sibling?.range && holder.close) return { holder, sibling };
  }
  return null;
}

/** The tag on the side of the link moves beyond it. */
function widened({ document, text }: PageReading, { holder, sibling }: Beside): Edit[] {
  const { open, close } = holder;
  const isBehind = sibling.index > holder.index;
  const tag = isBehind ? close : open;
  if (!tag || !sibling.range) return [];
  const at = isBehind ? sibling.range.end : sibling.range.start;
  const moved = text.slice(tag.start, tag.end);
  const edits = [cutLine(document, tag), { start: at, end: at, text: moved }];
  return edits.sort((a, b) => a.start - b.start);
}
