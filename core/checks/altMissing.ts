import { attributeOf, setAlt } from '../markup/index.ts';
import { itemsOf, placeIn, type Observation, type Fix, type Rule } from './finding.ts';
import { planEdits } from '../site/index.ts';

/** WHATWG HTML §4.8.4.4: alt text is required but for rare cases; WCAG 2.2, 1.1.1. */
export const altMissing: Rule = {
  id: 'alt-missing',
  station: 'markup',
  title: 'Every picture has an alt text',
  find: (site) =>
    [...itemsOf(site)].flatMap(({ page, strand, item }): Observation[] => {
      const { image } = item;
      if (!image || attributeOf(image, 'alt')) return [];
      const words = strand.full === null ? undefined : site.factsOf(strand.full)?.words;
      const fixes: Fix[] = [{ kind: 'ask', label: 'Write alt text', ask: 'alt', strand: strand.id }];
      const caption = words?.caption;
      if (caption)
        fixes.unshift({
          kind: 'change',
          label: `Use “${caption}”`,
          plan: () => planEdits(`Set the alt text of ${strand.name}`, page.path, setAlt(page.document, item, caption)),
        });
      return [
        {
          matter: `${page.path}:${strand.thumbnail ?? strand.id}`,
          severity: 'warning',
          says: `${strand.name} has no alt text.`,
          why: 'Who cannot see the picture hears its file name instead. An empty alt="" says that it is only decoration.',
          place: placeIn(page, image.open),
          strand: strand.id,
          joint: 'image',
          fixes,
        },
      ];
    }),
};
