import { attributeOf, classValue, descendants, rewriteTag } from '../markup/index.ts';
import { markerName, type KitUse } from '../wiring/index.ts';
import { itemsOf, placeIn, planPage, type Observation, type Rule } from './finding.ts';

/** Tags around or inside a link on which a marker ends up by mistake. */
const MISTAKEN = new Set(['img', 'picture', 'li', 'figure', 'span', 'p', 'td', 'div']);

export const markerPlace: Rule = {
  id: 'marker-place',
  station: 'wiring',
  title: 'The marker stands on the link, not on the picture',
  find: (site) =>
    [...itemsOf(site)].flatMap(({ page, strand, item }): Observation[] =>
      page.wiring.uses.flatMap((use: KitUse): Observation[] => {
        const { link } = item;
        const { manifest } = use.kit;
        if (!link || manifest.marker.on !== 'link' || use.marked.includes(link)) return [];
        const inside = [...descendants(link), ...item.elements];
        const bearer = use.marked.find((one) => MISTAKEN.has(one.tag) && inside.includes(one));
        if (!bearer) return [];
        const name = manifest.marker.attribute ?? 'class';
        const meant = markerName(manifest);
        const plan = () => {
          const { attribute, class: marker = '' } = manifest.marker;
          const value = attribute === undefined ? '' : (attributeOf(bearer, attribute)?.value ?? '');
          const away = attribute === undefined ? classValue(bearer, [], [marker]) : null;
          const here = attribute === undefined ? classValue(link, [marker], []) : value;
          const edits = [
            ...rewriteTag(bearer, new Map([[name, away]]), page.text),
            ...rewriteTag(link, new Map([[name, here]]), page.text),
          ];
          return planPage(page, `Move ${meant} of ${strand.name} to the link`, edits);
        };
        return [
          {
            matter: `${page.path}:${strand.name}`,
            severity: 'error',
            says: `${meant} stands on the <${bearer.tag}>; the ${manifest.name} looks for it on the link.`,
            why: use.strays.has(bearer)
              ? `The ${manifest.name} answers a click on the <${bearer.tag}>, which says no address: it opens and shows nothing.`
              : 'A click reaches the link, which is not marked: the browser leaves the page and shows the picture alone.',
            place: placeIn(page, attributeOf(bearer, name)?.range ?? bearer.open),
            strand: strand.id,
            joint: 'viewer',
            fixes: [{ kind: 'change', label: 'Move the marker to the link', plan }],
          },
        ];
      }),
    ),
};
