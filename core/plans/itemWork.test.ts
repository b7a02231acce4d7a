import { describe, expect, it } from 'vitest';
import { asked, linked, listPage, PICTURES, siteOf, strandsOf } from './asked.fixture.ts';
import type { Intent } from './intent.ts';

const FACTS = { ta: { width: 60, height: 40 }, tb: { width: 61, height: 41 }, tc: { unreadable: 'no' } };
const ITEMS = ['a', 'b', 'c'].map((name) => linked(name));
const site = (items: readonly string[] = ITEMS, more: Record<string, string> = {}, notes = {}) =>
  siteOf({ 'index.html': listPage(items), ...PICTURES, ...more }, { facts: FACTS, notes });
const GONE = 'This item is no longer at this place; the page has changed meanwhile.';
const ONE_GONE = 'An item is no longer at this place; the page has changed meanwhile.';
const GALLERY_GONE = 'This gallery is no longer at this place; the page has changed meanwhile.';
const place = { page: 'index.html', gallery: 0 };
/** The page with these items afterwards. */
const page = (items: readonly string[]) => ({ 'index.html': listPage(items) });

/** Asks for something of the nth items of the page. */
function ofItems(
  of: ReturnType<typeof site>,
  places: readonly number[],
  intent: (strands: string[]) => Intent,
): ReturnType<typeof asked> {
  const all = strandsOf(of, 'index.html');
  return asked(of, intent(places.map((n) => all[n] ?? 'gone')));
}

describe('one item', () => {
  it.each<[string, (strand: string) => Intent, string, string[]]>([
    [
      'its alt text',
      (strand) => ({ kind: 'set-alt', strand, value: 'A "kite"' }),
      'Set the alt text of b',
      [linked('a'), linked('b').replace('alt="b"', 'alt="A &quot;kite&quot;"'), linked('c')],
    ],
    [
      'taken out',
      (strand) => ({ kind: 'remove-item', strand }),
      'Remove b from index.html',
      [linked('a'), linked('c')],
    ],
    [
      'moved',
      (strand) => ({ kind: 'move-item', strand, to: 0 }),
      'Move b to place 1',
      [linked('b'), linked('a'), linked('c')],
    ],
    [
      'its title',
      (strand) => ({ kind: 'set-slot', strand, slot: 'title', value: 'T' }),
      'Set the title of b',
      [linked('a'), linked('b', 'title="T"'), linked('c')],
    ],
    [
      'what it opens',
      (strand) => ({ kind: 'set-slot', strand, slot: 'full', value: 'c.jpg' }),
      'Set what a click opens of b',
      [linked('a'), linked('b').replace('b.jpg', 'c.jpg'), linked('c')],
    ],
    [
      'its picture, as it is written where it is no file',
      (strand) => ({ kind: 'set-slot', strand, slot: 'thumbnail', value: 'https://host/x.jpg' }),
      'Set the picture of b',
      [linked('a'), linked('b').replace('t/b.jpg', 'https://host/x.jpg'), linked('c')],
    ],
    [
      'its width',
      (strand) => ({ kind: 'set-slot', strand, slot: 'width', value: '60' }),
      'Set the width of b',
      [linked('a'), linked('b').replace('alt="b"', 'alt="b" width="60"'), linked('c')],
    ],
    [
      'its height',
      (strand) => ({ kind: 'set-slot', strand, slot: 'height', value: '40' }),
      'Set the height of b',
      [linked('a'), linked('b').replace('alt="b"', 'alt="b" height="40"'), linked('c')],
    ],
  ])('%s', (_what, intent, label, items) => {
    const one = site();
    const [, strand = ''] = strandsOf(one, 'index.html');
    expect(asked(one, intent(strand))).toEqual({ label, files: page(items), notes: {} });
    expect(asked(one, intent('gone'))).toBe(GONE);
  });

  it('its caption', () => {
    const captioned = ITEMS.map((item, n) => `${item}<p>Words ${n}</p>`);
    const one = site(captioned);
    const [, strand = ''] = strandsOf(one, 'index.html');
    expect(asked(one, { kind: 'set-caption', strand, value: 'New & better' })).toMatchObject({
      label: 'Set the caption of b',
      files: page(captioned.map((item) => item.replace('Words 1', 'New &amp; better'))),
    });
    expect(asked(one, { kind: 'set-caption', strand: 'gone', value: '' })).toBe(GONE);
  });

  it('in a folder refers to files from there', () => {
    const inFolder = siteOf({
      'days/one.html': listPage(['a', 'b'].map((name) => linked(name, '', '../'))),
      ...PICTURES,
    });
    const [strand = ''] = strandsOf(inFolder, 'days/one.html');
    expect(asked(inFolder, { kind: 'set-slot', strand, slot: 'full', value: 'c.jpg' })).toMatchObject({
      files: {
        'days/one.html': listPage([linked('a', '', '../').replace('../a.jpg', '../c.jpg'), linked('b', '', '../')]),
      },
    });
  });
});

