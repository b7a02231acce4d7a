import { attributeOf } from '../markup/index.ts';
import { isFileName } from '../photo/index.ts';
import { altFixes } from './altMissing.ts';
import { itemsOf, placeIn, type Observation, type Rule } from './finding.ts';

/** WCAG 2.2, failure F30 of 1.1.1: a file name as the text alternative. */
export const altIsName: Rule = {
  id: 'alt-is-name',
  station: 'markup',
  title: 'No alt text and no caption is the name of a file',
  find: (site) =>
    [...itemsOf(site)].flatMap(({ page, strand, item }): Observation[] => {
      const { image, caption } = item;
      const paths = [strand.thumbnail, strand.full];
      const alt = image && attributeOf(image, 'alt');
      const told: Observation[] = [];
      const tell = (what: 'alt text' | 'caption', words: string, range: { start: number; end: number }) =>
        told.push({
          matter: `${page.path}:${strand.name}:${what}`,
          severity: 'warning',
          says: `The ${what} of ${strand.name} is a file’s name: “${words.trim()}”.`,
          why: 'It is read out and shown in place of what the picture shows.',
          place: placeIn(page, range),
          strand: strand.id,
          joint: 'image',
          fixes: what === 'alt text' ? altFixes(site, page, { strand, item }) : [],
        });
      if (alt && strand.altStanding === 'name') tell('alt text', alt.value, alt.range);
      if (caption && isFileName(caption.text, paths)) tell('caption', caption.text, caption.range);
      return told;
    }),
};
