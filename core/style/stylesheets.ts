/** The stylesheets of a page in the order in which they count, each rule with its place in the author's text. */
import Specificity from '@bramus/specificity';
import { parse, type Atrule, type CssNode, type Declaration as DeclarationNode } from 'css-tree';
import { attributeOf, valueOf, type PageDocument, type PageElement, type Range } from '../markup/index.ts';
import { known, lastOf, LineIndex, type PathIndex, resolveInSite, tooDeepAt, type SiteFiles } from '../site/index.ts';
import { type BlockPart, partsOfBlock, unnested, withoutComments } from './blocks.ts';
import { Layers } from './layers.ts';
import { isSupported } from './supports.ts';

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
  /** The cascade layer that it stands in; null outside of all. */
  layer: string | null;
  /** What is higher wins, if it is not important. */
  rank: number;
  /** Why nobody can say here whether it counts; null where that is known. */
  doubt: string | null;
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

/** Where rules stand that are read: what has to hold for them, and what they are written in. */
interface Around {
  media: readonly string[];
  within: Range | null;
  layer: string | null;
  doubt: string | null;
  /** The selectors of the rule that they are nested in. */
  nest: string | null;
}

const NOWHERE: Around = { media: [], within: null, layer: null, doubt: null, nest: null };

/** Linked files, `@import` and `style` elements as they follow one another. Sheets from elsewhere are not read. */
export function stylesheetsOf(
  page: { path: string; base: string; document: PageDocument },
  files: SiteFiles,
  index: PathIndex,
): Stylesheet[] {
  const stylesheets: Stylesheet[] = [];
  const seen = new Set<string>();
  const layers = new Layers();
  let order = 0;
  const add = (path: string, text: string, part: Range, kind: Stylesheet['kind'], around: Around) => {
    const stylesheet = sheetFrom(path, text, part, kind);
    const css = text.slice(part.start, part.end);
    const tree = tooDeepAt(css) === null ? parse(css, READ) : null;
    if (tree?.type === 'StyleSheet') {
      for (const { address, conditions } of importsIn(tree, css)) {
        const held = importedBy(conditions, around, layers);
        if (held) file(address, path, held);
      }
      gather(tree.children, { stylesheet, layers }, around);
    }
    for (const rule of stylesheet.rules) rule.order = order++;
    stylesheets.push(stylesheet);
  };
  const file = (address: string, from: string, around: Around) => {
    const target = resolveInSite(address, from);
    const found = target.kind === 'file' ? index.lookup(target.path) : null;
    if (!found || found.found === 'nothing' || seen.size > MAX_IMPORTS) return;
    const content = files.get(found.path);
    if (content?.kind !== 'text' || seen.has(found.path)) return;
    seen.add(found.path);
    add(found.path, content.text, { start: 0, end: content.text.length }, 'file', around);
  };
  for (const element of page.document.elements) {
    const condition = valueOf(element, 'media')?.trim();
    const around = { ...NOWHERE, media: condition ? [condition] : [] };
    const href = styleLink(element);
    if (href !== null) file(href, page.base, around);
    else if (element.tag === 'style' && element.open && element.texts[0]) {
      add(
        page.path,
        page.document.text,
        { start: element.open.end, end: element.close?.start ?? lastOf(element.texts).range.end },
        'element',
        around,
      );
    }
  }
  for (const rule of stylesheets.flatMap(({ rules }) => rules)) rule.rank = layers.rankOf(rule.layer);
  return stylesheets;
}

const READ = { positions: true, parseValue: false, parseRulePrelude: false, parseAtrulePrelude: false } as const;

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
  const stylesheet: Stylesheet = {
    path,
    text: document.text,
    part: attribute.valueRange,
    kind: 'attribute',
    rules: [],
    lines: document.lines,
  };
  const list = parse(attribute.value, { context: 'declarationList', positions: true, parseValue: false });
  const declarations = 'children' in list && list.children ? declarationsIn(list.children, stylesheet) : [];
  const rule: Rule = {
    stylesheet: stylesheet,
    selectors: [{ text: '*', specificity: Infinity }],
    prelude: 'style',
    range: attribute.range,
    block: attribute.valueRange,
    declarations,
    media: [],
    within: null,
    order: Infinity,
    layer: null,
    rank: Infinity,
    doubt: null,
  };
  stylesheet.rules.push(rule);
  return rule;
}

