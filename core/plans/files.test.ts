/** Names, pairs and notes of files: what is changed, under which label, and what is refused with which words. */
import { describe, expect, it } from 'vitest';
import type { SiteNotes } from '../site/index.ts';
import { kitOf } from '../wiring/pages.fixture.ts';
import { asked, linked, listPage, PICTURES, siteOf, strandsOf } from './asked.fixture.ts';
import type { Intent } from './intent.ts';
import { byOrder } from './order.ts';

const PAGE = listPage(['a', 'b', 'c'].map((name) => linked(name)));
const site = (notes: Partial<SiteNotes> = {}, more: Record<string, string> = {}) =>
  siteOf({ 'index.html': PAGE, ...PICTURES, 'notes.txt': 'x', ...more }, { notes });

/** Asks one after another, each with what should come of it. */
const cases = (notes: Partial<SiteNotes>, table: [Intent, unknown][], more: Record<string, string> = {}) => {
  for (const [intent, outcome] of table) {
    const came = asked(site(notes, more), intent);
    if (typeof outcome === 'string') expect(came, JSON.stringify(intent)).toBe(outcome);
    else expect(came, JSON.stringify(intent)).toEqual(outcome);
  }
};

describe('renaming', () => {
  const renamed = (from: string, to: string) => PAGE.replaceAll(`"${from}"`, `"${to}"`);

  it('takes the references along', () => {
    cases({}, [
      [
        { kind: 'rename', from: 'a.jpg', to: ' full/kite.jpg ' },
        {
          label: 'Rename a.jpg to full/kite.jpg',
          files: { 'a.jpg': null, 'full/kite.jpg': 'A', 'index.html': renamed('a.jpg', 'full/kite.jpg') },
          notes: {},
        },
      ],
      [
        {
          kind: 'rename-many',
          renames: [
            { from: 'a.jpg', to: 'b.jpg' },
            { from: 'b.jpg', to: 'a.jpg' },
            { from: 'c.jpg', to: 'c.jpg' },
          ],
        },
        {
          label: 'Rename 2 files',
          files: {
            'a.jpg': 'B',
            'b.jpg': 'A',
            'index.html': PAGE.replaceAll('"a.jpg"', '"?"')
              .replaceAll('"b.jpg"', '"a.jpg"')
              .replaceAll('"?"', '"b.jpg"'),
          },
          notes: {},
        },
      ],
      [
        { kind: 'rename', from: 'a.jpg', to: 'A.jpg' },
        {
          label: 'Rename a.jpg to A.jpg',
          files: { 'a.jpg': null, 'A.jpg': 'A', 'index.html': renamed('a.jpg', 'A.jpg') },
          notes: {},
        },
      ],
    ]);
  });

  it('takes along what is noted by path', () => {
    const made = [
      { path: 't/a.jpg', as: 'thumbnail', from: 'a.jpg', of: 'A', by: '1', is: 'ta' },
      { path: 't/b.jpg', as: 'thumbnail', from: 'b.jpg', of: 'B', by: '1', is: 'tb' },
    ];
    const notes = {
      made,
      spreads: [{ pages: ['index.html', 'two.html'], size: 12 }],
      units: [
        { page: 'index.html', selector: 'li', gallery: true },
        { page: 'two.html', selector: 'li', gallery: true },
      ],
    };
    const more = { 'two.html': PAGE };
    expect(asked(site(notes, more), { kind: 'rename', from: 'a.jpg', to: 'x.jpg' })).toMatchObject({
      notes: { made: [{ ...made[0], from: 'x.jpg' }, made[1]] },
    });
    expect(asked(site(notes, more), { kind: 'rename', from: 't/b.jpg', to: 't/x.jpg' })).toMatchObject({
      notes: { made: [made[0], { ...made[1], path: 't/x.jpg' }] },
    });
    expect(asked(site(notes, more), { kind: 'rename', from: 'two.html', to: 'three.html' })).toMatchObject({
      notes: {
        spreads: [{ pages: ['index.html', 'three.html'], size: 12 }],
        units: [notes.units[0], { ...notes.units[1], page: 'three.html' }],
      },
    });
    expect(asked(site(notes, more), { kind: 'rename', from: 'notes.txt', to: 'words.txt' })).toMatchObject({
      notes: {},
    });
  });

  it('is refused where something would be lost, doubled or told wrongly', () => {
    cases({}, [
      [{ kind: 'rename', from: 'a.jpg', to: 'a.jpg' }, 'That is its name already.'],
      [{ kind: 'rename', from: 'gone.jpg', to: 'x.jpg' }, 'There is no gone.jpg any more.'],
      [
        { kind: 'rename', from: 'a.jpg', to: '../x.jpg' },
        '“../x.jpg” cannot be a file’s name: the path leads out of the folder (“..”).',
      ],
      [
        { kind: 'rename', from: 't/a.jpg', to: 't/a.png' },
        'a.jpg would become a .png by name alone; its content would not change.',
      ],
      [{ kind: 'rename', from: 'a.jpg', to: 'B.jpg' }, 'There is a file b.jpg already.'],
      [{ kind: 'rename-many', renames: [{ from: 'a.jpg', to: './a.jpg' }] }, 'All files have these names already.'],
      [
        {
          kind: 'rename-many',
          renames: [
            { from: 'a.jpg', to: 'x.jpg' },
            { from: 'b.jpg', to: 'X.jpg' },
          ],
        },
        'a.jpg and b.jpg would both be called X.jpg. Put {number} into the pattern.',
      ],
    ]);
  });
});

