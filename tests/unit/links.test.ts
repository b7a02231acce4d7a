/** Links by choosing: relative references as RFC 3986 §5 resolves them, and what becomes of the source. */
import { describe, expect, it } from 'vitest';
import { planFor, type LinkTarget } from '../../core/plans/index.ts';
import type { SiteFiles } from '../../core/site/index.ts';
import { after, read, siteOf, textAt } from './sites.ts';

const page = (body: string) =>
  `<!DOCTYPE html>\n<html lang="en">\n<head><title>Kites</title></head>\n<body>\n${body}\n</body>\n</html>\n`;
const FILES = {
  'index.html': page('<h1 id="top">Kites</h1>\n<h2 id="who we are">Us</h2>'),
  'days/spring day.html': page('<h1>Spring</h1>'),
  'pictures/Moor & sky.jpg': 'x',
  'rules.pdf': 'x',
};
const BODY = '<p>See <a href="#">the others</a> and the rules, or <em>write to us</em>.</p>';
const at = (words: string, text = page(BODY)) => ({
  start: text.indexOf(words),
  end: text.indexOf(words) + words.length,
});
const site = (path: string, body = BODY): SiteFiles => siteOf({ ...FILES, [path]: page(body) });
const link = (path: string, words: string, target: LinkTarget, body = BODY) => ({
  kind: 'link-to' as const,
  page: path,
  at: at(words, page(body)),
  target,
});
const done = (path: string, words: string, target: LinkTarget, body = BODY) =>
  textAt(after(site(path, body), link(path, words, target, body)), path);
const refusal = (path: string, words: string, target: LinkTarget, body = BODY) => {
  const planned = planFor(read(site(path, body)), link(path, words, target, body));
  return planned.ok ? 'done' : planned.reason;
};

describe('an existing link leads elsewhere, and nothing else changes', () => {
  const cases: [string, LinkTarget, string][] = [
    ['a page beside it', { to: 'file', path: 'index.html' }, 'index.html'],
    ['a page in a folder, with a space', { to: 'file', path: 'days/spring day.html' }, 'days/spring%20day.html'],
    ['a picture with an ampersand', { to: 'file', path: 'pictures/Moor & sky.jpg' }, 'pictures/Moor%20&amp;%20sky.jpg'],
    ['another file', { to: 'file', path: 'rules.pdf' }, 'rules.pdf'],
    ['a place on a page', { to: 'file', path: 'index.html', anchor: 'top' }, 'index.html#top'],
    [
      'a place whose name has spaces',
      { to: 'file', path: 'index.html', anchor: 'who we are' },
      'index.html#who%20we%20are',
    ],
    ['an address', { to: 'address', url: 'https://kites.example/a?b=1&c=2' }, 'https://kites.example/a?b=1&amp;c=2'],
    ['a mail address', { to: 'mail', address: 'circle@kites.example' }, 'mailto:circle@kites.example'],
    ['a telephone number', { to: 'phone', number: '+44 (0)1632 960-123' }, 'tel:+4401632960123'],
  ];
  it.each(cases)('%s', (_says, target, href) => {
    const written = done('us.html', 'the others', target);
    expect(written.replaceAll('&amp;', '&')).toBe(
      page(BODY.replace('href="#"', `href="${href}"`)).replaceAll('&amp;', '&'),
    );
    // What a browser makes of it, by the URL standard as Node has it.
    if (target.to === 'file') {
      const resolved = new URL(href.replaceAll('&amp;', '&'), 'https://site.example/us.html');
      expect(decodeURIComponent(resolved.pathname)).toBe(`/${target.path}`);
    }
  });

  it('from a folder, by the way up', () => {
    expect(done('days/us.html', 'the others', { to: 'file', path: 'index.html' })).toContain(
      '<a href="../index.html">the others</a>',
    );
    expect(done('days/us.html', 'the others', { to: 'file', path: 'days/spring day.html' })).toContain(
      '<a href="spring%20day.html">',
    );
  });

  it('to a place on the page itself', () => {
    const body = `<h1 id="top">Us</h1>${BODY}`;
    expect(done('us.html', 'the others', { to: 'file', path: 'us.html', anchor: 'top' }, body)).toContain(
      '<a href="#top">the others</a>',
    );
  });
});

describe('words become a link', () => {
  it('just the words, without the white space at their ends', () => {
    expect(done('us.html', ' the rules', { to: 'file', path: 'rules.pdf' })).toBe(
      page(BODY.replace('the rules', '<a href="rules.pdf">the rules</a>')),
    );
  });

  it('a whole element', () => {
    expect(done('us.html', '<em>write to us</em>', { to: 'mail', address: 'circle@kites.example' })).toContain(
      '<a href="mailto:circle@kites.example"><em>write to us</em></a>',
    );
  });

  it('not across the edge of an element, nor round another link, nor where nothing is chosen', () => {
    const rules: LinkTarget = { to: 'file', path: 'rules.pdf' };
    expect(refusal('us.html', 'rules, or <em>write', rules)).toMatch(
      /^These words begin in one element and end in another/,
    );
    expect(refusal('us.html', 'See <a href="#">the others</a> and', rules)).not.toBe('done');
    const planned = planFor(read(site('us.html')), {
      kind: 'link-to',
      page: 'us.html',
      at: { start: at('rules').start, end: at('rules').start },
      target: rules,
    });
    expect(planned).toEqual({
      ok: false,
      reason: 'There is no link here. Choose the words that shall lead there, then link them.',
    });
  });
});

it.each<[string, LinkTarget, RegExp]>([
  ['a file that is gone', { to: 'file', path: 'gone.html' }, /^There is no gone\.html any more\.$/],
  [
    'a place that is not there',
    { to: 'file', path: 'index.html', anchor: 'nowhere' },
    /no element with the id “nowhere”/,
  ],
  ['an address without its scheme', { to: 'address', url: 'kites.example' }, /begin it with https:\/\//],
  ['an address that is none', { to: 'address', url: 'https://' }, /no address of the web/],
  ['a script', { to: 'address', url: 'javascript:alert(1)' }, /begin it with https:\/\//],
  ['a mail address that is none', { to: 'mail', address: 'circle at kites' }, /no mail address/],
  ['a mail address with more in it', { to: 'mail', address: 'a@b.example?subject=x' }, /no mail address/],
  ['a number that is none', { to: 'phone', number: 'call us' }, /no telephone number/],
])('refuses %s', (_says, target, reason) => {
  expect(refusal('us.html', 'the others', target)).toMatch(reason);
});
