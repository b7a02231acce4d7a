/** Pages made from others by several hands: what comes along, what is the new page's own, and what stays behind. */
import { describe, expect, it } from 'vitest';
import { kitOf } from '../wiring/pages.fixture.ts';
import { asked, linked, PICTURES, siteOf } from './asked.fixture.ts';
import type { Intent } from './intent.ts';

type Wish = Partial<Extract<Intent, { kind: 'new-page' }>>;

const picture = { thumbnail: 't/c.jpg', full: 'c.jpg', title: '', alt: 'c', caption: '' };
const list = (...names: string[]) => `<ul>\n${names.map((name) => `<li>${linked(name)}</li>`).join('\n')}\n</ul>`;
const sheet = (title: string, body: string) =>
  `<!DOCTYPE html>\n<html><head><title>${title}</title></head>\n<body>\n${body}\n</body></html>\n`;

/** The page that comes of a page and its neighbours. */
function copied(files: Record<string, string>, wish: Wish = {}, kits: ReturnType<typeof kitOf>[] = []): string {
  const outcome = asked(siteOf({ ...files, ...PICTURES }, { kits }), {
    kind: 'new-page',
    path: 'new.html',
    title: 'Winter',
    from: 'one.html',
    pictures: [picture],
    ...wish,
  });
  return typeof outcome === 'string' ? outcome : (outcome.files['new.html'] ?? '');
}

describe('the heading of a page made from another', () => {
  const OTHER = sheet('Home – Kites', '<header><h1>The kite club</h1></header><h2>Welcome</h2>');
  const headings = (text: string) => text.match(/<h\d[^>]*>.*?<\/h\d>/g);

  it('is its own, and the site’s name in the header stays', () => {
    const one = sheet('Autumn – Kites', `<header><h1>The kite club</h1></header>\n<h2>Autumn</h2>\n${list('a', 'b')}`);
    const text = copied({ 'index.html': OTHER, 'one.html': one });
    expect(headings(text)).toEqual(['<h1>The kite club</h1>', '<h2>Winter</h2>']);
    expect(text).toContain('<title>Winter – Kites</title>');
  });

  it('is the one that no other page has, where the title says something else', () => {
    const one = sheet('Kites', `<h1>The kite club</h1>\n<h2>Windy days</h2>\n${list('a', 'b')}`);
    expect(headings(copied({ 'index.html': OTHER, 'one.html': one }))).toEqual([
      '<h1>The kite club</h1>',
      '<h2>Winter</h2>',
    ]);
  });

  it('is none where all pages have the same', () => {
    const one = sheet('Autumn – Kites', `<header><h1>The kite club</h1></header>\n${list('a', 'b')}`);
    expect(headings(copied({ 'index.html': OTHER, 'one.html': one }))).toEqual(['<h1>The kite club</h1>']);
  });

  it('is the first of a page that is alone', () =>
    expect(headings(copied({ 'one.html': sheet('x', `<h1>Autumn</h1>\n${list('a', 'b')}`) }))).toEqual([
      '<h1>Winter</h1>',
    ]));
});

