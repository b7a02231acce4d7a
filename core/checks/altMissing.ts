import { setAlt, type GalleryItem } from '../markup/index.ts';
import { wordsOf, type PageReading, type SiteReading, type Strand } from '../model/index.ts';
import { itemsOf, placeIn, type Observation, type Fix, type Rule } from './finding.ts';
import { saysNothing } from '../photo/index.ts';
import { planEdits } from '../site/index.ts';

const ABSENT =
  'Who cannot see the picture hears its file name instead. An empty alt="" says that it is only decoration.';
const UNNAMED = 'The empty alt="" says that the picture is only decoration, but it is all that the link holds.';

/** What can be done where an alt text lacks: what somebody said of the picture, or to write one. */
export function altFixes(
  site: SiteReading,
  page: PageReading,
  { strand, item }: { strand: Strand; item: GalleryItem },
): Fix[] {
  const words = strand.full === null ? '' : wordsOf(site, strand.full).alt;
  const ask: Fix = { kind: 'ask', label: 'Write alt text', ask: 'alt', strand: strand.id };
  if (words === '' || saysNothing(words)) return [ask];
  const plan = () => planEdits(`Set the alt text of ${strand.name}`, page.path, setAlt(page.document, item, words));
  return [{ kind: 'change', label: `Use “${words}”`, plan }, ask];
}

/** WHATWG HTML §4.8.4.4: alt text is required but for rare cases; WCAG 2.2, 1.1.1. */
export const altMissing: Rule = {
  id: 'alt-missing',
  station: 'markup',
  title: 'Every picture has an alt text',
  find: (site) =>
    [...itemsOf(site)].flatMap(({ page, strand, item }): Observation[] => {
      const { image } = item;
      const isAbsent = strand.altStanding === 'absent';
      if (!image || (!isAbsent && strand.altStanding !== 'unnamed')) return [];
      return [
        {
          matter: `${page.path}:${strand.thumbnail ?? strand.id}`,
          severity: 'warning',
          says: isAbsent ? `${strand.name} has no alt text.` : `The link of ${strand.name} has no text.`,
          why: isAbsent ? ABSENT : UNNAMED,
          place: placeIn(page, image.open),
          strand: strand.id,
          joint: 'image',
          fixes: altFixes(site, page, { strand, item }),
        },
      ];
    }),
};
