/**
 * Places where source and tree part company, found in one pass over what the parser built.
 * Changing the structure there could move other content, so such changes are refused; text may still be typed.
 */
import type { PageDocument, PageElement, Range } from './document.ts';

export interface Hazard {
  range: Range;
  says: string;
}

const TEMPLATE = /\{\{|\{%|<\?(?!xml)|<%/;
/** A name that is no element's of HTML may stand for one that is closed in its own tag (XML 1.0 §3.1). */
const VOID = /^(?:area|base|br|col|embed|hr|img|input|link|meta|param|source|track|wbr)$/;

export function hazardsOf(page: PageDocument): Hazard[] {
  const hazards: Hazard[] = [];
  const opened = new Set<number>();
  const templates = TEMPLATE.test(page.text);
  const isXml = /^\uFEFF?<\?xml\b/.test(page.text);
  for (const element of page.elements) {
    const { open, range } = element;
    if (!open || !range) continue;
    if (opened.has(open.start))
      hazards.push({
        range,
        says: `a <${element.tag}> is closed in the wrong order here, so a browser makes two of it`,
      });
    opened.add(open.start);
    hazards.push(...misplaced(element, open, range));
    if (isXml && closesItself(page.text, element))
      hazards.push({ range, says: `<${element.tag}/> is closed in its own tag, which only readers of XML understand` });
    const doubled = hasMore(page.text, element) ? doubledAttribute(page.text.slice(open.start, open.end)) : null;
    if (doubled)
      hazards.push({
        range: open,
        says: `the attribute ${doubled} stands twice in this tag; a browser ignores the second`,
      });
    if (templates && TEMPLATE.test(page.text.slice(open.start, open.end)))
      hazards.push({ range: open, says: 'a template’s placeholder stands inside this tag' });
  }
  for (const range of page.templates)
    if (!hazards.some((one) => one.range.start < range.end && one.range.end > range.start))
      hazards.push({ range, says: 'code of a server stands here, and what it writes is not known' });
  const tail = /<[a-z][^<>]*$/i.exec(page.text);
  if (page.tooDeep) hazards.push({ range: page.tooDeep, says: 'elements lie too deep in one another here to be read' });
  if (tail) hazards.push({ range: { start: tail.index, end: page.text.length }, says: 'the last tag is not finished' });
  return hazards;
}

/** Written as an empty element, and read as one that goes on. */
const closesItself = (text: string, { tag, open, range }: PageElement): boolean =>
  open !== null && range !== null && text[open.end - 2] === '/' && !VOID.test(tag) && range.end > open.end;

/** A browser puts it elsewhere than where it is written. */
function misplaced({ tag, parent, place }: PageElement, open: Range, range: Range): Hazard[] {
  const next = parent?.children[place + 1];
  if (next?.open && next.open.start < open.start)
    return [
      {
        range: { start: next.open.start, end: range.end },
        says: `<${tag}> stands where a table may not hold it; a browser moves it in front of the table`,
      },
    ];
  const isBehindBody = parent?.tag === 'body' && parent.close !== null && open.start >= parent.close.end;
  return isBehindBody ? [{ range, says: `<${tag}> stands after </body>` }] : [];
}

/** Whether a start tag holds more than its name and the attributes that the parser kept. */
function hasMore(text: string, { open, tag, attributes }: PageElement): boolean {
  if (!open) return false;
  let at = open.start + 1 + tag.length;
  for (const { range } of attributes) {
    for (; at < range.start; at++) if (!isGap(text.charCodeAt(at))) return true;
    at = range.end;
  }
  for (; at < open.end - 1; at++) if (!isGap(text.charCodeAt(at))) return true;
  return false;
}

/** White space or a slash. */
const isGap = (code: number): boolean => code === 32 || code === 47 || (code >= 9 && code <= 13);

/** The name of an attribute that is written twice. The parser drops the second silently. */
function doubledAttribute(tag: string): string | null {
  const names = new Set<string>();
  const written = tag.replace(/^<[^\s/>]+/, '').matchAll(/([^\s"'<>/=]+)(?:\s*=\s*(?:"[^"]*"|'[^']*'|[^\s>]+))?/g);
  for (const [, name = ''] of written) {
    const folded = name.toLowerCase();
    if (names.has(folded)) return folded;
    names.add(folded);
  }
  return null;
}

/** Why a structural edit of this range must be refused, or null. */
export function hazardIn(hazards: readonly Hazard[], range: Range): Hazard | null {
  return hazards.find((hazard) => hazard.range.start < range.end && hazard.range.end > range.start) ?? null;
}