describe('many items', () => {
  it('are taken out and moved', () => {
    expect(ofItems(site(), [0, 2], (strands) => ({ kind: 'remove-items', strands }))).toEqual({
      label: 'Remove 2 items from index.html',
      files: page([linked('b')]),
      notes: {},
    });
    expect(ofItems(site(), [0], (strands) => ({ kind: 'remove-items', strands }))).toMatchObject({
      label: 'Remove 1 item from index.html',
    });
    expect(ofItems(site(), [0, 1], (strands) => ({ kind: 'move-items', strands, to: 9 }))).toEqual({
      label: 'Move 2 items to place 2',
      files: page([linked('c'), linked('a'), linked('b')]),
      notes: {},
    });
  });

  it('are refused where one is gone, or they are of several galleries', () => {
    const two = site(ITEMS, { 'more.html': listPage(ITEMS) });
    const other = strandsOf(two, 'more.html')[0] ?? '';
    for (const kind of ['remove-items', 'move-items'] as const) {
      expect(ofItems(two, [0, 7], (strands) => ({ kind, strands, to: 0 }))).toBe(ONE_GONE);
      expect(ofItems(two, [0], (strands) => ({ kind, strands: [...strands, other], to: 0 }))).toBe(
        'These items are of several galleries; choose those of one at a time.',
      );
    }
    expect(ofItems(two, [7], (strands) => ({ kind: 'remove-items', strands }))).toBe(ONE_GONE);
  });

  it('are written again in another gallery, in its manner and from its folder', () => {
    const own = ['a', 'b'].map(
      (name) => `<figure>${linked(name, 'title="old"', '../')}<figcaption>Old</figcaption></figure>`,
    );
    const items = [
      `${linked('a', 'title="A title"')}`,
      linked('b'),
      `${linked('c').replace('c.jpg"', 'c.jpg?v=2#x"')}`,
    ];
    const both = site(items, { 'days/more.html': listPage(own) });
    const written = (name: string, title: string, size: string, address = `../${name}.jpg`) =>
      `<figure><a href="${address}" title="${title}"><img src="../t/${name}.jpg" alt="${name}"${size}></a><figcaption>${title}</figcaption></figure>`;
    const outcome = ofItems(both, [0, 2], (strands) => ({
      kind: 'copy-items',
      strands,
      page: 'days/more.html',
      gallery: 0,
    }));
    expect(outcome).toEqual({
      label: 'Copy 2 items to days/more.html',
      files: {
        'days/more.html': listPage([...own, written('a', 'A title', ''), written('c', '', '', '../c.jpg?v=2#x')]),
      },
      notes: {},
    });
    for (const [page, gallery] of [
      ['gone.html', 0],
      ['days/more.html', 3],
    ] as const)
      expect(ofItems(both, [0], (strands) => ({ kind: 'copy-items', strands, page, gallery }))).toBe(GALLERY_GONE);
    expect(
      ofItems(both, [0, 9], (strands) => ({ kind: 'copy-items', strands, page: 'days/more.html', gallery: 0 })),
    ).toBe(ONE_GONE);
  });

  it('are the first of a page, with the sizes that are known', () => {
    const bare = site(ITEMS, { 'bare.html': '<html>\n<body>\n<p>None</p>\n</body>\n</html>\n' });
    const outcome = ofItems(bare, [0, 2], (strands) => ({
      kind: 'copy-items',
      strands,
      page: 'bare.html',
      gallery: null,
    }));
    const text = typeof outcome === 'string' ? outcome : (outcome.files['bare.html'] ?? '');
    expect(text.match(/(?:href|src)="[^"]*"/g)).toEqual([
      'href="a.jpg"',
      'src="t/a.jpg"',
      'href="c.jpg"',
      'src="t/c.jpg"',
    ]);
    expect(text.match(/(?:width|height)="[^"]*"/g)).toEqual(['width="60"', 'height="40"']);
  });
});

