/** In which encoding a page says that it is written, and how letters stand that it cannot carry. */
import { attributeOf, placeOf, valueOf, type PageDocument, type PageElement, type Range } from './document.ts';

interface DeclaredCharset {
  /** As it is written: `iso-8859-1`. */
  label: string;
  /** Where that stands. */
  range: Range;
}

/** What is read as UTF-8: its names, and UTF-16, which no page can be that declares it in ASCII (WHATWG HTML §13.2.3.2). */
const UTF_8 = /^(?:utf-?8|unicode-1-1-utf-8|unicode11utf8|unicode20utf8|x-unicode20utf8|utf-16(?:le|be)?)$/i;

export const isUtf8 = ({ label }: DeclaredCharset): boolean => UTF_8.test(label);

/** The first declaration counts: `meta charset`, or `meta http-equiv` with a `charset=` in its content. */
export function charsetOf(page: PageDocument): DeclaredCharset | null {
  for (const meta of page.elements) {
    const declared = meta.tag === 'meta' ? declaredBy(page, meta) : null;
    if (declared) return declared;
  }
  return null;
}

function declaredBy(page: PageDocument, meta: PageElement): DeclaredCharset | null {
  const charset = attributeOf(meta, 'charset');
  if (charset) return { label: charset.value.trim(), range: charset.valueRange };
  const content = attributeOf(meta, 'content');
  if (!content || valueOf(meta, 'http-equiv')?.toLowerCase() !== 'content-type') return null;
  const { start, end } = content.valueRange;
  const named = /charset\s*=\s*["']?([^\s;"']+)/i.exec(page.text.slice(start, end));
  const label = named?.[1];
  if (!named || label === undefined) return null;
  const at = start + named.index + named[0].lastIndexOf(label);
  return { label, range: { start: at, end: at + label.length } };
}

// eslint-disable-next-line no-control-regex -- all of ASCII
const BEYOND_ASCII = /[^\u0000-\u007f]/u;
const EACH_BEYOND = new RegExp(BEYOND_ASCII, 'gu');

export const firstBeyondAscii = (text: string): string | null => BEYOND_ASCII.exec(text)?.[0] ?? null;

export const isAscii = (text: string): boolean => !BEYOND_ASCII.test(text);

/** Letters beyond ASCII as numeric references (WHATWG HTML §13.1.4), which every encoding carries. */
export const asReferences = (text: string): string =>
  text.replace(EACH_BEYOND, (letter) => `&#${letter.codePointAt(0) ?? 0};`);

/** Whether a page says that it is in another encoding than UTF-8, and is in none that could be told from it. */
export function lacksLetters(page: PageDocument): boolean {
  const declared = charsetOf(page);
  return declared !== null && !isUtf8(declared) && isAscii(page.text);
}

/** Where references are not read: in scripts, styles, comments and the code of a server. */
export function rawPlaces({ elements, comments, templates }: PageDocument): Range[] {
  const code = elements.flatMap((element) =>
    element.range && (element.tag === 'script' || element.tag === 'style') ? [placeOf(element)] : [],
  );
  return [...code, ...comments, ...templates];
}
