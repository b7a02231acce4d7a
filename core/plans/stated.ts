/**
 * What each intent may take from pages, give to them and move in them. Whatever else would come of it refuses it: what
 * its author did not ask for does not happen (docs/architecture.md, “Conservation”).
 */
import { type Stated, STATES } from '../markup/index.ts';
import type { Intent } from './intent.ts';

const ALL: Stated = {
  takes: ['tags', 'attributes', 'words', 'comments', 'code'],
  gives: ['tags', 'attributes', 'words', 'comments', 'code'],
};

/** Of what a finding offers, the finding says it. */
export const STATED: Readonly<Record<Exclude<Intent['kind'], 'fix' | 'fix-all'>, Stated>> = {
  'set-alt': STATES.attributes,
  'set-caption': { takes: ['words'], gives: ['words'] },
  'remove-item': STATES.removes,
  'remove-items': STATES.removes,
  'move-item': { moves: true },
  'move-items': { ...STATES.adds, moves: true },
  'copy-items': STATES.adds,
  'add-pictures': STATES.adds,
  'add-slide': STATES.adds,
  'add-to-list': { gives: ['code'] },
  'set-slot': STATES.words,
  'set-on-links': STATES.attributes,
  renumber: STATES.words,
  'fill-words': STATES.words,
  'complete-items': { takes: ['words'], gives: STATES.adds.gives },
  // What each item alone has is seen to, item by item, where it is written.
  'apply-pattern': { ...STATES.markup, moves: true },
  'order-gallery': { moves: true },
  // The pages count together, so that an item only moves.
  'split-gallery': { ...STATES.markup, moves: true, pages: true },
  // The same, with the viewer that shows them.
  'feed-rest': { ...STATES.markup, moves: true, pages: true },
  'set-style': { takes: ['code', 'attributes', 'tags'], gives: ['code', 'attributes', 'tags'] },
  'new-page': { ...STATES.adds, takes: ['attributes', 'tags', 'words'] },
  'delete-page': { takes: ['tags', 'attributes', 'words', 'comments'], pages: true },
  'link-to': { takes: ['tags', 'attributes'], gives: ['tags', 'attributes'] },
  'set-stylesheet': STATES.includes,
  // Pictures that stand on the page may move into it.
  'add-section': { ...STATES.adds, takes: ['attributes'], moves: true },
  // Written anew where it stands.
  'list-sections': { ...STATES.adds, takes: ['tags', 'attributes', 'words'] },
  'add-menu-entry': { ...STATES.adds, takes: ['attributes', 'tags'] },
  'align-menus': { ...STATES.adds, takes: ['attributes', 'tags', 'words'] },
  'set-options': { takes: ['code', 'attributes', 'tags'], gives: ['code', 'attributes', 'tags'] },
  'write-information': STATES.attributes,
  wire: STATES.wires,
  unwire: STATES.wires,
  'change-kit': STATES.wires,
  'set-sources': STATES.attributes,
  rename: STATES.addresses,
  'rename-many': STATES.addresses,
  merge: STATES.addresses,
  'merge-many': STATES.addresses,
  exchange: STATES.nothing,
  decide: STATES.nothing,
  'save-kit': STATES.nothing,
  'paste-lines': STATES.wires,
  'forget-kit': STATES.nothing,
  'set-units': STATES.nothing,
  'set-focus': STATES.nothing,
  'set-words': STATES.words,
  'bring-pictures': STATES.nothing,
  'put-pictures': STATES.adds,
  'texts-by-rule': STATES.words,
  'set-tags': STATES.attributes,
  'tag-by-rule': STATES.attributes,
  collect: { ...STATES.adds, takes: ['attributes', 'tags', 'words'] },
  'collect-tags': { ...STATES.adds, takes: ['attributes', 'tags', 'words'] },
  // Each of its steps is held against what that states.
  'follow-list': { ...STATES.markup, moves: true },
  'end-following': STATES.nothing,
  // The stylesheet may be the page's own.
  'put-group': { ...STATES.adds, takes: ['attributes'], gives: ['tags', 'attributes', 'words', 'code'] },
  'set-group-words': STATES.words,
  'new-story': { ...ALL, takes: ['attributes', 'tags', 'words'] },
  'put-text': { ...ALL, takes: [] },
  'part-text': { takes: ['comments'] },
  'set-group': { ...STATES.markup, moves: true },
  'save-list': STATES.nothing,
  'set-collection': STATES.nothing,
  // What is written anew stands between its two comments, and what stands outside is seen to.
  'update-collections': { ...STATES.markup, moves: true },
  'end-collection': { takes: ['comments'] },
  'set-rights': STATES.nothing,
  'keep-place': STATES.nothing,
  'set-order': STATES.nothing,
  'set-naming': STATES.nothing,
  'set-recipe': STATES.nothing,
  'set-upload': STATES.nothing,
  'set-aside': STATES.nothing,
  'set-limit': STATES.nothing,
  'save-bytes': STATES.attributes,
  // The page stays as a browser builds it; that is seen to where it is written.
  'fix-markup': STATES.attributes,
  // The rule that it needs may stand in the page's own style.
  'offer-webp': { gives: ['tags', 'attributes', 'code'] },
  'use-own-file': STATES.addresses,
  'describe-pages': { takes: ['attributes'], gives: ['attributes', 'tags'] },
  // The author's own typing is free.
  'replace-text': { ...STATES.mends, moves: true },
};