describe('a whole gallery', () => {
  it.each<[Intent, string, string[]]>([
    [
      { kind: 'set-on-links', ...place, name: 'rel', value: 'x' },
      'Add rel to every link of index.html',
      ['a', 'b', 'c'].map((name) => linked(name, 'rel="x"')),
    ],
    [
      { kind: 'complete-items', ...place, items: [1] },
      'Complete 1 item of index.html',
      ['a', 'b', 'c'].map((name) => linked(name, 'rel="x"')),
    ],
    [{ kind: 'set-on-links', ...place, name: 'rel', value: null }, 'Remove rel from every link of index.html', ITEMS],
    [
      { kind: 'apply-pattern', ...place, pattern: '<li><img src="{thumbnail}" alt="{alt}"></li>', words: 'alt' },
      'Apply another pattern to 3 items of index.html',
      ['a', 'b', 'c'].map((name) => `<img src="t/${name}.jpg" alt="${name}">`),
    ],
  ])('%j', (intent, label, items) => {
    const before =
      intent.kind === 'complete-items' ? [linked('a', 'rel="x"'), linked('b'), linked('c', 'rel="x"')] : ITEMS;
    const marked = intent.kind === 'set-on-links' && intent.value === null;
    const one = site(marked ? ['a', 'b', 'c'].map((name) => linked(name, 'rel="x"')) : before);
    expect(asked(one, intent)).toEqual({ label, files: page(items), notes: {} });
    expect(asked(one, { ...intent, gallery: 7 } as Intent)).toBe(GALLERY_GONE); // the same kind, elsewhere
  });

  it('has nothing to complete, or cannot tell', () => {
    const reason = 'Nothing that these items lack is the same in all their neighbours; write it in the source.';
    expect(asked(site(), { kind: 'complete-items', ...place, items: [1] })).toBe(reason);
    const each = site([linked('a', 'rel="x"'), linked('b'), linked('c', 'rel="y"')]);
    expect(asked(each, { kind: 'complete-items', ...place, items: [1] })).toBe(reason);
    const other = site([linked('a', 'rel="x"'), linked('b'), linked('c', 'rel="x"')]);
    expect(asked(other, { kind: 'complete-items', ...place, items: [0] })).toBe(reason);
  });

  it('is renumbered', () => {
    const counted = ['a', 'b', 'c'].map((name, n) => `${linked(name)}<p>${[1, 5, 3][n]} of 3</p>`);
    expect(asked(site(counted), { kind: 'renumber', ...place })).toMatchObject({
      label: 'Renumber the gallery of index.html',
      files: page(counted.map((item) => item.replace('5 of', '2 of'))),
    });
    expect(asked(site(), { kind: 'renumber', page: 'gone.html', gallery: 0 })).toBe(GALLERY_GONE);
  });
});

describe('another pattern', () => {
  const byPattern = (
    items: readonly string[],
    pattern: string,
    words: 'picture' | 'alt' | 'title' | 'none' = 'none',
  ) => {
    const decisions = ['a', 'b', 'c'].map((name) => ({ small: `t${name}`, large: name.toUpperCase(), belong: true }));
    const outcome = asked(site(items, {}, { words: { A: { title: 'Noted' } }, decisions }), {
      kind: 'apply-pattern',
      ...place,
      pattern: `<li>${pattern}</li>`,
      words,
    });
    const text = typeof outcome === 'string' ? outcome : (outcome.files['index.html'] ?? '');
    return text.match(/<li>.*<\/li>/g)?.map((item) => item.slice(4, -5)) ?? text;
  };
  const images = ['a', 'b', 'c'].map((name) => `<img src="t/${name}.jpg" alt="${name}">`);

  it('has the full-size picture of its pair where there was no link', () => {
    expect(byPattern(images, '<a href="{full}"><img src="{thumbnail}" alt="{alt}"></a>')).toEqual(ITEMS);
  });

  it('says whose the picture is and when it was taken, where somebody says it', () => {
    const one = siteOf(
      { 'index.html': listPage(['a', 'b', 'c'].map((name) => linked(name))), ...PICTURES },
      {
        notes: { rights: { copyright: '© us', credit: '' }, words: { B: { copyright: '© B' } } },
        facts: { A: { takenAt: '2026-06-14T10:12:13' } },
      },
    );
    const pattern = '<li>{copyright}, {credit}{date} <a href="{full}"><img src="{thumbnail}" alt="{alt}"></a></li>';
    const outcome = asked(one, { kind: 'apply-pattern', ...place, pattern, words: 'none' });
    const text = typeof outcome === 'string' ? outcome : (outcome.files['index.html'] ?? '');
    expect(text.match(/<li>.*?<a/g)).toEqual(['<li>© us, 2026-06-14 <a', '<li>© B,  <a', '<li>© us,  <a']);
  });

  it('has the sizes that are known', () => {
    expect(
      byPattern(ITEMS.slice(0, 2), '<img src="{thumbnail}" alt="{alt}" width="{width}" height="{height}">'),
    ).toEqual([
      '<img src="t/a.jpg" alt="a" width="60" height="40">',
      '<img src="t/b.jpg" alt="b" width="61" height="41">',
    ]);
  });

  it.each([
    ['picture', ['Noted', 'B', 'C']],
    ['alt', ['a', 'b', 'c']],
    ['title', ['ta', 'tb', 'tc']],
  ] as const)('has words of the %s', (words, expected) => {
    const titled = ['a', 'b', 'c'].map((name) => linked(name, `title="t${name}"`));
    const pattern = '<a href="{full}"><img src="{thumbnail}" alt="{alt}"></a><p>{caption}</p>';
    expect(byPattern(titled, pattern, words)).toEqual(expected.map((word, n) => `${ITEMS[n]}<p>${word}</p>`));
  });
});

