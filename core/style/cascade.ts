/**
 * Which declaration wins for an element (CSS Cascade 5 §6): importance, then layers, then specificity, then order. What
 * a browser drops counts for nothing; rules that may count or not are told as a doubt ({@link doubtFor}).
 */
import { matcherFor, type PageDocument, type PageElement } from '../markup/index.ts';
import { allHold, isUnsure } from './media.ts';
import { inlineRule, type Declaration, type Rule, type Stylesheet } from './stylesheets.ts';
import { isDropped } from './supports.ts';
import { partOf, setBy } from './values.ts';

export const STATES = ['hover', 'focus', 'active'] as const;
export type State = (typeof STATES)[number];

export interface Winner {
  rule: Rule;
  declaration: Declaration;
  /** Of the longhand asked for; null where a shorthand sets it in a way that is not told apart. */
  value: string | null;
  specificity: number;
}

/** A view of a page's styles at one width of the window and in one state of the pointer. */
export interface Situation {
  page: { path: string; document: PageDocument };
  stylesheets: readonly Stylesheet[];
  /** CSS px. */
  width: number;
  state: State | null;
}

const PSEUDO: Readonly<Record<State, string>> = {
  hover: ':hover\\b',
  focus: ':focus(?:-visible|-within)?\\b',
  active: ':active\\b',
};

/** The selector as it would read if the state were there; null where it asks for no state that is looked at. */
export function withState(selector: string, state: State | null): string | null {
  if (state === null) return selector;
  const pseudo = PSEUDO[state];
  // Of `:hover img` the first part is any element.
  const bare = selector.replace(new RegExp(`(^|[\\s>+~(,])${pseudo}`, 'g'), '$1*').replace(new RegExp(pseudo, 'g'), '');
  return bare === selector ? null : bare;
}

/** The weight with which a rule matches an element; null where it does not. */
export function weightOf(rule: Rule, element: PageElement, state: State | null): number | null {
  let most: number | null = null;
  for (const { text, specificity } of rule.selectors) {
    const selector = withState(text, state);
    if (selector === null) continue;
    if (matcherFor(selector)?.(element) && (most === null || specificity > most)) most = specificity;
  }
  return most;
}

const beats = (a: Winner, b: Winner): boolean => {
  const { important } = a.declaration;
  if (important !== b.declaration.important) return important;
  const isInline = a.specificity === Infinity || b.specificity === Infinity;
  // Of what is important, the lower layer wins.
  if (!isInline && a.rule.rank !== b.rule.rank) return a.rule.rank > b.rule.rank !== important;
  if (a.specificity !== b.specificity) return a.specificity > b.specificity;
  return a.rule.order >= b.rule.order;
};

/** What is declared of one property for an element; null where no stylesheet of the author's says anything. */
export function winnerFor(situation: Situation, element: PageElement, property: string): Winner | null {
  const names = setBy(property);
  let best: Winner | null = null;
  const consider = (rule: Rule, specificity: number) => {
    for (const declaration of rule.declarations) {
      if (!names.includes(declaration.property) || isDropped(declaration.property, declaration.value)) continue;
      const one: Winner = { rule, declaration, value: null, specificity };
      if (!best || beats(one, best)) best = one;
    }
  };
  for (const stylesheet of situation.stylesheets) {
    for (const rule of stylesheet.rules) {
      if (rule.doubt !== null || !rule.declarations.some((one) => names.includes(one.property))) continue;
      if (!allHold(rule.media, situation.width)) continue;
      const weight = weightOf(rule, element, situation.state);
      if (weight !== null) consider(rule, weight);
    }
  }
  if (situation.state === null) {
    const inline = inlineRule(situation.page.path, situation.page.document, element);
    if (inline) consider(inline, Infinity);
  }
  return best && withValue(situation, element, property, best);
}

function withValue(situation: Situation, element: PageElement, property: string, winner: Winner): Winner {
  const { declaration } = winner;
  const value = substituted(situation, element, declaration.value, 0);
  return { ...winner, value: value === null ? null : partOf(declaration.property, property, value) };
}

/** Custom properties may name one another; deeper than this they go in a circle. */
const DEEPEST_NAMES = 8;
const VAR = /var\(\s*(--[\w-]+)\s*(?:,((?:[^()]|\([^()]*\))*))?\)/;

/** A value with what its custom properties stand for (CSS Variables 1 §3); null where one stands for nothing. */
function substituted(situation: Situation, element: PageElement, value: string, depth: number): string | null {
  let text = value;
  for (let found = VAR.exec(text); found; found = VAR.exec(text)) {
    const [whole, name = '', otherwise] = found;
    if (depth++ > DEEPEST_NAMES) return null;
    const said = inheritedFor(situation, element, name) ?? otherwise;
    if (said === undefined) return null;
    text = text.slice(0, found.index) + said.trim() + text.slice(found.index + whole.length);
  }
  return text;
}

/** Selectors that a browser may know and that are not understood here: `:nth-child(2n of .x)`. */
const mayBeUnderstood = (selector: string): boolean => /:(?!:)[\w-]+\(/.test(selector);

const unsureOf = ({ stylesheet, media }: Rule, line: number): string =>
  `${stylesheet.path}, line ${line}: whether ${media.join(' and ')} holds depends on more than the width`;

/** Why something else may count for a property than what is read; null where nothing may. */
export function doubtFor(situation: Situation, element: PageElement, property: string): string | null {
  const names = setBy(property);
  for (const stylesheet of situation.stylesheets)
    for (const rule of stylesheet.rules) {
      if (!rule.declarations.some((one) => names.includes(one.property))) continue;
      if (!allHold(rule.media, situation.width)) continue;
      const unread = rule.selectors.find(({ text }) => matcherFor(text) === null && mayBeUnderstood(text));
      const line = stylesheet.lines.lineAt(rule.range.start);
      if (unread) return `${stylesheet.path}, line ${line}: the selector ${unread.text} is not read here`;
      const doubt = rule.doubt ?? (isUnsure(rule.media, situation.width) ? unsureOf(rule, line) : null);
      if (doubt !== null && weightOf(rule, element, situation.state) !== null) return doubt;
    }
  return null;
}

export const valueFor = (situation: Situation, element: PageElement | undefined, property: string): string | null =>
  element ? (winnerFor(situation, element, property)?.value ?? null) : null;

/** The same with what an element takes from those around it, for properties that are inherited. */
export function inheritedFor(situation: Situation, element: PageElement | undefined, property: string): string | null {
  for (let at: PageElement | null = element ?? null; at; at = at.parent) {
    const value = valueFor(situation, at, property);
    if (value !== null && value !== 'inherit') return value;
  }
  return null;
}
