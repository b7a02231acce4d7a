import { describe, expect, it } from 'vitest';
import type { FileContent } from '../site/index.ts';
import { pageStandingAlone, picturesShownBy } from './alone.ts';

const text = (written: string): FileContent => ({ kind: 'text', text: written });
const picture: FileContent = { kind: 'binary', hash: 'h', bytes: 9 };
const page = (head: string, body: string) => `<!DOCTYPE html><html><head>${head}</head><body>${body}</body></html>`;
const alone = (files: Record<string, FileContent>, path = 'index.html') => {
  const all = new Map(Object.entries(files));
  return pageStandingAlone(
    all,
    path,
    new Map(picturesShownBy(all, path).map((one) => [one, `data:image/jpeg;base64,${one.replace(/\W/g, '')}`])),
    'N',
  );
};

describe('a page standing alone', () => {
  it('names the pictures of the page and of its stylesheets, each once', () => {
    const files = new Map(
      Object.entries({
        'p/index.html': text(
          page(
            '<link rel=stylesheet href=../s.css>',
            '<img src="../a.jpg" srcset="../a.jpg 1x, c.jpg 2x"><video poster="b.jpg"></video><img src="gone.jpg">',
          ),
        ),
        's.css': text('h1{background:url(c.png)}'),
        'a.jpg': picture,
        'p/b.jpg': picture,
        'c.png': picture,
      }),
    );
    expect(picturesShownBy(files, 'p/index.html').sort()).toEqual(['a.jpg', 'c.png', 'p/b.jpg']);
  });

  it('writes stylesheets in, with nonce and media, and closes no element from inside them', () => {
    expect(
      alone({
        'index.html': text(
          page('<link rel="stylesheet" media="print" href="s.css"><link rel="icon" href="i.png">', ''),
        ),
        's.css': text('i::after{content:"</style><script>"}'),
      }),
    ).toBe(
      page('<base target="_blank"><style nonce="N" media="print">i::after{content:"<\\/style><script>"}</style>', ''),
    );
  });

  it('leaves no address that a browser would ask for', () => {
    const made = alone({
      'index.html': text(
        page(
          '<style>p{background:url(x.jpg)}</style>',
          '<img src=a.jpg srcset="a.jpg 2x"><img src="gone.jpg"><img src="https://host.invalid/b.jpg"><iframe src="other.html"></iframe><video poster="a.jpg" src="v.mp4"></video><p style="background:url(a.jpg),url(x.jpg)">',
        ),
      ),
      'a.jpg': picture,
    });
    expect(made).toBe(
      page(
        '<base target="_blank"><style nonce="N">p{background:url(data:,)}</style>',
        '<img src=data:image/jpeg;base64,ajpg srcset=""><img src="data:,"><img src="data:,"><iframe src="data:,"></iframe><video poster="data:image/jpeg;base64,ajpg" src="data:,"></video><p style="background:url(data:image/jpeg;base64,ajpg),url(data:,)">',
      ),
    );
  });

  it('gives nothing for what is not a page of the site', () => {
    expect(alone({}, 'index.html')).toBe('');
  });
});