describe('words by a rule', () => {
  const filled = (items: readonly string[], part: Partial<Extract<Intent, { kind: 'fill-words' }>>) => {
    const one = site(items, {}, { words: { A: { title: 'Noted', caption: 'Noted at length', alt: 'Seen' } } });
    const outcome = asked(one, { kind: 'fill-words', ...place, slot: 'title', from: 'alt', over: false, ...part });
    return typeof outcome === 'string' ? outcome : [outcome.label, outcome.files['index.html']];
  };
  const items = (...all: string[]) => listPage(all);

  it('fill what is empty, and over what is there only where that is asked for', () => {
    const half = [linked('a', 'title="own"'), linked('b'), linked('c')];
    expect(filled(half, {})).toEqual([
      'Fill the titles of index.html',
      items(linked('a', 'title="own"'), linked('b', 'title="b"'), linked('c', 'title="c"')),
    ]);
    expect(filled(half, { over: true })).toEqual([
      'Fill the titles of index.html',
      items(linked('a', 'title="a"'), linked('b', 'title="b"'), linked('c', 'title="c"')),
    ]);
  });

  it.each([
    ['picture', 'title', ['Noted', 'B', 'C']],
    // A file's name is no alt text; what stands there stays.
    ['picture', 'alt', ['Seen', 'b', 'c']],
    ['name', 'title', ['A', 'B', 'C']],
    ['title', 'alt', ['x', 'x', 'x']],
  ] as const)('are those of the %s for the %s', (from, slot, words) => {
    const before = ['a', 'b', 'c'].map((name) => linked(name, slot === 'alt' ? 'title="x"' : ''));
    const label = slot === 'alt' ? 'Fill the alt texts of index.html' : 'Fill the titles of index.html';
    const written = before.map((item, n) =>
      slot === 'alt'
        ? item.replace(/alt="."/, `alt="${words[n]}"`)
        : linked(['a', 'b', 'c'][n] ?? '', `title="${words[n]}"`),
    );
    expect(filled(before, { from, slot, over: true })).toEqual([label, items(...written)]);
  });

  it('are those of the caption, and come into captions', () => {
    const captioned = [`${linked('a')}<p>Wa</p>`, `${linked('b')}<p>Wb</p>`, `${linked('c')}<p>Wc</p>`];
    expect(filled(captioned, { from: 'caption', slot: 'title' })).toEqual([
      'Fill the titles of index.html',
      items(...['a', 'b', 'c'].map((name) => `${linked(name, `title="W${name}"`)}<p>W${name}</p>`)),
    ]);
    expect(filled(captioned, { from: 'picture', slot: 'caption', over: true })).toEqual([
      'Fill the captions of index.html',
      items(`${linked('a')}<p>Noted at length</p>`, `${linked('b')}<p>B</p>`, `${linked('c')}<p>C</p>`),
    ]);
  });

  it('are none where nothing would change, or there is no place', () => {
    const all = ['a', 'b', 'c'].map((name) => linked(name, `title="${name}"`));
    expect(filled(all, {})).toBe('No item here lacks its title, or there is no place for one.');
    expect(filled(all, { over: true })).toBe('No item here would get another title, or there is no place for one.');
    expect(filled(ITEMS, { slot: 'caption' })).toBe('No item here lacks its caption, or there is no place for one.');
    expect(filled(ITEMS, { slot: 'alt', from: 'title' })).toBe(
      'No item here lacks its alt text, or there is no place for one.',
    );
    expect(asked(site(), { kind: 'fill-words', page: 'gone', gallery: 0, slot: 'alt', from: 'alt', over: true })).toBe(
      GALLERY_GONE,
    );
  });
});
