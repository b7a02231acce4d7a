/** The stylesheets of a page in the order in which they count, each rule with its place in the author's text. */
import Specificity from '@bramus/specificity';
import { parse, type Atrule, type CssNode, type Declaration as DeclarationNode, type Rule as RuleNode } from 'css-tree';
import { attributeOf, valueOf, type PageDocument, type PageElement, type Range } from '../markup/index.ts';
import { known, lastOf, LineIndex, type PathIndex, resolveInSite, tooDeepAt, type SiteFiles } from '../site/index.ts';

export interface Declaration {
  /** In lower case. */
  property: string;
  /** As written, without `!important`. */
  value: string;
  important: boolean;
  /** From the property to the end of the value, `!important` included; no semicolon. */
  range: Range;
  valueRange: Range;
}

export interface Selector {
  text: string;
  /** CSS Selectors 4 §17 as one number: ids, then classes, then types, each below 1000. */
  specificity: number;
}

export interface Rule {
  stylesheet: Stylesheet;
  selectors: Selector[];
  /** As the author wrote them. */
  prelude: string;
  /** The whole rule. */
  range: Range;
  /** Between the braces. */
  block: Range;
  declarations: Declaration[];
  /** Media conditions around it, outermost first; empty where it always counts. */
  media: string[];
  /** The block of the innermost media condition, between its braces. */
  within: Range | null;
  /** Place among all rules of the page. */
  order: number;
}

export interface Stylesheet {
  path: string;
  /** The whole file: of a `style` element the page. */
  text: string;
  /** The part of the file that is CSS; offsets everywhere are those of the file. */
  part: Range;
  /** `file` is a stylesheet, `element` a `style` element of the page, `attribute` one of its `style` attributes. */
  kind: 'file' | 'element' | 'attribute';
  rules: Rule[];
  lines: LineIndex;
}

const MAX_IMPORTS = 20;

/** Linked files, `@import` and `style` elements as they follow one another. Sheets from elsewhere are not read. */
export function stylesheetsOf(
  page: { path: string; base: string; document: PageDocument },
  files: SiteFiles,
  index: PathIndex,
): Stylesheet[] {
  const sheets: Stylesheet[] = [];
  const seen = new Set<string>();
  let order = 0;
  const add = (path: string, text: string, part: Range, kind: Stylesheet['kind'], media: readonly string[]) => {
    const sheet = parseSheet(path, text, part, kind, media);
    for (const address of importsIn(sheet)) file(address, path, media);
    for (const rule of sheet.rules) rule.order = order++;
    sheets.push(sheet);
  };
  const file = (address: string, from: string, media: readonly string[]) => {
    const target = resolveInSite(address, from);
    const found = target.kind === 'file' ? index.lookup(target.path) : null;
    if (!found || found.found === 'nothing' || seen.size > MAX_IMPORTS) return;
    const content = files.get(found.path);
    if (content?.kind !== 'text' || seen.has(found.path)) return;
    seen.add(found.path);
    add(found.path, content.text, { start: 0, end: content.text.length }, 'file', media);
  };
  for (const element of page.document.elements) {
    const condition = valueOf(element, 'media')?.trim();
    const media = condition ? [condition] : [];
    const href = styleLink(element);
    if (href !== null) file(href, page.base, media);
    else if (element.tag === 'style' && element.open && element.texts[0]) {
      add(
        page.path,
        page.document.text,
        { start: element.open.end, end: element.close?.start ?? lastOf(element.texts).range.end },
        'element',
        media,
      );
    }
  }
  return sheets;
}

/** Where a `link` to a stylesheet leads; null of any other element. */
export function styleLink(element: PageElement): string | null {
  if (element.tag !== 'link') return null;
  const rel = (valueOf(element, 'rel') ?? '').toLowerCase().split(/\s+/);
  return rel.includes('stylesheet') && !rel.includes('alternate') ? (valueOf(element, 'href') ?? null) : null;
}

/** The site paths of the stylesheets that a page links to. */
export function linkedStyles(page: { base: string; document: PageDocument }, index: PathIndex): string[] {
  return page.document.elements.flatMap((element) => {
    const href = styleLink(element);
    const target = href === null ? null : resolveInSite(href, page.base);
    const found = target?.kind === 'file' ? index.lookup(target.path) : null;
    return found && found.found !== 'nothing' ? [found.path] : [];
  });
}

/**
 * The declarations of a `style` attribute as a rule of one element; null where it has entities in it, which would
 * shift places.
 */
export function inlineRule(path: string, document: PageDocument, element: PageElement): Rule | null {
  const attribute = attributeOf(element, 'style');
  if (!attribute || document.text.slice(attribute.valueRange.start, attribute.valueRange.end) !== attribute.value)
    return null;
  const sheet: Stylesheet = {
    path,
    text: document.text,
    part: attribute.valueRange,
    kind: 'attribute',
    rules: [],
    lines: document.lines,
  };
  const list = parse(attribute.value, { context: 'declarationList', positions: true, parseValue: false });
  const declarations = 'children' in list && list.children ? declarationsIn(list.children, sheet) : [];
  const rule: Rule = {
    stylesheet: sheet,
    selectors: [{ text: '*', specificity: Infinity }],
    prelude: 'style',
    range: attribute.range,
    block: attribute.valueRange,
    declarations,
    media: [],
    within: null,
    order: Infinity,
  };
  sheet.rules.push(rule);
  return rule;
}

