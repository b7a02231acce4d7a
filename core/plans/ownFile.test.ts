/** What pages load from other hosts, and a file of one's own in its place. */
import { describe, expect, it } from 'vitest';
import { externalFiles } from '../model/index.ts';
import { asked, siteOf } from './asked.fixture.ts';

const CDN = 'https://files.example/lib@1/show.js';

const PAGE = `<!doctype html>\r
<html lang="en"><head><title>Kites</title>\r
<link rel="stylesheet" href="https://files.example/show.css" integrity="sha384-abc" crossorigin="anonymous">\r
<link rel="preconnect" href="https://files.example"><link rel='icon' href='//files.example/i.png'>\r
<script src="${CDN}" integrity=sha384-abc crossorigin></script>\r
<style>@import "https://files.example/more.css"; body { background: url(https://files.example/sky.jpg) }</style>\r
<!-- <script src="${CDN}"></script> -->\r
</head><body><a href="https://files.example/big.jpg"><img src="https://files.example/small.jpg#a" srcset="https://files.example/small.jpg 1x, a.jpg 2x" alt="A"></a>\r
<iframe src="https://video.example/1"></iframe><video src="https://files.example/v.mp4" poster="https://files.example/p.jpg"></video>\r
</body></html>\r
`;

const OTHER = `<!doctype html><title>Other</title><base href="../"><script src='${CDN}'></script>`;

const CSS = '@font-face { src: url("https://fonts.example/a.woff2?v=1") }\n';

const site = () => siteOf({ 'index.html': PAGE, 'days/other.html': OTHER, 'css/a.css': CSS, 'a.jpg': 'A' });

describe('what is loaded from other hosts', () => {
  it('is listed with its kind and its places; what a click leads to is not', () => {
    expect(externalFiles(site()).map(({ address, kind, places }) => [address, kind, places.length])).toEqual([
      ['https://files.example/show.css', 'stylesheet', 1],
      ['//files.example/i.png', 'picture', 1],
      [CDN, 'script', 2],
      ['https://files.example/more.css', 'stylesheet', 1],
      ['https://files.example/sky.jpg', 'picture', 1],
      ['https://files.example/small.jpg', 'picture', 2],
      ['https://files.example/v.mp4', 'video or sound', 1],
      ['https://files.example/p.jpg', 'picture', 1],
      ['https://fonts.example/a.woff2?v=1', 'font', 1],
    ]);
    expect(externalFiles(site()).find(({ kind }) => kind === 'script')?.places).toEqual([
      { path: 'index.html', line: 5 },
      { path: 'days/other.html', line: 1 },
    ]);
  });

  it('is nothing of the site’s own address', () => {
    const own = `<!doctype html><link rel="canonical" href="https://kites.example/index.html"><title>T</title><img src="https://kites.example/a.jpg" alt="A">`;
    expect(externalFiles(siteOf({ 'index.html': own, 'a.jpg': 'A' }))).toEqual([]);
  });
});

describe('a file of one’s own', () => {
  const use = (address: string, path: string, text = '// mine\n') => {
    const outcome = asked(site(), { kind: 'use-own-file', address, path, content: { kind: 'text', text } });
    return typeof outcome === 'string' ? outcome : outcome.files;
  };

  it('stands in every place, and what vouched for the other goes', () => {
    expect(use(CDN, 'js/show.js')).toEqual({
      'js/show.js': '// mine\n',
      'index.html': PAGE.replace(`<script src="${CDN}" integrity=sha384-abc crossorigin>`, '<script src="js/show.js">'),
      'days/other.html': OTHER.replace(CDN, 'js/show.js'),
    });
  });

  it('is reached from a stylesheet, and from a list of pictures', () => {
    expect(use('https://fonts.example/a.woff2?v=1', 'fonts/a.woff2')).toMatchObject({
      'css/a.css': CSS.replace('https://fonts.example/a.woff2?v=1', '../fonts/a.woff2'),
    });
    expect(use('https://files.example/small.jpg', 'small.jpg')).toMatchObject({
      'index.html': PAGE.replace('https://files.example/small.jpg#a', 'small.jpg').replace(
        'https://files.example/small.jpg 1x',
        'small.jpg 1x',
      ),
    });
  });

  it('is refused where its place is taken, or nobody asks for the other', () => {
    expect(use(CDN, 'css/a.css')).toBe('There is another file css/a.css in the site already.');
    expect(use(CDN, '../a.js')).toMatch(/cannot be a file’s path/);
    expect(use('https://files.example/big.jpg', 'big.jpg')).toMatch(/^No page asks for/);
  });
});
