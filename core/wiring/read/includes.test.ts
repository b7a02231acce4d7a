/** Scripts and styles as browsers take them: HTML Living Standard §4.12.1, §4.2.4. */
import { describe, expect, it } from 'vitest';
import { parsePage } from '../../markup/index.ts';
import { type FileContent, PathIndex } from '../../site/index.ts';
import { includedName, includesOf, scriptText } from './includes.ts';
import { isSlipOf, lettersApart } from './letters.ts';

const FILES = new Map<string, FileContent>([
  ['js/a.js', { kind: 'text', text: 'a()' }],
  ['js/b.js', { kind: 'binary', hash: 'h', bytes: 1 }],
]);
const read = (html: string) => includesOf(parsePage(html), 'pages/p.html', new PathIndex(FILES.keys()));
const inHead = (html: string) => read(`<html><head>${html}</head><body></body></html>`);
/** In which order, and when: `deferred a.js`. */
const order = (html: string) => read(html).map((one) => `${one.when} ${one.written ?? one.inline?.text ?? ''}`);

describe('includes', () => {
  it('run in the order of the page, but for those that wait', () => {
    expect(
      order(
        '<html><head><script src="1" async></script><script src="2" defer></script><script src="3"></script>' +
          '<script type=module>4</script><script defer>5</script><script async>6</script></head>' +
          '<body><script>7</script><script src="8" type=" MODULE "></script><script src="9" async defer></script></body></html>',
      ),
    ).toEqual(['head 3', 'head 5', 'head 6', 'body 7', 'deferred 2', 'deferred 4', 'deferred 8', 'async 1', 'async 9']);
  });

  it.each([
    ['<script>', true],
    ['<script type="">', true],
    ['<script type="text/javascript">', true],
    ['<script type="application/ECMAScript">', true],
    ['<script type="text/json">', false],
    ['<script type="text/javascript2">', false],
    ['<script type="my/text/javascript">', false],
    ['<script type="modules">', false],
    ['<script nomodule>', false],
  ])('%s is run: %s', (open, runs) => expect(inHead(`${open}x</script>`)).toHaveLength(runs ? 1 : 0));

  it.each([
    ['stylesheet', true],
    ['Alternate StyleSheet', true],
    ['stylesheet preload', true],
    ['stylesheets', false],
    ['mystylesheet', false],
    ['icon', false],
  ])('rel="%s" is a style: %s', (rel, is) => {
    expect(inHead(`<link rel="${rel}" href="a.css">`).map(({ kind }) => kind)).toEqual(is ? ['style'] : []);
  });

  it('lead to files of the site, or nowhere', () => {
    const [there, other, gone, outside, inline, style] = inHead(
      '<script src="../js/a.js?v=2"></script><script src="../JS/A.js"></script><script src="gone.js"></script>\n' +
        '<script src="https://host/a.js"></script><script>b()</script><link rel=stylesheet>',
    );
    expect([there?.path, there?.lookup.found, there?.line, there?.module]).toEqual(['js/a.js', 'exact', 1, false]);
    expect([other?.path, other?.lookup.found]).toEqual(['JS/A.js', 'other-case']);
    expect([gone?.path, gone?.lookup.found]).toEqual(['pages/gone.js', 'nothing']);
    expect([outside?.path, outside?.lookup.found, outside?.target?.kind, outside?.line]).toEqual([
      null,
      'nothing',
      'outside',
      2,
    ]);
    expect([inline?.written, inline?.target, inline?.path, inline?.inline?.text]).toEqual([null, null, null, 'b()']);
    expect([style?.kind, style?.written, style?.inline, style?.module]).toEqual(['style', null, null, false]);
  });

  it('know where an inline script stands; one that is not closed is never run (§13.2.6.4.8)', () => {
    const html = '<head><script>one</script></head><body><script>two';
    const [one, two] = read(html);
    expect(one?.inline).toEqual({ start: html.indexOf('one'), text: 'one' });
    expect(two?.inline).toEqual({ start: html.indexOf('two'), text: '' });
  });

  it('hold the text of their scripts, where there is one', () => {
    const all = inHead(
      '<script src="../js/a.js"></script><script src="../js/b.js"></script><script src="../js/A.js"></script>' +
        '<script>inline</script><link rel=stylesheet href="../js/a.js">',
    );
    expect(all.map((one) => scriptText(one, FILES))).toEqual(['a()', null, null, 'inline', null]);
  });

  it('are named without folder and query, in small letters', () => {
    const names = inHead(
      '<script src="../js/Light.JS?v=1#x"></script><script src="a\\b\\C.js"></script><script src="?x/y"></script><script></script>',
    ).map(includedName);
    expect(names).toEqual(['light.js', 'c.js', '', '']);
  });
});

describe('slips of the pen', () => {
  it.each([
    ['lightbox', 'lightbox', false],
    ['lightbx', 'lightbox', true],
    ['lihgtbox', 'lightbox', true],
    ['lightboxes', 'lightbox', true],
    ['lghtbx', 'lightbox', true],
    ['lghbx', 'lightbox', false],
    ['lightboxing', 'lightbox', false],
    ['peek', 'peep', true],
    ['pans', 'peep', false],
    ['sleep', 'peeps', false],
    ['sleeps', 'peeps', true],
  ])('%s for %s: %s', (written, meant, is) => expect(isSlipOf(written, meant)).toBe(is));

  it('are counted in letters', () => expect([lettersApart('ab', 'ba'), lettersApart('abc', 'xbz')]).toEqual([1, 2]));
});