describe('what belongs to the other page alone', () => {
  const SECTIONS = `<h1>Autumn</h1>
<ul class="parts">
  <li><a href="#hill">On the hill</a></li>
  <li><a href="#lake">At the lake</a></li>
</ul>
<section>
<h2 id="hill">On the hill</h2>
${list('a', 'b')}
</section>
<section>
<h2 id="lake">At the lake</h2>
${list('b', 'a', 'c')}
</section>
<p>Made by hand.</p>`;

  it('its sections, their headings and the list of them go; the largest gallery takes the pictures', () =>
    expect(copied({ 'one.html': sheet('Autumn', SECTIONS) })).toBe(
      sheet('Winter', `<h1>Winter</h1>\n<section>\n${list('c')}\n</section>\n<p>Made by hand.</p>`),
    ));

  it('of a gallery that stands among other things only its pictures go', () => {
    const loose = ['a', 'b'].map((name) => `<p class="k">${linked(name)}</p>`).join('\n');
    const body = `<div id="all">\n<h1>Autumn</h1>\n<p>Before.</p>\n${loose}\n<p>Between.</p>\n${list('a', 'b', 'c')}\n<p>Behind.</p>\n</div>`;
    const text = copied({ 'one.html': sheet('Autumn', body) });
    for (const words of ['Before.', 'Between.', 'Behind.']) expect(text).toContain(`<p>${words}</p>`);
    expect(text).toContain(`<h1>Winter</h1>`);
    expect(text).toContain(list('c'));
    expect(text.match(/<img/g)).toHaveLength(1);
  });

  it('a section comes along where that is wanted, and the pictures go where they are wanted', () => {
    const text = copied({ 'one.html': sheet('Autumn', SECTIONS) }, { fills: 0, keep: [1] });
    expect(text).toContain(`<section>\n${list('c')}\n</section>`);
    expect(text).toContain(`<h2 id="lake">At the lake</h2>\n${list('b', 'a', 'c')}`);
    expect(text).not.toContain('On the hill</h2>');
  });

  it.each([
    '<p class="pages"><a href="index.html">« Previous</a> | <a href="two.html">Next »</a></p>',
    '<nav><a href="one.html">1</a> <a href="two.html">2</a> <a href="three.html">3</a></nav>',
    '<div><a rel="prev" href="index.html">The harbour</a> <a rel="next" href="two.html">The pier</a></div>',
    '<ul>\n<li><a href="index.html">zurück</a></li>\n<li><a href="two.html">weiter</a></li>\n</ul>',
    '<table><tr><td><a href="index.html">&larr;</a></td><td><a href="two.html">&rarr;</a></td></tr></table>',
  ])('the way to its neighbours goes: %s', (pager) => {
    const one = sheet('Autumn', `<h1>Autumn</h1>\n${list('a', 'b')}\n${pager}\n<p>Made by hand.</p>`);
    expect(copied({ 'one.html': one })).toBe(sheet('Winter', `<h1>Winter</h1>\n${list('c')}\n<p>Made by hand.</p>`));
  });

  it.each([
    ['a menu of years', '<nav>\n<a href="a.html">2023</a>\n<a href="b.html">2024</a>\n</nav>'],
    ['a way back to the page above', '<p><a href="index.html">« Back</a></p>'],
    [
      'a menu with an entry “Gallery”',
      '<ul>\n<li><a href="a.html">Photo</a></li>\n<li><a href="b.html">Gallery</a></li>\n</ul>',
    ],
    [
      'words with a link “next”',
      '<p>On the <a href="b.html">next</a> page we walk on to the mill, and then home by the river.</p>',
    ],
  ])('%s stays', (_what, markup) => {
    const one = sheet('Autumn', `<h1>Autumn</h1>\n${list('a', 'b')}\n${markup}`);
    expect(copied({ 'one.html': one })).toContain(markup);
  });

  it('the mark is written in the author’s quotes', () => {
    const menu = (here: string) =>
      `<nav>\n${['index.html', 'one.html']
        .map((path) => `<a href='${path}'${path === here ? " class='on'" : ''}>${path.slice(0, -5)}</a>`)
        .join('\n')}\n</nav>`;
    const files = {
      'index.html': sheet('Home', menu('index.html')),
      'one.html': sheet('One', `${menu('one.html')}\n${list('a', 'b')}`),
    };
    expect(copied(files, { entry: 'Winter' })).toContain("<a href='new.html' class='on'>Winter</a>");
  });

  it('links to neighbours in its head go', () => {
    const head = '<link rel="next" href="two.html"><link rel="stylesheet" href="a.css">';
    const one = sheet('Autumn', list('a', 'b')).replace('</head>', `${head}</head>`);
    expect(copied({ 'one.html': one })).toContain(
      '<head><title>Winter</title><link rel="stylesheet" href="a.css"></head>',
    );
  });

  it('a menu that has words like those of a pager stays, and is the menu', () => {
    const menu = '<nav>\n<a href="index.html">Home</a>\n<a href="one.html" class="on">Gallery</a>\n</nav>';
    const pager = '<nav>\n<a href="index.html">1</a>\n<a href="one.html">2</a>\n<a href="two.html">3</a>\n</nav>';
    const one = sheet('Autumn', `${pager}\n${menu}\n${list('a', 'b')}`);
    const home = sheet('Home', `${pager}\n${menu.replace(' class="on"', '').replace('html">H', 'html" class="on">H')}`);
    const text = copied({ 'index.html': home, 'one.html': one, 'two.html': home }, { entry: 'Winter' });
    expect(text).toContain(
      '<nav>\n<a href="index.html">Home</a>\n<a href="one.html">Gallery</a>\n<a href="new.html" class="on">Winter</a>\n</nav>',
    );
    expect(text).not.toContain('>3</a>');
  });
});

