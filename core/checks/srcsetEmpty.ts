import { attributeOf, valueOf } from '../markup/index.ts';
import { placeIn, planPage, type Observation, type Rule } from './finding.ts';

/** WHATWG HTML §2.5.8: a `srcset` holds at least one address. */
export const srcsetEmpty: Rule = {
  id: 'srcset-empty',
  station: 'markup',
  title: 'No srcset is empty',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.document.elements.flatMap((element): Observation[] => {
        const srcset = element.open ? attributeOf(element, 'srcset') : undefined;
        if (!srcset || srcset.value.trim() !== '') return [];
        const { start, end } = srcset.range;
        const lead = /\s*$/.exec(page.text.slice(0, start))?.[0].length ?? 0;
        return [
          {
            matter: `${page.path}:${valueOf(element, 'src') ?? element.tag}`,
            severity: 'warning',
            says: `The srcset of <${element.tag}> is empty.`,
            why:
              element.tag === 'source'
                ? 'A browser that chooses this source has no picture to show.'
                : 'It offers no other size; a place for one was left behind.',
            place: placeIn(page, srcset.range),
            strand: null,
            joint: null,
            fixes: [
              {
                kind: 'change',
                label: 'Remove the empty srcset',
                plan: () =>
                  planPage(page, `Remove an empty srcset from ${page.path}`, [{ start: start - lead, end, text: '' }]),
              },
            ],
          },
        ];
      }),
    ),
};
