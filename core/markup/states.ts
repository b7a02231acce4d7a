/** What changes of one kind have in common to say of themselves (docs/architecture.md, “Conservation”). */
import type { Stated } from './conserve.ts';

const ALL = ['tags', 'attributes', 'words', 'comments', 'code'] as const;
const CODE = ['attributes', 'code'] as const;
const ADDRESSES = ['attributes', 'code', 'comments'] as const;
const INCLUDES = ['tags', 'attributes', 'code', 'comments'] as const;

export const STATES = {
  nothing: {},
  attributes: { takes: ['attributes'], gives: ['attributes'] },
  words: { takes: ['attributes', 'words'], gives: ['attributes', 'words'] },
  adds: { gives: ALL },
  removes: { takes: ALL },
  /** They stand in attributes, in scripts and styles, in what was taken out for a while. */
  addresses: { takes: ADDRESSES, gives: ADDRESSES },
  /** Within scripts and styles that are there. */
  code: { takes: CODE, gives: CODE },
  /** Scripts and stylesheets, and what links say to them. */
  includes: { takes: INCLUDES, gives: INCLUDES },
  /** As that, with words for viewers that look for them in an element of their own. */
  wires: { takes: [...INCLUDES, 'words'], gives: [...INCLUDES, 'words'] },
  /** Elements and what they say; never a comment, a script or a style. */
  markup: { takes: ['tags', 'attributes', 'words'], gives: ALL },
  /** What a mistake made of the page goes, whatever that was. */
  mends: { takes: ALL, gives: ALL },
} as const satisfies Record<string, Stated>;
