import { describe, expect, it } from 'vitest';
import type { SiteNotes } from '../site/index.ts';
import { asked, linked, listPage, PICTURES, siteOf } from './asked.fixture.ts';

const names = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, n) => `p${from + n}`);
const items = (from: number, to: number) => names(from, to).map((name) => linked(name));
const way = (...lines: string[]) =>
  [
    '',
    '<nav class="gallery-pages" aria-label="Pages of this gallery">',
    ...lines.map((line) => `  ${line}`),
    '</nav>',
  ].join('\n');
/** A page of a spread, with the way behind its list. */
const page = (from: number, to: number, lines: string[] = [], title = 'Kites') =>
  listPage(items(from, to), title)
    .replace('</ul>', `</ul>${lines.length > 0 ? way(...lines) : ''}`)
    .replace(/<h1>.*<\/h1>/, '<h1>Kites</h1>');
const FIRST = [
  '<span aria-current="page">1</span>',
  '<a href="k-2.html">2</a>',
  '<a href="k-2.html" rel="next">Next</a>',
];
const SECOND = [
  '<a href="k.html" rel="prev">Previous</a>',
  '<a href="k.html">1</a>',
  '<span aria-current="page">2</span>',
];
const SPREAD = { 'k.html': page(1, 3, FIRST), 'k-2.html': page(4, 5, SECOND, 'Kites, page 2') };
const NOTES: Partial<SiteNotes> = {
  spreads: [
    { pages: ['k.html', 'k-2.html'], size: 3 },
    { pages: ['other.html'], size: 9 },
  ],
};
const split = (
  files: Record<string, string>,
  size: number,
  notes: Partial<SiteNotes> = {},
  path = 'k.html',
  gallery = 0,
) => asked(siteOf({ ...files, ...PICTURES }, { notes }), { kind: 'split-gallery', page: path, gallery, size });

describe('a gallery on pages', () => {
  it('is written with the way between them, and noted', () => {
    expect(split({ 'k.html': page(1, 5) }, 3)).toEqual({
      label: 'Split the gallery of k.html into 2 pages of 3',
      files: SPREAD,
      notes: { spreads: [{ pages: ['k.html', 'k-2.html'], size: 3 }] },
    });
  });

  it('is put on other pages, or on one again', () => {
    const three = split(SPREAD, 2, NOTES, 'k-2.html');
    expect(three).toMatchObject({
      label: 'Split the gallery of k.html into 3 pages of 2',
      notes: { spreads: [NOTES.spreads?.[1], { pages: ['k.html', 'k-2.html', 'k-3.html'], size: 2 }] },
    });
    expect(split(SPREAD, 9, NOTES)).toEqual({
      label: 'Merge the gallery of k.html into one page',
      files: { 'k.html': page(1, 5), 'k-2.html': null },
      notes: { spreads: [NOTES.spreads?.[1]] },
    });
    expect(split(SPREAD, 3, NOTES)).toBe('Every page holds what it should already.');
    expect(split(SPREAD, 4, { spreads: [{ pages: ['k.html', 'gone.html'], size: 3 }] })).toBe(
      'The gallery has 3 items; they fit on one page of 4.',
    );
  });

  it('has the way as its author has changed it', () => {
    const mine = (text: string) =>
      text
        .replace('<nav class="gallery-pages"', '<nav id="w" class="x gallery-pages"')
        .replace('>Previous<', '><b>Back</b><')
        .replace('>Next<', '>On<');
    const own = { 'k.html': mine(SPREAD['k.html']), 'k-2.html': mine(SPREAD['k-2.html']) };
    const outcome = split(own, 2, NOTES);
    const text = typeof outcome === 'string' ? outcome : (outcome.files['k-3.html'] ?? '');
    expect(text).toContain(
      '<nav id="w" class="x gallery-pages" aria-label="Pages of this gallery">\n  <a href="k-2.html" rel="prev"><b>Back</b></a>\n',
    );
    const second = typeof outcome === 'string' ? outcome : (outcome.files['k-2.html'] ?? '');
    expect(second).toContain('rel="next">On</a>');
  });

  it('stands as far in as its list, in the line breaks of the page', () => {
    const indented = page(1, 5).replaceAll('\n', '\r\n').replace('<ul>', '  <ul>');
    const outcome = split({ 'k.html': indented }, 3);
    const text = typeof outcome === 'string' ? outcome : (outcome.files['k.html'] ?? '');
    expect(text).toContain('</ul>\r\n  <nav class="gallery-pages" aria-label="Pages of this gallery">\r\n    <span');
    expect(text.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/);
    const second = typeof outcome === 'string' ? '' : (outcome.files['k-2.html'] ?? '');
    const again = { 'k.html': text, 'k-2.html': second };
    expect(split(again, 9, { spreads: [{ pages: ['k.html', 'k-2.html'], size: 3 }] })).toMatchObject({
      files: { 'k.html': indented },
    });
  });

  it.each([
    ['Kites', 'Kites, page 2'],
    ['Kites – Circle', 'Kites, page 2 – Circle'],
    ['A &amp; b | Circle', 'A &amp; b, page 2 | Circle'],
  ])('the title %s becomes %s', (title, second) => {
    const outcome = split({ 'k.html': page(1, 5, [], title) }, 3);
    expect(typeof outcome === 'string' ? outcome : outcome.files['k-2.html']).toContain(`<title>${second}</title>`);
  });

  it('passes over a name that is taken', () => {
    const outcome = split({ 'd/k.html': page(1, 5), 'd/K-2.html': 'x' }, 3, {}, 'd/k.html');
    expect(typeof outcome !== 'string' && Object.keys(outcome.files)).toEqual(['d/k--2.html', 'd/k.html']);
  });

  it('is refused where it cannot be taken apart', () => {
    expect(split({ 'k.html': page(1, 3) }, 3)).toBe('The gallery has 3 items; they fit on one page of 3.');
    expect(split({ 'k.html': page(1, 3) }, 2, {}, 'k.html', 4)).toBe(
      'This gallery is no longer at this place; the page has changed meanwhile.',
    );
    expect(split({ 'k.html': page(1, 5).replace('</ul>', '') }, 3)).toBe(
      'What holds the items is not closed in the source, so nothing can be added after it.',
    );
    expect(split({ 'k.html': page(1, 5).replace('<h1>', '<h1 id="a" id="b">') }, 3)).toBe(
      'k.html, line 5: the attribute id stands twice in this tag; a browser ignores the second. Fix this first.',
    );
    const rows = `<body><table>${[1, 3].map((n) => `<tr><td>${items(n, n).join('')}</td><td>${items(n + 1, n + 1).join('')}</td></tr>`).join('')}</table></body>`;
    expect(split({ 'k.html': rows }, 2)).toBe(
      'The items of this gallery stand in rows of their own; a page could begin in the middle of a row. Remove the rows from the markup first.',
    );
    expect(split({ ...SPREAD, 'index.html': '<a href="k-2.html">2</a>' }, 9, NOTES)).toBe(
      'index.html leads to k-2.html, which would go. Remove that link first.',
    );
  });
});

