/** Everything in pages and stylesheets that names a file, with the range in which it stands. */
import { parse, walk, ident } from 'css-tree';
import { tooDeepAt } from '../site/index.ts';
import { inSource, sourcePlaces, type Decoded, type PageDocument, type Range } from '../markup/index.ts';

export interface Reference {
  /** As a browser reads it: entities decoded. */
  value: string;
  /** Where it stands in the source; with entities or escapes in it, the written text is another. */
  range: Range;
  /** Nobody can tell where in its attribute or element it stands; the range is the whole of that. */
  unplaced?: true;
  /** In a style element or a stylesheet, where no entities are read. */
  raw?: true;
  /** `href`, `src`, `srcset`, `url()`… */
  by: string;
}

const REFERRING = new Set(['href', 'src', 'poster', 'data', 'action']);

/** Attributes that hold addresses among other things. */
const INSIDE: Readonly<Record<string, (value: string) => Reference[]>> = {
  srcset: (value) => sourceSet(value),
  style: (value) => styleReferences(value, 'declarationList').map(quotedInAttribute),
};

export function pageReferences(page: PageDocument): Reference[] {
  const references: Reference[] = [];
  // An element that the parser makes again, where it was not closed, stands in the source but once.
  const seen = new Set<number>();
  for (const element of page.elements) {
    for (const { name, value, valueRange } of element.attributes) {
      if (seen.has(valueRange.start)) continue;
      seen.add(valueRange.start);
      if (REFERRING.has(name)) references.push({ value, range: valueRange, by: name });
      references.push(...placed(page, INSIDE[name]?.(value) ?? [], valueRange, value, 'entities'));
    }
    if (element.tag === 'style')
      references.push(
        ...element.texts.flatMap(({ value, range }) => placed(page, styleReferences(value), range, value, 'lines')),
      );
  }
  return references;
}

/** References of a value as it is read, with their places in the source. */
export function placed(
  { text }: PageDocument,
  references: readonly Reference[],
  range: Range,
  value: string,
  decoded: Decoded,
): Reference[] {
  if (references.length === 0) return [];
  const places = sourcePlaces(text, range, value, decoded);
  return references.map((one) =>
    places ? { ...one, range: inSource(places, one.range) } : { ...one, range, unplaced: true },
  );
}

/** An attribute's style is written with entities, a style element's is not. */
const quotedInAttribute = ({ value, range, by }: Reference): Reference => ({ value, range, by });

/** WHATWG HTML §4.8.4.2.1: candidates separated by commas, each an address and at most one descriptor. */
function sourceSet(value: string): Reference[] {
  const found: Reference[] = [];
  for (const match of value.matchAll(/([^\s,][^\s]*[^\s,]|[^\s,])(?:\s+[\d.]+[wxh])?\s*(?:,|$)/g)) {
    const at = match.index;
    found.push({ value: match[1] ?? '', range: { start: at, end: at + (match[1]?.length ?? 0) }, by: 'srcset' });
  }
  return found;
}

/** Every `url()` and `@import` of a stylesheet. css-tree recovers from mistakes as a browser does. */
export function styleReferences(text: string, context: 'stylesheet' | 'declarationList' = 'stylesheet'): Reference[] {
  const references: Reference[] = [];
  if (tooDeepAt(text) !== null) return references;
  const add = (value: string, at: { start: { offset: number }; end: { offset: number } } | null | undefined) => {
    const inside = at ? text.slice(at.start.offset, at.end.offset).indexOf(value) : -1;
    if (at && inside >= 0)
      references.push({
        value: ident.decode(value),
        range: { start: at.start.offset + inside, end: at.start.offset + inside + value.length },
        by: 'url()',
        raw: true,
      });
  };
  walk(parse(text, { positions: true, context }), (node) => {
    if (node.type === 'Url') add(String(node.value), node.loc);
    if (node.type === 'Atrule' && node.name === 'import' && node.prelude?.type === 'AtrulePrelude') {
      node.prelude.children.forEach((child) => child.type === 'String' && add(child.value, child.loc));
    }
  });
  return references;
}
