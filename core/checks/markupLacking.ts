import { classValue, rewriteTag, STATES } from '../markup/index.ts';
import type { PageReading } from '../model/index.ts';
import { openable, wantedOf, type KitUse, type Wanted } from '../wiring/index.ts';
import { itemsOf, placeIn, planPage, type Observation, type Rule } from './finding.ts';

export const markupLacking: Rule = {
  id: 'markup-lacking',
  station: 'wiring',
  title: 'Every item has the attributes and classes that the viewer looks for',
  find: (site) =>
    [...itemsOf(site)].flatMap(({ page, strand, item }): Observation[] =>
      page.wiring.uses.flatMap((use) => {
        if (!openable(page.base, item)) return [];
        const items = page.galleries[strand.gallery]?.items ?? [];
        const known = { ...site, sizeOf: (path: string) => site.factsOf(path) };
        const lacked = wantedOf(known, page, use.kit, item);
        // What none of them has is a matter of wiring the page, not of one item.
        return lacked
          .filter((one) => items.some((other) => !lacks(known, page, use, other, one)))
          .map((one) => findingOf(page, use, strand, one));
      }),
    ),
};

type Known = Parameters<typeof wantedOf>[0];
type Item = Parameters<typeof wantedOf>[3];

const lacks = (site: Known, page: PageReading, { kit }: KitUse, item: Item, { says }: Wanted): boolean =>
  !openable(page.base, item) || wantedOf(site, page, kit, item).some((one) => one.says === says);

function findingOf(page: PageReading, use: KitUse, strand: { id: string; name: string }, lack: Wanted): Observation {
  const { element, name, value, says } = lack;
  const { manifest } = use.kit;
  const isSize = manifest.size !== undefined && name !== 'class' && name !== manifest.full?.attribute;
  return {
    matter: `${page.path}:${strand.name}:${says}`,
    severity: isSize ? 'warning' : 'error',
    says: `This <${element.tag}> has no ${says}, which the ${manifest.name} looks for; its neighbours have.`,
    why: isSize
      ? 'The viewer does not know how large the picture is before it has come, and jumps when it does.'
      : `The ${manifest.name} leaves it out: a click leaves the page, and arrows pass it by.`,
    place: placeIn(page, element.open),
    strand: strand.id,
    joint: 'viewer',
    fixes: [
      {
        kind: 'change',
        states: STATES.attributes,
        label: name === 'class' ? `Add ${says}` : `Write ${name}="${value}"`,
        plan: () => {
          const written = name === 'class' ? classValue(element, [value], []) : value;
          return planPage(
            page,
            `Write ${says} of ${strand.name}`,
            rewriteTag(element, new Map([[name, written]]), page.text),
          );
        },
      },
    ],
  };
}
