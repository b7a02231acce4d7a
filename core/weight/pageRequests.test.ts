import { describe, expect, it } from 'vitest';
import { readSite } from '../model/index.ts';
import type { FileContent } from '../site/index.ts';
import { requestsOf, wholeWeight, type Placed } from './pageRequests.ts';

const WINDOW = { width: 1000, height: 800, density: 1 };

const asFile = (content: string | number): FileContent =>
  typeof content === 'string'
    ? { kind: 'text', text: content }
    : { kind: 'binary', hash: `h${content}`, bytes: content };

function site(files: Record<string, string | number>) {
  return readSite(new Map(Object.entries(files).map(([path, content]) => [path, asFile(content)])), new Map(), []);
}

function asked(html: string, files: Record<string, string | number> = {}, placed: Placed[] = []): string[] {
  const all = requestsOf(site({ 'p.html': html, ...files }), 'p.html', { window: WINDOW, placed }) ?? [];
  return all.slice(1).map(({ path, when, priority }) => `${path} ${when} ${priority}`);
}

const doc = (head: string, body: string) =>
  `<!DOCTYPE html><html lang="en"><head><title>x</title>${head}</head><body>${body}</body></html>`;

describe('what a page asks for', () => {
  it('reads stylesheets, scripts and pictures in their order, each once', () => {
    const html = doc(
      '<link rel=stylesheet href=a.css><script src=a.js></script><script src=b.js defer></script><script src=c.js async></script>',
      '<img src=1.jpg><img src="1.jpg"><script src=d.js></script><img src=2.jpg>',
    );
    expect(asked(html, { 'a.css': '' })).toEqual([
      'a.css scan highest',
      'a.js scan high',
      'b.js scan low',
      'c.js scan low',
      '1.jpg scan medium',
      'd.js scan medium',
      '2.jpg scan medium',
    ]);
  });

  it('leaves out what no browser loads', () => {
    const html = doc(
      '<script type="text/template" src=t.js></script><script nomodule src=old.js></script><link rel=icon href=i.png><link rel=stylesheet href=off.css disabled>',
      '<noscript><img src=1.jpg></noscript><template><img src=2.jpg></template><a href=3.jpg>x</a><img src="data:image/gif;base64,AA"><img src="https://other.example/4.jpg"><img src="">',
    );
    expect(asked(html)).toEqual([]);
  });

  it('loads a stylesheet for another medium last, and holds nothing up for it', () => {
    const html = doc(
      '<link rel=stylesheet media=print href=p.css><link rel=stylesheet media="(min-width: 480px)" href=w.css>',
      '',
    );
    const all = requestsOf(site({ 'p.html': html }), 'p.html', { window: WINDOW, placed: [] }) ?? [];
    expect(all.slice(1).map(({ path, priority, holdsLayout }) => [path, priority, holdsLayout])).toEqual([
      ['p.css', 'lowest', false],
      ['w.css', 'highest', true],
    ]);
  });

  it('follows imports of stylesheets, those of style elements, and those of modules', () => {
    const html = doc(
      '<link rel=stylesheet href=css/a.css><style>@import "css/d.css";</style><script type=module src=js/a.js></script><script type=module>import "./js/c.js";</script>',
      '',
    );
    const files = {
      'css/a.css': '@import "b.css"; @import url(c.css) print;',
      'css/b.css': '',
      'css/c.css': '',
      'css/d.css': '',
      'js/a.js': 'import "./b.js";',
      'js/b.js': 'export const b = 1;',
      'js/c.js': 'export const c = 1;',
    };
    expect(asked(html, files)).toEqual([
      'css/a.css scan highest',
      'css/b.css loaded highest',
      'css/c.css loaded highest',
      'js/a.js scan high',
      'js/b.js loaded high',
      'js/c.js parse high',
      'css/d.css loaded highest',
    ]);
  });

  it('loads what stylesheets draw on elements that are shown, and nothing else', () => {
    const html = doc(
      '<link rel=stylesheet href=css/a.css>',
      '<div class=a></div><div class=b></div><p class=c hidden>x</p><div class=d><p class=e>x</p></div><ul><li>x</li></ul>',
    );
    const css = `.a { background: red url("a.png") no-repeat } .a { background-image: url(a2.png) }
      .b:hover { background: url(hover.png) } .b::before { content: url(before.png) } .c { background: url(hidden.png) }
      .d { display: none } .e { background: url(within.png) } .none { background: url(none.png) }
      ul { list-style: url(dot.png) } @media print { .a { background: url(print.png) } }`;
    expect(asked(html, { 'css/a.css': css })).toEqual([
      'css/a.css scan highest',
      'css/a2.png layout low',
      'css/dot.png layout low',
      'css/before.png layout low',
    ]);
  });

  it('loads the faces that words are set in, by family, weight, slope and letters', () => {
    const face = (file: string, more: string) =>
      `@font-face { font-family: "Reel"; src: url(${file}.eot), url(${file}.woff2) format("woff2"); ${more} }`;
    const css = [
      face('plain', ''),
      face('bold', 'font-weight: bold'),
      face('italic', 'font-style: italic'),
      face('greek', 'unicode-range: U+370-3FF'),
      '@font-face { font-family: Unused; src: url(unused.woff2) }',
      'body { font-family: Missing, reel, serif } .other { font: 12px/1.2 serif }',
    ].join('\n');
    const html = doc('<link rel=stylesheet href=a.css>', '<p>words</p><h2>Bold</h2><p class=other><em>none</em></p>');
    expect(asked(html, { 'a.css': css })).toEqual([
      'a.css scan highest',
      'plain.woff2 layout highest',
      'bold.woff2 layout highest',
    ]);
  });

  it('lets lazy pictures wait that are far from the window, as far as anybody has looked', () => {
    const html = doc('', '<img src=1.jpg loading=lazy><img src=2.jpg loading=lazy><img src=3.jpg loading=LAZY>');
    const at = (src: string, top: number) => ({ src, top, bottom: top + 100, width: 100 });
    expect(asked(html, {}, [at('1.jpg', 0), at('2.jpg', 2049), at('3.jpg', 2051)])).toEqual([
      '1.jpg layout low',
      '2.jpg layout low',
      '3.jpg scrolled low',
    ]);
    expect(asked(html)).toEqual(['1.jpg scrolled low', '2.jpg scrolled low', '3.jpg scrolled low']);
  });

  it('goes by what fetchpriority says', () => {
    const html = doc(
      '',
      '<img src=1.jpg fetchpriority=high><img src=2.jpg fetchpriority=low><script src=a.js async fetchpriority=high></script>',
    );
    expect(asked(html)).toEqual(['1.jpg scan high', '2.jpg scan low', 'a.js scan high']);
  });

  it('reads pages in frames with what they ask for, and none without end', () => {
    const frame = doc('', '<img src=in.jpg><iframe src=p.html></iframe>');
    expect(asked(doc('', '<iframe src=f.html></iframe>'), { 'f.html': frame })).toEqual([
      'f.html parse highest',
      'in.jpg scan medium',
    ]);
  });

  it('asks for what old pages draw behind tables, and for buttons that are pictures', () => {
    const html = '<BODY BACKGROUND="b.gif"><TABLE><TR><TD BACKGROUND=t.gif><INPUT TYPE=IMAGE SRC=i.gif></TABLE>';
    expect(asked(html)).toEqual(['b.gif layout low', 't.gif layout low', 'i.gif scan low']);
  });

  it('counts bytes as they are sent, and tells a missing file and one in other capitals', () => {
    const of = site({ 'p.html': doc('', '<p>é</p><img src=A.jpg><img src=b.jpg>'), 'a.jpg': 10, 'b.jpg': 20 });
    const all = requestsOf(of, 'p.html', { window: WINDOW, placed: [] }) ?? [];
    expect(all.map(({ path, bytes, missing }) => [path, bytes, missing])).toEqual([
      ['p.html', new TextEncoder().encode(doc('', '<p>é</p><img src=A.jpg><img src=b.jpg>')).length, false],
      ['A.jpg', 0, true],
      ['b.jpg', 20, false],
    ]);
    expect(wholeWeight(of, 'p.html')).toEqual({ bytes: (all[0]?.bytes ?? 0) + 20, files: 2 });
    expect(requestsOf(of, 'gone.html', { window: WINDOW, placed: [] })).toBeNull();
  });
});
