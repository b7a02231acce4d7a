/**
 * Addresses in source text: the one under the cursor, and the one that is being written. Plain text in, so that no
 * parser has to keep up.
 */

/** The address around a column of a line, as written between quotes, brackets or spaces; null where there is none. */
export function addressAt(line: string, column: number): { text: string; from: number; to: number } | null {
  const stop = /[\s"'()<>,=`]/;
  let from = column;
  let to = column;
  while (from > 0 && !stop.test(line.charAt(from - 1))) from--;
  while (to < line.length && !stop.test(line.charAt(to))) to++;
  const text = line.slice(from, to);
  // A word without dot, slash or hash names no file.
  return /[./#]/.test(text) && !/^[a-z][a-z\d+.-]*:/i.test(text) ? { text, from, to } : null;
}

/** What is being written where the cursor stands. */
type Writing =
  /** `typed` begins at `from`, a column of the line. */
  | { kind: 'address'; typed: string; from: number; attribute: string }
  | { kind: 'class' | 'id'; typed: string; from: number };

const ADDRESSED = /^(?:href|src|poster|data|action|data-[\w-]+)$/;

/** Attributes that name elements by their ids. */
const NAMING = /^(?:for|headers|list|aria-(?:labelledby|describedby|controls|owns))$/;

function inAttribute(before: string): Writing | null {
  const value = /([\w-]+)\s*=\s*(?:"([^"]*)|'([^']*))$/.exec(before);
  if (!value) return null;
  const [, written = '', quoted, single = ''] = value;
  const attribute = written.toLowerCase();
  const text = quoted ?? single;
  const last = /[^\s,]*$/.exec(text)?.[0] ?? '';
  const from = before.length - last.length;
  if (attribute === 'class') return { kind: 'class', typed: last, from };
  if (attribute === 'srcset') return { kind: 'address', typed: last, from, attribute };
  if (NAMING.test(attribute)) return { kind: 'id', typed: last, from };
  return ADDRESSED.test(attribute)
    ? { kind: 'address', typed: text, from: before.length - text.length, attribute }
    : null;
}

/** `language` tells what dots and hashes mean outside of attributes. */
export function writingAt(before: string, language: 'html' | 'css' | 'js', inBlock: boolean): Writing | null {
  const style = /url\(\s*["']?([^"')\s]*)$/i.exec(before);
  if (style) {
    const [, typed = ''] = style;
    return { kind: 'address', typed, from: before.length - typed.length, attribute: 'url' };
  }
  if (language === 'html') return inAttribute(before);
  // Inside of a block a stylesheet has no selectors.
  if (language === 'css' && inBlock) return null;
  const named = (language === 'css' ? /[.#]([\w-]*)$/ : /["'`][^"'`]*?[.#]([\w-]*)$/).exec(before);
  if (!named) return null;
  const [, typed = ''] = named;
  const sign = before[before.length - typed.length - 1];
  return { kind: sign === '#' ? 'id' : 'class', typed, from: before.length - typed.length };
}