const sheetFrom = (path: string, text: string, part: Range, kind: Stylesheet['kind']): Stylesheet => ({
  path,
  text,
  part,
  kind,
  rules: [],
  lines: new LineIndex(text),
});

interface Reading {
  stylesheet: Stylesheet;
  layers: Layers;
}

function gather(nodes: Iterable<CssNode>, reading: Reading, around: Around): void {
  const { stylesheet } = reading;
  for (const node of nodes) {
    if (!node.loc) continue;
    const range = placeIn(stylesheet, node.loc);
    if (node.type === 'Rule' && node.block.loc)
      rulesFrom(
        reading,
        { prelude: textAt(stylesheet, node.prelude), range, block: insideOf(node.block, stylesheet) },
        around,
      );
    else if (node.type === 'Atrule') {
      const prelude = textAt(stylesheet, node.prelude).trim();
      if (!node.block) named(reading, node, prelude, around);
      else {
        const inner = within(reading, node.name, prelude, { block: insideOf(node.block, stylesheet), range }, around);
        if (inner) gather(node.block.children, reading, inner);
      }
    }
  }
}

/** `@layer a, b;` */
function named({ layers }: Reading, { name }: Atrule, prelude: string, { layer }: Around): void {
  if (name.toLowerCase() === 'layer') for (const one of prelude.split(',')) layers.enter(layer, one);
}

interface Block {
  block: Range;
  range: Range;
}

/** What holds inside of an at-rule; null where nothing in it is a rule that counts. */
function within(
  { stylesheet, layers }: Reading,
  name: string,
  prelude: string,
  { block, range }: Block,
  around: Around,
): Around | null {
  switch (name.toLowerCase()) {
    case 'media':
      return { ...around, media: [...around.media, prelude], within: block };
    case 'layer':
      return { ...around, layer: layers.enter(around.layer, prelude) };
    case 'supports': {
      const held = isSupported(withoutComments(prelude));
      if (held === false) return null;
      return held ? around : { ...around, doubt: around.doubt ?? doubtOf(stylesheet, name, prelude, range) };
    }
    case 'container':
    case 'scope':
      return { ...around, doubt: around.doubt ?? doubtOf(stylesheet, name, prelude, range) };
    default:
      return null;
  }
}

const doubtOf = (stylesheet: Stylesheet, name: string, prelude: string, { start }: Range): string =>
  `${stylesheet.path}, line ${stylesheet.lines.lineAt(start)}: @${name} ${prelude} is not read here`;

interface Written extends Block {
  prelude: string;
}

/** A rule, and those that are nested in it. */
function rulesFrom(reading: Reading, { prelude, range, block }: Written, around: Around): void {
  const { stylesheet } = reading;
  const { text } = stylesheet;
  const written = withoutComments(prelude);
  const selector = around.nest === null ? written : unnested(written, around.nest);
  const inside = text.slice(block.start, block.end);
  const parts: BlockPart[] = inside.includes('{')
    ? partsOfBlock(text, block)
    : [{ kind: 'declarations', range: block }];
  const declarations = parts.flatMap((part) =>
    part.kind === 'declarations' ? declarationsBetween(stylesheet, part.range) : [],
  );
  stylesheet.rules.push(ruleWith(stylesheet, { selector, prelude: written, range, block, declarations }, around));
  for (const part of parts) {
    if (part.kind !== 'nested') continue;
    const head = text.slice(part.prelude.start, part.prelude.end).trim();
    const [, name, condition = ''] = /^@([\w-]+)\s*([\s\S]*)$/.exec(head) ?? [];
    if (name === undefined) rulesFrom(reading, { ...part, prelude: head }, { ...around, nest: selector });
    else {
      const inner = within(reading, name, withoutComments(condition), part, around);
      // What stands there speaks of the elements of the rule around it.
      if (inner) rulesFrom(reading, { ...part, prelude: '&' }, { ...inner, nest: selector });
    }
  }
}

interface RuleParts extends Written {
  selector: string;
  declarations: Declaration[];
}

function ruleWith(
  stylesheet: Stylesheet,
  { selector, prelude, range, block, declarations }: RuleParts,
  { media, within: inside, layer, doubt }: Around,
): Rule {
  const selectors = selectorsOf(selector);
  return {
    stylesheet: stylesheet,
    selectors,
    prelude,
    range,
    block,
    declarations,
    media: [...media],
    within: inside,
    order: 0,
    layer,
    rank: Infinity,
    doubt,
  };
}

