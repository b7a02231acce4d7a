/**
 * Mends of what checkers of HTML and of accessibility say of a page, by the name that the checker gives to its rule. All
 * but those that set an attribute leave the page as a browser builds it; who writes them makes sure of it.
 */
import {
  attributeOf,
  languageOf,
  type PageDocument,
  type PageElement,
  quirksOf,
  removeAttribute,
  setAttribute,
} from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import type { Edit } from '../site/index.ts';

export interface MarkupFix {
  label: string;
  edit: Edit;
  /** The attribute that it is meant to change, with its value; null takes it away. */
  sets?: { element: PageElement; name: string; value: string | null };
}

type FindFix = (page: PageReading, at: number, site: SiteReading) => MarkupFix | null;

/** Of html-validate and axe-core. `at` is where the message stands in the text. */
const FIXES: Readonly<Record<string, FindFix>> = {
  'void-content': ({ document: { text } }, at) => endTagAt(text, at - 1, 'Remove the end tag'),
  'close-order': (page, at) =>
    page.document.text.startsWith('/', at)
      ? endTagAt(page.document.text, at - 1, 'Remove the end tag')
      : unclosed(page.document, at - 1),
  // What may not stand in the element before it ends that, if its end tag may be left out.
  'element-permitted-content': ({ document }, at) => unclosedBefore(document, at - 1),
  'no-raw-characters': ({ document: { text } }, at) => {
    const reference = REFERENCES[text.charAt(at)];
    return reference === undefined
      ? null
      : { label: `Write ${reference}`, edit: { start: at, end: at + 1, text: reference } };
  },
  'unrecognized-char-ref': ({ document: { text } }, at) => {
    const name = /^&[A-Za-z0-9]+/.exec(text.slice(at, at + 40))?.[0];
    const end = at + (name?.length ?? 0);
    return name === undefined || text[end] === ';'
      ? null
      : { label: 'Add the semicolon', edit: { start: end, end, text: ';' } };
  },
  'no-dup-attr': ({ document: { text } }, at) => attributeAt(text, at, 'Remove the second one'),
  'close-attr': ({ document: { text } }, at) => attributeAt(text, at, 'Remove it from the end tag'),
  'doctype-html': ({ document: { text } }) => doctype(text),
  'element-required-attributes': (page, at, site) => language(page, at - 1, site),
  'html-has-lang': language,
  'meta-viewport': zoom,
  'meta-viewport-large': zoom,
};

/** Null where nobody can say what was meant, or where the text is another by now. */
export function markupFix(site: SiteReading, page: PageReading, rule: string, at: number): MarkupFix | null {
  return FIXES[rule]?.(page, at, site) ?? null;
}

/** WHATWG HTML §13.1.3 and §13.1.4: what may not stand there by itself. */
const REFERENCES: Readonly<Record<string, string>> = {
  '<': '&lt;',
  '>': '&gt;',
  '&': '&amp;',
  '"': '&quot;',
  "'": '&#39;',
};

function endTagAt(text: string, at: number, label: string): MarkupFix | null {
  const tag = /^<\/[A-Za-z][^<>]*>/.exec(text.slice(at, at + 300))?.[0];
  return tag === undefined ? null : { label, edit: { start: at, end: at + tag.length, text: '' } };
}

const ATTRIBUTE = /^[^\s"'<>/=]+(?:\s*=\s*(?:"[^"]*"|'[^']*'|[^\s"'>][^\s>]*))?/;

function attributeAt(text: string, at: number, label: string): MarkupFix | null {
  const written = ATTRIBUTE.exec(text.slice(at, at + 5000))?.[0];
  if (written === undefined) return null;
  const range = { start: at, end: at + written.length };
  const attribute = { name: '', value: '', range, valueRange: range, quote: '' as const };
  return { label, edit: removeAttribute(attribute, text) };
}

/** Elements whose end tag may be left out (WHATWG HTML §13.1.2.4): where they end is beyond doubt. */
const MAY_END_UNSAID = /^(?:li|dt|dd|p|option|optgroup|thead|tbody|tfoot|tr|td|th|rt|rp)$/;

function unclosedBefore(document: PageDocument, start: number): MarkupFix | null {
  const element = document.elements.find(({ open }) => open?.start === start);
  const before = element?.parent?.children[element.place - 1];
  return before?.open && before.range?.end === start ? unclosed(document, before.open.start) : null;
}

/** The end tag in the author's own capitals, behind the last that stands in the element. */
function unclosed({ elements, text }: PageDocument, start: number): MarkupFix | null {
  const element = elements.find(({ open }) => open?.start === start);
  if (!element?.open || !element.range || element.close || !MAY_END_UNSAID.test(element.tag)) return null;
  const inside = text.slice(element.open.end, element.range.end);
  const end = element.open.end + inside.trimEnd().length;
  const tag = text.slice(start + 1, start + 1 + element.tag.length);
  return { label: `Add </${tag}>`, edit: { start: end, end, text: `</${tag}>` } };
}

const SHORT = '<!DOCTYPE html>';

/** Only where browsers lay the page out by the standard already: of others it would change the look. */
function doctype(text: string): MarkupFix | null {
  const written = /^\uFEFF?(?:\s|<!--[\s\S]*?-->|<\?xml[^>]*>)*(<!doctype[^>]*>)/i.exec(text);
  const [before, tag] = written ?? [];
  if (
    before === undefined ||
    tag === undefined ||
    tag.toLowerCase() === SHORT.toLowerCase() ||
    quirksOf(text) !== 'no-quirks'
  )
    return null;
  const end = before.length;
  return { label: `Write ${SHORT}`, edit: { start: end - tag.length, end, text: SHORT } };
}

/** Where all pages that say a language say the same one. */
function language({ document }: PageReading, at: number, { pages }: SiteReading): MarkupFix | null {
  const html = document.elements.find(({ tag }) => tag === 'html');
  const said = new Set(pages.flatMap((page) => languageOf(page.document) ?? []));
  const [value] = said;
  if (html?.open?.start !== at || value === undefined || said.size > 1 || languageOf(document)) return null;
  const edit = setAttribute(html, 'lang', value, document.text);
  return edit && { label: `Add lang="${value}"`, edit, sets: { element: html, name: 'lang', value } };
}

/** What keeps visitors from making the page larger (WCAG 2.2, 1.4.4). */
const NO_ZOOM = /^\s*(?:user-scalable|maximum-scale|minimum-scale)\s*=/i;

function zoom({ document }: PageReading, at: number): MarkupFix | null {
  const meta = document.elements.find(({ open }) => open?.start === at);
  const content = meta && attributeOf(meta, 'content');
  if (!meta || !content) return null;
  const kept = content.value.split(/[,;]/).filter((part) => !NO_ZOOM.test(part));
  const value = kept.map((part) => part.trim()).join(', ');
  const edit = setAttribute(meta, 'content', value, document.text);
  return edit && { label: 'Let visitors zoom', edit, sets: { element: meta, name: 'content', value } };
}
