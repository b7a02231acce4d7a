/** Everything in pages and stylesheets that names a file, with the range in which it stands. */
import { parse, walk, ident } from 'css-tree';
import type { PageDocument, Range } from '../markup/index.ts';

export interface Reference {
  /** As a browser reads it: entities decoded. */
  value: string;
  /** Where it stands in the source; with entities or escapes in it, the written text is another. */
  range: Range;
  /** Where only the whole attribute can be told, because it has entities in it: the attribute's value as a browser reads it. */
  within?: string;
  /** In a style element or a stylesheet, where no entities are read. */
  raw?: true;
  /** `href`, `src`, `srcset`, `url()`… */
  by: string;
}

const REFERRING = new Set(['href', 'src', 'poster', 'data', 'action']);

export function pageReferences(page: PageDocument): Reference[] {
  const references: Reference[] = [];
  for (const element of page.elements) {
    for (const attribute of element.attributes) {
      const { name, value, valueRange: range } = attribute;
      if (REFERRING.has(name)) references.push({ value, range, by: name });
      else if (name === 'srcset') references.push(...sourceSet(value, range));
      else if (name === 'style') references.push(...styleAttribute(page.text, value, range));
    }
    if (element.tag === 'style') {
      for (const text of element.texts) references.push(...styleReferences(text.value).map((one) => ({ ...one, range: { start: one.range.start + text.range.start, end: one.range.end + text.range.start } })));
    }
  }
  return references;
}

function styleAttribute(text: string, value: string, range: Range): Reference[] {
  const plain = text.slice(range.start, range.end) === value;
  return styleReferences(value, 'declarationList').map((one) => ({ value: one.value, by: one.by, ...(plain ? { range: { start: one.range.start + range.start, end: one.range.end + range.start } } : { range, within: value }) }));
}

/** WHATWG HTML §4.8.4.2.1: candidates separated by commas, each an address and at most one descriptor. */
function sourceSet(value: string, { start }: Range): Reference[] {
  const found: Reference[] = [];
  for (const match of value.matchAll(/([^\s,][^\s]*[^\s,]|[^\s,])(?:\s+[\d.]+[wxh])?\s*(?:,|$)/g)) {
    const at = start + match.index;
    found.push({ value: match[1] ?? '', range: { start: at, end: at + (match[1]?.length ?? 0) }, by: 'srcset' });
  }
  return found;
}

/** Every `url()` and `@import` of a stylesheet. css-tree recovers from mistakes as a browser does. */
export function styleReferences(text: string, context: 'stylesheet' | 'declarationList' = 'stylesheet'): Reference[] {
  const references: Reference[] = [];
  const add = (value: string, at: { start: { offset: number }; end: { offset: number } } | null | undefined) => {
    const inside = at ? text.slice(at.start.offset, at.end.offset).indexOf(value) : -1;
    if (at && inside >= 0) references.push({ value: ident.decode(value), range: { start: at.start.offset + inside, end: at.start.offset + inside + value.length }, by: 'url()', raw: true });
  };
  walk(parse(text, { positions: true, context }), (node) => {
    if (node.type === 'Url') add(String(node.value), node.loc);
    if (node.type === 'Atrule' && node.name === 'import' && node.prelude?.type === 'AtrulePrelude') {
      node.prelude.children.forEach((child) => child.type === 'String' && add(child.value, child.loc));
    }
  });
  return references;
}
