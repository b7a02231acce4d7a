import { describe, expect, it } from 'vitest';
import type { FileContent } from './files.ts';
import { emptyNotes, NOTES_FILE, notesIn, readNotes, writeNotes } from './notes.ts';

const EMPTY = {
  format: 1,
  decisions: [],
  focus: {},
  rotations: {},
  sizes: {},
  made: [],
  words: {},
  tags: {},
  rights: { copyright: '', credit: '' },
  placeKept: [],
  order: { by: 'name', hand: [] },
  naming: { own: [], off: [] },
  units: [],
  lists: [],
  kits: [],
  links: [],
  emptied: [],
  upload: { address: '', sitemap: false, checksums: false },
  follows: [],
  collections: [],
  texts: [],
  limit: null,
  setAside: [],
  spreads: [],
};

/** As full as they can be, with the longest of everything that is bounded. */
const FULL = {
  format: 1,
  name: 'n'.repeat(200),
  created: '2026-06-14T10:12:13Z',
  recipe: { any: 'thing' },
  decisions: [{ small: 'h'.repeat(128), large: 'h'.repeat(128), belong: true }],
  focus: { hash: { x: 0, y: 1 } },
  rotations: { hash: { quarters: 1, degrees: 0 } },
  sizes: { hash: { thumbnail: { any: 'thing' } } },
  made: [{ path: 'a', as: 'thumbnail', from: 'b', of: 'h', by: 'f'.repeat(16), is: 'h' }],
  words: { hash: { title: 't', caption: 'c', alt: 'a', credit: 'r', copyright: 'o', takenAt: '2026' } },
  tags: { hash: ['t'.repeat(60)] },
  rights: { copyright: 'c', credit: 'r' },
  placeKept: ['hash'],
  order: { by: 'hand', hand: ['hash'] },
  naming: { own: [{ thumbnail: '{name}_k.jpg', full: '{name}.jpg' }], off: ['x'] },
  units: [{ page: 'index.html', selector: 's'.repeat(500), gallery: false }],
  lists: [{ columns: ['a'], full: 'a', thumbnail: null, title: null, caption: 'a', alt: null, tags: null }],
  kits: [{ any: 'thing' }],
  links: [{ page: 'a.html', picture: 'b.jpg', group: null, lent: 'words' }],
  emptied: [
    {
      page: 'a.html',
      at: [1, 0],
      tag: 'ul',
      className: 'g',
      pattern: '<li>{caption}</li>',
      free: [['text', null] as [string, null]],
      lead: '\n',
      separator: '\n',
      tail: '\n',
    },
  ],
  upload: { address: `https://${'h'.repeat(1992)}`, sitemap: true, checksums: true },
  follows: [
    {
      page: 'a.html',
      gallery: 0,
      source: { kind: 'folder', path: 'photos/', order: 'taken', part: { from: 12, to: null } },
      rows: [{ full: 'f'.repeat(2000), title: 'p'.repeat(16), caption: '', alt: '' }],
    },
  ],
  texts: [{ page: 'story.html', print: 'p'.repeat(16) }],
  collections: [
    {
      page: 'all.html',
      pages: ['a.html'],
      tag: 't'.repeat(60),
      tagLinks: true,
      since: '2026-01-01',
      until: '',
      order: 'newest',
      group: 'month',
      open: '<ul>',
      close: '</ul>',
      hand: { pattern: '<li>{caption}</li>', free: [], lead: '\n', separator: '\n', tail: '\n' },
      lines: ['1x', '2y'],
    },
  ],
  limit: 1e10,
  setAside: [{ finding: 'f'.repeat(200), reason: 'r'.repeat(200) }],
  spreads: [{ pages: ['a.html'], size: 10_000 }],
};

