import { describe, expect, it } from 'vitest';
import { parsePage, valueOf } from './document.ts';
import { galleryIn } from './edited.fixture.ts';
import { galleriesOf } from './galleries.ts';

describe('galleries', () => {
  const seen = (body: string) =>
    galleriesOf(parsePage(`<body>${body}</body>`)).map(
      ({ container, items }) =>
        `${container.tag}: ${items.map(({ source, target }) => (source ?? target)?.value.replace(/\.\w+$/, '')).join(' ')}`,
    );
  const shot = (name: string) => `<a href="${name}.jpg"><img src="${name}.gif"></a>`;
  const plain = (name: string) => `<img src="${name}.jpg">`;
  const prose = 'Words that tell of what was seen that day. '.repeat(5);
  const shots = (names: string) => [...names].map(shot).join('\n');

  it.each<[string, string[]]>([
    [`<p>${shots('abc')}</p>`, ['p: a b c']],
    [`<div>${shots('ab')}</div><div>${shots('cd')}</div>`, ['body: a b c d']],
    [`<h2>x</h2><div>${shots('ab')}</div><h2>y</h2><div>${shots('cd')}</div>`, ['div: a b', 'div: c d']],
    // A paragraph of prose parts two rows as a heading does; a caption does not, and prose in another script is short.
    [`<div>${shots('ab')}</div><p>${prose}</p><div>${shots('cd')}</div>`, ['div: a b', 'div: c d']],
    [`<div>${shots('ab')}</div><p>Two of the day</p><div>${shots('cd')}</div>`, ['body: a b c d']],
    [
      `<div>${shots('ab')}</div><p>${'次の図は配布物に含まれる例です。'.repeat(3)}</p><div>${shots('cd')}</div>`,
      ['div: a b', 'div: c d'],
    ],
    [
      `<blockquote><a href="page.html"><img src="map.gif"></a></blockquote><p>${prose}</p><blockquote>${shots('cd')}</blockquote>`,
      ['blockquote: c d'],
    ],
    [`<div class="x">${shots('ab')}</div><div>${shots('cd')}</div>`, ['div: a b', 'div: c d']],
    [`<section>${shots('ab')}</section><section>${shots('cd')}</section>`, ['section: a b', 'section: c d']],
    [
      `<table><tr><td>${shot('a')}</td><td>${shot('b')}</td></tr><tr><td>${shot('c')}</td></tr></table>`,
      ['tbody: a b c'],
    ],
    [`<nav>${shots('abc')}</nav>`, []],
    // Maps of a page's ways, at its head and its foot.
    ['<div><img src="top.gif" usemap="#t"><table></table><img src="foot.gif" usemap="#f"></div>', []],
    // Samples with their names are looked at, whatever they are called.
    [
      '<table><tr><td>to</td><td><img src="forward.gif"></td><td>fro</td><td><img src="back.gif"></td></tr></table>',
      ['tbody: forward back'],
    ],
    [
      '<table><tr><td><img src="home.gif"><a href="x">Home</a></td><td><img src="mail.gif"><a href="y">Mail</a></td></tr></table>',
      [],
    ],
    // A long document, of which pictures are a part.
    [
      `<div><div>${plain('a')}</div><p>${prose}</p><div>${plain('b')}</div><p>${prose}</p><div>${plain('c')}</div></div>`,
      [],
    ],
    [`<div>${plain('a')}<p>${prose}</p><pre>code</pre>${plain('b')}</div>`, []],
    [
      `<div><p>${plain('a')}</p><p>${plain('b')}</p><p>${plain('c')}</p><p>${prose}</p><p>${plain('d')}</p></div>`,
      ['div: a b c d'],
    ],
    [`<div><p>${plain('a')}</p><p>It rose in the morning, and was seen from afar.</p><p>${plain('b')}</p></div>`, []],
    // Thumbnails that open pictures are for looking at, whatever is told between them.
    [`<div>${shot('a')}<p>${prose}</p>${shot('b')}</div>`, ['div: a b']],
    // Signs within a sentence.
    ['<p>Let <img src="f1.gif"> be less than <img src="f2.gif"> and more than <img src="f3.gif">.</p>', []],
    ['<p>Ours:<br><img src="a.gif"> a kite<br><img src="b.gif"> a reel<br></p>', ['p: a b']],
    ['<p><img src="form_33.png"> <img src="form_36.png"></p>', []],
    // A list of words, some with a picture.
    [`<ul><li>${plain('a')} x</li><li>${plain('b')} y</li>${'<li>words</li>'.repeat(4)}</ul>`, []],
    [`<ul><li>${plain('a')} x</li><li>${plain('b')} y</li><li>words</li></ul>`, ['ul: a b']],
    ['<p><img src="a.jpg"> <img src="b.jpg"></p>', ['p: a b']],
    ['<p><img src="a.jpg"> <img src="a.jpg"> <img src="a.jpg"></p>', []],
    ['<p><img src="icon-a.png"> <img src="prev.png"></p>', []],
    ['<p><img src="icon-a.png"> <img src="b.png"> <img src="c.png"></p>', ['p: icon-a b c']],
    [`<ul><li>${shot('a')}<li>${shot('b')}</ul>`, ['ul: a b']],
    [`<div>${shot('a')}<h2>x</h2>${shots('bc')}</div>`, ['div: a', 'div: b c']],
    [`<div>${shot('a')}<hr>${shots('bc')}</div>`, ['div: a', 'div: b c']],
    [`<div><h3>x</h3>${shot('a')}<h3>y</h3>${shot('b')}</div>`, ['div: a b']],
    [`<p>${shot('a')}</p>`, ['body: a']],
    [`<p>Words ${shot('a')}</p>`, ['body: a']],
    ['<p><img src="a.jpg"></p>', []],
    ['<p><a href="x.html"><img src="a.jpg"></a></p>', []],
    [`<figure>${shot('a')}</figure>`, ['body: a']],
    [
      `<ul>${'ab'
        .split('')
        .map((name) => `<li><img src="${name}.jpg"><p>${'x'.repeat(131)}</p></li>`)
        .join('')}</ul>`,
      [],
    ],
    [
      `<ul>${'ab'
        .split('')
        .map((name) => `<li><img src="${name}.jpg"><p>${'x'.repeat(130)}</p></li>`)
        .join('')}</ul>`,
      ['ul: a b'],
    ],
    [
      `<footer>${['a', 'b'].map((name) => `<a href="https://host/${name}"><img src="${name}.jpg"></a>`).join('')}</footer>`,
      [],
    ],
    [
      `<footer>${['a', 'b'].map((name) => `<a href="${name}.html"><img src="${name}.jpg"></a>`).join('')}</footer>`,
      ['footer: a b'],
    ],
    [
      `<main>${['a', 'b'].map((name) => `<a href="https://host/${name}"><img src="${name}.jpg"></a>`).join('')}</main>`,
      ['main: a b'],
    ],
    [`<div>${shot('a')}<img src="b.gif">${shot('c')}</div>`, ['div: a b c']],
    [`<div><p>${shot('a')}</p><span>${shot('b')}</span><p>${shot('c')}</p></div>`, ['div: a b c']],
    ['<p><a href="a.jpg">one</a> <a href="b.jpg">two</a></p>', ['p: a b']],
    [
      `<ul><li><img src="a1.jpg"><img src="a2.jpg"></li><li><img src="b1.jpg"><img src="b2.jpg"></li></ul>`,
      ['ul: a1 b1'],
    ],
    ['<noscript><img src="a.jpg"><img src="b.jpg"></noscript>', []],
    // What only looks like furniture is a gallery where it opens pictures.
    ['<p><a href="a.jpg"><img src="prev.png"></a> <a href="b.jpg"><img src="next.png"></a></p>', ['p: prev next']],
    ['<p><a href="a.html"><img src="prev.png"></a> <a href="b.html"><img src="next.png"></a></p>', []],
    ...['icon_1', 'btn-a', 'my-logo', 'arrow', 'home2', 'spacer', 'big_menu', 'rss'].map((name): [string, string[]] => [
      `<p><img src="x/${name}.png?v=1"> <img src="y/${name}2.png"></p>`,
      [],
    ]),
    ...['iconic', 'navy', 'bulletin', 'logos', 'homeland', 'my-home-town', 'menus'].map((name): [string, string[]] => [
      `<p><img src="x/${name}.png"> <img src="y/${name}.png"></p>`,
      [`p: x/${name} y/${name}`],
    ]),
    [`<article>${shots('ab')}</article><article>${shots('cd')}</article>`, ['body: a c']],
    ['<p><img src="a.jpg"> <img src="a.jpg"> <img src="b.jpg"></p>', ['p: a a b']],
    ['<p><img src="a.jpg"> <img src="a.jpg"></p>', []],
    [`<div><nav>${shot('a')}</nav>${shot('b')}${shot('c')}</div>`, ['div: b c']],
    [
      `<header>${['a', 'b'].map((name) => `<a href="//host/${name}"><img src="${name}.jpg"></a>`).join('')}</header>`,
      [],
    ],
    [
      `<footer><a href="https://host/a"><img src="a.jpg"></a><a href="b.html"><img src="b.jpg"></a></footer>`,
      ['footer: a b'],
    ],
    [
      `<footer>${['a', 'b'].map((name) => `<a title="x" href="mailto:${name}"><img src="${name}.jpg"></a>`).join('')}</footer>`,
      [],
    ],
    // One picture with a link to a page about it.
    ['<div><img src="250px-kite.jpg"><a href="https://host/File:kite.jpg">see</a></div>', []],
    // Signs before terms, and in sentences.
    ['<dl><dt><img src="a.png"> Mitre<dd>one<dt><img src="b.png"> Round<dd>two</dl>', []],
    ['<dl><dt><img src="a.png"><dd>one<dt><img src="b.png"><dd>two</dl>', ['dl: a b']],
    ['<p><img src="a.png"> is right, <img src="b.png"> is not.</p>', []],
    ['<p><img src="a.png"> Kite<br><img src="b.png"> Line</p>', ['p: a b']],
    ['<p><img src="a.png" alt="$x$"> <img src="b.png" alt="{\\displaystyle f}"></p>', []],
    // Steps, and code with what comes of it.
    [
      `<ol>${['a', 'b'].map((n) => `<li><p>Choose the second entry of the menu.</p><img src="${n}.png"></li>`).join('')}</ol>`,
      [],
    ],
    ['<div><p>Before:</p><img src="a.png"><p>Behind:</p><img src="b.png"></div>', []],
    [
      `<div>${['a', 'b'].map((n) => `<blockquote><pre>code</pre><img src="${n}.png"></blockquote>`).join('')}</div>`,
      [],
    ],
    ['<p>' + 'x'.repeat(300) + '<img src="a.jpg"><img src="b.jpg"></p>', ['p: a b']],
    [`<div><img src="a.jpg"> ${'x'.repeat(250)} <img src="b.jpg"> ${'y'.repeat(250)}</div>`, []],
    ...['article', 'dd', 'figure', 'li'].map((tag): [string, string[]] => {
      const two = (name: string) => `<${tag}><img src="${name}1.jpg"><img src="${name}2.jpg"></${tag}>`;
      return [`<div>${two('a')}${two('b')}</div>`, ['div: a1 b1']];
    }),
    [
      '<div><span><img src="a1.jpg"><img src="a2.jpg"></span><span><img src="b1.jpg"><img src="b2.jpg"></span></div>',
      ['div: a1 a2 b1 b2'],
    ],
    ...['main', 'section'].map((tag): [string, string[]] => [
      `<${tag}>${shots('ab')}</${tag}><${tag}>${shots('cd')}</${tag}>`,
      [`${tag}: a b`, `${tag}: c d`],
    ]),
    [`<div class="r">${shots('ab')}</div><p>x</p><div class="r">${shots('cd')}</div>`, ['body: a b c d']],
    [`<div class="r">${shots('ab')}</div><div class="r"><p>${shot('c')}</p></div>`, ['body: a b', 'div: c']],
    [`<div class="r">${shots('ab')}</div><div class="r">${shot('c')}</div>`, ['body: a b c']],
    [`<table><tr><td>${shot('a')}</td><td>${shot('b')}</td></tr></table>`, ['tbody: a b']],
    ...['center', 'font', 'li', 'figure'].map((tag): [string, string[]] => [
      `<div><p>${shot('a')}</p><${tag}>${shot('b')}</${tag}><p>${shot('c')}</p></div>`,
      ['div: a b c'],
    ]),
    [`<div><p>${shot('a')}</p><b>x</b><span>${shot('b')}</span><p>${shot('c')}</p></div>`, ['div: a c', 'span: b']],
    [`<div><p>${shot('a')}</p><i>${shot('b')}</i><p>${shot('c')}</p></div>`, ['div: a c', 'i: b']],
    [`<p>${shot('a')}</p><h6>x</h6><p>${shot('b')}</p>`, ['body: a b']],
    [`<dl><dt>x</dt><dd>${shot('a')}</dd></dl>`, ['dl: a']],
    [`<p><b>${shot('a')}</b></p>`, ['b: a']],
    [`<p>${shot('a')}<br></p>`, ['p: a']],
  ])('%s', (body, galleries) => expect(seen(body)).toEqual(galleries));

  it('are what their author has told', () => {
    const told = (body: string, units: { selector: string; gallery: boolean }[]) =>
      galleriesOf(parsePage(`<body>${body}</body>`, units)).map(
        ({ container, items }) => `${container.tag} ${items.length}`,
      );
    const body = `<div><p>${shot('a')}${shot('b')}</p><p>${shot('c')}${shot('d')}</p></div>`;
    expect(told(body, [])).toEqual(['div 4']);
    expect(told(body, [{ selector: 'p', gallery: true }])).toEqual(['div 2']);
    expect(told(body, [{ selector: 'p a', gallery: true }])).toEqual(['div 4']);
    expect(told(body, [{ selector: 'p:first-child', gallery: false }])).toEqual(['div 2']);
    expect(told(body, [{ selector: 'p', gallery: false }])).toEqual([]);
    const apart = `<div>${['a', 'b'].map((name) => `<section><p>${shot(name)}</p></section>`).join('')}</div>`;
    expect(told(apart, [{ selector: 'p', gallery: true }])).toEqual(['div 2']);
    expect(told(body, [{ selector: 'p[', gallery: true }])).toEqual(['div 4']);
    expect(told(body, [{ selector: 'p, a', gallery: true }])).toEqual(['div 2']);
    const nested = `<main>${['a', 'b', 'c'].map((name) => `<div><section><p>${shot(name)}</p></section></div>`).join('')}</main>`;
    expect(told(nested, [{ selector: 'p', gallery: true }])).toEqual(['main 3']);
    const mixed = `<div><p>${shot('a')}</p></div><div><p>${shot('b')}</p><p>${shot('c')}</p></div>`;
    expect(told(mixed, [{ selector: 'p', gallery: true }])).toEqual(['body 3']);
  });

  it('have their comments with the items that they stand before', () => {
    const html =
      '<body><ul>\n<!-- one -->\n<li><img src="a.jpg"></li> <!-- of a -->\n<!-- two --><!-- three -->\n<li><img src="b.jpg"></li>\n\n<!-- far -->\n\n<li><img src="c.jpg"></li></ul></body>';
    const { items } = galleryIn(parsePage(html));
    expect(items.map(({ unit }) => html.slice(unit.start, unit.end))).toEqual([
      '<!-- one -->\n<li><img src="a.jpg"></li>',
      '<!-- two --><!-- three -->\n<li><img src="b.jpg"></li>',
      '<li><img src="c.jpg"></li>',
    ]);
  });
});

