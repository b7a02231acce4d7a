/** Sections on one page: a gallery's set-up written again, and the list that leads to them. */
import { describe, expect, it } from 'vitest';
import { addressIn, galleriesOf, parsePage } from '../../core/markup/index.ts';
import { planFor, type NewPicture } from '../../core/plans/index.ts';
import { after, read, siteOf, textAt } from './sites.ts';

const item = (n: string, rest = '') =>
  `  <li><a href="l/${n}.jpg"${rest} title="Kite ${n}"><img src="s/${n}.jpg" alt="Kite ${n}"></a><p>Kite ${n}</p></li>`;
const list = (names: readonly string[], rest = '', attributes = ' class="g"') =>
  `<ul${attributes}>\n${names.map((n) => item(n, rest)).join('\n')}\n</ul>`;
const page = (body: string) =>
  `<!DOCTYPE html>\n<html lang="en">\n<head><title>Kites</title></head>\n<body>\n<h1>Kites</h1>\n${body}\n<p>Foot</p>\n</body>\n</html>\n`;
const picture = (n: string): NewPicture => ({
  thumbnail: `s/${n}.jpg`,
  full: `l/${n}.jpg`,
  title: `Kite ${n}`,
  alt: `Kite ${n}`,
  caption: `Kite ${n}`,
});
const add = (title: string, gallery = 0, names = ['x', 'y']) => ({
  kind: 'add-section' as const,
  page: 'kites.html',
  gallery,
  title,
  pictures: names.map(picture),
});
const site = (body: string) => siteOf({ 'kites.html': page(body) });
const shown = (text: string) => galleriesOf(parsePage(text)).map(({ items }) => items.map(addressIn));

describe('another section', () => {
  it('is written behind the first under a heading of its own', () => {
    const next = textAt(after(site(list(['a', 'b'])), add('Late summer')), 'kites.html');
    expect(next).toBe(page(`${list(['a', 'b'])}\n\n<h2 id="late-summer">Late summer</h2>\n${list(['x', 'y'])}`));
    expect(shown(next)).toEqual([
      ['s/a.jpg', 's/b.jpg'],
      ['s/x.jpg', 's/y.jpg'],
    ]);
  });

  it('takes the heading’s own markup along, with another name', () => {
    const first = `<h2 class="line" id="spring">Spring</h2>\n${list(['a', 'b'])}`;
    const next = textAt(after(site(first), add('Süß & "late"')), 'kites.html');
    expect(next).toBe(
      page(
        `${first}\n\n<h2 class="line" id="suss-late">Süß &amp; "late"</h2>\n${list(['x', 'y'])}`.replace(
          'suss-late',
          /id="([^"]*)">Süß/.exec(next)![1]!,
        ),
      ),
    );
    expect(next).not.toMatch(/id="spring"[\s\S]*id="spring"/);
  });

  it('takes the wrapper along where it holds just the heading and the gallery', () => {
    const wrapped = `<section class="band">\n<h2>Spring</h2>\n${list(['a', 'b'])}\n</section>`;
    const next = textAt(after(site(wrapped), add('Summer')), 'kites.html');
    expect(next).toBe(
      page(`${wrapped}\n\n<section class="band">\n<h2 id="summer">Summer</h2>\n${list(['x', 'y'])}\n</section>`),
    );
  });

  it('leaves out an id, which may stand once', () => {
    const next = textAt(after(site(list(['a', 'b'], '', ' class="g" id="kites"')), add('Summer')), 'kites.html');
    expect(next.match(/id="kites"/g)).toHaveLength(1);
  });

  it('gives a third section a name that is free', () => {
    const two = after(site(list(['a', 'b'])), add('Summer'));
    const three = textAt(after(two, add('Summer', 1, ['v', 'w'])), 'kites.html');
    expect(three).toContain('<h2 id="summer-2">Summer</h2>');
    expect(shown(three)).toHaveLength(3);
  });

  it('refuses rows, and what is gone', () => {
    const rows = `<table>${[
      ['a', 'b'],
      ['c', 'd'],
    ]
      .map(
        (row) =>
          `<tr>${row.map((n) => `<td><a href="l/${n}.jpg"><img src="s/${n}.jpg" alt=""></a></td>`).join('')}</tr>`,
      )
      .join('')}</table>`;
    expect(planFor(read(site(rows)), add('Summer'))).toMatchObject({
      ok: false,
      reason: expect.stringContaining('rows of their own') as string,
    });
    expect(planFor(read(site(list(['a', 'b']))), add('Summer', 4))).toMatchObject({
      ok: false,
      reason: expect.stringContaining('no longer at this place') as string,
    });
  });
});

describe('the list of sections', () => {
  const sections = `<h2>Spring</h2>\n${list(['a', 'b'])}\n<h2 id="late">Late <em>summer</em></h2>\n${list(['c', 'd'])}`;

  it('is written before the first, and headings get the names that they lack', () => {
    const next = textAt(after(site(sections), { kind: 'list-sections', page: 'kites.html' }), 'kites.html');
    expect(next).toBe(
      page(
        `<ul class="sections">\n  <li><a href="#spring">Spring</a></li>\n  <li><a href="#late">Late summer</a></li>\n</ul>\n\n${sections.replace('<h2>Spring', '<h2 id="spring">Spring')}`,
      ),
    );
  });

  it('is written anew when a section has come, and says when nothing has', () => {
    const once = after(site(sections), { kind: 'list-sections', page: 'kites.html' });
    expect(planFor(read(once), { kind: 'list-sections', page: 'kites.html' })).toEqual({
      ok: false,
      reason: 'The list names every section already.',
    });
    const more = after(after(once, add('Autumn', 1)), { kind: 'list-sections', page: 'kites.html' });
    expect(textAt(more, 'kites.html')).toContain(
      '  <li><a href="#late">Late summer</a></li>\n  <li><a href="#autumn">Autumn</a></li>\n</ul>\n\n<h2 id="spring">',
    );
    expect(textAt(more, 'kites.html').match(/<ul class="sections">/g)).toHaveLength(1);
  });

  it('needs two', () => {
    expect(planFor(read(site(list(['a', 'b']))), { kind: 'list-sections', page: 'kites.html' })).toMatchObject({
      ok: false,
      reason: expect.stringContaining('no two galleries') as string,
    });
  });
});
