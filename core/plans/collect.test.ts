import { describe, expect, it } from 'vitest';
import { standings } from '../model/index.ts';
import { applyChange, type Collected, type FileContent, NOTES_FILE } from '../site/index.ts';
import { asked, linked, listPage, SIEVE, siteOf } from './asked.fixture.ts';
import { allFiles } from './steps.ts';
import type { Intent } from './intent.ts';
import { planFor } from './plan.ts';
import { readSite } from '../model/index.ts';
import { findingsOf } from '../checks/index.ts';

const NAMES = ['a', 'b', 'c', 'd', 'e'];
const FILES = Object.fromEntries(
  NAMES.flatMap((name) => [
    [`${name}.jpg`, name.toUpperCase()],
    [`t/${name}.jpg`, `t${name}`],
  ]),
);
const FACTS = Object.fromEntries(
  NAMES.flatMap((name, n) => [
    [name.toUpperCase(), { takenAt: `2026-0${6 - n}-0${n + 1}` }],
    [`t${name}`, {}],
  ]),
);

const titled = (item: string, caption: string) => item.replace('</a>', `</a> <p>${caption}</p>`);
const items = (names: readonly string[]) => names.map((name) => titled(linked(name), `The ${name}`));

const PAGES = {
  'one.html': listPage(items(['a', 'b', 'c']), 'First day'),
  'two.html': listPage(items(['c', 'd']), 'Second & last'),
};

const ALL: Collected = { pages: null, tag: null, since: '', until: '', order: 'page', group: 'page', tagLinks: false };

const wish = (collected: Partial<Collected> = {}): Intent => ({
  kind: 'collect',
  path: 'all.html',
  title: 'All',
  like: { page: 'one.html', gallery: 0 },
  collected: { ...ALL, ...collected },
});

class Site {
  files: Map<string, FileContent>;
  constructor(pages: Record<string, string> = PAGES, notes = {}) {
    this.files = allFiles(siteOf({ ...FILES, ...pages }, { facts: FACTS, notes }));
  }
  get reading() {
    const facts = new Map(
      Object.keys(FACTS).map((hash) => [hash, siteOf(FILES, { facts: FACTS }).factsOf(pathOf(hash))!]),
    );
    return readSite(this.files, facts, [SIEVE]);
  }
  do(intent: Intent) {
    const planned = planFor(this.reading, intent);
    if (!planned.ok) throw new Error(planned.reason);
    const applied = applyChange(this.files, planned.change);
    if (!applied.ok) throw new Error(applied.reason);
    this.files = applied.files;
    return planned;
  }
  text(path = 'all.html') {
    const content = this.files.get(path);
    return content?.kind === 'text' ? content.text : '';
  }
  type(path: string, from: string, to: string) {
    const before = this.text(path);
    if (!before.includes(from)) throw new Error(`no ${from}`);
    this.files = new Map([...this.files, [path, { kind: 'text', text: before.replace(from, to) }]]);
  }
}

const pathOf = (hash: string) => (hash.startsWith('t') ? `t/${hash.slice(1)}.jpg` : `${hash.toLowerCase()}.jpg`);

/** The pictures of a page in their order, with headings before them. */
const shown = (text: string) =>
  [...text.matchAll(/<h2>(.*?)<\/h2>|href="([a-e])\.jpg"/g)]
    .map(([, heading, name]) => (heading === undefined ? name : heading.replace(/<[^>]*>/g, '') + ':'))
    .join(' ');

