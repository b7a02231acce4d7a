/** One page for a larger site: what comes along, where it stands there, and which references are others. */
import { describe, expect, it } from 'vitest';
import { readSite } from '../model/index.ts';
import type { FileContent } from '../site/index.ts';
import { partOf } from './index.ts';

const text = (content: string): FileContent => ({ kind: 'text', text: content });
const picture = (hash: string): FileContent => ({ kind: 'binary', hash, bytes: 9 });

const PAGE = `<!doctype html>
<html lang="en"><head><title>Kites</title>
<link rel="stylesheet" href="css/kites.css"><script src="js/show.js"></script></head>
<body><a href="index.html">Home</a> <a href="/about.html">About</a>
<a href="large/a.jpg"><img src="small/a.jpg" alt="A"></a>
</body></html>
`;

const SITE: Record<string, FileContent> = {
  'kites.html': text(PAGE),
  'index.html': text('<!doctype html><title>Home</title><img src="home.jpg" alt="">'),
  'about.html': text('<!doctype html><title>About</title>'),
  'css/kites.css': text('body { background: url("../img/sky.png") }\n'),
  'js/show.js': text('// shows\n'),
  'img/sky.png': picture('sky'),
  'large/a.jpg': picture('A'),
  'small/a.jpg': picture('a'),
  'home.jpg': picture('home'),
};
const site = readSite(new Map(Object.entries(SITE)), new Map(), []);

function part(there: Record<string, FileContent | null> = {}, wish: { target?: string; replaces?: string[] } = {}) {
  const outcome = partOf(site, {
    page: 'kites.html',
    target: wish.target ?? 'club/kites/',
    there: new Map(Object.entries(there)),
    replaces: new Set(wish.replaces),
  });
  if (!outcome.ok) throw new Error(outcome.reason);
  const standing = Object.fromEntries(outcome.files.map(({ path, to, stands }) => [path, `${stands} ${to}`]));
  const written = new Map(outcome.files.map(({ to, content }) => [to, content]));
  const words = (to: string) => {
    const content = written.get(to);
    return content?.kind === 'text' ? content.text : '';
  };
  return { standing, words, behind: outcome.behind };
}

