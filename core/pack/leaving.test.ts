/** What has changed since a site left before, and what is written beside its pages. */
import { describe, expect, it } from 'vitest';
import { parsePage } from '../markup/index.ts';
import { readSite } from '../model/index.ts';
import { NOTES_FILE, writeNotes, type FileContent } from '../site/index.ts';
import { changedSince, checksumLine, publicAddress, uploadOf, type Leaving } from './index.ts';
import { sitemapOf } from './written.ts';

const text = (content: string): FileContent => ({ kind: 'text', text: content });
const picture = (hash: string): FileContent => ({ kind: 'binary', hash, bytes: 9 });

const leaving = (files: Record<string, FileContent>, withPlace: readonly string[] = []): Leaving =>
  new Map(Object.entries(files).map(([path, content]) => [path, { content, withPlace: withPlace.includes(path) }]));

const said = (now: Leaving, before: Leaving) =>
  changedSince(now, before).map(({ path, doing, other }) => [path, doing, other]);

describe('since it left before', () => {
  const before = leaving({ 'a.html': text('a'), 'b.html': text('b'), 'large/a.jpg': picture('A') });

  it('nothing has changed', () => expect(said(before, before)).toEqual([]));

  it('files are new, changed or deleted', () => {
    const now = leaving({
      'a.html': text('A'),
      'large/a.jpg': picture('A'),
      'c 10.html': text('c'),
      'c 9.html': text(''),
    });
    expect(said(now, before)).toEqual([
      ['a.html', 'changed', null],
      ['b.html', 'deleted', null],
      ['c 9.html', 'new', null],
      ['c 10.html', 'new', null],
    ]);
  });

  it('a renamed file tells its other name, each name once', () => {
    const now = leaving({ 'a.html': text('a'), 'b.html': text('b'), 'large/kite.jpg': picture('A') });
    expect(said(now, before)).toEqual([
      ['large/a.jpg', 'deleted', 'large/kite.jpg'],
      ['large/kite.jpg', 'new', 'large/a.jpg'],
    ]);
    const twice = leaving({ 'x.jpg': picture('A'), 'y.jpg': picture('A') });
    const gone = leaving({ 'p.jpg': picture('A'), 'q.jpg': picture('A') });
    const others = said(gone, twice).map(([path, , other]) => [path, other]);
    expect(others.filter(([, other]) => other !== null)).toHaveLength(2);
  });

  it('a picture that may say where it was taken is another file than the one that did not', () => {
    const now = leaving({ 'a.html': text('a'), 'b.html': text('b'), 'large/a.jpg': picture('A') }, ['large/a.jpg']);
    expect(said(now, before)).toEqual([['large/a.jpg', 'changed', null]]);
  });
});

describe('a public address', () => {
  it.each([
    ['https://kites.example', 'https://kites.example/'],
    [' http://kites.example/2026/ ', 'http://kites.example/2026/'],
    ['https://kites.example:8080/a', 'https://kites.example:8080/a/'],
  ])('%s is %s', (written, address) => expect(publicAddress(written)).toEqual({ ok: true, address }));

  it.each(['kites.example', 'ftp://kites.example/', 'https://', 'https://kites.example/?a', 'https://a b/'])(
    '%s is none',
    (written) => expect(publicAddress(written).ok).toBe(false),
  );
});

/** sitemaps.org, protocol 0.9: escaped for XML, whole addresses encoded as RFC 3986 says (from memory). */
describe('sitemap.xml', () => {
  const page = (path: string, source = '<!doctype html><title>T</title>') => ({ path, document: parsePage(source) });

  it('lists pages by their whole addresses, a folder’s own page by the folder', () => {
    const pages = [page('index.html'), page('a & b.html'), page('2026/index.htm'), page('ä/q.html')];
    const map = sitemapOf(pages, 'https://kites.example/');
    expect(map).toEqual({
      ok: true,
      text: [
        '<?xml version="1.0" encoding="UTF-8"?>',
        '<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">',
        '  <url><loc>https://kites.example/</loc></url>',
        '  <url><loc>https://kites.example/a%20&amp;%20b.html</loc></url>',
        '  <url><loc>https://kites.example/2026/</loc></url>',
        '  <url><loc>https://kites.example/%C3%A4/q.html</loc></url>',
        '</urlset>',
        '',
      ].join('\n'),
    });
  });

  it('leaves out what asks not to be listed, and the page for what is not found', () => {
    const hidden = '<meta name="Robots" content="NOINDEX, follow">';
    const none = '<meta name=robots content=none>';
    const pages = [page('404.html'), page('x.html', hidden), page('y.html', none), page('z.html')];
    const map = sitemapOf(pages, 'https://kites.example/');
    expect(map.ok && map.text.match(/<loc>[^<]*/g)).toEqual(['<loc>https://kites.example/z.html']);
  });
});

describe('beside the pages', () => {
  const site = (upload: object, more: Record<string, FileContent> = {}) => {
    const notes = writeNotes({ format: 1, upload: { address: '', sitemap: false, checksums: false, ...upload } });
    const files = { 'index.html': text('<!doctype html><title>T</title>'), ...more, [NOTES_FILE]: text(notes) };
    return uploadOf(readSite(new Map(Object.entries(files)), new Map(), []));
  };

  it('nothing is written unless it is asked for', () => {
    expect(site({})).toMatchObject({ written: [], trouble: [] });
  });

  it('a sitemap needs an address, which the pages may give themselves', () => {
    expect(site({ sitemap: true }).trouble).toEqual(['sitemap.xml needs the public address of the site.']);
    const own = text('<!doctype html><link rel="canonical" href="https://kites.example/a/index.html"><title>T</title>');
    const { said: address, written } = site({ sitemap: true }, { 'index.html': own });
    expect(address).toBe('https://kites.example/a/');
    expect(written[0]?.text).toContain('<loc>https://kites.example/a/</loc>');
  });

  it('a file of one’s own is left as it is', () => {
    const { written, trouble } = site(
      { sitemap: true, address: 'https://kites.example/' },
      { 'sitemap.xml': text('<mine/>') },
    );
    expect([written, trouble]).toEqual([[], ['The site has a sitemap.xml of its own, which is left as it is.']]);
  });

  it('the bytes of the list of hashes are known before it is', () => {
    const [list] = site({ checksums: true }, { 'ä.txt': text('x') }).written;
    const lines = checksumLine('index.html', 'f'.repeat(64)) + checksumLine('ä.txt', 'f'.repeat(64));
    expect(list).toEqual({ path: 'sha256sums.txt', text: null, bytes: Buffer.byteLength(lines) });
  });
});