describe('a picture alone', () => {
  const link = '<a href="l/a.jpg"><img src="s/a.jpg"></a>';
  const read = (body: string) => {
    const page = parsePage(`<body>${body}</body>`);
    return galleriesOf(page).map(({ container, items }) => {
      const [item] = items;
      const written = item && page.text.slice(item.range.start, item.range.end);
      return [valueOf(container, 'class') ?? container.tag, written, item?.caption?.text ?? null];
    });
  };
  const prose = 'It rose in the morning, and was seen from afar by all who stood there.'.repeat(3);

  it.each<[string, [string, string, string | null]]>([
    ...['<em>Kite</em>', '<br>Kite', '<span class="c">Kite</span>'].map((words): [string, [string, string, string]] => {
      const item = `<p class="shot">${link}${words}</p>`;
      return [`<h1>x</h1><div class="bench">${item}</div>`, ['bench', item, 'Kite']];
    }),
    [
      `<h1>x</h1><div class="grid"><div>${link}<p>Kite</p></div></div>`,
      ['grid', `<div>${link}<p>Kite</p></div>`, 'Kite'],
    ],
    // All that the page has: what holds it is the page's, and no item.
    [`<div class="wrap"><div class="text">${link}</div></div>`, ['text', link, null]],
    [`<main><div class="text">${link}</div></main>`, ['text', link, null]],
    [`<h1>x</h1><div class="wrap"><div class="text">${link}<p>${prose}</p></div></div>`, ['text', link, null]],
    [`<h1>x</h1><div class="wrap"><h2>y</h2><div class="text">${link}</div></div>`, ['text', link, null]],
  ])('%s', (body, gallery) => expect(read(body)).toEqual([gallery]));
});

