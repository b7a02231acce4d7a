/**
 * What each intent may take from pages, give to them and move in them. Whatever else would come of it refuses it: what
 * its author did not ask for does not happen (docs/architecture.md, “Conservation”).
 */
import type { Stated } from '../markup/index.ts';
import type { Intent } from './intent.ts';

const NOTHING: Stated = {};
const ALL = ['tags', 'attributes', 'words', 'comments', 'code'] as const;
const values: Stated = { takes: ['attributes'], gives: ['attributes'] };
const words: Stated = { takes: ['attributes', 'words'], gives: ['attributes', 'words'] };
const adds: Stated = { gives: ALL };
const removes: Stated = { takes: ALL };
/** Addresses stand in attributes, in scripts and styles, in what was taken out for a while. */
const addresses: Stated = { takes: ['attributes', 'code', 'comments'], gives: ['attributes', 'code', 'comments'] };
const anything: Stated = { takes: ALL, gives: ALL, moves: true };
const includes: Stated = {
  takes: ['tags', 'attributes', 'code', 'comments'],
  gives: ['tags', 'attributes', 'code', 'comments'],
};

export const STATED: Readonly<Record<Intent['kind'], Stated>> = {
  'set-alt': values,
  'set-caption': { takes: ['words'], gives: ['words'] },
  'remove-item': removes,
  'remove-items': removes,
  'move-item': { moves: true },
  'move-items': { ...adds, moves: true },
  'copy-items': adds,
  'add-pictures': adds,
  'add-to-list': { gives: ['code'] },
  'set-slot': words,
  'set-on-links': values,
  renumber: words,
  'fill-words': words,
  'complete-items': { takes: ['words'], gives: ALL },
  // What each item alone has is seen to, item by item, where it is written.
  'apply-pattern': anything,
  'order-gallery': { moves: true },
  'split-gallery': anything,
  'set-style': { takes: ['code', 'attributes', 'tags'], gives: ['code', 'attributes', 'tags'] },
  'new-page': { ...adds, takes: ['attributes', 'tags', 'words'] },
  'delete-page': anything,
  'link-to': { takes: ['tags', 'attributes'], gives: ['tags', 'attributes'] },
  'set-stylesheet': includes,
  'add-section': { ...adds, takes: ['attributes'] },
  // Written anew where it stands.
  'list-sections': { ...adds, takes: ['tags', 'attributes', 'words'] },
  'add-menu-entry': { ...adds, takes: ['attributes', 'tags'] },
  'align-menus': anything,
  wire: includes,
  unwire: includes,
  'change-kit': includes,
  'set-sources': values,
  rename: addresses,
  'rename-many': addresses,
  merge: addresses,
  'merge-many': addresses,
  // Each is planned by its rule, and shown before it is made.
  fix: anything,
  exchange: NOTHING,
  decide: NOTHING,
  'save-kit': NOTHING,
  'forget-kit': NOTHING,
  'set-units': NOTHING,
  'set-focus': NOTHING,
  'set-words': anything,
  'set-tags': NOTHING,
  'set-rights': NOTHING,
  'keep-place': NOTHING,
  'set-order': NOTHING,
  'set-naming': NOTHING,
  'set-recipe': NOTHING,
};
