/** What crosses from the interface to the worker: every kind as it should be, and each of its parts missing or wrong. */
import { describe, expect, it } from 'vitest';
import { DEFAULT_RECIPE } from '../photo/index.ts';
import { readManifest } from '../wiring/index.ts';
import { Intent } from './intent.ts';

const gallery = { page: 'index.html', gallery: 0 };
const picture = { thumbnail: 't/a.jpg', full: 'a.jpg', title: 'A', alt: 'a', caption: '' };
const mapping = { columns: ['a'], full: 'a', thumbnail: null, title: null, caption: null, alt: null, tags: null };
const manifest = readManifest({
  name: 'kite',
  title: 'Kite',
  files: [{ name: 'kite.js', role: 'script' }],
  folder: 'js',
  marker: { attribute: 'data-kite' },
});

/** Of each kind one with everything that it may hold. */
const WHOLE: Record<Intent['kind'], object> = {
  'set-alt': { strand: 's', value: 'v' },
  'set-caption': { strand: 's', value: 'v' },
  'remove-item': { strand: 's' },
  'move-item': { strand: 's', to: 0 },
  'add-pictures': { page: 'p', gallery: 0, pictures: [{ ...picture, tags: ['red'] }], at: 0, mapping },
  'remove-items': { strands: ['s'] },
  'move-items': { strands: ['s'], to: 0 },
  'copy-items': { strands: ['s'], page: 'p', gallery: 0 },
  'set-slot': { strand: 's', slot: 'full', value: 'v' },
  'set-on-links': { ...gallery, name: 'rel', value: 'v' },
  renumber: gallery,
  'split-gallery': { ...gallery, size: 12 },
  'set-style': { ...gallery, setting: 'gap', value: '1px', at: 600 },
  'set-units': { page: 'p', selector: 'li', gallery: true },
  'complete-items': { ...gallery, items: [0] },
  'apply-pattern': { ...gallery, pattern: '<li></li>', words: 'alt' },
  'fill-words': { ...gallery, slot: 'title', from: 'name', over: true },
  'new-page': { path: 'p', title: 'T', from: 'q', pictures: [picture], entry: 'E' },
  'link-to': { page: 'p', at: { start: 0, end: 1 }, target: { to: 'file', path: 'q', anchor: 'a' } },
  'delete-page': { path: 'p' },
  'set-stylesheet': { pages: ['p'], sheet: 'a.css', on: true },
  'add-section': { ...gallery, title: 'T', pictures: [picture] },
  'list-sections': { page: 'p' },
  'add-menu-entry': { target: 'p', label: 'L' },
  'align-menus': {},
  wire: { page: 'p', kit: 'k' },
  'save-kit': { manifest: manifest.ok ? manifest.manifest : null, files: { 'kite.js': 'x' } },
  'forget-kit': { name: 'k' },
  unwire: { page: 'p', kit: 'k' },
  'change-kit': { page: 'p', from: 'k', to: 'l' },
  decide: { thumbnail: 't', full: 'f', belong: true },
  'set-focus': { picture: 'p', focus: { x: 0, y: 1 } },
  'set-words': {
    items: [{ strand: 's', alt: 'a', caption: 'c' }],
    pictures: [{ path: 'p', words: { title: 't' } }],
    label: 'l',
  },
  'set-tags': { paths: ['p'], add: ['a'], remove: ['b'] },
  'set-rights': { rights: { copyright: 'c', credit: 'd' } },
  'keep-place': { paths: ['p'], keep: true },
  'set-order': { by: 'hand', hand: ['a'] },
  'order-gallery': gallery,
  'set-naming': { own: [{ thumbnail: 't', full: 'f' }], off: ['x'] },
  'set-sources': { page: 'p' },
  'set-recipe': { recipe: DEFAULT_RECIPE },
  rename: { from: 'a', to: 'b' },
  'rename-many': { renames: [{ from: 'a', to: 'b' }] },
  exchange: { one: 'a', other: 'b' },
  merge: { from: 'a', into: 'b' },
  'merge-many': { merges: [{ from: 'a', into: 'b' }] },
  fix: { finding: 'f', fix: 0 },
};

