import { describe, expect, it } from 'vitest';
import { parsePage } from './document.ts';
import { galleryIn, listOf } from './edited.fixture.ts';
import { galleriesOf } from './galleries.ts';
import { patternOf } from './pattern.ts';

/** The first item of a list of three that are written alike, with `#` for a letter of its own. */
function first(item: string) {
  const html = listOf(['a', 'b', 'c'].map((name) => item.replaceAll('#', name)));
  const [one] = galleryIn(parsePage(html)).items;
  return { html, item: one };
}

describe('the files of an item', () => {
  it.each([
    ['<a href="#.jpg"><img src="t/#.jpg"></a>', 't/a.jpg', 'a.jpg'],
    ['<img src="t/#.jpg">', 't/a.jpg', null],
    ['<img src="t/#.jpg" data-large="#.jpg">', 't/a.jpg', 'a.jpg'],
    ['<img src="blank.gif" data-src="t/#.jpg">', 't/a.jpg', null],
    ['<img data-src="t/#.jpg">', 't/a.jpg', null],
    ['<img src="data:x" data-src="t/#.jpg" data-full="#.jpg">', 't/a.jpg', 'a.jpg'],
    ['<img src="t/#.jpg" data-src="#.jpg">', 't/a.jpg', 'a.jpg'],
    ['<a href="#.jpg" style="background: url(t/#.jpg)">x#</a>', 't/a.jpg', 'a.jpg'],
    ['<a href="#.jpg" style="background-image:url( \'t/#.jpg\' ); color: red">x#</a>', 't/a.jpg', 'a.jpg'],
    ['<a href="#.jpg" style="background: red url(&quot;t/#.jpg&quot;)">x#</a>', 't/a.jpg', 'a.jpg'],
    ['<a href="#.jpg" style="color: red">x#</a>', null, 'a.jpg'],
    ['<a href="#.jpg" style="background: url(t/#.txt)">x#</a>', null, 'a.jpg'],
    ['<a href="#.html"><img src="t/#.jpg"></a>', 't/a.jpg', 'a.html'],
    ['<p><a href="one#.html">x</a></p><a href="#.jpg"><img src="t/#.jpg"></a>', 't/a.jpg', 'a.jpg'],
    ['<noscript><img src="n#.jpg"></noscript><a href="#.jpg"><img src="t/#.jpg"></a>', 't/a.jpg', 'a.jpg'],
    ['<picture><source srcset="t/#.webp"><img src="t/#.jpg"></picture>', 't/a.jpg', null],
  ])('%s', (html, source, target) => {
    const { html: text, item } = first(html);
    expect([item?.source?.value ?? null, item?.target?.value ?? null]).toEqual([source, target]);
    for (const place of [item?.source, item?.target])
      if (place) expect(text.slice(place.range.start, place.range.end)).toBe(place.value);
  });
});

