import { attributeOf, rewriteTag, valueOf, type PageElement, STATES } from '../markup/index.ts';
import { isStylePath } from '../site/index.ts';
import { placeIn, planPage, type Observation, type Rule } from './finding.ts';

export const includeMiswritten: Rule = {
  id: 'include-miswritten',
  station: 'wiring',
  title: 'Every include is written as a browser reads it',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.document.elements.flatMap((element): Observation[] => {
        const fault = faultOf(element);
        if (!fault) return [];
        const { says, why, label, wishes } = fault;
        return [
          {
            matter: `${page.path}:${element.open ? page.text.slice(element.open.start, element.open.end) : ''}`,
            severity: 'error',
            says,
            why,
            place: placeIn(page, element.open),
            strand: null,
            joint: null,
            fixes: [
              {
                kind: 'change',
                states: STATES.includes,
                label,
                plan: () => planPage(page, `${label} on ${page.path}`, rewriteTag(element, wishes, page.text)),
              },
            ],
          },
        ];
      }),
    ),
};

interface Fault {
  says: string;
  why: string;
  label: string;
  wishes: Map<string, string | null>;
}

function faultOf(element: PageElement): Fault | null {
  const href = valueOf(element, 'href');
  if (element.tag === 'script' && href !== undefined && !attributeOf(element, 'src')) {
    return {
      says: `This script’s address stands in href.`,
      why: 'A script is loaded by src; the browser sees an empty script and loads nothing.',
      label: 'Write the address in src',
      wishes: new Map([
        ['href', null],
        ['src', href],
      ]),
    };
  }
  const src = valueOf(element, 'src');
  if (element.tag === 'link' && href === undefined && src !== undefined) {
    return {
      says: 'This stylesheet’s address stands in src.',
      why: 'A link is loaded by href; the browser loads nothing.',
      label: 'Write the address in href',
      wishes: new Map([
        ['src', null],
        ['href', src],
      ]),
    };
  }
  const rel = valueOf(element, 'rel');
  if (
    element.tag === 'link' &&
    href !== undefined &&
    isStylePath(href.replace(/[?#].*$/s, '')) &&
    !/(^|\s)(stylesheet|preload|prefetch|alternate)(\s|$)/i.test(rel ?? '')
  ) {
    return {
      says: rel ? `rel reads “${rel}”.` : 'This link does not say rel="stylesheet".',
      why: 'The browser does not know that it is a stylesheet and does not load it.',
      label: 'Set rel to stylesheet',
      wishes: new Map([['rel', 'stylesheet']]),
    };
  }
  return null;
}
