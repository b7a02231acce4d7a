/** Descriptions and link previews, written into the heads of pages. */
import { describe, expect, it } from 'vitest';
import { asked, linked, listPage, PICTURES, siteOf } from './asked.fixture.ts';

const HEAD =
  '<!doctype html>\r\n<html lang="en">\r\n<head>\r\n  <meta charset="utf-8">\r\n  <title>Kites & co</title>\r\n</head>\r\n<body><p>One</p></body></html>\r\n';

const filesOf = (outcome: ReturnType<typeof asked>) => {
  if (typeof outcome === 'string') throw new Error(outcome);
  return outcome.files;
};
const page = (path: string, description: string) => ({ path, description });

describe('a description', () => {
  it('is written on a line of its own, with the line breaks and the indentation of the page', () => {
    const site = siteOf({ 'index.html': HEAD });
    const wish = {
      kind: 'describe-pages' as const,
      pages: [page('index.html', ' Kites “and” <more> & "all" ')],
      previews: false,
    };
    expect(filesOf(asked(site, wish))['index.html']).toBe(
      HEAD.replace(
        '</title>\r\n',
        '</title>\r\n  <meta name="description" content="Kites “and” <more> &amp; &quot;all&quot;">\r\n',
      ),
    );
  });

  it('takes the place of the one that is there, in the author’s quotes', () => {
    const before = HEAD.replace('</title>', "</title><META content='Old' NAME=Description>");
    const site = siteOf({ 'index.html': before });
    const wish = { kind: 'describe-pages' as const, pages: [page('index.html', 'New')], previews: false };
    expect(filesOf(asked(site, wish))['index.html']).toBe(before.replace('Old', 'New'));
    const same = { ...wish, pages: [page('index.html', 'Old')] };
    expect(asked(site, same)).toBe('The pages say all this already.');
  });

  it('is closed as the author closes such tags', () => {
    const before = HEAD.replace('utf-8">', 'utf-8" />');
    const wish = { kind: 'describe-pages' as const, pages: [page('index.html', 'New')], previews: false };
    expect(filesOf(asked(siteOf({ 'index.html': before }), wish))['index.html']).toContain(
      '<meta name="description" content="New" />\r\n',
    );
  });

  it('is refused where there is no head to write into', () => {
    const wish = { kind: 'describe-pages' as const, pages: [page('index.html', 'New')], previews: false };
    expect(asked(siteOf({ 'index.html': '<p>One</p>' }), wish)).toMatch(/has no head/);
  });
});

/** Names and meanings: the Open Graph protocol (ogp.me, from memory). */
describe('a link preview', () => {
  const upload = { address: 'https://kites.example/moor/', sitemap: false, checksums: false };
  const kites = listPage([linked('a'), linked('b')]);
  const site = () => siteOf({ ...PICTURES, 'days/index.html': HEAD, 'kites.html': kites }, { notes: { upload } });

  it('has title, address and a picture, whole addresses all', () => {
    const wish = { kind: 'describe-pages' as const, pages: [page('kites.html', 'Kites')], previews: true };
    const text = filesOf(asked(site(), wish))['kites.html'] ?? '';
    const said = [...text.matchAll(/<meta property="([^"]*)" content="([^"]*)">/g)].map(([, key, value]) => [
      key,
      value,
    ]);
    expect(said).toEqual([
      ['og:title', expect.any(String)],
      ['og:type', 'website'],
      ['og:url', 'https://kites.example/moor/kites.html'],
      ['og:description', 'Kites'],
      ['og:image', 'https://kites.example/moor/a.jpg'],
      ['og:image:alt', expect.any(String)],
    ]);
  });

  it('of a page without pictures shows the first of the site, and its folder is its address', () => {
    const wish = { kind: 'describe-pages' as const, pages: [page('days/index.html', '')], previews: true };
    const text = filesOf(asked(site(), wish))['days/index.html'] ?? '';
    expect(text).toContain('<meta property="og:title" content="Kites &amp; co">');
    expect(text).toContain('content="https://kites.example/moor/days/"');
    expect(text).toContain('content="https://kites.example/moor/a.jpg"');
    expect(text).not.toContain('description');
  });

  it('needs the public address', () => {
    const wish = { kind: 'describe-pages' as const, pages: [page('index.html', 'x')], previews: true };
    expect(asked(siteOf({ 'index.html': HEAD }), wish)).toMatch(/set the public address of the site first/);
  });
});