describe('the caption of an item', () => {
  const LINK = '<a href="#.jpg"><img src="t/#.jpg"></a>';

  it.each<[string, string | null, string?]>([
    [LINK, null],
    [`${LINK}<p>Words #</p>`, 'Words a', 'p'],
    [`${LINK}<p></p>`, '', 'p'],
    [`${LINK}<b></b>`, null],
    [`<figure>${LINK}<p>No #</p><figcaption>Words #</figcaption></figure>`, 'Words a', 'figcaption'],
    [`<figure>${LINK}<figcaption><span>Words #</span></figcaption></figure>`, 'Words a', 'span'],
    [`<figure>${LINK}<figcaption></figcaption></figure>`, '', 'figcaption'],
    [`<figcaption>${LINK}</figcaption>`, null],
    [`${LINK}<p>Words <b>bold #</b> more</p>`, 'Words bold a more', 'p'],
    [`${LINK}<p><b>bold #</b></p>`, 'bold a', 'b'],
    [`${LINK} Loose # words`, 'Loose a words'],
    [`${LINK} Loose <b>bold #</b>, more`, 'Loose bold a more'],
    [`${LINK}<br>Loose #`, 'Loose a'],
    [`Before # ${LINK}`, 'Before a'],
    ['<a href="#.jpg"><img src="t/#.jpg"> Inside #</a>', 'Inside a'],
    ['<a href="#.jpg"><img src="t/#.jpg"><span>Inside #</span></a>', 'Inside a', 'span'],
    ['<a href="#.jpg"><img src="t/#.jpg"><span>Inside</span></a><p>Outside #</p>', 'Outside a', 'p'],
    [`${LINK}<p>3 of 12</p><p>Words #</p>`, 'Words a', 'p'],
    [`${LINK}<p>Picture 3</p>`, 'Picture 3', 'p'],
    [`${LINK}<script>words#()</script>`, null],
    [`${LINK}<svg><text>words #</text></svg>`, null],
    [`${LINK}<p>One #</p><p>Two #</p>`, 'One a', 'p'],
    [`<h3>Head #</h3>${LINK}`, 'Head a', 'h3'],
    [`${LINK}<p>Words\n  over &amp; lines #</p>`, 'Words over & lines a', 'p'],
  ])('%s', (html, text, tag) => {
    const { item } = first(html);
    expect(item?.caption?.text ?? null).toBe(text);
    expect(item?.caption?.element?.tag).toBe(tag);
  });

  it('is told where it stands, without the white space of an element that is not closed', () => {
    const html =
      '<body><dl>\n' +
      ['a', 'b'].map((name) => `<dt><img src="${name}.jpg">\n<dd>Words ${name}\n`).join('') +
      '</dl></body>';
    const [item] = galleryIn(parsePage(html)).items;
    const range = item?.caption?.range;
    expect(range && html.slice(range.start, range.end)).toBe('Words a');
    expect(item?.caption?.plain).toBe(true);
    expect(first(`${LINK}<p>Words <b>#</b></p>`).item?.caption?.plain).toBe(false);
    expect(first(`${LINK} Loose <b>#</b>`).item?.caption?.plain).toBe(false);
    expect(first(`${LINK} Loose #`).item?.caption?.plain).toBe(true);
  });
});

