import { describe, expect, it } from 'vitest';
import { siteOf } from '../plans/asked.fixture.ts';
import { linksView } from './links.ts';

const page = (body: string, head = '') =>
  `<!DOCTYPE html>\n<html lang="en"><head><title>x</title>${head}</head><body>\n${body}\n</body></html>\n`;

describe('where links lead', () => {
  it('counts those inside, and lists others once each with all their places', () => {
    const site = siteOf({
      'a.html': page('<a href="b.html">b</a> <a href="#x">x</a> <a href="https://kites.example/1">1</a>'),
      'b.html': page(
        '<a href="/a.html">a</a>\n<a href="https://kites.example/1">1</a> <a href="//other.example/">o</a>',
      ),
      'c.html': page('<a href="mailto:x@kites.example">m</a> <a>no</a> <img src="https://kites.example/2.jpg" alt="">'),
    });
    const { insideLinks, outsideLinks } = linksView(site);
    expect(insideLinks).toBe(3);
    expect(
      outsideLinks.map(({ address, places }) => [address, places.map(({ path, line }) => `${path}:${line}`)]),
    ).toEqual([
      ['https://kites.example/1', ['a.html:3', 'b.html:4']],
      ['//other.example/', ['b.html:4']],
    ]);
  });

  it('takes the site’s own public address for inside', () => {
    const own = '<link rel="canonical" href="https://own.example/kites/a.html">';
    const site = siteOf({ 'a.html': page('<a href="https://own.example/kites/b.html">b</a>', own) });
    expect(site.own).toBe('https://own.example/kites/');
    expect(linksView(site)).toEqual({ insideLinks: 1, outsideLinks: [] });
  });
});