function parseSheet(
  path: string,
  text: string,
  part: Range,
  kind: Stylesheet['kind'],
  media: readonly string[] = [],
): Stylesheet {
  const sheet: Stylesheet = { path, text, part, kind, rules: [], lines: new LineIndex(text) };
  const css = text.slice(part.start, part.end);
  if (tooDeepAt(css) !== null) return sheet;
  const tree = parse(css, {
    positions: true,
    parseValue: false,
    parseRulePrelude: false,
    parseAtrulePrelude: false,
  });
  if (tree.type === 'StyleSheet') gather(tree.children, sheet, media, null);
  return sheet;
}

/**
 * At-rules whose rules count wherever their condition holds; of the others (`@supports`, `@layer`) rules are taken as
 * they stand.
 */
const GROUPS = new Set(['media', 'supports', 'layer', 'container']);

function gather(nodes: Iterable<CssNode>, sheet: Stylesheet, media: readonly string[], within: Range | null): void {
  for (const node of nodes) {
    if (node.type === 'Rule') {
      const rule = ruleFrom(node, sheet, media, within);
      if (rule) sheet.rules.push(rule);
    } else if (node.type === 'Atrule' && node.block && GROUPS.has(node.name.toLowerCase())) {
      const isMedia = node.name.toLowerCase() === 'media';
      gather(
        node.block.children,
        sheet,
        isMedia ? [...media, preludeOf(node, sheet)] : media,
        isMedia ? insideOf(node.block, sheet) : within,
      );
    }
  }
}

const textAt = (sheet: Stylesheet, node: CssNode | null): string =>
  node?.loc ? sheet.text.slice(node.loc.start.offset + sheet.part.start, node.loc.end.offset + sheet.part.start) : '';

const preludeOf = (node: Atrule, sheet: Stylesheet): string => textAt(sheet, node.prelude).trim();

function insideOf(block: CssNode, { text, part }: Stylesheet): Range {
  const { start, end } = known(block.loc, 'place of a block');
  const last = end.offset + part.start;
  return { start: start.offset + part.start + 1, end: text[last - 1] === '}' ? last - 1 : last };
}

function ruleFrom(node: RuleNode, sheet: Stylesheet, media: readonly string[], within: Range | null): Rule | null {
  if (!node.loc || !node.block.loc) return null;
  const prelude = textAt(sheet, node.prelude).trim();
  const { part } = sheet;
  return {
    stylesheet: sheet,
    selectors: selectorsOf(prelude),
    prelude,
    range: { start: node.loc.start.offset + part.start, end: node.loc.end.offset + part.start },
    block: insideOf(node.block, sheet),
    declarations: declarationsIn(node.block.children, sheet),
    media: [...media],
    within,
    order: 0,
  };
}

function declarationsIn(nodes: Iterable<CssNode>, sheet: Stylesheet): Declaration[] {
  const found: Declaration[] = [];
  for (const node of nodes) if (node.type === 'Declaration' && node.loc) found.push(declarationFrom(node, sheet));
  return found;
}

function declarationFrom(node: DeclarationNode, sheet: Stylesheet): Declaration {
  const start = known(node.loc, 'place of a declaration').start.offset + sheet.part.start;
  const whole = textAt(sheet, node);
  const value = textAt(sheet, node.value);
  const valueStart = node.value.loc ? node.value.loc.start.offset + sheet.part.start : start + whole.length;
  const trimmed = value.trim();
  const lead = value.length - value.trimStart().length;
  return {
    property: node.property.toLowerCase(),
    value: trimmed,
    important: node.important !== false,
    range: { start, end: start + whole.trimEnd().length },
    valueRange: { start: valueStart + lead, end: valueStart + lead + trimmed.length },
  };
}

/** Each selector of a list with its weight; one that does not parse makes the whole list invalid, as in a browser. */
function selectorsOf(prelude: string): Selector[] {
  try {
    return Specificity.calculate(prelude).map((one) => ({
      text: one.selectorString(),
      specificity: one.a * 1e6 + one.b * 1e3 + one.c,
    }));
  } catch {
    return [];
  }
}

/** A condition behind the address is not read; such a sheet counts as one that always holds. */
function importsIn(sheet: Stylesheet): string[] {
  const css = sheet.text.slice(sheet.part.start, sheet.part.end);
  if (!/@import/i.test(css) || tooDeepAt(css) !== null) return [];
  const tree = parse(css, { parseValue: false, parseRulePrelude: false });
  const found: string[] = [];
  if (tree.type !== 'StyleSheet') return found;
  tree.children.forEach((node) => {
    if (node.type !== 'Atrule' || node.name.toLowerCase() !== 'import' || node.prelude?.type !== 'AtrulePrelude')
      return;
    const first = node.prelude.children.first;
    if (first && (first.type === 'String' || first.type === 'Url')) found.push(String(first.value));
  });
  return found;
}