describe('a pattern', () => {
  const learnt = (items: readonly string[]) => {
    const page = parsePage(listOf(items));
    const pattern = patternOf(page, galleryIn(page));
    return (
      pattern && {
        text: pattern.text.replace(/^<li>|<\/li>$/g, ''),
        forNew: pattern.forNew.replace(/^<li>|<\/li>$/g, ''),
        free: [...pattern.free.keys()],
      }
    );
  };
  const each = (item: string) =>
    ['a', 'b', 'c'].map((name, n) => item.replaceAll('#', name).replaceAll('%', String(n + 1)));

  it.each<[string, string, string[]]>([
    [
      '<a href="#.jpg"><img src="t/#.jpg" alt="A #"></a>',
      '<a href="{full}"><img src="{thumbnail}" alt="{alt}"></a>',
      [],
    ],
    [
      "<a href='#.jpg' TITLE='T #'><img src=t/#.jpg></a>",
      "<a href='{full}' TITLE='{title}'><img src={thumbnail}></a>",
      [],
    ],
    [
      '<a href="#.jpg" class="one" rel="x"><img src="t/#.jpg"></a>',
      '<a href="{full}" class="one" rel="x"><img src="{thumbnail}"></a>',
      [],
    ],
    [
      '<a href="#.jpg" id="pic-#"><img src="t/#.jpg"></a>',
      '<a href="{full}" id="pic-{name}"><img src="{thumbnail}"></a>',
      [],
    ],
    [
      '<a href="#.jpg" id="p%"><img src="t/#.jpg"></a>',
      '<a href="{full}" id="p{number}"><img src="{thumbnail}"></a>',
      [],
    ],
    [
      '<a href="#.jpg" id="p0%"><img src="t/#.jpg"></a>',
      '<a href="{full}" id="p{number:2}"><img src="{thumbnail}"></a>',
      [],
    ],
    [
      '<a href="#.jpg"><img src="t/#.jpg" width="6%" height="4%"></a>',
      '<a href="{full}"><img src="{thumbnail}" width="{width}" height="{height}"></a>',
      [],
    ],
    [
      '<a href="#.jpg" data-at="# moor"><img src="t/#.jpg"></a>',
      '<a href="{full}" data-at="{data-at}"><img src="{thumbnail}"></a>',
      ['data-at'],
    ],
    [
      '<a href="#.jpg" data-words="W #"><img src="t/#.jpg" alt="W #"></a>',
      '<a href="{full}" data-words="{alt}"><img src="{thumbnail}" alt="{alt}"></a>',
      [],
    ],
    [
      '<a href="#.jpg"><img src="t/#.jpg"></a><p> C # </p>',
      '<a href="{full}"><img src="{thumbnail}"></a><p> {caption} </p>',
      [],
    ],
    [
      '<a href="#.jpg" data-words="C #"><img src="t/#.jpg"></a><p>C #</p>',
      '<a href="{full}" data-words="{caption}"><img src="{thumbnail}"></a><p>{caption}</p>',
      [],
    ],
    [
      '<a href="#.jpg"><img src="t/#.jpg"></a><p>C #</p><i>By # him</i>',
      '<a href="{full}"><img src="{thumbnail}"></a><p>{caption}</p><i>{text}</i>',
      ['text'],
    ],
    [
      '<a href="#.jpg"><img src="t/#.jpg"></a><p>C #</p><i>same</i>',
      '<a href="{full}"><img src="{thumbnail}"></a><p>{caption}</p><i>same</i>',
      [],
    ],
    [
      '<a href="#.jpg"><img src="t/#.jpg"></a><p>C #</p><i>No. %</i>',
      '<a href="{full}"><img src="{thumbnail}"></a><p>{caption}</p><i>No. {number}</i>',
      [],
    ],
    [
      '<a href="#.jpg" style="background: red url(t/#.jpg)">C #</a>',
      '<a href="{full}" style="background: red url({thumbnail})">{caption}</a>',
      [],
    ],
    [
      '<a href="#.jpg" data-x="{x} {{y}"><img src="t/#.jpg"></a>',
      '<a href="{full}" data-x="{{x} {{{y}"><img src="{thumbnail}"></a>',
      [],
    ],
  ])('%s', (item, text, free) => expect(learnt(each(item))).toMatchObject({ text, free }));

  it('is that of the item most like all others, with an alt text for new ones', () => {
    const items = each('<a href="#.jpg" class="k"><img src="t/#.jpg"></a>');
    items[2] = '<a href="c.jpg" class="l"><img src="t/c.jpg"></a>';
    expect(learnt(items)).toMatchObject({
      text: '<a href="{full}" class="k"><img src="{thumbnail}"></a>',
      forNew: '<a href="{full}" class="k"><img src="{thumbnail}" alt="{alt}"></a>',
    });
  });

  it('is none where no item has a picture', () => {
    expect(learnt(each('<a href="#.jpg">#</a>'))).toBeNull();
  });
});

describe('galleries', () => {
  const seen = (body: string) =>
    galleriesOf(parsePage(`<body>${body}</body>`)).map(
      ({ container, items }) =>
        `${container.tag}: ${items.map(({ source, target }) => (source ?? target)?.value.replace(/\.\w+$/, '')).join(' ')}`,
    );
  const shot = (name: string) => `<a href="${name}.jpg"><img src="${name}.gif"></a>`;
  const shots = (names: string) => [...names].map(shot).join('\n');

  it.each<[string, string[]]>([
    [`<p>${shots('abc')}</p>`, ['p: a b c']],
    [`<div>${shots('ab')}</div><div>${shots('cd')}</div>`, ['body: a b c d']],
    [`<h2>x</h2><div>${shots('ab')}</div><h2>y</h2><div>${shots('cd')}</div>`, ['div: a b', 'div: c d']],
    [`<div class="x">${shots('ab')}</div><div>${shots('cd')}</div>`, ['div: a b', 'div: c d']],
    [`<section>${shots('ab')}</section><section>${shots('cd')}</section>`, ['section: a b', 'section: c d']],
    [
      `<table><tr><td>${shot('a')}</td><td>${shot('b')}</td></tr><tr><td>${shot('c')}</td></tr></table>`,
      ['tbody: a b c'],
    ],
    [`<nav>${shots('abc')}</nav>`, []],
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
        .map((name) => `<li><img src="${name}.jpg"><p>${'x'.repeat(241)}</p></li>`)
        .join('')}</ul>`,
      [],
    ],
    [
      `<ul>${'ab'
        .split('')
        .map((name) => `<li><img src="${name}.jpg"><p>${'x'.repeat(240)}</p></li>`)
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
