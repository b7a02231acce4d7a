/** Galleries in the manners in which people write them: the markup inside the body, and what is to be read from it. */

export interface HandWritten {
  name: string;
  body: string;
  /** For each gallery the sources of its items in order; a link without image counts by its address. */
  galleries: string[][];
  /** Captions of the first gallery, where they matter. */
  captions?: (string | null)[];
  /** What the items of the first gallery open, where it is not `l/` and the name. */
  targets?: (string | null)[];
}

const three = ['s/a.jpg', 's/b.jpg', 's/c.jpg'];
const item = (n: string, rest = '') =>
  `<a href="l/${n}.jpg"${rest}><img src="s/${n}.jpg" alt="${n.toUpperCase()}"></a>`;

export const STYLES: readonly HandWritten[] = [
  { name: 'bare links in a div', body: `<div>\n${item('a')}\n${item('b')}\n${item('c')}\n</div>`, galleries: [three] },
  {
    name: 'bare links in a paragraph, with commas',
    body: `<p>${item('a')}, ${item('b')}, ${item('c')}</p>`,
    galleries: [three],
  },
  {
    name: 'an unordered list',
    body: `<ul>\n  <li>${item('a')}</li>\n  <li>${item('b')}</li>\n  <li>${item('c')}</li>\n</ul>`,
    galleries: [three],
  },
  {
    name: 'a list without end tags',
    body: `<ul>\n<li>${item('a')}\n<li>${item('b')}\n<li>${item('c')}\n</ul>`,
    galleries: [three],
  },
  {
    name: 'figures with captions',
    body: ['a', 'b', 'c'].map((n) => `<figure>${item(n)}<figcaption>Kite ${n}</figcaption></figure>`).join('\n'),
    galleries: [three],
    captions: ['Kite a', 'Kite b', 'Kite c'],
  },
  {
    name: 'a caption before the picture',
    body: `<div>${['a', 'b', 'c'].map((n) => `<div class="i"><span>Kite ${n}</span>${item(n)}</div>`).join('\n')}</div>`,
    galleries: [three],
    captions: ['Kite a', 'Kite b', 'Kite c'],
  },
  {
    name: 'captions with markup inside',
    body: `<ul>${['a', 'b', 'c'].map((n) => `<li>${item(n)}<p>Kite <em>${n}</em> &amp; more</p></li>`).join('')}</ul>`,
    galleries: [three],
    captions: ['Kite a & more', 'Kite b & more', 'Kite c & more'],
  },
  {
    name: 'a table with rows',
    body: `<table><tr><td>${item('a')}</td><td>${item('b')}</td></tr><tr><td>${item('c')}</td><td>${item('d')}</td></tr></table>`,
    galleries: [[...three, 's/d.jpg']],
  },
  {
    name: 'rows of divs',
    body: `<div class="g"><div class="row">${item('a')}${item('b')}</div>\n<div class="row">${item('c')}${item('d')}</div></div>`,
    galleries: [[...three, 's/d.jpg']],
  },
  {
    name: 'a definition list',
    body: `<dl>${['a', 'b', 'c'].map((n) => `<dt>${item(n)}</dt><dd>Kite ${n}</dd>`).join('\n')}</dl>`,
    galleries: [three],
    captions: ['Kite a', 'Kite b', 'Kite c'],
  },
  {
    name: 'link and paragraph in turn',
    body: `<div>${['a', 'b', 'c'].map((n) => `${item(n)}<p>Kite ${n}</p>`).join('\n')}</div>`,
    galleries: [three],
    captions: ['Kite a', 'Kite b', 'Kite c'],
  },
  {
    name: 'before and after in one list item',
    body: `<ul>${['a', 'b', 'c'].map((n) => `<li>${item(n)}${item(`${n}2`)}</li>`).join('')}</ul>`,
    galleries: [three],
  },
  {
    name: 'capitals and no quotes',
    body: `<UL>\n<LI><A HREF=l/a.jpg><IMG SRC=s/a.jpg ALT=A></A>\n<LI><A HREF=l/b.jpg><IMG SRC=s/b.jpg ALT=B></A>\n<LI><A HREF=l/c.jpg><IMG SRC=s/c.jpg ALT=C></A>\n</UL>`,
    galleries: [three],
  },
  {
    name: 'single quotes and spaces round the signs',
    body: `<div><a href = 'l/a.jpg'><img src = 's/a.jpg' alt = 'A'></a>\n<a href = 'l/b.jpg'><img src = 's/b.jpg' alt = 'B'></a>\n<a href = 'l/c.jpg'><img src = 's/c.jpg' alt = 'C'></a></div>`,
    galleries: [three],
  },
  {
    name: 'pictures without links',
    body: '<div><img src="s/a.jpg" alt="A"><img src="s/b.jpg" alt="B"><img src="s/c.jpg" alt="C"></div>',
    galleries: [three],
    targets: [null, null, null],
  },
  {
    name: 'links without pictures',
    body: '<ul><li><a href="l/a.jpg">A</a></li><li><a href="l/b.jpg">B</a></li></ul>',
    galleries: [['l/a.jpg', 'l/b.jpg']],
  },
  {
    name: 'one item that has lost its link',
    body: `<div>${item('a')}<img src="s/b.jpg" alt="B">${item('c')}</div>`,
    galleries: [three],
    targets: ['l/a.jpg', null, 'l/c.jpg'],
  },
  {
    name: 'picture elements',
    body: `<div>${['a', 'b', 'c'].map((n) => `<a href="l/${n}.jpg"><picture><source srcset="s/${n}.webp" type="image/webp"><img src="s/${n}.jpg" alt="${n}"></picture></a>`).join('')}</div>`,
    galleries: [three],
  },
  {
    name: 'mixed with and without a picture element',
    body: `<div><a href="l/a.jpg"><picture><img src="s/a.jpg" alt="A"></picture></a>${item('b')}${item('c')}</div>`,
    galleries: [three],
  },
  {
    name: 'a gallery of one',
    body: `<figure>${item('a')}<figcaption>Kite</figcaption></figure>`,
    galleries: [['s/a.jpg']],
  },
  {
    name: 'comments that belong to an item',
    body: `<div>\n  <!-- first -->\n  ${item('a')}\n  <!-- Ask before printing -->\n  ${item('b')}\n  ${item('c')}\n</div>`,
    galleries: [three],
  },
  {
    name: 'two galleries on a page',
    body: `<section>${item('a')}${item('b')}</section><section>${item('c')}${item('d')}</section>`,
    galleries: [
      ['s/a.jpg', 's/b.jpg'],
      ['s/c.jpg', 's/d.jpg'],
    ],
  },
  {
    name: 'icons in a menu are no gallery',
    body: '<nav><a href="a.html"><img src="home.png" alt="Home"></a><a href="b.html"><img src="mail.png" alt="Mail"></a></nav>',
    galleries: [],
  },
  {
    name: 'the same arrow again and again is no gallery',
    body: '<ul><li><a href="a.html"><img src="arrow.gif" alt="">A</a></li><li><a href="b.html"><img src="arrow.gif" alt="">B</a></li><li><a href="c.html"><img src="arrow.gif" alt="">C</a></li></ul>',
    galleries: [],
  },
  {
    name: 'pictures in prose are no gallery',
    body: ['a', 'b', 'c']
      .map((n) => `<p>${'Long ago on the moor a kite was flown. '.repeat(8)}<img src="s/${n}.jpg" alt="${n}"></p>`)
      .join('\n'),
    galleries: [],
  },
  {
    name: 'entities in attributes',
    body: `<div><a href="l/a.jpg?x=1&amp;y=2"><img src="s/a.jpg" alt="Salt &amp; wind"></a><a href="l/b.jpg"><img src="s/b.jpg" alt="&quot;B&quot;"></a></div>`,
    galleries: [['s/a.jpg', 's/b.jpg']],
    targets: ['l/a.jpg?x=1&y=2', 'l/b.jpg'],
  },
  {
    name: 'background images on links',
    body: `<div>${['a', 'b', 'c'].map((n) => `<a href="l/${n}.jpg" style="background-image: url(s/${n}.jpg); width: 150px">Kite ${n}</a>`).join('\n')}</div>`,
    galleries: [three],
    captions: ['Kite a', 'Kite b', 'Kite c'],
  },
  {
    name: 'background images without links',
    body: `<div>${['a', 'b', 'c'].map((n) => `<div class="tile" style='background: #eee url("s/${n}.jpg") center'></div>`).join('\n')}</div>`,
    galleries: [three],
    targets: [null, null, null],
  },
  {
    name: 'words after a line break in a cell',
    body: `<table><tr>${['a', 'b', 'c'].map((n) => `<td align=center>${item(n)}<br>Kite ${n}</td>`).join('\n')}</tr></table>`,
    galleries: [three],
    captions: ['Kite a', 'Kite b', 'Kite c'],
  },
  {
    name: 'words behind each link in one paragraph',
    body: `<p>\n${['a', 'b', 'c'].map((n) => `${item(n)} Kite ${n}<br>`).join('\n')}\n</p>`,
    galleries: [three],
    captions: ['Kite a', 'Kite b', 'Kite c'],
  },
  {
    name: 'words before each link in one paragraph',
    body: `<p>${['a', 'b', 'c'].map((n) => `Kite ${n} ${item(n)}`).join('<br>\n')}</p>`,
    galleries: [three],
    captions: ['Kite a', 'Kite b', 'Kite c'],
  },
  {
    name: 'words inside the link',
    body: `<div>${['a', 'b', 'c'].map((n) => `<a href="l/${n}.jpg"><img src="s/${n}.jpg" alt=""><br>Kite ${n}</a>`).join('\n')}</div>`,
    galleries: [three],
    captions: ['Kite a', 'Kite b', 'Kite c'],
  },
  {
    name: 'a figcaption inside the link',
    body: ['a', 'b', 'c']
      .map(
        (n) =>
          `<a href="l/${n}.jpg"><figure><img src="s/${n}.jpg" alt=""><figcaption>Kite ${n}</figcaption></figure></a>`,
      )
      .join('\n'),
    galleries: [three],
    captions: ['Kite a', 'Kite b', 'Kite c'],
  },
  {
    name: 'cards with a heading and a text',
    body: `<div class="cards">${['a', 'b', 'c'].map((n) => `<div class="card"><div class="face">${item(n)}</div><div class="words"><h3>Kite ${n}</h3><p>Flown by ${n}.</p></div></div>`).join('\n')}</div>`,
    galleries: [three],
    captions: ['Kite a', 'Kite b', 'Kite c'],
  },
  {
    name: 'a heading before each picture',
    body: `<div>${['a', 'b', 'c'].map((n) => `<h3>Kite ${n}</h3>\n${item(n)}`).join('\n')}</div>`,
    galleries: [three],
    captions: ['Kite a', 'Kite b', 'Kite c'],
  },
  {
    name: 'headings that part one run in two',
    body: `<div><h2>Spring</h2>${item('a')}${item('b')}<h2>Summer</h2>${item('c')}${item('d')}</div>`,
    galleries: [
      ['s/a.jpg', 's/b.jpg'],
      ['s/c.jpg', 's/d.jpg'],
    ],
  },
  {
    name: 'mixed wrappers',
    body: `<div><p>${item('a')}</p>\n<div>${item('b')}</div>\n<span>${item('c')}</span></div>`,
    galleries: [three],
  },
  {
    name: 'a larger picture in an attribute of its own',
    body: `<div>${['a', 'b', 'c'].map((n) => `<img src="s/${n}.jpg" data-large="l/${n}.jpg" alt="${n}">`).join('\n')}</div>`,
    galleries: [three],
    targets: ['l/a.jpg', 'l/b.jpg', 'l/c.jpg'],
  },
  {
    name: 'pictures that a script sets later',
    body: `<ul>${['a', 'b', 'c'].map((n) => `<li><a href="l/${n}.jpg"><img src="blank.gif" data-src="s/${n}.jpg" alt="${n}"><noscript><img src="s/${n}.jpg" alt="${n}"></noscript></a></li>`).join('\n')}</ul>`,
    galleries: [three],
  },
  {
    name: 'one link that leads to a page',
    body: `<ul><li>${item('a')}</li><li><a href="b.html"><img src="s/b.jpg" alt="B"></a></li><li>${item('c')}</li></ul>`,
    galleries: [three],
    targets: ['l/a.jpg', 'b.html', 'l/c.jpg'],
  },
  {
    name: 'a dummy link',
    body: `<ul><li>${item('a')}</li><li><a href="#"><img src="s/b.jpg" alt="B"></a></li></ul>`,
    galleries: [['s/a.jpg', 's/b.jpg']],
    targets: ['l/a.jpg', '#'],
  },
  {
    name: 'centred and coloured as it once was done',
    body: `<center>${['a', 'b', 'c'].map((n) => `<a href="l/${n}.jpg"><img src="s/${n}.jpg" border="0"></a><br><font size="2" color="#333333">Kite ${n}</font><br><br>`).join('\n')}</center>`,
    galleries: [three],
    captions: ['Kite a', 'Kite b', 'Kite c'],
  },
  { name: 'separated by bars', body: `<p>${['a', 'b', 'c'].map((n) => item(n)).join(' | ')}</p>`, galleries: [three] },
  {
    name: 'an ordered list with capitals and open paragraphs',
    body: `<OL>\n${['a', 'b', 'c'].map((n) => `<LI><A HREF="l/${n}.jpg"><IMG SRC="s/${n}.jpg" ALT="${n}"></A><P>Kite ${n}`).join('\n')}\n</OL>`,
    galleries: [three],
    captions: ['Kite a', 'Kite b', 'Kite c'],
  },
  {
    name: 'picture elements with several sources',
    body: `<ul>${['a', 'b', 'c'].map((n) => `<li><a href="l/${n}.jpg"><picture>\n<source media="(min-width: 800px)" srcset="s/${n}-2x.webp 2x, s/${n}.webp" type="image/webp">\n<img src="s/${n}.jpg" srcset="s/${n}.jpg 1x, s/${n}-2x.jpg 2x" alt="${n}">\n</picture></a></li>`).join('\n')}</ul>`,
    galleries: [three],
  },
  {
    name: 'arrows to the pages before and after are no gallery',
    body: `<p><a href="1.html"><img src="g/prev.gif" alt="Before"></a> <a href="3.html"><img src="g/next.gif" alt="After"></a></p>\n<div>${item('a')}${item('b')}</div>`,
    galleries: [['s/a.jpg', 's/b.jpg']],
  },
  {
    name: 'signs in the footer that lead away are no gallery',
    body: `<div>${item('a')}${item('b')}</div><footer><a href="https://one.example/"><img src="g/one.png" alt="One"></a><a href="https://two.example/"><img src="g/two.png" alt="Two"></a></footer>`,
    galleries: [['s/a.jpg', 's/b.jpg']],
  },
  {
    name: 'covers that lead to pages',
    body: `<ul>${['a', 'b', 'c'].map((n) => `<li><a href="${n}.html"><img src="s/${n}.jpg" alt="${n}">Album ${n}</a></li>`).join('')}</ul>`,
    galleries: [three],
    captions: ['Album a', 'Album b', 'Album c'],
    targets: ['a.html', 'b.html', 'c.html'],
  },
  {
    name: 'a template’s left-overs between the items',
    body: `<ul>\n{% for p in pictures %}\n<li>${item('a')}</li>\n<li>${item('b')}</li>\n{% endfor %}\n</ul>`,
    galleries: [['s/a.jpg', 's/b.jpg']],
  },
  {
    name: 'counters in words',
    body: `<ul>${['a', 'b', 'c'].map((n, at) => `<li>${item(n)}<small>${at + 1} of 3</small><p>Kite ${n}</p></li>`).join('\n')}</ul>`,
    galleries: [three],
    captions: ['Kite a', 'Kite b', 'Kite c'],
  },
  {
    name: 'two galleries side by side in cells',
    body: `<table><tr><td>${item('a')}${item('b')}</td><td>${item('c')}${item('d')}</td></tr></table>`,
    galleries: [[...three, 's/d.jpg']],
  },
  {
    name: 'a picture at the top beside the gallery',
    body: `<div><p><img src="hero.jpg" alt="The moor"></p>${item('a')}${item('b')}${item('c')}</div>`,
    galleries: [three],
  },
  {
    name: 'within details',
    body: `<details><summary>Kites</summary>${item('a')}${item('b')}</details>`,
    galleries: [['s/a.jpg', 's/b.jpg']],
  },
  {
    name: 'buttons that a script answers',
    body: `<div>${['a', 'b', 'c'].map((n) => `<button type="button" data-picture="l/${n}.jpg"><img src="s/${n}.jpg" alt="${n}"></button>`).join('\n')}</div>`,
    galleries: [three],
    targets: ['l/a.jpg', 'l/b.jpg', 'l/c.jpg'],
  },
  {
    name: 'a definition list with two texts',
    body: `<dl>${['a', 'b', 'c'].map((n) => `<dt>${item(n)}</dt><dd>Kite ${n}</dd><dd>Sewn by ${n}</dd>`).join('\n')}</dl>`,
    galleries: [three],
    captions: ['Kite a', 'Kite b', 'Kite c'],
  },
  {
    name: 'equal lists under headings',
    body: `<h2>Spring</h2>\n<ul class="g">\n<li>${item('a')}</li>\n<li>${item('b')}</li>\n</ul>\n<h2>Summer</h2>\n<ul class="g">\n<li>${item('c')}</li>\n<li>${item('d')}</li>\n</ul>`,
    galleries: [
      ['s/a.jpg', 's/b.jpg'],
      ['s/c.jpg', 's/d.jpg'],
    ],
  },
  {
    name: 'a menu as a list beside the list of pictures',
    body: `<ul><li><a href="a.html">Home</a></li><li><a href="b.html">Kites</a></li></ul>\n<ul>\n<li>${item('a')}</li>\n<li>${item('b')}</li>\n</ul>`,
    galleries: [['s/a.jpg', 's/b.jpg']],
  },
  {
    name: 'rows under headings',
    body: `<div><h2>Spring</h2>${[
      ['a', 'b'],
      ['c', 'd'],
    ]
      .map((row) => `<div class="row">${row.map((n) => item(n)).join('')}</div>`)
      .join('\n')}<h2>Summer</h2>${[
      ['e', 'f'],
      ['g', 'h'],
    ]
      .map((row) => `<div class="row">${row.map((n) => item(n)).join('')}</div>`)
      .join('\n')}</div>`,
    galleries: [
      ['s/a.jpg', 's/b.jpg', 's/c.jpg', 's/d.jpg'],
      ['s/e.jpg', 's/f.jpg', 's/g.jpg', 's/h.jpg'],
    ],
  },
  {
    name: 'outside addresses',
    body: `<div>${['a', 'b'].map((n) => `<a href="https://pictures.example/${n}.jpg"><img src="s/${n}.jpg" alt="${n}"></a>`).join('\n')}</div>`,
    galleries: [['s/a.jpg', 's/b.jpg']],
    targets: ['https://pictures.example/a.jpg', 'https://pictures.example/b.jpg'],
  },
];

/** Line breaks and byte order marks; the last is the hardest, and enough where tests are run thousands of times. */
const ALL = [{}, { crlf: true }, { bom: true }, { crlf: true, bom: true }];
export const THOROUGH = process.env.HARDEST_ONLY === undefined;
export const VARIANTS = THOROUGH ? ALL : ALL.slice(-1);

/** As a whole page, with the line breaks and the byte order mark asked for. */
export function pageOf(body: string, { crlf = false, bom = false } = {}): string {
  const text = `<!DOCTYPE html>\n<html lang="en">\n<head><meta charset="utf-8"><title>Kites</title></head>\n<body>\n<h1>Kites</h1>\n${body}\n</body>\n</html>\n`;
  return (bom ? '\uFEFF' : '') + (crlf ? text.replaceAll('\n', '\r\n') : text);
}
