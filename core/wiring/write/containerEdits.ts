/** The element in which a viewer shows its pictures, for kits that are told of one by a selector. */
import {
  closest,
  cutLine,
  insertBeside,
  matches,
  nearestWritten,
  valueOf,
  type PageElement,
} from '../../markup/index.ts';
import type { Edit } from '../../site/index.ts';
import type { Kit } from '../kit/manifest.ts';
import type { WiringPage } from './site.ts';

/** What is written of what holds a gallery's items: a browser adds a `tbody` by itself. Null where only the page does. */
export function writtenHolder(container: PageElement): PageElement | null {
  const holder = nearestWritten(container);
  return holder === null || /^(?:body|html)$/.test(holder.tag) ? null : holder;
}

/** Parts of a table, which no other element may stand between. */
const IN_TABLES = new Set(['tbody', 'thead', 'tfoot', 'tr', 'td', 'th', 'colgroup', 'caption']);

/** What holds a gallery, or the table that it is a part of. Null where the pictures stand directly in the page. */
export function wholeHolder(container: PageElement): PageElement | null {
  const holder = writtenHolder(container);
  return holder && closest(holder, ({ tag, range }) => range !== null && !IN_TABLES.has(tag));
}

export function containerEdits({ document, galleries }: WiringPage, { manifest }: Kit): Edit[] {
  const { container } = manifest;
  const [first] = galleries;
  if (!container || !first) return [];
  const found = matches(document, `#${container.id}`);
  const beside = wholeHolder(first.container) ?? first.items[0]?.elements[0];
  return !found.ok || found.elements.length > 0 || !beside?.range
    ? []
    : [insertBeside(document, beside, `<div id="${container.id}"></div>`, 'before')];
}

/** One that stands empty, and that nothing else speaks of, goes with the kit. */
export function removedContainers({ document }: WiringPage, { manifest }: Kit): { edits: Edit[]; removed: number } {
  const { container } = manifest;
  const empty = container
    ? document.elements.filter((element) => valueOf(element, 'id') === container.id && isBare(element))
    : [];
  return { edits: empty.flatMap(({ range }) => (range ? [cutLine(document, range)] : [])), removed: empty.length };
}

const isBare = ({ attributes, children, texts }: PageElement): boolean =>
  attributes.length === 1 && children.length === 0 && texts.every(({ value }) => value.trim() === '');