describe('two files', () => {
  it('change places', () => {
    cases({}, [
      [
        { kind: 'exchange', one: 'a.jpg', other: 't/a.jpg' },
        { label: 'Swap a.jpg and its partner', files: { 'a.jpg': 'ta', 't/a.jpg': 'A' }, notes: {} },
      ],
      [{ kind: 'exchange', one: 'a.jpg', other: 'gone.jpg' }, 'There is no gone.jpg any more.'],
      [{ kind: 'exchange', one: 'gone.jpg', other: 'a.jpg' }, 'There is no gone.jpg any more.'],
      [
        { kind: 'exchange', one: 'a.jpg', other: 'notes.txt' },
        'a.jpg and notes.txt are of different formats; under one another’s names they would be told wrongly.',
      ],
    ]);
  });

  it('become one, to which all references lead', () => {
    const merged = PAGE.replaceAll('"b.jpg"', '"a.jpg"');
    cases({}, [
      [
        { kind: 'merge', from: 'b.jpg', into: 'a.jpg' },
        { label: 'Use a.jpg instead of b.jpg', files: { 'b.jpg': null, 'index.html': merged }, notes: {} },
      ],
      [
        {
          kind: 'merge-many',
          merges: [
            { from: 'b.jpg', into: 'a.jpg' },
            { from: 'c.jpg', into: 'a.jpg' },
          ],
        },
        {
          label: 'Delete 2 copies',
          files: { 'b.jpg': null, 'c.jpg': null, 'index.html': merged.replaceAll('"c.jpg"', '"a.jpg"') },
          notes: {},
        },
      ],
      [{ kind: 'merge', from: 'gone.jpg', into: 'a.jpg' }, 'There is no gone.jpg any more.'],
      [{ kind: 'merge', from: 'a.jpg', into: 'gone.jpg' }, 'There is no gone.jpg any more.'],
      [{ kind: 'merge', from: 'a.jpg', into: 'a.jpg' }, 'A file cannot take its own place.'],
      [
        {
          kind: 'merge-many',
          merges: [
            { from: 'b.jpg', into: 'a.jpg' },
            { from: 'a.jpg', into: 'c.jpg' },
          ],
        },
        'a.jpg would be deleted and kept at once.',
      ],
      [{ kind: 'merge-many', merges: [] }, 'There is nothing to delete.'],
    ]);
  });

  const pair = (small: string, large: string, belong = true) => ({ small, large, belong });

  it('belong together or not', () => {
    const decided = [pair('ta', 'A'), pair('tb', 'B'), pair('tc', 'A', false)];
    cases({ decisions: decided }, [
      [
        { kind: 'decide', thumbnail: 't/c.jpg', full: 'c.jpg', belong: true },
        { label: 'Pair c.jpg with c.jpg', files: {}, notes: { decisions: [...decided, pair('tc', 'C')] } },
      ],
      [
        { kind: 'decide', thumbnail: 't/a.jpg', full: 'b.jpg', belong: true },
        { label: 'Pair a.jpg with b.jpg', files: {}, notes: { decisions: [pair('tc', 'A', false), pair('ta', 'B')] } },
      ],
      [
        { kind: 'decide', thumbnail: 't/a.jpg', full: 'b.jpg', belong: false },
        { label: 'Part a.jpg from b.jpg', files: {}, notes: { decisions: [...decided, pair('ta', 'B', false)] } },
      ],
      [
        { kind: 'decide', thumbnail: 't/c.jpg', full: 'a.jpg', belong: null },
        { label: 'Remove the decision on c.jpg', files: {}, notes: { decisions: decided.slice(0, 2) } },
      ],
      [{ kind: 'decide', thumbnail: 'gone.jpg', full: 'a.jpg', belong: true }, 'gone.jpg is no longer there.'],
      [{ kind: 'decide', thumbnail: 'a.jpg', full: 'notes.txt', belong: true }, 'notes.txt is no longer there.'],
    ]);
    const twice = siteOf({ 'a.jpg': 'A', 't/copy.jpg': 'A' });
    expect(asked(twice, { kind: 'decide', thumbnail: 't/copy.jpg', full: 'a.jpg', belong: true })).toBe(
      'copy.jpg and a.jpg are the same file to the byte; one of them is not needed.',
    );
  });
});

