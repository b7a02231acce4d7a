/**
 * Text of stylesheets as their author writes it: where a declaration goes, and how a new rule looks beside the
 * others.
 */
import type { Range } from '../markup/index.ts';
import type { Edit } from '../site/index.ts';
import type { Declaration, Rule, Stylesheet } from './stylesheets.ts';

interface Hand {
  newline: string;
  /** White space before a declaration on a line of its own. */
  indent: string;
  /** A rule stands on one line. */
  oneLine: boolean;
  colon: string;
}

const blockOf = ({ stylesheet: stylesheet, block }: Rule): string => stylesheet.text.slice(block.start, block.end);

/** How most rules of a stylesheet are written. */
function handOf({ text, rules }: Stylesheet): Hand {
  const written = rules.filter(({ declarations }) => declarations.length > 0);
  const broken = written.filter((rule) => blockOf(rule).includes('\n'));
  const first = broken[0]?.declarations[0];
  const outer = broken[0] ? indentAt(text, broken[0].range.start) : '';
  const inner = first ? indentAt(text, first.range.start) : '  ';
  const compact = written.filter(
    ({ declarations: [one] }) => one && one.valueRange.start === one.range.start + one.property.length + 1,
  ).length;
  return {
    newline: text.includes('\r\n') ? '\r\n' : '\n',
    indent: inner.startsWith(outer) ? inner.slice(outer.length) || '  ' : inner,
    oneLine: broken.length * 2 < written.length,
    colon: compact * 2 > written.length ? ':' : ': ',
  };
}

function indentAt(text: string, at: number): string {
  const line = text.slice(text.lastIndexOf('\n', at - 1) + 1, at);
  return /^[ \t]*/.exec(line)?.[0] ?? '';
}

/** A declaration behind the last one of a rule. */
export function appendDeclaration(rule: Rule, property: string, value: string): Edit {
  const { stylesheet: stylesheet, block, declarations } = rule;
  const { text } = stylesheet;
  const hand = handOf(stylesheet);
  const written = `${property}${hand.colon}${value}`;
  const last = declarations.at(-1);
  const inside = blockOf(rule);
  if (!last) {
    const multi = inside.includes('\n') || (!hand.oneLine && stylesheet.kind !== 'attribute');
    const at = block.start;
    if (stylesheet.kind === 'attribute')
      return { start: at, end: at, text: `${written}${inside.trim() === '' ? '' : '; '}` };
    if (!multi) return { start: at, end: at, text: ` ${written};${inside === '' ? ' ' : ''}` };
    const line = hand.newline + indentAt(text, rule.range.start);
    const closing = inside.includes('\n') ? '' : line;
    return { start: at, end: at, text: `${line}${hand.indent}${written};${closing}` };
  }
  const separator = inside.includes('\n') ? hand.newline + indentAt(text, last.range.start) : ' ';
  const semicolon = /^\s*;/.exec(text.slice(last.range.end, block.end));
  if (!semicolon) return { start: last.range.end, end: last.range.end, text: `;${separator}${written}` };
  // A remark on the same line is about the declaration before it.
  const remark = inside.includes('\n')
    ? (/^[ \t]*\/\*[^\n]*?\*\/(?=[ \t]*\r?\n)/.exec(text.slice(last.range.end + semicolon[0].length, block.end))?.[0]
        .length ?? 0)
    : 0;
  const at = last.range.end + semicolon[0].length + remark;
  return { start: at, end: at, text: `${separator}${written};` };
}

/** The comment above a rule that was written here; whatever else stands above a rule is the author's. */
const OURS = /(?:\r?\n){0,2}[ \t]*\/\* (?:Gallery of|Viewer) [^*]*\*\/\s*$/;

/**
 * A declaration with its semicolon, and with its line where it has one of its own; a rule that was written for it
 * alone goes along.
 */
export function cutDeclaration(rule: Rule, { range }: Declaration): Edit {
  const {
    stylesheet: { text },
    block,
  } = rule;
  const ours = rule.declarations.length === 1 ? OURS.exec(text.slice(0, rule.range.start)) : null;
  if (ours) return { start: ours.index, end: rule.range.end, text: '' };
  const semicolon = /^\s*;/.exec(text.slice(range.end, block.end));
  const end = range.end + (semicolon?.[0].length ?? 0);
  const lead = /[ \t]*$/.exec(text.slice(block.start, range.start))?.[0].length ?? 0;
  const lineBreak = /\r?\n$/.exec(text.slice(block.start, range.start - lead))?.[0].length ?? 0;
  const alone = lineBreak > 0 && /^[ \t]*\r?\n/.test(text.slice(end));
  return { start: range.start - lead - (alone ? lineBreak : 0), end, text: '' };
}

