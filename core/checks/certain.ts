/**
 * Findings of which nobody doubts what was meant: the rest of the page, or the viewer's own manual, says it. Their fix
 * can be made without asking. What takes something of the author's away, or guesses at words, is none.
 */
import type { Finding, Rule } from './finding.ts';

const CERTAIN: ReadonlySet<Rule['id']> = new Set([
  'anchor-missing',
  'base-missing',
  'brackets-broken',
  'case-differs',
  'charset-unlike',
  'group-missing',
  'include-miswritten',
  'kit-incomplete',
  'link-opens-page',
  'marker-holder',
  'marker-place',
  'marker-unlike',
  'markup-lacking',
  'option-misspelt',
  'scheme-missing',
  'script-order',
  'srcset-empty',
  'start-argument',
  'start-call',
  'start-selector',
  'start-too-soon',
  'tag-broken',
  'tags-unlike',
  'viewport-missing',
]);

/** Whether the first thing that a finding offers can be done without asking. */
export const isCertain = ({ rule, fixes: [first] }: Pick<Finding, 'rule' | 'fixes'>): boolean =>
  CERTAIN.has(rule) && (first?.kind === 'change' || first?.kind === 'rename');
