import { runInNewContext } from 'node:vm';
import { describe, expect, it } from 'vitest';
import { findingsOf } from '../checks/index.ts';
import { compareWithList, readSite } from '../model/index.ts';
import { applyChange, type FileContent, type ListSource } from '../site/index.ts';
import { type Kit, KitManifest } from '../wiring/index.ts';
import { FACTS, linked, listPage, siteOf } from './asked.fixture.ts';
import type { Intent } from './intent.ts';
import { planFor } from './plan.ts';
import { allFiles } from './steps.ts';

const TRICKLE: Kit = {
  kind: 'viewer',
  files: { 'trickle.js': '/* trickle */' },
  manifest: KitManifest.parse({
    name: 'trickle',
    title: 'Trickle',
    does: 'page',
    folder: 'js',
    children: true,
    files: [{ name: 'trickle.js', role: 'script' }],
    marker: { on: 'gallery', attribute: 'data-trickle' },
    more: { link: 'data-trickle-next', data: 'data-trickle-data', call: 'moreKites' },
    prefix: 'data-trickle-',
    words: { more: 'More pictures' },
  }),
};

const NAMES = ['a', 'b', 'c', 'd', 'e'];
const FILES = Object.fromEntries(
  NAMES.flatMap((name) => [
    [`${name}.jpg`, name.toUpperCase()],
    [`t/${name}.jpg`, `t${name}`],
  ]),
);
const FACTS_BY_HASH = new Map(
  NAMES.flatMap((name, n) => {
    const likeness = ((n + 1) * 0x9e3779b97f4a7).toString(16).padStart(16, '0').slice(-16);
    return [
      [name.toUpperCase(), { ...FACTS, likeness, width: 1200, height: 800 }],
      [`t${name}`, { ...FACTS, likeness }],
    ];
  }),
);

const LIST = listPage(NAMES.map((name) => linked(name)));
const REST: Intent = { kind: 'feed-rest', page: 'k.html', gallery: 0, first: 2, path: 'k-2.html' };

class Site {
  files: Map<string, FileContent>;

  constructor(page = LIST, more: Record<string, string> = {}) {
    this.files = allFiles(siteOf({ ...FILES, 'k.html': page, ...more }));
  }

  get reading() {
    return readSite(this.files, FACTS_BY_HASH, [TRICKLE]);
  }

  plan(intent: Intent) {
    return planFor(this.reading, intent);
  }

  do(intent: Intent): this {
    const planned = this.plan(intent);
    if (!planned.ok) throw new Error(planned.reason);
    const applied = applyChange(this.files, planned.change);
    if (!applied.ok) throw new Error(applied.reason);
    this.files = applied.files;
    return this;
  }

  text(path: string): string {
    const content = this.files.get(path);
    return content?.kind === 'text' ? content.text : '';
  }

  /** What the script hands over when a browser runs it. */
  handed(path: string): { items: string[]; next?: object } {
    const calls: { items: string[]; next?: object }[] = [];
    runInNewContext(this.text(path), { moreKites: (items: string[], next?: object) => calls.push({ items, next }) });
    expect(calls).toHaveLength(1);
    return calls[0] ?? { items: [] };
  }

  strand(path: string, n: number): string {
    return this.reading.pages.find((one) => one.path === path)?.strands[0]?.[n]?.id ?? '';
  }

  findings() {
    return findingsOf(this.reading).filter(({ rule }) => rule === 'feed-outdated');
  }
}

const reason = (site: Site, wish: Partial<Intent>): string => {
  const planned = site.plan({ ...REST, ...wish } as Intent);
  return planned.ok ? 'planned' : planned.reason;
};

