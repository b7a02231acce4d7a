/** New text written into a page: only what is new is encoded; what the author wrote is never touched. */
import type { Edit } from '../site/index.ts';
import { attributeOf, type Attribute, type PageElement } from './document.ts';

export const encodeMarkup = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');

/**
 * For a value between the given quotes. An ampersand is always written as an entity, so that what follows cannot make
 * one.
 */
export function encodeAttribute(value: string, quote: '"' | "'"): string {
  const ampersands = value.replaceAll('&', '&amp;');
  return quote === '"' ? ampersands.replaceAll('"', '&quot;') : ampersands.replaceAll("'", '&#39;');
}

/** The characters that an unquoted value may not hold (WHATWG HTML §13.1.2.3). */
const NEEDS_QUOTES = /[\s"'=<>`]|^$/;

/** The edit that gives an existing attribute a new value in the quotes that the author chose. */
export function replaceValue(attribute: Attribute, value: string): Edit {
  const { start, end } = attribute.valueRange;
  if (attribute.quote === 'none') return { start, end, text: `="${encodeAttribute(value, '"')}"` };
  if (attribute.quote !== '') return { start, end, text: encodeAttribute(value, attribute.quote) };
  return {
    start,
    end,
    text: NEEDS_QUOTES.test(value) ? `"${encodeAttribute(value, '"')}"` : encodeAttribute(value, '"'),
  };
}

/** The edit that sets an attribute, in its place or as the last one of the start tag. */
export function setAttribute(element: PageElement, name: string, value: string, text: string): Edit | null {
  const existing = attributeOf(element, name);
  if (existing) return existing.value === value ? null : replaceValue(existing, value);
  if (!element.open) return null;
  const last = element.attributes.at(-1)?.range.end ?? element.open.start + 1 + element.tag.length;
  const at = Math.min(last, element.open.end);
  // An attribute right after an unquoted value, or before `/>`, still needs its space.
  const trailing = /[^\s>/]/.test(text[at] ?? '') ? ' ' : '';
  return {
    start: at,
    end: at,
    text: value === '' ? ` ${name}${trailing}` : ` ${name}="${encodeAttribute(value, '"')}"${trailing}`,
  };
}

/** Takes an attribute away together with the white space before it. */
export function removeAttribute(attribute: Attribute, text: string): Edit {
  let start = attribute.range.start;
  while (/\s/.test(text[start - 1] ?? '')) start--;
  return { start, end: attribute.range.end, text: '' };
}