const placeIn = ({ part }: Stylesheet, { start, end }: NonNullable<CssNode['loc']>): Range => ({
  start: start.offset + part.start,
  end: end.offset + part.start,
});

const textAt = (stylesheet: Stylesheet, node: CssNode | null): string =>
  node?.loc
    ? stylesheet.text.slice(node.loc.start.offset + stylesheet.part.start, node.loc.end.offset + stylesheet.part.start)
    : '';

function insideOf(block: CssNode, stylesheet: Stylesheet): Range {
  const { start, end } = placeIn(stylesheet, known(block.loc, 'place of a block'));
  return { start: start + 1, end: stylesheet.text[end - 1] === '}' ? end - 1 : end };
}

/** Declarations between two places, each with its own. */
function declarationsBetween(stylesheet: Stylesheet, { start, end }: Range): Declaration[] {
  const css = stylesheet.text.slice(start, end);
  const list = parse(css, { context: 'declarationList', positions: true, parseValue: false });
  if (!('children' in list) || !list.children) return [];
  return declarationsIn(list.children, { ...stylesheet, part: { start, end } });
}

function declarationsIn(nodes: Iterable<CssNode>, stylesheet: Stylesheet): Declaration[] {
  const found: Declaration[] = [];
  for (const node of nodes) if (node.type === 'Declaration' && node.loc) found.push(declarationFrom(node, stylesheet));
  return found;
}

function declarationFrom(node: DeclarationNode, stylesheet: Stylesheet): Declaration {
  const start = known(node.loc, 'place of a declaration').start.offset + stylesheet.part.start;
  const whole = textAt(stylesheet, node);
  const value = textAt(stylesheet, node.value);
  const valueStart = node.value.loc ? node.value.loc.start.offset + stylesheet.part.start : start + whole.length;
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

/** What a stylesheet imports, whatever has to hold for it: browsers load all of it. */
export function importsOf(css: string): Imported[] {
  const tree = tooDeepAt(css) === null ? parse(css, READ) : null;
  return tree?.type === 'StyleSheet' ? importsIn(tree, css) : [];
}

interface Imported {
  address: string;
  /** What stands behind the address. */
  conditions: string;
}

function importsIn(tree: CssNode & { type: 'StyleSheet' }, css: string): Imported[] {
  return [...tree.children].flatMap((node): Imported[] => {
    if (node.type !== 'Atrule' || node.name.toLowerCase() !== 'import' || !node.prelude?.loc) return [];
    const { start, end } = node.prelude.loc;
    const written = withoutComments(css.slice(start.offset, end.offset));
    const [whole, quoted, plain, inUrl, bare] =
      /^(?:"([^"]*)"|'([^']*)'|url\(\s*(?:["']([^"']*)["']|([^)"'\s]*))\s*\))/i.exec(written) ?? [];
    const address = quoted ?? plain ?? inUrl ?? bare;
    return whole === undefined || address === undefined
      ? []
      : [{ address, conditions: written.slice(whole.length).trim() }];
  });
}

/** `layer(a) supports(display: grid) screen and (min-width: 10px)`, in this order (CSS Cascade 5 §2). */
function importedBy(conditions: string, around: Around, layers: Layers): Around | null {
  const { layer, supports, media } = conditionsIn(conditions);
  const held = supports === null ? true : isSupported(supports.startsWith('(') ? supports : `(${supports})`);
  if (held === false) return null;
  return {
    ...around,
    media: media === '' ? around.media : [...around.media, media],
    layer: layer === null ? around.layer : layers.enter(around.layer, layer),
    doubt: around.doubt ?? (held ? null : `@import … supports(${supports ?? ''}) is not read here`),
  };
}

function conditionsIn(conditions: string): { layer: string | null; supports: string | null; media: string } {
  const layered = /^layer(?:\(([^)]*)\))?(?=\s|$)\s*/i.exec(conditions);
  const rest = conditions.slice(layered?.[0].length ?? 0);
  const supports = /^supports\(((?:[^()]|\([^()]*\))*)\)\s*/i.exec(rest);
  return {
    layer: layered && (layered[1] ?? ''),
    supports: supports?.[1]?.trim() ?? null,
    media: rest.slice(supports?.[0].length ?? 0).trim(),
  };
}