describe('a setting of a look', () => {
  const html = (head: string) =>
    `<html>\n<head>\n${head}</head>\n<body>\n<ul class="g">\n${items(1, 3)
      .map((item) => `<li>${item}</li>\n`)
      .join('')}</ul>\n</body>\n</html>\n`;
  const link = (href: string) => `<link rel="stylesheet" href="${href}">\n`;
  const set = (files: Record<string, string>, part: object = {}, path = 'k.html') =>
    asked(siteOf({ ...PICTURES, ...files }), {
      kind: 'set-style',
      page: path,
      gallery: 0,
      setting: 'page-ground',
      value: '#eee',
      at: null,
      ...part,
    });
  const GRID = '.g { display: grid; gap: 10px; }\n';

  it('is written into the author’s stylesheet, or taken out of it', () => {
    const files = { 'k.html': html(link('look.css')), 'look.css': 'body { background: #fff; }\n' };
    expect(set(files)).toEqual({
      label: expect.stringMatching(/: #eee \(k\.html\)$/),
      files: { 'look.css': 'body { background: #eee; }\n' },
      notes: {},
    });
    expect(set(files, { value: null })).toMatchObject({ label: expect.stringMatching(/: taken away \(k\.html\)$/) });
    expect(set(files, { value: '#fff' })).toBe('The stylesheet has this already.');
    expect(set({ ...files, 'look.css': '' }, { value: null })).toBe('There is no declaration for that.');
    const narrow = set({ ...files, 'look.css': GRID }, { setting: 'column-gap', value: '4px', at: 600 });
    expect(narrow).toMatchObject({ label: expect.stringMatching(/ up to 600 px: 4px \(k\.html\)$/) });
    expect(typeof narrow !== 'string' && narrow.files['look.css']).toMatch(
      /@media .*600px[\s\S]*Gallery of k\.html: .*, up to 600 px|Gallery of k\.html: .*, up to 600 px[\s\S]*@media .*600px/,
    );
  });

  it('comes with a first stylesheet, or that which other pages share, where a page has none of its own', () => {
    const outcome = set({ 'd/k.html': html('') }, {}, 'd/k.html');
    expect(typeof outcome !== 'string' && Object.keys(outcome.files)).toEqual(['d/k.html', 'd/style.css']);
    expect(typeof outcome !== 'string' && outcome.files['d/k.html']).toContain(
      '<link rel="stylesheet" href="style.css">',
    );
    expect(typeof outcome !== 'string' && outcome.files['d/style.css']).toMatch(/^\/\* The page \*\/[\s\S]*#eee/);
    const shared = set({ 'd/k.html': html(''), 'look.css': 'p { color: red; }\n' }, {}, 'd/k.html');
    expect(typeof shared !== 'string' && Object.keys(shared.files)).toEqual(['d/k.html', 'look.css']);
    expect(typeof shared !== 'string' && shared.files['d/k.html']).toContain('href="../look.css"');
  });

  it('is refused where it cannot be', () => {
    expect(set({ 'k.html': html('') }, { setting: 'none' })).toBe('There is no setting none.');
    expect(set({ 'k.html': html('') }, {}, 'gone.html')).toBe('There is no page gone.html any more.');
    expect(set({ 'k.html': html('') }, { gallery: 4 })).toBe(
      'This gallery is no longer at this place; the page has changed meanwhile.',
    );
    expect(set({ 'k.html': html('').replace(/^[^]*<body>/, '') })).toBe(
      'The page has no head to link a stylesheet from. Write one in the source first.',
    );
  });
});