describe('notes of pictures', () => {
  it('tags come and go, each once, in their order', () => {
    cases({ tags: { A: ['red', 'old'], B: ['old'] } }, [
      [
        { kind: 'set-tags', paths: ['a.jpg', 'b.jpg'], add: ['big', 'red'], remove: ['old'] },
        {
          label: 'Tag 2 pictures “big”, “red”, not “old”',
          files: {},
          notes: { tags: { A: ['big', 'red'], B: ['big', 'red'] } },
        },
      ],
      [
        { kind: 'set-tags', paths: ['t/../b.jpg'.slice(5)], add: [], remove: ['old'] },
        { label: 'Tag b.jpg not “old”', files: {}, notes: { tags: { A: ['red', 'old'] } } },
      ],
      [{ kind: 'set-tags', paths: ['notes.txt'], add: ['x'], remove: [] }, 'There is no notes.txt any more.'],
    ]);
  });

  it('the place is kept or not', () => {
    cases({ placeKept: ['A'] }, [
      [
        { kind: 'keep-place', paths: ['a.jpg', 'b.jpg', 'notes.txt'], keep: true },
        { label: 'Keep the location in 3 pictures', files: {}, notes: { placeKept: ['A', 'B'] } },
      ],
      [
        { kind: 'keep-place', paths: ['a.jpg'], keep: false },
        { label: 'Remove the location in a.jpg', files: {}, notes: { placeKept: [] } },
      ],
    ]);
  });

  it('whose they are, how they are named and made', () => {
    const rights = { copyright: 'c', credit: 'd' };
    const naming = { own: [{ thumbnail: '{name}_k.jpg', full: '{name}.jpg' }], off: ['x'] };
    cases({}, [
      [
        { kind: 'set-rights', rights },
        { label: 'Set copyright and credit', files: {}, notes: { rights } },
      ],
      [
        { kind: 'set-naming', ...naming },
        { label: 'Change how thumbnails are named here', files: {}, notes: { naming } },
      ],
    ]);
    expect(asked(site(), { kind: 'set-naming', own: [{ thumbnail: 'k.jpg', full: 'k.jpg' }], off: [] })).toEqual(
      expect.stringMatching(/\{name\}/),
    );
  });

  it('the point about which they are cut, of a made picture and its original', () => {
    const focus = { x: 0.2, y: 0.8 };
    cases({ focus: { A: focus } }, [
      [
        { kind: 'set-focus', picture: 'b.jpg', focus },
        { label: 'Cut b.jpg about another point', files: {}, notes: { focus: { A: focus, B: focus } } },
      ],
      [
        { kind: 'set-focus', picture: 'a.jpg', focus: null },
        { label: 'Cut a.jpg about the suggested point', files: {}, notes: { focus: {} } },
      ],
      [{ kind: 'set-focus', picture: 'notes.txt', focus }, 'There is no notes.txt any more.'],
    ]);
    const made = [{ path: 'a.jpg', as: 'full-size', from: 'o/a.jpg', of: 'O', by: '1', is: 'A' }];
    expect(asked(site({ made }, { 'o/a.jpg': 'O' }), { kind: 'set-focus', picture: 'a.jpg', focus })).toMatchObject({
      notes: { focus: { A: focus, O: focus } },
    });
  });

  it('words of pictures and of items, as one change', () => {
    const one = site({ words: { A: { title: 'T', alt: 'x' }, B: { title: 'B' } } });
    const [first = ''] = strandsOf(one, 'index.html');
    const words = (
      pictures: { path: string; words: Record<string, string> }[],
      items: { strand: string; alt?: string; caption?: string }[] = [],
      label?: string,
    ) => asked(one, { kind: 'set-words', pictures, items, ...(label === undefined ? {} : { label }) });
    expect(words([{ path: 'a.jpg', words: { title: 'New', alt: '' } }])).toEqual({
      label: 'Set the words of a.jpg',
      files: {},
      notes: { words: { A: { title: 'New' }, B: { title: 'B' } } },
    });
    expect(words([{ path: 'b.jpg', words: { title: '' } }])).toMatchObject({
      notes: { words: { A: { title: 'T', alt: 'x' } } },
    });
    expect(words([], [{ strand: first, alt: 'Seen' }])).toEqual({
      label: 'Set the words of a',
      files: { 'index.html': PAGE.replace('alt="a"', 'alt="Seen"') },
      notes: {},
    });
    expect(words([{ path: 'a.jpg', words: { title: 'New' } }], [{ strand: first, alt: 'Seen' }])).toMatchObject({
      label: 'Set the words of 2 pictures',
    });
    expect(words([], [{ strand: first, alt: 'Seen' }], 'As I say')).toMatchObject({ label: 'As I say' });
    expect(words([{ path: 'notes.txt', words: {} }])).toBe('There is no notes.txt any more.');
    expect(words([], [{ strand: 'gone', alt: '' }])).toBe(
      'An item is no longer at this place; the page has changed meanwhile.',
    );
    expect(words([], [{ strand: first, caption: 'x' }])).toEqual(expect.stringMatching(/^a on index\.html: .{20}/));
  });
});

