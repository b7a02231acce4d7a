import { describe, expect, it } from 'vitest';
import { shownJpegs } from '../model/index.ts';
import { webpToMake, webpView } from '../view/webp.ts';
import { asked, siteOf } from './asked.fixture.ts';

const page = (body: string, style = '') =>
  `<!DOCTYPE html>\n<html lang="en"><head><title>x</title>${style}</head>\n<body>\n${body}\n</body></html>\n`;
const ITEM = '<a href="a.jpg"><img src="t/a.jpg" alt="a"></a>';

/** Two pages that show `t/a.jpg`; the WebP file beside it holds so many bytes, or is not there. */
function kites(files: Record<string, string>, webp: number | null, width = 60) {
  const all = { 'a.jpg': 'A', 't/a.jpg': 'ta', ...files };
  const site = siteOf(all, { bytes: { ta: 1000 }, facts: { A: {}, ta: {}, wa: { width } } });
  if (webp === null) return site;
  // The fixture knows pictures by the endings that galleries have.
  const withWebp = new Map([...site.files, ['t/a.webp', { kind: 'binary' as const, hash: 'wa', bytes: webp }]]);
  const facts = (path: string) => (path === 't/a.webp' ? { ...site.factsOf('t/a.jpg'), width } : site.factsOf(path));
  return { ...site, files: withWebp, factsOf: facts as typeof site.factsOf };
}

const written = (site: ReturnType<typeof kites>, pages = ['p.html']) => {
  const done = asked(site, { kind: 'offer-webp', pages });
  if (typeof done === 'string') return done;
  return { label: done.label, files: done.files };
};

describe('WebP beside JPEG', () => {
  it('is asked for once for each file that pages show, at the size that it has', () => {
    const site = kites({ 'p.html': page(ITEM + ITEM), 'q.html': page(ITEM) }, null);
    expect(webpToMake(site, null)).toMatchObject([
      { from: 't/a.jpg', to: 't/a.webp', size: { width: 60, height: 40, format: 'webp' }, times: 1 },
    ]);
    expect(webpToMake(site, ['nowhere.html'])).toEqual([]);
    expect(webpView(site)).toMatchObject({ missing: 1, pages: [], count: 0 });
  });

  it.each([
    [8, 5],
    [12_000, 900],
  ])('is asked for also of %i × %i px, which nobody would type as a size', (width, height) => {
    const site = siteOf(
      { 'p.html': page('<img src="t/a.jpg" alt="">'), 't/a.jpg': 'ta' },
      { facts: { ta: { width, height } } },
    );
    expect(webpToMake(site, null)).toMatchObject([{ from: 't/a.jpg', size: { width, height } }]);
  });

  it('is offered with picture around each img, which stays as it is', () => {
    const site = kites({ 'p.html': page(ITEM) }, 600);
    expect(webpView(site)).toEqual({ missing: 0, pages: ['p.html'], count: 1, bytes: 1000, saved: 400 });
    expect(written(site)).toEqual({
      label: 'Offer WebP for 1 picture, 400 bytes less of 1.0 kB',
      files: {
        'p.html': page(
          '<a href="a.jpg"><picture><source srcset="t/a.webp" type="image/webp"><img src="t/a.jpg" alt="a"></picture></a>',
        ),
      },
    });
  });

  it('is closed as the author closes the img', () => {
    const done = written(kites({ 'p.html': page('<p><img src="t/a.jpg" alt=""/></p>') }, 600));
    expect(done).toMatchObject({
      files: {
        'p.html': expect.stringContaining('type="image/webp" /><img src="t/a.jpg" alt=""/></picture>') as string,
      },
    });
  });

  it.each([
    ['larger', 1000, 60],
    ['of other pixels', 600, 61],
  ])('is not offered where the file is %s', (_, bytes, width) => {
    const site = kites({ 'p.html': page(ITEM) }, bytes, width);
    expect(webpView(site)).toMatchObject({ missing: 0, count: 0 });
    expect(written(site)).toBe('These pages offer every WebP file already.');
  });

  it.each([
    '<img src="t/a.jpg" srcset="t/a.jpg 1x" alt="">',
    '<picture><source srcset="t/a.webp"><img src="t/a.jpg" alt=""></picture>',
    '<img src="https://elsewhere.invalid/t/a.jpg" alt="">',
  ])('is not offered for %s', (markup) => {
    const site = kites({ 'p.html': page(markup) }, 600);
    expect(site.pages.flatMap((one) => shownJpegs(site, one))).toEqual([]);
  });

  it('is wanted again where a page offers it and the file has gone', () => {
    const offered = '<picture><source srcset="t/a.webp"><img src="t/a.jpg" alt=""></picture>';
    expect(webpToMake(kites({ 'p.html': page(offered) }, null), null)).toHaveLength(1);
  });

  it('says once, in the stylesheet that pages share, that the image is laid out as if it stood alone', () => {
    const style = '<link rel="stylesheet" href="s.css">';
    const files = { 'p.html': page(ITEM, style), 'q.html': page(ITEM, style), 's.css': 'a { color: red; }\n' };
    const done = written(kites(files, 600), ['p.html', 'q.html']);
    expect(done).toMatchObject({
      files: {
        's.css': `a { color: red; }\n\n/* A picture element offers several files; its image is laid out as if it stood alone */\npicture { display: contents; }\n`,
      },
    });
    const known = kites({ ...files, 's.css': '.a picture { color: red }' }, 600);
    expect(written(known)).toMatchObject({ files: { 'p.html': expect.any(String) as string } });
    expect(written(known)).not.toHaveProperty(['files', 's.css']);
  });

  it('leaves a picture alone that the stylesheet would not find any more, and says which selector', () => {
    const style = '<style>p > img { border: 0 } a img { margin: 0 }</style>';
    const site = kites({ 'p.html': page(`<p><img src="t/a.jpg" alt=""></p>\n${ITEM}`, style) }, 600);
    const done = written(site);
    expect(done).toMatchObject({
      files: {
        'p.html': expect.stringContaining('<p><img src="t/a.jpg" alt=""></p>\n<a href="a.jpg"><picture>') as string,
      },
    });
    const alone = kites({ 'p.html': page('<p><img src="t/a.jpg" alt=""></p>', style) }, 600);
    expect(written(alone)).toBe(
      'Nothing was changed. p.html, line 4: a.jpg – the stylesheet’s “p > img” would not find it any more.',
    );
  });

  it('keeps CRLF, and leaves alone what a browser builds in another place than it is written', () => {
    const crlf = page(ITEM).replaceAll('\n', '\r\n');
    const done = written(kites({ 'p.html': crlf }, 600));
    expect(done).toMatchObject({ files: { 'p.html': expect.stringMatching(/^(?:[^\r\n]*\r\n)+$/) as string } });
    const moved = page('<table><img src="t/a.jpg" alt=""><tr><td>x</td></tr></table>');
    expect(written(kites({ 'p.html': moved }, 600))).toMatch(/^Nothing was changed. p.html, line 4: a.jpg – /);
  });
});
