/** On which pages a picture stands, in a gallery or anywhere else. */
import type { PageDocument } from '../markup/index.ts';
import { resolved, type SiteReading } from '../model/index.ts';
import { isPicturePath } from '../site/index.ts';

/** Attributes by which a page shows a picture or leads to it. */
const SHOWS: Readonly<Record<string, readonly string[]>> = {
  a: ['href'],
  area: ['href'],
  embed: ['src'],
  image: ['href', 'xlink:href'],
  img: ['src', 'srcset'],
  input: ['src'],
  object: ['data'],
  source: ['src', 'srcset'],
  video: ['poster'],
};
/** Of any element, in pages of another time. */
const BACKGROUND = 'background';

const read = new WeakMap<PageDocument, string[]>();

/** The addresses of pictures, each once. Candidates of `srcset` stand between commas and white space. */
function addressesIn(document: PageDocument): string[] {
  const known = read.get(document);
  if (known) return known;
  const found = new Set<string>();
  for (const { tag, attributes } of document.elements)
    for (const { name, value } of attributes) {
      if (name !== BACKGROUND && !SHOWS[tag]?.includes(name)) continue;
      for (const one of name === 'srcset' ? value.split(/[\s,]+/) : [value])
        if (isPicturePath(one.trim().replace(/[?#].*$/s, ''))) found.add(one);
    }
  const all = [...found];
  read.set(document, all);
  return all;
}

/** For each picture file the pages on which it stands, in the order of the pages. */
export function pagesShowing({ pages, index }: Pick<SiteReading, 'pages' | 'index'>): Map<string, string[]> {
  const showing = new Map<string, string[]>();
  for (const { path, base, document } of pages)
    for (const real of new Set(addressesIn(document).map((one) => resolved(one, base, index)?.real)))
      if (real) showing.set(real, [...(showing.get(real) ?? []), path]);
  return showing;
}