describe('the order of pictures', () => {
  const hand = ['C', 'A'];
  const ordered = (notes: Partial<SiteNotes>, facts = {}) => {
    const one = siteOf({ 'index.html': PAGE, ...PICTURES, 'x/a.jpg': 'XA' }, { notes, facts });
    return ['x/a.jpg', 'c.jpg', 'b.jpg', 'a.jpg'].sort(byOrder(one));
  };

  it('is by name within folders, by day, or by hand; what it says nothing of comes last by name', () => {
    expect(ordered({})).toEqual(['a.jpg', 'b.jpg', 'c.jpg', 'x/a.jpg']);
    expect(ordered({ order: { by: 'hand', hand } })).toEqual(['c.jpg', 'a.jpg', 'b.jpg', 'x/a.jpg']);
    const taken = { order: { by: 'taken' as const, hand }, words: { C: { takenAt: '2026-01-01T00:00:00' } } };
    expect(ordered(taken, { B: { takenAt: '2025-01-01T00:00:00' } })).toEqual(['b.jpg', 'c.jpg', 'a.jpg', 'x/a.jpg']);
    const same = { B: { takenAt: '2025-01-01' }, C: { takenAt: '2025-01-01' } };
    expect(ordered({ order: { by: 'taken', hand } }, same).slice(0, 2)).toEqual(['b.jpg', 'c.jpg']);
  });

  it('is kept by content', () => {
    cases({ order: { by: 'name', hand } }, [
      [
        { kind: 'set-order', by: 'hand', hand: ['b.jpg', 'notes.txt', 'a.jpg'] },
        { label: 'Order pictures by hand', files: {}, notes: { order: { by: 'hand', hand: ['B', 'A'] } } },
      ],
      [
        { kind: 'set-order', by: 'taken', hand: null },
        { label: 'Order pictures by date taken', files: {}, notes: { order: { by: 'taken', hand } } },
      ],
    ]);
    expect(asked(site({ order: { by: 'taken', hand } }), { kind: 'set-order', by: 'name', hand: null })).toMatchObject({
      label: 'Order pictures by name',
    });
  });

  it('puts a gallery in step, foreign pictures behind the others', () => {
    const foreign = '<a href="https://host/x.jpg"><img src="https://host/t.jpg" alt=""></a>';
    const items = [foreign, linked('b'), linked('a'), foreign.replace('x.jpg', 'y.jpg'), linked('c')];
    const mixed = siteOf({ 'index.html': listPage(items), ...PICTURES });
    expect(asked(mixed, { kind: 'order-gallery', page: 'index.html', gallery: 0 })).toEqual({
      label: 'Reorder the gallery of index.html',
      files: {
        'index.html': listPage([linked('a'), linked('b'), linked('c'), foreign, foreign.replace('x.jpg', 'y.jpg')]),
      },
      notes: {},
    });
    cases({}, [
      [
        { kind: 'order-gallery', page: 'index.html', gallery: 0 },
        'The gallery of index.html is in this order already.',
      ],
      [
        { kind: 'order-gallery', page: 'index.html', gallery: 3 },
        'This gallery is no longer at this place; the page has changed meanwhile.',
      ],
    ]);
  });
});