/** Parts that may be left out. */
const OPTIONAL = [
  'at',
  'mapping',
  'tags',
  'from',
  'pictures',
  'entry',
  'anchor',
  'kit',
  'alt',
  'caption',
  'label',
  'title',
];
const takes = (kind: string, rest: object) => Intent.safeParse({ ...rest, kind }).success;

describe.each(Object.entries(WHOLE))('%s', (kind, whole) => {
  it('is taken as it is, without a part too many, too few or of another kind', () => {
    expect(Intent.parse({ ...whole, kind })).toEqual({ ...whole, kind });
    expect(takes(`${kind}!`, whole)).toBe(false);
    expect(takes(kind, { ...whole, more: 1 })).toBe(false);
    for (const part of Object.keys(whole)) {
      expect(takes(kind, { ...whole, [part]: Symbol.iterator }), part).toBe(false);
      const { [part]: _, ...rest } = whole as Record<string, unknown>;
      if (!OPTIONAL.includes(part)) expect(takes(kind, rest), part).toBe(false);
    }
  });
});

describe('parts', () => {
  it.each<[Intent['kind'], object]>([
    ['add-pictures', { gallery: null }],
    ['add-pictures', { at: undefined, mapping: undefined }],
    ['copy-items', { gallery: null }],
    ['set-on-links', { value: null }],
    ['set-style', { value: null, at: null }],
    ['set-style', { at: 100 }],
    ['set-style', { at: 4000 }],
    ['set-units', { gallery: null }],
    ['split-gallery', { size: 1 }],
    ['split-gallery', { size: 10_000 }],
    ['new-page', { from: undefined, pictures: undefined, entry: undefined }],
    ['wire', { kit: undefined }],
    ['decide', { belong: null }],
    ['set-focus', { focus: null }],
    ['set-words', { items: [], pictures: [], label: undefined }],
    ['set-words', { items: [{ strand: 's' }] }],
    ['set-order', { by: 'taken', hand: null }],
    ['link-to', { target: { to: 'file', path: 'q' } }],
    ['link-to', { target: { to: 'address', url: 'https://host/' } }],
    ['link-to', { target: { to: 'mail', address: 'a@b' } }],
    ['link-to', { target: { to: 'phone', number: '1' } }],
    ...['thumbnail', 'full', 'title', 'width', 'height'].map((slot): [Intent['kind'], object] => [
      'set-slot',
      { slot },
    ]),
    ...['picture', 'alt', 'title', 'caption', 'name'].map((from): [Intent['kind'], object] => ['fill-words', { from }]),
    ['set-alt', { value: 'v'.repeat(2000) }],
    ['apply-pattern', { pattern: 'p'.repeat(20_000) }],
    ['set-tags', { add: [' t '.padEnd(62)] }],
  ])('%s with %j is taken', (kind, change) => expect(takes(kind, { ...WHOLE[kind], ...change })).toBe(true));

  it.each<[Intent['kind'], object]>([
    ['set-alt', { value: 'v'.repeat(2001) }],
    ['move-item', { to: -1 }],
    ['move-item', { to: 0.5 }],
    ['add-pictures', { gallery: -1 }],
    ['add-pictures', { gallery: 0.5 }],
    ['add-pictures', { pictures: [] }],
    ['add-pictures', { pictures: [{ ...picture, more: 1 }] }],
    ['add-pictures', { pictures: [{ ...picture, tags: [' '] }] }],
    ['add-pictures', { pictures: [{ ...picture, tags: ['t'.repeat(61)] }] }],
    ['add-pictures', { pictures: [{ ...picture, title: 't'.repeat(2001) }] }],
    ['add-pictures', { at: -1 }],
    ['add-pictures', { at: 0.5 }],
    ['remove-items', { strands: [] }],
    ['move-items', { strands: [] }],
    ['move-items', { to: -1 }],
    ['move-items', { to: 0.5 }],
    ['copy-items', { gallery: -1 }],
    ['copy-items', { gallery: 0.5 }],
    ['set-slot', { slot: 'alt' }],
    ['set-on-links', { name: '' }],
    ['set-on-links', { name: 'n'.repeat(101) }],
    ['renumber', { gallery: -1 }],
    ['renumber', { gallery: 0.5 }],
    ['split-gallery', { size: 0 }],
    ['split-gallery', { size: 1.5 }],
    ['split-gallery', { size: 10_001 }],
    ['set-style', { setting: 's'.repeat(61) }],
    ['set-style', { value: 'v'.repeat(301) }],
    ['set-style', { at: 99 }],
    ['set-style', { at: 4001 }],
    ['set-style', { at: 600.5 }],
    ['set-units', { selector: '' }],
    ['set-units', { selector: 's'.repeat(501) }],
    ['complete-items', { items: [] }],
    ['complete-items', { items: [-1] }],
    ['complete-items', { items: [0.5] }],
    ['apply-pattern', { pattern: '' }],
    ['apply-pattern', { pattern: 'p'.repeat(20_001) }],
    ['apply-pattern', { words: 'none of them' }],
    ['fill-words', { from: 'full' }],
    ['fill-words', { slot: 'width' }],
    ['new-page', { title: '' }],
    ['new-page', { entry: '' }],
    ['link-to', { at: { start: -1, end: 0 } }],
    ['link-to', { at: { start: 0, end: -1 } }],
    ['link-to', { at: { start: 0.5, end: 1 } }],
    ['link-to', { at: { start: 0, end: 1.5 } }],
    ['link-to', { at: { start: 0, end: 0, more: 0 } }],
    ['link-to', { target: { to: 'file', path: 'q', anchor: 'a'.repeat(301) } }],
    ['link-to', { target: { to: 'file', path: 'q', more: 1 } }],
    ['link-to', { target: { to: 'address', url: 'u', more: 1 } }],
    ['link-to', { target: { to: 'mail', address: 'u', more: 1 } }],
    ['link-to', { target: { to: 'phone', number: 'u', more: 1 } }],
    ['link-to', { target: { to: 'nowhere' } }],
    ['set-stylesheet', { pages: [] }],
    ['add-section', { title: '' }],
    ['add-section', { pictures: [] }],
    ['add-menu-entry', { label: '' }],
    ['wire', { kit: 'k'.repeat(61) }],
    ['save-kit', { files: { ['k'.repeat(201)]: 'x' } }],
    ['save-kit', { files: { k: 'x'.repeat(4_000_001) } }],
    ['forget-kit', { name: 'k'.repeat(61) }],
    ['unwire', { kit: 'k'.repeat(61) }],
    ['change-kit', { from: 'k'.repeat(61) }],
    ['change-kit', { to: 'k'.repeat(61) }],
    ['set-focus', { focus: { x: -0.1, y: 0 } }],
    ['set-focus', { focus: { x: 0, y: 1.1 } }],
    ['set-focus', { focus: { x: 0, y: 0, z: 0 } }],
    ['set-words', { items: [{ strand: 's', more: 1 }] }],
    ['set-words', { pictures: [{ path: 'p', words: {}, more: 1 }] }],
    ['set-tags', { paths: [] }],
    ['set-tags', { remove: [''] }],
    ['set-rights', { rights: { copyright: 'c', credit: 'd', more: 1 } }],
    ['keep-place', { paths: [] }],
    ['set-order', { by: 'size' }],
    ['rename-many', { renames: [] }],
    ['rename-many', { renames: [{ from: 'a', to: 'b', more: 1 }] }],
    ['merge-many', { merges: [] }],
    ['merge-many', { merges: [{ from: 'a', into: 'b', more: 1 }] }],
    ['fix', { fix: -1 }],
    ['fix', { fix: 0.5 }],
  ])('%s with %j is refused', (kind, change) => expect(takes(kind, { ...WHOLE[kind], ...change })).toBe(false));
});
