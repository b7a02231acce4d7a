import { attributeOf, setAttribute, verified } from '../markup/index.ts';
import { misspeltMarker } from '../wiring/index.ts';
import { itemsOf, placeIn, planEdits, type Finding, type Rule } from './finding.ts';

export const markerUnlike: Rule = {
  id: 'marker-unlike',
  station: 'wiring',
  title: 'Every picture’s link carries the viewer’s marker, spelt right',
  find: (site) => [...itemsOf(site)].flatMap(({ page, strand, item }): Finding[] => {
    const { kit, script, claimed } = page.wiring;
    const { link } = item;
    if (!kit || !link || script?.lookup.found !== 'exact' || claimed.has(link)) return [];
    const neighbours = page.galleries[strand.gallery]?.items.filter((one) => one.link && claimed.has(one.link)).length ?? 0;
    const { attribute } = kit.manifest.marker;
    const wrong = misspeltMarker(link, attribute);
    if (neighbours === 0 && !wrong) return [];
    const misspelt = wrong === null ? undefined : attributeOf(link, wrong);
    const mend = () => {
      const name = misspelt && { start: misspelt.range.start, end: misspelt.range.start + misspelt.name.length, text: attribute };
      const edit = name ?? setAttribute(link, attribute, '', page.text);
      return planEdits(`Mark ${strand.name} with ${attribute}`, page.path, verified(page.document, edit ? [edit] : [], (after) => {
        const twin = after.elements[link.index];
        return twin && attributeOf(twin, attribute) ? null : 'the marker would not be read';
      }));
    };
    return [{
      id: `marker-unlike:${page.path}:${strand.name}`,
      rule: 'marker-unlike',
      station: 'wiring',
      severity: 'broken',
      says: wrong ? `This link’s marker reads ${wrong}; its neighbours have ${attribute}.` : `This link has no ${attribute}; ${neighbours} of its neighbours have.`,
      why: `The ${kit.manifest.name} does not find it: a click leaves the page and shows the picture alone.`,
      place: placeIn(page, misspelt?.range ?? link.open),
      strand: strand.id,
      joint: 'viewer',
      fixes: [{ kind: 'change', label: wrong ? `Correct it to ${attribute}` : `Add ${attribute}`, plan: mend }],
    }];
  }),
};
