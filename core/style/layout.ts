/** By which method a gallery is laid out at a width of the window. */
import type { Gallery, PageElement } from '../markup/index.ts';
import { doubtFor, valueFor, type Situation } from './cascade.ts';
import { partsIn, standsApart, type Parts } from './roles.ts';
import { lengthOf } from './values.ts';

/**
 * `inline` are items in lines of text, inline blocks among them; `stacked` stand one under the other; `fixed` have
 * their columns in the markup.
 */
export type Method = 'grid' | 'flex' | 'float' | 'inline' | 'columns' | 'stacked' | 'fixed';

export interface Layout {
  situation: Situation;
  gallery: Gallery;
  parts: Parts;
  method: Method;
  /** Why columns cannot be set; null where they can. */
  fixed: string | null;
}

/** What browsers give without any stylesheet, as far as it matters here (WHATWG HTML §15.3). */
const INLINE = new Set(['a', 'abbr', 'b', 'em', 'font', 'i', 'img', 'label', 'picture', 'small', 'span', 'strong']);

export function displayOf(situation: Situation, element: PageElement | undefined): string {
  const said = valueFor(situation, element, 'display');
  if (said !== null) return said.toLowerCase();
  return element && INLINE.has(element.tag) ? 'inline' : 'block';
}

export function layoutOf(situation: Situation, gallery: Gallery): Layout {
  const parts = partsIn(situation, gallery);
  const fixed = standsApart(gallery);
  return { situation, gallery, parts, fixed, method: fixed ? 'fixed' : methodOf(situation, parts) };
}

/** Ways of laying out that are not read here, each as the reason why. */
const ODD: readonly { part: 'container' | 'item'; property: string; odd: RegExp }[] = [
  { part: 'container', property: 'display', odd: /^(?:none|contents|(?:inline-)?table|.*grid-lanes)/i },
  { part: 'container', property: 'writing-mode', odd: /vertical|sideways|tb/i },
  { part: 'item', property: 'display', odd: /^(?:none|contents|table-)/i },
  { part: 'item', property: 'position', odd: /^(?:absolute|fixed)$/i },
];
/** What may be said of a gallery in a way that is not read, and would lay it out otherwise. */
const DECIDES = { container: ['display', 'column-count', 'column-width'], item: ['display', 'float'] } as const;

/** Why it cannot be told how the gallery is laid out; null where it can. */
export function oddIn({ situation, parts }: Pick<Layout, 'situation' | 'parts'>): string | null {
  for (const { part, property, odd } of ODD) {
    const value = valueFor(situation, parts[part][0], property);
    if (value !== null && odd.test(value)) return `the ${part} has ${property}: ${value}, which is not read here`;
  }
  for (const part of ['container', 'item'] as const)
    for (const property of DECIDES[part]) {
      const [element] = parts[part];
      const doubt = element ? doubtFor(situation, element, property) : null;
      if (doubt !== null) return doubt;
    }
  return null;
}

function methodOf(situation: Situation, { container, item }: Parts): Method {
  const display = displayOf(situation, container[0]);
  if (display.includes('grid')) return 'grid';
  if (display.includes('flex')) return isColumn(situation, container[0]) ? 'stacked' : 'flex';
  const set = (property: string) => !/^(?:auto|none|)$/i.test(valueFor(situation, container[0], property) ?? '');
  if (set('column-count') || set('column-width')) return 'columns';
  if (/^(?:left|right|inline-start|inline-end)$/i.test(valueFor(situation, item[0], 'float') ?? '')) return 'float';
  return displayOf(situation, item[0]).startsWith('inline') ? 'inline' : 'stacked';
}

/** A row of flex that goes down the page. */
const isColumn = (situation: Situation, container: PageElement | undefined): boolean =>
  /\bcolumn/i.test(
    `${valueFor(situation, container, 'flex-direction') ?? ''} ${valueFor(situation, container, 'flex-flow') ?? ''}`,
  );

/**
 * A side of an item as plain text, nothing where it is not set. A figure's own margins are those of browsers (WHATWG
 * HTML §15.3.3).
 */
export function sideOf({ situation, parts }: Layout, property: string): string {
  const said = valueFor(situation, parts.item[0], property);
  if (said !== null && said !== 'auto') return said;
  if (parts.item[0]?.tag !== 'figure' || !property.startsWith('margin-')) return '0';
  return /left|right/.test(property) ? '40px' : '1em';
}

export const isNothing = (value: string): boolean => lengthOf(value)?.number === 0;