describe('a page of all pictures', () => {
  it('is made as the other page is, with a link to each page above its pictures', () => {
    const site = new Site();
    site.do(wish());
    const text = site.text();
    expect(shown(text)).toBe('First day: a b c Second &amp; last: c d');
    expect(text).toContain('<h2><a href="two.html">Second &amp; last</a></h2>\n<ul>\n  <li><a href="c.jpg"');
    expect(text).toContain('<h1>All</h1>\n<!-- all pictures: begin -->\n');
    expect(text).toContain('<p>The d</p></li>\n</ul>\n<!-- all pictures: end -->\n</body>');
    expect(site.text('one.html')).toBe(PAGES['one.html']);
  });

  it.each<[Partial<Collected>, string]>([
    [{ group: 'none' }, 'a b c d'],
    [{ group: 'none', order: 'taken' }, 'd c b a'],
    [{ group: 'none', order: 'newest', since: '2026-04-01' }, 'a b c'],
    [{ group: 'none', until: '2026-04-30' }, 'c d'],
    [{ group: 'none', pages: ['two.html'] }, 'c d'],
    [{ group: 'none', tag: 'red' }, 'b'],
    [{ group: 'month', order: 'newest', since: '2026-05-01' }, 'June 2026: a May 2026: b'],
    [{ group: 'month', order: 'taken', since: '2026-05-01' }, 'May 2026: b June 2026: a'],
  ])('shows what was asked for: %j', (collected, wanted) => {
    const site = new Site(PAGES, { tags: { B: ['red'] } });
    site.do(wish(collected));
    expect(shown(site.text())).toBe(wanted);
  });

  it('says the tags of its pictures where visitors choose by them, and goes on saying them', () => {
    const choosing = { ...PAGES, 'one.html': PAGES['one.html'].replace('<ul>', '<ul data-sift>') };
    const site = new Site(choosing, { tags: { B: ['red', 'tall & thin'] } });
    site.do(wish({ group: 'none' }));
    expect(site.text()).toContain('<ul data-sift>');
    expect(site.text()).toContain('<li data-is="red, tall &amp; thin"><a href="b.jpg"');
    expect(site.text()).toContain('<li><a href="a.jpg"');
    site.do({ kind: 'set-tags', paths: ['d.jpg'], add: ['long'], remove: [] });
    expect(site.text()).toContain('<li data-is="long"><a href="d.jpg"');
    site.do({ kind: 'set-tags', paths: ['b.jpg'], add: [], remove: ['red', 'tall & thin'] });
    expect(site.text()).toContain('<li><a href="b.jpg"');
  });

  it('gives the link a line of its own where the item has lines', () => {
    const tall = (name: string) => `\n    ${linked(name)}\n  `;
    const page = listPage(['a', 'b', 'c'].map(tall), 'First day').replace(/\r?\n/g, '\r\n');
    const site = new Site({ 'one.html': page });
    site.do(wish({ group: 'none' }));
    expect(site.text()).toContain('alt="b"></a>\r\n    <a class="from-page" href="one.html">First day</a>\r\n  </li>');
  });

  it('says tags as soon as visitors can choose by them there', () => {
    const site = new Site(PAGES, { tags: { B: ['red'] } });
    site.do(wish({ group: 'none' }));
    site.type('all.html', '<ul>', '<ul data-sift>');
    site.do({ kind: 'update-collections', pages: ['all.html'] });
    expect(site.text()).toContain('<ul data-sift>\n');
    expect(site.text()).toContain('<li data-is="red"><a href="b.jpg"');
  });

  it('repeats no finding of the pages that it shows', () => {
    const site = new Site({ ...PAGES, 'one.html': PAGES['one.html'].replace(' alt="b"', '') });
    site.do(wish({ group: 'none' }));
    const lacking = () =>
      findingsOf(site.reading)
        .filter(({ rule }) => rule === 'alt-missing')
        .map(({ place }) => place.path);
    expect(site.text()).toContain('<img src="t/b.jpg">');
    expect(lacking()).toEqual(['one.html']);
    // What is wrong there alone is told there.
    site.type('all.html', ' alt="d"', '');
    expect(lacking()).toEqual(['all.html', 'one.html']);
  });

  it('makes a page for each tag, with links from one to the other, and later ones join them', () => {
    const tags = { A: ['Red'], B: ['Red', 'Tall & thin'], D: ['日本'] };
    const site = new Site(PAGES, { tags });
    const like = { page: 'one.html', gallery: 0 };
    const collected = { ...ALL, group: 'none' as const, tagLinks: true };
    site.do(wish({ tagLinks: true }));
    site.do({ kind: 'collect-tags', tags: ['Red', 'Tall & thin'], like, collected });
    expect(shown(site.text('tag-red.html'))).toBe('a b');
    expect(shown(site.text('tag-tall-thin.html'))).toBe('b');
    expect(site.text('tag-red.html')).toContain('<title>Red</title>');
    const links = (current: string) =>
      [
        '<p class="tag-pages">',
        '  <a href="all.html">All</a>',
        '  <a href="tag-red.html">Red</a>',
        '  <a href="tag-tall-thin.html">Tall &amp; thin</a>',
        '</p>',
      ]
        .join('\n')
        .replace(`<a href="${current}">`, `<a aria-current="page" href="${current}">`);
    for (const page of ['all.html', 'tag-red.html', 'tag-tall-thin.html'])
      expect(site.text(page)).toContain(links(page));
    site.do({ kind: 'collect-tags', tags: ['日本'], like, collected });
    expect(site.text('tag-1.html')).toContain('<a aria-current="page" href="tag-1.html">日本</a>');
    expect(site.text('tag-red.html')).toContain('  <a href="tag-1.html">日本</a>\n</p>');
    site.do({ kind: 'set-tags', paths: ['a.jpg'], add: [], remove: ['Red'] });
    expect(shown(site.text('tag-red.html'))).toBe('b');
  });

  it('is made like no page that shows pictures of others itself', () => {
    const site = new Site();
    site.do(wish({ group: 'none' }));
    expect(asked(site.reading, { ...wish(), path: 'b.html', like: { page: 'all.html', gallery: 0 } } as Intent)).toBe(
      'all.html shows pictures of other pages itself. Choose a gallery that is written by hand.',
    );
  });

  it('links each picture to its page where that is not said above it', () => {
    const site = new Site();
    site.do(wish({ group: 'none' }));
    expect(site.text()).toContain('<p>The a</p> <a class="from-page" href="one.html">First day</a></li>');
  });

  it('changes in the same change as what it shows, and goes back with it', () => {
    const site = new Site();
    site.do(wish());
    const before = site.text();
    const { change } = site.do({
      kind: 'remove-item',
      strand: site.reading.pages.find(({ path }) => path === 'one.html')!.strands[0]![1]!.id,
    });
    expect(change.files.map(({ path }) => path).sort()).toEqual(['all.html', NOTES_FILE, 'one.html'].sort());
    expect(shown(site.text())).toBe('First day: a c Second &amp; last: c d');
    const lines = before.split('\n').filter((line) => !line.includes('b.jpg'));
    expect(site.text()).toBe(lines.join('\n'));
  });

  it('keeps step with words, order, tags, new pictures and names', () => {
    const site = new Site(PAGES, { tags: { A: ['x'], B: ['x'] } });
    site.do(wish({ group: 'none', tag: 'x' }));
    expect(shown(site.text())).toBe('a b');
    site.do({ kind: 'set-tags', paths: ['d.jpg'], add: ['x'], remove: [] });
    expect(shown(site.text())).toBe('a b d');
    const one = () => site.reading.pages.find(({ path }) => path === 'one.html')!.strands[0]!;
    site.do({ kind: 'set-caption', strand: one()[0]!.id, value: 'Other words' });
    expect(site.text()).toContain('<p>Other words</p>');
    site.do({ kind: 'move-item', strand: one()[0]!.id, to: 2 });
    expect(shown(site.text())).toBe('b a d');
    const added = { thumbnail: 't/e.jpg', full: 'e.jpg', title: '', alt: 'E', caption: 'The e' };
    site.do({ kind: 'set-tags', paths: ['e.jpg'], add: ['x'], remove: [] });
    expect(shown(site.text())).toBe('b a d');
    site.do({ kind: 'add-pictures', page: 'two.html', gallery: 0, pictures: [added] });
    expect(shown(site.text())).toBe('b a d e');
    site.do({ kind: 'rename', from: 'a.jpg', to: 'z.jpg' });
    expect(site.text()).toContain('href="z.jpg"');
    expect(standings(site.reading).map(({ isInStep }) => isInStep)).toEqual([true]);
  });

  it('keeps what its author changes in it and around it, and says where both changed the same', () => {
    const site = new Site();
    site.do(wish());
    site.type('all.html', '<h1>All</h1>', '<h1>Everything</h1>');
    site.type('all.html', '<p>The b</p>', '<p>The b, <em>torn</em></p>');
    site.type('all.html', '<h2><a href="two.html">', '<p>A word of mine.</p>\n<h2><a href="two.html">');
    const one = () => site.reading.pages.find(({ path }) => path === 'one.html')!.strands[0]!;
    site.do({ kind: 'set-caption', strand: one()[0]!.id, value: 'Other words' });
    expect(site.text()).toContain('<h1>Everything</h1>');
    expect(site.text()).toContain('<p>The b, <em>torn</em></p>');
    expect(site.text()).toContain('</ul>\n<p>A word of mine.</p>\n<h2>');
    expect(site.text()).toContain('<p>Other words</p>');
    const done = site.do({ kind: 'set-caption', strand: one()[1]!.id, value: 'Mended' });
    expect(site.text()).toContain('<p>The b, <em>torn</em></p>');
    expect(done.left).toMatchObject([{ path: 'all.html', why: 'changed here by hand' }]);
  });

  it('is out of date once somebody has typed, until it is updated; then nothing is left to do', () => {
    const site = new Site();
    site.do(wish());
    site.type('two.html', 'The d', 'Typed by hand');
    expect(standings(site.reading).map(({ isInStep }) => isInStep)).toEqual([false]);
    site.do({ kind: 'update-collections', pages: ['all.html'] });
    expect(site.text()).toContain('<p>Typed by hand</p>');
    expect(asked(site.reading, { kind: 'update-collections', pages: ['all.html'] })).toBe(
      'These pages are up to date.',
    );
  });

  it('shows other pictures once that is asked for, and can be kept as it is', () => {
    const site = new Site();
    site.do(wish());
    site.do({ kind: 'set-collection', page: 'all.html', collected: { ...ALL, group: 'none', order: 'taken' } });
    expect(shown(site.text())).toBe('d c b a');
    site.do({ kind: 'end-collection', page: 'all.html' });
    expect(shown(site.text())).toBe('d c b a');
    expect(site.text()).not.toContain('all pictures:');
    expect(site.reading.notes.known.collections).toEqual([]);
  });

  it('is in step on a page of another encoding, where letters stand as references', () => {
    const latin = (text: string) => text.replace('<head>', '<head><meta charset="iso-8859-1">');
    const site = new Site({ 'one.html': latin(PAGES['one.html']), 'two.html': PAGES['two.html'] });
    site.do(wish());
    const two = () => site.reading.pages.find(({ path }) => path === 'two.html')!.strands[0]!;
    site.do({ kind: 'set-caption', strand: two()[1]!.id, value: 'Über dem Moor' });
    expect(site.text()).toContain('<p>&#220;ber dem Moor</p>');
    expect(standings(site.reading).map(({ isInStep }) => isInStep)).toEqual([true]);
    const { left } = site.do({ kind: 'set-caption', strand: two()[1]!.id, value: 'Über der Höhe' });
    expect(left).toEqual([]);
    expect(site.text()).toContain('<p>&#220;ber der H&#246;he</p>');
  });

  it('leaves a page alone whose marks have gone', () => {
    const site = new Site();
    site.do(wish());
    site.type('all.html', '<!-- all pictures: end -->\n', '');
    const before = site.text();
    const one = () => site.reading.pages.find(({ path }) => path === 'one.html')!.strands[0]!;
    site.do({ kind: 'set-caption', strand: one()[0]!.id, value: 'Other words' });
    expect(site.text()).toBe(before);
  });

  it('keeps CRLF, and is refused where nothing would stand on it', () => {
    const crlf = Object.fromEntries(Object.entries(PAGES).map(([path, text]) => [path, text.replaceAll('\n', '\r\n')]));
    const site = new Site(crlf);
    site.do(wish());
    expect(site.text().replaceAll('\r\n', '')).not.toContain('\n');
    expect(asked(site.reading, { ...wish({ tag: 'none' }), path: 'other.html' } as Intent)).toBe(
      'No picture of these pages is like that, so the page for “none” would be empty.',
    );
  });
});