describe('kits', () => {
  const mine = kitOf({ name: 'mine', title: 'Mine', folder: 'mine' });
  const withKits = (notes: Partial<SiteNotes> = {}, more = {}) =>
    siteOf({ 'index.html': PAGE, ...PICTURES, ...more }, { notes, kits: [kitOf()] });
  const save = (files: Record<string, string>, name = 'mine'): Intent => ({
    kind: 'save-kit',
    manifest: { ...mine.manifest, name },
    files,
  });

  it('are asked for by name', () => {
    for (const intent of [
      { kind: 'wire', page: 'index.html', kit: 'none' },
      { kind: 'unwire', page: 'index.html', kit: 'none' },
      { kind: 'change-kit', page: 'index.html', from: 'none', to: 'kite' },
      { kind: 'change-kit', page: 'index.html', from: 'kite', to: 'none' },
      { kind: 'forget-kit', name: 'none' },
    ] as const)
      expect(asked(withKits(), intent)).toBe('There is no viewer “none” here.');
    for (const intent of [
      { kind: 'wire', page: 'gone.html' },
      { kind: 'unwire', page: 'gone.html', kit: 'kite' },
      { kind: 'change-kit', page: 'gone.html', from: 'kite', to: 'kite' },
    ] as const)
      expect(asked(withKits(), intent)).toBe('There is no page gone.html any more.');
    expect(asked(withKits(), { kind: 'change-kit', page: 'index.html', from: 'kite', to: 'kite' })).toBe(
      'index.html is wired with the kite already.',
    );
    expect(asked(siteOf({ 'index.html': PAGE }), { kind: 'wire', page: 'index.html' })).toBe(
      'There is no viewer “” here.',
    );
    expect(asked(withKits(), { kind: 'wire', page: 'index.html' })).toMatchObject({
      label: 'Add the kite to index.html',
    });
  });

  it('of one’s own are kept with their files', () => {
    expect(asked(withKits(), save({ 'kite.js': 'x' }))).toEqual({
      label: 'Save Mine as a viewer',
      files: { 'mine/kite.js': 'x' },
      notes: { kits: [mine.manifest] },
    });
    const kept = withKits({ kits: [mine.manifest, { name: 'other' }] }, { 'mine/kite.js': 'x' });
    expect(asked(kept, save({ 'kite.js': 'y' }))).toMatchObject({
      files: { 'mine/kite.js': 'y' },
      notes: { kits: [{ name: 'other' }, mine.manifest] },
    });
    expect(asked(kept, save({ 'kite.js': 'x' }))).toMatchObject({ files: {} });
    expect(asked(kept, save({}))).toMatchObject({ files: {} });
    expect(asked(withKits(), save({}))).toBe('mine/kite.js is not in the site and was not imported with it.');
    expect(asked(withKits(), save({ 'kite.js': 'x' }, 'kite'))).toBe(
      '“kite” is the name of a built-in viewer. Choose another name.',
    );
  });

  it('of one’s own are forgotten, unless a page is wired with them', () => {
    const notes = { kits: [mine.manifest, 'odd', { name: 'other' }] };
    expect(asked(withKits(notes), { kind: 'forget-kit', name: 'mine' })).toEqual({
      label: 'Remove the viewer mine',
      files: {},
      notes: { kits: ['odd', { name: 'other' }] },
    });
    const wired = PAGE.replace('</head>', '<script src="mine/kite.js"></script></head>').replaceAll(
      '<a ',
      '<a data-kite ',
    );
    expect(
      asked(siteOf({ 'index.html': wired, 'mine/kite.js': 'x', ...PICTURES }, { notes }), {
        kind: 'forget-kit',
        name: 'mine',
      }),
    ).toBe('index.html uses it. Remove it from that page first.');
  });

  it('choose by the tags of pictures', () => {
    const kit = kitOf({
      does: 'page',
      marker: { on: 'gallery', attribute: 'data-pick' },
      tags: { attribute: 'data-tags' },
    });
    const tagged = siteOf({ 'index.html': PAGE, ...PICTURES }, { notes: { tags: { A: ['red', 'big'] } }, kits: [kit] });
    const outcome = asked(tagged, { kind: 'wire', page: 'index.html', kit: 'kite' });
    const text = typeof outcome === 'string' ? outcome : (outcome.files['index.html'] ?? '');
    expect(text.match(/<li[^>]*>/g)).toEqual(['<li data-tags="red, big">', '<li>', '<li>']);
  });
});

