/**
 * Which declaration wins for an element (CSS Cascade 5 §6): importance, then specificity, then order. Layers and
 * scopes are not told apart.
 */
import { matcherFor, type PageDocument, type PageElement } from '../markup/index.ts';
import { allHold } from './media.ts';
import { inlineRule, type Declaration, type Rule, type Stylesheet } from './stylesheets.ts';
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
  if (a.declaration.important !== b.declaration.important) return a.declaration.important;
  if (a.specificity !== b.specificity) return a.specificity > b.specificity;
  return a.rule.order >= b.rule.order;
};

/** What is declared of one property for an element; null where no sheet of the author's says anything. */
export function winnerFor(situation: Situation, element: PageElement, property: string): Winner | null {
  const names = setBy(property);
  let best: Winner | null = null;
  const consider = (rule: Rule, specificity: number) => {
    for (const declaration of rule.declarations) {
      if (!names.includes(declaration.property)) continue;
      const one: Winner = {
        rule,
        declaration,
        value: partOf(declaration.property, property, declaration.value),
        specificity,
      };
      if (!best || beats(one, best)) best = one;
    }
  };
  for (const sheet of situation.stylesheets) {
    for (const rule of sheet.rules) {
      if (!rule.declarations.some((one) => names.includes(one.property)) || !allHold(rule.media, situation.width))
        continue;
      const weight = weightOf(rule, element, situation.state);
      if (weight !== null) consider(rule, weight);
    }
  }
  if (situation.state === null) {
    const inline = inlineRule(situation.page.path, situation.page.document, element);
    if (inline) consider(inline, Infinity);
  }
  return best;
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
