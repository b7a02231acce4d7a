/** The parts of a gallery that a stylesheet lays out, and which rules are the gallery's own. */
import {
  ancestors,
  matcherFor,
  nearestWritten,
  valueOf,
  type Gallery,
  type PageDocument,
  type PageElement,
} from '../markup/index.ts';
import { winnerFor, withState, STATES, type Situation, type State } from './cascade.ts';
import type { Rule } from './stylesheets.ts';

/** `holder` is the container, or the nearest around it that has a tag: what a viewer is marked on. */
export const ROLES = ['page', 'content', 'holder', 'container', 'item', 'link', 'image', 'caption'] as const;
export type Role = (typeof ROLES)[number];

export interface StyledPage {
  path: string;
  /** The path that its addresses count from. */
  base: string;
  document: PageDocument;
  galleries: readonly Gallery[];
}

/** The elements of each part; a part that a gallery does not have is empty. */
export type Parts = Record<Role, PageElement[]>;

/**
 * Items that are one element each and stand in the container itself; of others neither rows nor flat runs can be laid
 * out by their element.
 */
function partsOfGallery(gallery: Gallery): Omit<Parts, 'page' | 'content'> {
  const { container, items } = gallery;
  const units = items.flatMap(({ elements }) => (elements.length === 1 && elements[0] ? [elements[0]] : []));
  const whole = units.length === items.length ? units : [];
  return {
    holder: [nearestWritten(container) ?? container],
    container: [container],
    item: whole,
    link: items.flatMap(({ link }) => (link ? [link] : [])),
    image: items.flatMap(({ image }) => (image ? [image] : [])),
    caption: items.flatMap(({ caption }) => (caption?.element ? [caption.element] : [])),
  };
}

/** Why the items are not children of the container, in words; null where they are. */
export function standsApart({ container, items }: Gallery): string | null {
  if (items.some(({ elements }) => elements.length !== 1))
    return 'Items here are several elements each, one after the other; columns need one element around each item.';
  if (items.every(({ elements }) => elements[0]?.parent === container)) return null;
  return items[0]?.elements[0]?.tag === 'td'
    ? 'The columns of this gallery are cells of a table, written in the markup.'
    : 'The rows of this gallery are written in the markup; a stylesheet cannot make other ones.';
}

/** The column of the page: the nearest element around the gallery whose width somebody set, else the body. */
function contentOf(situation: Situation, gallery: Gallery): PageElement | null {
  const around = [gallery.container, ...ancestors(gallery.container)].filter(({ tag }) => tag !== 'html');
  return (
    around.find((element) =>
      ['max-width', 'width'].some((property) =>
        /\d(?:px|em|rem|ch|vw|pt)/i.test(winnerFor(situation, element, property)?.value ?? ''),
      ),
    ) ??
    around.find(({ tag }) => tag === 'body') ??
    null
  );
}

export function partsIn(situation: Situation, gallery: Gallery): Parts {
  const body = situation.page.document.elements.find(({ tag }) => tag === 'body');
  const content = contentOf(situation, gallery);
  return { ...partsOfGallery(gallery), page: body ? [body] : [], content: content ? [content] : [] };
}

/** Every element of a rule's subject on the given pages. */
function subjectsOn(
  pages: readonly StyledPage[],
  rule: Rule,
  state: State | null,
): { page: StyledPage; element: PageElement }[] {
  const tests = rule.selectors.flatMap(({ text }) => {
    const selector = withState(text, state);
    const test = selector === null ? null : matcherFor(selector);
    return test ? [test] : [];
  });
  return pages.flatMap((page) =>
    page.document.elements
      .filter((element) => tests.some((test) => test(element)))
      .map((element) => ({ page, element })),
  );
}

/**
 * Elements of a part in all galleries of the pages; one set for each page, for elements of different pages never
 * meet.
 */
const partSets = new WeakMap<readonly Gallery[], Map<Role, Set<PageElement>>>();

function partSet(page: StyledPage, role: Role): Set<PageElement> {
  const known = partSets.get(page.galleries) ?? new Map<Role, Set<PageElement>>();
  partSets.set(page.galleries, known);
  const found =
    known.get(role) ??
    new Set(
      page.galleries.flatMap((gallery) =>
        role === 'page' || role === 'content' ? [] : [...partsOfGallery(gallery)[role], ...alsoReadAs(gallery, role)],
      ),
    );
  known.set(role, found);
  return found;
}

/** Of one picture alone nothing says whether what is round it is its item or its gallery: it may be either. */
function alsoReadAs({ container, items }: Gallery, role: Role): PageElement[] {
  if (items.length > 1) return [];
  if (role === 'item') return [container];
  return role === 'container' && container.parent ? [container.parent] : [];
}

/**
 * Whether a rule speaks of this part of galleries and of nothing else, so that changing it changes only galleries.
 * `pages` are all that load its stylesheet. Of the page itself and its column, a rule that finds one element a page is
 * theirs.
 */
export function isOwn(rule: Rule, role: Role, pages: readonly StyledPage[], state: State | null = null): boolean {
  if (rule.stylesheet.kind === 'attribute') return ['page', 'content', 'holder', 'container'].includes(role);
  const subjects = subjectsOn(pages, rule, state);
  if (role === 'page' || role === 'content') return new Set(subjects.map(({ page }) => page)).size === subjects.length;
  return subjects.every(({ page, element }) => partSet(page, role).has(element));
}

export const statelessOnly = (rule: Rule): boolean =>
  !rule.selectors.some(({ text }) => STATES.some((state) => withState(text, state) !== null));

/** The container's own class: one that only containers of galleries have; null where it has none. */
export function ownClass(container: PageElement, pages: readonly StyledPage[]): string | null {
  const classes = (valueOf(container, 'class') ?? '').split(/\s+/).filter((name) => /^[A-Za-z_-][\w-]*$/.test(name));
  return (
    classes.find((name) => {
      const test = matcherFor(`.${name}`);
      return (
        test !== null &&
        pages.every((page) =>
          page.document.elements.every((element) => !test(element) || partSet(page, 'container').has(element)),
        )
      );
    }) ?? null
  );
}
