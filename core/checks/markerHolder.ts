import { attributeOf, classValue, rewriteTag, STATES, valueOf, type PageElement } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { isSlipOf, markerName, opensOnClick, rewire, type KitUse } from '../wiring/index.ts';
import { placeIn, planPage, type Fix, type Observation, type Rule } from './finding.ts';

export const markerHolder: Rule = {
  id: 'marker-holder',
  station: 'wiring',
  title: 'What holds the pictures has the viewer’s marker, spelt right',
  find: (site) =>
    site.pages.flatMap((page) => page.wiring.uses.flatMap((use): Observation[] => findingOf(site, page, use) ?? [])),
};

/** A script that starts by itself, is loaded, and finds nothing that is marked. */
function findingOf(site: SiteReading, page: PageReading, use: KitUse): Observation[] | null {
  const { marker, name } = use.kit.manifest;
  const [gallery] = page.galleries;
  if (!gallery || !looksInVain(use)) return null;
  const wrong = misspeltAround(gallery.container, marker.class ?? '');
  const meant = markerName(use.kit.manifest);
  return [
    {
      matter: `${page.path}:${name} unmarked`,
      severity: 'error',
      says: wrong
        ? `A class here reads ${wrong.is}; the ${name} looks for ${marker.class ?? ''}.`
        : `The ${name} is loaded, and nothing on this page has ${meant}.`,
      why: wrong?.is.startsWith('.')
        ? 'The dot belongs to selectors; in the markup a class is its name alone. Nothing is found, and each link opens its picture by itself.'
        : `The ${name} finds no pictures, and each link opens its picture by itself.`,
      place: placeIn(page, wrong ? attributeOf(wrong.element, 'class')?.range : gallery.container.open),
      strand: null,
      joint: 'viewer',
      fixes: [wrong ? corrected(page, wrong, marker.class ?? '') : marked(site, page, use)],
    },
  ];
}

function looksInVain({ kit: { manifest }, runs, marked }: KitUse): boolean {
  const { marker, start } = manifest;
  const isMeant = marker.on === 'gallery' && marker.element === undefined && opensOnClick(manifest);
  return isMeant && !start?.required && runs && marked.length === 0;
}

interface Wrong {
  element: PageElement;
  is: string;
}

/** A class of what stands around the items that is nearly the one that is meant. */
function misspeltAround(container: PageElement, meant: string): Wrong | null {
  for (let at: PageElement | null = container; at; at = at.parent) {
    const names = (valueOf(at, 'class') ?? '').split(/\s+/);
    const is = names.find((one) => one !== '' && (one === `.${meant}` || isSlipOf(one, meant)));
    if (is !== undefined && meant !== '') return { element: at, is };
  }
  return null;
}

const corrected = (page: PageReading, { element, is }: Wrong, meant: string): Fix => ({
  kind: 'change',
  states: STATES.attributes,
  label: `Correct to ${meant}`,
  plan: () =>
    planPage(
      page,
      `Correct a class on ${page.path}`,
      rewriteTag(element, new Map([['class', classValue(element, [meant], [is])]]), page.text),
    ),
});

const marked = (site: SiteReading, page: PageReading, { kit }: KitUse): Fix => ({
  kind: 'change',
  states: STATES.wires,
  label: `Add the ${kit.manifest.name} to this page`,
  plan: () => rewire({ ...site, sizeOf: (path) => site.factsOf(path) }, page, { from: null, to: kit }),
});
