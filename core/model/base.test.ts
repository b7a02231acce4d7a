/** A page whose `base` leads elsewhere: its addresses count from there, read and written (WHATWG HTML §4.2.3). */
import { describe, expect, it } from 'vitest';
import { findingsOf } from '../checks/index.ts';
import { asked, listPage, PICTURES, siteOf } from '../plans/asked.fixture.ts';

const pictures = Object.fromEntries(Object.entries(PICTURES).map(([path, hash]) => [`kites/${path}`, hash]));
const item = (name: string) => `<a href="${name}.jpg"><img src="t/${name}.jpg" alt="${name}"></a>`;
const BASE = '<base href="kites/"><link rel="stylesheet" href="../css/a.css"><script src="../a.js"></script>';
const page = listPage(['a', 'b'].map(item)).replace('<head>', `<head>${BASE}`);
const menu = '<nav><a href="../index.html">Kites</a> <a href="../other.html">Other</a></nav>';
const site = siteOf({
  ...pictures,
  'index.html': page.replace('<body>', `<body>\n${menu}`),
  'other.html': listPage([]),
  'css/a.css': '',
  'a.js': '',
});
const index = site.pages.find(({ path }) => path === 'index.html');

describe('a page with a base', () => {
  it('is read from there: pictures, includes, and no file is missing', () => {
    expect(index?.strands.flat().map(({ thumbnail, full }) => [thumbnail, full])).toEqual([
      ['kites/t/a.jpg', 'kites/a.jpg'],
      ['kites/t/b.jpg', 'kites/b.jpg'],
    ]);
    expect(index?.wiring.includes.map(({ path }) => path)).toEqual(['css/a.css', 'a.js']);
    expect(site.pairing.pairs.map(({ thumbnail }) => thumbnail)).toContain('kites/t/a.jpg');
    expect(findingsOf(site).filter(({ rule }) => /^(?:file|place)-missing/.test(rule))).toEqual([]);
  });

  it('gets new items, links and slots by addresses from there', () => {
    const text = (outcome: ReturnType<typeof asked>) =>
      typeof outcome === 'string' ? outcome : outcome.files['index.html'];
    const picture = { thumbnail: 'kites/t/c.jpg', full: 'kites/c.jpg', title: '', alt: 'c', caption: '' };
    expect(text(asked(site, { kind: 'add-pictures', page: 'index.html', gallery: 0, pictures: [picture] }))).toContain(
      item('c'),
    );
    const full = { kind: 'set-slot' as const, strand: 'index.html#0.0', slot: 'full' as const, value: 'kites/c.jpg' };
    expect(text(asked(site, full))).toContain('<a href="c.jpg"><img src="t/a.jpg"');
    const stylesheet = { kind: 'set-stylesheet' as const, pages: ['index.html'], stylesheet: 'css/a.css', on: false };
    expect(text(asked(site, stylesheet))).not.toContain('a.css');
  });

  it('goes where a page goes that its menu names from there', () => {
    const outcome = asked(site, { kind: 'delete-page', path: 'other.html' });
    expect(typeof outcome === 'string' ? outcome : outcome.files['index.html']).not.toContain('other.html');
  });
});
