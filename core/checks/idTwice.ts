import { attributeOf, type PageElement } from '../markup/index.ts';
import { grouped } from '../site/index.ts';
import { placeIn, type Observation, type Rule } from './finding.ts';

/** WHATWG HTML §3.2.6: the value of `id` is unique among all elements of a page. */
export const idTwice: Rule = {
  id: 'id-twice',
  station: 'markup',
  title: 'No id stands twice on a page',
  find: (site) =>
    site.pages.flatMap((page) => {
      const withId = page.document.elements.filter((element) => element.open && idOf(element) !== '');
      return [...grouped(withId, idOf)].flatMap(([id, elements]): Observation[] => {
        const [first, second] = elements;
        if (!first?.open || !second?.open) return [];
        const { lines } = page.document;
        const others = elements.slice(1).flatMap(({ open }) => (open ? lines.lineAt(open.start) : []));
        return [
          {
            matter: `${page.path}:${id}`,
            severity: 'warning',
            says: `The id “${id}” stands in line ${lines.lineAt(first.open.start)} and again in line ${others.join(', ')}.`,
            why: `A link to #${id} and a script that looks for it find the first alone.`,
            place: placeIn(page, attributeOf(second, 'id')?.range),
            strand: null,
            joint: null,
            fixes: [],
          },
        ];
      });
    }),
};

const idOf = (element: PageElement): string => attributeOf(element, 'id')?.value ?? '';
