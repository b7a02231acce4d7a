/** An element of a viewer's own put around galleries or links, and taken off again. */
import {
  closest,
  cutLine,
  indentOf,
  newlineOf,
  type PageDocument,
  type PageElement,
  placeOf,
  type Range,
} from '../../markup/index.ts';
import type { Edit } from '../../site/index.ts';
import { isOption, type Kit } from '../kit/manifest.ts';
import { wholeHolder } from './containerEdits.ts';
import type { WiringPage } from './site.ts';

/** What an element can be put around: what holds a gallery, or its links; `links` are those that are meant. */
export function wrapped(page: WiringPage, { manifest }: Kit, links: readonly PageElement[]): PageElement[] {
  const { element, on } = manifest.marker;
  if (element === undefined) return [];
  const holders = page.galleries.flatMap(({ container }) => wholeHolder(container) ?? []);
  const all = on === 'link' ? links : [...new Set(holders)];
  // One in another would be wrapped twice, and one that stands in such an element is.
  return all.filter(
    (one) =>
      closest(one, ({ tag }) => tag === element) === null &&
      !all.some((other) => other !== one && closest(one, (at) => at === other) !== null),
  );
}

export function wrappingEdits(page: WiringPage, kit: Kit, around: readonly PageElement[]): Edit[] {
  const { element, on } = kit.manifest.marker;
  return around.flatMap((one) => {
    const { start, end } = placeOf(one);
    const line = on === 'gallery' && standsAlone(page.document, { start, end }) ? lineOf(page.document, one) : '';
    return [
      { start, end: start, text: `<${element}>${line}` },
      { start: end, end, text: `${line}</${element}>` },
    ];
  });
}

/** On lines of its own. */
const standsAlone = ({ text }: PageDocument, { start, end }: Range): boolean =>
  /(?:^|\n)[ \t]*$/.test(text.slice(Math.max(0, start - LONGEST_INDENT), start)) &&
  /^[ \t]*(?:\r?\n|$)/.test(text.slice(end, end + LONGEST_INDENT));

/** Characters. */
const LONGEST_INDENT = 200;

const lineOf = (page: PageDocument, element: PageElement): string => newlineOf(page) + indentOf(page, element);

/** What its author says of such an element besides stays on a plain one in its place. */
export function removedWrappings(
  { document, wiring }: WiringPage,
  { manifest }: Kit,
): { edits: Edit[]; removed: number } {
  const { element, on } = manifest.marker;
  const use = wiring.uses.find(({ kit }) => kit.manifest.name === manifest.name);
  const all = element === undefined ? [] : (use?.marked ?? []);
  const plain = on === 'link' ? 'span' : 'div';
  const bare = all.filter(({ attributes }) => attributes.every(({ name }) => isOption(manifest, name)));
  const edits = all.flatMap((one): Edit[] => {
    const tags = [one.open, one.close].flatMap((tag) => tag ?? []);
    if (bare.includes(one)) return tags.map((tag) => cutLine(document, tag));
    const renamed = tags.map(({ start }): Edit => {
      const at = start + (document.text.startsWith('</', start) ? 2 : 1);
      return { start: at, end: at + one.tag.length, text: plain };
    });
    return [...renamed, ...one.attributes.flatMap((said) => (isOption(manifest, said.name) ? withoutIt(said) : []))];
  });
  return { edits, removed: bare.length };

  function withoutIt({ range }: PageElement['attributes'][number]): Edit {
    const lead = /\s*$/.exec(document.text.slice(0, range.start))?.[0].length ?? 0;
    return { start: range.start - lead, end: range.end, text: '' };
  }
}