describe('settled matters', () => {
  it('are told', () => {
    cases({}, [
      [{ kind: 'fix', finding: 'none', fix: 0 }, 'This finding is fixed already, or the page has changed meanwhile.'],
    ]);
  });
});

describe('pictures that are added', () => {
  const picture = (name: string, more = {}) => ({
    thumbnail: `t/${name}.jpg`,
    full: `${name}.jpg`,
    title: '',
    alt: name,
    caption: '',
    ...more,
  });
  const add = (part: Partial<Extract<Intent, { kind: 'add-pictures' }>>): Intent => ({
    kind: 'add-pictures',
    page: 'index.html',
    gallery: 0,
    pictures: [picture('c')],
    ...part,
  });
  const two = () =>
    siteOf(
      { 'index.html': listPage([linked('a'), linked('b')]), ...PICTURES },
      { facts: { tc: {} }, notes: { tags: { C: ['old'] }, lists: LISTS } },
    );
  const list = (column: string) => ({
    columns: [column],
    full: column,
    thumbnail: null,
    title: null,
    caption: null,
    alt: null,
    tags: null,
  });
  const LISTS = [list('one'), list('two')];

  it('come at their place, in the manner of the others', () => {
    expect(asked(two(), add({}))).toEqual({
      label: 'Add 1 picture to index.html',
      files: { 'index.html': PAGE },
      notes: {},
    });
    expect(asked(two(), add({ at: 99 }))).toMatchObject({ files: { 'index.html': PAGE } });
    expect(asked(two(), add({ at: 0 }))).toMatchObject({
      files: { 'index.html': listPage([linked('c'), linked('a'), linked('b')]) },
    });
    const outside = picture('c', { thumbnail: 'https://host/t.jpg', full: 'HTTP://host/f.jpg' });
    expect(asked(two(), add({ pictures: [outside, picture('c')] }))).toMatchObject({
      label: 'Add 2 pictures to index.html',
      files: {
        'index.html': listPage([
          linked('a'),
          linked('b'),
          '<a href="HTTP://host/f.jpg"><img src="https://host/t.jpg" alt="c"></a>',
          linked('c'),
        ]),
      },
    });
  });

  it('bring tags, and what the columns of a list hold', () => {
    expect(
      asked(two(), add({ pictures: [picture('c', { tags: ['new', 'old'] }), picture('a', { tags: [] })] })),
    ).toMatchObject({
      notes: { tags: { C: ['old', 'new'] } },
    });
    expect(asked(two(), add({ mapping: list('two') }))).toMatchObject({ notes: { lists: [list('two'), list('one')] } });
    const outcome = asked(two(), add({ mapping: list('three') }));
    expect(outcome).toMatchObject({ notes: { lists: [list('three'), ...LISTS] } });
  });

  it('are the first of a page, with their sizes', () => {
    const outcome = asked(two(), add({ page: 'index.html', gallery: null }));
    const text = typeof outcome === 'string' ? outcome : (outcome.files['index.html'] ?? '');
    expect(text).toMatch(/<img src="t\/c\.jpg"[^>]*width="60"[^>]*height="40"/);
  });

  it('are refused where page or gallery is gone', () => {
    expect(asked(two(), add({ page: 'gone.html' }))).toBe('There is no page gone.html any more.');
    expect(asked(two(), add({ gallery: 4 }))).toBe(
      'This gallery is no longer at this place; the page has changed meanwhile.',
    );
  });
});