describe('the first pictures here, the others as a visitor scrolls', () => {
  it('stand on a page of their own, with a link to it and a script that hands them over', () => {
    const site = new Site().do(REST);
    const [here, there] = [site.text('k.html'), site.text('k-2.html')];
    expect(here).toContain(
      `  <li>${linked('b')}</li>\n  <li><a data-trickle-next href="k-2.html" data-trickle-data="k-2.js">More pictures</a></li>\n</ul>`,
    );
    expect(here).not.toContain('c.jpg');
    expect(there).toContain(`<ul data-trickle>\n  <li>${linked('c')}</li>\n  <li>${linked('d')}</li>`);
    expect(there).toContain('<title>Kites, page 2</title>');
    expect(there).not.toContain('"b.jpg"');
    expect(site.handed('k-2.js')).toEqual({
      items: ['c', 'd', 'e'].map((name) => `<li>${linked(name)}</li>`),
      next: undefined,
    });
    expect(site.findings()).toEqual([]);
  });

  it('are said in the language of the page, with the line breaks of the page', () => {
    const page = LIST.replace('<html', '<html lang="de"').replaceAll(' lang="en"', '').replaceAll('\n', '\r\n');
    const site = new Site(page).do(REST);
    expect(site.text('k.html')).toContain('>Weitere Bilder</a></li>\r\n</ul>');
    expect(site.text('k.html').replaceAll('\r\n', '')).not.toContain('\n');
  });

  it('change in the script with the page that shows them, in the same change', () => {
    const site = new Site().do(REST);
    site.do({ kind: 'set-alt', strand: site.strand('k-2.html', 0), value: "A kite's \\ </script> end" });
    expect(site.handed('k-2.js').items[0]).toContain(`alt="A kite's \\ </script> end"`);
    site.do({ kind: 'remove-item', strand: site.strand('k-2.html', 2) });
    expect(site.handed('k-2.js').items).toHaveLength(2);
    site.do({ kind: 'rename', from: 'd.jpg', to: 'delta.jpg' });
    expect(site.handed('k-2.js').items[1]).toContain('href="delta.jpg"');
    site.do({ kind: 'rename', from: 'k-2.js', to: 'js/more.js' });
    expect(site.text('k.html')).toContain('data-trickle-data="js/more.js"');
    site.do({ kind: 'rename', from: 'k-2.html', to: 'sub/rest.html' });
    expect(site.handed('js/more.js').items[1]).toContain('href="delta.jpg"');
    expect(site.text('sub/rest.html')).toContain('href="../delta.jpg"');
    expect(site.findings()).toEqual([]);
  });

  it('what its author has written into the script stays until they want it otherwise', () => {
    const site = new Site().do(REST);
    site.files.set('k-2.js', { kind: 'text', text: 'moreKites([]); // mine' });
    expect(site.findings().map(({ says }) => says)).toEqual(['k-2.js differs from k-2.html.']);
    site.do({ kind: 'set-alt', strand: site.strand('k-2.html', 0), value: 'Other' });
    expect(site.text('k-2.js')).toBe('moreKites([]); // mine');
    site.do({ kind: 'fix', finding: site.findings()[0]?.id ?? '', fix: 0 });
    expect(site.handed('k-2.js').items[0]).toContain('alt="Other"');
    site.files.delete('k-2.js');
    expect(site.findings().map(({ says }) => says)).toEqual(['There is no k-2.js with the pictures of k-2.html.']);
    site.do({ kind: 'fix', finding: site.findings()[0]?.id ?? '', fix: 0 });
    expect(site.handed('k-2.js').items).toHaveLength(3);
  });

  it('are those of one gallery, the others of its page are not touched', () => {
    const two = LIST.replace('<ul>', `<ul class="first">${linked('a')}${linked('b')}</ul>\n<h2>More</h2>\n<ul>`);
    const site = new Site(two).do({ ...REST, gallery: 1 });
    expect(site.text('k.html')).toContain(`<ul class="first">${linked('a')}${linked('b')}</ul>`);
    expect(site.text('k.html').match(/data-trickle[ >]/g)).toHaveLength(1);
    expect(site.handed('k-2.js').items).toHaveLength(3);
  });

  it('may go on from there to a further page', () => {
    const site = new Site()
      .do(REST)
      .do({ kind: 'feed-rest', page: 'k-2.html', gallery: 0, first: 2, path: 'k-3.html' });
    expect(site.handed('k-2.js')).toEqual({
      items: ['c', 'd'].map((name) => `<li>${linked(name)}</li>`),
      next: { href: 'k-3.html', data: 'k-3.js' },
    });
    expect(site.handed('k-3.js').items).toEqual([`<li>${linked('e')}</li>`]);
  });

  it('follow the rows of a list that are theirs', () => {
    const csv = (names: readonly string[]) => ['file,alt', ...names.map((name) => `${name}.jpg,${name}`)].join('\n');
    const columns = ['file', 'alt'];
    const mapping = { columns, full: 'file', thumbnail: null, title: null, caption: null, alt: 'alt', tags: null };
    const source: ListSource = { kind: 'list', path: 'k.csv', mapping };
    const site = new Site(LIST, { 'k.csv': csv(NAMES) });
    const at = { page: 'k.html', gallery: 0, source, text: null, take: [], keep: true, whole: false };
    site.do({ kind: 'follow-list', ...at }).do(REST);
    const { follows } = site.reading.notes.known;
    expect(follows.map(({ page, source: { part }, rows }) => [page, part, rows.map(({ full }) => full)])).toEqual([
      ['k.html', { from: 0, to: 2 }, ['a.jpg', 'b.jpg']],
      ['k-2.html', { from: 2, to: null }, ['c.jpg', 'd.jpg', 'e.jpg']],
    ]);
    site.files.set('k.csv', { kind: 'text', text: csv(['a', 'b', 'd', 'c']) });
    const news = () =>
      site.reading.notes.known.follows.map(({ page: path, source: followed, rows }) => {
        const page = site.reading.pages.find((one) => one.path === path);
        if (!page) throw new Error(path);
        return compareWithList(site.reading, { page, gallery: 0, source: followed }, rows).differences;
      });
    expect(news().map((all) => all.map(({ id }) => id))).toEqual([[], ['removed e.jpg', 'order']]);
    const finding = findingsOf(site.reading).find(({ rule }) => rule === 'list-outdated');
    site.do({ kind: 'fix', finding: finding?.id ?? '', fix: 0 });
    expect(site.handed('k-2.js').items).toEqual(['d', 'c'].map((name) => `<li>${linked(name)}</li>`));
    expect(news()).toEqual([[], []]);
  });

  it('are refused where that cannot be, and it is said why', () => {
    const site = new Site(LIST, { 'k-3.js': '', 'q.html': '' });
    expect(reason(site, { first: 5 })).toBe('The gallery has 5 items; none would be left for later.');
    expect(reason(site, { path: 'k-3.html' })).toBe('There is a file k-3.js already. Choose another name.');
    expect(reason(site, { path: 'sub/k.html' })).toBe('The page has to stand in the folder of k.html.');
    expect(reason(site, { path: 'k-2.txt' })).toBe('“k-2.txt” does not end in .html.');
    const rows = `<html><head><title>K</title></head><body><table><tbody>${NAMES.map((name) => `<tr><td>${linked(name)}</td></tr>`).join('\n')}</tbody></table></body></html>`;
    expect(reason(new Site(rows), {})).toBe(
      'A <tbody> has no place for the link to further pictures. Use a list or a div.',
    );
    expect(reason(site.do(REST), { page: 'k.html', first: 1, path: 'k-4.html' })).toBe(
      'The gallery leads on to another page already.',
    );
  });
});
