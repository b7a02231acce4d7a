import { attributeOf } from '../markup/index.ts';
import { isPicturePath, stemOf } from '../site/index.ts';
import { itemsOf, placeIn, type Observation, type Rule } from './finding.ts';

/** What a camera or a program calls a file, and nobody a picture: `IMG_2041`, `kite-over-the-moor-2`. */
const CALLED_BY_PROGRAMS = /[_\d]|-.*-/;

/** Whether words are no words but the name of one of the files. */
function isName(words: string, paths: readonly (string | null)[]): boolean {
  const text = words.trim();
  if (/^\S+$/.test(text) && isPicturePath(text)) return true;
  return CALLED_BY_PROGRAMS.test(text) && paths.some((path) => path !== null && stemOf(path) === text);
}

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
          matter: `${page.path}:${strand.id}:${what}`,
          severity: 'warning',
          says: `The ${what} of ${strand.name} is a file’s name: “${words.trim()}”.`,
          why: 'It is read out and shown in place of what the picture shows.',
          place: placeIn(page, range),
          strand: strand.id,
          joint: 'image',
          fixes: what === 'alt text' ? [{ kind: 'ask', label: 'Write alt text', ask: 'alt', strand: strand.id }] : [],
        });
      if (alt && isName(alt.value, paths)) tell('alt text', alt.value, alt.range);
      if (caption && isName(caption.text, paths)) tell('caption', caption.text, caption.range);
      return told;
    }),
};