export interface NewRule {
  selector: string;
  property: string;
  value: string;
  /** What it is for: the comment above it. */
  purpose: string;
  /** A media condition to be written round it. */
  media: string | null;
}

function ruleText(
  stylesheet: Stylesheet,
  { selector, property, value, purpose, media }: NewRule,
  base: string,
): string {
  const hand = handOf(stylesheet);
  const declaration = `${property}${hand.colon}${value};`;
  const inner = media === null ? base : base + hand.indent;
  const rule = hand.oneLine
    ? [`${inner}${selector} { ${declaration} }`]
    : [`${inner}${selector} {`, `${inner}${hand.indent}${declaration}`, `${inner}}`];
  const lines = [
    `${base}/* ${purpose.replaceAll('*/', '')} */`,
    ...(media === null ? rule : [`${base}@media ${media} {`, ...rule, `${base}}`]),
  ];
  return lines.join(hand.newline);
}

/** A new rule at the end of a stylesheet, an empty line apart from what is there. */
export function ruleAtEnd(stylesheet: Stylesheet, rule: NewRule): Edit {
  const { text, part } = stylesheet;
  const { newline } = handOf(stylesheet);
  const inside = text.slice(part.start, part.end);
  const filled = inside.trimEnd();
  const at = part.start + filled.length;
  const outer = stylesheet.rules.findLast(({ within }) => within === null);
  const base = outer ? indentAt(text, outer.range.start) : '';
  const written = ruleText(stylesheet, rule, base);
  const tail = inside.slice(filled.length).includes('\n') ? '' : newline;
  return { start: at, end: at, text: filled === '' ? written + tail : newline + newline + written + tail };
}

/** A rule of several declarations, as plain data. */
export interface WholeRule {
  selector: string;
  declarations: readonly { property: string; value: string }[];
  /** What it is for; above it. */
  comment?: string | undefined;
}

/** Rules at the end of a stylesheet, or behind one that they belong to, written as the others are. */
export function wholeRules(stylesheet: Stylesheet, rules: readonly WholeRule[], behind: Rule | null): Edit {
  const { text, part } = stylesheet;
  const hand = handOf(stylesheet);
  const outer = behind ?? stylesheet.rules.findLast(({ within }) => within === null);
  const base = outer ? indentAt(text, outer.range.start) : '';
  const written = rules.map((rule) => wholeRule(rule, hand, base)).join(hand.newline);
  if (behind) return { start: behind.range.end, end: behind.range.end, text: hand.newline + written };
  const inside = text.slice(part.start, part.end);
  const filled = inside.trimEnd();
  const at = part.start + filled.length;
  const tail = inside.slice(filled.length).includes('\n') ? '' : hand.newline;
  return { start: at, end: at, text: filled === '' ? written + tail : hand.newline + hand.newline + written + tail };
}

function wholeRule({ selector, declarations, comment }: WholeRule, hand: Hand, base: string): string {
  const said = declarations.map(({ property, value }) => `${property}${hand.colon}${value};`);
  const lines = hand.oneLine
    ? [`${base}${selector} { ${said.join(' ')} }`]
    : [`${base}${selector} {`, ...said.map((one) => base + hand.indent + one), `${base}}`];
  const above = comment === undefined ? [] : [`${base}/* ${comment.replaceAll('*/', '')} */`];
  return [...above, ...lines].join(hand.newline);
}

/** A new rule before what stands at a place, which begins a line or not. */
export function ruleBefore(stylesheet: Stylesheet, at: number, rule: NewRule): Edit {
  const { newline } = handOf(stylesheet);
  const base = indentAt(stylesheet.text, at);
  return { start: at, end: at, text: ruleText(stylesheet, rule, base).slice(base.length) + newline + newline + base };
}

/** A new rule at the end of a media block that is there. */
export function ruleWithin(stylesheet: Stylesheet, within: Range, rule: NewRule): Edit {
  const { text } = stylesheet;
  const { newline, indent } = handOf(stylesheet);
  const filled = text.slice(within.start, within.end).trimEnd();
  const at = within.start + filled.length;
  const inside = stylesheet.rules.filter(({ range }) => range.start >= within.start && range.end <= within.end).at(-1);
  const base = inside ? indentAt(text, inside.range.start) : indent;
  const tail = text.slice(at, within.end).includes('\n') ? '' : newline;
  return { start: at, end: at, text: newline + ruleText(stylesheet, { ...rule, media: null }, base) + tail };
}