describe('a page for a larger site', () => {
  it('comes with all that it needs and nothing else, every reference as it was', () => {
    const { standing, words, behind } = part();
    expect(standing).toEqual({
      'kites.html': 'new club/kites/kites.html',
      'css/kites.css': 'new club/kites/css/kites.css',
      'js/show.js': 'new club/kites/js/show.js',
      'img/sky.png': 'new club/kites/img/sky.png',
      'large/a.jpg': 'new club/kites/large/a.jpg',
      'small/a.jpg': 'new club/kites/small/a.jpg',
    });
    // What counts from the root of the host counts from there still.
    expect(words('club/kites/kites.html')).toBe(PAGE.replace('/about.html', '/club/kites/about.html'));
    expect(behind).toEqual(['index.html', 'about.html']);
  });

  it('keeps what was written where it leads nowhere, or by other capitals', () => {
    const odd = '<img src="none.jpg"><img src="SMALL/a.JPG"><a href="gone/x.html#y">x</a><img src="../out.jpg">';
    const there = readSite(new Map(Object.entries({ ...SITE, 'kites.html': text(odd) })), new Map(), []);
    const outcome = partOf(there, { page: 'kites.html', target: 'g/', there: new Map(), replaces: new Set() });
    expect(outcome.ok && outcome.files[0]?.content).toEqual(text(odd));
  });

  it('uses what the larger site has, wherever it stands, and writes it once', () => {
    const { standing, words } = part({ 'shared/show.js': text('// shows\n'), 'photos/one.jpg': picture('A') });
    expect(standing).toMatchObject({
      'js/show.js': 'there shared/show.js',
      'large/a.jpg': 'there photos/one.jpg',
      'small/a.jpg': 'new club/kites/small/a.jpg',
    });
    expect(words('club/kites/kites.html')).toContain('src="../../shared/show.js"');
    expect(words('club/kites/kites.html')).toContain('href="../../photos/one.jpg"');
  });

  it('writes a stylesheet of its own where what it leads to would be another file there', () => {
    const css = SITE['css/kites.css']!;
    const { standing, words } = part({ 'css/kites.css': css });
    expect(standing['css/kites.css']).toBe('new club/kites/css/kites.css');
    // With its picture beside it, the larger site's own is the same.
    const both = part({ 'css/kites.css': css, 'img/sky.png': picture('sky') });
    expect(both.standing).toMatchObject({ 'css/kites.css': 'there css/kites.css', 'img/sky.png': 'there img/sky.png' });
    expect(both.words('club/kites/kites.html')).toContain('href="../../css/kites.css"');
    expect(words('club/kites/kites.html')).toContain('href="css/kites.css"');
  });

  it('gives another name to what would meet another file, also by its capitals, or replaces it when asked', () => {
    const there = { 'club/kites/small/A.JPG': null, 'club/kites/small/a-2.jpg': picture('x') };
    const { standing, words } = part(there);
    expect(standing['small/a.jpg']).toBe('renamed club/kites/small/a-3.jpg');
    expect(words('club/kites/kites.html')).toContain('<img src="small/a-3.jpg" alt="A">');
    const replaced = part({ 'club/kites/small/a.jpg': null }, { replaces: ['club/kites/small/a.jpg'] });
    expect(replaced.standing['small/a.jpg']).toBe('replaces club/kites/small/a.jpg');
    expect(replaced.words('club/kites/kites.html')).toContain('<img src="small/a.jpg" alt="A">');
  });

  it('is all there already when it was saved before', () => {
    const before = part();
    const there = Object.fromEntries(
      Object.entries(SITE).map(([path, content]) => {
        const to = `club/kites/${path}`;
        return [to, path === 'kites.html' ? text(before.words(to)) : content];
      }),
    );
    expect(Object.values(part(there).standing).filter((one) => !one.startsWith('there'))).toEqual([]);
    const changed = { ...there, 'club/kites/kites.html': text('<!doctype html>'), 'club/kites/index.html': null };
    const { standing, behind } = part(changed, { replaces: ['club/kites/kites.html'] });
    expect(Object.values(standing).filter((one) => !one.startsWith('there'))).toEqual([
      'replaces club/kites/kites.html',
    ]);
    // The other pages came with it.
    expect(behind).toEqual([]);
  });

  it('gives no name that another file of the page has', () => {
    const more = readSite(
      new Map(
        Object.entries({
          ...SITE,
          'kites.html': text('<img src="a.jpg"><img src="a-2.jpg">'),
          'a.jpg': picture('1'),
          'a-2.jpg': picture('2'),
        }),
      ),
      new Map(),
      [],
    );
    const outcome = partOf(more, {
      page: 'kites.html',
      target: '',
      there: new Map([['a.jpg', null]]),
      replaces: new Set(),
    });
    expect(outcome.ok && outcome.files.map(({ to }) => to)).toEqual(['kites.html', 'a-3.jpg', 'a-2.jpg']);
  });

  it('is all there already where it was saved under another name', () => {
    const other = { 'club/kites/kites.html': text('<!doctype html>') };
    const saved = part(other).words('club/kites/kites-2.html');
    const there = { ...other, 'club/kites/kites-2.html': text(saved) };
    expect(part(there).standing['kites.html']).toBe('there club/kites/kites-2.html');
  });

  it('stands at the root too, and no folder leads out of the larger site', () => {
    expect(part({}, { target: '' }).standing['kites.html']).toBe('new kites.html');
    expect(partOf(site, { page: 'kites.html', target: '../', there: new Map(), replaces: new Set() }).ok).toBe(false);
    expect(partOf(site, { page: 'no.html', target: '', there: new Map(), replaces: new Set() }).ok).toBe(false);
  });
});