describe('the last row, with one item only', () => {
  const written = (rows: string) => {
    const page = parsePage(`<table>${rows}</table>`);
    return galleriesOf(page).flatMap(({ items }) => items.map(({ range }) => page.text.slice(range.start, range.end)));
  };
  const cell = (name: string) => `<td>${name}</td><td><img src="${name}.gif"></td>`;
  const after = (name: string) => `<td><img src="${name}.gif"></td><td>${name}</td>`;

  it.each([cell, after])('is read as those before it are', (item) => {
    const rows = `<tr>${item('a')} ${item('b')}</tr><tr>${item('c')} ${item('d')}</tr>`;
    expect(written(`${rows}<tr>${item('e')}</tr>`)).toEqual(['a', 'b', 'c', 'd', 'e'].map(item));
  });
});

describe('flat runs', () => {
  const runs = (body: string) => {
    const html = `<body><div>${body}</div></body>`;
    return galleriesOf(parsePage(html)).flatMap(({ items }) =>
      items.map(({ range }) => html.slice(range.start, range.end)),
    );
  };
  const img = (name: string) => `<img src="${name}.jpg">`;

  it.each<[string, string[]]>([
    [`${img('a')}<p>A</p>${img('b')}<p>B</p>`, [`${img('a')}<p>A</p>`, `${img('b')}<p>B</p>`]],
    [`<p>A</p>${img('a')}<p>B</p>${img('b')}`, [`<p>A</p>${img('a')}`, `<p>B</p>${img('b')}`]],
    [`${img('a')} One<br>${img('b')} Two<br>`, [`${img('a')} One`, `${img('b')} Two`]],
    [`${img('a')}<p>A</p>${img('b')}`, [img('a'), img('b')]],
    [`${img('a')}<p>A</p>${img('b')}<b>B</b>${img('c')}`, [img('a'), img('b'), img('c')]],
    [
      `${img('a')}<p>1</p><p>2</p><p>3</p>${img('b')}<p>1</p><p>2</p><p>3</p>`,
      [`${img('a')}<p>1</p><p>2</p><p>3</p>`, `${img('b')}<p>1</p><p>2</p><p>3</p>`],
    ],
    [`${img('a')}<p>1</p><p>2</p><p>3</p><p>4</p>${img('b')}<p>1</p><p>2</p><p>3</p><p>4</p>`, [img('a'), img('b')]],
    [`${img('a')}<ul><li>x</li></ul>${img('b')}<ul><li>y</li></ul>`, [img('a'), img('b')]],
    [`${img('a')}${img('b')}`, [img('a'), img('b')]],
  ])('%s', (body, items) => expect(runs(body)).toEqual(items));
});

describe('a paragraph before each picture', () => {
  const LONG =
    'At noon the wind went round to the west and rose. The box kites were suddenly the only ones that looked at home.';
  const captions = (first: string, second: string) => {
    const group = (name: string) => `<ul><li><a href="l/${name}.jpg"><img src="s/${name}.jpg" alt=""></a></li></ul>`;
    const page = parsePage(`<body><p>${first}</p>${group('a')}<p>${second}</p>${group('b')}</body>`);
    return galleriesOf(page).flatMap(({ items }) => items.map(({ caption }) => caption?.text ?? null));
  };

  it('is its caption where it is short', () =>
    expect(captions('The reel', 'The line')).toEqual(['The reel', 'The line']));

  it('is the text of the page where it is long', () => expect(captions(LONG, 'The line')).toEqual([null, null]));
});