describe('notes', () => {
  it('are empty to begin with', () => expect(emptyNotes()).toEqual(EMPTY));

  it('are written and read back, every part', () => {
    const read = readNotes(writeNotes(FULL as Parameters<typeof writeNotes>[0]));
    expect(read).toEqual({ ok: true, notes: FULL });
    expect(writeNotes({ format: 1 })).toBe('{\n  "format": 1\n}\n');
  });

  it.each([
    [{ format: 2 }, 'format'],
    [{ name: '' }, 'name'],
    [{ name: 'n'.repeat(201) }, 'name'],
    [{ created: 'yesterday' }, 'created'],
    [{ decisions: [{ small: 'h'.repeat(129), large: 'h', belong: true }] }, 'decisions.0.small'],
    [{ decisions: [{ small: 'h', large: 'h'.repeat(129), belong: true }] }, 'decisions.0.large'],
    [{ focus: { hash: { x: -0.1, y: 0 } } }, 'focus.hash.x'],
    [{ focus: { hash: { x: 1.1, y: 0 } } }, 'focus.hash.x'],
    [{ focus: { hash: { x: 0, y: -1 } } }, 'focus.hash.y'],
    [{ focus: { hash: { x: 0, y: 2 } } }, 'focus.hash.y'],
    [{ made: [{ ...FULL.made[0], as: 'a'.repeat(61) }] }, 'made.0.as'],
    [{ made: [{ ...FULL.made[0], by: 'f'.repeat(17) }] }, 'made.0.by'],
    [{ made: [{ ...FULL.made[0], path: 'p'.repeat(1001) }] }, 'made.0.path'],
    [{ made: [{ ...FULL.made[0], of: 'h'.repeat(129) }] }, 'made.0.of'],
    [{ words: { hash: { title: 't'.repeat(5001) } } }, 'words.hash.title'],
    [{ words: { hash: { takenAt: 't'.repeat(41) } } }, 'words.hash.takenAt'],
    [{ tags: { hash: [''] } }, 'tags.hash.0'],
    [{ tags: { hash: ['t'.repeat(61)] } }, 'tags.hash.0'],
    [{ tags: { hash: Array<string>(41).fill('t') } }, 'tags.hash'],
    [{ order: { by: 'size', hand: [] } }, 'order.by'],
    [{ naming: { own: Array(51).fill(FULL.naming.own[0]), off: [] } }, 'naming.own'],
    [{ naming: { own: [], off: Array<string>(201).fill('x') } }, 'naming.off'],
    [{ units: [{ ...FULL.units[0], selector: '' }] }, 'units.0.selector'],
    [{ units: [{ ...FULL.units[0], selector: 's'.repeat(501) }] }, 'units.0.selector'],
    [{ units: Array(5001).fill(FULL.units[0]) }, 'units'],
    [{ lists: [{ ...FULL.lists[0], columns: ['c'.repeat(301)] }] }, 'lists.0.columns.0'],
    [{ lists: [{ ...FULL.lists[0], columns: Array<string>(201).fill('c') }] }, 'lists.0.columns'],
    [{ lists: Array(51).fill(FULL.lists[0]) }, 'lists'],
    [{ kits: Array(101).fill({}) }, 'kits'],
    [{ emptied: [{ ...FULL.emptied[0], at: [-1] }] }, 'emptied.0.at.0'],
    [{ emptied: [{ ...FULL.emptied[0], pattern: 'p'.repeat(20_001) }] }, 'emptied.0.pattern'],
    [{ spreads: [{ pages: [], size: 1 }] }, 'spreads.0.pages'],
    [{ spreads: [{ pages: Array<string>(1001).fill('a'), size: 1 }] }, 'spreads.0.pages'],
    [{ spreads: [{ pages: ['a'], size: 0 }] }, 'spreads.0.size'],
    [{ spreads: [{ pages: ['a'], size: 10_001 }] }, 'spreads.0.size'],
    [{ spreads: [{ pages: ['a'], size: 1.5 }] }, 'spreads.0.size'],
    [{ spreads: Array(1001).fill(FULL.spreads[0]) }, 'spreads'],
  ])('%# are refused with the place of what is wrong', (part, place) => {
    const read = readNotes(JSON.stringify({ format: 1, ...part }));
    expect(read.ok ? '' : read.reason).toMatch(new RegExp(`^heathmoor\\.json, ${place.replaceAll('.', '\\.')}: .{5}`));
  });

  it('that are no object, or no JSON, are told as such', () => {
    const reason = (text: string) => {
      const read = readNotes(text);
      return read.ok ? '' : read.reason;
    };
    expect(reason('[]')).toMatch(/^heathmoor\.json, top level: ./);
    expect(reason('{')).toBe('heathmoor.json is not JSON');
  });

  it('of a site are empty where there are none or they cannot be read', () => {
    const among = (content?: FileContent) => notesIn(new Map(content ? [[NOTES_FILE, content]] : []));
    expect(among()).toEqual(EMPTY);
    expect(among({ kind: 'binary', hash: 'h', bytes: 1 })).toEqual(EMPTY);
    expect(among({ kind: 'text', text: '{' })).toEqual(EMPTY);
    const content: FileContent = { kind: 'text', text: '{"format":1,"name":"Kites"}' };
    expect(among(content)).toEqual({ ...EMPTY, name: 'Kites' });
    // They are read once.
    expect(among(content)).toBe(among(content));
  });
});
