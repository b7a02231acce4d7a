import { attributeOf, editAttribute, valueOf, STATES, type PageElement, type Range } from '../markup/index.ts';
import type { PageReading, Strand } from '../model/index.ts';
import { answers, containerEdits, containerMissing, isSlipOf, type KitUse } from '../wiring/index.ts';
import { itemsOf, placeIn, planPage, type Observation, type Fix, type Rule } from './finding.ts';
import { planEdits } from '../site/index.ts';

export const containerAbsent: Rule = {
  id: 'container-absent',
  station: 'wiring',
  title: 'The element in which a viewer shows its pictures is there',
  find: (site) =>
    [...itemsOf(site)].flatMap(({ page, strand, item }) =>
      page.wiring.uses.flatMap((use): Observation[] => {
        const { link } = item;
        const missing = link && answers(use, item) ? containerMissing(page.document, use.kit, link) : null;
        if (!link || !missing) return [];
        const { attribute, selector } = missing;
        if (attribute !== null) return [notFound(page, use, strand, link, { attribute, selector })];
        // Where no link says which it is, it is one matter for all of them.
        return strand.item === 0 ? [noPlace(page, use, link.open)] : [];
      }),
    ),
};

/** A link that asks for an element which is not there. */
function notFound(
  page: PageReading,
  use: KitUse,
  strand: Strand,
  link: PageElement,
  { attribute, selector }: { attribute: string; selector: string },
): Observation {
  const fixes: Fix[] = [];
  const ids = page.document.elements.flatMap((element) => valueOf(element, 'id') ?? []);
  const id = idMeant(ids, selector);
  const own = use.kit.manifest.container;
  const set = (value: string): Fix => ({
    kind: 'change',
    label: `Set the value to ${value}`,
    plan: () =>
      planEdits(`Show ${strand.name} in ${value}`, page.path, editAttribute(page.document, link, attribute, value)),
  });
  if (id !== undefined) fixes.push(set(`#${id}`));
  else if (selector === '' && own && ids.includes(own.id)) fixes.push(set(`#${own.id}`));
  else if (own && selector === `#${own.id}`) fixes.push(written(page, use));
  return {
    matter: `${page.path}:${strand.name}`,
    severity: 'error',
    says:
      selector === ''
        ? `This link has no ${attribute}.`
        : `${attribute} asks for “${selector}”, and the page has no such element.`,
    why: `The ${use.kit.manifest.name} stops with an error when the link is clicked: neither does the picture open here, nor does the link lead to it.`,
    place: placeIn(page, attributeOf(link, attribute)?.range ?? link.open),
    strand: strand.id,
    joint: 'viewer',
    fixes,
  };
}

/** The element before the pictures, where wiring would write it. */
function written(page: PageReading, { kit }: KitUse): Fix {
  const id = kit.manifest.container?.id ?? '';
  return {
    kind: 'change',
    states: { gives: STATES.markup.takes },
    label: `Write <div id="${id}"> before the pictures`,
    plan: () => planPage(page, `Write the element #${id} on ${page.path}`, containerEdits(page, kit), 1),
  };
}

/** The id that a selector means, but for a slip. */
function idMeant(ids: readonly string[], selector: string): string | undefined {
  const bare = selector.trim().replace(/^[.#]/, '');
  return ids.find((one) => one === bare) ?? ids.find((one) => isSlipOf(bare, one));
}

/** The one element that a viewer needs, whatever its links say. */
function noPlace(page: PageReading, use: KitUse, open: Range | null): Observation {
  const { name, container } = use.kit.manifest;
  const id = container?.id ?? '';
  return {
    matter: `${page.path}:#${id}`,
    severity: 'error',
    says: `The ${name} shows its pictures in “#${id}”, and the page has no such element.`,
    why: `The ${name} stops with an error when a link is clicked: neither does the picture open here, nor does the link lead to it.`,
    place: placeIn(page, open),
    strand: null,
    joint: 'viewer',
    fixes: [written(page, use)],
  };
}
