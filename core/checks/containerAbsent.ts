import { attributeOf, editAttribute, valueOf, STATES, type Range } from '../markup/index.ts';
import type { PageReading } from '../model/index.ts';
import { answers, containerEdits, containerMissing, isSlipOf, type KitUse } from '../wiring/index.ts';
import { itemsOf, placeIn, planPage, type Observation, type Fix, type Rule } from './finding.ts';
import { planEdits } from '../site/index.ts';

export const containerAbsent: Rule = {
  id: 'container-absent',
  station: 'wiring',
  title: 'The element in which a viewer shows its pictures is there',
  find: (site) =>
    [...itemsOf(site)].flatMap(({ page, strand, item }): Observation[] =>
      page.wiring.uses.flatMap((use): Observation[] => {
        const { link } = item;
        if (!link || !answers(use, item)) return [];
        const missing = containerMissing(page.document, use.kit, link);
        if (!missing) return [];
        const { attribute, selector } = missing;
        if (attribute === null) return strand.item === 0 ? [noPlace(page, use, link.open)] : [];
        const fixes: Fix[] = [];
        const ids = page.document.elements.flatMap((element) => valueOf(element, 'id') ?? []);
        const bare = selector.trim().replace(/^[.#]/, '');
        const id = ids.find((one) => one === bare) ?? ids.find((one) => isSlipOf(bare, one));
        const own = use.kit.manifest.container;
        const set = (value: string): Fix => ({
          kind: 'change',
          label: `Set it to ${value}`,
          plan: () =>
            planEdits(
              `Show ${strand.name} in ${value}`,
              page.path,
              editAttribute(page.document, link, attribute, value),
            ),
        });
        if (id !== undefined) fixes.push(set(`#${id}`));
        else if (selector === '' && own && ids.includes(own.id)) fixes.push(set(`#${own.id}`));
        else if (own && selector === `#${own.id}`)
          fixes.push({
            kind: 'change',
            states: { gives: STATES.markup.takes },
            label: `Write <div id="${own.id}"> before the pictures`,
            plan: () =>
              planPage(page, `Write the element ${selector} on ${page.path}`, containerEdits(page, use.kit), 1),
          });
        return [
          {
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
          },
        ];
      }),
    ),
};

/** The one element that a viewer needs, whatever its links say. */
function noPlace(page: PageReading, { kit }: KitUse, open: Range | null): Observation {
  const id = kit.manifest.container?.id ?? '';
  return {
    matter: `${page.path}:#${id}`,
    severity: 'error',
    says: `The ${kit.manifest.name} shows its pictures in “#${id}”, and the page has no such element.`,
    why: `The ${kit.manifest.name} stops with an error when a link is clicked: neither does the picture open here, nor does the link lead to it.`,
    place: placeIn(page, open),
    strand: null,
    joint: 'viewer',
    fixes: [
      {
        kind: 'change',
        states: { gives: STATES.markup.takes },
        label: `Write <div id="${id}"> before the pictures`,
        plan: () => planPage(page, `Write the element #${id} on ${page.path}`, containerEdits(page, kit), 1),
      },
    ],
  };
}