describe('an opening slideshow', () => {
  const kit = kitOf({ does: 'show', marker: { on: 'gallery', attribute: 'data-fade' } });
  const show =
    '<div data-fade>\n<img src="a.jpg" alt="A">\n<img src="b.jpg" alt="B">\n<img src="c.jpg" alt="C">\n</div>';
  const files = {
    'one.html': sheet('Home', `${show}\n<h1>Home</h1>\n${list('a', 'b')}\n<script src="js/kite.js"></script>`),
    'js/kite.js': '',
  };

  it('stays behind, and pictures come into the gallery behind it', () => {
    const text = copied(files, {}, [kit]);
    expect(text).toContain(list('c'));
    expect(text).not.toContain('data-fade');
  });

  it('leaves neither its script nor its start call behind', () => {
    const started = kitOf({
      does: 'show',
      marker: { on: 'gallery', attribute: 'data-fade' },
      start: { call: 'kite', selector: true },
    });
    const call = "<script>\nkite('[data-fade]');\n</script>\n";
    const calling = { ...files, 'one.html': files['one.html'].replace('</body>', `${call}</body>`) };
    expect(calling['one.html']).toContain(call);
    const text = copied(calling, {}, [started]);
    expect(text).toContain(list('c'));
    expect(text).not.toMatch(/kite\(|kite\.js/);
    expect(copied(calling, { keep: [0] }, [started])).toContain(call);
  });

  it('leaves no script of several behind, also where one start call stands before the other', () => {
    const started = kitOf({
      does: 'show',
      marker: { on: 'gallery', attribute: 'data-fade' },
      start: { call: 'kite', selector: true },
    });
    const other = kitOf({
      name: 'drift',
      does: 'show',
      files: [{ name: 'drift.js', role: 'script', gives: ['drift'] }],
      marker: { on: 'gallery', attribute: 'data-drift' },
      start: { call: 'drift', selector: true },
    });
    const second = show.replace('data-fade', 'data-drift');
    const body = `${show}\n<h1>Home</h1>\n${list('a', 'b')}\n<h2>Again</h2>\n${second}\n<script src="js/kite.js"></script>\n<script src="js/drift.js"></script>\n<script>\nkite('[data-fade]');\ndrift('[data-drift]');\n</script>`;
    const text = copied({ 'one.html': sheet('Home', body), 'js/kite.js': '', 'js/drift.js': '' }, { fills: 1 }, [
      started,
      other,
    ]);
    expect(text).toContain(list('c'));
    expect(text).not.toMatch(/kite\(|kite\.js|drift/);
  });

  it('comes along where that is wanted', () =>
    expect(copied(files, { keep: [0] }, [kit])).toContain(`${show}\n<h1>Winter</h1>\n${list('c')}`));
});
